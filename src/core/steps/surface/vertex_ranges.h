// Vertices as a person writes them: "12", "20-31".
#pragma once

#include <cstdint>
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

} // namespace wembrix
