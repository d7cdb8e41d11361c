// One card, and sources that changed under it: what still fits goes on, what does not says so and stops nothing else.
#include "core/job/replay.h"
#include "small_scenes.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <numeric>
#include <set>

namespace wembrix::testing {
namespace {

using nlohmann::json;

Scene source(const std::vector<std::string>& names = {"rig:hips", "rig:spine", "rig:chest", "rig:head", "rig:tip"}) {
    Scene scene = tower(names);
    scene.nodes[1].rest.scale = Vec3(1.5, 1.5, 1.5);
    scene.nodes[0].rest.rotation = Quat(Eigen::AngleAxisd(0.4, Vec3::UnitY()));
    const std::vector<Mat4> world = rest_world(scene);
    for (size_t j = 0; j < names.size(); ++j) {
        scene.skins[0].inverse_binds[j] = world[j].inverse();
    }
    MorphTarget shape;
    shape.name = "puff";
    shape.points = std::vector<uint32_t>{1, 4};
    shape.positions = std::vector<Vec3f>(2, Vec3f(0, 0, 0.1F));
    scene.meshes[0].shapes.push_back(shape);
    add_nod(scene, "nod", 2, 0.7, true);
    return scene;
}

std::vector<Step> card() {
    return {{"strip_prefix"},
            {"bake_joint_scale"},
            {"rotate", {{"degrees", 90}, {"about", "+Y"}}},
            {"scale", {{"factor", 0.5}}},
            {"ground"},
            {"make_root", {{"name", "root"}}},
            {"insert_joint", {{"name", "neck"}, {"under", "chest"}, {"above", {"head"}}}},
            {"reparent_joints", {{"under", {{"tip", "neck"}}}}},
            {"align_bone_axes", {{"bone", "+X"}, {"up", "+Y"}}},
            {"set_rest_pose", {{"from", "frame"}, {"clip", "nod"}, {"frame", 15}, {"surface", "rebind"}}},
            {"remove_joints", {{"names", {"tip"}}}},
            {"rename_joints", {{"rules", {{{"find", "^(.*)$"}, {"replace", "mb_$1"}}}}}},
            {"add_attachment", {{"name", "mb_hat"}, {"under", "mb_head"}, {"y_m", 0.1}}},
            {"reorder_joints", {{"by", "branch"}}}};
}

/// All steps that are meant to move nothing move nothing; `without`: those that do not fit.
Replay replayed(const Scene& scene, const std::set<std::string>& without = {}) {
    Replay done = replay(std::make_shared<const Scene>(scene), card());
    measure_replay(done);
    for (const StepOutcome& outcome : done.outcomes) {
        EXPECT_EQ(outcome.problem.has_value(), without.count(outcome.step.id) > 0)
            << outcome.step.id << ": " << (outcome.problem ? outcome.problem->sentence() : "");
        if (!outcome.problem && outcome.step.id != "remove_joints") {
            EXPECT_LE(outcome.drift->largest_mm, 0.05) << outcome.step.id << " at " << outcome.drift->place;
        }
    }
    return done;
}

void expect_clean(const Replay& done) {
    const Scene& prepared = done.prepared();
    EXPECT_EQ(root_joints(prepared).size(), 1U);
    for (const int joint : joints_of(prepared)) {
        EXPECT_EQ(prepared.nodes[joint].rest.scale, Vec3(1, 1, 1)) << prepared.nodes[joint].name;
    }
    const std::vector<Mat4> world = rest_world(prepared);
    for (const Skin& skin : prepared.skins) {
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            EXPECT_TRUE((world[skin.joints[j]] * skin.inverse_binds[j]).isApprox(Mat4::Identity(), 1e-6));
        }
    }
}

TEST(ChangedSource, AsItWas) {
    const Replay done = replayed(source());
    expect_clean(done);
    EXPECT_GE(done.prepared().find_node("mb_hat"), 0);
}

TEST(ChangedSource, AJointMoreIsTreatedLikeItsNeighbours) {
    Scene scene = source();
    Node ear;
    ear.name = "rig:ear_l";
    ear.parent = 3;
    ear.kind = NodeKind::joint;
    ear.rest.translation = Vec3(0.1, 0.2, 0);
    ear.identity = 77;
    scene.nodes.push_back(ear);
    const Replay done = replayed(scene);
    expect_clean(done);
    const int now = done.prepared().find_node("mb_ear_l");
    ASSERT_GE(now, 0);
    EXPECT_EQ(done.prepared().nodes[done.prepared().nodes[now].parent].name, "mb_head");
}

TEST(ChangedSource, VerticesInAnotherOrder) {
    Scene scene = source();
    Mesh& mesh = scene.meshes[0];
    const size_t count = mesh.point_count();
    std::vector<uint32_t> from(count);
    std::iota(from.begin(), from.end(), 0U);
    std::reverse(from.begin(), from.end());
    const Mesh before = mesh;
    const Influences rows = influences_of(scene);
    for (size_t i = 0; i < count; ++i) {
        mesh.positions.edit()[i] = before.positions[from[i]];
        mesh.normals.edit()[i] = before.normals[from[i]];
        influences_of(scene).joints.edit()[i] = rows.joints[from[i]];
    }
    for (uint32_t& index : mesh.indices.edit()) {
        index = static_cast<uint32_t>(count - 1 - index);
    }
    std::vector<uint32_t> moved;
    for (const uint32_t point : before.shapes[0].points) {
        moved.insert(moved.begin(), static_cast<uint32_t>(count - 1 - point));
    }
    mesh.shapes[0].points = moved;
    expect_clean(replayed(scene));
}

TEST(ChangedSource, AShapeMoreAndAClipMore) {
    Scene scene = source();
    MorphTarget shape = scene.meshes[0].shapes[0];
    shape.name = "blink";
    scene.meshes[0].shapes.push_back(shape);
    add_nod(scene, "bow", 1, 0.3, false);
    const Replay done = replayed(scene);
    expect_clean(done);
    EXPECT_EQ(done.prepared().meshes[0].shapes.size(), 2U);
    EXPECT_EQ(done.prepared().clips.size(), 2U);
}

TEST(ChangedSource, WhatAStepNeedsAndIsGoneIsNamedAndTheOthersGoOn) {
    // The joint that three of the steps speak of has another name now.
    const Replay done = replayed(source({"rig:hips", "rig:spine", "rig:chest", "rig:skull", "rig:tip"}),
                                 {"insert_joint", "add_attachment"});
    expect_clean(done);
    const std::vector<Text> problems = done.problems();
    ASSERT_EQ(problems.size(), 2U);
    EXPECT_NE(problems[0].find("head"), std::string::npos) << problems[0];
    EXPECT_NE(problems[1].find("mb_head"), std::string::npos) << problems[1];
    const StepOutcome& hung = done.outcomes[7];
    ASSERT_EQ(hung.step.id, "reparent_joints");
    ASSERT_EQ(hung.could_not.size(), 1U);
    EXPECT_NE(hung.could_not[0].find("neck"), std::string::npos) << hung.could_not[0];
    EXPECT_GE(done.prepared().find_node("mb_skull"), 0) << "the steps after it still ran";
}

} // namespace
} // namespace wembrix::testing
