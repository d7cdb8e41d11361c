// Rescaling, limiting, dropping empty shapes, renaming parts: the data afterwards, and that nothing moved.
#include "core/measure/scene/drift.h"
#include "core/measure/surface/influence_limit.h"
#include "core/measure/surface/weights.h"
#include "core/steps/rename_rules.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "step_results.h"
#include "tansy_scene.h"

#include <gtest/gtest.h>
#include <numeric>

namespace wembrix::testing {
namespace {

double shape_drift(const Scene& before, const Scene& after) {
    return measure_drift_all(before, after, Matching::identity, Mat4::Identity()).largest_mm;
}

Scene with_identities(Scene scene) {
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        scene.nodes[i].identity = static_cast<int64_t>(i) + 1;
    }
    return scene;
}

TEST(RescaleWeights, SumsAreOneAndNothingMoves) {
    const Scene scene = with_identities(demo::tansy_model());
    size_t before = 0;
    for (const Node& node : scene.nodes) {
        before += weight_sums_of(node.influences).points;
    }
    EXPECT_GT(before, 1000U);
    const StepResult result = done(scene, {"normalize_weights"});
    for (const Node& node : result.scene.nodes) {
        EXPECT_EQ(weight_sums_of(node.influences).points, 0U);
    }
    EXPECT_LT(shape_drift(scene, result.scene), 0.1) << "of a bird that is 161 metres tall";
    EXPECT_NE(result.account.find(std::to_string(before)), std::string::npos) << result.account;
    EXPECT_EQ(done(result.scene, {"normalize_weights"}).account, "all weights sum to 1 already");
}

TEST(RescaleWeights, PointsThatNothingHoldsAreSaid) {
    Scene scene = tower({"root", "a"});
    influences_of(scene).weights.edit()[0] = 0;
    const StepResult result = done(scene, {"normalize_weights"});
    ASSERT_EQ(result.could_not.size(), 1U);
    EXPECT_NE(result.could_not[0].find("1 vertex without weights"), std::string::npos);
}

TEST(LimitInfluences, KeepsTheHeaviestAndSaysTheLoss) {
    Scene scene = tower({"root", "a", "b"});
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> joints;
    std::vector<float> weights;
    for (int point = 0; point < 9; ++point) {
        joints.insert(joints.end(), {0, 1, 2});
        weights.insert(weights.end(), {0.2F, 0.5F, 0.3F});
        offsets.push_back(static_cast<uint32_t>(joints.size()));
    }
    influences_of(scene) = {std::move(offsets), std::move(joints), std::move(weights)};
    const StepResult result = done(scene, {"limit_influences", {{"max_influences", 2}}});
    const Influences& rows = influences_of(result.scene);
    ASSERT_EQ(rows.joints.size(), 18U);
    EXPECT_EQ(rows.joints[0], 1);
    EXPECT_EQ(rows.joints[1], 2);
    EXPECT_FLOAT_EQ(rows.weights[0], 0.625F);
    EXPECT_FLOAT_EQ(rows.weights[1], 0.375F);
    EXPECT_NE(result.account.find("9 vertices brought to 2"), std::string::npos) << result.account;
    EXPECT_NE(result.account.find("0.200"), std::string::npos) << result.account;
    EXPECT_EQ(points_with_more_than(influences_of(result.scene), 2), 0U);
    EXPECT_FALSE(apply_step(scene, {"limit_influences", {{"max_influences", 0}}}).ok());
    EXPECT_FALSE(apply_step(scene, {"limit_influences"}).ok());
}

TEST(LimitInfluences, ARowWithoutMoreStaysAsItWas) {
    Scene scene = tower({"root", "a"});
    const Influences before = influences_of(scene);
    const InfluenceLoss loss = limit_influences(influences_of(scene), 4);
    EXPECT_EQ(loss.points, 0U);
    EXPECT_EQ(before.joints.get(), influences_of(scene).joints.get());
    EXPECT_EQ(before.weights.get(), influences_of(scene).weights.get());
}

TEST(DropEmptyShapes, TakesNamesWeightsAndKeysAlong) {
    Scene scene = tower({"root", "a"});
    Mesh& mesh = scene.meshes[0];
    const auto shape = [](const std::string& name, float by) {
        MorphTarget made;
        made.name = name;
        if (by != 0) {
            made.points = std::vector<uint32_t>{2};
            made.positions = std::vector<Vec3f>{Vec3f(0, by, 0)};
        }
        return made;
    };
    mesh.shapes = {shape("blink", 0.1F), shape("unused", 0), shape("puff", 0.2F), shape("hair", 0.00001F)};
    mesh.shape_weights = {0.1F, 0.2F, 0.3F, 0.4F};
    Clip clip;
    clip.name = "talk";
    clip.seconds = 1;
    Channel channel;
    channel.node = scene.find_node("tower");
    channel.path = Path::weights;
    channel.width = 4;
    channel.times = std::vector<float>{0, 1};
    channel.values = std::vector<float>{0, 1, 2, 3, 4, 5, 6, 7};
    clip.channels.push_back(channel);
    scene.clips.push_back(clip);
    const StepResult result = done(scene, {"remove_empty_shapes"});
    const Mesh& after = result.scene.meshes[0];
    ASSERT_EQ(after.shapes.size(), 3U);
    EXPECT_EQ(after.shapes[1].name, "puff");
    EXPECT_EQ(after.shape_weights, (std::vector<float>{0.1F, 0.3F, 0.4F}));
    EXPECT_EQ(result.scene.clips[0].channels[0].values.get(), (std::vector<float>{0, 2, 3, 4, 6, 7}));
    EXPECT_EQ(result.scene.clips[0].channels[0].width, 3);
    EXPECT_EQ(shape_drift(scene, result.scene), 0);
    const StepResult more = done(scene, {"remove_empty_shapes", {{"below_mm", 0.1}}});
    EXPECT_EQ(more.scene.meshes[0].shapes.size(), 2U);
    EXPECT_NE(more.account.find("unused, hair"), std::string::npos) << more.account;
    EXPECT_FALSE(apply_step(scene, {"remove_empty_shapes", {{"below_mm", -1}}}).ok());
}

TEST(DropEmptyShapes, OneThatChangesColoursStays) {
    Scene scene = tower({"root"});
    MorphTarget blush;
    blush.name = "blush";
    blush.points = std::vector<uint32_t>{2};
    blush.positions = std::vector<Vec3f>{Vec3f::Zero()};
    blush.attributes = {{"COLOR_0", 3, std::vector<float>(blush.points.size() * 3, 0.0F)}};
    MorphTarget pale = blush;
    pale.name = "pale";
    blush.attributes[0].data.edit()[0] = 0.25F;
    scene.meshes[0].shapes = {blush, pale};
    const StepResult result = done(scene, {"remove_empty_shapes"});
    ASSERT_EQ(result.scene.meshes[0].shapes.size(), 1U);
    EXPECT_EQ(result.scene.meshes[0].shapes[0].name, "blush");
}

TEST(DropEmptyShapes, AChannelOfNothingGoesWithItsShapes) {
    Scene scene = tower({"root"});
    MorphTarget empty;
    empty.name = "empty";
    scene.meshes[0].shapes = {empty};
    Clip clip;
    clip.name = "still";
    clip.seconds = 1;
    Channel channel;
    channel.node = scene.find_node("tower");
    channel.path = Path::weights;
    channel.width = 1;
    channel.times = std::vector<float>{0};
    channel.values = std::vector<float>{0};
    clip.channels.push_back(channel);
    scene.clips.push_back(clip);
    const StepResult result = done(scene, {"remove_empty_shapes"});
    EXPECT_TRUE(result.scene.meshes[0].shapes.empty());
    EXPECT_TRUE(result.scene.clips[0].channels.empty());
}

TEST(RenameSurfaces, SurfacesShapesAndMaterials) {
    Scene scene = tower({"root"});
    MorphTarget shape;
    shape.name = "Blink Left";
    scene.meshes[0].shapes = {shape};
    Material material;
    material.name = "Mat 1";
    material.double_sided = true;
    scene.materials = {material};
    const nlohmann::json rules = {{{"find", "\\s"}, {"replace", "_"}}};
    EXPECT_EQ(done(scene, {"rename_surfaces", {{"what", "shapes"}, {"rules", rules}}}).scene.meshes[0].shapes[0].name,
              "Blink_Left");
    const StepResult materials = done(scene, {"rename_surfaces", {{"what", "materials"}, {"rules", rules}}});
    EXPECT_EQ(materials.scene.materials[0].name, "Mat_1");
    EXPECT_TRUE(materials.scene.materials[0].double_sided);
    const StepResult surfaces =
        done(scene, {"rename_surfaces", {{"what", "surfaces"}, {"names", {{"tower", "keep"}}}}});
    EXPECT_GE(surfaces.scene.find_node("keep"), 0);
    EXPECT_GE(surfaces.scene.find_node("root"), 0) << "joints are not parts";
    const Result<StepResult> clash =
        apply_step(scene, {"rename_surfaces", {{"what", "surfaces"}, {"names", {{"tower", "root"}}}}});
    ASSERT_FALSE(clash.ok());
    EXPECT_NE(clash.problem().sentence().find("same name: root"), std::string::npos);
    EXPECT_FALSE(apply_step(scene, {"rename_surfaces", {{"what", "bones"}}}).ok());
}

std::vector<std::string> by_rules(const nlohmann::json& rules, const std::vector<std::string>& names) {
    const nlohmann::json given = {{"rules", rules}};
    const Result<RenameRules> read = RenameRules::from_json(given);
    EXPECT_TRUE(read.ok()) << (read.ok() ? "" : read.problem().sentence());
    std::vector<std::string> after;
    for (const Result<std::string>& name : read->apply(names)) {
        after.push_back(name ? *name : "! " + name.problem().what);
    }
    return after;
}

TEST(RenameRules, NumbersAreCountedForEachText) {
    using Names = std::vector<std::string>;
    EXPECT_EQ(by_rules({{{"find", "^(finger|toe)_.*$"}, {"replace", "$1_##"}}},
                       {"finger_a", "toe_x", "finger_b", "wing", "finger_c", "toe_y"}),
              (Names{"finger_01", "toe_01", "finger_02", "wing", "finger_03", "toe_02"}));
    EXPECT_EQ(by_rules({{{"find", "^x$"}, {"replace", "#"}}}, {"x", "a#b"}), (Names{"1", "a#b"}));
}

TEST(RenameRules, SideWordsGoToEitherEndOrStay) {
    using Names = std::vector<std::string>;
    const Names names = {"LeftLeg_Hip", "arm_R", "spine", "wing_left_tip", "rig:LeftEye"};
    EXPECT_EQ(by_rules({{{"left", "_l"}, {"right", "_r"}}}, names),
              (Names{"Leg_Hip_l", "arm_r", "spine", "wing_tip_l", "rig:Eye_l"}));
    EXPECT_EQ(by_rules({{{"left", "L_"}, {"right", "R_"}, {"at", "start"}}}, {"arm_R", "leg.left"}),
              (Names{"R_arm", "L_leg"}));
    EXPECT_EQ(by_rules({{{"left", "lt"}, {"right", "rt"}, {"at", "there"}}}, {"wing_left_tip"}),
              (Names{"wing_lt_tip"}));
}

TEST(RenameRules, LettersOfAllNamesOrOfSome) {
    using Names = std::vector<std::string>;
    EXPECT_EQ(by_rules({{{"case", "lower"}}}, {"Leg_Hip", "ARM"}), (Names{"leg_hip", "arm"}));
    EXPECT_EQ(by_rules({{{"case", "upper"}, {"find", "^l"}}}, {"leg", "arm"}), (Names{"LEG", "arm"}));
    EXPECT_EQ(by_rules({{{"case", "first"}}}, {"leg_hip 2a"}), (Names{"Leg_Hip 2a"}));
    for (const char* bad : {R"([{"case":"small"}])", R"([{"left":"_l"}])", R"([{"left":"a","right":"b","at":"top"}])",
                            R"([{"replace":"b"}])", R"([{"case":"lower","find":"("}])"}) {
        const nlohmann::json given = {{"rules", nlohmann::json::parse(bad)}};
        EXPECT_FALSE(RenameRules::from_json(given).ok()) << bad;
    }
}

TEST(RenameRules, PreviewShowsEveryNameAndItsClashes) {
    const nlohmann::json given = {{"rules", {{{"find", "_[LR]$"}, {"replace", ""}}}}, {"names", {{"tail", "fan"}}}};
    const Result<RenameRules> rules = RenameRules::from_json(given);
    ASSERT_TRUE(rules.ok());
    const std::vector<RenameRow> rows = preview_rename({"arm_L", "arm_R", "leg_L", "tail", "_L"}, {"leg"}, *rules);
    ASSERT_EQ(rows.size(), 5U);
    EXPECT_EQ(rows[0].after, "arm");
    EXPECT_FALSE(rows[0].clash.empty());
    EXPECT_FALSE(rows[1].clash.empty());
    EXPECT_EQ(rows[2].after, "leg");
    EXPECT_FALSE(rows[2].clash.empty()) << "a name that stays is met";
    EXPECT_EQ(rows[3].after, "fan");
    EXPECT_TRUE(rows[3].clash.empty());
    EXPECT_NE(rows[4].clash.find("leave nothing"), std::string::npos);
}

TEST(RenameJoints, NamesOneByOneWinOverTheRules) {
    const Scene scene = tower({"root", "Spine_A", "Spine_B"});
    const StepResult result = done(scene, {"rename_joints",
                                           {{"rules", {{{"find", "Spine"}, {"replace", "back"}}}},
                                            {"names", {{"Spine_B", "chest"}, {"gone", "nowhere"}}}}});
    EXPECT_GE(result.scene.find_node("back_A"), 0);
    EXPECT_GE(result.scene.find_node("chest"), 0);
    ASSERT_EQ(result.could_not.size(), 1U);
    EXPECT_NE(result.could_not[0].find("gone"), std::string::npos);
    EXPECT_FALSE(apply_step(scene, {"rename_joints", {{"names", {{"root", 3}}}}}).ok());
    EXPECT_FALSE(apply_step(scene, {"rename_joints", {{"names", {{"root", "Spine_A"}}}}}).ok());
}

} // namespace
} // namespace wembrix::testing
