// What stays behind is in the ledger, once, with who left it out; what arrives is not.
#include "core/delivery/ledger.h"
#include "core/destination/conform.h"
#include "core/job/card_ledger.h"
#include "core/job/job.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "through_a_file.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

std::vector<std::string> told(const Ledger& ledger) {
    std::vector<std::string> lines;
    for (const LedgerEntry& entry : ledger) {
        lines.push_back(entry.what + " " + entry.name);
    }
    return lines;
}

Scene with_everything() {
    Scene scene = tower({"root", "spine", "neck"});
    Mesh& mesh = scene.meshes[0];
    mesh.attributes = {{"TEXCOORD_0", 2, std::vector<float>(2 * mesh.point_count(), 0.5F)},
                       {"COLOR_0", 4, std::vector<float>(4 * mesh.point_count(), 1)}};
    mesh.primitives[0].attributes = {"TEXCOORD_0", "COLOR_0"};
    MorphTarget shape;
    shape.name = "smile";
    shape.points = std::vector<uint32_t>{0};
    shape.positions = std::vector<Vec3f>{{0.1F, 0, 0}};
    mesh.shapes = {shape};
    Material material;
    material.name = "plumage";
    scene.materials = {material};
    mesh.primitives[0].material = 0;
    add_nod(scene, "nod", 1, 0.4, true);
    add_nod(scene, "shake", 2, 0.4, true);
    classify_nodes(scene);
    return scene;
}

Replay replayed(const Scene& scene, const std::vector<Step>& steps) {
    return replay(std::make_shared<const Scene>(scene), steps);
}

TEST(Ledger, NothingIsLeftByWhatOnlyRenamesOrMoves) {
    const Replay made =
        replayed(with_everything(), {{"rename_joints", {{"names", {{"spine", "back"}}}}},
                                     {"scale", {{"factor", 2}}},
                                     {"rotate", {{"degrees", 90}, {"about", "+Y"}}},
                                     {"rename_surfaces", {{"what", "shapes"}, {"names", {{"smile", "grin"}}}}},
                                     {"bake", {{"rate", 30}}}});
    EXPECT_TRUE(made.problems().empty()) << made.problems().front();
    EXPECT_TRUE(card_ledger(made).empty()) << told(card_ledger(made)).front();
}

TEST(Ledger, ANodeThatGoesIsToldOnceAndNothingThatItCarried) {
    const Replay made = replayed(with_everything(), {{"leave_behind", {{"names", {"tower"}}}}});
    const Ledger ledger = card_ledger(made);
    ASSERT_EQ(ledger.size(), 1U) << told(ledger)[1];
    EXPECT_EQ(ledger[0].what, "surface");
    EXPECT_EQ(ledger[0].name, "tower");
    EXPECT_EQ(ledger[0].by, LedgerEntry::By::card);
    EXPECT_EQ(ledger[0].step, 0);
    EXPECT_EQ(ledger[0].why, "Leave behind");
    EXPECT_EQ(ledger_said(ledger), "1 thing stayed behind: 1 by your card");
}

TEST(Ledger, PartsOfWhatStaysAreToldByName) {
    const Scene before = with_everything();
    const auto left = [&](void (*change)(Scene&)) {
        Scene after = before;
        change(after);
        std::vector<std::string> lines;
        for (const Thing& thing : left_between(before, after)) {
            lines.push_back(thing.what + " " + thing.name);
        }
        return lines;
    };
    using Lines = std::vector<std::string>;
    EXPECT_EQ(left([](Scene&) {}), Lines());
    EXPECT_EQ(left([](Scene& s) { s.meshes[0].attributes.pop_back(); }), Lines{"vertex colours tower, COLOR_0"});
    EXPECT_EQ(left([](Scene& s) { s.meshes[0].shapes.clear(); }), Lines{"shape tower/smile"});
    EXPECT_EQ(left([](Scene& s) { s.meshes[0].primitives[0].material = -1; }), Lines{"material tower, plumage"});
    EXPECT_EQ(left([](Scene& s) { s.meshes[0].primitives[0].has_normals = false; }), Lines{"normals tower"});
    EXPECT_EQ(left([](Scene& s) { s.nodes.back().influences = {}; }), Lines{"weights tower"});
    EXPECT_EQ(left([](Scene& s) { s.clips.pop_back(); }), Lines{"take shake"});
    EXPECT_EQ(left([](Scene& s) { s.clips[0].channels.clear(); }), Lines{"rotation keys nod, spine"});
}

