// Takes onto a model: other units, other axes, other rest poses, joints more and fewer.
#include "core/formats/bvh/bvh.h"
#include "core/job/assemble.h"
#include "core/measure/skeleton/pose.h"
#include "core/steps/clips/bring_take.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "step_results.h"

#include <Eigen/LU>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

/// How far joints of the model, moved by what was brought, are from where the take has them; in the take's unit times
/// `factor`.
double apart(const Scene& model, const Brought& brought, const Scene& take, double factor) {
    double worst = 0;
    EXPECT_EQ(brought.clips.size(), 1U);
    const Clip& is = brought.clips[0];
    Pose a;
    Pose b;
    for (int f = 0; f < is.frames(); ++f) {
        Poser(take, take.clips.data()).at(f / is.rate, a);
        Poser(model, &is).at(f / is.rate, b);
        for (const int joint : joints_of(model)) {
            int there = -1;
            for (size_t i = 0; i < take.nodes.size(); ++i) {
                there = strip_namespace(take.nodes[i].name) == strip_namespace(model.nodes[joint].name)
                            ? static_cast<int>(i)
                            : there;
            }
            if (there >= 0) {
                const Vec3 was = a.world[there].topRightCorner<3, 1>() * factor;
                worst = std::max(worst, (was - b.world[joint].topRightCorner<3, 1>()).norm());
            }
        }
    }
    return worst;
}

TEST(BringTake, TheSameSkeletonTakesKeysAsTheyAre) {
    const Scene model = walker();
    const Scene take = walker("other:rig:");
    const Brought brought = bring_take(model, take);
    EXPECT_FALSE(brought.carried);
    EXPECT_EQ(brought.factor, 1);
    EXPECT_TRUE(brought.left_out.empty());
    EXPECT_EQ(brought.clips[0].channels.size(), take.clips[0].channels.size());
    EXPECT_TRUE(brought.clips[0].channels[0].values.same_array(take.clips[0].channels[0].values));
    EXPECT_LT(apart(model, brought, take, 1), 1e-6);
}

TEST(BringTake, AnotherUnitAndAHolder) {
    const Scene model = walker();
    Scene take = done(walker("cm:"), {"scale", {{"factor", 100}}}).scene;
    const Brought brought = bring_take(model, take);
    EXPECT_EQ(brought.factor, 0.01);
    EXPECT_LT(apart(model, brought, take, 0.01), 1e-5);
    // The model lies under a holder that scales and turns it: its joints still stand as the take has them.
    Scene held = walker();
    Node holder;
    holder.name = "holder";
    holder.kind = NodeKind::parent_transform;
    holder.rest.rotation = Quat(Eigen::AngleAxisd(-1.5707963267948966, Vec3::UnitX()));
    holder.rest.scale = Vec3(0.01, 0.01, 0.01);
    held = done(held, {"rotate", {{"degrees", 90}, {"about", "+X"}}}).scene;
    held = done(held, {"scale", {{"factor", 100}}}).scene;
    held.nodes.insert(held.nodes.begin(), holder);
    for (Node& node : held.nodes) {
        node.parent = &node == held.nodes.data() ? -1 : node.parent < 0 && node.mesh < 0 ? 0 : node.parent + 1;
    }
    for (int& joint : held.skins[0].joints) {
        ++joint;
    }
    held.clips.clear();
    const Scene metres = walker("m:");
    EXPECT_LT(apart(held, bring_take(held, metres), metres, 1), 1e-4);
}

TEST(BringTake, OtherJointAxesAreCarriedOver) {
    const Scene take = walker();
    for (const Step& step : std::vector<Step>{{"align_bone_axes", {{"bone", "+X"}, {"up", "+Y"}}},
                                              {"align_bone_axes", {{"bone", "-Z"}, {"up", "+X"}}}}) {
        Scene model = done(walker("model:"), step).scene;
        model.clips.clear();
        const Brought brought = bring_take(model, take);
        EXPECT_TRUE(brought.carried);
        EXPECT_LT(apart(model, brought, take, 1), 1e-4) << step.parameters.dump();
        // The surface, too: turns about the bones are those of the take.
        Pose was;
        Pose is;
        Poser(take, take.clips.data()).at(0.5, was);
        Poser(model, brought.clips.data()).at(0.5, is);
        for (const int joint : joints_of(model)) {
            const int there = take.find_node(strip_namespace(model.nodes[joint].name));
            const Mat3 before = linear_of(was.world[there]) * linear_of(rest_world(take)[there]).transpose();
            const Mat3 now = linear_of(is.world[joint]) * linear_of(rest_world(model)[joint]).transpose();
            EXPECT_LT((before - now).norm(), 1e-3) << model.nodes[joint].name;
        }
    }
}

