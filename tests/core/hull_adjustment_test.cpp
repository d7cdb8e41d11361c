// Hulls changed by hand, and how much of a hull is air.
#include "core/job/card_edits.h"
#include "core/measure/hulls/filled_share.h"
#include "core/measure/hulls/hull_facts.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/hull_adjustment.h"
#include "random_skin.h"

#include <Eigen/Geometry>
#include <gtest/gtest.h>
#include <random>

namespace wembrix {
namespace {

using testing::random_skin;

Hull some_hull(Hull::Kind kind) {
    Hull hull;
    hull.kind = kind;
    hull.frame.topLeftCorner<3, 3>() = Eigen::AngleAxisd(0.7, Vec3(1, 2, 3).normalized()).toRotationMatrix();
    hull.frame.topRightCorner<3, 1>() = Vec3(0.1, 1.2, -0.3);
    hull.half_size = kind == Hull::Kind::box      ? Vec3(0.1, 0.2, 0.3)
                     : kind == Hull::Kind::sphere ? Vec3(0.2, 0, 0)
                                                  : Vec3(0.1, 0.25, 0);
    if (kind == Hull::Kind::convex) {
        hull.points = std::vector<Vec3f>{{0, 0, 0}, {1, 0, 0}, {0, 2, 0}, {0, 0, 3}};
        hull.indices = std::vector<uint32_t>{0, 2, 1, 0, 1, 3, 0, 3, 2, 1, 2, 3};
    }
    return hull;
}
constexpr Hull::Kind all_kinds[] = {Hull::Kind::convex, Hull::Kind::box, Hull::Kind::capsule, Hull::Kind::sphere,
                                    Hull::Kind::cylinder};

/// Where the side lies along its axis, from the middle that the hull had before.
double reach(const Hull& hull, const Mat4& before, const HullSide& side) {
    Vec3 out = Vec3::Zero();
    out[side.axis] = side.sign;
    const Vec3 at = point_of(axes_of(hull), out.cwiseProduct(extent_of(hull)));
    return (before.inverse() * at.homogeneous()).head<3>()[side.axis] * side.sign;
}

TEST(HullAdjustment, APulledSideGoesAsFarAsTheHandAndABoxesOtherSideStays) {
    for (const Hull::Kind kind : all_kinds) {
        const Hull hull = some_hull(kind);
        const Mat4 before = axes_of(hull);
        for (const HullSide& side : hull_sides) {
            const HullSide other{side.axis, -side.sign};
            const Hull pulled = adjusted(hull, side_pulled(kind, side, 0.04), 1);
            EXPECT_NEAR(reach(pulled, before, side), reach(hull, before, side) + 0.04, 1e-6);
            const bool as_a_whole = kind == Hull::Kind::sphere ||
                                    ((kind == Hull::Kind::capsule || kind == Hull::Kind::cylinder) && side.axis != 1);
            EXPECT_NEAR(reach(pulled, before, other), reach(hull, before, other) + (as_a_whole ? 0.04 : 0), 1e-6);
            // Pushed through to the other side, something is left.
            EXPECT_GT(volume_of(adjusted(hull, side_pulled(kind, side, -50), 1)), 0);
        }
    }
}

TEST(HullAdjustment, TwoAfterOneAnotherAreOneOfBothAndRowsSayThemAgain) {
    std::mt19937 random(5);
    std::uniform_real_distribution<double> some(-0.05, 0.05);
    const auto any = [&] {
        HullAdjustment by;
        by.move_m = Vec3(some(random), some(random), some(random));
        by.turn = Quat(1, some(random) * 9, some(random) * 9, some(random) * 9).normalized();
        by.grow_m = Vec3(some(random), some(random), some(random));
        return by;
    };
    for (const Hull::Kind kind : all_kinds) {
        if (kind == Hull::Kind::convex) {
            continue; // its axes are the node's: what turned it stays in its points
        }
        for (int round = 0; round < 20; ++round) {
            const HullAdjustment first = any();
            const HullAdjustment second = any();
            const Hull hull = some_hull(kind);
            const double unit = 0.5;
            const Hull twice = adjusted(adjusted(hull, first, unit), second, unit);
            const HullAdjustment said = adjustment_from_row(row_of_adjustment("hull", first.then(second)));
            const Hull once = adjusted(hull, said, unit);
            EXPECT_LT((once.frame - twice.frame).cwiseAbs().maxCoeff(), 1e-6);
            EXPECT_LT((once.half_size - twice.half_size).cwiseAbs().maxCoeff(), 1e-6);
        }
    }
}

TEST(HullAdjustment, TheStepHoldsWhenTheHullsAreMadeAnewAndTheCardKeepsOneRowEach) {
    const Scene made = apply_step(random_skin(3), "make_hulls", {{"from", "joints"}, {"shape", "capsule"}})->scene;
    std::vector<int> hulls;
    for (size_t n = 0; n < made.nodes.size(); ++n) {
        if (made.nodes[n].hull >= 0) {
            hulls.push_back(static_cast<int>(n));
        }
    }
    ASSERT_GE(hulls.size(), 2U);
    const std::string name = made.nodes[static_cast<size_t>(hulls[0])].name;
    Job job;
    HullAdjustment wider;
    wider.grow_m = Vec3(0.01, 0, 0);
    adjust_hull(job, name, wider);
    adjust_hull(job, made.nodes[static_cast<size_t>(hulls[1])].name, wider);
    adjust_hull(job, name, wider);
    ASSERT_EQ(job.steps.size(), 1U);
    ASSERT_EQ(job.steps[0].parameters["hulls"].size(), 2U);
    const Result<StepResult> changed = apply_step(StepContext{made, {}, {}, {}}, job.steps[0]);
    ASSERT_TRUE(changed.ok());
    const auto radius = [](const Scene& scene, int node) {
        return scene.hulls[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].hull)].half_size.x();
    };
    EXPECT_NEAR(radius(changed->scene, hulls[0]), radius(made, hulls[0]) + 0.02, 1e-9);
    EXPECT_NEAR(radius(changed->scene, hulls[1]), radius(made, hulls[1]) + 0.01, 1e-9);
    // In millimetres of the world, whatever the scale of what it belongs to.
    Scene large = made;
    for (Node& node : large.nodes) {
        if (node.parent < 0) {
            node.rest.scale *= 4;
        }
    }
    const Result<StepResult> there = apply_step(StepContext{large, {}, {}, {}}, job.steps[0]);
    ASSERT_TRUE(there.ok());
    EXPECT_NEAR(radius(there->scene, hulls[0]), radius(large, hulls[0]) + 0.02 / 4, 1e-9);
    const Result<StepResult> gone = apply_step(made, "adjust_hulls", {{"hulls", {{{"hull", "nobody_hull"}}}}});
    ASSERT_TRUE(gone.ok());
    EXPECT_EQ(gone->could_not.size(), 1U);
    // A step that comes between is not passed over.
    job.steps.push_back({"scale", {{"factor", 2}}});
    adjust_hull(job, name, wider);
    EXPECT_EQ(job.steps.size(), 3U);
}

