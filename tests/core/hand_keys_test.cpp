// Keys made by hand: curves against their formulas, layers over takes, clips from nothing.
#include "core/formats/gltf/gltf.h"
#include "core/job/key_edits.h"
#include "core/job/pose_edits.h"
#include "core/keys/key_layer.h"
#include "core/measure/clips/sample.h"
#include "core/measure/skeleton/pose.h"
#include "core/measure/skeleton/pose_mirror.h"
#include "core/scene/content.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "through_a_file.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace wembrix {
namespace {

using nlohmann::json;

Curve random_curve(uint32_t seed, bool plain) {
    std::mt19937 random(seed);
    Curve curve;
    double frame = testing::drawn(random, -5, 5);
    const int count = 2 + static_cast<int>(random() % 6);
    for (int k = 0; k < count; ++k) {
        CurveKey key;
        key.frame = frame;
        key.value = testing::drawn(random, -10, 10);
        constexpr Tangent kinds[] = {Tangent::smooth, Tangent::flat, Tangent::straight, Tangent::free,
                                     Tangent::stepped};
        key.tangent = kinds[random() % (plain ? 4 : 5)];
        if (key.tangent == Tangent::free) {
            key.in_slope = testing::drawn(random, -2, 2);
            key.out_slope = testing::drawn(random, -2, 2);
            if (!plain) {
                key.in_weight = testing::drawn(random, 0.02, 1);
                key.out_weight = testing::drawn(random, 0.02, 1);
            }
        }
        curve.keys.push_back(key);
        frame += testing::drawn(random, 1, 12);
    }
    return curve;
}

TEST(Curve, PlainSegmentsAreHermitesCubic) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(200); ++seed) {
        const Curve curve = random_curve(seed, true);
        ASSERT_TRUE(is_plain_cubic(curve));
        for (size_t k = 0; k + 1 < curve.keys.size(); ++k) {
            const CurveKey& a = curve.keys[k];
            const CurveKey& b = curve.keys[k + 1];
            const double length = b.frame - a.frame;
            for (int i = 0; i <= 20; ++i) {
                const double t = i / 20.0;
                const double expected = (2 * t * t * t - 3 * t * t + 1) * a.value +
                                        (t * t * t - 2 * t * t + t) * length * out_slope_of(curve, k) +
                                        (-2 * t * t * t + 3 * t * t) * b.value +
                                        (t * t * t - t * t) * length * in_slope_of(curve, k + 1);
                EXPECT_NEAR(value_at(curve, a.frame + t * length), expected, 1e-9) << seed;
            }
        }
    }
}

TEST(Curve, WeightedSegmentsLieOnTheirBezier) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(200); ++seed) {
        const Curve curve = random_curve(seed, false);
        for (size_t k = 0; k + 1 < curve.keys.size(); ++k) {
            const CurveKey& a = curve.keys[k];
            const CurveKey& b = curve.keys[k + 1];
            if (a.tangent == Tangent::stepped) {
                EXPECT_EQ(value_at(curve, b.frame - 1e-6), a.value);
                EXPECT_EQ(value_at(curve, b.frame), b.value);
                continue;
            }
            const double length = b.frame - a.frame;
            const double reach_a = (a.tangent == Tangent::free ? a.out_weight : 1.0 / 3) * length;
            const double reach_b = (b.tangent == Tangent::free ? b.in_weight : 1.0 / 3) * length;
            const double x[] = {a.frame, a.frame + reach_a, b.frame - reach_b, b.frame};
            const double y[] = {a.value, a.value + reach_a * out_slope_of(curve, k),
                                b.value - reach_b * in_slope_of(curve, k + 1), b.value};
            for (int i = 1; i < 20; ++i) {
                const double t = i / 20.0;
                const double s = 1 - t;
                const double w[] = {s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t};
                double at = 0;
                double value = 0;
                for (int c = 0; c < 4; ++c) {
                    at += w[c] * x[c];
                    value += w[c] * y[c];
                }
                // Where the curve stands upright a frame has many values.
                EXPECT_NEAR(value_at(curve, at), value, 1e-6 * (1 + std::abs(value))) << seed;
            }
        }
    }
}