TEST(BringTake, AnotherRestPoseOfTheSameSkeleton) {
    const Scene take = walker();
    Scene model = done(walker("model:"), {"set_rest_pose", {{"from", "frame"}, {"clip", "walk"}, {"frame", 15}}}).scene;
    model.clips.clear();
    const Brought brought = bring_take(model, take);
    EXPECT_LT(apart(model, brought, take, 1), 1e-4) << "joints see their bones alike: keys are taken as they are";
    // Another rest pose and other axes at once.
    model = done(model, {"align_bone_axes", {{"bone", "+Y"}, {"up", "+Z"}}}).scene;
    EXPECT_LT(apart(model, bring_take(model, take), take, 1), 2e-3);
}

TEST(BringTake, JointsMoreAndFewerAndWhatDidNotMatch) {
    Scene take = walker();
    Scene model = done(walker("model:"),
                       {"insert_joint", {{"name", "model:waist"}, {"under", "model:hips"}, {"above", {"model:spine"}}}})
                      .scene;
    model.clips.clear();
    Brought brought = bring_take(model, take);
    EXPECT_EQ(brought.not_moved, std::vector<std::string>{"model:waist"});
    EXPECT_LT(apart(model, brought, take, 1), 1e-4) << "what hangs on the joint between still stands right";
    Scene other = walker("other:");
    take = done(take, {"insert_joint", {{"name", "twist"}, {"under", "thigh_l"}, {"above", {"foot_l"}}}}).scene;
    take = done(take, {"reparent_joints", {{"under", {{"neck", "hips"}}}}}).scene;
    other.clips.clear();
    brought = bring_take(other, take);
    EXPECT_LT(apart(other, brought, take, 1), 1e-4) << "under other parents in the take";
    const Scene both = assemble({{"model", other}, {"take", take}});
    EXPECT_EQ(both.clips.size(), 1U);
}

TEST(BringTake, ABvhOfTheModelMovesItAsItWas) {
    Scene model = walker();
    const Scene take = read_bvh_text(write_bvh(model, "walk")->front().bytes, "walk").take();
    const Scene moved = model;
    model.clips.clear();
    const Brought brought = bring_take(model, take);
    EXPECT_LT(apart(model, brought, moved, 1), 1e-4);
    // Upright in metres, onto a model whose joints lie along their bones and that counts in centimetres.
    Scene aimed =
        done(done(model, {"align_bone_axes", {{"bone", "+Y"}, {"up", "+Z"}}}).scene, {"scale", {{"factor", 100}}})
            .scene;
    const Brought carried = bring_take(aimed, take);
    EXPECT_EQ(carried.factor, 100);
    EXPECT_LT(apart(aimed, carried, moved, 100), 0.2) << "a fifth of a centimetre hundredth";
    const Scene assembled = assemble({{"model", aimed}, {"walk", take}});
    ASSERT_EQ(assembled.clips.size(), 1U);
    const auto said = std::any_of(assembled.notes.begin(), assembled.notes.end(),
                                  [](const Note& note) { return note.what.find("another unit") != std::string::npos; });
    EXPECT_TRUE(said);
}

TEST(BringTake, OtherProportionsKeepTheirOwnLengths) {
    Scene model = walker();
    for (Node& node : model.nodes) {
        node.rest.translation.y() *= 1.4;
    }
    model.clips.clear();
    const Brought brought = bring_take(model, walker());
    EXPECT_GT(brought.longest_apart, 0.25);
    EXPECT_FALSE(brought.carried);
}

} // namespace
} // namespace wembrix::testing
