// Which file is this? Told from the file alone, or from the manifest of the delivery it lies in.
#pragma once

#include "core/base/result.h"
#include "core/delivery/manifest.h"

#include <filesystem>
#include <nlohmann/json.hpp>
#include <optional>
#include <string>

namespace wembrix {

struct Whereabouts {
    nlohmann::json stamp; ///< stamp_of's keys; of a manifest alone those that it knows
    bool from_file = false;
    std::filesystem::path delivery;       ///< the folder whose manifest lists the file; empty: none above it does
    std::optional<ManifestRow> delivered; ///< what is delivered there now of the same deliverable
    bool is_as_delivered = false;         ///< the file's bytes are those of that row
};

/// A Problem where neither the file nor a manifest in its folder, or in one above it, says anything.
Result<Whereabouts> whereabouts_of(const std::filesystem::path& file);

/// "It lies there as it was delivered", "version 3 is delivered there by now", …; empty where no delivery is near.
Text state_in_delivery(const Whereabouts& of);

} // namespace wembrix
