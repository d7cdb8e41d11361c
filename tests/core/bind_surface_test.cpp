// First weights: every method holds every vertex, by joints that may, and by none that only lies near.
#include "core/job/card_findings.h"
#include "core/job/job.h"
#include "core/job/replay.h"
#include "core/measure/surface/deform.h"
#include "core/measure/surface/first_weights.h"
#include "core/measure/surface/heat_weights.h"
#include "core/measure/surface/rest_places.h"
#include "core/measure/surface/surface_mirror.h"
#include "core/measure/surface/volume_weights.h"
#include "core/measure/surface/weights.h"
#include "core/plan/guide_rows.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "random_skin.h"
#include "tansy_scene.h"
#include "tubes.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <map>
#include <mutex>

namespace wembrix {
namespace {

constexpr const char* methods[] = {"nearest", "heat", "volume"};

/// Two legs side by side, a finger's breadth apart, each a closed tube around a thigh and a shank, under one root.
Scene two_legs(bool open = false) {
    Scene scene;
    const auto joint = [&](const char* name, int parent, const Vec3& at) {
        Node node;
        node.name = name;
        node.kind = NodeKind::joint;
        node.parent = parent;
        node.identity = static_cast<int64_t>(scene.nodes.size()) + 1;
        node.rest.translation = at;
        scene.nodes.push_back(node);
        return static_cast<int>(scene.nodes.size()) - 1;
    };
    const int root = joint("root", -1, Vec3::Zero());
    const int hips = joint("hips", root, Vec3(0, 1, 0));
    for (const double side : {1.0, -1.0}) {
        const std::string end = side > 0 ? "_l" : "_r";
        const int thigh = joint(("thigh" + end).c_str(), hips, Vec3(side * 0.11, -0.05, 0));
        const int shank = joint(("shank" + end).c_str(), thigh, Vec3(0, -0.45, 0));
        joint(("ankle" + end).c_str(), shank, Vec3(0, -0.45, 0));
    }
    Mesh mesh;
    mesh.name = "legs";
    std::vector<Vec3f> places;
    std::vector<uint32_t> indices;
    constexpr uint32_t around = 16;
    constexpr uint32_t rings = 30;
    for (const float side : {1.0F, -1.0F}) {
        const auto first = static_cast<uint32_t>(places.size());
        for (uint32_t r = 0; r <= rings; ++r) {
            for (uint32_t a = 0; a < around; ++a) {
                const float angle = 2 * static_cast<float>(M_PI) * static_cast<float>(a) / around;
                places.emplace_back(side * 0.11F + 0.1F * std::cos(angle),
                                    0.97F - 0.95F * static_cast<float>(r) / rings, 0.1F * std::sin(angle));
            }
        }
        const auto at = [&](uint32_t r, uint32_t a) { return first + r * around + a % around; };
        for (uint32_t r = 0; r < rings; ++r) {
            for (uint32_t a = 0; a < around; ++a) {
                indices.insert(indices.end(), {at(r, a), at(r, a + 1), at(r + 1, a + 1)});
                indices.insert(indices.end(), {at(r, a), at(r + 1, a + 1), at(r + 1, a)});
            }
        }
        for (uint32_t a = 1; a + 1 < around && !open; ++a) {
            indices.insert(indices.end(), {at(0, 0), at(0, a + 1), at(0, a)});
            indices.insert(indices.end(), {at(rings, 0), at(rings, a), at(rings, a + 1)});
        }
    }
    Primitive primitive;
    primitive.point_count = static_cast<uint32_t>(places.size());
    primitive.index_count = static_cast<uint32_t>(indices.size());
    primitive.has_normals = false;
    mesh.primitives.push_back(primitive);
    mesh.positions = std::move(places);
    mesh.indices = std::move(indices);
    scene.meshes.push_back(std::move(mesh));
    Node body;
    body.name = "legs";
    body.kind = NodeKind::surface;
    body.mesh = 0;
    body.identity = 100;
    scene.nodes.push_back(body);
    return scene;
}

/// Weights of the surface by the names of joints, one map a vertex.
std::vector<std::map<std::string, double>> weights_in(const Scene& scene, int surface) {
    const Node& node = scene.nodes[static_cast<size_t>(surface)];
    std::vector<std::map<std::string, double>> all;
    WeightRow row;
    for (size_t v = 0; v + 1 < node.influences.offsets.size(); ++v) {
        read_row(node.influences, v, row);
        all.emplace_back();
        for (const Weight& one : row) {
            const int joint = scene.skins[static_cast<size_t>(node.skin)].joints[one.joint];
            all.back()[scene.nodes[static_cast<size_t>(joint)].name] = one.weight;
        }
    }
    return all;
}

Scene bound(const Scene& scene, nlohmann::json parameters) {
    const Result<StepResult> result = apply_step(scene, "bind_surface", parameters);
    EXPECT_TRUE(result.ok()) << (result.ok() ? "" : result.problem().sentence());
    EXPECT_TRUE(!result.ok() || result->could_not.empty()) << result->could_not.front();
    return result.ok() ? result->scene : scene;
}

TEST(BindSurface, ALegIsHeldByItsOwnJointsHoweverNearTheOtherOneIs) {
    for (const bool open : {false, true}) {
        const Scene scene = two_legs(open);
        const int body = surfaces_of(scene)[0];
        for (const char* method : methods) {
            const Scene made = bound(scene, {{"method", method}});
            const std::vector<Vec3f> places = rest_places(scene, body);
            const auto weights = weights_in(made, body);
            ASSERT_EQ(weights.size(), places.size());
            for (size_t v = 0; v < weights.size(); ++v) {
                const std::string own = places[v].x() > 0 ? "_l" : "_r";
                double sum = 0;
                for (const auto& [joint, weight] : weights[v]) {
                    EXPECT_TRUE(joint.ends_with(own) || joint == "hips") << method << " " << joint << " " << v;
                    EXPECT_NE(joint, "root");
                    EXPECT_FALSE(joint.starts_with("ankle")) << "an end";
                    sum += weight;
                }
                EXPECT_LE(weights[v].size(), 4U);
                EXPECT_NEAR(sum, 1, 1e-6) << method << " " << v;
                // Well inside a bone's half of the leg that bone has most.
                const float y = places[v].y();
                if (y > 0.62F && y < 0.8F) {
                    EXPECT_GT(weights[v].count("thigh" + own), 0U) << method << " " << y;
                    EXPECT_GT(weights[v].at("thigh" + own), 0.6) << method << " " << y;
                } else if (y < 0.38F && y > 0.1F) {
                    EXPECT_GT(weights[v].count("shank" + own), 0U) << method << " " << y;
                    EXPECT_GT(weights[v].at("shank" + own), 0.6) << method << " " << y;
                }
            }
        }
    }
}

TEST(BindSurface, AcrossTheKneeWeightsGoOverEvenly) {
    const Scene scene = two_legs();
    const int body = surfaces_of(scene)[0];
    const std::vector<Vec3f> places = rest_places(scene, body);
    for (const char* method : methods) {
        const auto weights = weights_in(bound(scene, {{"method", method}}), body);
        // Down one line of vertices the thigh's weight only falls, and no step is a leap.
        double before = 1;
        for (size_t r = 8; r <= 26; ++r) {
            const auto& row = weights[r * 16 + 4];
            const auto thigh = row.find("thigh_l");
            const double now = thigh == row.end() ? 0 : thigh->second;
            EXPECT_LE(now, before + 0.02) << method << " ring " << r;
            EXPECT_GT(now, before - 0.45) << method << " ring " << r;
            before = now;
        }
        EXPECT_LT(before, 0.1) << method;
    }
}

TEST(BindSurface, HeatIsTheBalanceThatThePaperSays) {
    const Scene scene = two_legs();
    const int body = surfaces_of(scene)[0];
    const std::vector<Vec3f> places = rest_places(scene, body);
    BoneWeightRequest request{joints_that_hold(scene, false), 8, 4, {}, {}};
    const BoneWeights heat = weights_by_heat(scene, scene.meshes[0], places, request);
    EXPECT_TRUE(heat.unreached.empty());
    ASSERT_EQ(heat.rows.size(), places.size());
    // Both legs are alike, and so is what their rings hold in the mean; only their caps are cut otherwise.
    const size_t half = places.size() / 2;
    const auto of_thigh = [&](size_t first, const char* thigh) {
        double sum = 0;
        for (size_t a = 0; a < 16; ++a) {
            for (const Weight& one : heat.rows[first + a]) {
                const int joint = request.joints[one.joint];
                sum += scene.nodes[static_cast<size_t>(joint)].name == thigh ? one.weight : 0;
            }
        }
        return sum / 16;
    };
    for (size_t r = 8; r <= 27; ++r) {
        EXPECT_NEAR(of_thigh(r * 16, "thigh_l"), of_thigh(half + r * 16, "thigh_r"), 0.01) << r;
    }
    // In the middle of the knee both bones are as near: the balance is one half.
    EXPECT_NEAR((of_thigh(14 * 16, "thigh_l") + of_thigh(15 * 16, "thigh_l")) / 2, 0.5, 0.1);
    EXPECT_NEAR(heat.farthest_m, 0.1, 0.06);
}

TEST(BindSurface, NothingMovesAtRestWhateverStandsAboveTheSurface) {
    for (uint32_t seed = 1; seed <= 3; ++seed) {
        Scene scene = testing::random_skin(seed);
        const int body = surfaces_of(scene)[0];
        const std::vector<Vec3f> before = rest_places(scene, body);
        Node& node = scene.nodes[static_cast<size_t>(body)];
        node.skin = -1;
        node.influences = {};
        node.parent = -1;
        node.rest.translation = Vec3(0.2, -1, 3);
        node.rest.rotation = Quat(Eigen::AngleAxisd(0.3 * seed, Vec3(1, 1, 0).normalized()));
        node.rest.scale = Vec3(2, 2, 2);
        const std::vector<Vec3f> placed = rest_places(scene, body);
        for (const char* method : methods) {
            const Scene made = apply_step(scene, "bind_surface", {{"method", method}})->scene;
            const std::vector<Vec3f> after = rest_places(made, body);
            for (size_t v = 0; v < placed.size(); ++v) {
                ASSERT_LT((after[v] - placed[v]).norm(), 1e-5F) << method;
            }
        }
    }
}

TEST(BindSurface, RandomBodiesAreHeldWithinTheLimitByEveryMethod) {
    for (uint32_t seed = 1; seed <= std::min<uint32_t>(25, testing::seeds() / 2); ++seed) {
        const Scene scene = testing::random_skin(seed);
        const int body = surfaces_of(scene)[0];
        const int most = 1 + static_cast<int>(seed % 4);
        for (const char* method : methods) {
            const Result<StepResult> result =
                apply_step(scene, "bind_surface", {{"method", method}, {"surfaces", {"*"}}, {"max_influences", most}});
            ASSERT_TRUE(result.ok()) << method << " " << seed;
            const Influences& rows = result->scene.nodes[static_cast<size_t>(body)].influences;
            ASSERT_EQ(rows.offsets.size(), scene.meshes[0].point_count() + 1);
            EXPECT_LE(rows.largest_row(), static_cast<size_t>(most));
            for (size_t v = 0; v + 1 < rows.offsets.size(); ++v) {
                double sum = 0;
                for (uint32_t k = rows.offsets[v]; k < rows.offsets[v + 1]; ++k) {
                    EXPECT_GT(rows.weights[k], 0);
                    sum += rows.weights[k];
                }
                ASSERT_NEAR(sum, 1, 1e-6) << method << " " << seed << " " << v;
            }
        }
    }
}

TEST(BindSurface, KeepsWhatIsHeldAndMakesPiecesRigidIfAsked) {
    Scene scene = bound(two_legs(), {{"method", "nearest"}});
    const int body = surfaces_of(scene)[0];
    const auto before = weights_in(scene, body);
    // The first hundred vertices lose theirs.
    Influences& rows = scene.nodes[static_cast<size_t>(body)].influences;
    InfluencesBuilder builder(rows.offsets.size() - 1);
    for (size_t v = 0; v + 1 < rows.offsets.size(); ++v) {
        if (v < 100) {
            builder.add({});
        } else {
            builder.copy(rows, v);
        }
    }
    rows = builder.take();
    const auto after =
        weights_in(bound(scene, {{"method", "volume"}, {"surfaces", {"legs"}}, {"keep", "weighted"}}), body);
    for (size_t v = 0; v < after.size(); ++v) {
        EXPECT_FALSE(after[v].empty());
        if (v >= 100) {
            EXPECT_EQ(after[v], before[v]);
        }
    }
    const auto rigid = weights_in(bound(two_legs(), {{"method", "heat"}, {"rigid_pieces", true}}), body);
    for (const auto& row : rigid) {
        ASSERT_EQ(row.size(), 1U);
    }
    EXPECT_EQ(rigid.front(), rigid[100]) << "one joint for one leg";
    EXPECT_NE(rigid.front(), rigid.back()) << "and another for the other";
    EXPECT_FALSE(apply_step(Scene(), "bind_surface", nlohmann::json::object()).ok()) << "nothing to bind to";
}

TEST(BindSurface, ChosenVerticesKeepTheWeightsThatTheyHave) {
    const Scene scene = bound(two_legs(), {{"method", "nearest"}, {"max_influences", 1}});
    const int body = surfaces_of(scene)[0];
    const auto before = weights_in(scene, body);
    const nlohmann::json asked = {{"method", "heat"}, {"surfaces", {"legs"}}, {"keep_vertices", {"7", "20-59"}}};
    const auto after = weights_in(bound(scene, asked), body);
    const auto fresh = weights_in(bound(scene, {{"method", "heat"}, {"surfaces", {"legs"}}}), body);
    size_t others = 0;
    for (size_t v = 0; v < after.size(); ++v) {
        const bool kept = v == 7 || (v >= 20 && v <= 59);
        EXPECT_EQ(after[v], kept ? before[v] : fresh[v]) << v;
        others += before[v] != fresh[v] ? 1 : 0;
    }
    EXPECT_GT(others, 50U) << "else it would not show";
    // A vertex without weights gets some, whatever was asked.
    EXPECT_EQ(weights_in(bound(two_legs(), asked), body), fresh);
    const auto wrong = apply_step(scene, "bind_surface", {{"keep_vertices", {"9-7"}}});
    ASSERT_FALSE(wrong.ok());
    EXPECT_NE(wrong.problem().what.find("20-31"), std::string::npos) << wrong.problem().what;
}

TEST(BindSurface, MotionOfTheSurfaceItselfDoesNotGoUnsaid) {
    Scene scene = two_legs();
    EXPECT_TRUE(apply_step(scene, "bind_surface", nlohmann::json::object())->could_not.empty());
    Clip clip;
    clip.name = "hop";
    clip.seconds = 1;
    clip.channels.push_back({surfaces_of(scene)[0],
                             Path::translation,
                             Interpolation::linear,
                             3,
                             std::vector<float>{0, 1},
                             std::vector<float>{0, 0, 0, 0, 1, 0},
                             {}});
    scene.clips.push_back(clip);
    const Result<StepResult> result = apply_step(scene, "bind_surface", nlohmann::json::object());
    ASSERT_TRUE(result.ok());
    ASSERT_EQ(result->could_not.size(), 1U);
    EXPECT_NE(result->could_not[0].find("legs"), std::string::npos);
}

TEST(BindSurface, WhatSeesNoBoneIsSaidAndStillHeld) {
    Scene scene = two_legs();
    // A crate ten metres away: all bones lie behind the legs from there, or behind its own walls.
    Hull box;
    box.kind = Hull::Kind::box;
    box.half_size = Vec3(0.2, 0.2, 0.2);
    box.frame = translating(Vec3(10, 0, 0));
    const HullShell shell = shell_of(box);
    Mesh& mesh = scene.meshes[0];
    std::vector<Vec3f> places = mesh.positions.get();
    std::vector<uint32_t> indices = mesh.indices.get();
    const auto first = static_cast<uint32_t>(places.size());
    places.insert(places.end(), shell.points.begin(), shell.points.end());
    for (const uint32_t index : shell.indices) {
        indices.push_back(first + index);
    }
    mesh.primitives[0].point_count = static_cast<uint32_t>(places.size());
    mesh.primitives[0].index_count = static_cast<uint32_t>(indices.size());
    mesh.positions = std::move(places);
    mesh.indices = std::move(indices);
    for (const char* method : {"heat", "volume"}) {
        const Result<StepResult> result = apply_step(scene, "bind_surface", {{"method", method}});
        ASSERT_TRUE(result.ok());
        ASSERT_EQ(result->could_not.size(), 1U) << method;
        ASSERT_EQ(result->left_vertices.size(), 1U) << method;
        const std::vector<uint32_t>& left = result->left_vertices[0].vertices;
        EXPECT_EQ(left.size(), shell.points.size()) << "the crate, all of it";
        EXPECT_EQ(left.front(), first);
        // They are shown where they are.
        const std::vector<Finding> findings = card_findings(
            replay(std::make_shared<const Scene>(scene), {Step{"bind_surface", {{"method", method}}}}), {});
        const auto found = std::find_if(findings.begin(), findings.end(),
                                        [](const Finding& one) { return one.id == "unreached_vertices"; });
        ASSERT_NE(found, findings.end());
        EXPECT_EQ(found->vertices, left);
        const auto weights = weights_in(result->scene, surfaces_of(scene)[0]);
        for (const auto& row : weights) {
            EXPECT_FALSE(row.empty()) << method;
        }
    }
}

TEST(BindSurface, ASurfaceInsideAnotherIsReachedThroughIt) {
    // An eye has no bone in itself: the volume is that of all surfaces together.
    Scene scene = two_legs();
    const std::vector<Mat4> rest = rest_world(scene);
    const int knee = scene.find_node("shank_l");
    ASSERT_GE(knee, 0);
    Hull box;
    box.kind = Hull::Kind::box;
    box.half_size = Vec3(0.01, 0.01, 0.01);
    box.frame =
        translating(point_of(rest[static_cast<size_t>(knee)], Vec3::Zero()) + Vec3(0.05, -0.1, 0)); // beside the bone
    const HullShell shell = shell_of(box);
    Mesh mesh;
    mesh.name = "pebble";
    mesh.positions = std::vector<Vec3f>(shell.points.begin(), shell.points.end());
    mesh.indices = std::vector<uint32_t>(shell.indices.begin(), shell.indices.end());
    Primitive part;
    part.point_count = static_cast<uint32_t>(shell.points.size());
    part.index_count = static_cast<uint32_t>(shell.indices.size());
    mesh.primitives.push_back(part);
    Node node;
    node.name = "pebble";
    node.kind = NodeKind::surface;
    node.identity = 500;
    node.mesh = static_cast<int>(scene.meshes.size());
    scene.meshes.push_back(std::move(mesh));
    scene.nodes.push_back(node);
    const Result<StepResult> bound = apply_step(scene, "bind_surface", {{"method", "volume"}});
    ASSERT_TRUE(bound.ok());
    EXPECT_TRUE(bound->left_vertices.empty()) << bound->could_not.front();
    for (const auto& row : weights_in(bound->scene, bound->scene.find_node("pebble"))) {
        double left = 0;
        for (const auto& [joint, weight] : row) {
            left += joint.ends_with("_l") ? weight : 0;
        }
        EXPECT_GT(left, 0.99);
    }
}

TEST(BindSurface, SaysHowFarItIsAndStopsWhereItIsTold) {
    const Scene scene = two_legs();
    for (const char* method : {"heat", "volume"}) {
        const std::vector<Step> steps = {Step{"bind_surface", {{"method", method}}}};
        std::mutex guard;
        std::vector<double> shares;
        ReplayWatch watch;
        watch.progress = [&](size_t step, double share) {
            const std::lock_guard lock(guard);
            EXPECT_EQ(step, 0U);
            shares.push_back(share);
        };
        LoadedSources sources;
        sources.received = std::make_shared<const Scene>(scene);
        const Replay whole = replay(sources, steps, watch);
        EXPECT_TRUE(whole.problems().empty());
        ASSERT_GT(shares.size(), 4U) << method;
        EXPECT_EQ(shares.front(), 0);
        EXPECT_NEAR(*std::max_element(shares.begin(), shares.end()), 1, 1e-9);
        watch.stop = [&] { return shares.size() > 2; };
        shares.clear();
        const Replay stopped = replay(sources, steps, watch);
        EXPECT_FALSE(stopped.problems().empty()) << "it is not to be used";
    }
}

/// Tansy with her take, whose body somebody has weighted by hand.
Scene tansy_and_her_take() {
    Scene model = demo::tansy_model();
    Scene take = demo::tansy_market_take();
    for (Clip& clip : take.clips) {
        for (Channel& channel : clip.channels) {
            channel.node = model.find_node(take.nodes[static_cast<size_t>(channel.node)].name);
        }
    }
    model.clips = take.clips;
    return model;
}

TEST(BindSurface, OnTheDemosSurfaceItIsNearTheWeightsMadeByHandAndLegsAreApart) {
    const Scene by_hand = apply_step(tansy_and_her_take(), "normalize_weights", nlohmann::json::object())->scene;
    const int body = by_hand.find_node("market:tansy_rig:tansy_body");
    ASSERT_GE(body, 0);
    const double mm = 1618 / 161.8; // the file counts in centimetres and says metres
    const auto skin_joint = [](const Scene& scene, int surface, uint16_t place) {
        const Skin& skin = scene.skins[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].skin)];
        return scene.nodes[static_cast<size_t>(skin.joints[place])].name;
    };
    const auto side_of_legs = [](const std::string& joint) {
        const bool leg = joint.find("Leg_") != std::string::npos || joint.find("Toe_") != std::string::npos;
        return !leg ? 0 : joint.find("Left") != std::string::npos ? 1 : -1;
    };
    // The joints that hold it by hand: the feet's targets and other helpers are none of the body.
    nlohmann::json joints = nlohmann::json::array();
    const std::vector<Holding> held = holding_of(by_hand);
    for (const int joint : joints_of(by_hand)) {
        if (held[static_cast<size_t>(joint)].points > 0) {
            joints.push_back(by_hand.nodes[static_cast<size_t>(joint)].name);
        }
    }
    for (const char* method : methods) {
        const Result<StepResult> bound = apply_step(
            by_hand, "bind_surface", {{"method", method}, {"surfaces", {"*tansy_body"}}, {"joints", joints}});
        ASSERT_TRUE(bound.ok());
        Deformer a(by_hand, {body});
        Deformer b(bound->scene, {body});
        const Poser from(by_hand, &by_hand.clips[0]);
        const Poser to(bound->scene, &bound->scene.clips[0]);
        std::vector<Vec3f> was(a.point_count());
        std::vector<Vec3f> is(b.point_count());
        Pose pose;
        double sum = 0;
        double most = 0;
        size_t count = 0;
        for (int f = 0; f < by_hand.clips[0].frames(); f += testing::seeds() < 60 ? 90 : 12) {
            from.at(f / 30.0, pose);
            a.points(pose, was);
            Pose other;
            to.at(f / 30.0, other);
            b.points(other, is);
            for (size_t v = 0; v < was.size(); ++v, ++count) {
                const double apart = static_cast<double>((was[v] - is[v]).norm()) * mm;
                sum += apart;
                most = std::max(most, apart);
            }
        }
        const double mean = sum / static_cast<double>(count);
        RecordProperty(std::string(method) + "_mean_mm", std::to_string(mean));
        RecordProperty(std::string(method) + "_largest_mm", std::to_string(most));
        EXPECT_LT(mean, 4) << method << ": of a body of 1618 mm";
        // What is of one leg by hand has nothing of the other one.
        WeightRow row;
        for (size_t v = 0; v < was.size(); ++v) {
            read_row(by_hand.nodes[static_cast<size_t>(body)].influences, v, row);
            int side = row.empty() ? 0 : side_of_legs(skin_joint(by_hand, body, row.front().joint));
            for (const Weight& one : row) {
                side = side_of_legs(skin_joint(by_hand, body, one.joint)) == side ? side : 0;
            }
            read_row(bound->scene.nodes[static_cast<size_t>(body)].influences, v, row);
            for (const Weight& one : row) {
                const std::string joint = skin_joint(bound->scene, body, one.joint);
                EXPECT_FALSE(side != 0 && side_of_legs(joint) == -side)
                    << method << ": vertex " << v << " follows " << joint << " by " << one.weight;
            }
        }
    }
}