std::vector<SolidTriangle> box_triangles(const Vec3& low, const Vec3& high, int surface) {
    Hull box;
    box.kind = Hull::Kind::box;
    box.frame = translating((low + high) / 2);
    box.half_size = (high - low) / 2;
    const HullShell shell = shell_of(box);
    std::vector<SolidTriangle> triangles;
    for (size_t i = 0; i + 2 < shell.indices.size(); i += 3) {
        triangles.push_back(
            {{shell.points[shell.indices[i]], shell.points[shell.indices[i + 1]], shell.points[shell.indices[i + 2]]},
             surface});
    }
    return triangles;
}

TEST(FilledShare, IsThatOfBoxesInABoxAlsoWhereTheyOverlapOrStandOut) {
    Hull hull;
    hull.kind = Hull::Kind::box;
    hull.half_size = Vec3(1, 1, 1);
    const HullShell shell = shell_of(hull);
    EXPECT_EQ(filled_share(shell, {}), 0.0);
    std::vector<SolidTriangle> triangles = box_triangles(Vec3(-0.5, -0.5, -0.5), Vec3(0.5, 0.5, 0.5), 0);
    EXPECT_NEAR(*filled_share(shell, triangles), 1.0 / 8, 0.005);
    for (const SolidTriangle& more : box_triangles(Vec3(0, -0.5, -0.5), Vec3(3, 0.5, 0.5), 1)) {
        triangles.push_back(more); // half of it in the first one, two thirds of it outside of the hull
    }
    EXPECT_NEAR(*filled_share(shell, triangles), 1.5 / 8, 0.005);
    // A sheet has no inside; with nothing else there, nobody can tell.
    const SolidTriangle sheet[] = {{{Vec3f(-5, -5, 0), Vec3f(5, -5, 0), Vec3f(0, 9, 0)}, 2}};
    EXPECT_FALSE(filled_share(shell, sheet).has_value());
    triangles = box_triangles(Vec3(-1, -1, -0.5), Vec3(1, 1, 0.5), 0);
    triangles.push_back(sheet[0]);
    EXPECT_NEAR(*filled_share(shell, triangles), 0.5, 0.005);
}

