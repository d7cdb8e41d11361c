// Scenes through USD: what we write comes back, and what others write is understood.
#include "core/base/files.h"
#include "core/formats/usd/usd.h"
#include "core/measure/comparison/compare_scenes.h"
#include "core/measure/scene/drift.h"
#include "core/measure/surface/deform.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "random_skin.h"
#include "tansy_scene.h"
#include "valid_scene.h"

#include <fmt/format.h>
#include <gtest/gtest.h>
#include <random>
#include <set>

namespace wembrix {
namespace {

namespace fs = std::filesystem;

Scene read_text_scene(const std::string& body,
                      const std::string& head = "(\n metersPerUnit = 1\n upAxis = \"Y\"\n)\n") {
    Result<Scene> scene = read_usd_bytes("#usda 1.0\n" + head + body, "made");
    EXPECT_TRUE(scene.ok()) << (scene.ok() ? "" : scene.problem().sentence());
    return scene.ok() ? scene.take() : Scene();
}
bool is_noted(const Scene& scene, const std::string& words) {
    return std::any_of(scene.notes.begin(), scene.notes.end(),
                       [&](const Note& note) { return note.what.find(words) != std::string::npos; });
}
Scene through(const Scene& scene, bool as_text, const AxisSystem& space = {}) {
    const Result<std::vector<WrittenFile>> files = write_usd(scene, "rig", space, as_text);
    EXPECT_TRUE(files.ok()) << (files.ok() ? "" : files.problem().sentence());
    Result<Scene> read = read_usd_bytes(files->front().bytes, "rig");
    EXPECT_TRUE(read.ok()) << (read.ok() ? "" : read.problem().sentence());
    return read.ok() ? read.take() : Scene();
}

/// As a delivery has it: one clip, and nothing that the format has no place for.
Scene fit_for_usd(Scene scene) {
    if (scene.clips.size() > 1) {
        scene.clips.erase(scene.clips.begin() + 1, scene.clips.end());
    }
    return scene;
}

TEST(UsdScene, RandomRigsComeBackFromTextAndCrate) {
    size_t refused = 0;
    for (uint32_t seed = 1; seed <= testing::seeds(); ++seed) {
        testing::RigOptions options = testing::options_for(seed);
        options.moving_scale = seed % 3 == 0;
        const Scene scene = fit_for_usd(testing::random_rig(seed, options));
        const Result<std::vector<WrittenFile>> files = write_usd(scene, "rig", {}, false);
        if (!files) { // two surfaces bound in two poses
            EXPECT_NE(files.problem().what.find("two poses"), std::string::npos) << files.problem().sentence();
            ++refused;
            continue;
        }
        EXPECT_EQ(write_usd(scene, "rig", {}, false)->front().bytes, files->front().bytes) << seed;
        const Scene packed = through(scene, false);
        const Scene spelled = through(scene, true);
        ASSERT_EQ(testing::what_is_not_valid(packed), "") << seed;
        const Drift drift = measure_drift_all(scene, packed, Matching::name, Mat4::Identity());
        // Scales that move are halves there: a thousandth.
        const double allowed = testing::allowed_mm(scene) * (options.moving_scale ? 100 : 1);
        EXPECT_LE(drift.largest_mm, allowed) << "seed " << seed << " at " << drift.place;
        EXPECT_EQ(joints_of(packed).size(), joints_of(scene).size()) << seed;
        ASSERT_EQ(packed.clips.size(), scene.clips.size()) << seed;
        // Text and crate say the same.
        for (const Claim& claim : compare_scenes(packed, spelled)) {
            EXPECT_TRUE(claim.pass) << seed << " " << claim.name << ": " << claim.detail;
        }
        const Drift apart = measure_drift_all(packed, spelled, Matching::name, Mat4::Identity());
        EXPECT_LT(apart.largest_mm, 1e-6) << seed;
        if (HasFailure()) {
            break;
        }
    }
    EXPECT_LT(refused * 2, testing::seeds()) << "a third of them binds joints in two poses";
}

TEST(UsdScene, RandomSurfacesComeBackValueForValue) {
    for (uint32_t seed = 1; seed <= testing::seeds(); ++seed) {
        Scene scene = testing::random_skin(seed);
        scene.clips.clear();
        const Scene read = through(scene, seed % 2 == 0);
        for (const Claim& claim : compare_scenes(scene, read)) {
            EXPECT_TRUE(claim.pass) << seed << " " << claim.name << ": " << claim.detail;
        }
        if (HasFailure()) {
            break;
        }
    }
}

TEST(UsdScene, AnotherAxisAndUnitAreSaidAndUndone) {
    Scene scene = demo::tansy_model();
    scene.clips.clear();
    // Numbers that lie on their back, in centimetres.
    const AxisSystem space = {Axis::pos_z, Axis::neg_y, 0.01, Handedness::right};
    const Result<std::vector<WrittenFile>> files = write_usd(scene, "lying", space, true);
    ASSERT_TRUE(files.ok()) << files.problem().sentence();
    EXPECT_NE(files->front().bytes.find("metersPerUnit = 0.01"), std::string::npos);
    EXPECT_NE(files->front().bytes.find("upAxis = \"Z\""), std::string::npos);
    const Scene read = *read_usd_bytes(files->front().bytes, "lying");
    const int head = joints_of(scene).back();
    const std::string& name = scene.nodes[static_cast<size_t>(head)].name;
    const Vec3 was = point_of(rest_world(scene)[static_cast<size_t>(head)], Vec3::Zero());
    const Vec3 is = point_of(rest_world(read)[static_cast<size_t>(read.find_node(name))], Vec3::Zero());
    EXPECT_LT((is - 0.01 * Vec3(was.x(), was.z(), -was.y())).norm(), 1e-6 * was.norm());
    EXPECT_FALSE(write_usd(scene, "odd", {Axis::pos_x, Axis::pos_z, 1, Handedness::right}, true).ok());
}

TEST(UsdScene, FacesOfEveryKindAndValuesInEverySpread) {
    const Scene scene = read_text_scene(R"(
def Mesh "sheet" {
    point3f[] points = [(0,0,0), (1,0,0), (1,1,0), (0,1,0), (2,0,0), (2,1,0), (3,0,0), (9,9,9)]
    int[] faceVertexCounts = [4, 4, 3]
    int[] faceVertexIndices = [0, 1, 2, 3, 1, 4, 5, 2, 4, 6, 5]
    int[] holeIndices = [2]
    uniform token orientation = "leftHanded"
    texCoord2f[] primvars:st = [(0, 0), (1, 0), (1, 1), (0, 1), (0.5, 0.25)] ( interpolation = "faceVarying" )
    int[] primvars:st:indices = [0, 1, 2, 3, 4, 4, 4, 4, 0, 0, 0]
    float[] primvars:wet = [0.1, 0.2, 0.3] ( interpolation = "uniform" )
    float primvars:age = 7
    color3f[] primvars:displayColor = [(1, 0, 0)]
    normal3f[] normals = [(0,0,2), (0,0,1), (0,0,1), (0,0,1), (0,0,1), (0,0,1), (0,0,1), (0,0,1)]
    string[] primvars:who = ["a"]
}
)");
    ASSERT_EQ(scene.meshes.size(), 1U);
    const Mesh& mesh = scene.meshes[0];
    EXPECT_EQ(mesh.triangle_count(), 4U) << "two of four corners; the third is a hole";
    EXPECT_TRUE(is_noted(scene, "holes"));
    EXPECT_TRUE(is_noted(scene, "turned around"));
    EXPECT_TRUE(is_noted(scene, "more than three corners"));
    EXPECT_TRUE(is_noted(scene, "“who” is text"));
    EXPECT_GT(mesh.point_count(), 8U) << "corners with other coordinates come once more";
    for (size_t p = 0; p < 8; ++p) {
        EXPECT_EQ(mesh.positions[p].x(), (std::vector<float>{0, 1, 1, 0, 2, 2, 3, 9})[p]) << "in their order";
    }
    ASSERT_EQ(mesh.attributes.size(), 3U);
    EXPECT_EQ(mesh.attributes[0].name, "TEXCOORD_0");
    // Every corner has the coordinates that its face says, counted from the top.
    std::set<std::pair<float, float>> second;
    for (size_t t = 6; t < 12; ++t) {
        const uint32_t v = mesh.indices[t];
        second.insert({mesh.attributes[0].data[v * 2], mesh.attributes[0].data[v * 2 + 1]});
    }
    EXPECT_EQ(second, (std::set<std::pair<float, float>>{{0.5F, 0.75F}}));
    EXPECT_EQ(mesh.attributes[1].name, "_wet");
    EXPECT_FLOAT_EQ(mesh.attributes[1].data[mesh.indices[0]], 0.1F);
    EXPECT_FLOAT_EQ(mesh.attributes[1].data[mesh.indices[6]], 0.2F);
    EXPECT_FLOAT_EQ(mesh.attributes[2].data[0], 7);
    EXPECT_FLOAT_EQ(mesh.normals[0].z(), 1) << "of length one";
    // Wound the other way, as it said.
    const Vec3f a = mesh.positions[mesh.indices[0]];
    const Vec3f b = mesh.positions[mesh.indices[1]];
    const Vec3f c = mesh.positions[mesh.indices[2]];
    EXPECT_LT((b - a).cross(c - a).z(), 0);
    ASSERT_EQ(scene.materials.size(), 1U) << "one colour for all is a material";
    EXPECT_EQ(scene.materials[0].base_colour[0], 1);
}

TEST(UsdScene, SubsetsMaterialsAndTextures) {
    const fs::path folder = fs::temp_directory_path() / fmt::format("wembrix_usd_{}", ::getpid());
    fs::create_directories(folder / "textures");
    const std::string png = "\x89PNG\r\n\x1a\n....";
    ASSERT_TRUE(write_file_whole(folder / "textures" / "bark.png", png).ok());
    ASSERT_TRUE(write_file_whole(folder / "tree.usda", R"(#usda 1.0
( metersPerUnit = 1 upAxis = "Y" )
def Xform "tree" {
  def Mesh "trunk" (prepend apiSchemas = ["MaterialBindingAPI"]) {
    point3f[] points = [(0,0,0), (1,0,0), (1,1,0), (0,1,0)]
    int[] faceVertexCounts = [3, 3]
    int[] faceVertexIndices = [0, 1, 2, 0, 2, 3]
    uniform token subdivisionScheme = "none"
    rel material:binding = </tree/looks/plain>
    def GeomSubset "half" {
      uniform token elementType = "face"
      int[] indices = [1]
      rel material:binding = <../../looks/bark>
    }
  }
  def Scope "looks" {
    def Material "plain" {
      token outputs:surface.connect = </tree/looks/plain/s.outputs:surface>
      def Shader "s" {
        uniform token info:id = "UsdPreviewSurface"
        color3f inputs:diffuseColor = (0.25, 0.5, 0.75)
        float inputs:roughness = 0.3
        float inputs:opacity = 0.5
        float inputs:clearcoat = 1
        token outputs:surface
      }
    }
    def Material "bark" {
      token outputs:surface.connect = </tree/looks/bark/s.outputs:surface>
      def Shader "s" {
        uniform token info:id = "UsdPreviewSurface"
        color3f inputs:diffuseColor.connect = </tree/looks/bark/t.outputs:rgb>
        float inputs:opacityThreshold = 0.4
        token outputs:surface
      }
      def Shader "t" {
        uniform token info:id = "UsdUVTexture"
        asset inputs:file = @./textures/bark.png@
        token inputs:wrapS = "clamp"
        float2 inputs:st.connect = </tree/looks/bark/p.outputs:result>
        color3f outputs:rgb
      }
      def Shader "p" { uniform token info:id = "UsdPrimvarReader_float2" string inputs:varname = "st1" }
    }
  }
}
)")
                    .ok());
    const Result<Scene> read = read_usd(folder / "tree.usda");
    ASSERT_TRUE(read.ok()) << read.problem().sentence();
    const Mesh& mesh = read->meshes.at(0);
    ASSERT_EQ(mesh.primitives.size(), 2U);
    const Material& plain = read->materials.at(static_cast<size_t>(mesh.primitives[0].material));
    const Material& bark = read->materials.at(static_cast<size_t>(mesh.primitives[1].material));
    EXPECT_EQ(plain.name, "plain");
    EXPECT_EQ(plain.base_colour, (std::array<double, 4>{0.25, 0.5, 0.75, 0.5}));
    EXPECT_EQ(plain.alpha_mode, AlphaMode::blend);
    EXPECT_TRUE(is_noted(*read, "clearcoat"));
    EXPECT_EQ(bark.alpha_mode, AlphaMode::mask);
    ASSERT_GE(bark.base_colour_texture.texture, 0);
    EXPECT_EQ(bark.base_colour_texture.coordinates, 1);
    const Texture& texture = read->textures[static_cast<size_t>(bark.base_colour_texture.texture)];
    EXPECT_EQ(read->images[static_cast<size_t>(texture.image)].name, "bark");
    EXPECT_EQ(read->samplers[static_cast<size_t>(texture.sampler)].wrap_u, Wrap::clamp);
    fs::remove_all(folder);
}

TEST(UsdScene, TransformsInTheirOrderAndOverTime) {
    const Scene scene = read_text_scene(R"(
def Xform "a" {
    double3 xformOp:translate = (1, 2, 3)
    float xformOp:rotateY:late = 90
    float3 xformOp:rotateXYZ = (90, 0, 90)
    float3 xformOp:scale = (2, 2, 2)
    double3 xformOp:translate:pivot = (0, 1, 0)
    uniform token[] xformOpOrder = ["xformOp:translate", "xformOp:translate:pivot", "xformOp:rotateXYZ",
        "!invert!xformOp:translate:pivot", "xformOp:scale"]
    def Xform "b" {
        double3 xformOp:translate.timeSamples = { 0: (0, 0, 0), 24: (0, 0, 5) }
        uniform token[] xformOpOrder = ["xformOp:translate"]
    }
    def Xform "c" {
        matrix4d xformOp:transform = ( (0, 0, -1, 0), (0, 1, 0, 0), (1, 0, 0, 0), (4, 5, 6, 1) )
        uniform token[] xformOpOrder = ["!resetXformStack!", "xformOp:transform"]
    }
}
)",
                                        "(\n metersPerUnit = 1\n timeCodesPerSecond = 24\n)\n");
    const std::vector<Mat4> world = rest_world(scene);
    const Mat4& a = world[static_cast<size_t>(scene.find_node("a"))];
    // Twice as large, less the pivot, about X first: (0, 1, 0) comes to lie along Z, and stays so about Z.
    EXPECT_LT((point_of(a, Vec3(0, 1, 0)) - Vec3(1, 3, 4)).norm(), 1e-6);
    const Mat4& c = world[static_cast<size_t>(scene.find_node("c"))];
    EXPECT_LT((point_of(c, Vec3::Zero()) - Vec3(4, 5, 6)).norm(), 1e-6) << "free of its parent";
    EXPECT_LT((point_of(c, Vec3::UnitX()) - Vec3(4, 5, 5)).norm(), 1e-6) << "rows are columns";
    ASSERT_EQ(scene.clips.size(), 1U);
    EXPECT_NEAR(scene.clips[0].seconds, 1, 1e-9);
    ASSERT_EQ(scene.clips[0].channels.size(), 1U);
    EXPECT_FLOAT_EQ(scene.clips[0].channels[0].values.get().back(), 5);
}

TEST(UsdScene, CurvesOfEveryBasisWithWidthsOrWithout) {
    const Scene scene = read_text_scene(R"(
def BasisCurves "lines" {
    uniform token type = "linear"
    int[] curveVertexCounts = [2, 3]
    point3f[] points = [(0,0,0), (0,1,0), (1,0,0), (1,1,0), (1,2,0)]
    float[] widths = [0.01, 0.02] ( interpolation = "uniform" )
    float[] primvars:id = [4, 5] ( interpolation = "uniform" )
}
def BasisCurves "bent" {
    uniform token type = "cubic"
    uniform token basis = "bezier"
    int[] curveVertexCounts = [4]
    point3f[] points = [(0,0,0), (0,1,0), (1,1,0), (1,0,0)]
}
def BasisCurves "through" {
    uniform token type = "cubic"
    uniform token basis = "catmullRom"
    uniform token wrap = "pinned"
    int[] curveVertexCounts = [4]
    point3f[] points = [(0,0,0), (1,0,0), (2,1,0), (3,0,0)]
    float[] widths = [0.1]
}
)");
    ASSERT_EQ(scene.curve_sets.size(), 3U);
    const CurveSet& lines = scene.curve_sets[0];
    EXPECT_EQ(lines.counts.get(), (std::vector<uint32_t>{2, 3}));
    EXPECT_EQ(lines.widths.get(), (std::vector<float>{0.01F, 0.01F, 0.02F, 0.02F, 0.02F}));
    ASSERT_EQ(lines.per_curve.size(), 1U);
    EXPECT_EQ(lines.per_curve[0].data.get(), (std::vector<float>{4, 5}));
    const CurveSet& bent = scene.curve_sets[1];
    EXPECT_EQ(bent.counts.get(), std::vector<uint32_t>{5});
    EXPECT_LT((bent.points[2] - Vec3f(0.5F, 0.75F, 0)).norm(), 1e-6F) << "the middle of the curve";
    EXPECT_TRUE(bent.widths.empty());
    const CurveSet& through_points = scene.curve_sets[2];
    EXPECT_EQ(through_points.counts.get(), std::vector<uint32_t>{13});
    EXPECT_LT((through_points.points[4] - Vec3f(1, 0, 0)).norm(), 1e-6F) << "it goes through its points";
    EXPECT_LT((through_points.points[12] - Vec3f(3, 0, 0)).norm(), 1e-6F) << "to the last";
    EXPECT_EQ(through_points.widths.size(), 13U);
    // And they come back.
    const Scene again = through(scene, false);
    ASSERT_EQ(again.curve_sets.size(), 3U);
    for (size_t i = 0; i < 3; ++i) {
        EXPECT_EQ(again.curve_sets[i].points.get(), scene.curve_sets[i].points.get());
        EXPECT_EQ(again.curve_sets[i].counts.get(), scene.curve_sets[i].counts.get());
        EXPECT_EQ(again.curve_sets[i].widths.get(), scene.curve_sets[i].widths.get());
    }
}

TEST(UsdScene, StrandsKeepTheirRootsOnTheirSurface) {
    Scene scene = demo::tansy_model();
    scene.clips.clear();
    const auto done = [&](const char* step, const nlohmann::json& parameters) {
        Result<StepResult> result = apply_step(scene, step, parameters);
        ASSERT_TRUE(result.ok()) << result.problem().sentence();
        scene = result->scene;
    };
    done("leave_behind", {{"kinds", {"camera", "light"}}});
    const std::string body = scene.nodes[static_cast<size_t>(surfaces_of(scene)[0])].name;
    done("strand_region", {{"name", "crest"}, {"surface", body}});
    done("strand_guides", {{"spread", 4}, {"length_mm", 8000}});
    done("grow_strands", {{"count", 300}, {"points", 5}});
    const Scene read = through(scene, false);
    ASSERT_EQ(read.curve_sets.size(), 1U);
    const CurveSet& was = scene.curve_sets[0];
    const CurveSet& is = read.curve_sets[0];
    EXPECT_EQ(is.roots.get(), was.roots.get());
    ASSERT_GE(is.surface, 0);
    EXPECT_EQ(read.nodes[static_cast<size_t>(is.surface)].name, body);
    EXPECT_EQ(is.points.get(), was.points.get());
    EXPECT_EQ(is.widths.get(), was.widths.get());
    for (const Claim& claim : compare_scenes(scene, read)) {
        if (claim.name == "Curves") {
            EXPECT_TRUE(claim.pass) << claim.detail;
        }
    }
}

TEST(UsdScene, PointsOverTimeAreACache) {
    Scene scene = read_text_scene(R"(
def Mesh "sail" {
    point3f[] points = [(0,0,0), (1,0,0), (1,1,0)]
    point3f[] points.timeSamples = {
        10: [(0,0,0), (1,0,0), (1,1,0)],
        12: [(0,0,1), (1,0,1), (1,1,1)],
        14: [(0,0,4), (1,0,4), (1,1,4)],
    }
    int[] faceVertexCounts = [3]
    int[] faceVertexIndices = [0, 1, 2]
    uniform token subdivisionScheme = "none"
}
)",
                                  "(\n metersPerUnit = 0.5\n timeCodesPerSecond = 60\n upAxis = \"Z\"\n)\n");
    ASSERT_EQ(scene.caches.size(), 1U);
    const PointCache& cache = scene.caches[0];
    EXPECT_EQ(cache.frames, 3);
    EXPECT_DOUBLE_EQ(cache.rate, 30);
    EXPECT_EQ(cache.surface, scene.find_node("sail"));
    const int sail = cache.surface;
    const Mat4 world = rest_world(scene)[static_cast<size_t>(sail)];
    EXPECT_LT((point_of(world, cache.positions[6].cast<double>()) - Vec3(0, 2, 0)).norm(), 1e-6) << "half of 4, up";
    const Scene again = through(scene, false);
    ASSERT_EQ(again.caches.size(), 1U);
    EXPECT_EQ(again.caches[0].positions.get(), cache.positions.get());
    EXPECT_DOUBLE_EQ(again.caches[0].rate, 30);
}