TEST(Curve, KeysPutInLeaveItAsItIs) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(200); ++seed) {
        const Curve before = random_curve(seed, true);
        Curve after = before;
        std::mt19937 random(seed);
        for (int i = 0; i < 5; ++i) {
            insert_key(after, testing::drawn(random, before.keys.front().frame - 3, before.keys.back().frame + 3));
        }
        EXPECT_GT(after.keys.size(), before.keys.size());
        for (double frame = before.keys.front().frame - 3; frame < before.keys.back().frame + 3; frame += 0.37) {
            EXPECT_NEAR(value_at(after, frame), value_at(before, frame), 1e-9) << seed << " at " << frame;
        }
    }
}

TEST(Curve, BeyondItsKeysItIsHeldRepeatedOrGoesOn) {
    Curve curve;
    curve.keys = {{0, 0, Tangent::straight}, {10, 5, Tangent::straight}};
    EXPECT_DOUBLE_EQ(value_at(curve, 25), 5);
    EXPECT_DOUBLE_EQ(value_at(curve, -3), 0);
    curve.after = Beyond::repeated;
    EXPECT_NEAR(value_at(curve, 12), 1, 1e-12);
    EXPECT_NEAR(value_at(curve, 10), 5, 1e-12) << "the end of a round is its last key";
    EXPECT_NEAR(value_at(curve, 20), 5, 1e-12);
    curve.after = Beyond::repeated_on;
    EXPECT_NEAR(value_at(curve, 12), 6, 1e-12);
    EXPECT_NEAR(value_at(curve, 27), 13.5, 1e-12);
    curve.before = Beyond::repeated_on;
    EXPECT_NEAR(value_at(curve, -4), -2, 1e-12);
}

TEST(Curve, FirstEqualsLastExactlyAndWithoutACorner) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(50); ++seed) {
        Curve curve = random_curve(seed, true);
        const double last = curve.keys.back().frame + (seed % 2 == 0 ? 4 : -0.5);
        close_curve(curve, last);
        EXPECT_EQ(curve.keys.front().value, curve.keys.back().value);
        EXPECT_EQ(curve.keys.back().frame, last);
        curve.after = Beyond::repeated;
        EXPECT_EQ(value_at(curve, last), value_at(curve, curve.keys.front().frame));
        if (curve.keys.size() > 2 && random_curve(seed, true).keys.front().tangent == Tangent::smooth) {
            EXPECT_NEAR(in_slope_of(curve, curve.keys.size() - 1), out_slope_of(curve, 0), 1e-12);
        }
    }
}

TEST(Curve, FewerKeysStayWithinTheTolerance) {
    // A key at every frame, as a bake leaves them.
    Curve dense;
    for (int f = 0; f <= 120; ++f) {
        dense.keys.push_back(
            {static_cast<double>(f), 10 * std::sin(0.1 * f) + (f > 60 ? 0.2 * (f - 60) : 0), Tangent::smooth});
    }
    const Curve few = simplified(dense, 0.05);
    EXPECT_LT(few.keys.size(), 30U);
    EXPECT_EQ(few.keys.front().frame, 0);
    EXPECT_EQ(few.keys.back().frame, 120);
    for (double frame = 0; frame <= 120; frame += 0.25) {
        EXPECT_NEAR(value_at(few, frame), value_at(dense, frame), 0.06) << frame;
    }
}

TEST(Curve, ScaledKeysKeepTheirFormAndTakeThePlaceOfThoseTheyMeet) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(100); ++seed) {
        const Curve curve = random_curve(seed, false);
        std::vector<size_t> all(curve.keys.size());
        for (size_t k = 0; k < all.size(); ++k) {
            all[k] = k;
        }
        Curve scaled = curve;
        scale_keys(scaled, all, 3, 2.5, -1, -0.5);
        ASSERT_EQ(scaled.keys.size(), curve.keys.size());
        const double first = curve.keys.front().frame;
        const double length = curve.keys.back().frame - first;
        for (int i = 0; i <= 50; ++i) {
            const double frame = first + length * i / 50;
            EXPECT_NEAR(value_at(scaled, 3 + (frame - 3) * 2.5), -1 + (value_at(curve, frame) + 1) * -0.5, 1e-9)
                << seed;
        }
    }
    Curve curve;
    for (const double frame : {0.0, 10.0, 20.0}) {
        CurveKey key;
        key.frame = frame;
        key.value = frame;
        curve.keys.push_back(key);
    }
    scale_keys(curve, {1}, 0, 2, 0, 1);
    ASSERT_EQ(curve.keys.size(), 2U);
    EXPECT_EQ(curve.keys[1].frame, 20);
    EXPECT_EQ(curve.keys[1].value, 10) << "the one that moved";
}

