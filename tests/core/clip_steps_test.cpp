// Steps on clips, on motions whose answer is known.
#include "core/destination/conform.h"
#include "core/findings/finding.h"
#include "core/math/angles.h"
#include "core/measure/clips/baked.h"
#include "core/measure/clips/contacts.h"
#include "core/measure/clips/seam.h"
#include "core/measure/clips/travel.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/drift.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "step_results.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

using nlohmann::json;

void key(Clip& clip, int node, Path path, const std::vector<float>& times, const std::vector<float>& values,
         Interpolation kind = Interpolation::linear) {
    Channel channel;
    channel.node = node;
    channel.path = path;
    channel.interpolation = kind;
    channel.width = path == Path::rotation ? 4 : 3;
    channel.times = times;
    channel.values = values;
    clip.channels.push_back(std::move(channel));
}

/// root, pelvis a metre up, head. The pelvis walks a curve: two metres ahead and a quarter turn to the left in a
/// second, bobbing; the head nods.
Scene walker() {
    Scene scene = tower({"root", "pelvis", "head"});
    Clip& clip = add_nod(scene, "walk", 2, 0.5, true);
    std::vector<float> times;
    std::vector<float> places;
    std::vector<float> turns;
    for (int f = 0; f <= 30; ++f) {
        const double u = f / 30.0;
        times.push_back(static_cast<float>(u));
        const Vec3 place(0.3 * u * u, 1 + 0.05 * std::sin(4 * pi * u), 2 * u);
        const Quat turn(Eigen::AngleAxisd(pi / 2 * u, Vec3::UnitY()));
        for (int k = 0; k < 3; ++k) {
            places.push_back(static_cast<float>(place[k]));
        }
        for (int k = 0; k < 4; ++k) {
            turns.push_back(static_cast<float>(turn.coeffs()[k]));
        }
    }
    key(clip, 1, Path::translation, times, places);
    key(clip, 1, Path::rotation, times, turns);
    return scene;
}

Mat4 world_at(const Scene& scene, const char* clip, const char* node, int frame) {
    const Clip* found = scene.find_clip(clip);
    EXPECT_NE(found, nullptr) << clip;
    Pose pose;
    Poser(scene, found).at(frame / found->rate, pose);
    return pose.world[static_cast<size_t>(scene.find_node(node))];
}

Vec3 place_at(const Scene& scene, const char* clip, const char* node, int frame) {
    return world_at(scene, clip, node, frame).topRightCorner<3, 1>();
}

double drift_at_frames(const Scene& a, const Clip& clip_a, const Scene& b, const Clip& clip_b) {
    DriftRequest request;
    request.should = &a;
    request.should_clip = &clip_a;
    request.is = &b;
    request.is_clip = &clip_b;
    request.rate = clip_a.rate;
    request.frames = clip_a.frames();
    return measure_drift(request).largest_mm;
}

TEST(Bake, EveryFrameOfTheRateAndNothingBesideTheRange) {
    Scene scene = walker();
    scene =
        done(scene, {"split_take", {{"take", "walk"}, {"clips", {{{"name", "middle"}, {"start", 5}, {"end", 20}}}}}})
            .scene;
    const StepResult baked = done(scene, {"bake", {{"rate", 60}}});
    const Clip& clip = baked.scene.clips[0];
    EXPECT_EQ(clip.rate, 60);
    EXPECT_EQ(clip.frames(), 31);
    for (const Channel& channel : clip.channels) {
        ASSERT_EQ(channel.times.size(), 31U);
        EXPECT_NEAR(channel.times[0], 5 / 30.0, 1e-6);
        EXPECT_NEAR(channel.times.get().back(), 20 / 30.0, 1e-6);
        for (size_t i = 8; channel.path == Path::rotation && i < channel.values.size(); ++i) {
            EXPECT_LT(std::abs(channel.values[i] - channel.values[i - 4]), 0.5F) << "turns keep their sign";
        }
    }
    EXPECT_EQ(baked.subsamples, 4);
    const Drift drift = measure_drift_all(scene, baked.scene, Matching::identity, Moved(), {}, Over::clips, 4);
    EXPECT_LE(drift.largest_mm, 0.05) << "the keys were linear on frames of 30: 60 holds all of them";
    const Drift coarse = measure_drift_all(scene, done(scene, {"bake", {{"rate", 10}}}).scene, Matching::identity,
                                           Moved(), {}, Over::clips, 4);
    EXPECT_GT(coarse.largest_mm, 1) << "what 10 frames per second lose between them is told";
}