TEST(Ledger, WhatAContainerCannotHoldIsSaidOfIt) {
    Destination destination = built_in_destinations()[1];
    EXPECT_TRUE(destination_ledger(with_everything(), destination).empty())
        << told(destination_ledger(with_everything(), destination)).front();
    destination.container = "bvh";
    const Ledger ledger = destination_ledger(with_everything(), destination);
    ASSERT_FALSE(ledger.empty());
    EXPECT_TRUE(std::all_of(ledger.begin(), ledger.end(),
                            [](const LedgerEntry& entry) { return entry.by == LedgerEntry::By::container; }));
    const std::vector<std::string> lines = told(ledger);
    EXPECT_NE(std::find(lines.begin(), lines.end(), "surface tower"), lines.end());
    EXPECT_NE(std::find(lines.begin(), lines.end(), "shape tower/smile"), lines.end());
    EXPECT_EQ(std::find(lines.begin(), lines.end(), "joint root"), lines.end()) << "a BVH holds joints";
    EXPECT_EQ(std::find(lines.begin(), lines.end(), "take nod"), lines.end()) << "and motion";
}

TEST(Ledger, ClipsThatStayAreTheJobs) {
    Scene scene = with_everything();
    scene.clips[1].deliver = false;
    const Ledger ledger = destination_ledger(scene, built_in_destinations()[1]);
    ASSERT_EQ(ledger.size(), 1U);
    EXPECT_EQ(ledger[0].what + " " + ledger[0].name, "take shake");
    EXPECT_EQ(ledger[0].by, LedgerEntry::By::card);
}

TEST(Ledger, AClipThatEndsBetweenTwoFramesIsSaidToBeLonger) {
    Scene scene = with_everything();
    scene.clips[0].seconds = 0.958;
    Destination destination = any_destination();
    const Ledger left = destination_ledger(scene, destination);
    ASSERT_EQ(left.size(), 1U);
    EXPECT_EQ(told(left), std::vector<std::string>{"clip length nod"});
    EXPECT_NE(left[0].why.find("8.7 ms longer"), std::string::npos) << left[0].why;
    EXPECT_EQ(ledger_said(left), "1 is altered");
    EXPECT_EQ(ledger_to_json(left)[0]["altered"], true);
    EXPECT_EQ(destination_ledger_of_takes(scene, destination).size(), 1U);
    destination.rate = 500;
    EXPECT_TRUE(destination_ledger(scene, destination).empty());
}

TEST(Ledger, ThingsThatDifferInNameAloneAreSummed) {
    using By = LedgerEntry::By;
    const Ledger many = {{"rotation keys", "a, tail", 30, "not there", By::card, 2},
                         {"rotation keys", "b, tail", 12, "not there", By::card, 2},
                         {"rotation keys", "c, tail", 1, "not there", By::card, 3},
                         {"rotation keys", "d, tail", 1, "no place", By::card, 2},
                         {"rotation keys", "e, tail", 1, "not there", By::destination, 2},
                         {"scale keys", "f, tail", 1, "not there", By::card, 2}};
    const Ledger sums = summed(many);
    ASSERT_EQ(sums.size(), 5U) << "another step, reason, or who left it out is another row";
    EXPECT_EQ(sums[0].count, 42U);
    EXPECT_EQ(sums[0].name, "") << "of several";
    EXPECT_EQ(sums[1].name, "c, tail") << "of one alone it keeps its name";
    EXPECT_TRUE(summed({}).empty());
    size_t before = 0;
    size_t after = 0;
    for (const LedgerEntry& entry : many) {
        before += entry.count;
    }
    for (const LedgerEntry& entry : sums) {
        after += entry.count;
    }
    EXPECT_EQ(before, after);
}