TEST(Curve, APulledTangentLeavesTheOtherSideOrTakesItAlong) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(100); ++seed) {
        const Curve curve = random_curve(seed, false);
        const size_t key = curve.keys.size() / 2;
        Curve pulled = curve;
        pull_tangent(pulled, key, true, 1.25, 0.5, false);
        EXPECT_EQ(out_slope_of(pulled, key), 1.25);
        EXPECT_EQ(in_slope_of(pulled, key), in_slope_of(curve, key)) << seed;
        EXPECT_EQ(pulled.keys[key].value, curve.keys[key].value);
        pull_tangent(pulled, key, false, -2, 7, true);
        EXPECT_EQ(out_slope_of(pulled, key), -2);
        EXPECT_EQ(in_slope_of(pulled, key), -2);
        EXPECT_EQ(pulled.keys[key].in_weight, 1) << "no farther than the neighbour";
        EXPECT_EQ(pulled.keys[key].out_weight, 0.5);
    }
}

TEST(KeyLayer, ComesBackFromItsFileAndRefusesWhatIsNone) {
    KeyLayer layer;
    for (uint32_t seed = 0; seed < testing::share_of_seeds(12); ++seed) {
        KeyedCurve one;
        one.of = "joint_" + std::to_string(seed);
        one.path = static_cast<Path>(seed % 4);
        one.axis = one.path == Path::weights ? 0 : static_cast<int>(seed % 3);
        one.curve = random_curve(seed, false);
        for (CurveKey& key : one.curve.keys) {
            if (key.tangent != Tangent::free) {
                key.in_slope = key.out_slope = 0;
            }
        }
        one.curve.after = static_cast<Beyond>(seed % 3);
        layer.push_back(one);
    }
    const Result<KeyLayer> again = key_layer_from_json(json::parse(key_layer_to_json(layer).dump()), "again");
    ASSERT_TRUE(again.ok()) << again.problem().sentence();
    EXPECT_EQ(*again, layer);
    const json key = {{"frame", 0}, {"value", 1}};
    const auto refused = [](const json& curves) { return !key_layer_from_json({{"curves", curves}}, "x").ok(); };
    EXPECT_TRUE(refused(json::array({{{"of", "a"}, {"what", "rotation_w_deg"}, {"keys", {key}}}})));
    EXPECT_TRUE(refused(json::array({{{"of", "a"}, {"what", "weight"}, {"keys", {key, key}}}})));
    EXPECT_TRUE(
        refused(json::array({{{"of", "a"}, {"what", "weight"}, {"keys", {{{"frame", 1e300}, {"value", 0}}}}}})));
    EXPECT_FALSE(key_layer_from_json(json::array(), "x").ok());
}

TEST(KeyEdits, ALayerIsKeyedMendedClosedAndThinned) {
    Job job;
    job.steps = {{"split_take", {{"take", "t"}, {"clips", json::array()}}}};
    const size_t place = add_key_layer(job, "wade", "eased", false);
    EXPECT_EQ(place, 1U);
    EXPECT_EQ(key_layers(job, "wade"), std::vector<size_t>{1});
    const KeyedPath knee = {"knee", Path::rotation};
    set_keys(job, place, knee, 10, {5, 0, -3});
    set_keys(job, place, knee, 0, {0, 0, 0});
    set_keys(job, place, knee, 10, {6, 0, -3});
    EXPECT_EQ(keyed_frames(layer_at(job, place), knee), (std::vector<double>{0, 10}));
    EXPECT_EQ(keyed_value(layer_at(job, place), knee, 10), Vec3(6, 0, -3));
    EXPECT_EQ(keyed_value(layer_at(job, place), {"knee", Path::scale}, 10), Vec3(1, 1, 1));
    set_tangents(job, place, knee, 10, Tangent::flat);
    for (const KeyedCurve& curve : layer_at(job, place)) {
        EXPECT_EQ(curve.curve.keys[1].tangent, Tangent::flat);
    }
    close_layer(job, place, 30);
    EXPECT_EQ(keyed_value(layer_at(job, place), knee, 30), keyed_value(layer_at(job, place), knee, 0));
    EXPECT_EQ(keyed_value(layer_at(job, place), knee, 40), keyed_value(layer_at(job, place), knee, 10));
    drop_keys(job, place, knee, 10);
    EXPECT_EQ(keyed_frames(layer_at(job, place), knee), (std::vector<double>{0, 30}));
    for (int f = 1; f < 30; ++f) {
        set_keys(job, place, knee, f, {0.1 * f * (30 - f), 0, 0});
    }
    simplify_layer(job, place, 0.1);
    EXPECT_LT(keyed_frames(layer_at(job, place), knee).size(), 12U);
    EXPECT_NEAR(keyed_value(layer_at(job, place), knee, 15).x(), 22.5, 0.1);
    const size_t made = add_keyed_clip(job, "swing", 21, 30, true);
    EXPECT_EQ(key_layers(job, "swing"), std::vector<size_t>{made});
}

