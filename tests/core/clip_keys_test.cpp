// Clips with the keys that a destination asks for: at every frame, at their own rate, or as they were prepared.
#include "core/delivery/delivery.h"
#include "core/destination/clip_keys.h"
#include "core/destination/conform.h"
#include "core/formats/format.h"
#include "core/measure/clips/sample.h"
#include "core/measure/comparison/compare_scenes.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "through_a_file.h"

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

Destination wanting(ClipKeys keys, bool still_channels = true) {
    Destination destination = any_destination();
    destination.root = "a";
    destination.clip_keys = keys;
    destination.still_channels = still_channels;
    return destination;
}

size_t keys_in(const Clip& clip) {
    size_t keys = 0;
    for (const Channel& channel : clip.channels) {
        keys += channel.times.size();
    }
    return keys;
}

/// A clip of a few keys: linear, stepped and cubic ones, not on frames.
Scene few_keys() {
    Scene scene = tower({"a", "b", "c"});
    Clip clip;
    clip.name = "bow";
    clip.take = 1;
    clip.rate = 30;
    clip.seconds = 2;
    Channel turn{1, Path::rotation, Interpolation::cubic, 4, {}, {}, {}};
    turn.times = std::vector<float>{0, 0.71F, 2};
    const auto q = [](double angle) { return Quat(Eigen::AngleAxisd(angle, Vec3::UnitX())); };
    std::vector<float> values;
    for (const double angle : {0.0, 0.9, 0.0}) {
        values.insert(values.end(), {0, 0, 0, 0});
        for (int k = 0; k < 4; ++k) {
            values.push_back(static_cast<float>(q(angle).coeffs()[k]));
        }
        values.insert(values.end(), {0, 0, 0, 0});
    }
    turn.values = values;
    Channel hop{0, Path::translation, Interpolation::step, 3, {}, {}, {}};
    hop.times = std::vector<float>{0, 1.003F};
    hop.values = std::vector<float>{0, 0, 0, 0, 0.5F, 0};
    Channel way{2, Path::translation, Interpolation::linear, 3, {}, {}, {}};
    way.times = std::vector<float>{0, 0.4F, 1.9F};
    way.values = std::vector<float>{0, 1, 0, 0.3F, 1, 0, 0, 1, 0};
    clip.channels = {turn, hop, way};
    scene.clips.push_back(clip);
    return scene;
}

/// The largest difference of any channel's value between two clips of one scene, at many moments.
double apart(const Clip& a, const Clip& b, double seconds) {
    double largest = 0;
    for (const Channel& channel : a.channels) {
        const auto other = std::find_if(b.channels.begin(), b.channels.end(), [&](const Channel& one) {
            return one.node == channel.node && one.path == channel.path;
        });
        if (other == b.channels.end()) {
            ADD_FAILURE() << "no channel of node " << channel.node;
            return 1e9;
        }
        std::vector<double> x(static_cast<size_t>(channel.width));
        std::vector<double> y(x.size());
        for (int i = 0; i <= 400; ++i) {
            const double at = seconds * i / 400;
            sample_channel(channel, a.start_s + at, x.data());
            sample_channel(*other, b.start_s + at, y.data());
            for (size_t k = 0; k < x.size(); ++k) {
                largest = std::max(largest, std::abs(x[k] - y[k]));
            }
        }
    }
    return largest;
}

TEST(ClipKeys, AsPreparedLeavesThemAndEveryFrameMakesThemAnew) {
    const Scene scene = few_keys();
    const Clip& clip = scene.clips[0];
    const Clip own = conform_clip(scene, clip, wanting(ClipKeys::as_prepared, false)).scene.clips[0];
    EXPECT_EQ(keys_in(own), keys_in(clip)) << "cubic, stepped and linear, each where it was";
    EXPECT_EQ(apart(clip, own, 2), 0);
    const Clip baked = conform_clip(scene, clip, wanting(ClipKeys::every_frame)).scene.clips[0];
    EXPECT_EQ(keys_in(baked), 61U * 9);
}

TEST(ClipKeys, ThroughAFileTheyAreStillThoseOfPrepared) {
    const Scene scene = few_keys();
    const Conformed conformed = conform_clip(scene, scene.clips[0], wanting(ClipKeys::as_prepared, false));
    const Scene back = through_a_file(conformed.scene);
    ASSERT_EQ(back.clips.size(), 1U);
    EXPECT_EQ(keys_in(back.clips[0]), keys_in(scene.clips[0]));
    for (const Interpolation kind : {Interpolation::step, Interpolation::linear, Interpolation::cubic}) {
        EXPECT_EQ(std::count_if(back.clips[0].channels.begin(), back.clips[0].channels.end(),
                                [&](const Channel& channel) { return channel.interpolation == kind; }),
                  1);
    }
}

