// Where a destination's files go.
#pragma once

#include "core/base/result.h"
#include "core/destination/destination.h"

#include <filesystem>
#include <optional>

namespace wembrix {

/// The destination's own folder where it names one, else one of its name below `deliveries`. Relative ones count from
/// the job's folder.
std::filesystem::path delivery_folder(const std::filesystem::path& job_folder, const std::filesystem::path& deliveries,
                                      const Destination& destination);

/// A folder of an engine's project is never made up: where not even the one above it is there, a drive is missing or
/// its name is wrong. Nothing for other folders.
std::optional<Problem> problem_with_own_folder(const Destination& destination, const std::filesystem::path& folder);

} // namespace wembrix
