#include "core/base/json_file.h"

#include "core/base/files.h"
#include "core/base/text.h"

#include <cmath>

namespace wembrix {

bool is_too_deep(const std::string& text) {
    int depth = 0;
    bool quoted = false;
    for (size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (quoted) {
            i += c == '\\' ? 1 : 0;
            quoted = c != '"';
        } else if (c == '"') {
            quoted = true;
        } else if (c == '[' || c == '{') {
            if (++depth > deepest_json) {
                return true;
            }
        } else if (c == ']' || c == '}') {
            --depth;
        }
    }
    return false;
}

Result<nlohmann::json> parse_json(const std::string& text, const std::string& where) {
    if (is_too_deep(text)) {
        return Problem{phrase("is nested more than {} levels deep.", deepest_json), where, "", true};
    }
    nlohmann::json parsed = nlohmann::json::parse(text, nullptr, false);
    if (parsed.is_discarded()) {
        return Problem{"is not valid JSON.", where, "", true};
    }
    return parsed;
}

Result<nlohmann::json> read_json_file(const std::filesystem::path& file) {
    const Result<std::string> bytes = read_file(file);
    if (!bytes) {
        return bytes.problem();
    }
    return parse_json(*bytes, file.string());
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
