// Each step on small scenes with the answer known, and what it says when it cannot.
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/steps/names.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "tansy_scene.h"

#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

using nlohmann::json;

Scene chain(const std::vector<std::string>& names) {
    Scene scene;
    Skin skin;
    for (size_t i = 0; i < names.size(); ++i) {
        Node node;
        node.name = names[i];
        node.parent = static_cast<int>(i) - 1;
        node.kind = NodeKind::joint;
        node.rest.translation = Vec3(0, 1, 0);
        node.identity = static_cast<int64_t>(i) + 1;
        skin.joints.push_back(static_cast<int>(i));
        skin.inverse_binds.push_back(Mat4::Identity());
        scene.nodes.push_back(node);
    }
    scene.skins.push_back(skin);
    return scene;
}

std::string why_not(const Scene& scene, const Step& step) {
    const Result<StepResult> result = apply_step(scene, step);
    EXPECT_FALSE(result.ok()) << step.id << " was expected to refuse";
    return result.ok() ? "" : result.problem().sentence();
}

TEST(StripPrefix, TakesAnyDepthOffAndLeavesClashesAlone) {
    const Scene scene = chain({"a:b:c:hip", "x:knee", "y:knee", "foot", "odd:"});
    const Result<StepResult> result = apply_step(scene, {"strip_prefix"});
    ASSERT_TRUE(result.ok());
    EXPECT_EQ(result->scene.nodes[0].name, "hip");
    EXPECT_EQ(result->scene.nodes[1].name, "x:knee");
    EXPECT_EQ(result->scene.nodes[2].name, "y:knee");
    EXPECT_EQ(result->scene.nodes[3].name, "foot");
    EXPECT_EQ(result->scene.nodes[4].name, "odd:");
    ASSERT_EQ(result->could_not.size(), 1U);
    EXPECT_NE(result->could_not[0].find("x:knee"), std::string::npos);
    EXPECT_EQ(scene.nodes[0].name, "a:b:c:hip") << "the scene before must stay as it is";
}

TEST(RenameJoints, RulesRunInOrderWithGroups) {
    const Scene scene = chain({"LeftLeg_Hip", "RightLeg_Hip", "spine"});
    const Result<StepResult> result = apply_step(scene, {"rename_joints",
                                                         {{"rules",
                                                           {{{"find", "^Left(.*)$"}, {"replace", "$1_l"}},
                                                            {{"find", "^Right(.*)$"}, {"replace", "$1_r"}},
                                                            {{"find", "^Leg_Hip"}, {"replace", "hip"}}}}}});
    ASSERT_TRUE(result.ok()) << result.problem().sentence();
    EXPECT_EQ(result->scene.nodes[0].name, "hip_l");
    EXPECT_EQ(result->scene.nodes[1].name, "hip_r");
    EXPECT_EQ(result->scene.nodes[2].name, "spine");
}

TEST(RenameJoints, ClashesEmptyNamesAndBrokenRulesAreRefused) {
    const Scene scene = chain({"a_1", "a_2"});
    EXPECT_NE(why_not(scene, {"rename_joints", {{"rules", {{{"find", "_.$"}, {"replace", ""}}}}}}).find("same name"),
              std::string::npos);
    EXPECT_NE(
        why_not(scene, {"rename_joints", {{"rules", {{{"find", ".*"}, {"replace", ""}}}}}}).find("nothing of the name"),
        std::string::npos);
    EXPECT_NE(why_not(scene, {"rename_joints", {{"rules", {{{"find", "("}, {"replace", ""}}}}}}).find("rule 1"),
              std::string::npos);
}

TEST(Resize, ByFactorAndByHeightAgree) {
    const Scene model = demo::tansy_model();
    const Result<StepResult> factor = apply_step(model, {"scale", {{"factor", 0.01}}});
    ASSERT_TRUE(factor.ok());
    EXPECT_NEAR(height_m(factor->scene), 1.62, 0.03);
    const Result<StepResult> height = apply_step(model, {"scale", {{"height_m", height_m(factor->scene)}}});
    ASSERT_TRUE(height.ok());
    EXPECT_NEAR(height_m(height->scene), height_m(factor->scene), 1e-5);
    why_not(model, {"scale", json::object()});
    why_not(model, {"scale", {{"factor", 1}, {"height_m", 2}}});
    why_not(model, {"scale", {{"factor", -1}}});
    why_not(model, {"scale", {{"factor", "big"}}});
    EXPECT_NE(why_not(model, {"scale", {{"faktor", 1}}}).find("faktor"), std::string::npos);
}

