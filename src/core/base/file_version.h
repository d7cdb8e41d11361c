// Versions of the files that are our own: jobs, destinations, contracts, manifests. Older ones are brought up to date
// as they are read; only the newest is written.
#pragma once

#include "core/base/result.h"

#include <nlohmann/json.hpp>
#include <string>
#include <string_view>

namespace wembrix {

constexpr int file_version = 2;

/// Runs `from_1` on an object of version 1, or of none, and sets its version. A Problem for one that is newer than this
/// program knows.
Outcome bring_up_to_date(nlohmann::json& object, const std::string& where, void (*from_1)(nlohmann::json& object));

/// Gives the value under `from` the key `to`, unless that is there already.
void rename_key(nlohmann::json& object, std::string_view from, std::string_view to);
/// The same in each object of a list, or of an object of objects.
void rename_key_in_each(nlohmann::json& items, std::string_view from, std::string_view to);

} // namespace wembrix
