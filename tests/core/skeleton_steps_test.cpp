// Steps on the skeleton, on small scenes with the answer known.
#include "core/formats/gltf/gltf.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/drift.h"
#include "core/measure/skeleton/pairs.h"
#include "core/measure/skeleton/pose.h"
#include "core/steps/skeleton/stored_pose.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "small_scenes.h"
#include "step_results.h"

#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

using nlohmann::json;

std::string parent_of(const Scene& scene, const char* name) {
    const int parent = scene.nodes[scene.find_node(name)].parent;
    return parent < 0 ? "" : scene.nodes[parent].name;
}

Vec3 place_of(const Scene& scene, const char* name) {
    return rest_world(scene)[scene.find_node(name)].topRightCorner<3, 1>();
}

/// The tower with side joints: hips half a metre to either side of "middle".
Scene biped() {
    Scene scene = tower({"pelvis", "middle", "head"});
    for (const auto& [name, x] : {std::pair{"LeftHip", 0.5}, std::pair{"RightHip", -0.5}}) {
        Node node;
        node.name = name;
        node.parent = 0;
        node.kind = NodeKind::joint;
        node.rest.translation = Vec3(x, 0, 0);
        node.identity = 50 + static_cast<int64_t>(scene.nodes.size());
        scene.nodes.push_back(node);
    }
    return scene;
}

TEST(Turn, AQuarterIsExactAndEverythingGoesAlong) {
    Scene scene = tower({"a", "b"});
    add_nod(scene, "nod", 1, 0.5, false);
    const StepResult turned = done(scene, {"rotate", {{"degrees", 90}, {"about", "+X"}}});
    EXPECT_LT((place_of(turned.scene, "b") - Vec3(0, 0, 1)).norm(), 1e-15) << "up became forward";
    EXPECT_LT((turned.scene.meshes[0].positions[3] - Vec3f(0, -0.2F, 1)).norm(), 1e-7F);
    EXPECT_LE(measure_drift_all(scene, turned.scene, Matching::identity, turned.moved).largest_mm, 1e-3);
    EXPECT_NE(refused(scene, {"rotate", {{"about", "+X"}}}).find("degrees"), std::string::npos);
    EXPECT_NE(refused(scene, {"rotate", {{"degrees", 3}, {"about", "up"}}}).find("neither \"+X\""), std::string::npos);
}

TEST(FaceForward, TheSidesOfTheJointsTellTheFront) {
    const Scene scene = biped();
    EXPECT_NE(done(scene, {"face_forward"}).account.find("already"), std::string::npos);
    const Scene aside = done(scene, {"rotate", {{"degrees", 90}, {"about", "+Y"}}}).scene;
    const StepResult mended = done(aside, {"face_forward"});
    EXPECT_NE(mended.account.find("+X"), std::string::npos) << mended.account;
    EXPECT_NEAR((place_of(mended.scene, "LeftHip") - Vec3(0.5, 0, 0)).norm(), 0, 1e-12);
    EXPECT_NE(refused(tower({"a"}), {"face_forward"}).find("side"), std::string::npos);
    EXPECT_NE(refused(scene, {"face_forward", {{"looks_along", "+Y"}}}).find("looks_along"), std::string::npos);
}

TEST(Ground, TheLowestPointComesToNothing) {
    Scene scene = done(tower({"a", "b"}), {"rotate", {{"degrees", 180}, {"about", "+X"}}}).scene;
    EXPECT_LT(character_bounds(scene).low.y(), -1);
    scene = done(scene, {"ground", {{"centre", true}}}).scene;
    EXPECT_NEAR(character_bounds(scene).low.y(), 0, 1e-6);
    EXPECT_NEAR(character_bounds(scene).centre().x(), 0, 1e-6);
    EXPECT_NE(refused(Scene(), {"ground"}).find("nothing"), std::string::npos);
}