/// A four-legged body of tubes that is its own mirror image, built after its plan and bound.
Scene bound_body(const std::string& method) {
    Plan plan = with_joints(plan_called("quadruped").take(), "ear", 0);
    for (PlanChain& chain : plan.chains) {
        for (Vec3& point : chain.guides.front()) {
            point.x() = chain.guides.front().front().x();
        }
    }
    Bounds box;
    box.add(Vec3(-0.3, 0, -0.9));
    box.add(Vec3(0.3, 1.1, 0.9));
    const Guides guides = guides_in(plan, {}, box, 0);
    std::vector<std::vector<Vec3>> lines;
    for (const PlanChain& chain : plan.chains) {
        for (const Side side :
             chain.both_sides ? std::vector<Side>{Side::left, Side::right} : std::vector<Side>{Side::middle}) {
            const std::vector<Vec3> line = line_of(plan, guides, chain, 1, side);
            lines.push_back(spread_along(line, 20));
            lines.back().push_back(line.back());
        }
    }
    const Scene bare = testing::tube_scene(lines, 0.1, 16, true);
    Result<StepResult> built =
        apply_step(bare, "build_skeleton",
                   {{"plan", plan_to_json(plan)}, {"guides", rows_of_guides(guides.all)}, {"middle_x_m", 0}});
    EXPECT_TRUE(built.ok() && built->could_not.empty());
    Result<StepResult> bound =
        apply_step(built->scene, "bind_surface", {{"method", method}, {"max_influences", 4}, {"ends", true}});
    EXPECT_TRUE(bound.ok());
    return bound->scene;
}

