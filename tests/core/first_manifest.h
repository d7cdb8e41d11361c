// The manifest of a folder that one job delivers into.
#pragma once

#include "core/delivery/manifest.h"

namespace wembrix::testing {

/// An empty object where there is none.
inline nlohmann::json first_manifest(const std::filesystem::path& folder) {
    std::vector<nlohmann::json> all = read_manifests(folder);
    return all.empty() ? nlohmann::json::object() : std::move(all.front());
}

} // namespace wembrix::testing
