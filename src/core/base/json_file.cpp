#include "core/base/json_file.h"

#include "core/base/files.h"

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

} // namespace wembrix