TEST(Bake, SteppedStaysSteppedAndWhatIsNoWholeFrameIsSaid) {
    Scene scene = tower({"a", "b"});
    Clip& clip = add_nod(scene, "nod", 1, 0.5, false);
    key(clip, 0, Path::translation, {0, 0.5F}, {0, 0, 0, 1, 0, 0}, Interpolation::step);
    const StepResult baked = done(scene, {"bake", {{"rate", 24}}});
    EXPECT_EQ(baked.scene.clips[0].channels[1].interpolation, Interpolation::step);
    EXPECT_EQ(place_at(baked.scene, "nod", "a", 11).x(), 0);
    EXPECT_EQ(place_at(baked.scene, "nod", "a", 12).x(), 1);
    EXPECT_TRUE(baked.could_not.empty());
    const StepResult odd = done(scene, {"bake", {{"rate", 23}, {"clips", {"n*"}}}});
    EXPECT_TRUE(odd.could_not.empty()) << "a second is 23 frames of 23";
    scene.clips[0].seconds = 0.99;
    EXPECT_EQ(done(scene, {"bake", json::object()}).could_not.size(), 1U);
    EXPECT_NE(refused(scene, {"bake", {{"clips", {"jump"}}}}).find("there are nod"), std::string::npos);
    EXPECT_NE(refused(scene, {"bake", {{"rate", 0}}}).find("rate"), std::string::npos);
}

TEST(RootMotion, IsHandedToTheRootAndNothingElseMoves) {
    const Scene scene = walker();
    const StepResult taken = done(scene, {"extract_root_motion", {{"from", "pelvis"}}});
    const Drift drift = measure_drift_all(scene, taken.scene, Matching::identity, taken.moved);
    // The root itself goes on purpose, with the triangle that it holds: every other joint stays.
    EXPECT_EQ(drift.place, "tower") << drift.largest_mm;
    EXPECT_LT(drift.point, 3U);
    for (int f = 0; f <= 30; ++f) {
        for (const char* joint : {"pelvis", "head"}) {
            EXPECT_TRUE(world_at(taken.scene, "walk", joint, f).isApprox(world_at(scene, "walk", joint, f), 1e-5))
                << joint << " at " << f;
        }
        const Vec3 root = place_at(taken.scene, "walk", "root", f);
        const Vec3 pelvis = place_at(scene, "walk", "pelvis", f);
        EXPECT_NEAR(root.x(), pelvis.x(), 1e-5);
        EXPECT_NEAR(root.y(), 0, 1e-6) << "height stays with the pelvis";
        EXPECT_NEAR(root.z(), pelvis.z(), 1e-5);
    }
    const Quat last(nearest_rotation(linear_of(world_at(taken.scene, "walk", "root", 30))));
    EXPECT_NEAR(last.angularDistance(Quat(Eigen::AngleAxisd(pi / 2, Vec3::UnitY()))), 0, 1e-4);
    EXPECT_NE(taken.account.find("2.02 m"), std::string::npos) << taken.account;
    EXPECT_NE(taken.account.find("90°"), std::string::npos) << taken.account;
}

TEST(RootMotion, OnlyTheAxesThatAreAskedFor) {
    const Scene scene = walker();
    const Scene ahead =
        done(scene, {"extract_root_motion", {{"from", "pelvis"}, {"x", false}, {"rotation", false}}}).scene;
    EXPECT_NEAR((place_at(ahead, "walk", "root", 30) - Vec3(0, 0, 2)).norm(), 0, 1e-5);
    EXPECT_TRUE(world_at(ahead, "walk", "head", 17).isApprox(world_at(scene, "walk", "head", 17), 1e-5));
    const Scene up = done(scene, {"extract_root_motion", {{"from", "pelvis"}, {"y", true}}}).scene;
    EXPECT_NEAR(place_at(up, "walk", "root", 4).y(), place_at(scene, "walk", "pelvis", 4).y() - 1, 1e-5);
    // Smoothed, the root goes straighter than the pelvis; what it no longer does the pelvis does.
    const Scene smooth = done(scene, {"extract_root_motion", {{"from", "pelvis"}, {"y", true}, {"smooth", 20}}}).scene;
    EXPECT_LT(std::abs(place_at(smooth, "walk", "root", 4).y()), std::abs(place_at(up, "walk", "root", 4).y()));
    EXPECT_TRUE(world_at(smooth, "walk", "head", 9).isApprox(world_at(scene, "walk", "head", 9), 1e-5));
}

