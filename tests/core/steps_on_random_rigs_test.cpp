// The first thing that must always hold: a step that keeps motion moves no surface point, in any frame.
#include "core/delivery/delivery.h"
#include "core/formats/gltf/gltf.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/drift.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"

#include <Eigen/LU>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

using nlohmann::json;

/// Drift of one step, held against 1e-5 of the size; returns the scene after it.
Scene keeps_motion(const Scene& before, const Step& step, uint32_t seed) {
    Result<StepResult> result = apply_step(before, step);
    EXPECT_TRUE(result.ok()) << "seed " << seed << ": " << step.id << ": "
                             << (result.ok() ? "" : result.problem().sentence());
    if (!result.ok()) {
        return before;
    }
    const Drift drift = measure_drift_all(before, result->scene, Matching::identity, result->moved);
    EXPECT_LE(drift.largest_mm, allowed_mm(result->scene))
        << "seed " << seed << ": " << step.id << " at " << drift.place << " frame " << drift.frame;
    EXPECT_GT(drift.points_compared, 0U);
    EXPECT_TRUE(drift.not_compared.empty()) << "seed " << seed << ": " << step.id;
    return result->scene;
}

json halves(const Clip& take) {
    const int last = take.frames() - 1;
    return {{"take", take.name},
            {"clips",
             {{{"name", "first_half"}, {"start", 0}, {"end", last / 2}},
              {{"name", "second_half"}, {"start", last / 2}, {"end", last}, {"loop", true}}}}};
}

class RandomRig : public ::testing::TestWithParam<uint32_t> {};

TEST_P(RandomRig, EveryStepAloneKeepsMotion) {
    const uint32_t seed = GetParam();
    const Scene scene = random_rig(seed, options_for(seed));
    keeps_motion(scene, {"strip_prefix"}, seed);
    keeps_motion(scene, {"bake_parent_transforms"}, seed);
    keeps_motion(scene, {"scale", {{"factor", 0.01}}}, seed);
    keeps_motion(scene, {"scale", {{"height_m", 1.7}}}, seed);
    keeps_motion(scene, {"make_root", {{"name", "root"}, {"position", "ground"}}}, seed);
    keeps_motion(scene, {"make_root", {{"name", "root"}, {"position", "origin"}}}, seed);
    keeps_motion(scene, {"rename_joints", {{"rules", {{{"find", "^(.*)$"}, {"replace", "j_$1"}}}}}}, seed);
    keeps_motion(scene, {"split_take", halves(scene.clips.front())}, seed);
}

TEST_P(RandomRig, AWholeCardKeepsMotionAndLeavesOneCleanSkeleton) {
    const uint32_t seed = GetParam();
    Scene scene = random_rig(seed, options_for(seed));
    const Scene received = scene;
    Mat4 moved = Mat4::Identity();
    for (const Step& step :
         std::vector<Step>{{"strip_prefix"},
                           {"bake_parent_transforms"},
                           {"scale", {{"factor", 0.4}}},
                           {"make_root", {{"name", "root"}, {"position", "ground"}}},
                           {"rename_joints", {{"rules", {{{"find", "^Left(.*)$"}, {"replace", "$1_l"}}}}}}}) {
        const Result<StepResult> applied = apply_step(scene, step);
        ASSERT_TRUE(applied.ok()) << applied.problem().sentence();
        moved = applied->moved.all * moved;
        scene = keeps_motion(scene, step, seed);
    }
    const Drift all = measure_drift_all(received, scene, Matching::identity, moved);
    EXPECT_LE(all.largest_mm, allowed_mm(scene)) << "seed " << seed;
    EXPECT_EQ(root_joints(scene).size(), 1U);
    EXPECT_EQ(scene.nodes[root_joints(scene).front()].name, "root");
    const std::vector<Mat4> world = rest_world(scene);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        EXPECT_NE(scene.nodes[i].kind, NodeKind::parent_transform) << "seed " << seed;
        EXPECT_GT(linear_of(world[i]).determinant(), 0)
            << "seed " << seed << ": a mirror is left at " << scene.nodes[i].name;
        EXPECT_EQ(scene.nodes[i].name.find(':'), std::string::npos);
        EXPECT_LT(scene.nodes[i].parent, static_cast<int>(i));
    }
}