TEST(MakeRoot, StandsOnTheGroundBelowTheLargestTree) {
    const Scene scene = demo::tansy_model();
    const Result<StepResult> result = apply_step(scene, {"make_root", {{"name", "root"}, {"position", "ground"}}});
    ASSERT_TRUE(result.ok()) << result.problem().sentence();
    const std::vector<int> roots = root_joints(result->scene);
    ASSERT_EQ(roots.size(), 1U);
    const Node& root = result->scene.nodes[roots[0]];
    EXPECT_EQ(root.name, "root");
    EXPECT_EQ(roots[0], 0) << "the root comes first";
    EXPECT_NEAR(root.rest.translation.y(), character_bounds(scene).low.y(), 1e-6);
    EXPECT_TRUE(root.rest.rotation.isApprox(Quat::Identity()));
    EXPECT_FALSE(result->could_not.empty()) << "the holder below it is said";
    // Once more changes nothing, and a taken name is refused.
    const Result<StepResult> again = apply_step(result->scene, {"make_root", {{"name", "root"}}});
    ASSERT_TRUE(again.ok());
    EXPECT_EQ(again->scene.nodes.size(), result->scene.nodes.size());
    why_not(scene, {"make_root", {{"name", "set_floor"}}});
    why_not(scene, {"make_root", {{"position", "moon"}}});
    why_not(Scene(), {"make_root", {{"name", "root"}}});
}

TEST(FoldHolders, TheDemosTurnGoesIntoTheData) {
    const Scene scene = demo::tansy_model();
    const Result<StepResult> result = apply_step(scene, {"bake_parent_transforms"});
    ASSERT_TRUE(result.ok());
    EXPECT_TRUE(result->could_not.empty());
    EXPECT_NE(result->account.find("-90"), std::string::npos) << result->account;
    EXPECT_EQ(result->scene.find_node("market:tansy_rig:holder"), -1);
    // Rest and bind agree: every joint's inverse bind is the inverse of its place.
    const std::vector<Mat4> world = rest_world(result->scene);
    for (const Skin& skin : result->scene.skins) {
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            EXPECT_TRUE((world[skin.joints[j]] * skin.inverse_binds[j]).isApprox(Mat4::Identity(), 1e-6));
        }
    }
    EXPECT_EQ(facing_of(result->scene)->axis, Axis::pos_z);
    why_not(scene, {"bake_parent_transforms", {{"how", "well"}}});
}

TEST(SplitTake, CutsLookAtTheirPartOfTheTake) {
    const Scene scene = demo::tansy_market_take();
    const Result<StepResult> result = apply_step(
        scene,
        {"split_take",
         {{"take", "capture_07"},
          {"clips", {{{"name", "wade"}, {"start", 214}, {"end", 390}, {"loop", true}, {"colour", "#2F8A72"}}}}}});
    ASSERT_TRUE(result.ok()) << result.problem().sentence();
    ASSERT_EQ(result->scene.clips.size(), 1U);
    const Clip& clip = result->scene.clips[0];
    EXPECT_EQ(clip.frames(), 177);
    EXPECT_NEAR(clip.seconds, 176 / 30.0, 1e-9);
    EXPECT_TRUE(clip.loop);
    EXPECT_TRUE(clip.channels[0].values.same_array(scene.clips[0].channels[0].values)) << "keys are shared, not copied";
}

TEST(SplitTake, RefusesWhatDoesNotFit) {
    const Scene scene = demo::tansy_market_take();
    const auto split = [&](const json& clip) {
        return why_not(scene, {"split_take", {{"take", "capture_07"}, {"clips", json::array({clip})}}});
    };
    EXPECT_NE(split({{"name", "late"}, {"start", 0}, {"end", 900}}).find("900"), std::string::npos);
    split({{"name", "back"}, {"start", 20}, {"end", 10}});
    split({{"name", "half"}, {"start", 0.5}, {"end", 10}});
    split({{"start", 0}, {"end", 10}});
    split({{"name", "red"}, {"start", 0}, {"end", 10}, {"colour", "red"}});
    const json twice = {{"name", "twice"}, {"start", 0}, {"end", 10}};
    EXPECT_NE(why_not(scene, {"split_take", {{"take", "capture_07"}, {"clips", {twice, twice}}}}).find("same name"),
              std::string::npos);
    EXPECT_NE(why_not(scene, {"split_take", {{"take", "nobody"}, {"clips", json::array()}}}).find("capture_07"),
              std::string::npos);
}

