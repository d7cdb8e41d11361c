// Measures on scenes whose answer is known: sampling, drift, bounds, sides, motion energy, still places, seams.
#include "core/math/angles.h"
#include "core/measure/clips/motion.h"
#include "core/measure/clips/sample.h"
#include "core/measure/clips/sample_frames.h"
#include "core/measure/clips/seam.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/drift.h"
#include "core/measure/scene/facing.h"
#include "core/measure/skeleton/joint_curve.h"
#include "core/measure/surface/coarser.h"
#include "core/measure/surface/deform.h"
#include "core/measure/surface/flat_triangles.h"
#include "core/measure/surface/weights.h"
#include "random_skin.h"
#include "small_scenes.h"

#include <Eigen/Geometry>
#include <array>
#include <cmath>
#include <gtest/gtest.h>
#include <random>
#include <set>

namespace wembrix::testing {
namespace {

Channel keyed(Interpolation interpolation, std::vector<float> times, std::vector<float> values, int width = 1,
              Path path = Path::weights) {
    Channel channel;
    channel.path = path;
    channel.interpolation = interpolation;
    channel.width = width;
    channel.times = std::move(times);
    channel.values = std::move(values);
    return channel;
}

double value_at(const Channel& channel, double seconds) {
    double value[4] = {};
    sample_channel(channel, seconds, value);
    return value[0];
}

TEST(Sample, StepHoldsUntilTheNextKey) {
    const Channel channel = keyed(Interpolation::step, {0, 1, 2}, {5, 7, 9});
    EXPECT_EQ(value_at(channel, -1), 5);
    EXPECT_EQ(value_at(channel, 0.999), 5);
    EXPECT_EQ(value_at(channel, 1), 7);
    EXPECT_EQ(value_at(channel, 99), 9);
}

TEST(Sample, LinearGoesStraightAndHoldsOutside) {
    const Channel channel = keyed(Interpolation::linear, {1, 3}, {10, 20});
    EXPECT_EQ(value_at(channel, 0), 10);
    EXPECT_DOUBLE_EQ(value_at(channel, 1.5), 12.5);
    EXPECT_EQ(value_at(channel, 4), 20);
}

TEST(Sample, CubicFollowsTheStandardsPolynomial) {
    // v(0)=0 leaving with slope 3, v(2)=4 arriving with slope -1: appendix C, by hand at a quarter.
    const Channel channel = keyed(Interpolation::cubic, {0, 2}, {0, 0, 3, -1, 4, 0});
    const double u = 0.25;
    const double by_hand =
        2 * (u * u * u - 2 * u * u + u) * 3 + (-2 * u * u * u + 3 * u * u) * 4 + 2 * (u * u * u - u * u) * -1;
    EXPECT_NEAR(value_at(channel, 0.5), by_hand, 1e-12);
    EXPECT_EQ(value_at(channel, 2), 4);
}

TEST(Sample, TurnsTakeTheShortWay) {
    const Quat a = Quat::Identity();
    Quat b(Eigen::AngleAxisd(pi / 2, Vec3::UnitY()));
    b.coeffs() *= -1; // the same turn, said the other way
    std::vector<float> values;
    for (const Quat& q : {a, b}) {
        for (int k = 0; k < 4; ++k) {
            values.push_back(static_cast<float>(q.coeffs()[k]));
        }
    }
    const Channel channel = keyed(Interpolation::linear, {0, 1}, values, 4, Path::rotation);
    double value[4];
    sample_channel(channel, 0.5, value);
    const Quat half(value[3], value[0], value[1], value[2]);
    EXPECT_NEAR(half.angularDistance(Quat(Eigen::AngleAxisd(pi / 4, Vec3::UnitY()))), 0, 1e-6);
    EXPECT_NEAR(half.norm(), 1, 1e-12);
}

TEST(Sample, NoKeysAndZeroTurnsAreHarmless) {
    EXPECT_EQ(value_at(keyed(Interpolation::linear, {}, {}), 1), 0);
    const Channel zero = keyed(Interpolation::linear, {0}, {0, 0, 0, 0}, 4, Path::rotation);
    double value[4];
    sample_channel(zero, 0, value);
    EXPECT_EQ(value[3], 1) << "a rotation of no length is none";
}

TEST(Bounds, OfTheCharacterNotOfTheSet) {
    Scene scene = tower({"root", "a", "b"});
    EXPECT_NEAR(height_m(scene), 2.5, 1e-6);
    Mesh wall;
    wall.positions = std::vector<Vec3f>{Vec3f(-50, 0, 0), Vec3f(50, 40, 0)};
    scene.meshes.push_back(wall);
    Node node;
    node.name = "wall";
    node.kind = NodeKind::surface;
    node.mesh = 1;
    scene.nodes.push_back(node);
    EXPECT_NEAR(height_m(scene), 2.5, 1e-6);
    EXPECT_NEAR(whole_bounds(scene).size().x(), 100, 1e-4);
    EXPECT_EQ(height_m(Scene()), 0);
    EXPECT_TRUE(character_bounds(Scene()).empty());
    Scene bones = tower({"root", "a"});
    bones.nodes.pop_back();
    EXPECT_NEAR(height_m(bones), 1, 1e-9) << "joints alone have a height too";
}

TEST(Drift, SaysWhereAndWhenItIsLargest) {
    Scene should = tower({"root", "a", "b"});
    add_nod(should, "nod", 1, 0.6, true);
    Scene is = should;
    // One key of the middle joint is off by a tenth of a radian.
    std::vector<float>& values = is.clips[0].channels[0].values.edit();
    const Quat off = Quat(values[43], values[40], values[41], values[42]) * Quat(Eigen::AngleAxisd(0.1, Vec3::UnitX()));
    for (int k = 0; k < 4; ++k) {
        values[40 + k] = static_cast<float>(off.coeffs()[k]);
    }
    const Drift drift = measure_drift_all(should, is, Matching::identity, Mat4::Identity());
    EXPECT_EQ(drift.clip, "nod");
    EXPECT_EQ(drift.frame, 10);
    // The topmost point is 1.5 m from the joint that turns.
    EXPECT_NEAR(drift.largest_mm, 2 * 1500 * std::sin(0.05), 0.1);
    EXPECT_EQ(drift.point, 8U);
    EXPECT_EQ(drift.per_frame_mm.size(), 31U);
    EXPECT_LT(drift.per_frame_mm[9], 1e-3);
    EXPECT_EQ(drift.points_compared, 9U);
}

TEST(Drift, FollowsRenamesDropsAndResizes) {
    const Scene should = tower({"root", "a", "b"});
    Scene is = should;
    is.nodes[1].name = "renamed";
    for (Node& node : is.nodes) {
        node.rest.translation *= 0.5;
    }
    for (Mesh& mesh : is.meshes) {
        transform_geometry(mesh, scaling(0.5));
    }
    for (Mat4& bind : is.skins[0].inverse_binds) {
        bind.topRightCorner<3, 1>() *= 0.5;
    }
    EXPECT_LT(measure_drift_all(should, is, Matching::identity, scaling(0.5)).largest_mm, 1e-3);
    EXPECT_GT(measure_drift_all(should, is, Matching::identity, Mat4::Identity()).largest_mm, 1000);
    EXPECT_EQ(measure_drift_all(should, is, Matching::name, scaling(0.5)).joints_compared, 2U);
}

TEST(Drift, WhatHasNoCounterpartIsSaid) {
    const Scene should = tower({"root", "a"});
    Scene is = should;
    is.meshes[0].positions.edit().pop_back();
    const Drift drift = measure_drift_all(should, is, Matching::identity, Mat4::Identity());
    ASSERT_EQ(drift.not_compared.size(), 1U);
    EXPECT_EQ(drift.not_compared[0], "tower");
    EXPECT_EQ(drift.points_compared, 0U);
}

TEST(Drift, APointThatIsNoNumberIsInfinitelyFar) {
    const Scene should = tower({"root"});
    Scene is = should;
    is.meshes[0].positions.edit()[1] = Vec3f(NAN, 0, 0);
    EXPECT_EQ(measure_drift_all(should, is, Matching::identity, Mat4::Identity()).largest_mm, HUGE_VAL);
}

TEST(Drift, CanBeStopped) {
    Scene scene = tower({"root", "a"});
    add_nod(scene, "nod", 1, 0.5, true, 200);
    DriftRequest request;
    Scene other = scene;
    other.clips[0].channels[0].values.edit(); // an array of its own: it is posed and compared
    request.should = &scene;
    request.should_clip = &scene.clips[0];
    request.is = &other;
    request.is_clip = &other.clips[0];
    request.frames = 200;
    int asked = 0;
    request.stop = [&] { return ++asked > 5; };
    EXPECT_EQ(measure_drift(request).per_frame_mm.size(), 5U);
}

TEST(Facing, SidesAreWordsNotLetters) {
    for (const char* name : {"LeftLeg", "leg_l", "l_leg", "rig:arm_L", "hand_left_01", "L_hand", "eye_l_02", "arm.L"}) {
        EXPECT_EQ(side_of(name), Side::left) << name;
    }
    for (const char* name : {"RightLeg", "leg_r", "R_hand", "hand.right"}) {
        EXPECT_EQ(side_of(name), Side::right) << name;
    }
    for (const char* name : {"spine", "tail", "collar", "root", "lower_neck", "ring", "all", ""}) {
        EXPECT_EQ(side_of(name), Side::middle) << name;
    }
}

TEST(Facing, IsLeftCrossUp) {
    Scene scene = tower({"root"});
    const auto add = [&](const std::string& name, const Vec3& place) {
        Node node;
        node.name = name;
        node.parent = 0;
        node.kind = NodeKind::joint;
        node.rest.translation = place;
        scene.nodes.push_back(node);
    };
    EXPECT_FALSE(facing_of(scene).has_value());
    add("arm_l", Vec3(0, 1, -0.4));
    add("arm_r", Vec3(0, 1, 0.4));
    ASSERT_TRUE(facing_of(scene).has_value());
    EXPECT_EQ(facing_of(scene)->axis, Axis::pos_x);
}

TEST(Holding, CountsPointsSharesAndIdleJoints) {
    Scene scene = tower({"root", "a", "b", "tip"});
    for (uint16_t& joint : influences_of(scene).joints.edit()) {
        joint = joint == 3 ? 2 : joint;
    }
    const std::vector<Holding> held = holding_of(scene);
    EXPECT_EQ(held[2].points, 6U);
    EXPECT_DOUBLE_EQ(held[2].weight, 6);
    EXPECT_DOUBLE_EQ(held[2].heaviest, 1);
    EXPECT_EQ(held[2].shared, 0U);
    EXPECT_EQ(held[3].points, 0U);
    EXPECT_EQ(idle_joints(scene), std::vector<int>{3});
    Node lamp;
    lamp.name = "lamp_place";
    lamp.parent = 3;
    lamp.kind = NodeKind::point;
    scene.nodes.push_back(lamp);
    EXPECT_TRUE(idle_joints(scene).empty()) << "an attachment point is something to carry";
}

TEST(Holding, WeightSumsAndInfluences) {
    Scene scene = tower({"root", "a"});
    std::vector<float>& weights = influences_of(scene).weights.edit();
    weights[0] = 0.9F;
    weights[1] = 0;
    weights[2] = 1.0005F;
    const WeightSums sums = weight_sums_of(influences_of(scene));
    EXPECT_EQ(sums.points, 2U);
    EXPECT_EQ(sums.unheld, 1U);
    EXPECT_FLOAT_EQ(static_cast<float>(sums.lowest), 0);
    EXPECT_EQ(points_with_more_than(influences_of(scene), 1), 0U);
    EXPECT_EQ(points_with_more_than(influences_of(scene), 0), 5U);
}

TEST(FlatTriangles, DoubledPointsAndNeedles) {
    Mesh mesh;
    mesh.positions = std::vector<Vec3f>{Vec3f(0, 0, 0), Vec3f(1, 0, 0), Vec3f(0, 1, 0), Vec3f(2, 0, 0)};
    mesh.indices = std::vector<uint32_t>{0, 1, 2, 0, 1, 1, 0, 1, 3};
    Primitive part;
    part.point_count = 4;
    part.index_count = 9;
    mesh.primitives = {part};
    EXPECT_EQ(flat_triangles(mesh), 2U);
}

TEST(Motion, EnergyIsTheSpeedOfWhatIsHeld) {
    // The upper half moves along X at 2 m/s; the lower stands. Each holds as much.
    Scene scene = tower({"root", "a"});
    Clip clip;
    clip.name = "slide";
    clip.rate = 30;
    clip.seconds = 1;
    Channel channel;
    channel.node = 1;
    channel.path = Path::translation;
    channel.width = 3;
    channel.times = std::vector<float>{0, 1};
    channel.values = std::vector<float>{0, 1, 0, 2, 1, 0};
    clip.channels.push_back(channel);
    const std::vector<float> energy = motion_energy(scene, clip, 30);
    ASSERT_EQ(energy.size(), 31U);
    for (const float one : energy) {
        EXPECT_NEAR(one, 1, 1e-4);
    }
    EXPECT_EQ(motion_energy(Scene(), clip, 30).size(), 31U);
}

TEST(Motion, StillPlacesAreRunsLongEnough) {
    const std::vector<float> energy = {0, 0, 0, 5, 0, 5, 0, 0, 0, 0, 5, 5, 0, 0};
    EXPECT_EQ(still_places(energy, 1, 2), (std::vector<FrameRange>{{0, 2}, {6, 9}, {12, 13}}));
    EXPECT_EQ(still_places(energy, 1, 4), (std::vector<FrameRange>{{6, 9}}));
    EXPECT_TRUE(still_places(energy, -1, 1).empty());
    EXPECT_EQ(still_places(energy, 9, 1), (std::vector<FrameRange>{{0, 13}}));
    EXPECT_TRUE(still_places({}, 1, 1).empty());
}

TEST(Clip, FramesOfAnyLengthCanBeCounted) {
    Clip clip;
    clip.seconds = 2;
    EXPECT_EQ(clip.frames(30), 61);
    clip.seconds = HUGE_VAL;
    EXPECT_GT(clip.frames(30), 1'000'000'000);
    clip.seconds = NAN;
    EXPECT_EQ(clip.frames(30), 1);
    clip.seconds = -5;
    EXPECT_EQ(clip.frames(30), 1);
}

TEST(Motion, CutsLieWhereAClipWouldBegin) {
    EXPECT_EQ(cut_places({{0, 20}, {40, 50}, {90, 99}}, 100), (std::vector<int>{20, 45, 90}));
    EXPECT_TRUE(cut_places({{0, 99}}, 100).empty()) << "a take that never moves";
}

TEST(Motion, TheThresholdTellsRestFromMotion) {
    std::vector<float> energy(100, 0.01F);
    std::fill(energy.begin() + 50, energy.end(), 1.0F);
    const double threshold = still_threshold(energy);
    EXPECT_GT(threshold, 0.01);
    EXPECT_LT(threshold, 1);
    EXPECT_EQ(still_threshold({}), 0);
}

TEST(Seam, ClosesWhenItComesBack) {
    Scene scene = tower({"root", "a", "b"});
    add_nod(scene, "loop", 1, 0.5, true);
    add_nod(scene, "open", 1, 0.5, false);
    const double height = height_m(scene);
    const Seam loop = measure_seam(scene, scene.clips[0], height);
    EXPECT_LT(loop.apart_mm, 1e-2);
    EXPECT_LT(loop.turned_deg, 1e-2);
    EXPECT_TRUE(loop.closes(height));
    EXPECT_FALSE(loop.travels);
    const Seam open = measure_seam(scene, scene.clips[1], height);
    // The topmost point is 1.5 m from the joint that turned half a radian.
    EXPECT_NEAR(open.apart_mm, 2 * 1500 * std::sin(0.25), 1);
    EXPECT_EQ(open.apart_at, "b");
    EXPECT_NEAR(open.turned_deg, 0.5 * 180 / pi, 0.01);
    EXPECT_EQ(open.turned_joint, "a");
    EXPECT_FALSE(open.closes(height));
}

TEST(Seam, TheWayOverTheGroundIsNoGap) {
    Scene scene = tower({"root", "a", "b"});
    Clip& walk = add_nod(scene, "walk", 1, 0.3, true);
    Channel way;
    way.node = 0;
    way.path = Path::translation;
    way.width = 3;
    way.times = std::vector<float>{0, 1};
    way.values = std::vector<float>{0, 0, 0, 0, 0, 1.4F};
    walk.channels.push_back(way);
    const double height = height_m(scene);
    const Seam seam = measure_seam(scene, scene.clips[0], height);
    EXPECT_TRUE(seam.travels);
    EXPECT_NEAR(seam.travel_m, 1.4, 1e-4);
    EXPECT_LT(seam.apart_mm, 0.05);
    // Up is no way over the ground.
    scene.clips[0].channels[1].values = std::vector<float>{0, 0, 0, 0, 1.4F, 0};
    EXPECT_NEAR(measure_seam(scene, scene.clips[0], height).apart_mm, 1400, 1);
}

TEST(Seam, FindsTheFrameThatClosesBest) {
    // It comes back at frame 20 and then nods on: the clip was cut six frames too late.
    Scene scene = tower({"root", "a", "b"});
    Clip& clip = add_nod(scene, "late", 1, 0.5, true, 21);
    const std::vector<float> once = clip.channels[0].values.get();
    std::vector<float> values = once;
    std::vector<float> times = clip.channels[0].times.get();
    for (int f = 1; f <= 20; ++f) {
        times.push_back(static_cast<float>((20 + f) / 30.0));
        values.insert(values.end(), once.begin() + f * 4, once.begin() + f * 4 + 4);
    }
    clip.channels[0].times = times;
    clip.channels[0].values = values;
    clip.seconds = 26 / 30.0;
    const double height = height_m(scene);
    EXPECT_FALSE(measure_seam(scene, clip, height).closes(height));
    const std::optional<Closing> closing = nearest_closing(scene, clip, height, 40 / 30.0);
    ASSERT_TRUE(closing.has_value());
    EXPECT_EQ(closing->frame, 20);
    EXPECT_TRUE(closing->seam.closes(height));
    // Where the take ends before that, it is not offered.
    EXPECT_LE(nearest_closing(scene, clip, height, 19 / 30.0).value_or(Closing{0, {}}).frame, 19);
}

TEST(Deform, OnlySomeSurfacesAndNoWeightsLeftOver) {
    Scene scene = tower({"root", "a"});
    influences_of(scene).weights.edit()[3] = 0.5F; // sums to a half: divided by it
    Deformer deformer(scene, {scene.find_node("tower")});
    std::vector<Vec3f> points(deformer.point_count());
    deformer.points(Poser(scene, nullptr).rest(), points);
    EXPECT_LT((points[3] - scene.meshes[0].positions[3]).norm(), 1e-6);
}

std::vector<Vec3f> points_at(const Scene& scene, const Clip* clip, double seconds) {
    Deformer deformer(scene);
    Pose pose;
    Poser(scene, clip).at(seconds, pose);
    std::vector<Vec3f> points(deformer.point_count());
    deformer.points(pose, points);
    return points;
}

TEST(Coarser, FewerOfTheScenesOwnVerticesMoveAsTheyDid) {
    for (uint32_t seed = 0; seed < 6; ++seed) {
        SkinOptions options;
        options.influences = 4;
        const Scene scene = random_skin(seed, options);
        const size_t all = scene.meshes[0].point_count();
        const Scene few = coarser(scene, all / 3);
        EXPECT_LT(few.meshes[0].point_count(), all / 2) << seed;
        EXPECT_GT(few.meshes[0].point_count(), all / 12) << seed;
        EXPECT_GT(few.meshes[0].triangle_count(), 0U);
        for (const Primitive& primitive : few.meshes[0].primitives) {
            std::set<std::array<uint32_t, 3>> there;
            for (const std::array<uint32_t, 3>& triangle : triangles_of(few.meshes[0], primitive)) {
                EXPECT_TRUE(triangle[0] != triangle[1] && triangle[1] != triangle[2] && triangle[2] != triangle[0]);
                EXPECT_TRUE(there.insert(triangle).second) << "none twice";
            }
        }
        ASSERT_FALSE(scene.clips.empty());
        const auto as_set = [](const std::vector<Vec3f>& points) {
            std::set<std::array<float, 3>> set;
            for (const Vec3f& at : points) {
                set.insert({at.x(), at.y(), at.z()});
            }
            return set;
        };
        const double half = scene.clips[0].seconds / 2;
        const auto moved = as_set(points_at(scene, &scene.clips[0], half));
        for (const std::array<float, 3>& at : as_set(points_at(few, &few.clips[0], half))) {
            ASSERT_EQ(moved.count(at), 1U) << "each is where the scene's own is";
        }
        const auto box = [](const std::vector<Vec3f>& points) {
            Eigen::AlignedBox3f all_of;
            for (const Vec3f& at : points) {
                all_of.extend(at);
            }
            return all_of;
        };
        const Eigen::AlignedBox3f before = box(points_at(scene, nullptr, 0));
        const Eigen::AlignedBox3f after = box(points_at(few, nullptr, 0));
        EXPECT_LT((before.sizes() - after.sizes()).maxCoeff(), before.sizes().maxCoeff() * 0.3F);
        EXPECT_EQ(coarser(scene, all).meshes[0].point_count(), all) << "few enough already";
    }
}

TEST(Coarser, ShapesColoursAndPartsStayWithTheirVertices) {
    Scene scene = tower({"root", "spine", "head"});
    Mesh& mesh = scene.meshes[0];
    std::vector<float> colours;
    MorphTarget wide;
    wide.name = "wide";
    std::vector<uint32_t> points;
    std::vector<Vec3f> differences;
    for (uint32_t v = 0; v < mesh.point_count(); ++v) {
        colours.insert(colours.end(), {static_cast<float>(v), 0, 0});
        points.push_back(v);
        differences.emplace_back(static_cast<float>(v), 1, 0);
    }
    mesh.attributes = {{"COLOR_0", 3, colours}, {"TEXCOORD_0", 2, std::vector<float>(mesh.point_count() * 2, 0.5F)}};
    wide.points = points;
    wide.positions = differences;
    mesh.shapes = {wide};
    for (Primitive& primitive : mesh.primitives) {
        primitive.attributes = {"COLOR_0", "TEXCOORD_0"};
    }
    const Scene few = coarser(scene, mesh.point_count() / 2);
    const Mesh& less = few.meshes[0];
    ASSERT_LT(less.point_count(), mesh.point_count());
    ASSERT_EQ(less.attributes.size(), 1U);
    ASSERT_EQ(less.shapes.size(), 1U);
    EXPECT_EQ(less.primitives.size(), mesh.primitives.size());
    for (size_t v = 0; v < less.point_count(); ++v) {
        const auto was = static_cast<uint32_t>(less.attributes[0].data[v * 3]);
        EXPECT_EQ(less.positions[v], mesh.positions[was]);
        EXPECT_EQ(less.shapes[0].positions[v].x(), static_cast<float>(was));
    }
}

TEST(Sampling, TurnsBetweenKeysAreThoseOfTheSlerp) {
    for (int degree = 0; degree < 180; ++degree) {
        for (const double part : {0.001, 0.37, 1.0}) {
            const Quat a(Eigen::AngleAxisd(0.4, Vec3(1, 2, 3).normalized()));
            const Quat b =
                a * Quat(Eigen::AngleAxisd((degree + part) * radians_per_degree, Vec3(3, -1, 1).normalized()));
            Channel channel;
            channel.path = Path::rotation;
            channel.width = 4;
            channel.times = std::vector<float>{0, 1};
            std::vector<float> values;
            for (const Quat& q : {a, b}) {
                const Eigen::Vector4f v = q.coeffs().cast<float>();
                values.insert(values.end(), v.data(), v.data() + 4);
            }
            channel.values = values;
            const auto key = [&](size_t i) {
                return Quat(values[i + 3], values[i], values[i + 1], values[i + 2]).normalized();
            };
            for (const double u : {0.1, 0.5, 0.83}) {
                double out[4];
                sample_channel(channel, u, out);
                const Quat told(out[3], out[0], out[1], out[2]);
                EXPECT_LT((told.coeffs() - key(0).slerp(u, key(4)).coeffs()).norm(), 1e-10) << degree << " " << u;
            }
        }
    }
}

TEST(JointCurve, SaysHowFarAJointIsFromItsRest) {
    Scene scene = tower({"root", "arm", "hand"});
    scene.nodes[1].rest.rotation = Quat(Eigen::AngleAxisd(0.7, Vec3::UnitZ()));
    scene.nodes[1].rest.scale = Vec3(2, 2, 2);
    Clip& clip = add_nod(scene, "round", 1, 0, false, 61);
    // Two whole rounds about the joint's own Y, one a second, from where it rests; and a push along X.
    for (size_t f = 0; f <= 60; ++f) {
        const Quat turn =
            scene.nodes[1].rest.rotation * Quat(Eigen::AngleAxisd(2 * pi * static_cast<double>(f) / 30, Vec3::UnitY()));
        std::copy_n(turn.coeffs().cast<float>().eval().data(), 4, clip.channels[0].values.edit().data() + f * 4);
    }
    Channel push;
    push.node = 1;
    push.path = Path::translation;
    push.times = std::vector<float>{0, 2};
    push.values = std::vector<float>{0, 1, 0, 0.5F, 1, 0};
    clip.channels.push_back(push);
    const JointCurve turn = joint_curve(scene, clip, 1, Path::rotation, 0, 2, 241);
    ASSERT_EQ(turn.values[1].size(), 241U);
    EXPECT_EQ(turn.key_s.size(), 61U);
    for (size_t i = 0; i <= 240; ++i) {
        EXPECT_NEAR(turn.values[1][i], 720.0 * static_cast<double>(i) / 240, 0.05)
            << "it goes on past half and whole rounds";
        EXPECT_NEAR(turn.values[0][i], 0, 0.05);
        EXPECT_NEAR(turn.values[2][i], 0, 0.05);
    }
    const JointCurve place = joint_curve(scene, clip, 1, Path::translation, 0.5, 1, 3);
    EXPECT_NEAR(place.values[0][0], 0.125, 1e-6);
    EXPECT_NEAR(place.values[0][2], 0.375, 1e-6);
    EXPECT_NEAR(place.values[1][1], 0, 1e-6) << "from rest, a metre up";
    EXPECT_TRUE(place.key_s.empty()) << "both keys lie outside the part";
    EXPECT_TRUE(place.keyed);
    const JointCurve scale = joint_curve(scene, clip, 1, Path::scale, 0, 2, 2);
    EXPECT_FALSE(scale.keyed);
    EXPECT_EQ(scale.values[0][1], 1) << "the rest's own";
    // A cut begins in the middle of the keys.
    clip.start_s = 1;
    clip.seconds = 1;
    EXPECT_NEAR(joint_curve(scene, clip, 1, Path::translation, 0, 1, 2).values[0][0], 0.25, 1e-6);
    EXPECT_NEAR(joint_curve(scene, clip, 1, Path::rotation, 0, 1, 2).key_s[3], 0.1, 1e-6);
}

TEST(Sample, ManyFramesAtOnceAreWhatOneByOneIs) {
    std::mt19937 random(7);
    const auto any = [&](double least, double most) {
        return std::uniform_real_distribution<double>(least, most)(random);
    };
    for (int round = 0; round < 60; ++round) {
        Channel channel;
        channel.path = Path::rotation;
        channel.width = 4;
        channel.interpolation = round % 5 == 3 ? Interpolation::step : Interpolation::linear;
        std::vector<float> times;
        std::vector<float> values;
        double at = any(-0.5, 0.5);
        const double step = round % 3 == 0 ? 3.0 : 0.1; // keys far from one another, and near
        Quat turn = Quat::Identity();
        for (int key = 0; key < 40; ++key) {
            times.push_back(static_cast<float>(at));
            at += any(0.0, 0.08);
            turn = turn * Quat(Eigen::AngleAxisd(any(-step, step), Vec3(any(-1, 1), any(-1, 1), 1).normalized()));
            const double length = key == 11 && round % 4 == 0 ? 0 : any(0.5, 2) * (random() % 2 == 0 ? 1 : -1);
            for (int k = 0; k < 4; ++k) {
                values.push_back(static_cast<float>(turn.coeffs()[k] * length)); // some no turn at all
            }
        }
        channel.times = times;
        channel.values = values;
        constexpr int frames = 150;
        std::vector<float> all;
        sample_frames(channel, Moments(channel.times, -0.7, 47.3, frames), all);
        ASSERT_EQ(all.size(), size_t{frames} * 4);
        for (int f = 0; f < frames; ++f) {
            double one[4];
            sample_channel(channel, -0.7 + f / 47.3, one);
            const float* here = &all[static_cast<size_t>(f) * 4];
            double same = 0;
            double before = 0;
            double length = 0;
            for (int k = 0; k < 4; ++k) {
                same += one[k] * static_cast<double>(here[k]);
                length += static_cast<double>(here[k]) * here[k];
                before += f > 0 ? static_cast<double>(here[k]) * here[k - 4] : 1;
            }
            EXPECT_NEAR(std::abs(same), 1, 2e-7) << "round " << round << " frame " << f;
            EXPECT_NEAR(length, 1, 1e-6);
            EXPECT_GE(before, 0) << "turns keep one sign";
        }
    }
}

} // namespace
} // namespace wembrix::testing
