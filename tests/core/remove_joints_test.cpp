// Dropping joints: who stays keeps its place in every frame, and what the weights' way costs is said exactly.
#include "core/measure/scene/drift.h"
#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/weight_move.h"
#include "core/measure/surface/weights.h"
#include "core/steps/skeleton/remove_joints.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "small_scenes.h"

#include <gtest/gtest.h>
#include <set>

namespace wembrix::testing {
namespace {

RemovalSettings only(std::vector<std::string> names) {
    RemovalSettings settings;
    settings.names = std::move(names);
    return settings;
}

Scene dropped(const Scene& scene, const nlohmann::json& parameters) {
    const Result<StepResult> result = apply_step(scene, {"remove_joints", parameters});
    EXPECT_TRUE(result.ok()) << (result.ok() ? "" : result.problem().sentence());
    return result.ok() ? result->scene : scene;
}

/// The farthest that a joint which stayed is from its place, over all frames of all clips, in metres.
double joints_moved(const Scene& before, const Scene& after) {
    double worst = 0;
    for (size_t c = 0; c < after.clips.size(); ++c) {
        const Poser a(before, &before.clips[c]);
        const Poser b(after, &after.clips[c]);
        Pose pa;
        Pose pb;
        for (int f = 0; f < after.clips[c].frames(); ++f) {
            a.at(f / after.clips[c].rate, pa);
            b.at(f / after.clips[c].rate, pb);
            for (size_t n = 0; n < after.nodes.size(); ++n) {
                const int was = before.find_identity(after.nodes[n].identity);
                if (after.nodes[n].kind == NodeKind::joint) {
                    worst = std::max(worst, (pa.world[was] - pb.world[n]).cwiseAbs().maxCoeff());
                }
            }
        }
    }
    return worst;
}

TEST(RemoveJoints, ByNameGlobTipAndIdleness) {
    Scene scene = tower({"root", "hip", "knee", "knee_helper", "ankle", "toe_tip"});
    EXPECT_EQ(joints_of(dropped(scene, {{"names", {"knee_helper"}}})).size(), 5U);
    EXPECT_EQ(joints_of(dropped(scene, {{"names", {"*_*"}}})).size(), 4U);
    EXPECT_EQ(dropped(scene, {{"tips", true}}).find_node("toe_tip"), -1);
    EXPECT_GE(dropped(scene, {{"tips", true}, {"keep", {"toe*"}}}).find_node("toe_tip"), 0);
    // Nobody is idle: every joint holds a triangle.
    EXPECT_EQ(joints_of(dropped(scene, {{"unweighted", true}})).size(), 6U);
    for (uint16_t& joint : influences_of(scene).joints.edit()) {
        joint = std::min<uint16_t>(joint, 3);
    }
    EXPECT_EQ(joints_of(dropped(scene, {{"unweighted", true}})).size(), 4U);
}

TEST(RemoveJoints, ChildrenGoToTheNextOneAboveAndKeepTheirPlace) {
    Scene scene = tower({"root", "a", "b", "c"});
    add_nod(scene, "nod", 1, 0.8, false);
    const Scene after = dropped(scene, {{"names", {"a", "b"}}});
    const int c = after.find_node("c");
    ASSERT_GE(c, 0);
    EXPECT_EQ(after.nodes[after.nodes[c].parent].name, "root");
    EXPECT_LT((after.nodes[c].rest.translation - Vec3(0, 3, 0)).norm(), 1e-12);
    EXPECT_LT(joints_moved(scene, after), 1e-6);
}

TEST(RemoveJoints, WeightsGoToTheNearestAboveThatStaysOrToTheOneNamed) {
    const Scene scene = tower({"root", "a", "b", "c"});
    const Scene up = dropped(scene, {{"names", {"b", "c"}}});
    const std::vector<Holding> held = holding_of(up);
    EXPECT_EQ(held[up.find_node("a")].points, 9U);
    EXPECT_EQ(held[up.find_node("root")].points, 3U);
    const Scene named = dropped(scene, {{"names", {"c"}}, {"to", "root"}});
    EXPECT_EQ(holding_of(named)[named.find_node("root")].points, 6U);
}

TEST(RemoveJoints, SharedPointsAreSummedNotDoubled) {
    Scene scene = tower({"root", "a"});
    // Each point of the upper triangle is held by both.
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> joints;
    std::vector<float> weights;
    for (int point = 0; point < 6; ++point) {
        joints.insert(joints.end(), {0, 1});
        weights.insert(weights.end(), {0.25F, 0.75F});
        offsets.push_back(static_cast<uint32_t>(joints.size()));
    }
    influences_of(scene) = {std::move(offsets), std::move(joints), std::move(weights)};
    const Scene after = dropped(scene, {{"names", {"a"}}});
    ASSERT_EQ(influences_of(after).joints.size(), 6U);
    for (const float weight : influences_of(after).weights) {
        EXPECT_FLOAT_EQ(weight, 1);
    }
}

TEST(RemoveJoints, WhatItMovesIsToldBeforehandAndIsTheDriftAfterwards) {
    Scene scene = tower({"root", "a", "b"});
    add_nod(scene, "nod", 2, 0.5, true);
    const Result<RemovalPlan> plan = plan_removal(scene, only({"b"}));
    ASSERT_TRUE(plan.ok());
    const std::vector<WeightMove> moves = measure_weight_moves(scene, plan->weights_to);
    ASSERT_EQ(moves.size(), 1U);
    EXPECT_EQ(moves[0].points, 3U);
    EXPECT_EQ(moves[0].clip, "nod");
    EXPECT_EQ(moves[0].frame, 15);
    const Scene after = dropped(scene, {{"names", {"b"}}});
    const Drift drift = measure_drift_all(scene, after, Matching::identity, Mat4::Identity());
    EXPECT_NEAR(drift.largest_mm, moves[0].largest_mm, 0.01);
    // The point farthest from the joint, half a metre above it, over a turn of half a radian.
    EXPECT_NEAR(moves[0].largest_mm, 2 * 500 * std::sin(0.25), 0.5);
}

TEST(RemoveJoints, AccountSaysWhoWentAndWhatItCost) {
    Scene scene = tower({"root", "a", "b"});
    add_nod(scene, "nod", 2, 0.5, true);
    const Result<StepResult> result = apply_step(scene, {"remove_joints", {{"names", {"b", "nobody"}}}});
    ASSERT_TRUE(result.ok());
    EXPECT_NE(result->account.find("1 joint gone (b)"), std::string::npos) << result->account;
    EXPECT_NE(result->account.find("3 vertices"), std::string::npos) << result->account;
    EXPECT_NE(result->account.find("b → a"), std::string::npos) << result->account;
    ASSERT_EQ(result->could_not.size(), 1U);
    EXPECT_NE(result->could_not[0].find("nobody"), std::string::npos);
}

TEST(RemoveJoints, RefusesWhatWouldLoseWeights) {
    const Scene scene = tower({"root", "a"});
    const auto why = [&](const nlohmann::json& parameters) {
        const Result<StepResult> result = apply_step(scene, {"remove_joints", parameters});
        EXPECT_FALSE(result.ok()) << parameters;
        return result.ok() ? "" : result.problem().sentence();
    };
    EXPECT_NE(why({{"names", {"root"}}}).find("root"), std::string::npos);
    EXPECT_NE(why({{"names", {"a"}}, {"to", "a"}}).find("removed itself"), std::string::npos);
    EXPECT_NE(why({{"names", {"a"}}, {"to", "none"}}).find("no joint"), std::string::npos);
    EXPECT_NE(why(nlohmann::json::object()).find("needs"), std::string::npos);
    EXPECT_NE(why({{"names", 3}}).find("not a list"), std::string::npos);
    EXPECT_NE(why({{"tips", "yes"}}).find("neither true nor false"), std::string::npos);
}

TEST(RemoveJoints, CutsOfOneTakeStillShareTheirKeys) {
    Scene scene = tower({"root", "a", "b", "c"});
    const Clip take = add_nod(scene, "first", 1, 0.5, true);
    scene.clips.push_back(take);
    scene.clips.back().name = "second";
    scene.clips.back().start_s = 0.5;
    scene.clips.back().seconds = 0.5;
    const Scene after = dropped(scene, {{"names", {"a"}}});
    ASSERT_EQ(after.clips.size(), 2U);
    ASSERT_EQ(after.clips[0].channels.size(), after.clips[1].channels.size());
    for (size_t i = 0; i < after.clips[0].channels.size(); ++i) {
        EXPECT_TRUE(after.clips[0].channels[i].values.same_array(after.clips[1].channels[i].values));
    }
    EXPECT_LT(joints_moved(scene, after), 1e-6);
}

class DropOnRandomRigs : public ::testing::TestWithParam<uint32_t> {};

TEST_P(DropOnRandomRigs, WhoStaysKeepsItsPlaceInEveryFrame) {
    const uint32_t seed = GetParam();
    const Scene scene = random_rig(seed, options_for(seed));
    // Every third joint that is no root goes, whatever it holds and however it moves.
    nlohmann::json names = nlohmann::json::array();
    const std::vector<int> joints = joints_of(scene);
    const std::vector<int> roots = root_joints(scene);
    const std::set<int> root(roots.begin(), roots.end());
    for (size_t i = 0; i < joints.size(); i += 3) {
        if (root.count(joints[i]) == 0) {
            names.push_back(scene.nodes[joints[i]].name);
        }
    }
    if (names.empty()) {
        return;
    }
    const Result<StepResult> result = apply_step(scene, {"remove_joints", {{"names", names}}});
    ASSERT_TRUE(result.ok()) << "seed " << seed << ": " << result.problem().sentence();
    const double size =
        1e-5 * std::max(1.0, measure_drift_all(scene, scene, Matching::identity, Mat4::Identity()).largest_mm);
    double largest = 1;
    for (const Mat4& world : rest_world(scene)) {
        largest = std::max(largest, world.cwiseAbs().maxCoeff());
    }
    if (result->could_not.empty()) {
        EXPECT_LT(joints_moved(scene, result->scene), 2e-5 * largest + size) << "seed " << seed;
    }
    for (const Node& node : result->scene.nodes) {
        for (const nlohmann::json& name : names) {
            EXPECT_NE(node.name, name.get<std::string>());
        }
    }
    for (const Node& node : result->scene.nodes) {
        for (size_t i = 0; i + 1 < node.influences.offsets.size(); ++i) {
            EXPECT_GT(node.influences.offsets[i + 1], node.influences.offsets[i]) << "a point lost all its holders";
        }
    }
    // The surface drifts no farther than the sum of what was told beforehand.
    const Result<RemovalPlan> plan = plan_removal(scene, only(names));
    double told = 0;
    for (const WeightMove& move : measure_weight_moves(scene, plan->weights_to)) {
        told += move.largest_mm;
    }
    const Drift drift = measure_drift_all(scene, result->scene, Matching::identity, Mat4::Identity());
    if (result->could_not.empty()) { // stretch that is lost moves points that nobody handed over, and is said
        EXPECT_LE(drift.largest_mm, told * 1.001 + 0.05 * largest) << "seed " << seed << " at " << drift.place;
    }
}

// Seed 401: the joint that takes over was not in the skin, which was bound elsewhere than it rests.
TEST(RemoveJoints, WhatIsToldHoldsForATakerThatIsNotInTheSkin) {
    const Scene scene = random_rig(401, options_for(401));
    const nlohmann::json names = {{"names", {"mid_0_3"}}};
    const Result<RemovalPlan> plan = plan_removal(scene, only({"mid_0_3"}));
    const std::vector<WeightMove> moves = measure_weight_moves(scene, plan->weights_to);
    ASSERT_EQ(moves.size(), 1U);
    const Drift drift = measure_drift_all(scene, dropped(scene, names), Matching::identity, Mat4::Identity());
    EXPECT_NEAR(drift.largest_mm, moves[0].largest_mm, 1e-3 * drift.largest_mm);
    EXPECT_EQ(drift.frame, moves[0].frame);
}

INSTANTIATE_TEST_SUITE_P(Seeds, DropOnRandomRigs, ::testing::Range<uint32_t>(1, seeds() + 1));

} // namespace
} // namespace wembrix::testing
