// A package: deliveries of one job or several, as a folder tree or one archive, with a list of all that is in it. What
// it was made of lies beside it untouched, and no package takes the place of another.
#pragma once

#include "core/base/result.h"
#include "core/delivery/made_from.h"

#include <filesystem>
#include <functional>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace wembrix {

/// One job's deliveries: a folder with its manifest for each destination.
struct PackedVariant {
    std::string job_name;
    Origin origin;
    std::vector<std::filesystem::path> deliveries;
};

struct PackageRequest {
    std::vector<PackedVariant> variants;
    std::string name; ///< of the folder or archive; empty: that of the family, or of the job
    std::string license;
    std::string credits;
    std::filesystem::path into; ///< the folder that it is made in
    bool archive = false;       ///< a .zip instead of a folder
    std::function<bool()> stop;
};

struct Package {
    std::filesystem::path path;
    size_t files = 0;
    uintmax_t bytes = 0; ///< of the files in it
};

/// Copies what the manifests list, each file held against its hash on the way, into FAMILY/VARIANT/DESTINATION/, and
/// puts the whole in place in one move under a name that is free. A Problem names the file that is not as it was
/// delivered.
Result<Package> write_package(const PackageRequest& request);

struct PackageCheck {
    nlohmann::json list;              ///< package.json
    size_t files = 0;                 ///< that it lists
    std::vector<std::string> damaged; ///< "tower.glb: its bytes are others", and what is missing
    std::vector<std::string> not_listed;
    [[nodiscard]] bool is_whole() const { return damaged.empty(); }
};
/// Of a folder or an archive, from whoever it comes. A Problem where it is no package. Nothing is unpacked.
Result<PackageCheck> check_package(const std::filesystem::path& path);

} // namespace wembrix
