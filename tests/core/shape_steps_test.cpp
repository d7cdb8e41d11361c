// Shapes: whatever a step makes of the list, clips look as they did where it promises that; sculpts arrive as sculpted.
#include "core/findings/finding.h"
#include "core/job/assemble.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/drift.h"
#include "core/measure/surface/deform.h"
#include "core/measure/surface/rest_places.h"
#include "core/measure/surface/surface_mirror.h"
#include "core/measure/surface/weight_rows.h"
#include "core/steps/surface/shape_list.h"
#include "random_rig.h"
#include "random_skin.h"
#include "small_scenes.h"
#include "step_results.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

/// The body with shapes that move patches of it, keyed in its clips: on the left, in the middle, everywhere.
Scene shaped_skin(uint32_t seed, bool cubic = false) {
    Scene scene = random_skin(seed);
    std::mt19937 random(seed);
    const auto real = [&](float low, float high) {
        return low + (high - low) * static_cast<float>(random() >> 8U) / 16777216.0F;
    };
    Mesh& mesh = scene.meshes[0];
    for (const char* name : {"smile", "blink_l", "frown"}) {
        std::vector<Vec3f> by(mesh.point_count(), Vec3f::Zero());
        for (size_t v = 0; v < by.size(); ++v) {
            if (std::string(name) != "blink_l" || mesh.positions[v].x() > 0.05F) {
                by[v] = real(0, 1) < 0.6F ? Vec3f(real(-0.02F, 0.02F), real(-0.02F, 0.02F), real(-0.02F, 0.02F))
                                          : Vec3f(Vec3f::Zero());
            }
        }
        MorphTarget shape = sparse_shape(name, by, 1);
        std::vector<Vec3f> normals;
        for (size_t k = 0; k < shape.points.size(); ++k) {
            normals.emplace_back(real(-0.1F, 0.1F), real(-0.1F, 0.1F), 0);
        }
        shape.has_normals = true;
        shape.normals = std::move(normals);
        mesh.shapes.push_back(std::move(shape));
    }
    mesh.shape_weights = {0.1F, 0, 0.2F};
    for (Clip& clip : scene.clips) {
        Channel channel;
        channel.node = static_cast<int>(scene.nodes.size()) - 1;
        channel.path = Path::weights;
        channel.width = 3;
        channel.interpolation = cubic ? Interpolation::cubic : Interpolation::linear;
        channel.times = clip.channels[0].times;
        std::vector<float> values;
        for (size_t i = 0; i < channel.times.size() * 3 * (cubic ? 3 : 1); ++i) {
            values.push_back(real(0, 1));
        }
        channel.values = std::move(values);
        clip.channels.push_back(std::move(channel));
    }
    return scene;
}

double moved_mm(const Scene& before, const Scene& after) {
    return measure_drift_all(before, after, Matching::identity, Mat4::Identity()).largest_mm;
}

std::vector<std::string> shape_names(const Scene& scene) {
    std::vector<std::string> names;
    for (const MorphTarget& shape : scene.meshes[0].shapes) {
        names.push_back(shape.name);
    }
    return names;
}

TEST(ShapeLists, EveryRewritingThatPromisesItLeavesEveryFrameAsItWas) {
    for (uint32_t seed = 1; seed <= share_of_seeds(40); ++seed) {
        const Scene scene = shaped_skin(seed, seed % 2 == 0);
        const Step steps[] = {{"order_shapes", {{"shapes", {"frown", "smile"}}}},
                              {"order_shapes", {{"by", "name"}}},
                              {"scale_shape", {{"shapes", {"smile", "blink_*"}}, {"factor", 2.5}}},
                              {"split_shape_sides", {{"shapes", {"smile"}}, {"soft_mm", 80}}},
                              {"split_shape_sides", {{"shapes", {"frown"}}, {"soft_mm", 0}}}};
        for (const Step& step : steps) {
            const StepResult result = done(scene, step);
            EXPECT_TRUE(result.could_not.empty());
            ASSERT_LT(moved_mm(scene, result.scene), allowed_mm(scene)) << step.id << ", seed " << seed;
            EXPECT_NE(shape_names(result.scene),
                      step.id == "scale_shape" ? std::vector<std::string>() : shape_names(scene));
        }
        const Scene split = done(scene, steps[3]).scene;
        EXPECT_EQ(shape_names(split), (std::vector<std::string>{"smile_l", "smile_r", "blink_l", "frown"}));
        const StepResult joined = done(split, {"join_shapes", {{"shapes", {"smile_*"}}, {"name", "smile"}}});
        EXPECT_EQ(shape_names(joined.scene), shape_names(scene));
        EXPECT_TRUE(joined.could_not.empty()) << "they are keyed alike";
        ASSERT_LT(moved_mm(scene, joined.scene), allowed_mm(scene)) << seed;
    }
}

