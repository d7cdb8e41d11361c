// The step that brings takes onto the skeleton as the card has made it by then.
#include "core/base/files.h"
#include "core/formats/bvh/bvh.h"
#include "core/formats/format.h"
#include "core/job/assemble.h"
#include "core/job/card_edits.h"
#include "core/job/takes_run.h"
#include "core/measure/skeleton/pose.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "small_scenes.h"

#include <filesystem>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

/// A model without clips and one take, put together as a job does it.
LoadedSources sources_of(const Scene& model, const Scene& take, const std::string& name = "walk.glb") {
    LoadedSources loaded;
    loaded.scenes =
        std::make_shared<const std::vector<NamedScene>>(std::vector<NamedScene>{{"model.glb", model}, {name, take}});
    loaded.sources.resize(2);
    Scene received = model;
    loaded.sources[1].brought = add_source(received, {name, take}, 1);
    loaded.received = std::make_shared<const Scene>(received);
    return loaded;
}

Scene applied(const Scene& scene, const Step& step) {
    Result<StepResult> result = apply_step(scene, step);
    EXPECT_TRUE(result.ok()) << (result.ok() ? "" : result.problem().sentence());
    return result->scene;
}

/// A take whose travel is on a root above the hips: `metres` forward over the clip.
Scene walker_with_root(double metres) {
    Scene take = applied(walker(), {"make_root", {{"name", "root"}, {"position", "origin"}}});
    Clip& clip = take.clips[0];
    std::erase_if(clip.channels, [](const Channel& channel) { return channel.path == Path::translation; });
    Channel travel;
    travel.node = take.find_node("root");
    travel.path = Path::translation;
    travel.times = std::vector<float>{0, static_cast<float>(clip.seconds)};
    travel.values = std::vector<float>{0, 0, 0, 0, 0, static_cast<float>(metres)};
    clip.channels.push_back(travel);
    return take;
}

Vec3 place_of(const Scene& scene, const Clip& clip, const std::string& joint, double seconds) {
    Pose pose;
    Poser(scene, &clip).at(seconds, pose);
    return pose.world[static_cast<size_t>(scene.find_node(joint))].topRightCorner<3, 1>();
}

bool mentions(const std::vector<Text>& said, const std::string& words) {
    return std::any_of(said.begin(), said.end(),
                       [&](const std::string& line) { return line.find(words) != std::string::npos; });
}

TEST(BringTakes, TravelOnARootThatTheCardMakesIsNotLost) {
    const Scene take = walker_with_root(6);
    const LoadedSources sources = sources_of(still_walker(), take);
    ASSERT_TRUE(sources.sources[1].brought);
    ASSERT_EQ(sources.sources[1].brought->left_out.size(), 1U);
    EXPECT_EQ(sources.sources[1].brought->left_out[0].name, "root");
    EXPECT_NEAR(sources.sources[1].brought->left_out[0].moves_m, 6, 1e-6);
    std::vector<Text> notes;
    for (const Note& note : sources.received->notes) {
        notes.push_back(note.what);
    }
    EXPECT_TRUE(mentions(notes, "root moves 6.000 m")) << "the loss is said with its metres";

    Job job;
    job.steps = {{"make_root", {{"name", "root"}, {"position", "origin"}}}, {"bake", {{"rate", 30}}}};
    bring_where_needed(job, sources);
    ASSERT_EQ(job.steps.size(), 3U);
    EXPECT_EQ(job.steps[1].id, "bring_takes") << "behind what makes the skeleton, before what works on clips";
    bring_where_needed(job, sources);
    EXPECT_EQ(job.steps.size(), 3U) << "once is enough";

    const Replay made = replay(sources, job.steps);
    EXPECT_TRUE(made.problems().empty());
    EXPECT_TRUE(made.outcomes[1].could_not.empty());
    const Scene& prepared = made.prepared();
    ASSERT_EQ(prepared.clips.size(), 1U);
    const double end = take.clips[0].seconds;
    EXPECT_LT(
        (place_of(prepared, prepared.clips[0], "foot_l", end) - place_of(take, take.clips[0], "foot_l", end)).norm(),
        1e-4);
    EXPECT_NEAR(place_of(prepared, prepared.clips[0], "root", end).z(), 6, 1e-4);
    EXPECT_TRUE(std::none_of(prepared.notes.begin(), prepared.notes.end(), [](const Note& note) {
        return note.where == "walk.glb";
    })) << "what no longer holds is no longer said";

    // Without the step nothing moves: the test is one that can fail.
    const Replay without = replay(sources, {job.steps[0], job.steps[2]});
    EXPECT_LT(place_of(without.prepared(), without.prepared().clips[0], "root", end).norm(), 1e-4);
}