TEST(FoldScale, AStretchedJointComesToOneAndItsPointsStay) {
    Scene scene = tower({"a", "b", "c"});
    scene.nodes[1].rest.scale = Vec3(1, 2, 0.5);
    const StepResult folded = done(scene, {"bake_joint_scale"});
    EXPECT_EQ(folded.scene.nodes[1].rest.scale, Vec3(1, 1, 1));
    EXPECT_EQ(folded.scene.nodes[2].rest.scale, Vec3(1, 1, 1));
    EXPECT_NEAR(folded.scene.nodes[2].rest.translation.y(), 2, 1e-12) << "what scale did is in the place now";
    EXPECT_LE(measure_drift_all(scene, folded.scene, Matching::identity, folded.moved).largest_mm, 1e-3);
    EXPECT_TRUE(folded.could_not.empty());
    EXPECT_NE(folded.account.find("b"), std::string::npos);
    EXPECT_NE(done(tower({"a"}), {"bake_joint_scale"}).account.find("already"), std::string::npos);
    scene.nodes[1].rest.scale = Vec3(1, 0, 1);
    EXPECT_NE(refused(scene, {"bake_joint_scale"}).find("0"), std::string::npos);
}

/// "b" grows to twice its size and back: keys of scale.
Scene breathing() {
    Scene scene = tower({"a", "b", "c"});
    Clip& clip = add_nod(scene, "breathe", 0, 0.4, false, 31);
    Channel channel;
    channel.node = 1;
    channel.path = Path::scale;
    channel.width = 3;
    channel.times = std::vector<float>{0, 0.5F, 1};
    channel.values = std::vector<float>{1, 1, 1, 1, 2, 1, 1, 1, 1};
    clip.channels.push_back(channel);
    return scene;
}

TEST(FoldScale, StretchThatMovesGoesIntoPlacesAndWhatIsLostIsNamed) {
    const Scene scene = breathing();
    const StepResult folded = done(scene, {"bake_joint_scale", {{"stretch", "translation"}}});
    ASSERT_EQ(folded.could_not.size(), 1U);
    EXPECT_NE(folded.could_not[0].find("b by 98 % in breathe frame 15"), std::string::npos) << folded.could_not[0];
    // The joint above the stretch still goes up and down with it.
    Pose before;
    Pose now;
    Poser(scene, scene.clips.data()).at(0.5, before);
    Poser(folded.scene, folded.scene.clips.data()).at(0.5, now);
    EXPECT_NEAR((before.world[2].topRightCorner<3, 1>() - now.world[2].topRightCorner<3, 1>()).norm(), 0, 1e-6);
    for (const Channel& channel : folded.scene.clips[0].channels) {
        EXPECT_NE(channel.path, Path::scale);
    }
    const StepResult kept = done(scene, {"bake_joint_scale", {{"stretch", "keep"}}});
    EXPECT_TRUE(kept.could_not.empty());
    EXPECT_LE(measure_drift_all(scene, kept.scene, Matching::identity, Mat4::Identity()).largest_mm, 1e-2);
}

TEST(FoldScale, HoldersThatScaleGoFirst) {
    Scene scene = tower({"a", "b"});
    Node holder;
    holder.name = "holder";
    holder.kind = NodeKind::parent_transform;
    holder.rest.scale = Vec3(0.01, 0.01, 0.01);
    scene.nodes[0].parent = static_cast<int>(scene.nodes.size());
    scene.nodes.push_back(holder);
    reorder_nodes(scene, sorted_order(scene.nodes));
    EXPECT_NE(refused(scene, {"bake_joint_scale"}).find("holder"), std::string::npos);
}

TEST(ReparentJoints, HangsElsewhereAndStaysInTheWorld) {
    Scene scene = biped();
    add_nod(scene, "nod", 1, 0.7, true);
    const StepResult moved = done(scene, {"reparent_joints", {{"under", {{"LeftHip", "head"}}}}});
    EXPECT_EQ(parent_of(moved.scene, "LeftHip"), "head");
    EXPECT_EQ(place_of(moved.scene, "LeftHip"), Vec3(0.5, 0, 0));
    EXPECT_LE(measure_drift_all(scene, moved.scene, Matching::identity, moved.moved).largest_mm, 1e-3);
    EXPECT_NE(refused(scene, {"reparent_joints", {{"under", {{"pelvis", "head"}}}}}).find("itself"), std::string::npos);
    const StepResult missed = done(scene, {"reparent_joints", {{"under", {{"tail", "head"}, {"LeftHip", "none"}}}}});
    EXPECT_EQ(missed.could_not.size(), 1U);
    EXPECT_NE(refused(scene, {"reparent_joints", {{"under", {{"tower", "head"}}}}}).find("skinned"), std::string::npos);
    const StepResult top = done(scene, {"reparent_joints", {{"under", {{"head", ""}}}}});
    EXPECT_EQ(parent_of(top.scene, "head"), "");
}