TEST(ShapeLists, OrderGoesByTheListAndTheRestFollows) {
    const Scene scene = shaped_skin(2);
    EXPECT_EQ(shape_names(done(scene, {"order_shapes", {{"shapes", {"frown"}}}}).scene),
              (std::vector<std::string>{"frown", "smile", "blink_l"}));
    EXPECT_EQ(shape_names(done(scene, {"order_shapes", {{"by", "name"}}}).scene),
              (std::vector<std::string>{"blink_l", "frown", "smile"}));
    const StepResult nobody = done(scene, {"order_shapes", {{"shapes", {"grin"}}}});
    EXPECT_EQ(nobody.unmatched, std::vector<std::string>{"grin"});
}

TEST(ShapeLists, ScaledKeysMayStayAndJoinedOnesThatMoveApartAreSaid) {
    const Scene scene = shaped_skin(3);
    const Scene larger = done(scene, {"scale_shape", {{"shapes", {"smile"}}, {"factor", 3}, {"keys", "stay"}}}).scene;
    EXPECT_GT(moved_mm(scene, larger), 5);
    EXPECT_NEAR(reach_mm(larger.meshes[0].shapes[0]), 3 * reach_mm(scene.meshes[0].shapes[0]), 1e-3);
    EXPECT_EQ(larger.meshes[0].shape_weights, scene.meshes[0].shape_weights);
    const StepResult joined = done(scene, {"join_shapes", {{"shapes", {"smile", "frown"}}, {"name", "face"}}});
    ASSERT_EQ(joined.could_not.size(), 1U);
    EXPECT_EQ(shape_names(joined.scene), (std::vector<std::string>{"face", "blink_l"}));
    EXPECT_NEAR(joined.scene.meshes[0].shape_weights[0], 0.15, 1e-6);
    EXPECT_NE(refused(scene, {"join_shapes", {{"shapes", {"smile", "frown"}}, {"name", "blink_l"}}}).find("blink_l"),
              std::string::npos);
}

TEST(BakeShape, TheBaseStandsWhereTheShapeAtThatWeightStood) {
    Scene scene = shaped_skin(4);
    scene.clips.clear();
    scene.meshes[0].shape_weights = {0.7F, 0, 0};
    const StepResult result = done(scene, {"bake_shape", {{"shapes", {"smile"}}, {"weight", 0.7}}});
    EXPECT_LT(moved_mm(scene, result.scene), 1e-3);
    EXPECT_EQ(shape_names(result.scene), (std::vector<std::string>{"blink_l", "frown"}));
    for (const Vec3f& normal : result.scene.meshes[0].normals) {
        EXPECT_NEAR(normal.norm(), 1, 1e-5);
    }
    EXPECT_TRUE(result.could_not.empty());
    const StepResult keyed = done(shaped_skin(4), {"bake_shape", {{"shapes", {"smile"}}}});
    EXPECT_EQ(keyed.could_not.size(), 1U) << "clips had it at other weights";
}

TEST(MirrorShape, ThereAndBackIsTheSameShape) {
    for (uint32_t seed = 1; seed <= share_of_seeds(20); ++seed) {
        const Scene scene = shaped_skin(seed);
        const StepResult there = done(scene, {"mirror_shape", {{"shapes", {"blink_l"}}, {"tolerance_mm", 0.1}}});
        EXPECT_TRUE(there.could_not.empty()) << there.could_not[0];
        ASSERT_EQ(shape_names(there.scene).back(), "blink_r");
        for (const uint32_t vertex : there.scene.meshes[0].shapes.back().points) {
            EXPECT_LT(scene.meshes[0].positions[vertex].x(), 0);
        }
        const Scene back = done(there.scene, {"mirror_shape", {{"shapes", {"blink_r"}}, {"tolerance_mm", 0.1}}}).scene;
        const MorphTarget& before = scene.meshes[0].shapes[1];
        const MorphTarget& after = back.meshes[0].shapes[1];
        // The seam's doubles have one answer, so each pair takes the one's difference.
        size_t same = 0;
        for (size_t k = 0; k < after.points.size(); ++k) {
            for (size_t b = 0; b < before.points.size(); ++b) {
                same += after.points[k] == before.points[b] && (after.positions[k] - before.positions[b]).norm() < 1e-6F
                            ? 1
                            : 0;
            }
        }
        EXPECT_GE(same * 10, before.points.size() * 7);
        const StepResult none = done(scene, {"mirror_shape", {{"shapes", {"smile"}}}});
        ASSERT_EQ(none.could_not.size(), 1U);
        EXPECT_NE(none.could_not[0].find("smile has no side"), std::string::npos);
    }
}

