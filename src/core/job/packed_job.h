// What a package takes of a job: its deliveries, if they are what the job would deliver now.
#pragma once

#include "core/delivery/package.h"
#include "core/job/job.h"

#include <filesystem>
#include <set>
#include <string>

namespace wembrix {

/// The folders of those destinations, by their names (empty: of all); `folder` is the job's own, `prepared` what its
/// card makes of its sources. A Problem names the first file that is not as the job would make it now, and why.
Result<PackedVariant> packed_variant(const Job& job, const std::filesystem::path& folder, const LoadedSources& sources,
                                     const Scene& prepared, const std::set<std::string>& destinations = {});
/// The same of a job's file, whose sources are read and whose card is replayed.
Result<PackedVariant> packed_variant(const std::filesystem::path& file, const std::set<std::string>& destinations = {});

} // namespace wembrix