TEST(UsdScene, LayersAreComposedInsideTheFolderOnly) {
    const fs::path folder = fs::temp_directory_path() / fmt::format("wembrix_compose_{}", ::getpid());
    fs::create_directories(folder / "job" / "parts");
    const auto put = [&](const char* name, const std::string& text) {
        ASSERT_TRUE(write_file_whole(folder / name, "#usda 1.0\n" + text).ok());
    };
    put("secret.usda", "def Xform \"away\" {}\n");
    put("job/parts/leg.usda",
        "(defaultPrim = \"leg\")\ndef Xform \"leg\" { rel to = </leg/foot>\n def Xform \"foot\" {\n"
        " double3 xformOp:translate = (0, 0, 1)\n uniform token[] xformOpOrder = "
        "[\"xformOp:translate\"] } }\n");
    put("job/under.usda", "over \"bird\" { def Xform \"tail\" {} }\ndef Xform \"nest\" {}\n");
    put("job/bird.usda", R"((subLayers = [@under.usda@, @../secret.usda@] metersPerUnit = 1)
def Xform "bird" ( variants = { string look = "wet" } prepend variantSets = "look" ) {
    def Xform "left" ( references = @parts/leg.usda@ ) {}
    def Xform "right" ( references = </bird/left> ) { over "foot" {
        double3 xformOp:translate = (0, 0, 2) } }
    def Xform "lost" ( payload = @nowhere.usda@ ) {}
    def Xform "loop" ( references = </bird> ) {}
    class "_kind" { def Xform "ring" {} }
    def Xform "ringed" ( inherits = </bird/_kind> ) {}
    variantSet "look" = { "dry" { def Xform "dust" {} } "wet" { def Xform "drop" {} } }
}
)");
    const Result<Scene> read = read_usd(folder / "job" / "bird.usda");
    ASSERT_TRUE(read.ok()) << read.problem().sentence();
    std::set<std::string> names;
    for (const Node& node : read->nodes) {
        names.insert(node.name);
    }
    for (const char* there : {"bird", "left", "right", "foot", "foot_2", "tail", "nest", "drop", "ring", "ringed"}) {
        EXPECT_EQ(names.count(there), 1U) << there;
    }
    EXPECT_EQ(names.count("away"), 0U);
    EXPECT_EQ(names.count("dust"), 0U);
    EXPECT_EQ(read->nodes[static_cast<size_t>(read->find_node("foot_2"))].rest.translation.z(), 2)
        << "the nearer opinion";
    EXPECT_EQ(read->nodes[static_cast<size_t>(read->find_node("foot"))].rest.translation.z(), 1);
    EXPECT_TRUE(is_noted(*read, "secret.usda”"));
    EXPECT_TRUE(is_noted(*read, "nowhere.usda"));
    EXPECT_TRUE(is_noted(*read, "itself"));
    EXPECT_TRUE(is_noted(*read, "“wet” is taken"));
    EXPECT_EQ(read->beside.size(), 2U) << "what is watched for change, too";
    fs::remove_all(folder);
}

