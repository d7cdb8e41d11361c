// Steps on the skeleton keep motion on any rig: alone, and in any order of up to eight.
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/drift.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"

#include <Eigen/LU>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

using nlohmann::json;

/// The scene after the step; that no point moved is expected.
Scene after(const Scene& before, const Step& step, uint32_t seed) {
    Result<StepResult> result = apply_step(before, step);
    const std::string what = fmt::format("seed {}: {} {}", seed, step.id, step.parameters.dump());
    EXPECT_TRUE(result.ok()) << what << ": " << (result.ok() ? "" : result.problem().sentence());
    if (!result.ok()) {
        return before;
    }
    const Drift drift = measure_drift_all(before, result->scene, Matching::identity, result->moved, {},
                                          result->other_rest ? Over::clips : Over::rest_and_clips);
    EXPECT_LE(drift.largest_mm, allowed_mm(result->scene))
        << what << " at " << drift.place << " in " << drift.clip << " frame " << drift.frame;
    EXPECT_GT(drift.points_compared, 0U);
    EXPECT_TRUE(drift.not_compared.empty()) << what;
    for (size_t i = 0; i < result->scene.nodes.size(); ++i) {
        EXPECT_LT(result->scene.nodes[i].parent, static_cast<int>(i)) << what;
    }
    return result->scene;
}

std::string joint_of_chance(const Scene& scene, std::mt19937& random) {
    const std::vector<int> joints = joints_of(scene);
    return scene.nodes[joints[random() % joints.size()]].name;
}

/// A joint and another one that is not below it.
json parents_of_chance(const Scene& scene, std::mt19937& random) {
    json under = json::object();
    for (int tries = 0; tries < 20 && under.empty(); ++tries) {
        const int joint = scene.find_node(joint_of_chance(scene, random));
        const int parent = scene.find_node(joint_of_chance(scene, random));
        if (joint != parent && !is_above(scene, joint, parent)) {
            under[scene.nodes[joint].name] = scene.nodes[parent].name;
        }
    }
    return {{"under", under}};
}

Step step_of_chance(const Scene& scene, std::mt19937& random, int number) {
    switch (random() % 15) {
    case 0:
        return {"reparent_joints", parents_of_chance(scene, random)};
    case 1:
        return {"insert_joint", {{"name", fmt::format("made_{}", number)}, {"under", joint_of_chance(scene, random)}}};
    case 2:
        return {"reorder_joints", {{"by", random() % 2 == 0 ? "name" : "branch"}}};
    case 3:
        return {"zero_rest_rotations", json::object()};
    case 4:
        return {"align_bone_axes", {{"bone", random() % 2 == 0 ? "+Y" : "-X"}, {"up", "+Z"}}};
    case 5:
        return {"set_rest_pose", {{"from", "bind"}}};
    case 6:
        return {"set_rest_pose", {{"from", "frame"}, {"clip", scene.clips.front().name}, {"frame", 3}}};
    case 7:
        return {"rotate", {{"degrees", 37.5}, {"about", "+X"}}};
    case 8:
        return {"face_forward", {{"looks_along", random() % 2 == 0 ? "-X" : "-Z"}}};
    case 9:
        return {"ground", {{"centre", random() % 2 == 0}}};
    case 10:
        return {"scale", {{"factor", 1.7}}};
    case 11:
        return {"bake_joint_scale", {{"stretch", "keep"}}};
    case 12:
        return {"add_attachment",
                {{"name", fmt::format("point_{}", number)}, {"under", joint_of_chance(scene, random)}, {"x_m", 0.1}}};
    case 13:
        return {"place_origin", {{"props", {"*"}}, {"at", random() % 2 == 0 ? "own" : "world"}}};
    default:
        return {"make_root", {{"name", "root"}}};
    }
}

/// Even scales only: a turn does not pass through a stretch, and the steps say so.
RigOptions even_options(uint32_t seed) {
    RigOptions options = options_for(seed);
    options.uneven_keys = false;
    return options;
}

class RandomSkeleton : public ::testing::TestWithParam<uint32_t> {};