TEST(RootMotion, TakenOutItPlaysInPlaceAndFromTheOriginItBeginsThere) {
    const Scene scene = walker();
    const Scene still = done(scene, {"extract_root_motion", {{"from", "pelvis"}, {"mode", "in_place"}}}).scene;
    for (int f = 0; f <= 30; ++f) {
        const Vec3 pelvis = place_at(still, "walk", "pelvis", f);
        EXPECT_NEAR(std::hypot(pelvis.x(), pelvis.z()), 0, 1e-5) << f;
    }
    EXPECT_TRUE(still.clips[0].remade);
    Scene cut =
        done(scene, {"split_take", {{"take", "walk"}, {"clips", {{{"name", "late"}, {"start", 10}, {"end", 30}}}}}})
            .scene;
    cut = done(cut, {"extract_root_motion", {{"from", "pelvis"}, {"from_origin", true}}}).scene;
    EXPECT_TRUE(world_at(cut, "late", "root", 0).isApprox(Mat4::Identity(), 1e-5));
    const double way = (place_at(scene, "walk", "pelvis", 30) - place_at(scene, "walk", "pelvis", 10)).norm();
    EXPECT_NEAR(place_at(cut, "late", "root", 20).norm(), way, 0.01) << "as far as before";
}

TEST(RootMotion, WhatCannotCarryItIsRefused) {
    Scene scene = walker();
    EXPECT_NE(refused(scene, {"extract_root_motion", {{"from", "tail"}}}).find("tail"), std::string::npos);
    EXPECT_NE(refused(scene, {"extract_root_motion", {{"from", "root"}}}).find("root itself"), std::string::npos);
    scene.nodes[1].parent = -1;
    EXPECT_NE(refused(scene, {"extract_root_motion"}).find("2 roots"), std::string::npos);
    EXPECT_EQ(carrying_joint(walker()), 1);
}

TEST(Travel, WayTurnAndSpeedAreThoseOfTheMotion) {
    const Scene scene = walker();
    const Clip& clip = scene.clips[0];
    const Travel travel = travel_of(trajectory_of(scene, clip, 1, clip.rate, 0, clip.frames()));
    EXPECT_NEAR(travel.metres, std::hypot(0.3, 2), 1e-3);
    EXPECT_NEAR(travel.turn_degrees, 90, 0.1);
    EXPECT_NEAR(travel.mean_m_s, travel.along_m / 1.0, 1e-6);
    EXPECT_GT(travel.top_m_s, travel.mean_m_s);
    EXPECT_EQ(travel.top_frame, 30) << "it grows quicker to the end";
}

TEST(CloseLoop, BlendedItEndsOnItsFirstPose) {
    Scene scene = tower({"root", "pelvis", "head"});
    add_nod(scene, "sway", 2, 0.7, false);
    scene.clips[0].loop = true;
    const double height = height_m(scene);
    EXPECT_FALSE(measure_seam(scene, scene.clips[0], height).closes(height));
    const StepResult closed = done(scene, {"close_loop", {{"clip", "sway"}, {"mode", "blend"}, {"frames", 10}}});
    const Seam seam = measure_seam(closed.scene, closed.scene.clips[0], height);
    EXPECT_LT(seam.apart_mm, 1e-2);
    EXPECT_TRUE(closed.scene.clips[0].last_is_first);
    EXPECT_TRUE(world_at(closed.scene, "sway", "head", 19).isApprox(world_at(scene, "sway", "head", 19), 1e-5))
        << "before the blend nothing changed";
    EXPECT_NE(closed.account.find("→ 0.0 mm"), std::string::npos) << closed.account;
    // A destination may leave the frame that is there twice.
    Destination leaves = built_in_destinations()[0];
    leaves.keep_last = false;
    EXPECT_EQ(conform_clip(closed.scene, closed.scene.clips[0], leaves).scene.clips[0].frames(), 30);
    leaves.keep_last = true;
    EXPECT_EQ(conform_clip(closed.scene, closed.scene.clips[0], leaves).scene.clips[0].frames(), 31);
}

TEST(CloseLoop, AWalkGoesOnFromWhereItArrived) {
    Scene scene = walker();
    const StepResult closed = done(scene, {"close_loop", {{"clip", "walk"}, {"mode", "blend"}, {"frames", 6}}});
    EXPECT_NEAR(place_at(closed.scene, "walk", "pelvis", 30).z(), 2, 1e-5) << "its way is not led back";
    EXPECT_NEAR(place_at(closed.scene, "walk", "pelvis", 30).y(), 1, 1e-5) << "its height is";
    const StepResult longer = done(scene, {"close_loop", {{"clip", "walk"}, {"mode", "repeat_first"}}});
    EXPECT_EQ(longer.scene.clips[0].frames(), 32);
    EXPECT_NEAR(place_at(longer.scene, "walk", "pelvis", 31).z(), 2 + 2 / 30.0, 1e-4) << "a step farther";
}