TEST(UsdScene, WhatIsNotReadIsSaid) {
    const Scene scene = read_text_scene(R"(
def Sphere "ball" {}
def Camera "eye" {}
def Xform "off" ( active = false ) {}
def Mesh "hidden" { token visibility = "invisible" }
def Mesh "broken" {
    point3f[] points = [(0,0,0)]
    int[] faceVertexCounts = [3]
    int[] faceVertexIndices = [0, 1, 2]
}
def Mesh "fogged" {
    point3f[] points = [(0,0,0), (1,0,0), (0,1,0)]
    int[] faceVertexCounts = [3]
    int[] faceVertexIndices = [0, 1, 2]
    float[] primvars:wet = [0, nan, 1] ( interpolation = "vertex" )
}
def BasisCurves "astray" {
    uniform token type = "linear"
    int[] curveVertexCounts = [2]
    point3f[] points = [(0,0,0), (0,0,nan)]
}
def Xform "own" ( customData = { string who = "me" int[] n = [1, 2] } ) {}
)",
                                        "");
    EXPECT_TRUE(is_noted(scene, "“Sphere”"));
    EXPECT_TRUE(is_noted(scene, "“Camera”"));
    EXPECT_TRUE(is_noted(scene, "switched off"));
    EXPECT_TRUE(is_noted(scene, "hidden there"));
    EXPECT_TRUE(is_noted(scene, "points that are not there"));
    EXPECT_TRUE(is_noted(scene, "says no unit"));
    EXPECT_TRUE(is_noted(scene, "no numbers; 0 stands in"));
    EXPECT_TRUE(is_noted(scene, "1 point without a place"));
    EXPECT_EQ(scene.nodes[static_cast<size_t>(scene.find_node("own"))].carried.extras, R"({"n":[1,2],"who":"me"})");
    EXPECT_EQ(through(scene, false).nodes[static_cast<size_t>(through(scene, false).find_node("own"))].carried.extras,
              R"({"n":[1,2],"who":"me"})");
}

