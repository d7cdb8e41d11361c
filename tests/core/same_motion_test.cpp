// What is told to move alike without being posed does; and what does not is never told so.
#include "core/measure/scene/drift.h"
#include "core/scene/same_motion.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "step_results.h"

#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

Scene nodding() {
    Scene scene = tower({"root", "neck", "head"});
    add_nod(scene, "nod", 1, 0.5, true, 31);
    add_nod(scene, "bow", 2, 0.9, false, 31);
    return scene;
}

TEST(SameMotion, ACopyMovesAlikeUntilAnythingOfItIsEdited) {
    const Scene scene = nodding();
    const Scene copy = scene;
    EXPECT_TRUE(is_same_motion(scene, scene.clips[0], copy, copy.clips[0]));
    EXPECT_FALSE(is_same_motion(scene, scene.clips[0], copy, copy.clips[1]));
    const std::vector<std::function<void(Scene&)>> edits = {
        [](Scene& s) { s.nodes[1].name = "collar"; },
        [](Scene& s) { s.nodes[1].rest.translation.x() += 1e-9; },
        [](Scene& s) { s.nodes[2].parent = 0; },
        [](Scene& s) { s.meshes[0].positions.edit()[0].x() += 1; },
        [](Scene& s) { influences_of(s).weights.edit()[0] = 0.5F; },
        [](Scene& s) { s.skins[0].inverse_binds[0](0, 3) += 1; },
        [](Scene& s) { s.clips[0].channels[0].values.edit()[3] = 0.5F; },
        [](Scene& s) { s.clips[0].channels[0].times.edit()[3] += 0.001F; },
        [](Scene& s) { s.clips[0].channels[0].interpolation = Interpolation::step; },
        [](Scene& s) { s.clips[0].start_s += 0.1; },
        [](Scene& s) { s.clips[0].seconds -= 0.1; },
        [](Scene& s) { s.clips[0].loop = true; },
        [](Scene& s) { s.nodes.pop_back(); },
    };
    for (size_t i = 0; i < edits.size(); ++i) {
        Scene other = scene;
        edits[i](other);
        EXPECT_FALSE(is_same_motion(scene, scene.clips[0], other, other.clips[0])) << "edit " << i;
    }
    // What says nothing of the motion makes no difference.
    Scene noted = scene;
    noted.clips[0].note = "slow";
    noted.clips[0].colour = "#2F8A72";
    noted.clips[0].name = "yes";
    noted.clips[0].deliver = false;
    EXPECT_TRUE(is_same_motion(scene, scene.clips[0], noted, noted.clips[0]));
}

class AlikeOnRandomRigs : public ::testing::TestWithParam<uint32_t> {};

TEST_P(AlikeOnRandomRigs, DriftIsWhatPosingItSays) {
    const Scene scene = random_rig(GetParam(), options_for(GetParam()));
    const int last = scene.clips[0].frames() - 1;
    const std::vector<Step> kept = {
        {"split_take",
         {{"take", scene.clips[0].name},
          {"clips", {{{"name", "a"}, {"start", 1}, {"end", last}}, {{"name", "b"}, {"start", 0}, {"end", 2}}}}}},
        {"change_frame_rate", {{"rate", 48}}},
        {"describe_clips", {{"clips", {{{"name", scene.clips[0].name}, {"note", "seen"}}}}}},
    };
    for (const Step& step : kept) {
        const StepResult result = done(scene, step);
        const Drift told = measure_drift_all(scene, result.scene, Matching::identity, result.moved);
        EXPECT_EQ(told.largest_mm, 0) << "seed " << GetParam() << " " << step.id;
        EXPECT_GT(told.points_compared + told.joints_compared, 0U);
        // The same with arrays of their own: every pose is made and compared.
        Scene apart = result.scene;
        for (Clip& clip : apart.clips) {
            for (Channel& channel : clip.channels) {
                channel.values = std::vector<float>(channel.values.get());
            }
        }
        const Drift posed = measure_drift_all(scene, apart, Matching::identity, result.moved);
        EXPECT_LT(posed.largest_mm, 0.02) << "seed " << GetParam() << " " << step.id;
        EXPECT_EQ(posed.points_compared, told.points_compared);
        EXPECT_EQ(posed.joints_compared, told.joints_compared);
        EXPECT_EQ(posed.per_frame_mm.size(), told.per_frame_mm.size());
    }
    // A clip of other keys is never taken for it.
    Scene other = scene;
    std::vector<float>& values = other.clips[0].channels[0].values.edit();
    for (float& value : values) {
        value += 0.05F;
    }
    if (!is_same_body(scene, other)) {
        ADD_FAILURE() << "only a clip was edited";
    }
    EXPECT_FALSE(has_same_keys(scene.clips[0], other.clips[0]));
}

INSTANTIATE_TEST_SUITE_P(Seeds, AlikeOnRandomRigs, ::testing::Range<uint32_t>(1, seeds() + 1));

TEST(SameMotion, AClipCutElsewhereFromTheSameKeysIsMeasured) {
    const Scene scene = nodding();
    Scene other = scene;
    other.clips[0].start_s = 5 / 30.0;
    other.clips[0].seconds = 10 / 30.0;
    DriftRequest request;
    request.should = &scene;
    request.should_clip = &scene.clips[0];
    request.is = &other;
    request.is_clip = &other.clips[0];
    request.frames = 11;
    EXPECT_GT(measure_drift(request).largest_mm, 1) << "its first frame is not the take's first";
    request.should_start_s = 5 / 30.0;
    EXPECT_EQ(measure_drift(request).largest_mm, 0);
    request.moved = Moved(translating(Vec3(0.01, 0, 0)));
    EXPECT_NEAR(measure_drift(request).largest_mm, 10, 0.01) << "it was meant to go a centimetre aside and did not";
}

} // namespace
} // namespace wembrix::testing
