// wembrix-demo-maker DIR: writes the scenario's files and its job. Same files on every run.
#include "core/base/files.h"
#include "core/formats/gltf/gltf.h"
#include "core/formats/usd/usd.h"
#include "core/job/job.h"
#include "core/job/job_sources.h"
#include "core/job/key_edits.h"
#include "core/job/replay.h"
#include "core/job/skeleton_edits.h"
#include "crest.h"
#include "market_props.h"
#include "sedge.h"
#include "stall_lid.h"
#include "tansy_scene.h"

#include <cstdio>
#include <filesystem>
#include <fmt/format.h>

namespace {

using namespace wembrix;

Outcome put(const std::filesystem::path& folder, const Result<std::vector<WrittenFile>>& files) {
    if (!files) {
        return files.problem();
    }
    for (const WrittenFile& file : *files) {
        if (Outcome done = write_file_whole(folder / file.name, file.bytes); !done) {
            return done;
        }
    }
    return Done{};
}

/// What of the one long take goes out, for Tansy and for Sedge.
Step cuts_of_the_take() {
    return {"split_take",
            {{"take", "capture_07"},
             {"clips",
              {{{"name", "stand"}, {"start", 0}, {"end", 168}, {"loop", true}, {"colour", "#4B78A8"}},
               {{"name", "wade"}, {"start", 220}, {"end", 396}, {"loop", true}, {"colour", "#2F8A72"}},
               {{"name", "lift_parcel"}, {"start", 446}, {"end", 566}, {"loop", false}, {"colour", "#B5763C"}},
               {{"name", "stamp"}, {"start", 588}, {"end", 722}, {"loop", false}, {"colour", "#8C6BB0"}},
               {{"name", "shake_off"}, {"start", 744}, {"end", 896}, {"loop", true}, {"colour", "#A84B5C"}}}}}};
}

Job tansy_job() {
    Job job;
    job.name = "tansy";
    job.origin = {"7a1c0d5e8b2f46399d4e6f0a1b3c5d7e", "Tansy", "1f3e5d7c9b8a47608192a3b4c5d6e7f8", "courier"};
    job.sources = {"tansy_model.glb", "tansy_market.gltf", "market_props.glb"};
    job.destinations = built_in_destinations();
    job.steps = {
        {"leave_behind", {{"kinds", {"camera", "light"}}, {"names", {"set_floor", "props_holder", "*ik_world"}}}},
        {"strip_prefix"},
        {"recompute_normals", {{"surfaces", {"post_bag"}}, {"keep_directions", true}}},
        {"bake_parent_transforms"},
        {"scale", {{"factor", 0.01}}},
        {"make_root", {{"name", "root"}, {"position", "ground"}}},
        {"remove_joints", {{"names", {"beak_tip", "head_tip", "*_Twist", "*_Tip"}}}},
        {"prune_weights", {{"strays", true}, {"below", 0}}},
        {"normalize_weights"},
        {"remove_empty_shapes"},
        {"rename_joints",
         {{"rules",
           {{{"find", "^Left(.*)$"}, {"replace", "$1_l"}},
            {{"find", "^Right(.*)$"}, {"replace", "$1_r"}},
            {{"find", "^Leg_"}, {"replace", "leg_"}},
            {{"find", "^Wing_"}, {"replace", "wing_"}},
            {{"find", "^Tail_Fan"}, {"replace", "tail_fan"}},
            {{"find", "^Toe_"}, {"replace", "toe_"}},
            {{"find", "^Eye"}, {"replace", "eye"}},
            {{"find", "_Hip"}, {"replace", "_hip"}},
            {{"find", "_Shank"}, {"replace", "_shank"}},
            {{"find", "_Tarsus"}, {"replace", "_tarsus"}},
            {{"find", "_Foot"}, {"replace", "_foot"}},
            {{"find", "_Inner"}, {"replace", "_inner"}},
            {{"find", "_Middle"}, {"replace", "_middle"}},
            {{"find", "_Outer"}, {"replace", "_outer"}},
            {{"find", "_Hind"}, {"replace", "_hind"}},
            {{"find", "_Shoulder"}, {"replace", "_shoulder"}},
            {{"find", "_Arm"}, {"replace", "_arm"}},
            {{"find", "_Hand"}, {"replace", "_hand"}},
            {{"find", "_Quill"}, {"replace", "_quill"}}}}}},
        cuts_of_the_take(),
    };
    return job;
}

/// The props go out on their own: they have no joints and no clips.
Job props_job() {
    Job job;
    job.name = "market_props";
    job.origin = {"2b4d6f8091a3c5e7f9080a1c3e5d7f6b", "Stall goods", "9c8b7a6f5e4d3c2b1a09f8e7d6c5b4a3", "dry"};
    job.sources = {"market_props.glb"};
    job.destinations = built_in_destinations();
    // The engine project takes each by itself, the web view all of them with a set of their materials.
    job.destinations[0].deliverables = {"prop"};
    job.destinations[0].files["prop"] = "props/{prop}";
    job.destinations[0].pictures = 256;
    job.destinations[0].report = true;
    job.destinations[1].deliverables = {"model", "materials"};
    job.steps = {{"bake_parent_transforms"}, {"scale", {{"factor", 0.01}}}};
    return job;
}

/// Tansy's small cousin: a bare surface that gets joints, weights and Tansy's take.
Job sedge_job() {
    Job job;
    job.name = "sedge";
    job.sources = {"sedge_surface.glb", "tansy_market.gltf"};
    job.sources[1].role = SourceRole::take;
    job.destinations = built_in_destinations();
    BuildOnCard build;
    build.plan = plan_called("bird").take();
    build.guides = demo::sedge_guides();
    set_build(job, build);
    set_binding(job, {{"method", "volume"}, {"max_influences", 4}, {"ends", true}});
    set_retarget(job, {{"feet", "planted"}});
    job.steps.push_back(cuts_of_the_take());
    return job;
}

/// A prop without a take: two joints, each holds its own piece, and a swing keyed by hand that repeats.
Job lid_job() {
    Job job;
    job.name = "stall_lid";
    job.sources = {"stall_lid.glb"};
    job.destinations = built_in_destinations();
    for (Destination& destination : job.destinations) {
        destination.root = "base"; // the crate itself: nothing carries its motion
    }
    BuildOnCard build;
    build.plan = plan_called("lid").take();
    build.guides = demo::stall_lid_guides();
    set_build(job, build);
    set_binding(job, {{"method", "nearest"}, {"ends", true}, {"rigid_pieces", true}});
    const size_t place = add_keyed_clip(job, "swing", demo::swing_frames, 30, true);
    set_layer(job, place, demo::swing_of_the_lid());
    return job;
}

/// Tansy's job and, behind it, her crest and her bag's fringe as strands; beside it a simulation of the crest that
/// somebody sent, and a job that has it as it came.
Outcome make_strands(const std::filesystem::path& folder) {
    Job job = tansy_job();
    const auto prepared = [&]() -> Result<Replay> {
        const Result<LoadedSources> sources = load_sources(job.sources, folder, job.steps);
        return sources ? Result<Replay>(replay(*sources, job.steps)) : Result<Replay>(sources.problem());
    };
    const Result<Replay> before = prepared();
    if (!before) {
        return before.problem();
    }
    const std::vector<Step> steps = demo::strand_steps(before->prepared());
    job.name = "tansy_strands";
    job.steps.insert(job.steps.end(), steps.begin(), steps.end());
    const Result<Replay> after = prepared();
    if (!after) {
        return after.problem();
    }
    for (const std::string& problem : after->problems()) {
        return Problem{problem, "tansy_strands", ""};
    }
    AxisSystem metres; // as the file says, wrongly
    if (Outcome done =
            put(folder, write_usd(demo::simulated_crest(after->prepared()), "crest_simulated", metres, false));
        !done) {
        return done;
    }
    Job sent = tansy_job();
    sent.name = "tansy_crest_sent";
    sent.sources.emplace_back("crest_simulated.usdc");
    if (Outcome done = write_job(sent, folder / "tansy_crest_sent.wembrix"); !done) {
        return done;
    }
    return write_job(job, folder / "tansy_strands.wembrix");
}

Outcome make(const std::filesystem::path& folder) {
    std::error_code error;
    std::filesystem::create_directories(folder, error);
    // As a source has it: sums that are not 1 stay so.
    if (Outcome done = put(folder, write_glb_unscaled(demo::tansy_model(), "tansy_model")); !done) {
        return done;
    }
    if (Outcome done = put(folder, write_gltf_beside(demo::tansy_market_take(), "tansy_market")); !done) {
        return done;
    }
    if (Outcome done = put(folder, write_glb_unscaled(demo::market_props(), "market_props")); !done) {
        return done;
    }
    if (Outcome done = write_job(props_job(), folder / "market_props.wembrix"); !done) {
        return done;
    }
    if (Outcome done = put(folder, write_glb_unscaled(demo::sedge_surface(), "sedge_surface")); !done) {
        return done;
    }
    if (Outcome done = write_job(sedge_job(), folder / "sedge.wembrix"); !done) {
        return done;
    }
    if (Outcome done = put(folder, write_glb_unscaled(demo::stall_lid(), "stall_lid")); !done) {
        return done;
    }
    if (Outcome done = write_job(lid_job(), folder / "stall_lid.wembrix"); !done) {
        return done;
    }
    Job raw = tansy_job();
    // The job as it is after the first look: nothing mended yet but what stays behind.
    raw.steps = {{"leave_behind", {{"kinds", {"camera", "light"}}, {"names", {"set_floor", "props_holder"}}}}};
    if (Outcome done = write_job(raw, folder / "tansy_first_look.wembrix"); !done) {
        return done;
    }
    for (const Destination& destination : built_in_destinations()) {
        const std::string name = file_name_safe(destination.name) + ".destination.json";
        if (Outcome done = write_file_whole(folder / name, destination_to_json(destination).dump(2) + "\n"); !done) {
            return done;
        }
    }
    if (Outcome done = write_job(tansy_job(), folder / "tansy.wembrix"); !done) {
        return done;
    }
    return make_strands(folder);
}

} // namespace

int main(int count, char** arguments) {
    if (count != 2 || arguments[1][0] == '-') {
        fmt::print(stderr, "usage: wembrix-demo-maker DIR\n");
        return 2;
    }
    const Outcome done = make(arguments[1]);
    if (!done) {
        fmt::print(stderr, "{}\n", done.problem().sentence());
        return 2;
    }
    fmt::print("Tansy, her take and her job are in {}\n", arguments[1]);
    return 0;
}