TEST(ReparentJoints, AParentThatIsHiddenByAScaleOfNothingLeavesNoBrokenKeys) {
    Scene scene = breathing();
    Channel& scale = scene.clips[0].channels.back();
    scale.values = std::vector<float>{1, 1, 1, 0, 0, 0, 1, 1, 1}; // "b" vanishes in the middle
    Node prop;
    prop.name = "prop";
    prop.kind = NodeKind::joint;
    prop.parent = 0;
    prop.identity = 77;
    prop.rest.translation = Vec3(1, 0, 0);
    scene.nodes.push_back(prop);
    for (const Step& step : std::vector<Step>{{"reparent_joints", {{"under", {{"prop", "b"}}}}},
                                              {"reparent_joints", {{"under", {{"c", "a"}}}}},
                                              {"align_bone_axes"},
                                              {"bake_joint_scale"},
                                              {"bake_joint_scale", {{"stretch", "keep"}}}}) {
        const StepResult moved = done(scene, step);
        for (const Channel& channel : moved.scene.clips[0].channels) {
            for (const float value : channel.values) {
                ASSERT_TRUE(std::isfinite(value)) << step.id << " " << moved.scene.nodes[channel.node].name;
            }
        }
    }
    const StepResult away = done(scene, {"reparent_joints", {{"under", {{"c", "a"}}}}});
    EXPECT_LE(measure_drift_all(scene, away.scene, Matching::identity, away.moved).largest_mm, 1e-2)
        << "what hung on it vanishes with it still";
}

TEST(InsertJoint, StandsPartOfTheWayAndCarriesWhatIsAbove) {
    Scene scene = tower({"a", "b", "c"});
    add_nod(scene, "nod", 0, 0.7, true);
    const Step step = {"insert_joint", {{"name", "a_half"}, {"under", "a"}, {"above", {"b"}}, {"along", 0.25}}};
    const StepResult more = done(scene, step);
    EXPECT_EQ(parent_of(more.scene, "b"), "a_half");
    EXPECT_EQ(parent_of(more.scene, "a_half"), "a");
    EXPECT_EQ(place_of(more.scene, "a_half"), Vec3(0, 0.25, 0));
    EXPECT_EQ(more.scene.clips[0].channels.size(), scene.clips[0].channels.size()) << "no key is needed for it";
    EXPECT_LE(measure_drift_all(scene, more.scene, Matching::identity, more.moved).largest_mm, 1e-3);
    EXPECT_EQ(done(scene, step).scene.find_node("a_half"), more.scene.find_node("a_half"));
    EXPECT_NE(refused(scene, {"insert_joint", {{"name", "c"}, {"under", "a"}}}).find("taken"), std::string::npos);
    EXPECT_NE(refused(scene, {"insert_joint", {{"name", "d"}, {"under", "x"}}}).find("x"), std::string::npos);
    EXPECT_NE(refused(scene, {"insert_joint", {{"name", "d"}, {"under", "a"}, {"above", {"c"}}}}).find("hang"),
              std::string::npos);
    EXPECT_NE(refused(scene, {"insert_joint", {{"name", "d"}, {"under", "a"}, {"along", 2}}}).find("along"),
              std::string::npos);
}