/// One joint that rests turned and 1 m up, with a surface hanging on it.
Scene lid() {
    Scene scene;
    Node base;
    base.name = "base";
    base.kind = NodeKind::joint;
    base.identity = 1;
    Node hinge = base;
    hinge.name = "hinge";
    hinge.parent = 0;
    hinge.identity = 2;
    hinge.rest.translation = {0.2, 1, 0};
    hinge.rest.rotation = Quat(Eigen::AngleAxisd(0.4, Vec3::UnitZ()));
    scene.nodes = {base, hinge};
    return scene;
}

json bounce_keys() {
    // Flat above, sharp at the ground: the first equals the last.
    return {{"curves",
             {{{"of", "hinge"},
               {"what", "translation_y_mm"},
               {"keys",
                {{{"frame", 0}, {"value", 0}, {"tangent", "free"}, {"in", -60}, {"out", 60}},
                 {{"frame", 10}, {"value", 300}, {"tangent", "flat"}},
                 {{"frame", 20}, {"value", 0}, {"tangent", "free"}, {"in", -60}, {"out", 60}}}}}}}};
}

TEST(HandKeys, AClipFromNothingGoesOutAsItsCurve) {
    const Scene before = lid();
    const Result<StepResult> made = apply_step(before, "hand_keys",
                                               {{"new_clip", "bounce"},
                                                {"keys", bounce_keys()},
                                                {"mode", "instead"},
                                                {"frames", 21},
                                                {"rate", 30},
                                                {"loop", true}});
    ASSERT_TRUE(made.ok()) << made.problem().sentence();
    ASSERT_EQ(made->scene.clips.size(), 1U);
    const Clip& clip = made->scene.clips[0];
    EXPECT_EQ(clip.frames(), 21);
    EXPECT_TRUE(clip.loop);
    ASSERT_EQ(clip.channels.size(), 1U);
    EXPECT_EQ(clip.channels[0].interpolation, Interpolation::cubic) << "the container holds it as it is";
    const KeyLayer layer = key_layer_from_json(bounce_keys(), "").take();
    for (double frame = 0; frame <= 20; frame += 0.25) {
        double value[3];
        sample_channel(clip.channels[0], frame / 30, value);
        EXPECT_NEAR(value[0], 0.2, 1e-7);
        EXPECT_NEAR(value[1], 1 + value_at(layer[0].curve, frame) / 1000, 1e-6) << frame;
    }
    // And through a file.
    const Scene back = testing::through_a_file(made->scene);
    ASSERT_EQ(back.clips.size(), 1U);
    const int hinge = back.find_node("hinge");
    const Poser poser(back, &back.clips[0]);
    Pose pose;
    for (double frame = 0; frame <= 20; frame += 0.25) {
        poser.at(frame / 30, pose);
        EXPECT_NEAR(pose.local[static_cast<size_t>(hinge)].translation.y(), 1 + value_at(layer[0].curve, frame) / 1000,
                    1e-6);
    }
}

TEST(HandKeys, AxesThatAreKeyedAtOtherFramesStayExactTogether) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(40); ++seed) {
        KeyLayer layer;
        for (int axis = 0; axis < 3; ++axis) {
            KeyedCurve one;
            one.of = "hinge";
            one.path = Path::translation;
            one.axis = axis;
            one.curve = random_curve(seed * 3 + static_cast<uint32_t>(axis), true);
            layer.push_back(one);
        }
        const Result<StepResult> made =
            apply_step(lid(), "hand_keys",
                       {{"new_clip", "move"}, {"keys", key_layer_to_json(layer)}, {"mode", "instead"}, {"frames", 12}});
        ASSERT_TRUE(made.ok());
        const Channel& channel = made->scene.clips[0].channels.at(0);
        ASSERT_EQ(channel.interpolation, Interpolation::cubic);
        for (double frame = 0; frame <= 11; frame += 0.3) {
            double value[3];
            sample_channel(channel, frame / 30, value);
            const Vec3 rest(0.2, 1, 0);
            for (int axis = 0; axis < 3; ++axis) {
                EXPECT_NEAR(value[axis], rest[axis] + value_at(layer[static_cast<size_t>(axis)].curve, frame) / 1000,
                            2e-6)
                    << seed << " axis " << axis << " at " << frame;
            }
        }
    }
}