TEST(BringTakes, JointsAreFoundByTheNamesTheyCameWithAndByThoseTheyHaveNow) {
    const Step rename = {"rename_joints",
                         {{"names", {{"hips", "pelvis"}, {"thigh_l", "thigh_r"}, {"thigh_r", "thigh_l"}}}}};
    for (const bool renamed : {false, true}) {
        Scene take = walker("cap:");
        if (renamed) {
            take = applied(walker(), rename);
        }
        const LoadedSources sources = sources_of(still_walker(), take);
        const Replay made = replay(sources, {rename, {"bring_takes"}});
        ASSERT_TRUE(made.problems().empty());
        EXPECT_TRUE(made.outcomes[1].could_not.empty()) << made.outcomes[1].could_not.front();
        const Scene& prepared = made.prepared();
        for (const double at : {0.2, 0.7}) {
            const std::string there = renamed ? "thigh_r" : "cap:thigh_l";
            EXPECT_LT((place_of(prepared, prepared.clips[0], "thigh_r", at) - place_of(take, take.clips[0], there, at))
                          .norm(),
                      1e-4)
                << renamed;
        }
    }
}

TEST(BringTakes, AsItCameChangesNothingAndNeedsNoStep) {
    const LoadedSources sources = sources_of(still_walker(), walker("cap:"));
    EXPECT_FALSE(needs_bringing(sources));
    Replay made = replay(sources, {{"bring_takes"}});
    measure_replay(made);
    EXPECT_EQ(made.outcomes[0].account, "walk.glb as it came");
    EXPECT_LT(made.outcomes[0].drift->largest_mm, 1e-6);
    EXPECT_FALSE(made.prepared().clips[0].remade);
}

TEST(BringTakes, UnitAndCarryingAndNamesCanBeSaid) {
    const Scene take = applied(walker("cm:"), {"scale", {{"factor", 100}}});
    const LoadedSources sources = sources_of(still_walker(), take);
    EXPECT_TRUE(needs_bringing(sources));
    Replay by_itself = replay(sources, {{"bring_takes"}});
    EXPECT_EQ(by_itself.outcomes[0].account, "walk.glb × 0.01 carried over");
    const double end = take.clips[0].seconds;
    const auto foot = [&](const Replay& made) {
        return place_of(made.prepared(), made.prepared().clips[0], "foot_l", end);
    };
    const Vec3 right = place_of(take, take.clips[0], "cm:foot_l", end) * 0.01;
    EXPECT_LT((foot(by_itself) - right).norm(), 1e-4);
    const Replay twice = replay(sources, {{"bring_takes", {{"factor", 0.02}, {"carry", "always"}}}});
    EXPECT_GT((foot(twice) - right).norm(), 0.1) << "a factor that a person gives is taken";
    const Replay never = replay(sources, {{"bring_takes", {{"carry", "never"}}}});
    EXPECT_EQ(never.prepared().clips[0].channels.size(), take.clips[0].channels.size());
    EXPECT_TRUE(never.prepared().clips[0].remade);

    Scene other = walker();
    for (Node& node : other.nodes) {
        node.name = node.name == "foot_l" ? "left_toe" : node.name;
    }
    const LoadedSources named = sources_of(still_walker(), other);
    const Replay lost = replay(named, {{"bring_takes"}});
    EXPECT_TRUE(mentions(lost.outcomes[0].could_not, "left_toe turns"));
    const Replay found = replay(named, {{"bring_takes", {{"joints", {{"left_toe", "foot_l"}}}}}});
    EXPECT_TRUE(found.outcomes[0].could_not.empty());
}

