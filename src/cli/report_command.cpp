#include "commands.h"

#include "core/base/files.h"
#include "core/delivery/manifest.h"
#include "core/delivery/report.h"

#include <fmt/format.h>

namespace wembrix::cli {

namespace fs = std::filesystem;

int report(const std::string& folder, const std::string& out) {
    const nlohmann::json manifest = read_manifest(folder);
    if (manifest.empty()) {
        return refuse(Problem{"has no delivery.json of ours.", folder, "Name the folder of a delivery."});
    }
    const fs::path file = out.empty() ? fs::path("delivery_report.html") : fs::path(out);
    std::error_code error;
    if (fs::exists(fs::symlink_status(file, error))) {
        return refuse(Problem{"is there already.", file.string(), "Choose another name with --out."});
    }
    const std::string page = report_page(manifest, folder);
    if (Outcome written = write_file_whole(file, page); !written) {
        return refuse(written.problem());
    }
    fmt::print("{}: {} bytes\n", file.string(), page.size());
    return all_well;
}

} // namespace wembrix::cli
