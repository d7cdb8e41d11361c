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

/// The take that is meant, as it stands before it is cut.
Result<Clip> take_of(const CutsOptions& options, const Opened& opened, const Step* split) {
    const std::string name = split != nullptr ? split->parameters.value("take", options.take) : options.take;
    const std::vector<Clip>& left = opened.replay.prepared().clips;
    if (name.empty()) {
        if (left.size() != 1) {
            return Problem{fmt::format("has {} takes; say with --take which one is cut.", left.size()), options.job,
                           ""};
        }
        return left[0];
    }
    for (auto outcome = opened.replay.outcomes.rbegin(); outcome != opened.replay.outcomes.rend(); ++outcome) {
        if (const Clip* take = outcome->scene->find_clip(name)) {
            return *take;
        }
    }
    if (const Clip* take = opened.replay.received->find_clip(name)) {
        return *take;
    }
    return Problem{fmt::format("has no take \"{}\".", name), options.job, ""};
}

int read_in(const CutsOptions& options, Job job) {
    const Result<Opened> before = open_and_replay(options.job);
    if (!before) {
        return refuse(before.problem());
    }
    Step* split = split_of(job, options.take);
    const Result<Clip> take = take_of(options, *before, split);
    if (!take) {
        return refuse(take.problem());
    }
    Result<std::vector<Cut>> cuts = ranges_inside(*take);
    if (!options.named) {
        const Result<std::string> text = read_file(options.from);
        if (!text) {
            return refuse(text.problem());
        }
        cuts = cuts_from_text(*text, options.from, take->rate);
    }
    if (!cuts) {
        return refuse(cuts.problem());
    }
    if (cuts->empty() && options.named) {
        return refuse({fmt::format("names no ranges in its take \"{}\".", take->name), options.job, ""});
    }
    if (split != nullptr) {
        split->parameters["clips"] = cuts_to_json(*cuts);
    } else {
        job.steps.push_back(split_step(take->name, *cuts));
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
    if (!options.from.empty() || options.named) {
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
