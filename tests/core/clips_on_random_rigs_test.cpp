// Steps on clips, on random rigs and every frame: what is baked, cut, joined, handed to the root and turned round is
// where it was; and there and back is no change.
#include "core/measure/clips/travel.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/drift.h"
#include "core/measure/surface/deform.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "step_results.h"

#include <Eigen/LU>
#include <algorithm>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

class RandomClips : public ::testing::TestWithParam<uint32_t> {
  protected:
    uint32_t seed = GetParam();
    Scene scene = random_rig(seed, options_for(seed));
    std::mt19937 random{seed};

    [[nodiscard]] double size_mm() const { return whole_bounds(scene).size().norm() * 1000; }
    /// One root, nothing above it, and joints that only turn and move: what root motion is for.
    [[nodiscard]] Scene mended() const {
        Scene now = scene;
        for (const Step& step : std::vector<Step>{{"bake_parent_transforms"},
                                                  {"make_root", {{"name", "the_root"}, {"position", "ground"}}}}) {
            now = done(now, step).scene;
        }
        return now;
    }
    /// The farthest of all points of `is` from where `should` has them, at each frame of `rate` of the first clip.
    static double apart_mm(const Scene& should, const Clip& should_clip, const Scene& is, const Clip& is_clip,
                           double rate, double should_from_s = 0, const Moved& moved = {}) {
        DriftRequest request;
        request.should = &should;
        request.should_clip = &should_clip;
        request.should_start_s = should_from_s;
        request.is = &is;
        request.is_clip = &is_clip;
        request.rate = rate;
        request.frames = is_clip.frames(rate);
        request.moved = moved;
        const Drift drift = measure_drift(request);
        EXPECT_GT(drift.points_compared, 0U);
        EXPECT_TRUE(drift.not_compared.empty());
        return drift.largest_mm;
    }
};

TEST_P(RandomClips, BakedTheyAreWhereTheKeysHaveThemOnEveryFrame) {
    constexpr double rates[] = {24, 25, 30, 48, 50, 60, 120, 17.5};
    const double rate = rates[random() % std::size(rates)];
    const Scene baked = done(scene, {"bake", {{"rate", rate}}}).scene;
    for (size_t c = 0; c < scene.clips.size(); ++c) {
        const Clip& was = scene.clips[c];
        const Clip& is = baked.clips[c];
        EXPECT_EQ(is.rate, rate);
        EXPECT_EQ(is.frames(), was.frames(rate));
        EXPECT_LE(apart_mm(scene, was, baked, is, rate), 1e-5 * size_mm()) << "seed " << seed << " at " << rate;
        for (const Channel& channel : is.channels) {
            const auto from = std::find_if(was.channels.begin(), was.channels.end(), [&](const Channel& one) {
                return one.node == channel.node && one.path == channel.path;
            });
            if (from != was.channels.end()) {
                EXPECT_EQ(channel.interpolation == Interpolation::step, from->interpolation == Interpolation::step)
                    << "steps stay steps, and nothing else becomes one";
            }
            ASSERT_FALSE(channel.times.empty());
            EXPECT_GE(channel.times[0], is.start_s - 1e-5);
            EXPECT_LE(channel.times.get().back(), is.start_s + is.seconds + 1e-5) << "nothing stands beside the range";
            for (size_t i = 4; channel.path == Path::rotation && i < channel.values.size(); i += 4) {
                double same = 0;
                for (size_t k = 0; k < 4; ++k) {
                    same += static_cast<double>(channel.values[i + k]) * channel.values[i + k - 4];
                }
                EXPECT_GE(same, 0) << "seed " << seed << ": turns keep one sign";
            }
        }
    }
}

TEST_P(RandomClips, CutAndJoinedAgainTheyAreTheWhole) {
    const Clip& take = scene.clips[0];
    const int last = take.frames() - 1;
    const int at = 2 + static_cast<int>(random() % static_cast<uint32_t>(last - 3));
    const Scene cut = done(scene, {"split_take",
                                   {{"take", take.name},
                                    {"clips", nlohmann::json::array({{{"name", "a"}, {"start", 0}, {"end", at}},
                                                                     {{"name", "b"}, {"start", at}, {"end", last}}})}}})
                          .scene;
    EXPECT_LE(apart_mm(scene, take, cut, *cut.find_clip("b"), take.rate, at / take.rate), 1e-5 * size_mm());
    // The frame that both have lies over itself.
    const Scene joined = done(cut, {"join_clips", {{"clips", {"a", "b"}}, {"name", "whole"}, {"overlap", 1}}}).scene;
    const Clip* whole = joined.find_clip("whole");
    ASSERT_NE(whole, nullptr);
    EXPECT_EQ(whole->frames(), last + 1);
    EXPECT_LE(apart_mm(scene, take, joined, *whole, take.rate), 2e-4 * size_mm())
        << "seed " << seed << " cut at " << at;
}

