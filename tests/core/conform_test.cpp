// What a delivery holds beyond its points: materials and pictures, skins, and what stays out; and how sources come
// together.
#include "core/delivery/arrival_check.h"
#include "core/delivery/ledger.h"
#include "core/delivery/made_from.h"
#include "core/destination/conform.h"
#include "core/destination/prune.h"
#include "core/job/assemble.h"
#include "core/job/replay.h"
#include "core/measure/scene/drift.h"
#include "core/measure/surface/deform.h"
#include "random_skin.h"
#include "small_scenes.h"
#include "through_a_file.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

namespace wembrix::testing {
namespace {

using nlohmann::json;

/// A tower whose material is the second of three; the first shares a picture with it, the third has its own.
Scene painted() {
    Scene scene = tower({"root", "a"});
    const auto material = [&](const std::string& name, int texture) {
        Material made;
        made.name = name;
        made.base_colour_texture.texture = texture;
        scene.materials.push_back(made);
    };
    material("unused", 0);
    material("skin", 2);
    material("floor", 1);
    scene.textures = {{"", 0, 0, {}}, {"", 1, 0, {}}, {"", 2, 1, {"", R"({"EXT_texture_webp":{"source":3}})", ""}}};
    scene.samplers.resize(2);
    scene.samplers[1].wrap_u = Wrap::clamp;
    for (uint8_t k = 0; k < 4; ++k) {
        Image image;
        image.mime = "image/png";
        image.name = std::string("picture_") + static_cast<char>('a' + k);
        image.bytes = std::vector<uint8_t>{k};
        scene.images.push_back(image);
    }
    scene.meshes[0].primitives[0].material = 1;
    return scene;
}

TEST(DropUnusedMaterials, KeepsWhatIsUsedAndPointsAtItsNewPlace) {
    Scene scene = painted();
    drop_unused_materials(scene);
    ASSERT_EQ(scene.materials.size(), 1U);
    EXPECT_EQ(scene.materials[0].name, "skin");
    EXPECT_EQ(scene.meshes[0].primitives[0].material, 0);
    ASSERT_EQ(scene.textures.size(), 1U);
    EXPECT_EQ(scene.textures[0].image, 0);
    EXPECT_EQ(scene.textures[0].sampler, 0);
    EXPECT_EQ(json::parse(scene.textures[0].carried.extensions)["EXT_texture_webp"]["source"], 1);
    ASSERT_EQ(scene.images.size(), 2U);
    EXPECT_EQ(scene.images[0].bytes[0], 2);
    EXPECT_EQ(scene.images[1].bytes[0], 3);
    ASSERT_EQ(scene.samplers.size(), 1U);
    EXPECT_EQ(scene.samplers[0].wrap_u, Wrap::clamp);
    EXPECT_EQ(scene.materials[0].base_colour_texture.texture, 0);
}

TEST(DropUnusedMaterials, SurfacesThatNothingPlacesCountForNothing) {
    Scene scene = painted();
    scene.nodes.back().mesh = -1;
    drop_unused_materials(scene);
    EXPECT_TRUE(scene.materials.empty());
    EXPECT_TRUE(scene.images.empty());
    EXPECT_EQ(scene.meshes[0].primitives[0].material, -1);
}

TEST(DropUnusedMaterials, WhatAVariantShowsStaysAndIsFoundAtItsNewPlace) {
    Scene variants = painted();
    variants.meshes[0].primitives[0].carried.extensions =
        R"({"KHR_materials_variants":{"mappings":[{"material":2,"variants":[0]}]}})";
    const std::string shown = variants.materials[2].name;
    drop_unused_materials(variants);
    ASSERT_EQ(variants.materials.size(), 2U) << "the one it has and the one of its variant";
    const json mapping =
        json::parse(variants.meshes[0].primitives[0].carried.extensions)["KHR_materials_variants"]["mappings"][0];
    EXPECT_EQ(variants.materials.at(mapping["material"].get<size_t>()).name, shown);
}

TEST(ConformModel, EverySkinListsEveryJointAndClipsStayOut) {
    Scene scene = painted();
    Node idle;
    idle.name = "idle";
    idle.parent = 1;
    idle.kind = NodeKind::joint;
    scene.nodes.push_back(idle);
    add_nod(scene, "nod", 1, 0.4, true);
    const Conformed conformed = conform_model(scene, built_in_destinations()[0]);
    ASSERT_EQ(conformed.scene.skins.size(), 1U);
    EXPECT_EQ(conformed.scene.skins[0].joints.size(), 3U);
    EXPECT_TRUE(conformed.scene.clips.empty());
    EXPECT_EQ(conformed.scene.materials.size(), 1U);
    EXPECT_LT(measure_drift_all(scene, conformed.scene, Matching::name, Mat4::Identity()).largest_mm, 1e-3);
}

TEST(ConformModel, TellsWhatLimitingCost) {
    Scene scene = tower({"root", "a", "b"});
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> joints;
    std::vector<float> weights;
    for (int point = 0; point < 9; ++point) {
        joints.insert(joints.end(), {0, 1, 2});
        weights.insert(weights.end(), {0.1F, 0.6F, 0.3F});
        offsets.push_back(static_cast<uint32_t>(joints.size()));
    }
    influences_of(scene) = {std::move(offsets), std::move(joints), std::move(weights)};
    Destination two = built_in_destinations()[0];
    two.influences = 2;
    EXPECT_EQ(conform_model(scene, two).account, "9 vertices brought to 2 influences, the largest weight lost 0.100");
    EXPECT_EQ(conform_model(scene, built_in_destinations()[0]).account, "");
    const Ledger ledger = destination_ledger(scene, two);
    ASSERT_EQ(ledger.size(), 1U);
    EXPECT_TRUE(ledger[0].altered);
    EXPECT_EQ(ledger[0].name, "tower");
    EXPECT_EQ(ledger[0].count, 9U);
    EXPECT_EQ(ledger[0].why, "brought to 2 influences, the largest weight lost 0.100");
    two.container = "bvh";
    for (const LedgerEntry& entry : destination_ledger(scene, two)) {
        EXPECT_FALSE(entry.altered) << "what does not go out at all is not altered, too";
    }
}

TEST(ConformModel, KeepsWhatMovesLeastWhereTheDestinationSaysSo) {
    for (uint32_t seed = 0; seed < 6; ++seed) {
        const Scene scene = testing::random_skin(seed);
        Destination heaviest = any_destination();
        heaviest.influences = 2;
        Destination least = heaviest;
        least.influences_kept = InfluencesKept::least_motion;
        const auto moved = [&](const Destination& destination) {
            Scene out = conform_model(scene, destination).scene;
            EXPECT_LE(out.nodes[static_cast<size_t>(surfaces_of(out)[0])].influences.largest_row(), 2U);
            out.clips = scene.clips;
            for (Clip& clip : out.clips) {
                for (Channel& channel : clip.channels) {
                    channel.node = out.find_node(scene.nodes[static_cast<size_t>(channel.node)].name);
                }
            }
            double sum = 0;
            for (size_t c = 0; c < scene.clips.size(); ++c) {
                Deformer was(scene, {surfaces_of(scene)[0]});
                Deformer now(out, {surfaces_of(out)[0]});
                std::vector<Vec3f> a(was.point_count());
                std::vector<Vec3f> b(now.point_count());
                Pose pose;
                for (int frame = 0; frame < scene.clips[c].frames(); ++frame) {
                    Poser(scene, &scene.clips[c]).at(frame / scene.clips[c].rate, pose);
                    was.points(pose, a);
                    Poser(out, &out.clips[c]).at(frame / scene.clips[c].rate, pose);
                    now.points(pose, b);
                    for (size_t v = 0; v < a.size(); ++v) {
                        sum += (a[v] - b[v]).norm();
                    }
                }
            }
            return sum;
        };
        EXPECT_LT(moved(least), 0.8 * moved(heaviest)) << seed;
        const Ledger ledger = destination_ledger(scene, least);
        const auto said = std::find_if(ledger.begin(), ledger.end(),
                                       [](const LedgerEntry& entry) { return entry.what == "weights"; });
        ASSERT_NE(said, ledger.end());
        EXPECT_NE(said->why.find("moves least"), std::string::npos) << said->why;
        // Which weights stay depends on the motion, and so does what a file of the model is made from.
        Scene stiller = scene;
        stiller.clips.pop_back();
        EXPECT_NE(content_of_model(scene, least, "job"), content_of_model(stiller, least, "job"));
        EXPECT_EQ(content_of_model(scene, heaviest, "job"), content_of_model(stiller, heaviest, "job"));
        EXPECT_EQ(destination_from_json(destination_to_json(least), "")->influences_kept, InfluencesKept::least_motion);
    }
    nlohmann::json wrong = destination_to_json(built_in_destinations()[0]);
    wrong["influences_kept"] = "lightest";
    EXPECT_FALSE(destination_from_json(wrong, "").ok());
}

TEST(BakeClip, StartsAtZeroAndKeepsTheLastFrame) {
    Scene scene = tower({"root", "a"});
    Clip& clip = add_nod(scene, "nod", 1, 0.4, true, 61);
    clip.start_s = 0.5;
    clip.seconds = 1;
    for (const double rate : {24.0, 30.0, 60.0}) {
        const Clip baked = bake_clip(scene, clip, rate);
        EXPECT_EQ(baked.start_s, 0);
        EXPECT_EQ(baked.frames(), static_cast<int>(rate) + 1);
        EXPECT_EQ(baked.channels.front().times[0], 0);
        EXPECT_NEAR(baked.channels.front().times.get().back(), 1, 1e-6);
    }
    // A length that is no whole number of frames is lengthened to the next, never cut.
    clip.seconds = 1.01;
    EXPECT_EQ(bake_clip(scene, clip, 30).frames(), 32);
}

TEST(Assemble, ATakeFileGivesItsMotionToTheModel) {
    NamedScene model{"model.glb", tower({"rig:root", "rig:a"})};
    NamedScene take{"take.gltf", tower({"cap:root", "cap:a"})};
    take.scene.nodes.pop_back();
    take.scene.meshes.clear();
    take.scene.skins.clear();
    add_nod(take.scene, "walk", 1, 0.3, true);
    const Scene scene = assemble({model, take});
    EXPECT_EQ(scene.nodes.size(), model.scene.nodes.size());
    ASSERT_EQ(scene.clips.size(), 1U);
    EXPECT_EQ(scene.nodes[scene.clips[0].channels[0].node].name, "rig:a") << "prefixes are ignored";
    EXPECT_TRUE(scene.notes.empty());
}

TEST(Assemble, WhatFindsNoPlaceIsSaid) {
    NamedScene model{"model.glb", tower({"root", "a"})};
    NamedScene take{"take.gltf", tower({"root", "a", "gone"})};
    add_nod(take.scene, "walk", 2, 0.3, true);
    add_nod(take.scene, "run", 1, 0.3, true);
    const Scene scene = assemble({model, take});
    ASSERT_EQ(scene.clips.size(), 2U);
    EXPECT_TRUE(scene.clips[0].channels.empty());
    ASSERT_FALSE(scene.notes.empty());
    EXPECT_EQ(scene.notes[0].where, "take.gltf");
    EXPECT_NE(scene.notes[0].what.find("gone"), std::string::npos);
}

TEST(Assemble, APropStandsBesideWithItsOwnNamesAndPictures) {
    NamedScene model{"model.glb", painted()};
    NamedScene prop{"prop.glb", painted()};
    add_nod(prop.scene, "swing", 1, 0.2, true);
    for (Node& node : prop.scene.nodes) {
        node.name = node.name == "tower" ? "tower" : "prop_" + node.name;
    }
    const Scene scene = assemble({model, prop});
    EXPECT_EQ(scene.nodes.size(), model.scene.nodes.size() * 2);
    EXPECT_GE(scene.find_node("tower_2"), 0) << "names stay unique";
    EXPECT_EQ(scene.nodes[scene.find_node("tower_2")].skin, 1);
    EXPECT_EQ(scene.meshes[1].primitives[0].material, 4);
    EXPECT_EQ(scene.materials[4].base_colour_texture.texture, 5);
    EXPECT_EQ(scene.textures[5].image, 6);
    EXPECT_EQ(json::parse(scene.textures[5].carried.extensions)["EXT_texture_webp"]["source"], 7);
    std::set<int64_t> identities;
    for (const Node& node : scene.nodes) {
        EXPECT_TRUE(identities.insert(node.identity).second) << node.name;
    }
    EXPECT_EQ(scene.nodes[scene.clips[0].channels[0].node].name, "prop_a");
}

TEST(Replay, EditingAStepCostsThatOneAndThoseAfter) {
    const auto received = std::make_shared<const Scene>(tower({"x:root", "x:a"}));
    std::vector<Step> steps = {{"strip_prefix"}, {"scale", {{"factor", 2.0}}}, {"make_root", {{"name", "top"}}}};
    const Replay first = replay(received, steps);
    steps[1].parameters["factor"] = 3.0;
    const Replay second = replay_again(first, steps);
    EXPECT_EQ(first.outcomes[0].scene, second.outcomes[0].scene) << "kept, not made again";
    EXPECT_NE(first.outcomes[1].scene, second.outcomes[1].scene);
    EXPECT_NEAR(second.moved()(0, 0), 3, 1e-12);
    steps[1].on = false;
    const Replay third = replay_again(second, steps);
    EXPECT_EQ(third.outcomes[1].account, "off");
    EXPECT_NEAR(third.moved()(0, 0), 1, 1e-12);
    EXPECT_TRUE(third.problems().empty());
}

TEST(ConformModel, AJointThatRestsAtNoSizeArrives) {
    Scene scene = tower({"root", "hidden", "spine"});
    scene.nodes[1].rest.scale = Vec3::Zero();
    add_nod(scene, "nod", 0, 0.3, true);
    const Destination destination = any_destination();
    for (const Scene& conformed :
         {conform_model(scene, destination).scene, conform_clip(scene, scene.clips[0], destination).scene}) {
        for (const Skin& skin : conformed.skins) {
            for (const Mat4& bind : skin.inverse_binds) {
                EXPECT_TRUE(bind.allFinite());
            }
        }
        EXPECT_EQ(through_a_file(conformed).find_node("hidden") >= 0, true);
    }
}

/// A skinned surface in a group that stands elsewhere, with a bag below it or not.
Scene grouped(bool with_bag) {
    Scene scene = tower({"root", "spine"});
    Node group;
    group.name = "group";
    group.identity = 50;
    group.rest.translation = Vec3(3, 0, 0);
    scene.nodes.push_back(group);
    const int surface = scene.find_node("tower");
    scene.nodes[static_cast<size_t>(surface)].parent = static_cast<int>(scene.nodes.size()) - 1;
    scene.nodes[static_cast<size_t>(surface)].rest.translation = Vec3(0, 2, 0);
    if (with_bag) {
        Node bag;
        bag.name = "bag";
        bag.identity = 51;
        bag.parent = surface;
        bag.rest.translation = Vec3(0, 0, 1);
        scene.nodes.push_back(bag);
    }
    reorder_nodes(scene, sorted_order(scene.nodes));
    classify_nodes(scene);
    return scene;
}

TEST(ConformModel, ASkinnedSurfaceInAGroupArrivesAndWhatHangsBelowItStandsWhereItDid) {
    for (const bool with_bag : {false, true}) {
        const Scene scene = grouped(with_bag);
        const Destination destination = any_destination();
        const Scene conformed = conform_model(scene, destination).scene;
        const Scene arrived = through_a_file(conformed);
        Arrival arrival;
        check_model(scene, arrived, destination, arrival);
        EXPECT_EQ(arrival.state, CellState::arrived) << arrival.reason;
        const Node& surface = arrived.nodes[static_cast<size_t>(arrived.find_node("tower"))];
        EXPECT_EQ(surface.parent < 0, !with_bag) << "at the top where nothing hangs below it";
        if (with_bag) {
            const Vec3 place = rest_world(arrived)[static_cast<size_t>(arrived.find_node("bag"))].col(3).head<3>();
            EXPECT_NEAR((place - Vec3(3, 2, 1)).norm(), 0, 1e-6);
        }
    }
}

/// A surface with a shape that stands between two joints, is moved by a clip, and that no skin lists.
TEST(ConformModel, ASurfaceBetweenJointsIsNoBone) {
    Scene scene = tower({"root", "spine", "head"});
    scene.skins[0].joints.pop_back();
    scene.skins[0].inverse_binds.pop_back();
    for (uint16_t& joint : influences_of(scene).joints.edit()) {
        joint = std::min<uint16_t>(joint, 1);
    }
    Mesh puff = scene.meshes[0];
    puff.name = "collar_mesh";
    MorphTarget shape;
    shape.name = "puff";
    shape.points = std::vector<uint32_t>{0};
    shape.positions = std::vector<Vec3f>{{0, 0, 0.1F}};
    puff.shapes = {shape};
    scene.meshes.push_back(puff);
    scene.nodes[1].name = "collar";
    scene.nodes[1].mesh = 1;
    // Listed by the skin are the root and the head; the collar stands between them.
    scene.skins[0].joints = {0, 2};
    scene.skins[0].inverse_binds = {Mat4::Identity(), translating(Vec3(0, -2, 0))};
    classify_nodes(scene);
    ASSERT_EQ(scene.nodes[1].kind, NodeKind::joint);
    add_nod(scene, "nod", 1, 0.5, false);
    Channel weights;
    weights.node = 1;
    weights.path = Path::weights;
    weights.width = 1;
    weights.times = std::vector<float>{0, 1};
    weights.values = std::vector<float>{0, 1};
    scene.clips[0].channels.push_back(weights);
    const Destination destination = any_destination();
    const Scene model = conform_model(scene, destination).scene;
    const Scene clip = conform_clip(scene, scene.clips[0], destination).scene;
    for (const Scene& conformed : {model, clip}) {
        ASSERT_EQ(conformed.skins.size(), 1U);
        std::vector<std::string> listed;
        for (const int joint : conformed.skins[0].joints) {
            listed.push_back(conformed.nodes[static_cast<size_t>(joint)].name);
        }
        EXPECT_EQ(listed, (std::vector<std::string>{"root", "head"}));
    }
    Arrival arrival;
    check_model(scene, through_a_file(model), destination, arrival);
    EXPECT_EQ(arrival.state, CellState::arrived) << arrival.reason;
    const Scene moved = through_a_file(clip);
    ASSERT_EQ(moved.clips.size(), 1U);
    const int collar = moved.find_node("collar");
    EXPECT_EQ(std::count_if(moved.clips[0].channels.begin(), moved.clips[0].channels.end(),
                            [&](const Channel& channel) { return channel.node == collar; }),
              4)
        << "moved as a joint is, and its shape with it";
}

} // namespace
} // namespace wembrix::testing