TEST_P(RandomRig, WritingAndReadingKeepsEveryPoint) {
    const uint32_t seed = GetParam();
    const Scene scene = random_rig(seed, options_for(seed));
    for (const char* id : {"glb", "gltf_embedded"}) {
        const auto write = [id](const Scene& of, const char* stem) {
            return format_with_id(id)->write(of, stem, {}, {});
        };
        Result<std::vector<WrittenFile>> files = write(scene, "rig");
        ASSERT_TRUE(files.ok()) << files.problem().sentence();
        Result<std::vector<WrittenFile>> again = write(scene, "rig");
        EXPECT_EQ(files->front().bytes, again->front().bytes) << "seed " << seed << ": not the same bytes";
        Result<Scene> back = read_gltf_bytes(files->front().bytes, {}, "rig");
        ASSERT_TRUE(back.ok()) << back.problem().sentence();
        const Drift drift = measure_drift_all(scene, *back, Matching::name, Mat4::Identity());
        EXPECT_LE(drift.largest_mm, allowed_mm(scene)) << "seed " << seed << " at " << drift.place;
        EXPECT_EQ(back->clips.size(), scene.clips.size());
        EXPECT_EQ(joints_of(*back).size(), joints_of(scene).size());
    }
}

INSTANTIATE_TEST_SUITE_P(Seeds, RandomRig, ::testing::Range<uint32_t>(1, seeds() + 1));

// Handedness of triangles: a mirrored holder must not turn surfaces inside out.
TEST(FoldHolders, MirrorTurnsTrianglesAround) {
    for (uint32_t seed = 1; seed < share_of_seeds(12); ++seed) {
        RigOptions options;
        options.holders = Holders::mirrored;
        const Scene scene = random_rig(seed, options);
        const Result<StepResult> folded = apply_step(scene, {"bake_parent_transforms"});
        ASSERT_TRUE(folded.ok());
        const Pose before = Poser(scene, nullptr).rest();
        const Pose after = Poser(folded->scene, nullptr).rest();
        Deformer a(scene);
        Deformer b(folded->scene);
        std::vector<Vec3f> pa(a.point_count());
        std::vector<Vec3f> na(a.point_count());
        std::vector<Vec3f> pb(b.point_count());
        std::vector<Vec3f> nb(b.point_count());
        a.points_and_normals(before, pa, na);
        b.points_and_normals(after, pb, nb);
        ASSERT_EQ(pa.size(), pb.size());
        // Props stand under the mirror: their normals, as seen in the world, stay outside.
        for (const Deformer::Surface& surface : a.surfaces()) {
            if (scene.nodes[surface.node].skin >= 0 ||
                scene.nodes[surface.node].name.find("prop_1") == std::string::npos) {
                continue;
            }
            const int other = folded->scene.find_identity(scene.nodes[surface.node].identity);
            const Mesh& was = scene.meshes[scene.nodes[surface.node].mesh];
            const Mesh& is = folded->scene.meshes[folded->scene.nodes[other].mesh];
            EXPECT_EQ(was.indices[1], is.indices[2]);
            EXPECT_EQ(was.indices[2], is.indices[1]);
        }
    }
}

TEST(FoldHolders, WhatCannotBeExactIsMeasuredAndSaid) {
    RigOptions options;
    options.holders = Holders::uneven;
    int said = 0;
    for (uint32_t seed = 1; seed <= 10; ++seed) {
        const Scene scene = random_rig(seed, options);
        const Result<StepResult> folded = apply_step(scene, {"bake_parent_transforms"});
        ASSERT_TRUE(folded.ok());
        said += folded->could_not.empty() ? 0 : 1;
        // At rest even this is exact; in motion the joints keep their places.
        DriftRequest rest;
        rest.should = &scene;
        rest.is = &folded->scene;
        EXPECT_LE(measure_drift(rest).largest_mm, 30 * allowed_mm(folded->scene)) << "seed " << seed;
        for (const int joint : joints_of(folded->scene)) {
            if (folded->scene.nodes[joint].kind == NodeKind::joint) {
                EXPECT_NEAR(folded->scene.nodes[joint].rest.scale.minCoeff(), 1, 1e-6);
            }
        }
    }
    EXPECT_EQ(said, 10);
}

TEST(FoldHolders, AMovingHolderPutsItsMotionIntoTheJoints) {
    RigOptions options;
    options.holders = Holders::moving;
    for (uint32_t seed = 1; seed <= 10; ++seed) {
        const Scene scene = random_rig(seed, options);
        const Result<StepResult> folded = apply_step(scene, {"bake_parent_transforms"});
        ASSERT_TRUE(folded.ok());
        EXPECT_FALSE(folded->could_not.empty()) << "seed " << seed;
        const Drift drift = measure_drift_all(scene, folded->scene, Matching::identity, Mat4::Identity());
        EXPECT_LE(drift.largest_mm, allowed_mm(folded->scene) * 4)
            << "seed " << seed << " at " << drift.place << " " << drift.clip << " frame " << drift.frame;
    }
}

} // namespace
} // namespace wembrix::testing