TEST(UsdScene, ExtrasOfEveryKindComeBack) {
    for (const char* extras :
         {R"({"a":null,"b":[1,"two",null],"c":{"d":null,"e":1.5}})", R"({"big":5000000000,"m":[0.5,1],"n":[1,2]})",
          R"({"deep":[[1],[2,[3]]],"none":[],"yes":true})", R"([1,"two"])", R"("only a word")",
          R"({"huge":18446744073709551615,"mixed":[1,2.5]})"}) {
        Scene scene;
        Node node;
        node.name = "thing";
        node.carried.extras = extras;
        scene.nodes.push_back(node);
        scene.asset.extras = extras;
        for (const bool as_text : {false, true}) {
            const Scene read = through(scene, as_text);
            ASSERT_EQ(read.nodes.size(), 1U);
            EXPECT_EQ(read.nodes[0].carried.extras, extras) << as_text;
            EXPECT_EQ(read.asset.extras, extras) << as_text;
        }
    }
}

TEST(UsdScene, TansyAndHerTakeComeBack) {
    const Scene scene = fit_for_usd(demo::tansy_market_take());
    const Scene read = through(scene, false);
    const Drift drift = measure_drift_all(scene, read, Matching::name, Mat4::Identity());
    EXPECT_LT(drift.largest_mm, testing::allowed_mm(scene) * 4) << drift.place;
    EXPECT_EQ(joints_of(read).size(), joints_of(scene).size());
}

TEST(Usd, AMotionWithoutEndIsLeftOutAndSaid) {
    const Scene rig = testing::random_rig(3, testing::options_for(3));
    ASSERT_FALSE(rig.clips.empty());
    const std::string text = write_usd(rig, "rig", AxisSystem(), true)->front().bytes;
    const size_t at = text.find("endTimeCode = ");
    ASSERT_NE(at, std::string::npos);
    for (const char* end : {"1e300", "1e9"}) {
        std::string endless = text;
        endless.replace(at, text.find('\n', at) - at, std::string("endTimeCode = ") + end);
        const Result<Scene> read = read_usd_bytes(endless, "rig");
        ASSERT_TRUE(read.ok()) << read.problem().sentence();
        EXPECT_LT(read->clips.size(), rig.clips.size()) << end;
        EXPECT_TRUE(is_noted(*read, "after 1 000 000 s")) << end;
    }
}

} // namespace
} // namespace wembrix
