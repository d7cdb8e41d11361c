// A capture whose answers are known: where it is still, how far it goes and turns, how long one round of it is.
#include "core/job/cuts.h"
#include "core/math/angles.h"
#include "core/measure/clips/contacts.h"
#include "core/measure/clips/motion.h"
#include "core/measure/clips/seam.h"
#include "core/measure/clips/travel.h"
#include "core/measure/scene/bounds.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "step_results.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

/// It stands, goes some rounds of a step straight ahead while it turns, and stands again.
struct Known {
    int stands = 40; ///< frames before it goes
    int round = 26;  ///< frames of one step
    int rounds = 5;
    int stands_again = 50;
    double speed_m_s = 1.1;
    double turn_deg = 0;  ///< over all rounds
    double heading = 0.4; ///< of the way, from +Z to +X

    [[nodiscard]] int goes() const { return round * rounds; }
    [[nodiscard]] int frames() const { return stands + goes() + stands_again + 1; }
};

Known known_for(uint32_t seed) {
    std::mt19937 random(seed);
    const auto any = [&](int least, int most) { return least + static_cast<int>(random() % (most - least + 1)); };
    Known known;
    known.stands = any(20, 90);
    known.round = any(18, 45);
    known.rounds = any(3, 8);
    known.stands_again = any(20, 90);
    known.speed_m_s = any(8, 30) / 10.0; // more than a tenth of its height a round: less is a loop that creeps
    known.turn_deg = seed % 3 == 0 ? 0 : any(-340, 340);
    known.heading = any(-31, 31) / 10.0;
    return known;
}

Scene take_of(const Known& known) {
    Scene scene = tower({"root", "pelvis", "spine", "head"});
    for (uint16_t& joint : influences_of(scene).joints.edit()) {
        joint = std::max<uint16_t>(joint, 1); // the root only carries
    }
    Clip clip;
    clip.name = "capture";
    clip.take = 1;
    clip.rate = 30;
    clip.seconds = (known.frames() - 1) / 30.0;
    std::vector<float> times;
    std::vector<float> places;
    std::vector<float> turns;
    std::vector<float> bends;
    std::vector<float> nods;
    const auto put = [](std::vector<float>& to, const Quat& turn) {
        const Eigen::Vector4f q = turn.coeffs().cast<float>();
        to.insert(to.end(), q.data(), q.data() + 4);
    };
    for (int f = 0; f < known.frames(); ++f) {
        const int gone = std::clamp(f - known.stands, 0, known.goes());
        const double phase = 2 * pi * gone / known.round;
        const double far = known.speed_m_s * gone / 30;
        times.push_back(static_cast<float>(f / 30.0));
        for (const double one : {far * std::sin(known.heading), 1.0, far * std::cos(known.heading)}) {
            places.push_back(static_cast<float>(one));
        }
        put(turns, Quat(Eigen::AngleAxisd(known.turn_deg * pi / 180 * gone / known.goes(), Vec3::UnitY())));
        put(bends, Quat(Eigen::AngleAxisd(0.5 * std::sin(phase), Vec3::UnitX())));
        put(nods, Quat(Eigen::AngleAxisd(0.5 * std::cos(phase), Vec3::UnitZ())));
    }
    const auto add = [&](int node, Path path, const std::vector<float>& values) {
        Channel channel;
        channel.node = node;
        channel.path = path;
        channel.width = path == Path::rotation ? 4 : 3;
        channel.times = times;
        channel.values = values;
        clip.channels.push_back(std::move(channel));
    };
    add(1, Path::translation, places);
    add(1, Path::rotation, turns);
    add(2, Path::rotation, bends);
    add(3, Path::rotation, nods);
    scene.clips.push_back(std::move(clip));
    return scene;
}

class KnownMotions : public ::testing::TestWithParam<uint32_t> {
  protected:
    Known known = known_for(GetParam());
    Scene scene = take_of(known);

