// A JSON file as a whole, or the reason why not.
#pragma once

#include "core/base/result.h"

#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>

namespace wembrix {

/// The deepest that arrays and objects may be nested: what walks the tree does so by recursion.
constexpr int deepest_json = 200;
/// Whether a text nests deeper, told before it is parsed.
bool is_too_deep(const std::string& text);

/// Parses a text from anywhere. A Problem with `where` for one that is not JSON or nested too deep.
Result<nlohmann::json> parse_json(const std::string& text, const std::string& where);
Result<nlohmann::json> read_json_file(const std::filesystem::path& file);

/// Reads the list of `count` finite numbers under `key`; leaves `out` as it is when there is no such key. False when
/// what stands there is something else.
bool numbers_from(const nlohmann::json& json, const char* key, size_t count, double* out);

} // namespace wembrix