TEST(ReorderJoints, ByNameNumbersCountAndTheSkinFollows) {
    Scene scene = tower({"root"});
    for (const char* name : {"spine_10", "spine_2", "arm"}) {
        Node node;
        node.name = name;
        node.parent = 0;
        node.kind = NodeKind::joint;
        node.identity = 70 + static_cast<int64_t>(scene.nodes.size());
        scene.skins[0].joints.push_back(static_cast<int>(scene.nodes.size()));
        scene.skins[0].inverse_binds.push_back(Mat4::Identity());
        scene.nodes.push_back(node);
    }
    influences_of(scene).joints.edit()[0] = 2; // held by spine_2
    const Scene sorted = done(scene, {"reorder_joints", {{"by", "name"}}}).scene;
    std::vector<std::string> names;
    for (const int joint : joints_of(sorted)) {
        names.push_back(sorted.nodes[joint].name);
    }
    EXPECT_EQ(names, (std::vector<std::string>{"root", "arm", "spine_2", "spine_10"}));
    const Skin& skin = sorted.skins[0];
    EXPECT_TRUE(std::is_sorted(skin.joints.begin(), skin.joints.end()));
    EXPECT_EQ(sorted.nodes[skin.joints[influences_of(sorted).joints[0]]].name, "spine_2");
    const Scene listed =
        done(scene, {"reorder_joints", {{"by", "list"}, {"order", {"root", "spine_10", "arm"}}}}).scene;
    EXPECT_LT(listed.find_node("spine_10"), listed.find_node("arm"));
    EXPECT_LT(listed.find_node("arm"), listed.find_node("spine_2")) << "what is not listed stands last";
    EXPECT_NE(refused(scene, {"reorder_joints", {{"by", "size"}}}).find("by"), std::string::npos);
}

TEST(SetRestPose, FromAFrameKeepsTheMotionAndKeysWhatWasLeftToRest) {
    Scene scene = tower({"a", "b"});
    add_nod(scene, "nod", 1, 0.9, false);
    add_nod(scene, "other", 0, 0.3, false); // leaves b to the rest pose
    const StepResult posed = done(scene, {"set_rest_pose", {{"from", "frame"}, {"clip", "nod"}, {"frame", 30}}});
    EXPECT_TRUE(posed.other_rest);
    EXPECT_NEAR(posed.scene.nodes[1].rest.rotation.angularDistance(Quat::Identity()), 0.9, 1e-6);
    const Drift drift = measure_drift_all(scene, posed.scene, Matching::identity, Mat4::Identity(), {}, Over::clips);
    EXPECT_LE(drift.largest_mm, 1e-3);
    EXPECT_GT(drift.points_compared, 0U);
    // Bound again in that pose: each point is held by one joint here, so nothing moves in any clip.
    const StepResult bound =
        done(scene, {"set_rest_pose", {{"from", "frame"}, {"clip", "nod"}, {"frame", 30}, {"surface", "rebind"}}});
    EXPECT_LE(measure_drift_all(scene, bound.scene, Matching::identity, Mat4::Identity(), {}, Over::clips).largest_mm,
              1e-3);
    const std::vector<Mat4> world = rest_world(bound.scene);
    EXPECT_LT((world[1] * bound.scene.skins[0].inverse_binds[1] - Mat4::Identity()).cwiseAbs().maxCoeff(), 1e-9);
    EXPECT_NE(refused(scene, {"set_rest_pose", {{"from", "frame"}, {"clip", "nod"}, {"frame", 31}}}).find("30"),
              std::string::npos);
    EXPECT_NE(refused(scene, {"set_rest_pose", {{"from", "frame"}, {"clip", "no"}, {"frame", 1}}}).find("no"),
              std::string::npos);
    EXPECT_NE(refused(scene, {"set_rest_pose", {{"from", "dream"}}}).find("from"), std::string::npos);
}

TEST(SetRestPose, FromBindMakesTheInverseBindsThoseOfTheRestPose) {
    Scene scene = tower({"a", "b", "c"});
    scene.nodes[1].rest.rotation = Quat(Eigen::AngleAxisd(0.6, Vec3::UnitZ())); // rests otherwise than bound
    add_nod(scene, "nod", 2, 0.5, false);
    const StepResult bound = done(scene, {"set_rest_pose", {{"from", "bind"}}});
    const std::vector<Mat4> world = rest_world(bound.scene);
    for (size_t j = 0; j < 3; ++j) {
        EXPECT_LT((world[j] * bound.scene.skins[0].inverse_binds[j] - Mat4::Identity()).cwiseAbs().maxCoeff(), 1e-9);
    }
    EXPECT_LE(measure_drift_all(scene, bound.scene, Matching::identity, Mat4::Identity(), {}, Over::clips).largest_mm,
              1e-3);
    EXPECT_NE(done(bound.scene, {"set_rest_pose"}).account.find("already"), std::string::npos);
}

