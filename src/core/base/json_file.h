// A JSON file as a whole, or the reason why not.
#pragma once

#include "core/base/result.h"

#include <filesystem>
#include <nlohmann/json.hpp>

namespace wembrix {

Result<nlohmann::json> read_json_file(const std::filesystem::path& file);

} // namespace wembrix