TEST(LeaveBehind, ByKindByNameAndNeverWhatIsNeeded) {
    const Scene scene = demo::tansy_model();
    const Result<StepResult> result = apply_step(
        scene, {"leave_behind", {{"kinds", {"camera", "light"}}, {"names", {"set_*", "*ik_world", "*pelvis"}}}});
    ASSERT_TRUE(result.ok()) << result.problem().sentence();
    for (const char* gone :
         {"viewer", "key_lamp", "set_floor", "market:tansy_rig:ik_world", "market:tansy_rig:ik_foot_L"}) {
        EXPECT_EQ(result->scene.find_node(gone), -1) << gone;
    }
    EXPECT_GE(result->scene.find_node("market:tansy_rig:pelvis"), 0);
    ASSERT_FALSE(result->could_not.empty());
    EXPECT_NE(result->could_not[0].find("pelvis"), std::string::npos);
    for (const Skin& skin : result->scene.skins) {
        EXPECT_EQ(skin.joints.size(), skin.inverse_binds.size());
    }
    why_not(scene, {"leave_behind", {{"kinds", {"monster"}}}});
}

TEST(Steps, UnknownOnesAndBrokenCardsAreRefused) {
    why_not(Scene(), {"no_such_step"});
    EXPECT_FALSE(card_from_json(json::array(), "card").ok());
    EXPECT_FALSE(card_from_json({{"steps", {{{"stop", "scale"}}}}}, "card").ok());
    EXPECT_FALSE(card_from_json({{"steps", {{{"step", "paint"}}}}}, "card").ok());
    const Result<std::vector<Step>> card =
        card_from_json({{"steps", {{{"step", "scale"}, {"factor", 2}, {"off", true}}}}}, "card");
    ASSERT_TRUE(card.ok());
    EXPECT_FALSE(card->front().on);
    EXPECT_EQ(step_to_json(card->front()), (json{{"step", "scale"}, {"factor", 2}, {"off", true}}));
}

TEST(Steps, EveryRowIsComplete) {
    for (const StepKind& kind : step_kinds()) {
        EXPECT_FALSE(kind.label.empty()) << kind.id;
        EXPECT_FALSE(kind.why.empty()) << kind.id;
        EXPECT_TRUE(kind.apply) << kind.id;
        for (const Parameter& parameter : kind.parameters) {
            EXPECT_FALSE(parameter.help.empty()) << kind.id << " " << parameter.key;
            EXPECT_FALSE(parameter.label.empty()) << kind.id << " " << parameter.key;
        }
    }
}

TEST(Names, WildcardsAndSides) {
    EXPECT_TRUE(matches_wildcard("set_floor", "set_*"));
    EXPECT_TRUE(matches_wildcard("set_floor", "*fl??r"));
    EXPECT_TRUE(matches_wildcard("", "*"));
    EXPECT_FALSE(matches_wildcard("set_floor", "set"));
    EXPECT_FALSE(matches_wildcard("set_floor", "?"));
    EXPECT_EQ(side_of("rig:LeftLeg_Hip"), Side::left);
    EXPECT_EQ(side_of("hip_r"), Side::right);
    EXPECT_EQ(side_of("l_hand"), Side::left);
    EXPECT_EQ(side_of("toe_inner_1_l"), Side::left);
    EXPECT_EQ(side_of("toe_l_1"), Side::left);
    EXPECT_EQ(side_of("skull"), Side::middle);
    EXPECT_EQ(side_of("all_round"), Side::middle);
    EXPECT_EQ(side_of("upright"), Side::middle);
}

TEST(Steps, WhatHangsBelowTheNodeOfASkinnedSurfaceIsTurnedWithAllElse) {
    Scene scene = tower({"root", "spine"});
    const int surface = scene.find_node("tower");
    Node lamp;
    lamp.name = "lamp";
    lamp.parent = surface;
    lamp.rest.translation = Vec3(1, 2, 0);
    scene.nodes.push_back(lamp);
    classify_nodes(scene);
    const Result<StepResult> turned = apply_step(scene, {"rotate", {{"degrees", 90}, {"about", "+Y"}}});
    ASSERT_TRUE(turned.ok());
    const Vec3 place = rest_world(turned->scene)[static_cast<size_t>(turned->scene.find_node("lamp"))].col(3).head<3>();
    EXPECT_NEAR((place - Vec3(0, 2, -1)).norm(), 0, 1e-9);
}