TEST(ClipKeys, OwnRateKeepsTheClipsAndLeavesTheDestinationsAlone) {
    Scene scene = few_keys();
    scene.clips[0].rate = 60;
    const Clip clip = conform_clip(scene, scene.clips[0], wanting(ClipKeys::own_rate)).scene.clips[0];
    EXPECT_EQ(clip.rate, 60);
    EXPECT_EQ(clip.channels[0].times.size(), 121U);
    EXPECT_EQ(
        conform_clip(scene, scene.clips[0], wanting(ClipKeys::every_frame)).scene.clips[0].channels[0].times.size(),
        61U);
}

TEST(ClipKeys, WhatNeverMovesIsLeftOutWhereTheDestinationSaysSo) {
    Scene scene = few_keys();
    scene.clips[0].channels.resize(1); // b alone turns
    for (const ClipKeys keys : {ClipKeys::every_frame, ClipKeys::own_rate, ClipKeys::as_prepared}) {
        const Clip all = conform_clip(scene, scene.clips[0], wanting(keys, true)).scene.clips[0];
        EXPECT_EQ(all.channels.size(), 9U) << "three properties of each of three joints";
        const Clip moved = conform_clip(scene, scene.clips[0], wanting(keys, false)).scene.clips[0];
        ASSERT_EQ(moved.channels.size(), 1U) << clip_keys_name(keys);
        EXPECT_EQ(moved.channels[0].node, 1);
    }
    // A pose that is held and is not the rest pose has to be said: a key at either end.
    Channel held{2, Path::rotation, Interpolation::linear, 4, {}, {}, {}};
    held.times = std::vector<float>{0, 1, 2};
    held.values = std::vector<float>{1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0};
    scene.clips[0].channels.push_back(held);
    const Clip moved = conform_clip(scene, scene.clips[0], wanting(ClipKeys::every_frame, false)).scene.clips[0];
    ASSERT_EQ(moved.channels.size(), 2U);
    EXPECT_EQ(moved.channels[1].times.size(), 2U);
}

TEST(ClipKeys, AContainerThatHoldsNoCurvesGetsEveryFrame) {
    const Scene scene = few_keys();
    Destination destination = wanting(ClipKeys::as_prepared);
    destination.container = "bvh";
    EXPECT_FALSE(keeps_keys(destination));
    const Clip clip = conform_clip(scene, scene.clips[0], destination).scene.clips[0];
    EXPECT_EQ(clip.channels[0].times.size(), 61U);
}

class CutKeys : public ::testing::TestWithParam<uint32_t> {};

TEST_P(CutKeys, APartOfATakeGoesOnAsTheTakeDid) {
    const uint32_t seed = GetParam();
    std::mt19937 random(seed);
    const Scene rig = random_rig(seed, options_for(seed));
    for (Clip clip : rig.clips) {
        const double whole = clip.seconds;
        clip.start_s += whole * (random() % 40) / 100.0;
        clip.seconds = whole * (10 + random() % 40) / 100.0;
        const Clip cut = cut_keys(clip);
        EXPECT_EQ(cut.start_s, 0);
        for (const Channel& channel : cut.channels) {
            for (const float time : channel.times) {
                EXPECT_GE(time, 0);
                EXPECT_LE(time, clip.seconds + 1e-5);
            }
            EXPECT_TRUE(std::is_sorted(channel.times.begin(), channel.times.end()));
        }
        // Cubic rotations have keys of unit length: where one is cut in the middle of a curve it is not quite the same.
        EXPECT_LT(apart(clip, cut, clip.seconds), 0.02);
        Clip straight = clip;
        std::erase_if(straight.channels,
                      [](const Channel& channel) { return channel.interpolation == Interpolation::cubic; });
        EXPECT_LT(apart(straight, cut_keys(straight), clip.seconds), 2e-4);
    }
}

TEST(CutSteps, AStepLateInATakeHappensAtItsFrame) {
    // Single precision puts such keys a hair behind their frames.
    for (int frame = 400; frame < 1200; frame += 7) {
        Clip clip;
        clip.rate = 30;
        clip.start_s = 393 / 30.0;
        clip.seconds = 30;
        Channel blink{1, Path::translation, Interpolation::step, 3, {}, {}, {}};
        blink.times = std::vector<float>{0, static_cast<float>(frame / 30.0)};
        blink.values = std::vector<float>{0, 0, 0, 1, 1, 1};
        clip.channels.push_back(blink);
        const Clip cut = cut_keys(clip);
        double value[3];
        for (const int at : {frame - 1, frame, frame + 1}) {
            sample_channel(cut.channels[0], (at - 393) / 30.0, value);
            EXPECT_EQ(value[0], at < frame ? 0 : 1) << "frame " << at;
        }
    }
}

