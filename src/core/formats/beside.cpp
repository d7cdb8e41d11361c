#include "core/formats/beside.h"

#include <algorithm>

namespace wembrix {

namespace fs = std::filesystem;

fs::path find_beside(const fs::path& folder, std::string_view written) {
    if (folder.empty() || written.empty() || written.find('\0') != std::string_view::npos || written.size() > 4000) {
        return {};
    }
    std::string name(written);
    std::replace(name.begin(), name.end(), '\\', '/');
    std::error_code error;
    const fs::path base = fs::weakly_canonical(folder, error);
    for (const fs::path& relative : {fs::path(name), fs::path(name).filename()}) {
        if (relative.empty() || relative.is_absolute()) {
            continue;
        }
        fs::path full = fs::weakly_canonical(base / relative, error);
        const auto [end, unused] = std::mismatch(base.begin(), base.end(), full.begin(), full.end());
        if (!error && end == base.end() && fs::is_regular_file(full, error)) {
            return full;
        }
    }
    return {};
}

std::string image_type(std::string_view bytes) {
    if (bytes.starts_with("\x89PNG\r\n\x1a\n")) {
        return "image/png";
    }
    return bytes.starts_with("\xff\xd8\xff") ? "image/jpeg" : "";
}

} // namespace wembrix