TEST(Steps, ScaleMakesTheLengthsOfCamerasLightsAndMaterialsLarger) {
    Scene scene = tower({"root"});
    Camera camera;
    camera.near_m = 0.1;
    camera.far_m = 100;
    camera.half_width_m = 3;
    scene.cameras = {camera};
    Light light;
    light.range_m = 5;
    scene.lights = {light};
    Material glass;
    glass.carried.extensions = R"({"KHR_materials_volume":{"attenuationDistance":2.0,"thicknessFactor":0.5}})";
    scene.materials = {glass};
    const Scene larger = apply_step(scene, {"scale", {{"factor", 2}}})->scene;
    EXPECT_DOUBLE_EQ(larger.cameras[0].near_m, 0.2);
    EXPECT_DOUBLE_EQ(larger.cameras[0].far_m, 200);
    EXPECT_DOUBLE_EQ(larger.cameras[0].half_width_m, 6);
    EXPECT_DOUBLE_EQ(larger.lights[0].range_m, 10);
    const auto volume = nlohmann::json::parse(larger.materials[0].carried.extensions)["KHR_materials_volume"];
    EXPECT_EQ(volume["attenuationDistance"], 4.0);
    EXPECT_EQ(volume["thicknessFactor"], 1.0);
}

TEST(NamePatterns, ANameWithAStarOrAQuestionMarkMeansThatThingAlone) {
    const Scene scene = chain({"root", "arm*", "arm_l", "what?", "whats"});
    const NamePatterns names({"arm*", "what?"}, scene);
    EXPECT_TRUE(names.any_fits("arm*"));
    EXPECT_FALSE(names.any_fits("arm_l"));
    EXPECT_FALSE(names.any_fits("whats"));
    const NamePatterns patterns({"w*", "ro?t"}, scene);
    EXPECT_TRUE(patterns.any_fits("whats") && patterns.any_fits("what?") && patterns.any_fits("root"));
    EXPECT_FALSE(patterns.any_fits("arm_l"));
    const Result<StepResult> without = apply_step(scene, {"remove_joints", {{"names", {"arm*"}}}});
    ASSERT_TRUE(without.ok()) << without.problem().sentence();
    EXPECT_EQ(without->scene.find_node("arm*"), -1);
    EXPECT_GE(without->scene.find_node("arm_l"), 0);
    const Scene left = apply_step(scene, {"leave_behind", {{"names", {"what?"}}}})->scene;
    EXPECT_EQ(left.find_node("what?"), -1);
}

TEST(Steps, AdditiveShapesAreAddedToTheWeightThatTheyRestAt) {
    Scene scene = tower({"root", "spine"});
    MorphTarget smile;
    smile.name = "smile";
    smile.points = std::vector<uint32_t>{0};
    smile.positions = std::vector<Vec3f>{{0.1F, 0, 0}};
    scene.meshes[0].shapes = {smile};
    scene.meshes[0].shape_weights = {0.25F};
    Clip clip;
    clip.name = "grin";
    clip.take = 1;
    clip.seconds = 1;
    clip.rate = 2;
    Channel channel;
    channel.node = scene.find_node("tower");
    channel.path = Path::weights;
    channel.width = 1;
    channel.times = std::vector<float>{0, 1};
    channel.values = std::vector<float>{0.5F, 0.75F};
    clip.channels = {channel};
    scene.clips = {clip};
    classify_nodes(scene);
    const Result<StepResult> added = apply_step(scene, {"make_additive", {{"clips", {"grin"}}}});
    ASSERT_TRUE(added.ok()) << added.problem().sentence();
    for (const Channel& made : added->scene.clips[0].channels) {
        if (made.path == Path::weights) {
            EXPECT_NEAR(made.values.get().front(), 0.25F, 1e-6) << "nothing added is the rest";
            EXPECT_NEAR(made.values.get().back(), 0.5F, 1e-6);
        }
    }
}

} // namespace
} // namespace wembrix::testing
