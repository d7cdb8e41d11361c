// Vertices as a person writes them: "12", "20-31".
#pragma once

#include "core/base/result.h"

#include <cstdint>
#include <nlohmann/json_fwd.hpp>
#include <optional>
#include <set>
#include <string>
#include <utility>
#include <vector>

namespace wembrix {

/// First and last; nothing for any other text, or a range that goes backwards.
std::optional<std::pair<uint64_t, uint64_t>> vertex_range(const std::string& text);
/// As few ranges as there can be.
std::vector<std::string> vertex_ranges(const std::set<uint32_t>& vertices);
/// What is wrong with a list of them, if anything is: the check of a step's parameter.
std::optional<Problem> check_vertex_ranges(const nlohmann::json& list);
/// A mark a vertex of `count`: whether one of the ranges has it. Every text is a range.
std::vector<char> vertices_in_ranges(const std::vector<std::string>& ranges, size_t count);

} // namespace wembrix
