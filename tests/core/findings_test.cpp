#include "core/findings/finding.h"
#include "core/findings/take_names.h"
#include "core/job/assemble.h"
#include "core/job/keep.h"
#include "core/job/replay.h"
#include "core/plan/plan.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "tansy_scene.h"
#include "tubes.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

std::vector<Finding> findings_of(const Scene& scene) {
    return look_for_findings({scene});
}
const Finding* find(const std::vector<Finding>& findings, const std::string& id) {
    const auto found =
        std::find_if(findings.begin(), findings.end(), [&](const Finding& finding) { return finding.id == id; });
    return found == findings.end() ? nullptr : &*found;
}

Scene tansy() {
    Scene scene = demo::tansy_model();
    scene.clips = demo::tansy_market_take().clips;
    return scene;
}

TEST(Findings, TheDemoHasTheFaultsItIsSaidToHave) {
    const std::vector<Finding> findings = findings_of(tansy());
    for (const char* id :
         {"size", "roots", "parent_transform", "name_prefix", "take_name", "stray_weights", "broken_normals"}) {
        const Finding* finding = find(findings, id);
        ASSERT_NE(finding, nullptr) << id;
        EXPECT_FALSE(finding->message.empty());
        EXPECT_FALSE(finding->reason.empty());
        EXPECT_FALSE(finding->where.empty());
        ASSERT_TRUE(finding->step.has_value()) << id;
    }
    EXPECT_EQ(find(findings, "size")->grade, Grade::stop);
    EXPECT_EQ(find(findings, "roots")->grade, Grade::stop);
    EXPECT_TRUE(std::is_sorted(findings.begin(), findings.end(),
                               [](const Finding& a, const Finding& b) { return a.grade < b.grade; }));
}

TEST(Findings, TheStepOfEachMendsIt) {
    Scene scene = tansy();
    for (const char* id : {"broken_normals", "stray_weights", "size", "parent_transform", "name_prefix", "take_name",
                           "roots", "weight_sum", "unweighted_joints", "empty_shape", "expected_size"}) {
        const std::vector<Finding> before = findings_of(scene);
        const Finding* finding = find(before, id);
        ASSERT_NE(finding, nullptr) << id;
        const Result<StepResult> mended = apply_step(scene, *finding->step);
        ASSERT_TRUE(mended.ok()) << id << ": " << mended.problem().sentence();
        scene = mended->scene;
        const std::vector<Finding> after = findings_of(scene);
        EXPECT_EQ(find(after, id), nullptr) << id << " is still there: " << find(after, id)->message;
    }
    EXPECT_TRUE(findings_of(scene).empty());
}

TEST(Findings, ASkeletonThatNoSurfaceFollowsIsNoticedAndBound) {
    const Scene bare = testing::tube_scene({{Vec3(0, 0, 0), Vec3(0, 1, 0)}}, 0.1, 16);
    const Result<StepResult> built =
        apply_step(bare, "build_skeleton",
                   {{"plan", plan_to_json(plan_called("chain").take())}, {"guides", nlohmann::json::array()}});
    ASSERT_TRUE(built.ok()) << built.problem().sentence();
    EXPECT_EQ(find(findings_of(bare), "unbound_surface"), nullptr) << "without a skeleton there is nothing to follow";
    const std::vector<Finding> before = findings_of(built->scene);
    const Finding* finding = find(before, "unbound_surface");
    ASSERT_NE(finding, nullptr);
    EXPECT_EQ(finding->nodes, std::vector<std::string>{"body"});
    const Result<StepResult> bound = apply_step(built->scene, *finding->step);
    ASSERT_TRUE(bound.ok());
    EXPECT_EQ(find(findings_of(bound->scene), "unbound_surface"), nullptr);
    // What hangs on a joint follows it as it is: a lid.
    Scene lid = built->scene;
    lid.nodes.back().parent = 0;
    EXPECT_EQ(find(findings_of(lid), "unbound_surface"), nullptr);
}

TEST(Findings, ATakeOfAnotherBodyIsOneFindingAndRetargeted) {
    std::vector<NamedScene> sources;
    const Result<StepResult> built =
        apply_step(testing::tube_scene({{Vec3(0, 0, 0), Vec3(0, 1, 0)}}, 0.1, 16), "build_skeleton",
                   {{"plan", plan_to_json(plan_called("biped").take())}, {"guides", nlohmann::json::array()}});
    ASSERT_TRUE(built.ok()) << built.problem().sentence();
    sources.push_back({"body.glb", built->scene});
    sources.push_back({"take.gltf", demo::tansy_market_take()});
    Scene scene = sources[0].scene;
    AssemblyOptions options;
    options.role = SourceRole::take;
    add_source(scene, sources[1], 1, options);
    const std::vector<Finding> before = findings_of(scene);
    EXPECT_EQ(std::count_if(before.begin(), before.end(), [](const Finding& f) { return f.id == "lost_motion"; }), 1);
    const Finding* finding = find(before, "lost_motion");
    ASSERT_NE(finding, nullptr);
    ASSERT_TRUE(finding->step.has_value());
    EXPECT_EQ(finding->step->id, "retarget");
    const Result<StepResult> mended = apply_step({scene, {}, {}, sources}, *finding->step);
    ASSERT_TRUE(mended.ok()) << mended.problem().sentence();
    EXPECT_EQ(find(findings_of(mended->scene), "lost_motion"), nullptr);
    ASSERT_EQ(mended->scene.clips.size(), 1U);
    EXPECT_GT(mended->scene.clips[0].channels.size(), 10U);
}