TEST_P(RandomSkeleton, EveryStepAloneKeepsMotion) {
    const uint32_t seed = GetParam();
    std::mt19937 random(seed);
    const Scene received = random_rig(seed, even_options(seed));
    for (const Step& step : std::vector<Step>{{"rotate", {{"degrees", 90}, {"about", "-X"}}},
                                              {"rotate", {{"degrees", 12.5}, {"about", "+Z"}}},
                                              {"face_forward", {{"looks_along", "+X"}}},
                                              {"ground", {{"centre", true}}},
                                              {"reparent_joints", parents_of_chance(received, random)},
                                              {"reorder_joints", {{"by", "name"}}},
                                              {"set_rest_pose", {{"from", "bind"}}}}) {
        after(received, step, seed);
    }
    const Scene scene = after(received, {"bake_parent_transforms"}, seed);
    for (const Step& step : std::vector<Step>{{"bake_joint_scale", {{"stretch", "keep"}}},
                                              {"zero_rest_rotations"},
                                              {"align_bone_axes", {{"bone", "+X"}, {"up", "+Y"}, {"toward", "-Z"}}}}) {
        after(scene, step, seed);
    }
    after(received, {"place_origin", {{"props", {"*"}}, {"at", "own"}}}, seed);
    after(scene, {"place_origin", {{"props", {"*"}}, {"at", "world"}}}, seed);
    // What is bound in one pose becomes one surface.
    const Result<StepResult> rebound = apply_step(scene, {"set_rest_pose", {{"from", "bind"}, {"surface", "rebind"}}});
    ASSERT_TRUE(rebound.ok()) << rebound.problem().sentence();
    const Scene& bound = rebound->scene;
    json skinned = json::array();
    for (const int node : surfaces_of(bound)) {
        if (bound.nodes[node].skin >= 0) {
            skinned.push_back(bound.nodes[node].name);
        }
    }
    if (skinned.size() > 1) {
        const Scene joined = after(bound, {"merge_surfaces", {{"surfaces", skinned}}}, seed);
        EXPECT_EQ(surfaces_of(joined).size() + skinned.size(), surfaces_of(bound).size() + 1) << "seed " << seed;
    }
    // A joint between another one and all that hangs on it.
    const std::vector<int> joints = joints_of(scene);
    for (const int joint : joints) {
        json above = json::array();
        for (const int child : joints) {
            if (scene.nodes[child].parent == joint) {
                above.push_back(scene.nodes[child].name);
            }
        }
        if (!above.empty()) {
            const Scene more =
                after(scene,
                      {"insert_joint",
                       {{"name", "between"}, {"under", scene.nodes[joint].name}, {"above", above}, {"along", 0.25}}},
                      seed);
            EXPECT_EQ(joints_of(more).size(), joints.size() + 1);
            break;
        }
    }
}

TEST_P(RandomSkeleton, AnyRowOfEightKeepsMotion) {
    const uint32_t seed = GetParam();
    std::mt19937 random(seed * 77 + 5);
    Scene scene = after(random_rig(seed, even_options(seed)), {"bake_parent_transforms"}, seed);
    const int length = 1 + static_cast<int>(random() % 8);
    for (int i = 0; i < length && !::testing::Test::HasFailure(); ++i) {
        Step step = step_of_chance(scene, random, i);
        if (step.id == "make_root" && scene.find_node("root") >= 0) {
            continue;
        }
        scene = after(scene, step, seed);
    }
}

TEST_P(RandomSkeleton, ScaleFoldsToOneAndJointsKeepTheirPlaces) {
    const uint32_t seed = GetParam();
    RigOptions options = options_for(seed);
    options.uneven_scale = seed % 2 == 0;
    const Scene scene = after(random_rig(seed, options), {"bake_parent_transforms"}, seed);
    const Result<StepResult> result = apply_step(scene, {"bake_joint_scale"});
    ASSERT_TRUE(result.ok()) << result.problem().sentence();
    const Scene& folded = result->scene;
    for (const int joint : joints_of(folded)) {
        EXPECT_EQ(folded.nodes[joint].rest.scale, Vec3(1, 1, 1)) << "seed " << seed << folded.nodes[joint].name;
    }
    for (const Clip& clip : folded.clips) {
        for (const Channel& channel : clip.channels) {
            EXPECT_FALSE(channel.path == Path::scale && folded.nodes[channel.node].kind == NodeKind::joint);
        }
    }
    // At rest nothing moves, whatever the scales; in motion no joint leaves its place.
    DriftRequest rest;
    rest.should = &scene;
    rest.is = &folded;
    EXPECT_LE(measure_drift(rest).largest_mm, allowed_mm(folded)) << "seed " << seed;
    for (size_t c = 0; c < scene.clips.size(); ++c) {
        Pose before;
        Pose now;
        for (int f = 0; f < scene.clips[c].frames(); ++f) {
            Poser(scene, &scene.clips[c]).at(f / scene.clips[c].rate, before);
            Poser(folded, &folded.clips[c]).at(f / scene.clips[c].rate, now);
            for (const int joint : joints_of(folded)) {
                const int was = scene.find_identity(folded.nodes[joint].identity);
                const double apart =
                    (before.world[was].topRightCorner<3, 1>() - now.world[joint].topRightCorner<3, 1>()).norm();
                ASSERT_LE(apart * 1000, allowed_mm(folded)) << "seed " << seed << " " << folded.nodes[joint].name;
            }
        }
    }
    options.moving_scale = false;
    options.uneven_scale = false;
    after(after(random_rig(seed, options), {"bake_parent_transforms"}, seed), {"bake_joint_scale"}, seed);
}

INSTANTIATE_TEST_SUITE_P(Seeds, RandomSkeleton, ::testing::Range<uint32_t>(1, seeds() + 1));

} // namespace
} // namespace wembrix::testing
