// A surface in a pose goes to a sculptor and comes back.
#include "core/delivery/sculpt_file.h"
#include "core/formats/format.h"
#include "core/measure/surface/deform.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "random_skin.h"

#include <filesystem>
#include <gtest/gtest.h>
#include <limits>

namespace wembrix {
namespace {

namespace fs = std::filesystem;

class SculptFiles : public ::testing::Test {
  protected:
    SculptFiles() : folder_(fs::path(::testing::TempDir()) / "wembrix_sculpt") { fs::create_directories(folder_); }
    ~SculptFiles() override { fs::remove_all(folder_); }
    fs::path folder_;
};

TEST_F(SculptFiles, WhatASculptorChangedOnAPoseStandsThereAgain) {
    for (uint32_t seed = 1; seed <= testing::share_of_seeds(12); ++seed) {
        const Scene scene = testing::random_skin(seed);
        const int frame = static_cast<int>(seed) % scene.clips[0].frames();
        const fs::path file = folder_ / "pose.obj";
        const Result<SculptFile> written = write_sculpt_file({&scene, "", scene.clips[0].name, frame}, file);
        ASSERT_TRUE(written.ok()) << written.problem().sentence();
        EXPECT_EQ(written->vertices, scene.meshes[0].point_count());
        Result<Scene> back = read_scene(file);
        ASSERT_TRUE(back.ok());
        std::vector<Vec3f>& places = back->meshes[0].positions.edit();
        for (size_t v = 0; v < places.size(); ++v) {
            places[v] += 0.01F * Vec3f(std::sin(static_cast<float>(v)), 0, std::cos(static_cast<float>(v)));
        }
        const std::vector<Vec3f> wanted = places;
        const std::vector<NamedScene> sources = {{"pose.obj", back.take()}};
        const Result<StepResult> mended = apply_step(
            StepContext{scene, {}, {}, sources},
            {"corrective", {{"name", "fix"}, {"source", "pose.obj"}, {"clip", scene.clips[0].name}, {"frame", frame}}});
        ASSERT_TRUE(mended.ok()) << mended.problem().sentence();
        const Scene& made = mended->scene;
        Pose pose;
        Poser(made, &made.clips[0]).at(frame / made.clips[0].rate, pose);
        pose.shape_weights.back() = 1;
        Deformer deformer(made, {surfaces_of(made)[0]});
        std::vector<Vec3f> stands(deformer.point_count());
        deformer.points(pose, stands);
        for (size_t v = 0; v < wanted.size(); ++v) {
            ASSERT_LT((stands[v] - wanted[v]).norm(), 1e-4F) << seed;
        }
    }
}

TEST_F(SculptFiles, WhatWouldNotComeBackInItsOrderIsRefusedAndNothingIsWritten) {
    const fs::path file = folder_ / "out.obj";
    Scene scene = testing::random_skin(2);
    EXPECT_FALSE(write_sculpt_file({&scene, "nobody", "", 0}, file).ok());
    EXPECT_FALSE(write_sculpt_file({&scene, "", "no such clip", 0}, file).ok());
    EXPECT_FALSE(write_sculpt_file({&scene, "", scene.clips[0].name, 100000}, file).ok());
    EXPECT_FALSE(fs::exists(file));
    scene.meshes[0].positions.edit()[3].x() = std::numeric_limits<float>::quiet_NaN();
    EXPECT_FALSE(write_sculpt_file({&scene, "", "", 0}, file).ok()) << "a place that is no number cannot come back";
    EXPECT_FALSE(fs::exists(file));
}

TEST_F(SculptFiles, VerticesThatNoFaceUsesKeepTheirPlaceInTheOrder) {
    Scene scene = testing::random_skin(2);
    Mesh& mesh = scene.meshes[0];
    std::vector<uint32_t> indices = mesh.indices.get();
    indices.resize(indices.size() / 2 / 3 * 3);
    mesh.primitives[0].index_count = static_cast<uint32_t>(indices.size());
    mesh.indices = std::move(indices);
    const fs::path file = folder_ / "half.obj";
    ASSERT_TRUE(write_sculpt_file({&scene, "", "", 0}, file).ok());
    EXPECT_EQ(read_scene(file)->meshes[0].point_count(), mesh.point_count());
}

} // namespace
} // namespace wembrix
