// Clips and their names: renamed where they are cut, followed by every step behind; what is said of clips that steps
// make.
#include "core/job/card_edits.h"
#include "core/job/replay.h"
#include "core/steps/names_in_step.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "small_scenes.h"
#include "step_results.h"

#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

using nlohmann::json;

std::vector<Cut> two_cuts() {
    return {{"stand", 0, 10, true, "#4B78A8", ""}, {"wade", 10, 30, false, "", "slow"}};
}

/// A card that cuts a take and goes on with what it cut.
Job cut_job() {
    Job job;
    job.steps = {split_step("take", two_cuts()),
                 {"close_loop", {{"clip", "stand"}, {"mode", "blend"}, {"frames", 4}}},
                 {"reverse", {{"clips", {"wade", "st*"}}}},
                 {"pose_to_clip", {{"clip", "wade"}, {"frame", 3}, {"name", "lifted"}}},
                 {"make_additive", {{"clips", {"lifted"}}, {"base", "wade"}}}};
    return job;
}

Scene taken() {
    Scene scene = tower({"root", "spine_l", "spine_r"});
    add_nod(scene, "take", 1, 0.5, true, 31);
    return scene;
}

std::vector<std::string> clip_names(const Scene& scene) {
    std::vector<std::string> names;
    for (const Clip& clip : scene.clips) {
        names.push_back(clip.name);
    }
    return names;
}

TEST(ClipNames, ARenamedCutKeepsWhatLaterStepsDoWithIt) {
    Job job = cut_job();
    const auto received = std::make_shared<const Scene>(taken());
    const Replay before = replay(received, job.steps);
    ASSERT_TRUE(before.problems().empty()) << before.problems().front();
    std::vector<Cut> cuts = two_cuts();
    cuts[0].name = "calm";
    cuts[1].name = "stride";
    set_cuts(job, "take", cuts);
    EXPECT_EQ(job.steps[1].parameters["clip"], "calm");
    EXPECT_EQ(job.steps[2].parameters["clips"], json({"stride", "st*"})) << "a pattern says what it said";
    EXPECT_EQ(job.steps[3].parameters["clip"], "stride");
    EXPECT_EQ(job.steps[3].parameters["name"], "lifted");
    EXPECT_EQ(job.steps[4].parameters["base"], "stride");
    const Replay after = replay(received, job.steps);
    EXPECT_TRUE(after.problems().empty());
    EXPECT_EQ(clip_names(after.prepared()), (std::vector<std::string>{"calm", "stride", "lifted"}));
}

TEST(ClipNames, TwoThatSwapAreTwoRenamesAtOnce) {
    std::vector<Step> steps = {{"close_loop", {{"clip", "a"}}}, {"reverse", {{"clips", {"b", "a", "c"}}}}};
    follow_names(steps, 0, NameOf::clip, {{"a", "b"}, {"b", "a"}});
    EXPECT_EQ(steps[0].parameters["clip"], "b");
    EXPECT_EQ(steps[1].parameters["clips"], json({"a", "b", "c"}));
    // From a step on: what is before it means another clip.
    follow_names(steps, 1, NameOf::clip, {{"b", "z"}});
    EXPECT_EQ(steps[0].parameters["clip"], "b");
    EXPECT_EQ(steps[1].parameters["clips"], json({"a", "z", "c"}));
}

TEST(ClipNames, WhatIsMadeOfItAndWhatIsLeftBehindFollow) {
    std::vector<Step> steps = {{"mirror_clip", {{"clips", {"turn"}}, {"ending", "_other"}}},
                               {"bake", {{"clips", {"turn_other"}}}},
                               {"describe_clips", {{"clips", {{{"name", "turn_other"}, {"as", "turn_right"}}}}}},
                               {"leave_behind", {{"names", {"turn", "lamp"}}}}};
    follow_names(steps, 0, NameOf::clip, {{"turn", "turn_left"}});
    EXPECT_EQ(steps[0].parameters["clips"], json({"turn_left"}));
    EXPECT_EQ(steps[1].parameters["clips"], json({"turn_left_other"}));
    EXPECT_EQ(steps[2].parameters["clips"][0]["name"], "turn_left_other");
    EXPECT_EQ(steps[2].parameters["clips"][0]["as"], "turn_right") << "a name that somebody gave stays";
    EXPECT_EQ(steps[3].parameters["names"], json({"turn", "lamp", "turn_left"})) << "there may be a node of that name";
}

TEST(ClipNames, OtherFramesAreAnotherClip) {
    Job job = cut_job();
    set_cuts(job, "take", {{"calm", 0, 9, true, "", ""}, {"wade", 10, 30, false, "", ""}});
    EXPECT_EQ(job.steps[1].parameters["clip"], "stand") << "what was called so is gone: the step says it";
    const Replay after = replay(std::make_shared<const Scene>(taken()), job.steps);
    ASSERT_EQ(after.problems().size(), 1U);
    EXPECT_NE(after.problems()[0].find("stand"), std::string::npos);
    // Frames that change under the same name rename nothing.
    Job moved = cut_job();
    set_cuts(moved, "take", {{"stand", 0, 12, true, "", ""}, {"wade", 12, 30, false, "", ""}});
    EXPECT_EQ(moved.steps[1].parameters["clip"], "stand");
    EXPECT_EQ(moved.steps[3].parameters["clip"], "wade");
}