TEST(CloseLoop, WhatGoesRoundGoesOnRound) {
    // A quarter turn a second; the head ends bowed by 0.4, the pelvis a little rolled.
    Scene scene = walker();
    for (uint16_t& joint : influences_of(scene).joints.edit()) {
        joint = std::max<uint16_t>(joint, 1); // the root stays behind: it carries nothing
    }
    Channel& nod = scene.clips[0].channels[0];
    for (size_t f = 0; f <= 30; ++f) {
        const Quat bow(Eigen::AngleAxisd(0.4 * static_cast<double>(f) / 30, Vec3::UnitX()));
        std::copy_n(bow.coeffs().cast<float>().eval().data(), 4, nod.values.edit().data() + f * 4);
    }
    scene.clips[0].loop = true;
    const double height = height_m(scene);
    const Seam before = measure_seam(scene, scene.clips[0], height);
    EXPECT_TRUE(before.turns);
    EXPECT_NEAR(before.turn_deg, 90, 0.1);
    EXPECT_FALSE(before.closes(height));
    EXPECT_NEAR(before.turned_deg, 0.4 * 180 / pi, 3) << "of the turn of the whole nothing is left in it";
    for (const char* way : {"blend", "repeat_first"}) {
        const StepResult closed = done(scene, {"close_loop", {{"clip", "walk"}, {"mode", way}, {"frames", 8}}});
        const int last = closed.scene.clips[0].frames() - 1;
        const Seam after = measure_seam(closed.scene, closed.scene.clips[0], height);
        EXPECT_LT(after.apart_mm, 0.05) << way;
        EXPECT_LT(after.turned_deg, 0.05) << way;
        EXPECT_TRUE(closed.scene.clips[0].last_is_first);
        const Vec3 ahead = world_at(closed.scene, "walk", "pelvis", last).block<3, 1>(0, 2);
        EXPECT_NEAR(std::atan2(ahead.x(), ahead.z()) * 180 / pi, last == 30 ? 90 : 93, 0.1) << way;
        EXPECT_NEAR(place_at(closed.scene, "walk", "pelvis", 30).z(), 2, 1e-5) << "its way stays";
        EXPECT_NE(closed.account.find("it goes round by 9"), std::string::npos) << closed.account;
    }
    // The same under a root that is itself turned: what is led to is the world's turn, not the joint's own.
    Scene turned = scene;
    turned.nodes[0].rest.rotation = Quat(Eigen::AngleAxisd(pi / 2, Vec3::UnitX()));
    const StepResult closed = done(turned, {"close_loop", {{"clip", "walk"}, {"mode", "blend"}, {"frames", 8}}});
    EXPECT_LT(measure_seam(closed.scene, closed.scene.clips[0], height).turned_deg, 0.05);
}

TEST(CloseLoop, TrimmedItEndsAtTheFrameThatClosesBest) {
    // Two rounds of a turn in 2 s, cut nine frames too long.
    Scene scene = tower({"root", "arm"});
    Clip& clip = add_nod(scene, "round", 1, 0.5, true, 61);
    clip.channels.clear();
    std::vector<float> times;
    std::vector<float> turns;
    for (int f = 0; f <= 80; ++f) {
        const Quat turn(Eigen::AngleAxisd(0.6 * std::sin(2 * pi * f / 36.0), Vec3::UnitX()));
        times.push_back(static_cast<float>(f / 30.0));
        for (int k = 0; k < 4; ++k) {
            turns.push_back(static_cast<float>(turn.coeffs()[k]));
        }
    }
    key(clip, 1, Path::rotation, times, turns);
    clip.seconds = 80 / 30.0;
    const StepResult closed = done(scene, {"close_loop", {{"clip", "round"}, {"mode", "trim"}}});
    EXPECT_EQ(closed.scene.clips[0].frames(), 73) << "two rounds of 36 frames";
    EXPECT_LT(measure_seam(closed.scene, closed.scene.clips[0], 1).apart_mm, 0.1);
    EXPECT_NE(refused(scene, {"close_loop", {{"clip", "round"}, {"mode", "cut"}}}).find("\"mode\""), std::string::npos);
    EXPECT_NE(refused(scene, {"close_loop", {{"clip", "round"}, {"mode", "blend"}, {"frames", 500}}}).find("500"),
              std::string::npos);
}

