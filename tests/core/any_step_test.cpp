// Any step with any parameters on any scene: what it makes is a whole scene, the same each time, and goes through a
// file.
#include "core/job/keep.h"
#include "core/measure/inventory/inventory.h"
#include "core/scene/content.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "drawn_parameters.h"
#include "random_rig.h"
#include "through_a_file.h"
#include "valid_scene.h"

#include <cmath>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <map>
#include <random>
#include <set>

namespace wembrix::testing {
namespace {

using nlohmann::json;

std::string content_of_scene(const Scene& scene) {
    Hasher hash;
    add_content(hash, scene);
    add_content(hash, scene.clips);
    return hash.hex();
}

/// A few strands on its first surface, for the steps that work on those; also as lines of a surface, if asked.
Scene with_strands(const Scene& scene, bool lines) {
    if (surfaces_of(scene).empty()) {
        return scene;
    }
    const std::string surface = scene.nodes[static_cast<size_t>(surfaces_of(scene)[0])].name;
    Scene made = scene;
    for (const Step& step : {Step{"strand_region", {{"name", "fur"}, {"surface", surface}}},
                             Step{"strand_guides", {{"spread", 3}, {"length_mm", 50}}},
                             Step{"grow_strands", {{"count", 12}, {"points", 3}, {"trimmed", false}}}}) {
        Result<StepResult> result = apply_step(made, step);
        EXPECT_TRUE(result.ok()) << (result.ok() ? "" : result.problem().sentence());
        made = result ? std::move(result->scene) : made;
    }
    // And as lines of a surface; where nothing holds the surface under them, they cannot be.
    Result<StepResult> with_lines = Problem{};
    if (lines) {
        with_lines = apply_step(made, {"lines_from_strands", {{"name", "wires"}}});
    }
    return with_lines ? std::move(with_lines->scene) : made;
}

class AnyStep : public ::testing::TestWithParam<uint32_t> {};

TEST_P(AnyStep, LeavesAWholeSceneOrSaysWhyNot) {
    const uint32_t seed = GetParam();
    const Scene rig = random_rig(seed, options_for(seed));
    const Scene scene = seed % 2 == 0 ? rig : with_strands(rig, seed % 4 == 1);
    ASSERT_EQ(what_is_not_valid(scene), "");
    Drawing draw(seed * 7919, scene);
    for (const StepKind& kind : step_kinds()) {
        const Step step{std::string(kind.id), draw.all(kind.parameters)};
        const std::string told = step_to_json(step).dump();
        const Result<StepResult> result = apply_step(scene, step);
        if (!result) {
            EXPECT_FALSE(result.problem().what.empty()) << told;
            continue;
        }
        EXPECT_FALSE(result->account.empty()) << told;
        EXPECT_EQ(what_is_not_valid(result->scene), "") << told;
        EXPECT_EQ(content_of_scene(apply_step(scene, step)->scene), content_of_scene(result->scene))
            << told << " makes something else the second time";
        if (!::testing::Test::HasFailure() && seed % 8 == 0 && !result->scene.nodes.empty()) {
            Scene model = result->scene;
            model.clips.clear(); // those that are cut are baked before they are written
            const Scene back = through_a_file(model);
            EXPECT_EQ(what_is_not_valid(back), "") << told;
            EXPECT_EQ(back.nodes.size(), result->scene.nodes.size()) << told;
        }
    }
}

TEST_P(AnyStep, OfARowOfThemEachLeavesAWholeScene) {
    const uint32_t seed = GetParam();
    Scene scene = random_rig(seed + 1000, options_for(seed + 1000));
    std::mt19937 random(seed);
    std::string told;
    for (int s = 0; s < 12; ++s) {
        const StepKind& kind = step_kinds()[random() % step_kinds().size()];
        const Step step{std::string(kind.id), Drawing(random(), scene).all(kind.parameters)};
        Result<StepResult> result = apply_step(scene, step);
        if (result) {
            told += step_to_json(step).dump() + "\n";
            scene = std::move(result->scene);
            ASSERT_EQ(what_is_not_valid(scene), "") << told;
        }
    }
}

INSTANTIATE_TEST_SUITE_P(Drawn, AnyStep, ::testing::Range<uint32_t>(1, seeds() + 1));

TEST(AnyStepAtAll, IsTriedInEarnest) {
    // Of every kind some drawn parameters fit: otherwise the tests above would show nothing of it.
    std::map<std::string, int> fitted;
    const int enough = seeds() < 60 ? 1 : 3; // more would only take time
    for (uint32_t seed = 1; seed <= 40; ++seed) {
        const Scene scene = with_strands(random_rig(seed, options_for(seed)), seed % 2 == 0);
        Drawing draw(seed * 7919, scene);
        for (const StepKind& kind : step_kinds()) {
            const Step step{std::string(kind.id), draw.all(kind.parameters)};
            if (int& times = fitted[step.id]; times < enough) {
                times += apply_step(scene, step).ok() ? 1 : 0;
            }
        }
    }
    // Those need a contract, a scene without joints, a pose, a stop, joints of two sides, another file's surface, or
    // what is chosen by hand.
    const std::set<std::string> alone = {"fit_contract",   "hand_keys",   "build_skeleton", "set_rest_pose",
                                         "accept_finding", "mirror_clip", "mirror_weights", "corrective",
                                         "paint_weights",  "move_faces"};
    for (const auto& [id, times] : fitted) {
        EXPECT_TRUE(times > 0 || alone.contains(id)) << id << " never fits";
    }
}

} // namespace
} // namespace wembrix::testing
