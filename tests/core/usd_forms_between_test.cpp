// Blend shapes with forms in between, as a USD file has them: the motion of what is read is the file's.
#include "core/formats/usd/forms_between.h"
#include "core/formats/usd/usd.h"
#include "core/measure/skeleton/pose.h"
#include "core/measure/surface/deform.h"

#include <gtest/gtest.h>

namespace wembrix {
namespace {

/// One triangle whose first point goes up by 1 when smile is wholly in, 0.8 when half in, and down by 0.5 at -1; the
/// second goes ahead by as much as frown is in.
std::string layer(const std::string& samples) {
    return R"(#usda 1.0
(
 metersPerUnit = 1
 upAxis = "Y"
 timeCodesPerSecond = 24
)
def SkelRoot "Face"
{
    def Skeleton "Rig" ( prepend apiSchemas = ["SkelBindingAPI"] )
    {
        uniform token[] joints = ["head"]
        uniform matrix4d[] bindTransforms = [( (1,0,0,0),(0,1,0,0),(0,0,1,0),(0,0,0,1) )]
        uniform matrix4d[] restTransforms = [( (1,0,0,0),(0,1,0,0),(0,0,1,0),(0,0,0,1) )]
        rel skel:animationSource = </Face/Rig/Talk>
        def SkelAnimation "Talk"
        {
            uniform token[] blendShapes = ["smile", "frown"]
            float[] blendShapeWeights.timeSamples = {)" +
           samples + R"(}
        }
    }
    def Mesh "Skin" ( prepend apiSchemas = ["SkelBindingAPI"] )
    {
        int[] faceVertexCounts = [3]
        int[] faceVertexIndices = [0, 1, 2]
        point3f[] points = [(0,0,0), (1,0,0), (0,0,1)]
        rel skel:skeleton = </Face/Rig>
        uniform token[] skel:blendShapes = ["smile", "frown"]
        rel skel:blendShapeTargets = [</Face/Skin/smile>, </Face/Skin/frown>]
        int[] primvars:skel:jointIndices = [0, 0, 0] ( elementSize = 1 interpolation = "vertex" )
        float[] primvars:skel:jointWeights = [1, 1, 1] ( elementSize = 1 interpolation = "vertex" )
        def BlendShape "smile"
        {
            uniform vector3f[] offsets = [(0,1,0)]
            uniform int[] pointIndices = [0]
            uniform vector3f[] inbetweens:half = [(0,0.8,0)] ( weight = 0.5 )
            uniform vector3f[] inbetweens:down = [(0,-0.5,0)] ( weight = -1 )
            uniform vector3f[] inbetweens:nowhere = [(0,9,0)]
            uniform vector3f[] inbetweens:again = [(0,9,0)] ( weight = 1 )
        }
        def BlendShape "frown"
        {
            uniform vector3f[] offsets = [(0,0,1)]
            uniform int[] pointIndices = [1]
        }
    }
}
)";
}

/// How high the first point is, as the schema says.
double height_at(double smile) {
    const std::vector<std::pair<double, double>> line = {{-1, -0.5}, {0, 0}, {0.5, 0.8}, {1, 1}};
    size_t high = 1;
    while (high + 1 < line.size() && smile >= line[high].first) {
        ++high;
    }
    const auto& [x0, y0] = line[high - 1];
    const auto& [x1, y1] = line[high];
    return y0 + (smile - x0) / (x1 - x0) * (y1 - y0);
}

TEST(UsdFormsBetween, TheMotionIsTheFiles) {
    const Result<Scene> scene = read_usd_bytes(layer("0: [-1.5, 0], 24: [1.25, 1], 48: [0.25, 0.5]"), "face");
    ASSERT_TRUE(scene.ok()) << scene.problem().sentence();
    ASSERT_EQ(scene->meshes.size(), 1U);
    std::vector<std::string> names;
    for (const MorphTarget& shape : scene->meshes[0].shapes) {
        names.push_back(shape.name);
    }
    EXPECT_EQ(names, (std::vector<std::string>{"smile", "smile_50", "smile_-100", "frown"}));
    size_t told = 0;
    for (const Note& note : scene->notes) {
        told += note.what.find("became shapes of their own") != std::string::npos ? 1 : 0;
        told += note.what.find("no weight of its own") != std::string::npos ? 2 : 0;
    }
    EXPECT_GE(told, 3U);
    ASSERT_EQ(scene->clips.size(), 1U);
    const Poser poser(*scene, &scene->clips[0]);
    Deformer deformer(*scene);
    std::vector<Vec3f> points(deformer.point_count());
    Pose pose;
    for (int i = 0; i <= 200; ++i) {
        const double seconds = i / 100.0;
        const double smile = seconds < 1 ? -1.5 + 2.75 * seconds : 1.25 - (seconds - 1);
        const double frown = seconds < 1 ? seconds : 1 - 0.5 * (seconds - 1);
        poser.at(seconds, pose);
        deformer.points(pose, points);
        EXPECT_NEAR(points[0].y(), height_at(smile), 2e-5) << seconds;
        EXPECT_NEAR(points[1].z(), frown, 2e-5) << seconds;
    }
    // Two of a shape's forms are in at a time at most, in the order of their weights.
    for (const Channel& channel : scene->clips[0].channels) {
        if (channel.path == Path::weights) {
            ASSERT_EQ(channel.width, 4);
            EXPECT_GT(channel.times.size(), 5U) << "keys where a form is passed";
        }
    }
    // Out and in again it is the same, with shapes alone.
    const Result<std::vector<WrittenFile>> files = write_usd(*scene, "face", {}, true);
    ASSERT_TRUE(files.ok());
    EXPECT_EQ(files->front().bytes.find("inbetweens"), std::string::npos);
    const Result<Scene> back = read_usd_bytes(files->front().bytes, "face");
    ASSERT_TRUE(back.ok());
    EXPECT_EQ(back->meshes[0].shapes.size(), 4U);
}

TEST(UsdFormsBetween, PlainShapesKeepTheirKeys) {
    const std::vector<usd::ShapeWeights> keys = {{0, {0, 1}}, {1, {2, -1}}};
    const std::vector<usd::ShapeWeights> same = usd::with_forms_between({"a", "b"}, {1, 1}, keys);
    ASSERT_EQ(same.size(), 2U);
    EXPECT_EQ(same[1].weights, (std::vector<double>{2, -1}));
    EXPECT_TRUE(usd::with_forms_between({"a", "a"}, {1, 0.5}, {}).empty());
}

} // namespace
} // namespace wembrix
