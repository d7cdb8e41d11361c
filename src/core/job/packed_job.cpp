#include "core/job/packed_job.h"

#include "core/base/text.h"
#include "core/delivery/board.h"
#include "core/delivery/delivery_folder.h"
#include "core/job/replay.h"

#include <algorithm>

namespace wembrix {

namespace fs = std::filesystem;

Result<PackedVariant> packed_variant(const Job& job, const fs::path& folder, const LoadedSources& sources,
                                     const Scene& prepared, const std::set<std::string>& destinations) {
    for (const std::string& name : destinations) {
        if (std::none_of(job.destinations.begin(), job.destinations.end(),
                         [&](const Destination& one) { return one.name == name; })) {
            return Problem{phrase("has no destination “{}”.", name), job.name, ""};
        }
    }
    PackedVariant variant{job.name, job.origin, {}};
    for (const Destination& destination : job.destinations) {
        if (!destinations.empty() && !destinations.contains(destination.name)) {
            continue;
        }
        DeliveryRequest request;
        request.prepared = &prepared;
        request.destination = destination;
        request.job_name = job.name;
        request.folder = delivery_folder(folder, job.deliveries, destination);
        request.made_from = sources.made_from(job);
        const BoardColumn column = read_board(request);
        if (column.problem) {
            return *column.problem;
        }
        for (const BoardCell& cell : column.cells) {
            if (cell.state != CellState::arrived) {
                const std::string what =
                    cell.state == CellState::never
                        ? phrase("{} was never delivered.", cell.deliverable.stem)
                        : phrase("{} is {}: {}.", cell.deliverable.stem, cell_state_name(cell.state), cell.reason);
                return Problem{what, job.name + ", " + destination.name, "Deliver it first."};
            }
        }
        variant.deliveries.push_back(request.folder);
    }
    if (variant.deliveries.empty()) {
        return Problem{"has no destination.", job.name, ""};
    }
    return variant;
}

Result<PackedVariant> packed_variant(const fs::path& file, const std::set<std::string>& destinations) {
    const Result<Job> job = read_job(file);
    if (!job) {
        return job.problem();
    }
    const Result<LoadedSources> sources = load_sources(job->sources, file.parent_path(), job->steps);
    if (!sources) {
        return sources.problem();
    }
    const Replay replayed = replay(*sources, job->steps);
    return packed_variant(*job, file.parent_path(), *sources, replayed.prepared(), destinations);
}

} // namespace wembrix
