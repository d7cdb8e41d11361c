#include "commands.h"

#include "core/base/files.h"
#include "core/delivery/manifest.h"
#include "core/delivery/report.h"
#include "core/steps/names.h"

#include <fmt/format.h>

namespace wembrix::cli {

namespace fs = std::filesystem;

namespace {
Result<nlohmann::json> manifest_of(const std::string& folder, const std::string& job) {
    std::vector<nlohmann::json> all = read_manifests(folder);
    if (all.empty()) {
        return Problem{"has no delivery.json of ours.", folder, "Name the folder of a delivery."};
    }
    std::vector<std::string> names;
    for (nlohmann::json& one : all) {
        names.push_back(owner_of(one).job);
        if (job.empty() ? all.size() == 1 : names.back() == job) {
            return std::move(one);
        }
    }
    return Problem{fmt::format("has deliveries of {}.", some_of(names)), folder, "Name one of them with --job."};
}
} // namespace

int report(const std::string& folder, const std::string& job, const std::string& out) {
    const Result<nlohmann::json> manifest = manifest_of(folder, job);
    if (!manifest) {
        return refuse(manifest.problem());
    }
    const fs::path file = out.empty() ? fs::path("delivery_report.html") : fs::path(out);
    std::error_code error;
    if (fs::exists(fs::symlink_status(file, error))) {
        return refuse(Problem{"is there already.", file.string(), "Choose another name with --out."});
    }
    const std::string page = report_page(*manifest, folder);
    if (Outcome written = write_file_whole(file, page); !written) {
        return refuse(written.problem());
    }
    fmt::print("{}: {} bytes\n", file.string(), page.size());
    return all_well;
}

} // namespace wembrix::cli