TEST(JoinClips, EndToEndTheWayGoesOn) {
    Scene scene = walker();
    Clip second = scene.clips[0];
    second.name = "walk_2";
    second.take = 7;
    scene.clips.push_back(second);
    const StepResult joined = done(scene, {"join_clips", {{"clips", {"walk", "walk_2"}}, {"name", "both"}}});
    ASSERT_EQ(joined.scene.clips.size(), 3U);
    EXPECT_EQ(joined.scene.find_clip("both")->frames(), 62);
    // The second walk begins where the first arrived, looking where it looked: two metres ahead is along +X now.
    const Vec3 end = place_at(scene, "walk", "pelvis", 30);
    const Vec3 far = place_at(joined.scene, "both", "pelvis", 61);
    EXPECT_NEAR(far.x() - end.x(), 2, 0.15);
    EXPECT_NEAR(far.z() - end.z(), -0.3, 0.15);
    const Quat turned(nearest_rotation(linear_of(world_at(joined.scene, "both", "pelvis", 61))));
    EXPECT_NEAR(turned.angularDistance(Quat(Eigen::AngleAxisd(pi, Vec3::UnitY()))), 0, 0.1);
    for (int f = 1; f < 62; ++f) {
        const double step =
            (place_at(joined.scene, "both", "pelvis", f) - place_at(joined.scene, "both", "pelvis", f - 1)).norm();
        EXPECT_LT(step, 0.1) << "no leap at frame " << f;
    }
    EXPECT_LE(drift_at_frames(scene, scene.clips[0], joined.scene, *joined.scene.find_clip("both")), 0.05);
}

TEST(JoinClips, AnOverlapLeadsFromOneIntoTheOther) {
    Scene scene = tower({"root", "arm"});
    add_nod(scene, "up", 1, 0.8, false);
    add_nod(scene, "down", 1, -0.8, false);
    const StepResult joined =
        done(scene, {"join_clips", {{"clips", {"up", "down"}}, {"name", "both"}, {"overlap", 10}, {"keep", false}}});
    ASSERT_EQ(joined.scene.clips.size(), 1U);
    EXPECT_EQ(joined.scene.clips[0].frames(), 52);
    double before = 0;
    for (int f = 0; f < 52; ++f) {
        const Quat turn(nearest_rotation(linear_of(world_at(joined.scene, "both", "arm", f))));
        const double angle = 2 * std::atan2(turn.x(), turn.w());
        EXPECT_LT(std::abs(angle - before), 0.15) << f;
        before = angle;
    }
    EXPECT_NEAR(before, -0.8, 1e-5);
    EXPECT_NE(refused(scene, {"join_clips", {{"clips", {"up"}}, {"name", "x"}}}).find("needs 2"), std::string::npos);
    EXPECT_NE(refused(scene, {"join_clips", {{"clips", {"up", "down"}}, {"name", "up"}}}).find("already"),
              std::string::npos);
    EXPECT_NE(
        refused(scene, {"join_clips", {{"clips", {"up", "down"}}, {"name", "x"}, {"overlap", 31}}}).find("overlap"),
        std::string::npos);
}

TEST(Time, ReversedTwiceAndStretchedThereAndBackIsWhatItWas) {
    for (uint32_t seed = 1; seed <= share_of_seeds(20); ++seed) {
        const Scene scene = random_rig(seed, options_for(seed));
        Scene now = scene;
        for (const Step& step : std::vector<Step>{{"reverse"},
                                                  {"stretch_time", {{"factor", 1.7}}},
                                                  {"stretch_time", {{"factor", 1 / 1.7}}},
                                                  {"reverse"}}) {
            now = done(now, step).scene;
        }
        for (size_t c = 0; c < scene.clips.size(); ++c) {
            const double allowed = 1e-4 * whole_bounds(scene).size().norm() * 1000;
            EXPECT_LE(drift_at_frames(scene, scene.clips[c], now, now.clips[c]), allowed) << "seed " << seed;
        }
        // One way: the first frame is the last.
        const Scene back = done(scene, {"reverse"}).scene;
        Pose first;
        Pose last;
        const Clip& clip = scene.clips[0];
        Poser(scene, &clip).at((clip.frames() - 1) / clip.rate, last);
        Poser(back, back.clips.data()).at(0, first);
        for (size_t i = 0; i < first.world.size(); ++i) {
            EXPECT_TRUE(first.world[i].isApprox(last.world[i], 1e-4)) << "seed " << seed;
        }
    }
}

