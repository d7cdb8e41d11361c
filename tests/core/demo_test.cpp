// Tansy: what the scenario says of her must hold.
#include "core/findings/finding.h"
#include "core/job/key_edits.h"
#include "core/job/skeleton_edits.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/measure/surface/deform.h"
#include "core/steps/step_kind.h"
#include "stall_lid.h"
#include "tansy_rig.h"
#include "tansy_scene.h"
#include "tansy_take.h"

#include <gtest/gtest.h>
#include <set>

namespace wembrix::testing {
namespace {

TEST(Tansy, HasTheSizeAndTheFaultsOfTheScenario) {
    const Scene scene = demo::tansy_model();
    size_t points = 0;
    size_t shapes = 0;
    size_t empty = 0;
    size_t most = 0;
    std::set<int> holding;
    for (const int node : surfaces_of(scene)) {
        const Mesh& mesh = scene.meshes[scene.nodes[node].mesh];
        if (scene.nodes[node].skin < 0) {
            continue;
        }
        points += mesh.point_count();
        shapes += mesh.shapes.size();
        most = std::max(most, scene.nodes[node].influences.largest_row());
        for (const MorphTarget& shape : mesh.shapes) {
            empty += shape.points.empty() ? 1 : 0;
        }
        for (const uint16_t joint : scene.nodes[node].influences.joints) {
            holding.insert(joint);
        }
    }
    EXPECT_GE(points, 10000U);
    EXPECT_LE(points, 20000U);
    EXPECT_EQ(shapes, 6U);
    EXPECT_EQ(empty, 1U);
    EXPECT_EQ(most, 7U);
    EXPECT_GE(holding.size(), 45U);
    EXPECT_LE(holding.size(), 62U);
    EXPECT_EQ(root_joints(scene).size(), 2U);
    EXPECT_NEAR(height_m(scene), 162, 2);
    EXPECT_EQ(facing_of(scene)->axis, Axis::pos_z);
}

TEST(Tansy, HerStandingFeetStayWhereTheyAre) {
    // While a foot stands (neither lifted nor about to be) its joint must not slide.
    double worst = 0;
    for (const char* foot : {"ik_foot_L", "ik_foot_R"}) {
        Vec3 last = demo::tansy_at(0).places.at(foot);
        int standing = 0;
        for (int f = 1; f < demo::take_frames; ++f) {
            const Vec3 now = demo::tansy_at(f).places.at(foot);
            const bool down = std::abs(now.y() - 0.03) < 1e-9 && std::abs(last.y() - 0.03) < 1e-9;
            if (down) {
                ++standing;
                worst = std::max(worst, (now - last).norm());
            }
            last = now;
        }
        EXPECT_GT(standing, 500) << foot;
    }
    EXPECT_LT(worst, 1e-6);
}

TEST(Tansy, TheLegsReachTheFeet) {
    // The foot joint, posed through the whole leg, is where the foot was meant to be.
    Scene scene = demo::tansy_model();
    Scene take = demo::tansy_market_take();
    for (Channel& channel : take.clips[0].channels) {
        channel.node = scene.find_node(take.nodes[channel.node].name);
    }
    scene.clips = take.clips;
    const Poser poser(scene, &scene.clips[0]);
    const int foot = scene.find_node("market:tansy_rig:LeftLeg_Foot");
    const int goal = scene.find_node("market:tansy_rig:ik_foot_L");
    Pose pose;
    double worst = 0;
    for (int f = 0; f < demo::take_frames; f += 3) {
        poser.at(f / demo::take_rate, pose);
        worst = std::max(worst,
                         (point_of(pose.world[foot], Vec3::Zero()) - point_of(pose.world[goal], Vec3::Zero())).norm());
    }
    EXPECT_LT(worst, 0.5) << "centimetres";
}

TEST(Tansy, StandingClosesAndShakingDoesNot) {
    const auto apart = [](int a, int b) {
        double worst = 0;
        const demo::TakePose first = demo::tansy_at(a);
        const demo::TakePose last = demo::tansy_at(b);
        for (const auto& [name, turn] : first.turns) {
            if (name.find("Eye") == std::string::npos) {
                worst = std::max(worst, turn.angularDistance(last.turns.at(name)));
            }
        }
        return worst;
    };
    EXPECT_LT(apart(0, 168), 1e-6);
    EXPECT_GT(apart(744, 896), 0.05);
}

TEST(StallLid, TheLidSwingsAboutItsHingeAndTheCrateStands) {
    Job job;
    BuildOnCard build;
    build.plan = plan_called("lid").take();
    build.guides = demo::stall_lid_guides();
    set_build(job, build);
    set_binding(job, {{"method", "nearest"}, {"ends", true}, {"rigid_pieces", true}});
    set_layer(job, add_keyed_clip(job, "swing", demo::swing_frames, 30, true), demo::swing_of_the_lid());
    Scene scene = demo::stall_lid();
    const Scene bare = scene;
    for (const Step& step : job.steps) {
        Result<StepResult> made = apply_step(scene, step);
        ASSERT_TRUE(made.ok()) << made.problem().sentence();
        scene = std::move(made->scene);
    }
    ASSERT_EQ(joints_of(scene).size(), 2U);
    const auto weighted_root = [&] {
        const std::vector<Finding> found = look_for_findings({scene});
        return std::any_of(found.begin(), found.end(), [](const Finding& one) { return one.id == "weighted_root"; });
    };
    EXPECT_FALSE(weighted_root()) << "the crate stands, and all of it";
    const Clip& swing = scene.clips.at(0);
    EXPECT_TRUE(swing.loop);
    const int board = scene.find_node("lid_board");
    Deformer deformer(scene, {});
    const Poser poser(scene, &swing);
    Pose pose;
    std::vector<Vec3f> at_rest(deformer.point_count());
    std::vector<Vec3f> at(deformer.point_count());
    deformer.points(poser.rest(), at_rest);
    double highest = 0;
    for (int f = 0; f < swing.frames(); ++f) {
        poser.at(f / swing.rate, pose);
        deformer.points(pose, at);
        for (const Deformer::Surface& surface : deformer.surfaces()) {
            for (size_t i = surface.first; i < surface.first + surface.count; ++i) {
                if (surface.node != board) {
                    EXPECT_LT((at[i] - at_rest[i]).norm(), 1e-6) << "frame " << f;
                } else {
                    highest = std::max(highest, static_cast<double>(at[i].y()));
                    // Rigid about the hinge: as far from it as ever, and never inside the crate.
                    const Vec3f hinge(at_rest[i].x(), static_cast<float>(demo::stall_lid_guides()[2].at.y()),
                                      static_cast<float>(demo::stall_lid_guides()[2].at.z()));
                    EXPECT_NEAR((at[i] - hinge).norm(), (at_rest[i] - hinge).norm(), 1e-5);
                }
            }
        }
    }
    EXPECT_GT(highest, 0.75) << "it stands open";
    Pose end;
    poser.at(0, pose);
    poser.at(swing.seconds, end);
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        EXPECT_EQ(pose.local[n].rotation.coeffs(), end.local[n].rotation.coeffs()) << "no seam";
    }
}

} // namespace
} // namespace wembrix::testing
