#include "commands.h"

#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/job/skeleton_edits.h"
#include "core/plan/guide_rows.h"
#include "core/plan/planned_skeleton.h"
#include "core/plan/suggest_guides.h"
#include "core/retarget/joint_map.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix::cli {

namespace {

/// What was done to a job is kept in it, to a source on a card of its own; and said, with what does not fit.
int keep(const Opened& opened, Job job, const std::string& file, const std::string& to, size_t place) {
    const Replay after = replay(opened.sources, job.steps);
    const StepOutcome& outcome = after.outcomes[place];
    if (outcome.problem) {
        return refuse(*outcome.problem);
    }
    const bool into_job = std::filesystem::path(file).extension() == ".wembrix";
    nlohmann::json card = {{"steps", nlohmann::json::array()}};
    for (const Step& step : job.steps) {
        card["steps"].push_back(step_to_json(step));
    }
    if (!into_job && to.empty()) {
        fmt::print("{}\n", card.dump(2));
        fmt::print(stderr, "{}\n", outcome.account);
        return all_well;
    }
    const Outcome written = into_job ? write_job(job, file) : replace_file(to, card.dump(2) + "\n");
    if (!written) {
        return refuse(written.problem());
    }
    fmt::print("{}\n", outcome.account);
    for (const std::string& left : outcome.could_not) {
        fmt::print("{}\n", left);
    }
    return all_well;
}

/// The job of a file; of a source one that has it alone.
Result<Job> job_of(const std::string& file) {
    if (std::filesystem::path(file).extension() == ".wembrix") {
        return read_job(file);
    }
    Job job;
    job.name = std::filesystem::path(file).stem().string();
    job.sources.emplace_back(std::filesystem::absolute(file).string());
    return job;
}

} // namespace

int retarget(const RetargetCommandOptions& options) {
    Result<Job> given = job_of(options.onto);
    if (!given) {
        return refuse(given.problem());
    }
    Job job = given.take();
    const std::filesystem::path folder = std::filesystem::absolute(options.onto).parent_path();
    for (const std::string& take : options.takes) {
        const std::string path = std::filesystem::absolute(take).string();
        const auto same = [&](const JobSource& source) {
            std::error_code error;
            return std::filesystem::equivalent(folder / source.path, path, error);
        };
        auto found = std::find_if(job.sources.begin(), job.sources.end(), same);
        if (found == job.sources.end()) {
            job.sources.emplace_back(path);
            found = job.sources.end() - 1;
        }
        found->role = SourceRole::take;
    }
    nlohmann::json parameters = {{"feet", options.feet}, {"hands", options.hands}, {"path", options.path}};
    if (!options.map.empty()) {
        const Result<JointMap> map = read_map(options.map);
        if (!map) {
            return refuse(map.problem());
        }
        parameters["map"] = map_to_json(*map);
    }
    const size_t place = set_retarget(job, parameters);
    Opened opened;
    Result<LoadedSources> sources = load_sources(job.sources, folder, job.steps);
    if (!sources) {
        return refuse(sources.problem());
    }
    opened.job = job;
    opened.sources = sources.take();
    // What is no take is said before anything is written.
    for (const std::string& take : options.takes) {
        const std::string name = std::filesystem::path(take).filename().string();
        for (size_t s = 0; s < opened.sources.sources.size(); ++s) {
            const LoadedSources::Source& source = opened.sources.sources[s];
            if (source.name != name) {
                continue;
            }
            if (!source.problem.empty()) {
                return refuse({source.problem, "", ""}); // it names the file
            }
            const Scene& scene = (*opened.sources.scenes)[s].scene;
            if (scene.clips.empty() || joints_of(scene).empty()) {
                return refuse({scene.clips.empty() ? "holds no take." : "moves no joints.", take, ""});
            }
        }
    }
    if (!options.save_map.empty()) {
        const Replay after = replay(opened.sources, job.steps);
        for (const NamedScene& source : *opened.sources.scenes) {
            if (source.name != std::filesystem::path(options.takes.front()).filename().string()) {
                continue;
            }
            const JointMap map = propose_map(source.scene, after.prepared(), source.name);
            const nlohmann::json json = parameters.contains("map") ? parameters["map"] : map_to_json(map);
            if (const Outcome written = replace_file(options.save_map, json.dump(2) + "\n"); !written) {
                return refuse(written.problem());
            }
        }
    }
    return keep(opened, job, options.onto, options.to, place);
}