INSTANTIATE_TEST_SUITE_P(Drawn, CutKeys, ::testing::Range<uint32_t>(1, std::min<uint32_t>(seeds(), 40) + 1));

TEST(Loops, ADoubledLastFrameIsSeenWhoeverMadeIt) {
    Scene scene = tower({"a", "b", "c"});
    Clip& clip = add_nod(scene, "sway", 1, 0.6, true);
    EXPECT_FALSE(clip.last_is_first) << "nobody said so";
    EXPECT_TRUE(ends_on_its_first_pose(clip));
    clip.loop = true;
    Destination leaves = wanting(ClipKeys::every_frame);
    leaves.keep_last = false;
    EXPECT_EQ(conform_clip(scene, clip, leaves).scene.clips[0].channels[0].times.size(), 30U);
    leaves.keep_last = true;
    EXPECT_EQ(conform_clip(scene, clip, leaves).scene.clips[0].channels[0].times.size(), 31U);
    Clip& open = add_nod(scene, "bow", 1, 0.6, false);
    EXPECT_FALSE(ends_on_its_first_pose(open));
}

class Delivered : public ::testing::Test {
  protected:
    fs::path folder = fs::temp_directory_path() / ("wembrix-keys-" + std::to_string(::getpid()));
    void SetUp() override { fs::remove_all(folder); }
    void TearDown() override { fs::remove_all(folder); }
    DeliveryReport deliver_to(const Scene& scene, const Destination& destination) const {
        DeliveryRequest request;
        request.prepared = &scene;
        request.destination = destination;
        request.job_name = "it";
        request.folder = folder;
        Result<DeliveryReport> report = deliver(request);
        EXPECT_TRUE(report.ok()) << (report ? "" : report.problem().sentence());
        return report ? report.take() : DeliveryReport();
    }
    static std::string reasons(const DeliveryReport& report) {
        std::string all;
        for (const Arrival& arrival : report.arrivals) {
            all += arrival.reason + "\n";
        }
        return all;
    }
    static const Claim& claim(const Arrival& arrival, const std::string& name) {
        const auto found = std::find_if(arrival.claims.begin(), arrival.claims.end(),
                                        [&](const Claim& one) { return one.name == name; });
        static const Claim none{"none", "", "", false, ""};
        return found == arrival.claims.end() ? none : *found;
    }
};

TEST_F(Delivered, KeysAsPreparedArriveAndAreCounted) {
    const Scene scene = few_keys();
    const DeliveryReport report = deliver_to(scene, wanting(ClipKeys::as_prepared, false));
    EXPECT_TRUE(report.all_arrived()) << reasons(report);
    ASSERT_EQ(report.arrivals.size(), 2U);
    EXPECT_TRUE(claim(report.arrivals[1], "Keys").pass);
    EXPECT_EQ(claim(report.arrivals[1], "Keys").actual, "8 keys (1 cubic, 1 stepped, 1 linear)");
    EXPECT_EQ(report.arrivals[1].between.largest_mm, 0) << "nothing is lost between frames";
    EXPECT_EQ(report.manifest["clips"][0]["keys"], "as_prepared");
}

TEST_F(Delivered, JointsThatAClipLeavesAloneAreInItsFileAllTheSame) {
    Scene scene = few_keys();
    scene.clips[0].channels.resize(1);
    for (const ClipKeys keys : {ClipKeys::every_frame, ClipKeys::as_prepared}) {
        const DeliveryReport report = deliver_to(scene, wanting(keys, false));
        EXPECT_TRUE(report.all_arrived()) << reasons(report);
    }
}

TEST_F(Delivered, ShapesStayBehindWhereTheDestinationTakesNone) {
    Scene scene = tower({"a", "b"});
    MorphTarget lean;
    lean.name = "lean";
    lean.points = std::vector<uint32_t>{0};
    lean.positions = std::vector<Vec3f>{Vec3f(0.1F, 0, 0)};
    scene.meshes[0].shapes.push_back(lean);
    Destination none = wanting(ClipKeys::every_frame);
    none.shapes = 0;
    const DeliveryReport report = deliver_to(scene, none);
    EXPECT_TRUE(report.all_arrived()) << reasons(report);
    const Result<Scene> there = read_scene(folder / report.arrivals[0].files[0]);
    ASSERT_TRUE(there.ok());
    EXPECT_TRUE(there->meshes[0].shapes.empty());
    EXPECT_TRUE(std::any_of(report.left.begin(), report.left.end(), [](const LedgerEntry& entry) {
        return entry.what == "shape" && entry.by == LedgerEntry::By::destination;
    })) << "and it is said";
}

