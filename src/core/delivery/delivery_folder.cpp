#include "core/delivery/delivery_folder.h"

#include "core/base/files.h"

namespace wembrix {

namespace fs = std::filesystem;

fs::path delivery_folder(const fs::path& job_folder, const fs::path& deliveries, const Destination& destination) {
    return destination.folder.empty()
               ? job_folder / deliveries / file_name_safe(destination.name)
               : (job_folder / destination.folder).lexically_normal(); // an absolute one stands for itself
}

std::optional<Problem> problem_with_own_folder(const Destination& destination, const fs::path& folder) {
    std::error_code error;
    const fs::path own = fs::path(destination.folder).filename();
    const bool is_own = !destination.folder.empty() && folder.filename() == own;
    const fs::path above = fs::absolute(folder, error).lexically_normal().parent_path();
    if (is_own && !fs::is_directory(folder, error) && !fs::is_directory(above, error)) {
        return Problem{"is not there, nor is the folder above it.", folder.string(),
                       "Connect its drive, or choose the destination's folder anew."};
    }
    return std::nullopt;
}

} // namespace wembrix
