#include "commands.h"

#include "core/base/files.h"
#include "core/job/cuts.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix::cli {

namespace {

Step* split_of(Job& job, const std::string& take) {
    for (Step& step : job.steps) {
        if (step.id == "split_take" && (take.empty() || step.parameters.value("take", "") == take)) {
            return &step;
        }
    }
    return nullptr;
}

Result<Step> step_for(const CutsOptions& options, const std::vector<Cut>& cuts) {
    std::string take = options.take;
    if (take.empty()) {
        const Result<Opened> opened = open_and_replay(options.job);
        if (!opened) {
            return opened.problem();
        }
        const std::vector<Clip>& clips = opened->replay.prepared().clips;
        if (clips.size() != 1) {
            return Problem{fmt::format("has {} takes; say with --take which one is cut.", clips.size()), options.job,
                           ""};
        }
        take = clips[0].name;
    }
    return split_step(take, cuts);
}

int read_in(const CutsOptions& options, Job job) {
    const Result<std::string> text = read_file(options.from);
    if (!text) {
        return refuse(text.problem());
    }
    const Result<std::vector<Cut>> cuts = cuts_from_text(*text, options.from);
    if (!cuts) {
        return refuse(cuts.problem());
    }
    if (Step* step = split_of(job, options.take)) {
        step->parameters["clips"] = cuts_to_json(*cuts);
    } else {
        Result<Step> fresh = step_for(options, *cuts);
        if (!fresh) {
            return refuse(fresh.problem());
        }
        job.steps.push_back(fresh.take());
    }
    if (const Outcome written = write_job(job, options.job); !written) {
        return refuse(written.problem());
    }
    const Result<Opened> opened = open_and_replay(options.job);
    if (!opened) {
        return refuse(opened.problem());
    }
    fmt::print("{} cuts are in the job\n", cuts->size());
    for (const std::string& problem : opened->replay.problems()) {
        fmt::print("a step does not fit: {}\n", problem);
    }
    return opened->replay.problems().empty() ? all_well : held;
}

} // namespace

int cuts(const CutsOptions& options) {
    Result<Job> job = read_job(options.job);
    if (!job) {
        return refuse(job.problem());
    }
    if (!options.from.empty()) {
        return read_in(options, job.take());
    }
    const Step* step = split_of(*job, options.take);
    if (step == nullptr) {
        return refuse({"cuts no take yet.", options.job, "Read a list in with --from."});
    }
    const std::vector<Cut> list = cuts_of(*step);
    if (options.to.empty()) {
        fmt::print("{}", cuts_to_csv(list));
        return all_well;
    }
    const bool as_json = std::filesystem::path(options.to).extension() == ".json";
    const std::string text = as_json ? cuts_to_json(list).dump(2) + "\n" : cuts_to_csv(list);
    if (const Outcome written = write_file_whole(options.to, text); !written) {
        return refuse(written.problem());
    }
    fmt::print("{} cuts are in {}\n", list.size(), options.to);
    return all_well;
}

} // namespace wembrix::cli