    [[nodiscard]] Clip cut(int first, int last, bool repeats) const {
        return *done(scene, split_step("capture", {{"part", first, last, repeats, "", ""}})).scene.find_clip("part");
    }
};

TEST_P(KnownMotions, WhereItIsStillIsFoundWithinTwoFrames) {
    const std::vector<float> energy = motion_energy(scene, scene.clips[0], 30);
    ASSERT_EQ(energy.size(), static_cast<size_t>(known.frames()));
    const std::vector<FrameRange> still = still_places(energy, still_threshold(energy), 15);
    ASSERT_EQ(still.size(), 2U) << "seed " << GetParam();
    EXPECT_EQ(still[0].first, 0);
    EXPECT_NEAR(still[0].last, known.stands, 2) << "seed " << GetParam();
    EXPECT_NEAR(still[1].first, known.stands + known.goes(), 2) << "seed " << GetParam();
    EXPECT_EQ(still[1].last, known.frames() - 1);
}

TEST_P(KnownMotions, HowFarItGoesAndTurnsIsFoundToAMillimetre) {
    const Clip part = cut(known.stands, known.stands + known.goes(), false);
    const Travel travel = travel_of(trajectory_of(scene, part, 1, 30, 0, part.frames()));
    const double metres = known.speed_m_s * known.goes() / 30;
    EXPECT_NEAR(travel.metres, metres, 1e-3) << "seed " << GetParam();
    EXPECT_NEAR(travel.along_m, metres, 1e-3) << "seed " << GetParam();
    EXPECT_NEAR(travel.turn_degrees, known.turn_deg, 0.1) << "seed " << GetParam();
    EXPECT_NEAR(travel.mean_m_s, known.speed_m_s, 1e-3) << "seed " << GetParam();
    // Where it stands it goes nowhere.
    const Clip stands = cut(0, known.stands, false);
    const Travel none = travel_of(trajectory_of(scene, stands, 1, 30, 0, stands.frames()));
    EXPECT_NEAR(none.along_m, 0, 1e-6);
    EXPECT_NEAR(none.turn_degrees, 0, 1e-3);
}

TEST_P(KnownMotions, WhereItClosesIsFoundWithinTwoFrames) {
    const double height = height_m(scene);
    const double end = scene.clips[0].seconds;
    for (const int beside : {-4, -1, 2, 5}) {
        const int first = known.stands + known.round;
        const Clip part = cut(first, first + known.round + beside, true);
        const std::optional<Closing> closing = nearest_closing(scene, part, height, end);
        ASSERT_TRUE(closing.has_value()) << "seed " << GetParam();
        EXPECT_NEAR(closing->frame, known.round, 2)
            << "seed " << GetParam() << " cut " << beside << " frames beside it";
        EXPECT_LE(closing->seam.apart_mm, measure_seam(scene, part, height).apart_mm);
    }
}

TEST_P(KnownMotions, OneRoundOfItClosesAndGoesOn) {
    // Its turn per round is a fault of the loop when it is small, and its own when it goes round.
    if (std::abs(known.turn_deg / known.rounds) > 0.01 && std::abs(known.turn_deg / known.rounds) < 25) {
        GTEST_SKIP() << "its turn is neither";
    }
    const int first = known.stands + known.round;
    const Clip part = cut(first, first + known.round, true);
    const Seam seam = measure_seam(scene, part, height_m(scene));
    EXPECT_LT(seam.apart_mm, 1) << "seed " << GetParam();
    EXPECT_LT(seam.turned_deg, 0.1) << "seed " << GetParam();
    EXPECT_NEAR(seam.travel_m, known.speed_m_s * known.round / 30, 1e-3) << "seed " << GetParam();
}

INSTANTIATE_TEST_SUITE_P(Seeds, KnownMotions, ::testing::Range<uint32_t>(1, seeds() + 1));

} // namespace
} // namespace wembrix::testing
