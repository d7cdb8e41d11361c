#include "commands.h"

#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/job/card_edits.h"
#include "core/job/cuts.h"

#include <algorithm>
#include <fmt/format.h>
#include <optional>
#include <set>

namespace wembrix::cli {

namespace {

const Step* split_of(const Job& job, const std::string& take) {
    for (const Step& step : job.steps) {
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
            return Problem{fmt::format("has {}; say with --take which one is cut.", counted(left.size(), "take")),
                           options.job, ""};
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

using TakeCuts = std::vector<std::pair<std::string, std::vector<Cut>>>;

/// What a list says, take by take; those rows that name none are of the take that is meant.
Result<TakeCuts> listed(const CutsOptions& options, const Opened& opened, const Job& job) {
    const Result<std::string> text = read_file(options.from);
    if (!text) {
        return text.problem();
    }
    std::optional<Problem> missing;
    const auto meant = [&](const std::string& name) {
        CutsOptions of = options;
        of.take = name.empty() ? options.take : name;
        return take_of(of, opened, split_of(job, of.take));
    };
    const auto rate = [&](const std::string& name) {
        const Result<Clip> take = meant(name);
        missing = take.ok() || missing ? missing : take.problem();
        return take.ok() ? take->rate : 0;
    };
    const Result<std::vector<Cut>> cuts = cuts_from_text(*text, options.from, rate);
    if (!cuts) {
        return missing ? *missing : cuts.problem();
    }
    TakeCuts takes;
    for (auto& [name, list] : cuts_by_take(*cuts, "")) {
        const Result<Clip> take = meant(name);
        if (!take) {
            return take.problem();
        }
        takes.emplace_back(take->name, std::move(list));
    }
    return takes;
}

Result<TakeCuts> named_inside(const CutsOptions& options, const Opened& opened, const Job& job) {
    const Result<Clip> take = take_of(options, opened, split_of(job, options.take));
    if (!take) {
        return take.problem();
    }
    std::vector<Cut> cuts = ranges_inside(*take);
    if (cuts.empty()) {
        return Problem{fmt::format("names no ranges in its take \"{}\".", take->name), options.job, ""};
    }
    return TakeCuts{{take->name, std::move(cuts)}};
}

int read_in(const CutsOptions& options, Job job) {
    const Result<Opened> before = open_and_replay(options.job);
    if (!before) {
        return refuse(before.problem());
    }
    const Result<TakeCuts> takes = options.named ? named_inside(options, *before, job) : listed(options, *before, job);
    if (!takes) {
        return refuse(takes.problem());
    }
    size_t count = 0;
    for (const auto& [take, cuts] : *takes) {
        set_cuts(job, take, cuts);
        count += cuts.size();
    }
    // A list that does not fit never takes the place of one that does.
    const std::vector<Text> known = before->replay.problems();
    const std::vector<Text> now = replay(before->sources, job.steps).problems();
    for (const std::string& problem : now) {
        if (std::find(known.begin(), known.end(), problem) == known.end()) {
            return refuse({"does not fit: " + problem, options.from.empty() ? options.job : options.from,
                           "The job is as it was."});
        }
    }
    if (const Outcome written = write_job(job, options.job); !written) {
        return refuse(written.problem());
    }
    fmt::print("{} in the job\n", count == 1 ? "1 cut is" : fmt::format("{} cuts are", count));
    for (const std::string& problem : now) {
        fmt::print("a step does not fit: {}\n", problem);
    }
    return now.empty() ? all_well : held;
}

/// The cuts that the card has of one take, or of all where none is named: then each says which it is of.
std::vector<Cut> cuts_on_card(const Job& job, const std::string& take) {
    std::vector<Cut> list;
    std::set<std::string> takes;
    for (const Step& step : job.steps) {
        const std::string name = step.parameters.value("take", "");
        if (step.id != "split_take" || (!take.empty() && name != take)) {
            continue;
        }
        takes.insert(name);
        for (Cut& cut : cuts_of(step)) {
            cut.take = name;
            list.push_back(std::move(cut));
        }
    }
    for (Cut& cut : list) {
        cut.take = takes.size() > 1 ? cut.take : "";
    }
    return list;
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
    const std::vector<Cut> list = cuts_on_card(*job, options.take);
    if (options.to.empty()) {
        fmt::print("{}", cuts_to_csv(list));
        return all_well;
    }
    const bool as_json = std::filesystem::path(options.to).extension() == ".json";
    const std::string text = as_json ? cuts_to_json(list).dump(2) + "\n" : cuts_to_csv(list);
    if (const Outcome written = replace_file(options.to, text); !written) {
        return refuse(written.problem());
    }
    fmt::print("{} cuts are in {}\n", list.size(), options.to);
    return all_well;
}

} // namespace wembrix::cli
