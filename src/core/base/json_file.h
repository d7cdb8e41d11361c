// A JSON file as a whole, or the reason why not.
#pragma once

#include "core/base/result.h"

#include <filesystem>
#include <nlohmann/json.hpp>

namespace wembrix {

Result<nlohmann::json> read_json_file(const std::filesystem::path& file);

/// Reads the list of `count` finite numbers under `key`; leaves `out` as it is when there is no such key. False when
/// what stands there is something else.
bool numbers_from(const nlohmann::json& json, const char* key, size_t count, double* out);

} // namespace wembrix