TEST_P(RandomClips, TheRootTakesTheWayAndNothingElseMoves) {
    const Scene before = mended();
    const int root = before.find_node("the_root");
    const int from = carrying_joint(before);
    ASSERT_GE(root, 0);
    if (from < 0) {
        GTEST_SKIP() << "nothing carries the rest of this rig";
    }
    for (const bool turn : {true, false}) {
        const StepResult handed = done(before, {"extract_root_motion", {{"mode", "to_root"}, {"rotation", turn}}});
        const StepResult out = done(before, {"extract_root_motion", {{"mode", "in_place"}, {"rotation", turn}}});
        for (size_t c = 0; c < before.clips.size(); ++c) {
            const Clip& was = before.clips[c];
            EXPECT_LE(apart_mm(before, was, handed.scene, handed.scene.clips[c], was.rate, 0, handed.moved),
                      1e-4 * size_mm())
                << "seed " << seed << " in " << was.name;
            // The root goes as the joint went, over the ground; in place nothing goes anywhere.
            const Trajectory way = trajectory_of(before, was, from, was.rate, 0, was.frames());
            const Trajectory root_way =
                trajectory_of(handed.scene, handed.scene.clips[c], root, was.rate, 0, was.frames());
            const Trajectory in_place = trajectory_of(out.scene, out.scene.clips[c], from, was.rate, 0, was.frames());
            const double near = 1e-4 * size_mm() / 1000;
            for (size_t f = 0; f < way.place.size(); ++f) {
                const Vec3 gone = way.place[f] - way.place[0];
                const Vec3 root_gone = root_way.place[f] - root_way.place[0];
                if (!turn) { // with its turn the root goes round the joint as well
                    EXPECT_NEAR(gone.x(), root_gone.x(), near) << "seed " << seed;
                    EXPECT_NEAR(gone.z(), root_gone.z(), near) << "seed " << seed;
                }
                EXPECT_NEAR(in_place.place[f].x(), in_place.place[0].x(), near) << "seed " << seed << " frame " << f;
                EXPECT_NEAR(in_place.place[f].z(), in_place.place[0].z(), near) << "seed " << seed << " frame " << f;
                EXPECT_NEAR(in_place.place[f].y(), way.place[f].y(), near) << "its height is its own";
            }
            // Its pose is the same: every joint as it stands to the one that carries it.
            Pose pose;
            Pose still;
            const Poser moving(before, &was);
            const Poser standing(out.scene, &out.scene.clips[c]);
            for (int f = 0; f < was.frames(); ++f) {
                moving.at(f / was.rate, pose);
                standing.at(f / was.rate, still);
                for (const int joint : joints_of(before)) {
                    if (!is_above(before, from, joint)) {
                        continue;
                    }
                    const Mat4 should = pose.world[from].inverse() * pose.world[joint];
                    const Mat4 is = still.world[from].inverse() * still.world[joint];
                    EXPECT_LE(Vec3((should - is).col(3).head(3)).norm(), near) << "seed " << seed << " frame " << f;
                }
            }
        }
    }
}

TEST_P(RandomClips, ThereAndBackIsNoChange) {
    const std::vector<std::vector<Step>> ways = {
        {{"reverse"}, {"reverse"}},
        {{"stretch_time", {{"factor", 2}}}, {"stretch_time", {{"factor", 0.5}}}},
        {{"bake"}, {"change_frame_rate", {{"rate", 120}}}, {"change_frame_rate", {{"rate", 30}}}},
    };
    for (const std::vector<Step>& way : ways) {
        Scene now = scene;
        for (const Step& step : way) {
            now = done(now, step).scene;
        }
        for (size_t c = 0; c < scene.clips.size(); ++c) {
            EXPECT_NEAR(now.clips[c].seconds, scene.clips[c].seconds, 1e-6);
            EXPECT_LE(apart_mm(scene, scene.clips[c], now, now.clips[c], scene.clips[c].rate), 1e-4 * size_mm())
                << "seed " << seed << " by " << way.back().id << " in " << scene.clips[c].name;
        }
    }
}

TEST_P(RandomClips, AStillPoseIsThePoseOfItsFrame) {
    const Clip& clip = scene.clips[random() % scene.clips.size()];
    const int frame = static_cast<int>(random() % static_cast<uint32_t>(clip.frames()));
    for (const char* joints : {"all", "moved"}) {
        const Scene still =
            done(scene,
                 {"pose_to_clip", {{"clip", clip.name}, {"frame", frame}, {"name", "still"}, {"joints", joints}}})
                .scene;
        const Clip* made = still.find_clip("still");
        ASSERT_NE(made, nullptr);
        Pose is;
        Pose should;
        Poser(scene, &clip).at(frame / clip.rate, should);
        Poser(still, made).at(0, is);
        Deformer deformer(scene);
        std::vector<Vec3f> where(deformer.point_count());
        std::vector<Vec3f> there(deformer.point_count());
        deformer.points(should, where);
        Deformer(still).points(is, there);
        double farthest = 0;
        for (size_t i = 0; i < where.size(); ++i) {
            farthest = std::max(farthest, static_cast<double>((where[i] - there[i]).norm()) * 1000);
        }
        EXPECT_LE(farthest, 1e-4 * size_mm()) << "seed " << seed << " frame " << frame << " " << joints;
    }
}

TEST_P(RandomClips, FewerKeysKeepTheirLimitBetweenTheFramesToo) {
    const Scene baked = done(scene, {"bake", {{"rate", 30}}}).scene;
    const double limit = std::min(1000.0, size_mm() * (random() % 2 == 0 ? 1e-3 : 5e-3));
    const Scene fewer = done(baked, {"reduce_keys", {{"limit_mm", limit}}}).scene;
    for (size_t c = 0; c < baked.clips.size(); ++c) {
        EXPECT_LE(apart_mm(baked, baked.clips[c], fewer, fewer.clips[c], 4 * baked.clips[c].rate), limit * 1.0001)
            << "seed " << seed;
    }
}

INSTANTIATE_TEST_SUITE_P(Seeds, RandomClips, ::testing::Range<uint32_t>(1, seeds() + 1));

} // namespace
} // namespace wembrix::testing