TEST(HandKeys, RotationsAreBakedAtEveryFrameAndBothSidesOfAStep) {
    const json keys = {{"curves",
                        {{{"of", "hinge"},
                          {"what", "rotation_x_deg"},
                          {"keys",
                           {{{"frame", 0}, {"value", 0}, {"tangent", "stepped"}},
                            {{"frame", 10}, {"value", 90}, {"tangent", "straight"}},
                            {{"frame", 20}, {"value", 0}, {"tangent", "straight"}}}}}}}};
    const Result<StepResult> made = apply_step(
        lid(), "hand_keys", {{"new_clip", "swing"}, {"keys", keys}, {"mode", "instead"}, {"frames", 21}, {"rate", 30}});
    ASSERT_TRUE(made.ok());
    const Channel& channel = made->scene.clips[0].channels.at(0);
    const auto angle_at = [&](double frame) {
        double q[4];
        sample_channel(channel, frame / 30, q);
        return Quat(q[3], q[0], q[1], q[2]).angularDistance(lid().nodes[1].rest.rotation) * 180 / M_PI;
    };
    EXPECT_NEAR(angle_at(9.9), 0, 1e-4);
    EXPECT_NEAR(angle_at(10), 90, 1e-4);
    EXPECT_NEAR(angle_at(15), 45, 1e-4);
    EXPECT_NEAR(angle_at(20), 0, 1e-4);
}

TEST(HandKeys, NothingOnTopOfATakeIsNothingToTheBit) {
    for (uint32_t seed = 1; seed < testing::share_of_seeds(20); ++seed) {
        const Scene scene = testing::random_rig(seed, {});
        if (scene.clips.empty() || joints_of(scene).empty()) {
            continue;
        }
        const std::string joint = scene.nodes[static_cast<size_t>(joints_of(scene).back())].name;
        const json zero = {{"frame", 0}, {"value", 0}};
        const json one = {{"frame", 0}, {"value", 1}};
        const json keys = {{"curves",
                            {{{"of", joint}, {"what", "rotation_x_deg"}, {"keys", {zero}}},
                             {{"of", joint}, {"what", "translation_z_mm"}, {"keys", {zero}}},
                             {{"of", joint}, {"what", "scale_y"}, {"keys", {one}}}}}};
        const Result<StepResult> made = apply_step(scene, "hand_keys", {{"clip", scene.clips[0].name}, {"keys", keys}});
        ASSERT_TRUE(made.ok()) << made.problem().sentence();
        EXPECT_TRUE(same_content(made->scene.clips[0].channels, scene.clips[0].channels)) << seed;
    }
}