TEST(Findings, ASoundSceneHasNone) {
    Scene scene;
    EXPECT_TRUE(findings_of(scene).empty());
}

TEST(Findings, NamesThatSayNothing) {
    for (const char* name : {"capture_07", "Take (12)", "Clip (3)", "anim", "untitled 2", "12", "Scene.001", ""}) {
        EXPECT_TRUE(is_meaningless_take_name(name)) << name;
    }
    for (const char* name : {"walk", "wade_in", "lift parcel take 2", "scene_walk", "Idle01"}) {
        EXPECT_FALSE(is_meaningless_take_name(name)) << name;
    }
}

TEST(Keep, ATickForEachThing) {
    const Scene scene = tansy();
    Job job;
    job.steps = {{"leave_behind", {{"kinds", {"camera", "light"}}, {"names", {"set_floor"}}}}};
    const int floor = scene.find_node("set_floor");
    const int lamp = scene.find_node("key_lamp");
    const int viewer = scene.find_node("viewer");
    const int body = scene.find_node("market:tansy_rig:tansy_body");
    EXPECT_TRUE(is_left(job, scene, floor));
    EXPECT_TRUE(is_left(job, scene, lamp));
    EXPECT_FALSE(is_left(job, scene, body));
    set_left(job, scene, lamp, false);
    EXPECT_FALSE(is_left(job, scene, lamp));
    EXPECT_TRUE(is_left(job, scene, viewer)) << "the other kind stays left";
    set_left(job, scene, body, true);
    EXPECT_TRUE(is_left(job, scene, body));
    for (const int node : {floor, viewer, body}) {
        set_left(job, scene, node, false);
    }
    EXPECT_TRUE(job.steps.empty()) << "a step that leaves nothing is none";
}

TEST(Findings, APropIsNoCharacterAndMayBeAsSmallAsARing) {
    Scene scene;
    Mesh mesh;
    mesh.positions = std::vector<Vec3f>{{0, 0, 0}, {0.01F, 0, 0}, {0, 0.018F, 0}};
    mesh.indices = std::vector<uint32_t>{0, 1, 2};
    Primitive primitive;
    primitive.point_count = 3;
    primitive.index_count = 3;
    mesh.primitives = {primitive};
    scene.meshes = {mesh};
    Node ring;
    ring.name = "ring";
    ring.mesh = 0;
    scene.nodes = {ring};
    classify_nodes(scene);
    EXPECT_EQ(find(findings_of(scene), "size"), nullptr);
    const Scene huge = apply_step(scene, {"scale", {{"factor", 1e5}}})->scene;
    const std::vector<Finding> found = findings_of(huge);
    const Finding* size = find(found, "size");
    ASSERT_NE(size, nullptr);
    EXPECT_EQ(size->grade, Grade::stop);
    EXPECT_EQ(size->message.find("Character"), std::string::npos) << size->message;
}

TEST(AcceptedStops, AnAcceptedStopIsALookWithItsNote) {
    const Scene scene = tansy();
    const Finding size = *find(findings_of(scene), "size");
    const Result<StepResult> accepted = apply_step(scene, accepting(size, "she is a giant"));
    ASSERT_TRUE(accepted.ok());
    const std::vector<Finding> after = findings_of(accepted->scene);
    EXPECT_EQ(find(after, "size")->grade, Grade::look);
    EXPECT_EQ(find(after, "size")->accepted, "she is a giant");
    EXPECT_EQ(find(after, "roots")->grade, Grade::stop) << "only what was accepted";
    ASSERT_EQ(accepted_stops(after).size(), 1U);
}

TEST(AcceptedStops, WhatHasBecomeAnotherStopStopsAgain) {
    const Scene scene = tansy();
    const Finding size = *find(findings_of(scene), "size");
    Scene larger = apply_step(scene, accepting(size, "she is a giant"))->scene;
    larger = apply_step(larger, {"scale", {{"factor", 10}}})->scene;
    EXPECT_EQ(find(findings_of(larger), "size")->grade, Grade::stop);
    Scene whatever = apply_step(scene, {"accept_finding", {{"finding", "size"}, {"note", "any giant"}}})->scene;
    whatever = apply_step(whatever, {"scale", {{"factor", 10}}})->scene;
    EXPECT_EQ(find(findings_of(whatever), "size")->grade, Grade::look) << "accepted whatever it says";
}

TEST(AcceptedStops, ANoteIsNeeded) {
    EXPECT_FALSE(apply_step(tansy(), {"accept_finding", {{"finding", "size"}}}).ok());
    EXPECT_FALSE(apply_step(tansy(), {"accept_finding", {{"finding", "size"}, {"note", ""}}}).ok());
}

TEST(AcceptedStops, ManyOfOneKindAreAcceptedOnlyTogether) {
    Scene scene = tansy();
    EXPECT_EQ(accepted_note("roots", {scene}), "");
    scene.accepted.push_back({"roots", "", "", "two machines in one"});
    EXPECT_EQ(accepted_note("roots", {scene}), "two machines in one");
    EXPECT_EQ(accepted_note("size", {scene}), "");
}

} // namespace
} // namespace wembrix::testing
