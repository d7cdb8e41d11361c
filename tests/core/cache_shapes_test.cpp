// Caches as morph targets: which frames are needed, and what arrives of them.
#include "core/delivery/cache_shapes.h"
#include "core/delivery/delivery.h"
#include "core/formats/format.h"
#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/deform.h"
#include "core/scene/content.h"
#include "small_scenes.h"
#include "step_results.h"

#include <cmath>
#include <filesystem>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <unistd.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

/// One point on a way.
MovingPoints point_on(int frames, const std::function<Vec3(int)>& at) {
    MovingPoints moving;
    moving.frames = frames;
    moving.rate = 30;
    moving.at = [at](int frame, std::vector<Vec3f>& points, std::vector<Vec3f>&) -> Outcome {
        points = {at(frame).cast<float>()};
        return Done{};
    };
    return moving;
}

TEST(FramesNeeded, AreTheCornersOfAStraightWayAndFewerOfARoundOneTheMoreItMayBeOff) {
    const auto corner = [](int f) { return Vec3(std::min(f, 10), std::max(0, f - 10), 0); };
    EXPECT_EQ(frames_needed(point_on(21, corner), 0.1), (std::vector<int>{0, 10, 20}));
    EXPECT_EQ(frames_needed(point_on(14, corner), 0.1), (std::vector<int>{0, 10, 13}));
    EXPECT_EQ(frames_needed(point_on(1, corner), 0.1), (std::vector<int>{0}));
    EXPECT_EQ(frames_needed(point_on(2, corner), 0.1), (std::vector<int>{0, 1}));
    EXPECT_EQ(frames_needed(point_on(0, corner), 0.1), std::vector<int>());
    // Half a circle of a metre: an arc of angle a is 1 - cos(a / 2) from its chord.
    const auto round = [](int f) { return Vec3(std::cos(f * M_PI / 180), std::sin(f * M_PI / 180), 0); };
    size_t before = 181;
    for (const double limit : {0.2, 1.0, 5.0, 20.0}) {
        const std::vector<int> kept = frames_needed(point_on(181, round), limit);
        EXPECT_LT(kept.size(), before);
        before = kept.size();
        const double widest = 2 * std::acos(1 - limit / 1000) * 180 / M_PI;
        EXPECT_NEAR(static_cast<double>(kept.size()), 180 / std::floor(widest) + 1, 2) << limit;
        for (size_t k = 1; k < kept.size(); ++k) {
            for (int f = kept[k - 1]; f <= kept[k]; ++f) {
                const double part = static_cast<double>(f - kept[k - 1]) / (kept[k] - kept[k - 1]);
                const Vec3 there = round(kept[k - 1]) + part * (round(kept[k]) - round(kept[k - 1]));
                EXPECT_LE((there - round(f)).norm() * 1000, limit);
            }
        }
    }
}

class CacheShapes : public ::testing::Test {
  protected:
    void SetUp() override {
        folder_ = fs::temp_directory_path() / fmt::format("wembrix_shapes_{}", ::getpid());
        fs::remove_all(folder_);
    }
    void TearDown() override { fs::remove_all(folder_); }
    DeliveryRequest request_for(const Scene& prepared) const {
        DeliveryRequest request;
        request.prepared = &prepared;
        request.destination = built_in_destinations().front();
        request.destination.joint_names = "^[A-Za-z_0-9]*$";
        request.job_name = "tower";
        request.folder = folder_;
        return request;
    }
    fs::path folder_;
};

