// Normals against a plain version of the same formula, tangents where the answer is known, vertices that are split,
// welded and turned around with all that stands on them.
#include "core/findings/finding.h"
#include "core/measure/scene/drift.h"
#include "core/measure/surface/corner_normals.h"
#include "core/measure/surface/neighbours.h"
#include "core/measure/surface/tangent_space.h"
#include "core/scene/vertex_list.h"
#include "random_rig.h"
#include "random_skin.h"
#include "small_scenes.h"
#include "step_results.h"
#include "through_a_file.h"
#include "valid_scene.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <limits>
#include <random>

namespace wembrix::testing {
namespace {

using Triangles = std::vector<std::array<uint32_t, 3>>;

Triangles triangles_in(const Mesh& mesh) {
    Triangles all;
    for (const Primitive& primitive : mesh.primitives) {
        const Triangles own = triangles_of(mesh, primitive);
        all.insert(all.end(), own.begin(), own.end());
    }
    return all;
}

double normals_moved_mm(const Scene& before, const Scene& after) {
    return measure_drift_all(before, after, Matching::identity, Mat4::Identity()).largest_mm;
}

TEST(CornerNormals, AreWhatThePlainFormulaSays) {
    for (uint32_t seed = 1; seed <= share_of_seeds(20); ++seed) {
        const Mesh mesh = random_skin(seed).meshes[0];
        const Triangles triangles = triangles_in(mesh);
        const Neighbours neighbours = neighbours_of(mesh);
        for (const double hard : {180.0, 30.0, 5.0}) {
            for (const NormalRule::Weight weight : {NormalRule::Weight::angle, NormalRule::Weight::area}) {
                const std::vector<Vec3f> normals =
                    corner_normals(mesh.positions.get(), triangles, neighbours.spot, {weight, hard});
                const auto across = [&](size_t t) {
                    const Vec3 a = mesh.positions[triangles[t][0]].cast<double>();
                    return Vec3((mesh.positions[triangles[t][1]].cast<double>() - a)
                                    .cross(mesh.positions[triangles[t][2]].cast<double>() - a));
                };
                for (size_t own = 0; own < normals.size(); own += 7) {
                    const Vec3 face = across(own / 3).normalized();
                    Vec3 sum = Vec3::Zero();
                    for (size_t other = 0; other < normals.size(); ++other) {
                        if (neighbours.spot[triangles[own / 3][own % 3]] !=
                            neighbours.spot[triangles[other / 3][other % 3]]) {
                            continue;
                        }
                        const Vec3 theirs = across(other / 3);
                        const double meets =
                            std::acos(std::clamp(theirs.normalized().dot(face), -1.0, 1.0)) * 57.29577951308232;
                        if (hard < 180 && std::abs(meets - hard) < 0.01) {
                            sum = Vec3::Zero(); // on the edge: either is right
                            break;
                        }
                        if (meets > hard) {
                            continue;
                        }
                        const std::array<uint32_t, 3>& t = triangles[other / 3];
                        const Vec3 here = mesh.positions[t[other % 3]].cast<double>();
                        const Vec3 a = (mesh.positions[t[(other + 1) % 3]].cast<double>() - here).normalized();
                        const Vec3 b = (mesh.positions[t[(other + 2) % 3]].cast<double>() - here).normalized();
                        sum += (weight == NormalRule::Weight::area ? theirs.norm()
                                                                   : std::acos(std::clamp(a.dot(b), -1.0, 1.0))) *
                               theirs.normalized();
                    }
                    if (sum.norm() > 1e-9) {
                        ASSERT_LT((sum.normalized() - normals[own].cast<double>()).norm(), 1e-4) << seed << " " << hard;
                    }
                }
            }
        }
    }
}

TEST(RecomputeNormals, LengthsAloneAreMendedAndWhatHasNoDirectionGetsOne) {
    Scene scene = random_skin(4);
    Mesh& mesh = scene.meshes[0];
    const std::vector<Vec3f> before = mesh.normals.get();
    std::vector<Vec3f> broken = before;
    broken[3] *= 0.5F;
    broken[5] *= 20;
    broken[7] = Vec3f::Zero();
    broken[9].x() = std::numeric_limits<float>::quiet_NaN();
    mesh.normals = broken;
    const auto noticed = [](const Scene& of) {
        std::vector<Finding> findings = look_for_findings({of});
        std::erase_if(findings, [](const Finding& finding) { return finding.id != "broken_normals"; });
        return findings;
    };
    ASSERT_EQ(noticed(scene).size(), 1U);
    const Result<StepResult> mended = apply_step(StepContext{scene, {}, {}, {}}, *noticed(scene)[0].step);
    ASSERT_TRUE(mended.ok());
    EXPECT_TRUE(noticed(mended->scene).empty());
    const std::vector<Vec3f>& after = mended->scene.meshes[0].normals.get();
    ASSERT_EQ(after.size(), before.size()) << "no vertex is added";
    for (size_t v = 0; v < after.size(); ++v) {
        EXPECT_NEAR(after[v].norm(), 1, 1e-5F) << v;
        EXPECT_GT(after[v].dot(before[v]), v == 7 || v == 9 ? 0.7F : 0.99999F) << v;
    }
}

TEST(RecomputeNormals, HowFarTheyTurnDoesNotDependOnTheirLength) {
    Scene scene = random_skin(4);
    for (Vec3f& normal : scene.meshes[0].normals.edit()) {
        normal *= 0.25F;
    }
    Scene whole = random_skin(4);
    EXPECT_EQ(apply_step(scene, "recompute_normals", {{"hard_degrees", 180}})->account,
              apply_step(whole, "recompute_normals", {{"hard_degrees", 180}})->account);
}

TEST(RecomputeNormals, HardEdgesSplitVerticesAndNothingMoves) {
    for (uint32_t seed = 1; seed <= share_of_seeds(20); ++seed) {
        Scene scene = random_skin(seed);
        MorphTarget shape;
        shape.name = "bump";
        shape.points = std::vector<uint32_t>{1, 2, 3}; // none of the seam
        shape.positions = std::vector<Vec3f>{{0, 0.01F, 0}, {0.01F, 0, 0}, {0, 0, 0.01F}};
        scene.meshes[0].shapes.push_back(shape);
        scene.meshes[0].shape_weights = {1};
        const StepResult smooth = done(scene, {"recompute_normals", {{"hard_degrees", 180}}});
        EXPECT_EQ(smooth.scene.meshes[0].point_count(), scene.meshes[0].point_count());
        const StepResult hard = done(scene, {"recompute_normals", {{"hard_degrees", 20}}});
        const Mesh& mesh = hard.scene.meshes[0];
        ASSERT_GT(mesh.point_count(), scene.meshes[0].point_count());
        EXPECT_EQ(what_is_not_valid(hard.scene), "");
        for (size_t v = 0; v < scene.meshes[0].point_count(); ++v) {
            ASSERT_EQ(mesh.positions[v], scene.meshes[0].positions[v]) << "the first keep their numbers";
        }
        const Triangles before = triangles_in(scene.meshes[0]);
        const Triangles after = triangles_in(mesh);
        ASSERT_EQ(before.size(), after.size());
        for (size_t t = 0; t < before.size(); ++t) {
            for (size_t c = 0; c < 3; ++c) {
                ASSERT_EQ(scene.meshes[0].positions[before[t][c]], mesh.positions[after[t][c]]);
            }
        }
        // What stands at one place goes the same way in every frame: weights and shapes were split along.
        const Neighbours neighbours = neighbours_of(mesh);
        for (const Clip& clip : hard.scene.clips) {
            Deformer deformer(hard.scene);
            std::vector<Vec3f> points(deformer.point_count());
            Pose pose;
            Poser(hard.scene, &clip).at(0.5, pose);
            deformer.points(pose, points);
            for (size_t v = 0; v < points.size(); ++v) {
                ASSERT_LT((points[v] - points[neighbours.first[neighbours.spot[v]]]).norm(), 1e-6F);
            }
        }
        const StepResult kept = done(scene, {"recompute_normals", {{"hard_degrees", 20}, {"split", false}}});
        EXPECT_EQ(kept.scene.meshes[0].point_count(), scene.meshes[0].point_count());
        EXPECT_LT(normals_moved_mm(scene, kept.scene), 1e-6);
    }
}

TEST(Tangents, OfAPlaneLeadAlongItsCoordinates) {
    const std::vector<Vec3f> points = {{0, 0, 0}, {1, 0, 0}, {1, 1, 0}, {0, 1, 0}};
    const std::vector<Vec3f> normals(4, Vec3f(0, 0, 1));
    const Triangles triangles = {{0, 1, 2}, {0, 2, 3}};
    for (const Vec4f& tangent :
         corner_tangents(points, normals, std::vector<float>{0, 0, 1, 0, 1, 1, 0, 1}, triangles)) {
        EXPECT_LT((tangent - Vec4f(1, 0, 0, 1)).norm(), 1e-6F);
    }
    for (const Vec4f& tangent :
         corner_tangents(points, normals, std::vector<float>{1, 0, 0, 0, 0, 1, 1, 1}, triangles)) {
        EXPECT_LT((tangent - Vec4f(-1, 0, 0, -1)).norm(), 1e-6F) << "mirrored";
    }
    for (const Vec4f& tangent :
         corner_tangents(points, normals, std::vector<float>{0, 0, 0, 1, -1, 1, -1, 0}, triangles)) {
        EXPECT_LT((tangent - Vec4f(0, -1, 0, 1)).norm(), 1e-6F) << "turned by a quarter";
    }
}

/// A body with coordinates; `mirrored`: the right half has those of the left.
Scene with_coordinates(uint32_t seed, bool mirrored) {
    Scene scene = random_skin(seed);
    std::mt19937 random(seed);
    std::vector<float> at;
    for (const Vec3f& place : scene.meshes[0].positions.get()) {
        const auto little = static_cast<float>(random() % 100) / 4000.0F;
        at.push_back(mirrored ? std::abs(place.x()) : place.x() + little);
        at.push_back(place.y() + 0.3F * place.z());
    }
    scene.meshes[0].attributes.push_back({"TEXCOORD_0", 2, std::move(at)});
    scene.meshes[0].primitives[0].attributes = {"TEXCOORD_0"};
    return scene;
}

TEST(Tangents, AreUnitUprightAndSplitWhereMirroredSidesMeet) {
    for (uint32_t seed = 1; seed <= share_of_seeds(20); ++seed) {
        const Scene scene = with_coordinates(seed, seed % 2 == 0);
        const StepResult result = done(scene, {"recompute_tangents"});
        const Mesh& mesh = result.scene.meshes[0];
        ASSERT_EQ(mesh.tangents.size(), mesh.point_count());
        EXPECT_TRUE(mesh.primitives[0].has_tangents);
        EXPECT_EQ(what_is_not_valid(result.scene), "");
        size_t unit = 0;
        for (size_t v = 0; v < mesh.point_count(); ++v) {
            EXPECT_EQ(std::abs(mesh.tangents[v].w()), 1);
            const Vec3f along = mesh.tangents[v].head<3>();
            unit += std::abs(along.norm() - 1) < 1e-4F && std::abs(along.dot(mesh.normals[v])) < 1e-3F ? 1 : 0;
        }
        EXPECT_GE(unit * 100, mesh.point_count() * 97) << "but for corners without an extent";
        if (seed % 2 == 0) {
            EXPECT_GT(mesh.point_count(), scene.meshes[0].point_count()) << "the middle belongs to both sides";
        }
        const Mesh again = done(result.scene, {"recompute_tangents"}).scene.meshes[0];
        ASSERT_EQ(again.point_count(), mesh.point_count());
        for (size_t v = 0; v < mesh.point_count(); ++v) {
            ASSERT_LT((again.tangents[v] - mesh.tangents[v]).norm(), 1e-4F);
        }
        const Scene back = through_a_file(result.scene);
        EXPECT_EQ(back.meshes[0].tangents.size(), mesh.tangents.size());
    }
    EXPECT_EQ(done(random_skin(1), {"recompute_tangents"}).could_not.size(), 1U) << "without coordinates";
}

TEST(Weld, UndoesASplitAndKeepsWhatDiffers) {
    for (uint32_t seed = 1; seed <= share_of_seeds(20); ++seed) {
        const Scene scene = done(random_skin(seed), {"recompute_normals", {{"hard_degrees", 180}}}).scene;
        const Neighbours neighbours = neighbours_of(scene.meshes[0]);
        const StepResult welded = done(scene, {"weld"});
        EXPECT_EQ(welded.scene.meshes[0].point_count(), neighbours.spots()) << welded.account;
        EXPECT_EQ(what_is_not_valid(welded.scene), "");
        EXPECT_EQ(triangles_in(welded.scene.meshes[0]).size(), triangles_in(scene.meshes[0]).size());
        const Scene split = done(welded.scene, {"recompute_normals", {{"hard_degrees", 20}}}).scene;
        ASSERT_GT(split.meshes[0].point_count(), welded.scene.meshes[0].point_count());
        const StepResult kept = done(split, {"weld"});
        EXPECT_EQ(kept.scene.meshes[0].point_count(), split.meshes[0].point_count()) << "their normals differ";
        ASSERT_EQ(kept.could_not.size(), 1U);
        const Scene again = done(split, {"weld", {{"ignore_values", true}}}).scene;
        EXPECT_EQ(again.meshes[0].point_count(), welded.scene.meshes[0].point_count());
        EXPECT_EQ(again.meshes[0].indices.get(), welded.scene.meshes[0].indices.get());
    }
}

TEST(FlipWinding, TwiceIsTheIdentity) {
    const Scene scene = with_coordinates(3, true);
    const Scene tangents = done(scene, {"recompute_tangents"}).scene;
    const Scene once = done(tangents, {"flip_winding"}).scene;
    const Triangles before = triangles_in(tangents.meshes[0]);
    const Triangles after = triangles_in(once.meshes[0]);
    EXPECT_EQ(before[0][1], after[0][2]);
    EXPECT_EQ(once.meshes[0].normals[3], Vec3f(-tangents.meshes[0].normals[3]));
    const Scene twice = done(once, {"flip_winding"}).scene;
    EXPECT_EQ(twice.meshes[0].indices.get(), tangents.meshes[0].indices.get());
    EXPECT_EQ(twice.meshes[0].normals.get(), tangents.meshes[0].normals.get());
    EXPECT_EQ(twice.meshes[0].tangents.get(), tangents.meshes[0].tangents.get());
}

} // namespace
} // namespace wembrix::testing
