// What baking loses between frames: known, where keys lie beside them, and nothing where they do not.
#include "core/delivery/delivery.h"
#include "core/destination/conform.h"
#include "small_scenes.h"
#include "step_results.h"

#include <cmath>
#include <filesystem>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

Destination at_rate(double rate) {
    Destination destination = built_in_destinations()[0];
    destination.rate = rate;
    return destination;
}

/// A joint that stands still but for one key between two frames of 30 a second, on which it is turned by `angle`.
Scene twitch(double angle) {
    Scene scene = tower({"root", "neck", "head"});
    Clip& clip = add_nod(scene, "twitch", 2, 0, false, 31);
    const float half = 0.5F / 30;
    std::vector<float> values;
    for (const double at : {0.0, 0.0, angle, 0.0, 0.0}) {
        const Eigen::Vector4f q = Quat(Eigen::AngleAxisd(at, Vec3::UnitX())).coeffs().cast<float>();
        values.insert(values.end(), q.data(), q.data() + 4);
    }
    clip.channels[0].times = std::vector<float>{0, 12 / 30.0F, 12 / 30.0F + half, 13 / 30.0F, 1};
    clip.channels[0].values = values;
    return scene;
}

TEST(BetweenFrames, AKeyBesideThemIsFoundWhereItIs) {
    const double angle = 0.3;
    const Scene scene = twitch(angle);
    const Drift lost = drift_between_frames(scene, scene.clips[0], at_rate(30));
    EXPECT_DOUBLE_EQ(static_cast<double>(lost.frame) / moments_a_frame, 12.5);
    EXPECT_EQ(lost.place, "tower");
    // The farthest point that the joint holds: half a metre above it.
    EXPECT_NEAR(lost.largest_mm, 2 * 500 * std::sin(angle / 2), 0.1);
    EXPECT_EQ(lost.per_frame_mm.size(), 30U * moments_a_frame + 1);
    // At twice the rate there is a frame for it.
    const Drift none = drift_between_frames(scene, scene.clips[0], at_rate(60));
    EXPECT_EQ(none.points_compared, 0U) << "it lies on frames: nothing to compare";
    EXPECT_EQ(none.largest_mm, 0);
}

TEST(BetweenFrames, WhatLiesOnFramesIsToldWithoutMeasuring) {
    Scene scene = tower({"root", "neck"});
    Clip& clip = add_nod(scene, "nod", 1, 0.4, true, 31);
    EXPECT_TRUE(lies_on_frames(clip, 30));
    EXPECT_TRUE(lies_on_frames(clip, 120));
    EXPECT_FALSE(lies_on_frames(clip, 24));
    EXPECT_FALSE(lies_on_frames(clip, 29.97));
    clip.start_s = 0.5 / 30; // its frames lie between the keys
    clip.seconds = 20 / 30.0;
    EXPECT_FALSE(lies_on_frames(clip, 30));
    EXPECT_TRUE(lies_on_frames(clip, 60));
    clip.start_s = 2 / 30.0;
    EXPECT_TRUE(lies_on_frames(clip, 30)) << "keys beside the part that it shows do not count";
    clip.channels[0].interpolation = Interpolation::cubic;
    EXPECT_FALSE(lies_on_frames(clip, 30)) << "it bends between its keys";
    clip.channels[0].interpolation = Interpolation::step;
    EXPECT_TRUE(lies_on_frames(clip, 30));
    clip.seconds = 20.5 / 30;
    EXPECT_FALSE(lies_on_frames(clip, 30)) << "its end is no frame";
}

TEST(BetweenFrames, WhereItIsToldThatNothingIsLostNothingIs) {
    // The same, measured all the same.
    Scene scene = tower({"root", "neck", "head"});
    for (const double rate : {30.0, 60.0, 90.0}) {
        Clip& clip = add_nod(scene, "nod", 1, 1.2, true, 31);
        ASSERT_TRUE(lies_on_frames(clip, rate));
        const Clip baked = bake_clip(scene, clip, rate);
        DriftRequest request;
        request.should = request.is = &scene;
        request.should_clip = &clip;
        request.is_clip = &baked;
        request.rate = moments_a_frame * rate;
        request.frames = static_cast<int>(clip.seconds * request.rate) + 1;
        EXPECT_LT(measure_drift(request).largest_mm, 2e-3) << rate;
    }
}

TEST(BetweenFrames, ADeliverySaysItAndHoldsNothingBack) {
    const fs::path folder = fs::path(::testing::TempDir()) / "wembrix_between";
    fs::remove_all(folder);
    const Scene scene = twitch(0.3);
    DeliveryRequest request;
    request.prepared = &scene;
    request.destination = at_rate(30);
    request.job_name = "tower";
    request.folder = folder;
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok()) << report.problem().sentence();
    ASSERT_EQ(report->arrivals.size(), 2U);
    const Arrival& clip = report->arrivals[1];
    EXPECT_EQ(clip.state, CellState::arrived) << clip.reason;
    EXPECT_LT(clip.drift.largest_mm, 0.01) << "on the frames it is where it was";
    EXPECT_NEAR(clip.between.largest_mm, 2 * 500 * std::sin(0.15), 0.1);
    EXPECT_DOUBLE_EQ(static_cast<double>(clip.between.frame) / moments_a_frame, 12.5);
    bool in_manifest = false;
    for (const auto& row : report->manifest["files"]) {
        in_manifest = in_manifest || row["between_frames_mm"].get<double>() > 100;
    }
    EXPECT_TRUE(in_manifest);
    fs::remove_all(folder);
}

} // namespace
} // namespace wembrix::testing