TEST(DescribeClips, SaysOfAMadeClipWhatACutSaysOfItself) {
    const Scene scene =
        done(taken(), {"pose_to_clip", {{"clip", "take"}, {"frame", 15}, {"name", "bent"}, {"joints", "all"}}}).scene;
    const StepResult result =
        done(scene, {"describe_clips",
                     {{"clips",
                       {{{"name", "bent"}, {"as", "bow"}, {"deliver", false}, {"colour", "#2F8A72"}, {"note", "held"}},
                        {{"name", "take"}, {"loop", true}}}}}});
    EXPECT_EQ(clip_names(result.scene), (std::vector<std::string>{"take", "bow"}));
    const Clip& bow = *result.scene.find_clip("bow");
    EXPECT_FALSE(bow.deliver);
    EXPECT_EQ(bow.colour, "#2F8A72");
    EXPECT_EQ(bow.note, "held");
    EXPECT_FALSE(bow.loop);
    EXPECT_TRUE(result.scene.find_clip("take")->loop);
    EXPECT_TRUE(result.scene.find_clip("take")->deliver);
    EXPECT_EQ(result.scene.find_clip("take")->channels.size(), scene.find_clip("take")->channels.size());
    EXPECT_TRUE(result.could_not.empty());
}

TEST(DescribeClips, WhatIsNotThereIsSaidAndWhatIsWrongRefused) {
    const StepResult gone = done(taken(), {"describe_clips", {{"clips", {{{"name", "lost"}, {"loop", true}}}}}});
    ASSERT_EQ(gone.could_not.size(), 1U);
    EXPECT_NE(gone.could_not[0].find("lost"), std::string::npos);
    const Scene scene = done(taken(), {"pose_to_clip", {{"clip", "take"}, {"frame", 1}, {"name", "bent"}}}).scene;
    EXPECT_NE(refused(scene, {"describe_clips", {{"clips", {{{"name", "bent"}, {"as", "take"}}}}}}).find("already"),
              std::string::npos);
    EXPECT_NE(refused(scene, {"describe_clips", {{"clips", {{{"name", "bent"}, {"colour", "red"}}}}}}).find("RRGGBB"),
              std::string::npos);
    refused(scene, {"describe_clips", {{"clips", {{{"as", "nameless"}}}}}});
    refused(scene, {"describe_clips", {{"clips", "bent"}}});
}

TEST(DescribeClips, EditsGatherInOneStep) {
    Job job;
    job.steps = {{"pose_to_clip", {{"clip", "take"}, {"frame", 15}, {"name", "bent"}}},
                 {"pose_to_clip", {{"clip", "take"}, {"frame", 3}, {"name", "low"}}}};
    const auto said = [](const char* name, bool deliver) {
        Cut cut;
        cut.name = name;
        cut.deliver = deliver;
        return cut;
    };
    describe_clip(job, "bent", said("bow", true));
    describe_clip(job, "low", said("low", false));
    describe_clip(job, "bow", said("deep_bow", false));
    ASSERT_EQ(job.steps.size(), 3U);
    const Replay now = replay(std::make_shared<const Scene>(taken()), job.steps);
    ASSERT_TRUE(now.problems().empty()) << now.problems().front();
    EXPECT_EQ(clip_names(now.prepared()), (std::vector<std::string>{"take", "deep_bow", "low"}));
    EXPECT_FALSE(now.prepared().find_clip("deep_bow")->deliver);
    EXPECT_FALSE(now.prepared().find_clip("low")->deliver);
    // Given its own name again, the row says nothing of a name.
    describe_clip(job, "deep_bow", said("bent", true));
    EXPECT_FALSE(job.steps[2].parameters["clips"][0].contains("as"));
    // Behind another step a new one is needed: this one works on what that makes.
    job.steps.push_back({"mirror_clip", {{"clips", {"bent"}}, {"ending", "_m"}}});
    describe_clip(job, "bent_m", said("bent_right", true));
    ASSERT_EQ(job.steps.size(), 5U);
    EXPECT_EQ(job.steps[4].parameters["clips"][0]["as"], "bent_right");
}

TEST(SplitTake, OnlyTheWholeOfAClosedClipEndsOnItsFirstPose) {
    Scene scene = taken();
    scene.clips[0].loop = scene.clips[0].last_is_first = true;
    const auto cut = [&](int first, int last, bool repeats) {
        const Step step = split_step("take", {{"part", first, last, repeats, "", ""}});
        return done(scene, step).scene.find_clip("part")->last_is_first;
    };
    EXPECT_TRUE(cut(0, 30, true));
    EXPECT_FALSE(cut(0, 29, true));
    EXPECT_FALSE(cut(1, 30, true));
    EXPECT_FALSE(cut(0, 30, false)) << "it plays once: its last frame is its own";
}

TEST(StepRegistry, StepsForClipsSayWhichOfTheirParametersNameThem) {
    for (const StepKind& kind : step_kinds()) {
        bool names_clips = false;
        for (const Parameter& parameter : kind.parameters) {
            const Parameter* named = parameter.column("name");
            names_clips = names_clips || parameter.names == NameOf::clip || parameter.names == NameOf::source ||
                          (named != nullptr && named->names == NameOf::clip);
        }
        EXPECT_TRUE(!kind.for_clips() || names_clips) << kind.id;
        EXPECT_EQ(is_for_clips(std::string(kind.id)), kind.for_clips());
        // What a step starts with is what it takes: no key that it would refuse.
        const Result<StepResult> result = apply_step(taken(), {std::string(kind.id), starting_values(kind.parameters)});
        EXPECT_TRUE(result.ok() || result.problem().what.find("no parameter") == std::string::npos) << kind.id;
    }
    EXPECT_FALSE(is_for_clips("no such step"));
}

} // namespace
} // namespace wembrix::testing