/// A tower with a left and a right, so that somebody can tell where it looks: along +Z.
Scene sided() {
    Scene scene = tower({"a", "b"});
    for (const auto& [name, x] : {std::pair("hand_l", 0.5), std::pair("hand_r", -0.5)}) {
        Node node;
        node.name = name;
        node.parent = 1;
        node.kind = NodeKind::joint;
        node.rest.translation = Vec3(x, 0, 0);
        node.identity = 50 + static_cast<int64_t>(scene.nodes.size());
        scene.skins[0].joints.push_back(static_cast<int>(scene.nodes.size()));
        scene.skins[0].inverse_binds.push_back(translating(Vec3(-x, -1, 0)));
        scene.nodes.push_back(node);
    }
    return scene;
}

TEST_F(Delivered, ForwardPlusZAndMinusZCannotBothHoldForTheSameBytes) {
    Destination plus = wanting(ClipKeys::every_frame);
    plus.axes.forward = Axis::pos_z;
    const DeliveryReport first = deliver_to(sided(), plus);
    EXPECT_TRUE(first.all_arrived()) << reasons(first);
    Destination minus = plus;
    minus.axes.forward = Axis::neg_z;
    const DeliveryReport second = deliver_to(sided(), minus);
    EXPECT_FALSE(second.all_arrived());
    for (const Claim& same : compare_scenes(*first.arrivals[0].scene, *second.arrivals[0].scene)) {
        EXPECT_TRUE(same.pass) << same.name << ": both files hold the same";
    }
    EXPECT_FALSE(claim(second.arrivals[0], "Faces").pass);

    // Either the file is turned, or the engine is said to read it turned.
    Destination turned = minus;
    turned.file_forward = Axis::neg_z;
    const DeliveryReport third = deliver_to(sided(), turned);
    EXPECT_TRUE(third.all_arrived()) << reasons(third);
    const Result<Scene> there = read_scene(folder / third.arrivals[0].files[0]);
    const std::vector<Mat4> world = rest_world(*there);
    EXPECT_NEAR(world[static_cast<size_t>(there->find_node("hand_l"))](0, 3), -0.5, 1e-6) << "its left is at -X now";
    Destination reads = minus;
    reads.reads = AxisSystem{Axis::pos_y, Axis::neg_z, 1, Handedness::right};
    const DeliveryReport fourth = deliver_to(sided(), reads);
    EXPECT_TRUE(fourth.all_arrived()) << reasons(fourth);
}

TEST_F(Delivered, AnEngineThatTakesAnotherUnitOrHandIsSeen) {
    Destination small = wanting(ClipKeys::every_frame);
    small.axes.unit_m = 0.01;
    EXPECT_TRUE(deliver_to(sided(), small).all_arrived());
    small.reads = AxisSystem{Axis::pos_y, Axis::pos_z, 1, Handedness::right}; // it takes a metre for one of its units
    const DeliveryReport report = deliver_to(sided(), small);
    EXPECT_FALSE(claim(report.arrivals[0], "Height").pass) << "a hundred times too small there";
    Destination left = wanting(ClipKeys::every_frame);
    left.axes.handedness = Handedness::left;
    EXPECT_TRUE(deliver_to(sided(), left).all_arrived());
    left.reads = AxisSystem{Axis::pos_y, Axis::pos_z, 1, Handedness::right};
    EXPECT_FALSE(claim(deliver_to(sided(), left).arrivals[0], "Faces").pass) << "its left is on its right";
}

TEST_F(Delivered, AClipOfATurnedFileIsTurnedWithIt) {
    Scene scene = sided();
    add_nod(scene, "nod", 1, 0.5, true);
    Destination turned = wanting(ClipKeys::every_frame);
    turned.axes.forward = Axis::neg_x;
    turned.file_forward = Axis::neg_x;
    const DeliveryReport report = deliver_to(scene, turned);
    EXPECT_TRUE(report.all_arrived()) << reasons(report);
    EXPECT_LT(report.arrivals[1].drift.largest_mm, 1e-2);
}

} // namespace
} // namespace wembrix::testing