TEST(FilledShare, RandomBallsFillWhatTheirVolumeSays) {
    std::mt19937 random(11);
    std::uniform_real_distribution<double> some(-1, 1);
    for (int round = 0; round < 10; ++round) {
        Hull ball;
        ball.kind = Hull::Kind::sphere;
        ball.frame.topLeftCorner<3, 3>() =
            Quat(1, some(random), some(random), some(random)).normalized().toRotationMatrix();
        ball.frame.topRightCorner<3, 1>() = Vec3(some(random), some(random), some(random));
        ball.half_size = Vec3(0.3 + 0.2 * some(random), 0, 0);
        const HullShell inner = shell_of(ball);
        Hull solid;
        solid.points = inner.points;
        solid.indices = inner.indices;
        Hull around = ball;
        around.kind = Hull::Kind::box;
        around.half_size = Vec3::Constant(0.8);
        std::vector<SolidTriangle> triangles;
        for (size_t i = 0; i + 2 < inner.indices.size(); i += 3) {
            triangles.push_back({{inner.points[inner.indices[i]], inner.points[inner.indices[i + 1]],
                                  inner.points[inner.indices[i + 2]]},
                                 0});
        }
        EXPECT_NEAR(*filled_share(shell_of(around), triangles) * volume_of(around), volume_of(solid),
                    0.02 * volume_of(around));
    }
}

TEST(HullFacts, WhatAHullAddsIsItsVolumeWithoutTheBodys) {
    const Scene made = apply_step(random_skin(3), "make_hulls", {{"from", "surfaces"}, {"shape", "box"}})->scene;
    const std::vector<HullFacts> facts = hull_facts(made);
    ASSERT_EQ(facts.size(), 1U);
    ASSERT_TRUE(facts[0].added_m3.has_value());
    // The body's own volume, from its triangles.
    const Mesh& mesh = made.meshes[0];
    double six = 0;
    for (const auto& [a, b, c] : triangles_of(mesh, mesh.primitives[0])) {
        six += mesh.positions[a].cast<double>().dot(
            mesh.positions[b].cast<double>().cross(mesh.positions[c].cast<double>()));
    }
    EXPECT_NEAR(*facts[0].added_m3, facts[0].volume_m3 - std::abs(six) / 6, 0.03 * facts[0].volume_m3);
}

} // namespace
} // namespace wembrix
