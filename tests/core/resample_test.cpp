// Keys that are made anew follow the motion between frames, too.
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/drift.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "small_scenes.h"
#include "step_results.h"

#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

/// A tower whose joints turn about different axes, fast, with few keys.
Scene swinging(double rate, int keys) {
    Scene scene = tower({"root", "hip", "knee", "foot"});
    for (uint16_t& joint : influences_of(scene).joints.edit()) {
        joint = joint == 1 ? 0 : joint; // the hip can go without anything else moving
    }
    Clip& clip = add_nod(scene, "swing", 1, 0, false);
    clip.channels.clear();
    clip.rate = rate;
    clip.seconds = (keys - 1) / rate;
    for (const int node : {0, 1, 2}) {
        Channel channel;
        channel.node = node;
        channel.path = Path::rotation;
        channel.width = 4;
        std::vector<float> times;
        std::vector<float> values;
        const Vec3 axis = node == 0 ? Vec3::UnitX() : node == 1 ? Vec3(0, 0.6, 0.8) : Vec3::UnitZ();
        for (int k = 0; k < keys; ++k) {
            times.push_back(static_cast<float>(k / rate));
            const Quat turn(Eigen::AngleAxisd(k % 2 == 0 ? 0.0 : 2.4 - 0.5 * node, axis));
            for (int i = 0; i < 4; ++i) {
                values.push_back(static_cast<float>(turn.coeffs()[i]));
            }
        }
        channel.times = std::move(times);
        channel.values = std::move(values);
        clip.channels.push_back(channel);
    }
    return scene;
}

double drift_between(const Scene& before, const Scene& after, int moments) {
    return measure_drift_all(before, after, Matching::identity, Moved(), {}, Over::clips, moments).largest_mm;
}

TEST(Resample, FollowsTheMotionBetweenFrames) {
    for (const auto& [rate, keys] : {std::pair(24.0, 5), std::pair(4.0, 3), std::pair(60.0, 9)}) {
        const Scene scene = swinging(rate, keys);
        const double limit = 2e-4 * height_m(scene) * 1000;
        for (const Step& step : std::vector<Step>{{"reparent_joints", {{"under", {{"foot", "root"}}}}},
                                                  {"remove_joints", {{"names", {"hip"}}}}}) {
            const StepResult result = done(scene, step);
            EXPECT_LE(drift_between(scene, result.scene, 16), limit) << step.id << " at " << rate;
        }
    }
}

TEST(Resample, AddsNoKeysWhereStraightLinesWillDo) {
    // One joint turns about one axis, and its child goes under the root that stays: turning alone is a straight line.
    Scene scene = swinging(24, 5);
    scene.clips[0].channels.resize(1);
    const StepResult result = done(scene, {"reparent_joints", {{"under", {{"foot", "hip"}}}}});
    for (const Channel& channel : result.scene.clips[0].channels) {
        EXPECT_LE(channel.times.size(), 5U);
    }
}

} // namespace
} // namespace wembrix::testing