TEST(SetRestPose, AStoredPoseIsReadBackAsItWasWritten) {
    Scene scene = tower({"a", "b"});
    add_nod(scene, "nod", 1, 0.9, false);
    const StoredPose stored = pose_of(scene, scene.clips.data(), 0.5);
    const Result<StoredPose> read = pose_from_json(json::parse(pose_to_json(stored).dump()));
    ASSERT_TRUE(read.ok());
    EXPECT_LT(read->at("b").rotation.angularDistance(stored.at("b").rotation), 1e-9);
    const StepResult posed =
        done(scene, {"set_rest_pose", {{"from", "pose"}, {"pose", pose_to_json(stored)}, {"name", "half"}}});
    EXPECT_NE(posed.account.find("half"), std::string::npos);
    EXPECT_NEAR(posed.scene.nodes[1].rest.rotation.angularDistance(Quat::Identity()), 0.45, 1e-6);
    for (const json& bad : std::vector<json>{json::array(),
                                             {{"a", 3}},
                                             {{"a", {{"translation_m", {1, 2}}}}},
                                             {{"a", {{"rotation_xyzw", {0, 0, 0, 0}}}}},
                                             {{"a", {{"scale", {1, 0, 1}}}}}}) {
        EXPECT_FALSE(pose_from_json(bad).ok()) << bad.dump();
    }
}

TEST(FreezeRestTurns, StandsAlongTheWorldAndMovesAsBefore) {
    Scene scene = tower({"a", "b", "c"});
    scene.nodes[1].rest.rotation = Quat(Eigen::AngleAxisd(0.6, Vec3::UnitZ()));
    add_nod(scene, "nod", 2, 0.5, false);
    const StepResult frozen = done(scene, {"zero_rest_rotations"});
    for (const Mat4& world : rest_world(frozen.scene)) {
        EXPECT_LT((linear_of(world) - Mat3::Identity()).cwiseAbs().maxCoeff(), 1e-12);
    }
    EXPECT_LE(measure_drift_all(scene, frozen.scene, Matching::identity, frozen.moved).largest_mm, 1e-3);
    EXPECT_EQ(frozen.scene.clips[0].channels.size(), scene.clips[0].channels.size()) << "keys are carried, not baked";
    const StepResult some = done(scene, {"zero_rest_rotations", {{"joints", {"c*", "gone"}}}});
    EXPECT_EQ(some.could_not.size(), 1U);
    EXPECT_GT(some.scene.nodes[1].rest.rotation.angularDistance(Quat::Identity()), 0.5);
}

TEST(AimJoints, OneAxisLiesAlongTheBone) {
    Scene scene = biped();
    add_nod(scene, "nod", 1, 0.5, false);
    const StepResult aimed = done(scene, {"align_bone_axes", {{"bone", "+X"}, {"up", "+Y"}, {"toward", "+Z"}}});
    const std::vector<Mat4> world = rest_world(aimed.scene);
    const Mat3 pelvis = linear_of(world[aimed.scene.find_node("pelvis")]);
    EXPECT_LT((pelvis.col(0) - Vec3::UnitY()).norm(), 1e-12) << "its X along the bone to “middle”";
    EXPECT_LT((pelvis.col(1) - Vec3::UnitZ()).norm(), 1e-12) << "its Y to the front";
    EXPECT_LT((linear_of(world[aimed.scene.find_node("head")]) - pelvis).norm(), 1e-12) << "an end points on";
    EXPECT_LE(measure_drift_all(scene, aimed.scene, Matching::identity, aimed.moved).largest_mm, 1e-3);
    const StepResult told = done(scene, {"align_bone_axes", {{"at", {{"pelvis", "LeftHip"}}}, {"joints", {"pelvis"}}}});
    const Mat3 aside = linear_of(rest_world(told.scene)[told.scene.find_node("pelvis")]);
    EXPECT_LT((aside.col(1) - Vec3::UnitX()).norm(), 1e-12);
    EXPECT_NE(refused(scene, {"align_bone_axes", {{"bone", "+Y"}, {"up", "-Y"}}}).find("same"), std::string::npos);
}