TEST(Time, AnotherRateLeavesTheKeysAndALengthIsReached) {
    const Scene scene = walker();
    const Scene counted = done(scene, {"change_frame_rate", {{"rate", 60}}}).scene;
    EXPECT_EQ(counted.clips[0].frames(), 61);
    EXPECT_LE(measure_drift_all(scene, counted, Matching::identity, Moved()).largest_mm, 1e-3);
    const Scene slow = done(scene, {"stretch_time", {{"seconds", 2}}}).scene;
    EXPECT_EQ(slow.clips[0].frames(), 61);
    EXPECT_TRUE(world_at(slow, "walk", "head", 20).isApprox(world_at(scene, "walk", "head", 10), 1e-5));
    EXPECT_NE(refused(scene, {"stretch_time", {{"factor", 2}, {"seconds", 2}}}).find("either"), std::string::npos);
    EXPECT_NE(refused(scene, {"change_frame_rate", json::object()}).find("rate"), std::string::npos);
}

TEST(StartAt, ARepeatGoesAround) {
    Scene scene = tower({"root", "arm"});
    add_nod(scene, "nod", 1, 0.8, true);
    scene = done(scene, {"close_loop", {{"clip", "nod"}, {"mode", "blend"}, {"frames", 2}}}).scene;
    ASSERT_TRUE(scene.clips[0].last_is_first);
    const Scene around = done(scene, {"start_at", {{"clip", "nod"}, {"frame", 10}}}).scene;
    for (int f = 0; f <= 30; ++f) {
        EXPECT_TRUE(world_at(around, "nod", "arm", f).isApprox(world_at(scene, "nod", "arm", (f + 10) % 30), 1e-5))
            << f;
    }
    Scene once = walker();
    once = done(once, {"start_at", {{"clip", "walk"}, {"frame", 12}}}).scene;
    EXPECT_EQ(once.clips[0].frames(), 19);
    EXPECT_NE(refused(once, {"start_at", {{"clip", "walk"}, {"frame", 18}}}).find("cannot begin"), std::string::npos);
}

TEST(StillPose, OneFrameOfAllJointsOrOfThoseThatMoved) {
    const Scene scene = walker();
    const Scene posed =
        done(scene, {"pose_to_clip", {{"clip", "walk"}, {"frame", 15}, {"name", "mid"}, {"joints", "moved"}}}).scene;
    ASSERT_EQ(posed.clips.size(), 2U);
    EXPECT_EQ(posed.clips[1].frames(), 1);
    EXPECT_TRUE(world_at(posed, "mid", "head", 0).isApprox(world_at(scene, "walk", "head", 15), 1e-5));
    for (const Channel& channel : posed.clips[1].channels) {
        EXPECT_NE(channel.node, 0) << "the root did not move";
    }
    EXPECT_NE(refused(scene, {"pose_to_clip", {{"clip", "walk"}, {"frame", 31}, {"name", "x"}}}).find("frame 31"),
              std::string::npos);
    EXPECT_NE(refused(scene, {"pose_to_clip", {{"clip", "walk"}, {"frame", 1}, {"name", "walk"}}}).find("already"),
              std::string::npos);
}

TEST(MakeAdditive, PutBackOnItsBaseItIsTheMotionItWas) {
    const Scene scene = walker();
    const Scene added = done(scene, {"make_additive", {{"clips", {"walk"}}, {"frame", 0}}}).scene;
    EXPECT_TRUE(world_at(added, "walk", "head", 0).isApprox(rest_world(scene)[2], 1e-6)) << "its own base adds nothing";
    const BakedClip was = bake_tracks(scene.clips[0]);
    const BakedClip is = bake_tracks(added.clips[0]);
    for (const BakedTrack& track : was.tracks) {
        const BakedTrack* other = is.find(track.node, track.path);
        ASSERT_NE(other, nullptr);
        if (track.path != Path::rotation) {
            continue;
        }
        const auto quat = [](const float* q) { return Quat(q[3], q[0], q[1], q[2]); };
        const Quat back = quat(track.at(0)) * scene.nodes[track.node].rest.rotation.conjugate() * quat(other->at(20));
        EXPECT_LT(back.angularDistance(quat(track.at(20))), 1e-3);
    }
}

/// Hips to both sides of a pelvis, each with a foot.
Scene two_legs() {
    Scene scene = tower({"root", "pelvis"});
    int parent = 1;
    for (const auto& [name, x] :
         {std::pair{"hip_l", 0.3}, std::pair{"foot_l", 0.0}, std::pair{"hip_r", -0.3}, std::pair{"foot_r", 0.0}}) {
        Node node;
        node.name = name;
        node.parent = std::string(name).rfind("hip", 0) == 0 ? 1 : parent;
        node.kind = NodeKind::joint;
        node.rest.translation = Vec3(x, std::string(name).rfind("hip", 0) == 0 ? 0 : -0.9, 0);
        node.identity = 500 + static_cast<int64_t>(scene.nodes.size());
        parent = static_cast<int>(scene.nodes.size());
        scene.nodes.push_back(node);
    }
    return scene;
}