/// A sculpt as somebody sends it: a scene with one surface at given places.
NamedScene sculpt_at(const Scene& like, const std::vector<Vec3f>& places) {
    Scene scene;
    Mesh mesh = like.meshes[0];
    mesh.shapes.clear();
    mesh.shape_weights.clear();
    mesh.positions = places;
    Node node;
    node.name = "sculpt";
    node.mesh = 0;
    scene.nodes.push_back(node);
    scene.meshes.push_back(mesh);
    classify_nodes(scene);
    return {"sculpt.obj", scene};
}

TEST(AddShape, ASculptArrivesAsItWasSculptedVertexForVertexOrByPlace) {
    const Scene scene = shaped_skin(6);
    const int body = surfaces_of(scene)[0];
    std::vector<Vec3f> wanted = rest_places(scene, body);
    for (size_t v = 0; v < wanted.size(); v += 3) {
        wanted[v] += Vec3f(0, 0.0004F, 0.0003F);
    }
    std::vector<NamedScene> sources = {sculpt_at(scene, wanted)};
    const Step step{"add_shape", {{"name", "wide"}, {"source", "sculpt.obj"}}};
    const auto add = [&] {
        Result<StepResult> result = apply_step(StepContext{scene, {}, {}, sources}, step);
        EXPECT_TRUE(result.ok()) << result.problem().sentence();
        return result.take();
    };
    const auto stands_at = [&](Scene made) {
        made.meshes[0].shape_weights = {0.1F, 0, 0.2F, 1};
        return rest_places(made, body);
    };
    StepResult result = add();
    EXPECT_EQ(shape_names(result.scene).back(), "wide");
    std::vector<Vec3f> stands = stands_at(result.scene);
    for (size_t v = 0; v < wanted.size(); ++v) {
        ASSERT_LT((stands[v] - wanted[v]).norm(), 1e-6F);
    }
    EXPECT_LT(moved_mm(scene, result.scene), allowed_mm(scene)) << "it is not in yet";

    // The same in another order and with one vertex more and three missing: by place.
    std::vector<Vec3f> other(wanted.rbegin(), wanted.rend() - 3);
    other.emplace_back(9, 9, 9);
    other.emplace_back(9, 9, 8);
    sources = {sculpt_at(scene, other)};
    sources[0].scene.meshes[0].indices = std::vector<uint32_t>();
    sources[0].scene.meshes[0].normals = std::vector<Vec3f>();
    result = add();
    EXPECT_NE(result.account.find("matched by place"), std::string::npos) << result.account;
    stands = stands_at(result.scene);
    size_t right = 0;
    for (size_t v = 3; v < wanted.size(); ++v) {
        right += (stands[v] - wanted[v]).norm() < 1e-5F ? 1 : 0;
    }
    EXPECT_GE(right * 10, wanted.size() * 8);
    for (Vec3f& place : sources[0].scene.meshes[0].positions.edit()) {
        place += Vec3f(0, 5, 0);
    }
    EXPECT_FALSE(apply_step(StepContext{scene, {}, {}, sources}, step).ok()) << "nothing of it lies near";
}

TEST(AddShape, ASculptAmongTheSourcesIsKnownAndOffered) {
    const Scene scene = shaped_skin(8);
    std::vector<Vec3f> wanted = scene.meshes[0].positions.get();
    for (size_t v = 0; v < wanted.size(); v += 2) {
        wanted[v] += Vec3f(0, 0.02F, 0);
    }
    NamedScene sculpt = sculpt_at(scene, wanted);
    sculpt.name = "faces/grin.obj";
    const std::vector<NamedScene> sources = {{"body.glb", scene}, sculpt};
    const Scene together = assemble(sources);
    EXPECT_EQ(surfaces_of(together).size(), 1U) << "it is no thing beside the body";
    ASSERT_EQ(together.fits.size(), 1U);
    EXPECT_EQ(together.fits[0].role, SourceRole::shapes);
    std::vector<Finding> findings = look_for_findings({together});
    std::erase_if(findings, [](const Finding& finding) { return finding.id != "loose_sculpt"; });
    ASSERT_EQ(findings.size(), 1U);
    const Result<StepResult> added = apply_step(StepContext{together, {}, {}, sources}, *findings[0].step);
    ASSERT_TRUE(added.ok()) << added.problem().sentence();
    EXPECT_EQ(shape_names(added->scene).back(), "grin");
    for (const Finding& finding : look_for_findings({added->scene})) {
        EXPECT_NE(finding.id, "loose_sculpt");
    }
    // The card has made everything smaller and turned it since: the sculpt is still in the sender's unit and axes.
    Scene turned = done(together, {"scale", {{"factor", 0.01}}}).scene;
    turned = done(turned, {"rotate", {{"degrees", -90}, {"about", "+X"}}}).scene;
    const Result<StepResult> later = apply_step(StepContext{turned, {}, {}, sources}, *findings[0].step);
    ASSERT_TRUE(later.ok());
    EXPECT_NEAR(reach_mm(later->scene.meshes[0].shapes.back()), 0.01 * reach_mm(added->scene.meshes[0].shapes.back()),
                1e-3);
    // A crate with as many vertices as another one is a crate.
    Scene crate = sculpt.scene;
    EXPECT_EQ(guess_role(crate, sculpt.scene, {}), SourceRole::prop) << "nothing bends it";
}