TEST(HandKeys, ALayerOnTopTurnsFadesAndSaysWhatItDoesNotFind) {
    Scene scene = lid();
    Clip take;
    take.name = "take";
    take.seconds = 1;
    take.channels.push_back({1,
                             Path::rotation,
                             Interpolation::linear,
                             4,
                             std::vector<float>{0, 1},
                             std::vector<float>{0, 0, 0, 1, 0, 0.70710678F, 0, 0.70710678F},
                             {}});
    scene.clips.push_back(take);
    const json keys = {{"curves",
                        {{{"of", "hinge"}, {"what", "rotation_z_deg"}, {"keys", {{{"frame", 0}, {"value", 40}}}}},
                         {{"of", "nobody"}, {"what", "rotation_z_deg"}, {"keys", {{{"frame", 0}, {"value", 40}}}}}}}};
    const Result<StepResult> made =
        apply_step(scene, "hand_keys",
                   {{"clip", "take"}, {"keys", keys}, {"start", 5}, {"end", 25}, {"fade_in", 4}, {"fade_out", 4}});
    ASSERT_TRUE(made.ok());
    ASSERT_EQ(made->could_not.size(), 1U);
    EXPECT_NE(made->could_not[0].find("nobody"), std::string::npos);
    const auto turned = [&](double frame) {
        double was[4];
        double is[4];
        sample_channel(scene.clips[0].channels[0], frame / 30, was);
        sample_channel(made->scene.clips[0].channels.at(0), frame / 30, is);
        const Quat by = Quat(was[3], was[0], was[1], was[2]).conjugate() * Quat(is[3], is[0], is[1], is[2]);
        return by.angularDistance(Quat::Identity()) * 180 / M_PI;
    };
    EXPECT_NEAR(turned(2), 0, 1e-3);
    EXPECT_NEAR(turned(5), 0, 1e-3);
    EXPECT_NEAR(turned(7), 20, 1e-2) << "half of it after half of the fade";
    EXPECT_NEAR(turned(15), 40, 1e-3);
    EXPECT_NEAR(turned(25), 0, 1e-3);
    EXPECT_NEAR(turned(28), 0, 1e-3);
    const Result<StepResult> half = apply_step(scene, "hand_keys", {{"clip", "take"}, {"keys", keys}, {"weight", 0.5}});
    ASSERT_TRUE(half.ok());
    double was[4];
    double is[4];
    sample_channel(scene.clips[0].channels[0], 0.5, was);
    sample_channel(half->scene.clips[0].channels.at(0), 0.5, is);
    EXPECT_NEAR(Quat(was[3], was[0], was[1], was[2]).angularDistance(Quat(is[3], is[0], is[1], is[2])) * 180 / M_PI, 20,
                1e-3);
    EXPECT_FALSE(apply_step(scene, "hand_keys", {{"clip", "other"}, {"keys", keys}}).ok()) << "no such clip";
    const json nobodys = {
        {"curves", {{{"of", "nobody"}, {"what", "rotation_z_deg"}, {"keys", {{{"frame", 0}, {"value", 40}}}}}}}};
    const Result<StepResult> none = apply_step(scene, "hand_keys", {{"clip", "take"}, {"keys", nobodys}});
    ASSERT_TRUE(none.ok());
    EXPECT_EQ(none->could_not.size(), 1U);
    EXPECT_EQ(none->account.find(" of  "), std::string::npos) << none->account;
    EXPECT_TRUE(same_content(none->scene.clips[0].channels, scene.clips[0].channels));
}

TEST(PoseEdits, KeysLeadWhereAJointIsPutAtAnyWeightAndFade) {
    for (uint32_t seed = 1; seed < testing::share_of_seeds(60); ++seed) {
        std::mt19937 random(seed);
        Scene scene = testing::random_rig(seed, {});
        if (scene.clips.empty() || joints_of(scene).size() < 3) {
            continue;
        }
        const Clip& take = scene.clips[0];
        const double frame = std::floor(testing::drawn(random, 0, take.frames() - 1));
        Job job;
        const bool instead = random() % 2 == 0;
        const size_t place = add_key_layer(job, take.name, "layer", instead);
        job.steps[place].parameters["weight"] = seed % 3 == 0 ? 1.0 : testing::drawn(random, 0.3, 0.9);
        const auto posed = [&] {
            const Result<StepResult> made = apply_step(scene, "hand_keys", job.steps[place].parameters);
            EXPECT_TRUE(made.ok()) << made.problem().sentence();
            Pose pose;
            Poser(made->scene, made->scene.find_clip(take.name)).at(frame / take.rate, pose);
            return pose;
        };
        const std::vector<int> joints = joints_of(scene);
        const int joint = joints[random() % joints.size()];
        if (scene.find_node(scene.nodes[static_cast<size_t>(joint)].name) != joint) {
            continue; // two of one name: a layer speaks of the first
        }
        // Twice: the second time something is keyed there already.
        for (int round = 0; round < 2; ++round) {
            const Pose now = posed();
            PosedJoint wanted{joint, now.local[static_cast<size_t>(joint)]};
            wanted.is.rotation =
                (wanted.is.rotation * Quat(Eigen::AngleAxisd(testing::drawn(random, -0.6, 0.6),
                                                             Vec3(testing::drawn(random, -1, 1), 1, 0.3).normalized())))
                    .normalized();
            wanted.is.translation += Vec3(testing::drawn(random, -0.1, 0.1), 0.05, 0);
            const std::vector<std::string> done = key_pose(job, {place, frame, take.frames(), 1}, scene, now, {wanted});
            ASSERT_EQ(done.size(), 1U);
            const Transform is = posed().local[static_cast<size_t>(joint)];
            EXPECT_LT(is.rotation.angularDistance(wanted.is.rotation), 1e-4) << seed << " round " << round;
            EXPECT_LT((is.translation - wanted.is.translation).norm(), 1e-5) << seed << " round " << round;
        }
    }
}

