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
/// Adds a file that is about to be put in place, so that it is known as ours if the run ends before the next manifest.
void note_coming(nlohmann::json& manifest, const std::string& file, const std::string& hash);

/// The manifest after a delivery: what arrived now, and what the old one lists of the plan still.
nlohmann::json make_manifest(const DeliveryRequest& request, const std::vector<Deliverable>& plan,
                             const DeliveryReport& report, const nlohmann::json& old,
                             const std::map<std::string, FileFact>& facts);

/// Deletes files that only the old manifest lists and that still are as it says.
void remove_retired(const nlohmann::json& old, const nlohmann::json& now, const std::filesystem::path& folder);

/// What the manifest says of one file.
struct ManifestRow {
    std::string file;
    std::string deliverable; ///< id
    uintmax_t bytes = 0;
    std::string hash;
    double drift_mm = 0;
    std::string content; ///< hash of what went into it
    std::string model_content;
    MadeFrom made_from;
};
/// Only rows that name a file of this very folder; what is missing in them stays empty.
std::vector<ManifestRow> rows_of(const nlohmann::json& manifest);

/// A deliverable that was tried and held back, and what would have gone into it.
struct HeldRow {
    std::string deliverable;
    std::string content;
    std::string reason;
};
std::vector<HeldRow> held_in(const nlohmann::json& manifest);

} // namespace wembrix