TEST(BringTakes, WhatIsCutAlreadyAndWhatIsNotThereIsSaid) {
    const LoadedSources sources = sources_of(still_walker(), walker());
    const Step cut = {"split_take", {{"take", "walk"}, {"clips", {{{"name", "a"}, {"start", 0}, {"end", 9}}}}}};
    const Replay behind = replay(sources, {cut, {"bring_takes"}});
    ASSERT_TRUE(behind.outcomes[1].problem);
    EXPECT_NE(behind.outcomes[1].problem->sentence().find("cut or changed already"), std::string::npos);
    const Replay before = replay(sources, {{"bring_takes"}, cut});
    EXPECT_TRUE(before.problems().empty());
    const Replay nobody = replay(sources, {{"bring_takes", {{"sources", {"run*"}}}}});
    EXPECT_TRUE(mentions(nobody.outcomes[0].could_not, "run*"));
    const Replay no_sources = replay(sources.received, {{"bring_takes"}});
    EXPECT_TRUE(mentions(no_sources.outcomes[0].could_not, "no source"));
    // Cutting from the Takes station puts the cut behind it.
    std::vector<Step> steps = {{"bring_takes"}, {"bake", {{"rate", 30}}}};
    cut_before_other_clip_steps(steps, "walk", {Cut{}});
    EXPECT_EQ(steps[0].id, "bring_takes");
    EXPECT_EQ(steps[1].id, "split_take");
}

TEST(BringTakes, ASourceWhoseNameHasAStarIsMeantAlone) {
    const Scene model = still_walker();
    const Scene take = walker_with_root(6);
    const std::vector<NamedScene> sources = {{"model.glb", model}, {"walk*.glb", take}, {"walk_2.glb", take}};
    Scene received = model;
    for (size_t s = 1; s < sources.size(); ++s) {
        ASSERT_TRUE(add_source(received, sources[s], s));
    }
    const auto account = [&](const char* asked) {
        const Result<StepResult> result =
            apply_step({received, {}, {}, sources}, {"bring_takes", {{"sources", {asked}}, {"carry", "always"}}});
        return result ? result->account : result.problem().sentence();
    };
    EXPECT_EQ(account("walk*.glb").find("walk_2"), std::string::npos) << account("walk*.glb");
    EXPECT_NE(account("walk*").find("walk_2"), std::string::npos) << account("walk*");
}

TEST(BringTakes, NotesOfATakesReaderStayOnReceived) {
    Scene take = walker();
    take.notes.push_back({"skin 1", "has a joint twice; the second is left out."});
    const LoadedSources sources = sources_of(still_walker(), take);
    ASSERT_EQ(sources.received->notes.size(), 1U);
    EXPECT_EQ(sources.received->notes[0].where, "walk.glb, skin 1");
}

TEST(BringTakes, OfARunOverManyTakesEachIsBrought) {
    const fs::path folder = fs::temp_directory_path() / "wembrix_bring_takes_run";
    fs::remove_all(folder);
    fs::create_directories(folder / "takes");
    const double rise = 6;
    const Scene take = walker_with_root(rise);
    const Result<std::vector<WrittenFile>> written = format_with_id("glb")->write(take, "far", {}, {});
    ASSERT_TRUE(written.ok());
    ASSERT_TRUE(write_file_whole(folder / "takes/far.glb", written->front().bytes).ok());
    TakesRequest request;
    request.model = std::make_shared<const Scene>(still_walker());
    request.steps = {{"make_root", {{"name", "root"}, {"position", "origin"}}}, {"bring_takes"}};
    request.destination = built_in_destinations()[1];
    request.job_name = "walker";
    request.folder = folder / "out";
    request.takes = {folder / "takes/far.glb"};
    const Result<TakesReport> report = deliver_takes(request);
    ASSERT_TRUE(report.ok()) << report.problem().sentence();
    ASSERT_TRUE(report->all_arrived()) << report->rows[0].arrival.reason;
    const fs::path file = request.folder / report->rows[0].arrival.files.front();
    const Result<Scene> arrived = read_scene(file);
    ASSERT_TRUE(arrived.ok());
    EXPECT_NEAR(place_of(*arrived, arrived->clips[0], "root", arrived->clips[0].seconds).norm(), rise, 1e-3);
    fs::remove_all(folder);
}

} // namespace
} // namespace wembrix::testing
