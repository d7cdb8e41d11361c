#include "core/base/json_file.h"

#include "core/base/files.h"

#include <cmath>

namespace wembrix {

Result<nlohmann::json> read_json_file(const std::filesystem::path& file) {
    const Result<std::string> bytes = read_file(file);
    if (!bytes) {
        return bytes.problem();
    }
    nlohmann::json parsed = nlohmann::json::parse(*bytes, nullptr, false);
    if (parsed.is_discarded()) {
        return Problem{"is not valid JSON.", file.string(), ""};
    }
    return parsed;
}

bool numbers_from(const nlohmann::json& json, const char* key, size_t count, double* out) {
    const auto found = json.find(key);
    if (found == json.end()) {
        return true;
    }
    if (!found->is_array() || found->size() != count) {
        return false;
    }
    for (size_t i = 0; i < count; ++i) {
        if (!(*found)[i].is_number() || !std::isfinite((*found)[i].get<double>())) {
            return false;
        }
        out[i] = (*found)[i].get<double>();
    }
    return true;
}

} // namespace wembrix