TEST_F(CacheShapes, ArriveAsAClipOfShapesThatIsTheMotionWithinTheLimit) {
    Scene scene = tower({"root", "arm"});
    add_nod(scene, "nod", 1, 0.7, true);
    const StepResult ordered =
        done(scene, {"cache_surface", {{"clips", {"nod"}}, {"as", "shapes"}, {"limit_mm", 3.0}}});
    EXPECT_NE(ordered.account.find("as shapes"), std::string::npos) << ordered.account;
    const Scene& prepared = ordered.scene;
    DeliveryRequest request = request_for(prepared);
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok()) << report.problem().sentence();
    ASSERT_EQ(report->arrivals.size(), 3U);
    const Arrival& arrival = report->arrivals[2];
    EXPECT_EQ(arrival.deliverable.id(), "shapes:tower/nod");
    EXPECT_EQ(arrival.state, CellState::arrived) << arrival.reason;
    ASSERT_EQ(arrival.files, std::vector<std::string>{"tower_tower_nod_shapes.glb"});
    EXPECT_EQ(report->manifest["shapes"][0]["file"], "tower_tower_nod_shapes.glb");
    // The file by itself: no joints, a clip of weights alone, fewer shapes than frames.
    const Result<Scene> file = read_scene(folder_ / arrival.files[0]);
    ASSERT_TRUE(file.ok());
    EXPECT_TRUE(joints_of(*file).empty());
    ASSERT_EQ(file->meshes.size(), 1U);
    const size_t shapes = file->meshes[0].shapes.size();
    EXPECT_GT(shapes, 3U);
    EXPECT_LT(shapes, 25U);
    ASSERT_EQ(file->clips.size(), 1U);
    ASSERT_EQ(file->clips[0].channels.size(), 1U);
    EXPECT_EQ(file->clips[0].channels[0].path, Path::weights);
    EXPECT_NEAR(file->clips[0].seconds, prepared.clips[0].seconds, 1e-6);
    Deformer should(prepared, {prepared.find_node("tower")});
    Deformer is(*file, {file->find_node("tower")});
    Pose pose;
    Pose posed;
    std::vector<Vec3f> a(should.point_count());
    std::vector<Vec3f> b(is.point_count());
    ASSERT_EQ(a.size(), b.size());
    double largest = 0;
    for (int f = 0; f <= 30; ++f) {
        Poser(prepared, &prepared.clips[0]).at(f / 30.0, pose);
        Poser(*file, &file->clips[0]).at(f / 30.0, posed);
        should.points(pose, a);
        is.points(posed, b);
        for (size_t v = 0; v < a.size(); ++v) {
            largest = std::max(largest, static_cast<double>((a[v] - b[v]).norm()) * 1000);
        }
    }
    EXPECT_LE(largest, 3);
    EXPECT_NEAR(largest, arrival.drift.largest_mm, 1e-6);
    EXPECT_GT(largest, 0.1) << "frames were left out";
}

TEST_F(CacheShapes, AnotherMotionOrTooManyShapesAreHeld) {
    Scene scene = tower({"root", "arm"});
    add_nod(scene, "nod", 1, 0.7, true);
    const Scene prepared = done(scene, {"cache_surface", {{"clips", {"nod"}}, {"as", "shapes"}}}).scene;
    DeliveryRequest request = request_for(prepared);
    ASSERT_TRUE(deliver(request)->all_arrived());
    const auto broken = [&](const Scene& now) {
        DeliveryRequest again = request;
        again.prepared = &now;
        const Result<Arrival> arrival =
            check_again(again, {kind_of_deliverable("shapes"), "tower/nod", "tower_tower_nod_shapes"});
        EXPECT_TRUE(arrival.ok());
        std::vector<std::string> names;
        for (const Claim& claim : arrival->claims) {
            if (!claim.pass) {
                names.push_back(claim.name);
            }
        }
        return names;
    };
    using Names = std::vector<std::string>;
    EXPECT_EQ(broken(prepared), Names());
    Scene other = prepared;
    other.clips[0].channels[0].values.edit()[24] += 0.3F;
    EXPECT_NE(broken(other), Names());
    EXPECT_EQ(broken(other).back(), "Drift");
    other = prepared;
    other.meshes[0].positions.edit()[2].y() += 0.05F;
    EXPECT_EQ(broken(other), Names{"Drift"});
    other = prepared;
    other.orders[0].last = 20;
    EXPECT_EQ(broken(other), Names{"Frames"});
    // A destination that takes fewer shapes than are needed.
    request.destination.shapes = 3;
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    EXPECT_EQ(report->arrivals.back().state, CellState::held);
    EXPECT_NE(report->arrivals.back().reason.find("takes fewer"), std::string::npos) << report->arrivals.back().reason;
}

} // namespace
} // namespace wembrix::testing
