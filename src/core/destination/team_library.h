// Destinations that a team shares in a folder, each a file. Every one saved there gets the next revision, so that a job
// that has an older one can be told.
#pragma once

#include "core/destination/destination.h"

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

/// By their files' names; those that cannot be read are left out. Empty where there is no such folder.
std::vector<Destination> team_destinations(const std::filesystem::path& folder);
/// The one of that name there, if its revision is higher and it says something else.
std::optional<Destination> newer_in_team(const std::filesystem::path& folder, const Destination& destination);
/// Saves it under the next revision, which the destination has then. Refuses to put it over a newer one that says
/// something else, unless `over_newer`. What others save meanwhile is waited for.
Outcome save_to_team(const std::filesystem::path& folder, Destination& destination, bool over_newer = false);

} // namespace wembrix
