// delivery.json: what a folder of deliveries holds. See docs/delivery-manifest.md.
#pragma once

#include "core/delivery/delivery.h"

#include <filesystem>
#include <map>
#include <nlohmann/json.hpp>
#include <string>

namespace wembrix {

struct FileFact {
    std::string hash;
    uintmax_t bytes = 0;
};

/// The manifest of a folder; an empty object when there is none or it is not ours.
nlohmann::json read_manifest(const std::filesystem::path& folder);
Outcome write_manifest(const nlohmann::json& manifest, const std::filesystem::path& folder);
bool lists_file(const nlohmann::json& manifest, const std::string& file);
/// Adds a file that is about to be put in place.
void note_coming(nlohmann::json& manifest, const std::string& file);

/// The manifest after a delivery: what arrived now, and what the old one lists of the plan still.
nlohmann::json make_manifest(const DeliveryRequest& request, const std::vector<Deliverable>& plan,
                             const DeliveryReport& report, const nlohmann::json& old,
                             const std::map<std::string, FileFact>& facts);

/// Deletes files that only the old manifest lists and that still are as it says.
void remove_retired(const nlohmann::json& old, const nlohmann::json& now, const std::filesystem::path& folder);

/// What a manifest says of a deliverable: arrived with this fingerprint, stale with another, or never.
struct KnownState {
    CellState state = CellState::never;
    double drift_mm = 0;
};
KnownState state_in_manifest(const nlohmann::json& manifest, const std::filesystem::path& folder,
                             const Deliverable& deliverable, const std::string& fingerprint);

} // namespace wembrix