TEST(AddAttachment, StandsWhereItWasTypedWithoutScale) {
    Scene scene = tower({"a", "b"});
    scene.nodes[1].rest.rotation = Quat(Eigen::AngleAxisd(0.5, Vec3::UnitX()));
    const Step step = {"add_attachment",
                       {{"name", "parcel"}, {"under", "b"}, {"x_m", 0.25}, {"y_m", 1.5}, {"in", "world"}}};
    const StepResult more = done(scene, step);
    const int node = more.scene.find_node("parcel");
    EXPECT_EQ(more.scene.nodes[node].kind, NodeKind::point);
    EXPECT_LT((place_of(more.scene, "parcel") - Vec3(0.25, 1.5, 0)).norm(), 1e-12);
    EXPECT_LT((linear_of(rest_world(more.scene)[node]) - Mat3::Identity()).cwiseAbs().maxCoeff(), 1e-12);
    const StepResult own =
        done(scene, {"add_attachment", {{"name", "p"}, {"under", "b"}, {"z_m", 0.1}, {"rotation_z_deg", 90}}});
    EXPECT_EQ(own.scene.nodes[own.scene.find_node("p")].rest.translation, Vec3(0, 0, 0.1));
    EXPECT_NE(refused(more.scene, step).find("taken"), std::string::npos);
    EXPECT_NE(refused(scene, {"add_attachment", {{"name", "p"}, {"under", "tower"}}}).find("joint"), std::string::npos);
}

// Found by the standard's validator: a turn that is one by a rounding too much was written so.
TEST(Writing, AUnitQuaternionIsNeverLargerThanOne) {
    Scene scene = tower({"a", "b"});
    scene.nodes[1].rest.rotation.coeffs() = Eigen::Vector4d(1e-9, 0, 0, -1.0000000000000004);
    const Result<std::vector<WrittenFile>> files = write_gltf_embedded(scene, "a");
    ASSERT_TRUE(files.ok());
    const json written = json::parse(files->front().bytes);
    for (const json& node : written["nodes"]) {
        for (const json& value : node.value("rotation", json::array())) {
            EXPECT_LE(std::abs(value.get<double>()), 1.0) << node.dump();
        }
    }
}

TEST(Sides, PairsAreFoundByNameAndByPlace) {
    EXPECT_EQ(other_side("LeftLeg_Hip"), "RightLeg_Hip");
    EXPECT_EQ(other_side("rig:hip_l"), "rig:hip_r");
    EXPECT_EQ(other_side("R_ARM_01"), "L_ARM_01");
    EXPECT_EQ(other_side("wing_RIGHT_tip"), "wing_LEFT_tip");
    EXPECT_EQ(other_side("spine"), "");
    Scene scene = biped();
    Node knee;
    knee.kind = NodeKind::joint;
    knee.name = "knee_one";
    knee.parent = scene.find_node("LeftHip");
    knee.rest.translation = Vec3(0, -0.5, 0.1);
    scene.nodes.push_back(knee);
    knee.name = "knee_two";
    knee.parent = scene.find_node("RightHip");
    scene.nodes.push_back(knee);
    knee.name = "LeftToe";
    knee.parent = scene.find_node("knee_one");
    scene.nodes.push_back(knee);
    const Sides sides = find_sides(scene);
    ASSERT_EQ(sides.pairs.size(), 2U);
    EXPECT_TRUE(sides.pairs[0].by_name);
    EXPECT_NEAR(sides.pairs[0].apart_m, 0, 1e-12);
    EXPECT_FALSE(sides.pairs[1].by_name);
    EXPECT_EQ(scene.nodes[sides.pairs[1].right].name, "knee_two");
    ASSERT_EQ(sides.alone.size(), 1U);
    EXPECT_EQ(scene.nodes[sides.alone[0]].name, "LeftToe");
    EXPECT_EQ(mirror_of(sides, scene.find_node("knee_two")), scene.find_node("knee_one"));
    scene.nodes[scene.find_node("LeftHip")].rest.translation.x() = 0.6;
    EXPECT_NEAR(find_sides(scene).pairs[0].longer_m, 0.1, 1e-12);
}

} // namespace
} // namespace wembrix::testing