TEST(AddShape, APoseOfAClipBecomesAShape) {
    const Scene scene = shaped_skin(7);
    const int body = surfaces_of(scene)[0];
    const StepResult result = done(scene, {"add_shape", {{"name", "posed"}, {"clip", "clip_0"}, {"frame", 9}}});
    Scene made = result.scene;
    made.meshes[0].shape_weights = {0.1F, 0, 0.2F, 1};
    const std::vector<Vec3f> stands = rest_places(made, body);
    Deformer deformer(scene, {body});
    std::vector<Vec3f> posed(deformer.point_count());
    Pose pose;
    Poser(scene, scene.find_clip("clip_0")).at(9 / 30.0, pose);
    deformer.points(pose, posed);
    for (size_t v = 0; v < posed.size(); ++v) {
        ASSERT_LT((stands[v] - posed[v]).norm(), 2e-6F);
    }
    EXPECT_FALSE(apply_step(scene, {"add_shape", {{"name", "x"}, {"clip", "clip_0"}, {"frame", 9000}}}).ok());
    EXPECT_FALSE(apply_step(scene, {"add_shape", {{"name", "x"}}}).ok());
}

TEST(Corrective, WhatWasSculptedOnThePoseComesOutThereAgain) {
    for (uint32_t seed = 1; seed <= share_of_seeds(30); ++seed) {
        const Scene scene = shaped_skin(seed);
        const int body = surfaces_of(scene)[0];
        const Clip& clip = scene.clips[0];
        const int frame = static_cast<int>(seed) % clip.frames();
        Pose pose;
        Poser(scene, &clip).at(frame / clip.rate, pose);
        Deformer deformer(scene, {body});
        std::vector<Vec3f> wanted(deformer.point_count());
        deformer.points(pose, wanted);
        for (size_t v = 0; v < wanted.size(); ++v) {
            wanted[v] += 0.01F * Vec3f(std::sin(static_cast<float>(v)), std::cos(static_cast<float>(v)), 0);
        }
        const std::vector<NamedScene> sources = {sculpt_at(scene, wanted)};
        const Result<StepResult> result = apply_step(
            StepContext{scene, {}, {}, sources},
            {"corrective", {{"name", "bend_fix"}, {"source", "sculpt.obj"}, {"clip", "clip_0"}, {"frame", frame}}});
        ASSERT_TRUE(result.ok()) << result.problem().sentence();
        const Scene& made = result->scene;
        Pose with = pose;
        Poser(made, &made.clips[0]).at(frame / clip.rate, with);
        with.shape_weights.back() = 1;
        Deformer again(made, {body});
        std::vector<Vec3f> stands(again.point_count());
        again.points(with, stands);
        size_t off = 0;
        for (size_t v = 0; v < wanted.size(); ++v) {
            off += (stands[v] - wanted[v]).norm() > 1e-5F * static_cast<float>(height_m(scene)) ? 1 : 0;
        }
        EXPECT_EQ(off, 0U) << seed;
        EXPECT_TRUE(result->could_not.empty());
    }
}

TEST(Corrective, WhereJointsFlattenTheSurfaceItSaysSo) {
    Scene scene = shaped_skin(1);
    scene.nodes[5].rest.scale = Vec3(1, 1e-7, 1); // a hand that is flat
    const int body = surfaces_of(scene)[0];
    InfluencesBuilder builder(scene.meshes[0].point_count());
    for (size_t v = 0; v < scene.meshes[0].point_count(); ++v) {
        builder.add({{static_cast<uint16_t>(v < 4 ? 5 : 2), 1}});
    }
    scene.nodes[static_cast<size_t>(body)].influences = builder.take();
    const std::vector<NamedScene> sources = {sculpt_at(scene, rest_places(scene, body))};
    const Result<StepResult> result =
        apply_step(StepContext{scene, {}, {}, sources},
                   {"corrective", {{"name", "fix"}, {"source", "sculpt.obj"}, {"clip", "clip_0"}, {"frame", 3}}});
    ASSERT_TRUE(result.ok());
    ASSERT_EQ(result->could_not.size(), 1U);
    EXPECT_NE(result->could_not[0].find("4 vertices cannot be brought back"), std::string::npos)
        << result->could_not[0];
}

} // namespace
} // namespace wembrix::testing