TEST(MirrorClip, LeftBecomesRight) {
    Scene scene = two_legs();
    Clip& clip = add_nod(scene, "kick", scene.find_node("hip_l"), 0.9, true);
    key(clip, 1, Path::translation, {0, 1}, {0, 1, 0, 0.5F, 1, 0.2F});
    const StepResult mirrored = done(scene, {"mirror_clip", {{"clips", {"kick"}}}});
    ASSERT_NE(mirrored.scene.find_clip("kick_mirrored"), nullptr);
    for (const int f : {0, 8, 15, 30}) {
        for (const auto& [one, other] :
             {std::pair{"foot_l", "foot_r"}, std::pair{"foot_r", "foot_l"}, std::pair{"pelvis", "pelvis"}}) {
            const Vec3 was = place_at(scene, "kick", one, f);
            const Vec3 is = place_at(mirrored.scene, "kick_mirrored", other, f);
            EXPECT_LT((is - Vec3(-was.x(), was.y(), was.z())).norm(), 1e-5) << one << " at " << f;
        }
    }
    const Scene twice =
        done(done(scene, {"mirror_clip", {{"ending", ""}}}).scene, {"mirror_clip", {{"ending", ""}}}).scene;
    EXPECT_LE(drift_at_frames(scene, scene.clips[0], twice, twice.clips[0]), 0.05);
    EXPECT_NE(refused(tower({"a"}), {"mirror_clip"}).find("no clips"), std::string::npos);
}

TEST(MirrorClip, AcrossTheCharactersOwnSideAxis) {
    Scene scene = two_legs();
    Clip& clip = add_nod(scene, "kick", scene.find_node("hip_l"), 0.9, true);
    key(clip, 1, Path::translation, {0, 1}, {0, 1, 0, 0.5F, 1, 2});
    for (const char* degrees : {"90", "-90", "180"}) {
        const Scene turned = done(scene, {"rotate", {{"degrees", std::stod(degrees)}, {"about", "+Y"}}}).scene;
        const StepResult mirrored = done(turned, {"mirror_clip", {{"clips", {"kick"}}}});
        const Quat to(Eigen::AngleAxisd(std::stod(degrees) * pi / 180, Vec3::UnitY()));
        for (const int f : {0, 8, 15, 30}) {
            for (const auto& [one, other] :
                 {std::pair{"foot_l", "foot_r"}, std::pair{"foot_r", "foot_l"}, std::pair{"pelvis", "pelvis"}}) {
                const Vec3 was = place_at(scene, "kick", one, f); // of a character that looks along +Z
                const Vec3 is = to.inverse() * place_at(mirrored.scene, "kick_mirrored", other, f);
                EXPECT_LT((is - Vec3(-was.x(), was.y(), was.z())).norm(), 1e-5)
                    << degrees << ": " << one << " at " << f;
            }
        }
    }
}

TEST(ReduceKeys, NeverBeyondTheLimit) {
    for (uint32_t seed = 1; seed <= 6; ++seed) {
        Scene scene = random_rig(seed, options_for(seed));
        scene = done(scene, {"bake", {{"rate", 60}}}).scene;
        const double limit = 2e-3 * whole_bounds(scene).size().norm() * 1000;
        const StepResult reduced = done(scene, {"reduce_keys", {{"limit_mm", limit}}});
        size_t before = 0;
        size_t after = 0;
        for (size_t c = 0; c < scene.clips.size(); ++c) {
            for (const Channel& channel : scene.clips[c].channels) {
                before += channel.times.size();
            }
            for (const Channel& channel : reduced.scene.clips[c].channels) {
                after += channel.times.size();
            }
        }
        EXPECT_LT(after, before * 3 / 4) << "seed " << seed;
        EXPECT_LE(measure_drift_all(scene, reduced.scene, Matching::identity, Moved(), {}, Over::clips, 2).largest_mm,
                  limit * 1.0001)
            << "seed " << seed;
    }
    EXPECT_NE(refused(walker(), {"reduce_keys", {{"limit_mm", 0}}}).find("limit_mm"), std::string::npos);
}

