// One mesh under two nodes with a skin each.
#include "core/destination/conform.h"
#include "core/formats/gltf/gltf.h"
#include "core/measure/scene/drift.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "small_scenes.h"
#include "step_results.h"

#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

/// Two towers that show one mesh; the second one's skin lists its joints the other way around.
Scene twins() {
    Scene scene = tower({"a_root", "a_mid", "a_top"});
    const Scene other = tower({"b_root", "b_mid", "b_top"});
    const int first = static_cast<int>(scene.nodes.size());
    for (Node node : other.nodes) {
        node.parent = node.parent < 0 ? -1 : node.parent + first;
        node.identity += 5000;
        if (node.parent < 0 && node.kind == NodeKind::joint) {
            node.rest.translation = Vec3(3, 0, 0);
        }
        if (node.mesh >= 0) {
            node.name = "twin";
            node.skin = 1;
            for (uint16_t& joint : node.influences.joints.edit()) {
                joint = static_cast<uint16_t>(2 - joint);
            }
        }
        scene.nodes.push_back(node);
    }
    Skin skin = other.skins[0];
    std::reverse(skin.joints.begin(), skin.joints.end());
    std::reverse(skin.inverse_binds.begin(), skin.inverse_binds.end());
    for (int& joint : skin.joints) {
        joint += first;
    }
    scene.skins.push_back(skin);
    add_nod(scene, "nod", scene.find_node("a_mid"), 0.5, true);
    Channel also = scene.clips[0].channels[0];
    also.node = scene.find_node("b_mid");
    scene.clips[0].channels.push_back(also);
    classify_nodes(scene);
    return scene;
}

double drift_of(const Scene& a, const Scene& b) {
    return measure_drift_all(a, b, Matching::identity, Moved(), {}, Over::rest_and_clips, 1).largest_mm;
}

TEST(SharedMesh, LeavingOneNodeBehindLeavesTheOthersWeightsAlone) {
    const Scene scene = twins();
    for (const auto& [left, kept] : {std::pair("tower", "twin"), std::pair("twin", "tower")}) {
        const Scene after = done(scene, {"leave_behind", {{"names", {left}}}}).scene;
        ASSERT_EQ(after.find_node(left), -1);
        ASSERT_GE(after.find_node(kept), 0);
        EXPECT_LT(drift_of(scene, after), 1e-6) << kept;
    }
    const Scene without = done(scene, {"leave_behind", {{"names", {"a_top", "tower"}}}}).scene;
    EXPECT_LT(drift_of(scene, without), 1e-6);
}

TEST(SharedMesh, StepsThatRenumberJointsMoveNothing) {
    const Scene scene = twins();
    for (const Step& step : std::vector<Step>{{"reorder_joints", {{"by", "name"}}},
                                              {"make_root", {{"name", "the_root"}}},
                                              {"rename_joints", {{"names", {{"a_mid", "middle"}}}}},
                                              {"normalize_weights"}}) {
        EXPECT_LT(drift_of(scene, done(scene, step).scene), 1e-3) << step.id;
    }
}

TEST(SharedMesh, GoesThroughAFile) {
    const Scene scene = twins();
    const Destination destination = built_in_destinations()[1];
    const Scene model = conform_model(done(scene, {"make_root", {{"name", "the_root"}}}).scene, destination).scene;
    const Result<std::vector<WrittenFile>> written = write_glb(model, "twins");
    ASSERT_TRUE(written.ok());
    const Result<Scene> read = read_gltf_bytes(written->front().bytes, {}, "twins.glb");
    ASSERT_TRUE(read.ok()) << read.problem().sentence();
    DriftRequest request;
    request.should = &model;
    request.is = &*read;
    request.matching = Matching::name;
    EXPECT_LT(measure_drift(request).largest_mm, 1e-3);
}

} // namespace
} // namespace wembrix::testing