TEST(Ledger, IsTheSameInJson) {
    Ledger ledger;
    add_left(ledger, {{"joint", "tip", 1, 4, 0, "", true}}, LedgerEntry::By::card, "Remove joints", 2);
    add_left(ledger, {{"shape", "body/smile", 1, 9, 0, "smile", false}}, LedgerEntry::By::container,
             "a .bvh file holds none");
    const nlohmann::json json = ledger_to_json(ledger);
    ASSERT_EQ(json.size(), 2U);
    EXPECT_EQ(
        json[0],
        (nlohmann::json{
            {"what", "joint"}, {"name", "tip"}, {"count", 1}, {"why", "Remove joints"}, {"by", "card"}, {"step", 2}}));
    EXPECT_FALSE(json[1].contains("step"));
    EXPECT_EQ(json[1]["by"], "container");
    EXPECT_EQ(ledger_said(ledger), "2 things stayed behind: 1 by your card, 1 the container does not hold");
}

class LedgerOnRandomRigs : public ::testing::TestWithParam<int> {};

/// Prepared and the ledger together hold each node of what was received, whatever the card does.
TEST_P(LedgerOnRandomRigs, WhatIsPreparedAndWhatIsLeftAreTheWhole) {
    const Scene rig = random_rig(static_cast<uint32_t>(GetParam()), options_for(static_cast<uint32_t>(GetParam())));
    std::vector<Step> steps = {{"bake_parent_transforms"}, {"make_root", {{"name", "the_root"}}}};
    const std::vector<int> joints = joints_of(rig);
    if (joints.size() > 3) {
        steps.push_back({"remove_joints", {{"names", {rig.nodes[static_cast<size_t>(joints.back())].name}}}});
    }
    steps.push_back({"remove_empty_shapes"});
    const Replay made = replayed(rig, steps);
    const Ledger ledger = card_ledger(made);
    for (const Node& node : rig.nodes) {
        const bool is_there = node.identity != 0 && made.prepared().find_identity(node.identity) >= 0;
        const auto entries = std::count_if(ledger.begin(), ledger.end(), [&](const LedgerEntry& entry) {
            return entry.name == node.name && entry.what != "note";
        });
        const bool is_joined =
            std::any_of(made.prepared().nodes.begin(), made.prepared().nodes.end(), [&](const Node& other) {
                return std::any_of(other.pieces.begin(), other.pieces.end(),
                                   [&](const Piece& piece) { return piece.identity == node.identity; });
            });
        if (!is_there && !is_joined) {
            EXPECT_EQ(entries, 1) << node.name;
        }
    }
}

INSTANTIATE_TEST_SUITE_P(Seeds, LedgerOnRandomRigs, ::testing::Range(0, static_cast<int>(share_of_seeds(40))));

TEST(Ledger, FilesOfMotionAloneHoldWhatIsMovedAndNoCameras) {
    Scene scene;
    for (const char* name : {"still", "moving"}) {
        Node node;
        node.name = name;
        node.kind = NodeKind::camera;
        node.camera = 0;
        node.identity = static_cast<int64_t>(scene.nodes.size()) + 1;
        scene.nodes.push_back(node);
    }
    scene.cameras.resize(1);
    add_nod(scene, "pan", 1, 0.4, true);
    const std::vector<std::string> lines = told(destination_ledger(scene, built_in_destinations()[1]));
    EXPECT_EQ(lines, (std::vector<std::string>{"camera still", "camera moving"}));
}

TEST(Ledger, ASkinThatNoSurfaceHasIsToldAndOneThatSaysSomethingIsKept) {
    Scene scene = with_everything();
    ASSERT_FALSE(scene.skins.empty());
    Skin spare = scene.skins[0];
    spare.name = "spare";
    scene.skins.push_back(spare);
    scene.skins[0].carried.extras = R"({"fit":"loose"})";
    const Destination destination = built_in_destinations()[1];
    const Ledger ledger = destination_ledger(scene, destination);
    const std::vector<std::string> lines = told(ledger);
    EXPECT_EQ(std::count(lines.begin(), lines.end(), "skin spare"), 1);
    EXPECT_EQ(std::count_if(lines.begin(), lines.end(), [](const auto& line) { return line.starts_with("extras"); }),
              0);
    EXPECT_EQ(conform_model(scene, destination).scene.skins[0].carried.extras, scene.skins[0].carried.extras);
}

} // namespace
} // namespace wembrix::testing