TEST(Contacts, StandingIsFoundAndSlidingMeasured) {
    Scene scene = two_legs();
    const int foot = scene.find_node("hip_l") + 1;
    Clip& clip = add_nod(scene, "step", 1, 0.0, false, 61);
    // The left foot stands for 20 frames and slides 50 mm, is lifted for 20, and stands for 20 more.
    std::vector<float> times;
    std::vector<float> places;
    for (int f = 0; f <= 60; ++f) {
        times.push_back(static_cast<float>(f / 30.0));
        const double slide = f <= 20 ? 0.05 * f / 20 : f < 40 ? 0.05 + 0.6 * (f - 20) / 20.0 : 0.65;
        const double lift = f > 20 && f < 40 ? 0.3 * std::sin(pi * (f - 20) / 20.0) : 0;
        places.insert(places.end(), {0, static_cast<float>(-0.9 + lift), static_cast<float>(slide)});
    }
    key(clip, foot, Path::translation, times, places);
    const std::vector<Contact> contacts = contacts_of(scene, clip, {foot}, 1.5);
    ASSERT_EQ(contacts.size(), 2U);
    EXPECT_EQ(contacts[0].first, 0);
    EXPECT_NEAR(contacts[0].last, 20, 2);
    EXPECT_NEAR(contacts[0].slide_mm, 50, 3);
    EXPECT_NEAR(contacts[1].first, 40, 2);
    EXPECT_EQ(contacts[1].last, 60);
    EXPECT_NEAR(contacts[1].slide_mm, 0, 3);
    EXPECT_TRUE(contacts_of(scene, clip, {}, 1.5).empty());
}

const Finding* found(const std::vector<Finding>& findings, const char* id) {
    const auto one = std::find_if(findings.begin(), findings.end(), [&](const Finding& f) { return f.id == id; });
    return one == findings.end() ? nullptr : &*one;
}

TEST(MotionFindings, AJumpALengthAndATwinAreNoticed) {
    Scene scene = tower({"root", "arm", "hand"});
    Clip& clip = add_nod(scene, "reach", 1, 0.4, false, 61);
    std::vector<float> values = clip.channels[0].values.get();
    for (size_t i = 35UL * 4; i < values.size(); i += 4) {
        const Quat turn =
            Quat(values[i + 3], values[i], values[i + 1], values[i + 2]) * Quat(Eigen::AngleAxisd(0.5, Vec3::UnitX()));
        for (int k = 0; k < 4; ++k) {
            values[i + static_cast<size_t>(k)] = static_cast<float>(turn.coeffs()[k]);
        }
    }
    clip.channels[0].values = values;
    Clip twin = clip;
    twin.name = "reach_again";
    clip.seconds -= 0.01;
    scene.clips.push_back(twin);
    twin.name = "reach_once_more";
    scene.clips.push_back(twin);
    const std::vector<Finding> findings = look_for_findings({scene});
    const Finding* jump = found(findings, "jump");
    ASSERT_NE(jump, nullptr);
    EXPECT_EQ(jump->frame, 35);
    const Finding* odd = found(findings, "odd_length");
    ASSERT_NE(odd, nullptr);
    EXPECT_EQ(odd->clip, "reach");
    EXPECT_EQ(found(look_for_findings({done(scene, *odd->step).scene}), "odd_length"), nullptr);
    const Finding* same = found(findings, "same_motion");
    ASSERT_NE(same, nullptr);
    EXPECT_NE(same->message.find("reach_once_more"), std::string::npos) << same->message;
    EXPECT_EQ(found(look_for_findings({done(scene, *same->step).scene}), "same_motion"), nullptr);
}

TEST(MotionFindings, ALoopThatDoesNotCloseOrCreepsIsMendedByItsStep) {
    Scene scene = tower({"root", "pelvis", "head"});
    Clip& clip = add_nod(scene, "idle", 2, 0.5, false, 61);
    clip.loop = true;
    key(clip, 1, Path::translation, {0, 2}, {0, 1, 0, 0.05F, 1, 0});
    const std::vector<Finding> findings = look_for_findings({scene});
    const Finding* open = found(findings, "open_loop");
    ASSERT_NE(open, nullptr);
    ASSERT_TRUE(open->step.has_value());
    const Finding* creeps = found(findings, "creeping_loop");
    ASSERT_NE(creeps, nullptr);
    EXPECT_NE(creeps->reason.find("mm"), std::string::npos);
    const Scene mended = done(scene, *open->step).scene;
    EXPECT_EQ(found(look_for_findings({mended}), "open_loop"), nullptr);
    EXPECT_EQ(found(look_for_findings({mended}), "creeping_loop"), nullptr);
}

} // namespace
} // namespace wembrix::testing
