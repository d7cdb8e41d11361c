#include "commands.h"

#include "core/base/counted.h"
#include "core/job/card_edits.h"
#include "core/job/job.h"
#include "core/job/job_sources.h"

#include <filesystem>
#include <fmt/format.h>

namespace wembrix::cli {

namespace fs = std::filesystem;

int new_job_file(const NewOptions& options) {
    const fs::path file =
        fs::path(options.job).extension() == ".wembrix" ? fs::path(options.job) : fs::path(options.job + ".wembrix");
    std::error_code error;
    if (fs::exists(fs::symlink_status(file, error))) {
        return refuse({"is there already.", file.string(), "Name another file."});
    }
    const fs::path folder = fs::absolute(file).parent_path().lexically_normal();
    std::vector<fs::path> sources;
    for (const std::string& source : options.sources) {
        sources.emplace_back(path_from(source, fs::current_path(), folder));
    }
    Job job = new_job(sources);
    if (!options.like.empty()) {
        const Result<Job> like = read_job(options.like);
        if (!like) {
            return refuse(like.problem());
        }
        job = job_like(*like, sources);
    }
    job.name = file.stem().string();
    job.origin.family = job.name;
    const Result<LoadedSources> loaded = load_sources(job.sources, folder, job.steps);
    if (!loaded) {
        return refuse(loaded.problem());
    }
    if (options.like.empty()) {
        job.steps = first_steps(*loaded->received);
    }
    bring_where_needed(job, *loaded);
    if (const Outcome written = write_job(job, file); !written) {
        return refuse(written.problem());
    }
    fmt::print("{}: {}, {}, {}\n", file.string(), counted(job.sources.size(), "source"),
               counted(job.steps.size(), "step"), counted(job.destinations.size(), "destination"));
    int code = all_well;
    for (const LoadedSources::Source& source : loaded->sources) {
        if (!source.problem.empty()) {
            fmt::print("  cannot be read: {}\n", source.problem);
            code = held;
        }
    }
    return code;
}

} // namespace wembrix::cli