TEST(BindSurface, StackedRootsThatOnlyCarryTheMotionHoldNothing) {
    Scene scene = two_legs();
    // One more root above: an engine's over the artist's, both on the ground below the hips.
    for (Node& node : scene.nodes) {
        node.parent = node.kind == NodeKind::joint ? node.parent + 1 : node.parent;
    }
    for (Skin& skin : scene.skins) {
        for (int& joint : skin.joints) {
            ++joint;
        }
    }
    Node top;
    top.name = "engine_root";
    top.kind = NodeKind::joint;
    top.identity = 99;
    scene.nodes.insert(scene.nodes.begin(), top);
    ASSERT_EQ(scene.nodes[1].name, "root");
    ASSERT_EQ(scene.nodes[1].parent, 0);
    for (const bool ends : {false, true}) {
        for (const int joint : joints_that_hold(scene, ends)) {
            EXPECT_GT(joint, 1) << scene.nodes[static_cast<size_t>(joint)].name;
        }
    }
}

TEST(BindSurface, ASymmetricBodyGetsSymmetricWeights) {
    for (const char* method : methods) {
        SCOPED_TRACE(method);
        const Scene scene = bound_body(method);
        const Sides sides = find_sides(scene);
        const std::vector<int> other = mirrored_joints(scene, sides);
        for (const int surface : surfaces_of(scene)) {
            const Node& node = scene.nodes[static_cast<size_t>(surface)];
            const Skin& skin = scene.skins[static_cast<size_t>(node.skin)];
            const SurfaceMirror mirror = mirror_of_surface(scene, surface, sides, 1e-5);
            const auto weights_of = [&](uint32_t vertex, bool flip) {
                std::map<int, double> weights;
                WeightRow row;
                read_row(node.influences, vertex, row);
                for (const Weight& one : row) {
                    const int joint = skin.joints[one.joint];
                    weights[flip ? other[static_cast<size_t>(joint)] : joint] += one.weight;
                }
                return weights;
            };
            size_t pairs = 0;
            double worst = 0;
            uint32_t worst_at = 0;
            for (uint32_t v = 0; v < mirror.answers.size(); ++v) {
                if (mirror.answers[v] == SurfaceMirror::none) {
                    continue;
                }
                ++pairs;
                std::map<int, double> own = weights_of(v, false);
                for (const auto& [joint, weight] : weights_of(mirror.answers[v], true)) {
                    own[joint] -= weight;
                }
                for (const auto& [joint, apart] : own) {
                    if (std::abs(apart) > worst) {
                        worst = std::abs(apart);
                        worst_at = v;
                    }
                }
            }
            EXPECT_GT(pairs * 10, mirror.answers.size() * 9) << "the body is symmetric";
            EXPECT_LT(worst, 1e-3) << node.name << " vertex " << worst_at << " at "
                                   << rest_places(scene, surface)[worst_at].transpose();
        }
    }
}

} // namespace
} // namespace wembrix