int plan(const PlanOptions& options) {
    if (!options.of.empty()) {
        const Result<Opened> opened = open_and_replay(options.of);
        if (!opened) {
            return refuse(opened.problem());
        }
        const Result<Plan> taken =
            plan_of_skeleton(opened->replay.prepared(), options.name.empty() ? opened->job.name : options.name);
        if (!taken) {
            return refuse({taken.problem().what, options.of, taken.problem().remedy});
        }
        fmt::print("{}\n", plan_to_json(*taken).dump(2));
        return all_well;
    }
    if (!options.name.empty()) {
        const Result<Plan> one = plan_called(options.name);
        if (!one) {
            return refuse(one.problem());
        }
        fmt::print("{}\n", plan_to_json(*one).dump(2));
        return all_well;
    }
    for (const Plan& one : shipped_plans()) {
        std::vector<std::string> chains;
        for (const PlanChain& chain : one.chains) {
            chains.push_back(
                fmt::format("{} {}{}", chain.name, chain.joints(), chain.both_sides ? " on both sides" : ""));
        }
        fmt::print("{}: {}; {}\n", one.name, counted(joint_count(one), "joint"), fmt::join(chains, ", "));
    }
    return all_well;
}

int build(const BuildOptions& options) {
    const Result<Opened> opened = open_and_replay(options.file);
    if (!opened) {
        return refuse(opened.problem());
    }
    Result<Plan> plan = plan_called(options.plan);
    if (!plan) {
        return refuse(plan.problem());
    }
    BuildOnCard build;
    build.plan = plan.take();
    const Scene& scene = opened->replay.prepared();
    if (options.suggest) {
        const BodyVolume body(scene);
        if (body.empty()) {
            return refuse({"has no surface to place guides in.", options.file, ""});
        }
        const SuggestedGuides suggested = suggest_guides(build.plan, body);
        if (suggested.symmetry.looks_aside) {
            fmt::print(stderr, "the surface looks along X: turn it before you build, so that sides mirror across X\n");
        }
        build.guides = suggested.placed;
        fmt::print(
            stderr, "{} suggested, {} of them in the middle of what is around them; sides alike within {:.1f} mm\n",
            counted(suggested.placed.size(), "guide"), suggested.in_the_middle, suggested.symmetry.most_m * 1000);
    }
    if (!options.guides.empty()) {
        const Result<nlohmann::json> json = read_json_file(options.guides);
        if (!json) {
            return refuse(json.problem());
        }
        Result<std::vector<Guide>> guides = guides_from_json(*json, options.guides);
        if (!guides) {
            return refuse(guides.problem());
        }
        // What a file says goes before what was suggested: the last one counts.
        build.guides.insert(build.guides.end(), guides->begin(), guides->end());
    }
    Job job = opened->job;
    const size_t place = set_build(job, build);
    return keep(*opened, job, options.file, options.to, place);
}

int bind(const BindOptions& options) {
    const Result<Opened> opened = open_and_replay(options.file);
    if (!opened) {
        return refuse(opened.problem());
    }
    Job job = opened->job;
    nlohmann::json parameters = {{"method", options.method}, {"max_influences", options.influences}};
    if (!options.surfaces.empty()) {
        parameters["surfaces"] = options.surfaces;
    }
    // What a plan built has no joint without a purpose: those at the ends hold, too.
    parameters["ends"] = options.ends || build_place(job) >= 0;
    const size_t place = set_binding(job, parameters);
    return keep(*opened, job, options.file, options.to, place);
}

} // namespace wembrix::cli