TEST(PoseEdits, WhereALayerDoesNotCountNothingIsKeyed) {
    Scene scene = lid();
    Clip take;
    take.name = "take";
    take.seconds = 1;
    scene.clips.push_back(take);
    Job job;
    const size_t place = add_key_layer(job, "take", "layer", false);
    job.steps[place].parameters["start"] = 10;
    Pose now;
    Poser(scene, &scene.clips[0]).at(0, now);
    PosedJoint wanted{1, now.local[1]};
    wanted.is.rotation = wanted.is.rotation * Quat(Eigen::AngleAxisd(0.5, Vec3::UnitX()));
    EXPECT_TRUE(key_pose(job, {place, 5, 31, 1}, scene, now, {wanted}).empty());
    EXPECT_EQ(key_pose(job, {place, 12, 31, 1}, scene, now, {wanted}).size(), 1U);
    EXPECT_LT(blended(now, {wanted}, 0)[0].is.rotation.angularDistance(now.local[1].rotation), 1e-12);
    EXPECT_NEAR(blended(now, {wanted}, 0.5)[0].is.rotation.angularDistance(now.local[1].rotation), 0.25, 1e-9);
}

TEST(PoseMirror, TwiceIsThePoseItself) {
    for (uint32_t seed = 1; seed < testing::share_of_seeds(30); ++seed) {
        const Scene scene = testing::random_rig(seed, {});
        if (scene.clips.empty()) {
            continue;
        }
        Pose pose;
        Poser(scene, &scene.clips[0]).at(0.3, pose);
        const PoseMirror mirror(scene);
        Pose once = pose;
        const std::vector<Transform> made = mirror.mirrored(pose);
        for (size_t j = 0; j < made.size(); ++j) {
            once.local[static_cast<size_t>(mirror.joints()[j])] = made[j];
        }
        for (size_t n = 0; n < scene.nodes.size(); ++n) {
            const int parent = scene.nodes[n].parent;
            once.world[n] = parent < 0 ? once.local[n].matrix()
                                       : Mat4(once.world[static_cast<size_t>(parent)] * once.local[n].matrix());
        }
        const std::vector<Transform> twice = mirror.mirrored(once);
        for (size_t j = 0; j < twice.size(); ++j) {
            EXPECT_LT(twice[j].rotation.angularDistance(pose.local[static_cast<size_t>(mirror.joints()[j])].rotation),
                      1e-4) // a turn under a parent that scales is told within floats
                << seed;
        }
    }
}

TEST(HandKeys, TheAccountSaysHowFarWhatIsBakedIsFromTheCurves) {
    // A quarter of a sine's way in two frames: between them the straight line misses the curve.
    const json keys = {
        {"curves",
         {{{"of", "hinge"},
           {"what", "rotation_x_deg"},
           {"keys", {{{"frame", 0}, {"value", 0}}, {{"frame", 2}, {"value", 80}, {"tangent", "flat"}}}}}}}};
    const Result<StepResult> made = apply_step(
        lid(), "hand_keys", {{"new_clip", "swing"}, {"keys", keys}, {"mode", "instead"}, {"frames", 3}, {"rate", 30}});
    ASSERT_TRUE(made.ok());
    const Result<KeyLayer> layer = key_layer_from_json(keys, "");
    ASSERT_TRUE(layer.ok());
    double most = 0;
    for (const double frame : {0.25, 0.5, 0.75, 1.25, 1.5, 1.75}) {
        const double low = value_at((*layer)[0].curve, std::floor(frame));
        const double high = value_at((*layer)[0].curve, std::floor(frame) + 1);
        const double line = low + (high - low) * (frame - std::floor(frame));
        most = std::max(most, std::abs(line - value_at((*layer)[0].curve, frame)));
    }
    ASSERT_GT(most, 1);
    char expected[32];
    std::snprintf(expected, sizeof expected, "at most %.1f", most);
    EXPECT_NE(made->account.find(expected), std::string::npos) << made->account << ", not " << expected;
}

} // namespace
} // namespace wembrix
