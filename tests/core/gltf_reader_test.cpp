// Numbers and structures of glTF, made by hand, with the answers known.
#include "core/formats/gltf/gltf.h"
#include "core/measure/surface/deform.h"
#include "core/scene/content.h"
#include "gltf_sheet.h"
#include "small_scenes.h"

#include <cstring>
#include <fmt/format.h>
#include <functional>
#include <gtest/gtest.h>
#include <limits>
#include <nlohmann/json.hpp>

namespace wembrix::testing {
namespace {

using nlohmann::json;

const Attribute& attribute(const Scene& scene, const std::string& name) {
    for (const Attribute& candidate : scene.meshes[0].attributes) {
        if (candidate.name == name) {
            return candidate;
        }
    }
    static const Attribute none;
    ADD_FAILURE() << name << " is not there";
    return none;
}

TEST(GltfReader, AllComponentTypesBecomeTheSameNumbers) {
    Sheet sheet = triangle();
    attributes(sheet)["_BYTE"] = sheet.numbers<int8_t>({-3, 0, 100}, 5120, "SCALAR", 1);
    attributes(sheet)["_UBYTE"] = sheet.numbers<uint8_t>({3, 0, 200}, 5121, "SCALAR", 1);
    attributes(sheet)["_SHORT"] = sheet.numbers<int16_t>({-3000, 0, 30000}, 5122, "SCALAR", 1);
    attributes(sheet)["_USHORT"] = sheet.numbers<uint16_t>({3, 0, 60000}, 5123, "SCALAR", 1);
    attributes(sheet)["_UINT"] = sheet.numbers<uint32_t>({3, 0, 1U << 23U}, 5125, "SCALAR", 1);
    const Scene scene = sheet.read();
    EXPECT_EQ(attribute(scene, "_BYTE").data.get(), (std::vector<float>{-3, 0, 100}));
    EXPECT_EQ(attribute(scene, "_UBYTE").data.get(), (std::vector<float>{3, 0, 200}));
    EXPECT_EQ(attribute(scene, "_SHORT").data.get(), (std::vector<float>{-3000, 0, 30000}));
    EXPECT_EQ(attribute(scene, "_USHORT").data.get(), (std::vector<float>{3, 0, 60000}));
    EXPECT_EQ(attribute(scene, "_UINT").data.get(), (std::vector<float>{3, 0, 8388608}));
}

TEST(GltfReader, NormalisedIntegersReachOneAndMinusOne) {
    Sheet sheet = triangle();
    attributes(sheet)["_B"] = sheet.numbers<int8_t>({-128, -127, 127}, 5120, "SCALAR", 1, true);
    attributes(sheet)["_UB"] = sheet.numbers<uint8_t>({0, 51, 255}, 5121, "SCALAR", 1, true);
    attributes(sheet)["_S"] = sheet.numbers<int16_t>({-32768, 0, 32767}, 5122, "SCALAR", 1, true);
    attributes(sheet)["_US"] = sheet.numbers<uint16_t>({0, 13107, 65535}, 5123, "SCALAR", 1, true);
    const Scene scene = sheet.read();
    EXPECT_EQ(attribute(scene, "_B").data.get(), (std::vector<float>{-1, -1, 1}));
    EXPECT_FLOAT_EQ(attribute(scene, "_UB").data[1], 0.2F);
    EXPECT_EQ(attribute(scene, "_S").data.get(), (std::vector<float>{-1, 0, 1}));
    EXPECT_FLOAT_EQ(attribute(scene, "_US").data[1], 0.2F);
    EXPECT_FLOAT_EQ(attribute(scene, "_US").data[2], 1);
}

TEST(GltfReader, SparseElementsReplaceTheirBase) {
    Sheet sheet = triangle();
    const int base = sheet.floats({1, 2, 3}, "SCALAR", 1);
    const int places = sheet.view<uint16_t>({2});
    const int values = sheet.view<float>({9});
    const json sparse = {{"count", 1},
                         {"indices", {{"bufferView", places}, {"componentType", 5123}}},
                         {"values", {{"bufferView", values}}}};
    sheet.root["accessors"][base]["sparse"] = sparse;
    attributes(sheet)["_OVER"] = base;
    const int zeros = sheet.accessor(-1, 5126, "SCALAR", 3);
    sheet.root["accessors"][zeros]["sparse"] = sparse;
    attributes(sheet)["_ALONE"] = zeros;
    const Scene scene = sheet.read();
    EXPECT_EQ(attribute(scene, "_OVER").data.get(), (std::vector<float>{1, 2, 9}));
    EXPECT_EQ(attribute(scene, "_ALONE").data.get(), (std::vector<float>{0, 0, 9}));
}

TEST(GltfReader, StridesAndOffsetsPickInterleavedData) {
    Sheet sheet = triangle();
    const int view = sheet.view<float>({10, 1, 2, 20, 3, 4, 30, 5, 6}, 12);
    attributes(sheet)["_FIRST"] = sheet.accessor(view, 5126, "SCALAR", 3);
    attributes(sheet)["TEXCOORD_0"] = sheet.accessor(view, 5126, "VEC2", 3, false, 4);
    const Scene scene = sheet.read();
    EXPECT_EQ(attribute(scene, "_FIRST").data.get(), (std::vector<float>{10, 20, 30}));
    EXPECT_EQ(attribute(scene, "TEXCOORD_0").data.get(), (std::vector<float>{1, 2, 3, 4, 5, 6}));
}

TEST(GltfReader, QuantisedPositionsAreUnpackedThroughTheNode) {
    Sheet sheet = triangle();
    attributes(sheet)["POSITION"] =
        sheet.numbers<int16_t>({0, 0, 0, 0, 32767, 0, 0, 0, 0, -32767, 0, 0}, 5122, "VEC3", 4, true);
    sheet.root["accessors"].back()["count"] = 3;
    sheet.root["bufferViews"].back()["byteStride"] = 8;
    sheet.root["extensionsUsed"] = {"KHR_mesh_quantization"};
    sheet.root["extensionsRequired"] = {"KHR_mesh_quantization"};
    sheet.root["nodes"][0]["scale"] = {2, 2, 2};
    const Scene scene = sheet.read();
    EXPECT_TRUE(scene.extensions_required.empty());
    Deformer deformer(scene);
    std::vector<Vec3f> points(deformer.point_count());
    deformer.points(Poser(scene, nullptr).rest(), points);
    EXPECT_TRUE(points[1].isApprox(Vec3f(2, 0, 0)) || points[1].isApprox(Vec3f(0, 2, 0)));
}

Sheet two_joints(const std::vector<float>& weights_1) {
    Sheet sheet = triangle();
    attributes(sheet)["JOINTS_0"] = sheet.numbers<uint8_t>({0, 1, 2, 3, 0, 1, 2, 3, 0, 1, 2, 3}, 5121, "VEC4", 4);
    attributes(sheet)["WEIGHTS_0"] = sheet.floats({.2F, .1F, .1F, .1F, 1, 0, 0, 0, .5F, .5F, 0, 0}, "VEC4", 4);
    attributes(sheet)["JOINTS_1"] = sheet.numbers<uint16_t>({4, 5, 6, 0, 4, 5, 6, 0, 4, 5, 6, 0}, 5123, "VEC4", 4);
    attributes(sheet)["WEIGHTS_1"] = sheet.floats(weights_1, "VEC4", 4);
    sheet.root["nodes"] = json::array({{{"mesh", 0}, {"skin", 0}}});
    json joints = json::array();
    for (int i = 0; i < 7; ++i) {
        joints.push_back(i + 1);
        sheet.root["nodes"].push_back({{"name", fmt::format("j{}", i)}, {"translation", {0, i, 0}}});
    }
    sheet.root["skins"] = json::array({{{"joints", joints}}});
    return sheet;
}

TEST(GltfReader, ManySetsOfInfluencesBecomeOneRow) {
    const Scene scene = two_joints({.2F, .2F, .1F, 0, 0, 0, 0, 0, 0, 0, 0, 0}).read();
    const Influences& rows = influences_of(scene);
    EXPECT_EQ(rows.largest_row(), 7U);
    EXPECT_EQ(rows.offsets.get(), (std::vector<uint32_t>{0, 7, 8, 10}));
    EXPECT_EQ(rows.joints[6], 6);
    // Joints stand at 0 to 6 m: the point goes where the weighted mean of them goes.
    Deformer deformer(scene);
    std::vector<Vec3f> points(deformer.point_count());
    deformer.points(Poser(scene, nullptr).rest(), points);
    EXPECT_NEAR(points[0].y(), .1 * 1 + .1 * 2 + .1 * 3 + .2 * 4 + .2 * 5 + .1 * 6, 1e-5);
    EXPECT_NEAR(points[2].y(), 1 + 0.5, 1e-5);
}

TEST(GltfReader, PointsThatNothingHoldsAreSaid) {
    Sheet sheet = two_joints(std::vector<float>(12, 0));
    attributes(sheet)["WEIGHTS_0"] = sheet.floats(std::vector<float>(12, 0), "VEC4", 4);
    const Scene scene = sheet.read();
    EXPECT_EQ(influences_of(scene).largest_row(), 1U);
    ASSERT_FALSE(scene.notes.empty());
    EXPECT_NE(scene.notes[0].what.find("3 vertices"), std::string::npos) << scene.notes[0].what;
}

TEST(GltfReader, ShapesKeepNamesNormalsAndStartingWeights) {
    Sheet sheet = triangle();
    attributes(sheet)["NORMAL"] = sheet.floats({0, 0, 1, 0, 0, 1, 0, 0, 1}, "VEC3", 3);
    json& mesh = sheet.root["meshes"][0];
    const int moved = sheet.floats({0, 0, 0, 0, 0, 2, 0, 0, 0}, "VEC3", 3);
    const int turned = sheet.floats({0, 0, 0, 1, 0, -1, 0, 0, 0}, "VEC3", 3);
    mesh["primitives"][0]["targets"] = json::array({{{"POSITION", moved}, {"NORMAL", turned}}});
    mesh["weights"] = {0.5};
    mesh["extras"] = {{"targetNames", {"raise"}}, {"author", "nobody"}};
    const Scene scene = sheet.read();
    const MorphTarget& shape = scene.meshes[0].shapes.at(0);
    EXPECT_EQ(shape.name, "raise");
    EXPECT_EQ(shape.points.get(), (std::vector<uint32_t>{1}));
    EXPECT_TRUE(shape.has_normals);
    EXPECT_EQ(scene.meshes[0].carried.extras, R"({"author":"nobody"})");
    Deformer deformer(scene);
    std::vector<Vec3f> points(3);
    std::vector<Vec3f> normals(3);
    deformer.points_and_normals(Poser(scene, nullptr).rest(), points, normals);
    EXPECT_NEAR(points[1].z(), 1, 1e-6);
    EXPECT_NEAR(normals[1].x(), std::sqrt(0.5), 1e-6);
}

TEST(GltfReader, ChannelsOfEveryKindGiveTheStandardsValues) {
    Sheet sheet = triangle();
    const int times = sheet.floats({0, 1, 2}, "SCALAR", 1);
    const int straight = sheet.floats({0, 0, 0, 2, 0, 0, 4, 0, 0}, "VEC3", 3);
    const int cubic =
        sheet.floats({0, 0, 0, 0, 0, 0, 1, 0, 0, 0, 0, 0, 1, 1, 1, 0, 0, 0, 0, 0, 0, 1, 1, 1, 0, 0, 0}, "VEC3", 3);
    sheet.root["nodes"] = json::array({{{"mesh", 0}}, {{"name", "a"}}, {{"name", "b"}}, {{"name", "c"}}});
    sheet.root["animations"] =
        json::array({{{"name", "move"},
                      {"samplers",
                       {{{"input", times}, {"output", straight}, {"interpolation", "STEP"}},
                        {{"input", times}, {"output", straight}},
                        {{"input", times}, {"output", cubic}, {"interpolation", "CUBICSPLINE"}}}},
                      {"channels",
                       {{{"sampler", 0}, {"target", {{"node", 1}, {"path", "translation"}}}},
                        {{"sampler", 1}, {"target", {{"node", 2}, {"path", "translation"}}}},
                        {{"sampler", 2}, {"target", {{"node", 3}, {"path", "scale"}}}}}}}});
    const Scene scene = sheet.read();
    ASSERT_EQ(scene.clips.size(), 1U);
    EXPECT_EQ(scene.clips[0].seconds, 2);
    Pose pose;
    Poser(scene, &scene.clips[0]).at(0.5, pose);
    EXPECT_EQ(pose.local[static_cast<size_t>(scene.find_node("a"))].translation.x(), 0);
    EXPECT_NEAR(pose.local[static_cast<size_t>(scene.find_node("b"))].translation.x(), 1, 1e-9);
    // Hermite by hand: v0 = 0 with out-tangent 1, v1 = 1 with in-tangent 0, at u = 1/2.
    EXPECT_NEAR(pose.local[static_cast<size_t>(scene.find_node("c"))].scale.x(), 0.125 * 1 + 0.5 * 1, 1e-6);
}

TEST(GltfReader, SeveralScenesSkinsAndPlainNodesComeBackAsTheyWere) {
    Sheet sheet = two_joints(std::vector<float>(12, 0));
    sheet.root["nodes"].push_back({{"name", "elsewhere"}, {"translation", {5, 0, 0}}});
    sheet.root["scenes"] =
        json::array({{{"name", "day"}, {"nodes", {0, 1, 2, 3, 4, 5, 6, 7}}}, {{"name", "night"}, {"nodes", {8, 0}}}});
    sheet.root["scenes"][1]["extras"] = {{"stars", 0.5}};
    sheet.root["scene"] = 1;
    const Scene scene = sheet.read();
    ASSERT_EQ(scene.scenes.size(), 2U);
    EXPECT_EQ(scene.scenes[1].name, "night");
    EXPECT_EQ(scene.first_scene, 1);
    const std::vector<WrittenFile> files = write_gltf_embedded(scene, "again").take();
    const json again = json::parse(files[0].bytes);
    EXPECT_EQ(again["scenes"].size(), 2U);
    EXPECT_EQ(again["scenes"][1]["nodes"].size(), 2U);
    EXPECT_EQ(again["scenes"][1]["extras"], sheet.root["scenes"][1]["extras"]);
    EXPECT_EQ(again["scene"], 1);
}

TEST(GltfReader, MaterialsPicturesExtensionsAndExtrasAreCarriedThrough) {
    Sheet sheet = triangle();
    const std::string png = "\x89PNG\r\n\x1a\n and so on";
    const int view = sheet.view(std::vector<char>(png.begin(), png.end()));
    sheet.root["images"] = json::array({{{"bufferView", view}, {"mimeType", "image/png"}, {"name", "bark"}}});
    sheet.root["samplers"] = json::array({{{"wrapS", 33071}}});
    sheet.root["textures"] = json::array({{{"source", 0}, {"sampler", 0}}});
    sheet.root["materials"] = json::array({{{"name", "wet"},
                                            {"pbrMetallicRoughness", {{"baseColorTexture", {{"index", 0}}}}},
                                            {"extensions", {{"KHR_materials_ior", {{"ior", 1.3}}}}}}});
    sheet.root["meshes"][0]["primitives"][0]["material"] = 0;
    sheet.root["nodes"][0]["extras"] = {{"tide", "high"}};
    sheet.root["nodes"][0]["extensions"] = {{"EXT_of_somebody", {{"depth", 3.5}}}};
    sheet.root["extensionsUsed"] = {"KHR_materials_ior", "EXT_of_somebody"};
    const Scene scene = sheet.read();
    const json again = json::parse(write_gltf_embedded(scene, "again")->front().bytes);
    EXPECT_EQ(again["materials"], sheet.root["materials"]);
    EXPECT_EQ(again["textures"], sheet.root["textures"]);
    EXPECT_EQ(again["images"][0]["name"], "bark");
    EXPECT_EQ(again["nodes"][0]["extras"], sheet.root["nodes"][0]["extras"]);
    EXPECT_EQ(again["nodes"][0]["extensions"], sheet.root["nodes"][0]["extensions"]);
    EXPECT_EQ(again["extensionsUsed"].size(), 2U);
    const Scene twice = read_gltf_bytes(again.dump(), {}, "again").take();
    EXPECT_EQ(std::string(twice.images[0].bytes.begin(), twice.images[0].bytes.end()), png);
}

TEST(GltfReader, ColoursOfThreeAndOfFourComponentsInOneMeshAreOneAttribute) {
    for (const bool four_first : {true, false}) {
        Sheet sheet = triangle();
        json second = sheet.root["meshes"][0]["primitives"][0];
        second["attributes"]["POSITION"] = sheet.floats({0, 0, 1, 1, 0, 1, 0, 1, 1}, "VEC3", 3);
        const int four = sheet.floats({1, 0, 0, 0.5F, 1, 0, 0, 0.5F, 1, 0, 0, 0.5F}, "VEC4", 4);
        const int three = sheet.floats({0, 1, 0, 0, 1, 0, 0, 1, 0}, "VEC3", 3);
        attributes(sheet)["COLOR_0"] = four_first ? four : three;
        second["attributes"]["COLOR_0"] = four_first ? three : four;
        sheet.root["meshes"][0]["primitives"].push_back(second);
        const Scene scene = sheet.read();
        const Attribute& colours = attribute(scene, "COLOR_0");
        ASSERT_EQ(colours.width, 4);
        const size_t of_three = four_first ? 3 * 4 : 0;
        EXPECT_EQ(colours.data[of_three + 1], 1.0F);
        EXPECT_EQ(colours.data[of_three + 3], 1.0F) << "without opacity is with all of it";
        EXPECT_EQ(colours.data[(four_first ? 0 : 3 * 4) + 3], 0.5F);
    }
}

TEST(GltfReader, ShapesThatMoveTangentsAndNoNormalsAreWrittenSo) {
    Sheet sheet = triangle();
    attributes(sheet)["NORMAL"] = sheet.floats({0, 0, 1, 0, 0, 1, 0, 0, 1}, "VEC3", 3);
    attributes(sheet)["TANGENT"] = sheet.floats({1, 0, 0, 1, 1, 0, 0, 1, 1, 0, 0, 1}, "VEC4", 4);
    sheet.root["meshes"][0]["primitives"][0]["targets"] =
        json::array({{{"POSITION", sheet.floats({0, 0, 1, 0, 0, 0, 0, 0, 0}, "VEC3", 3)},
                      {"TANGENT", sheet.floats({0, 0.25F, 0, 0, 0, 0, 0, 0, 0}, "VEC3", 3)}}});
    const Scene scene = sheet.read();
    const Result<std::vector<WrittenFile>> written = write_glb(scene, "again");
    const Scene again = read_gltf_bytes(written->front().bytes, {}, "again").take();
    ASSERT_EQ(again.meshes[0].shapes.size(), 1U);
    EXPECT_TRUE(again.meshes[0].shapes[0].has_tangents);
    EXPECT_FALSE(again.meshes[0].shapes[0].has_normals);
    EXPECT_EQ(again.meshes[0].shapes[0].tangents[0], Vec3f(0, 0.25F, 0));
}

TEST(GltfReader, NeighbouringBuffersAreReadAndNamesMadeUnique) {
    Sheet sheet = triangle();
    sheet.root["nodes"].push_back({{"name", "twin"}});
    sheet.root["nodes"].push_back({{"name", "twin"}});
    const Scene scene = sheet.read();
    EXPECT_GE(scene.find_node("twin"), 0);
    EXPECT_GE(scene.find_node("twin_2"), 0);
    const std::filesystem::path folder = std::filesystem::temp_directory_path() / "wembrix_beside";
    std::filesystem::create_directories(folder);
    const std::vector<WrittenFile> files = write_gltf_beside(scene, "beside").take();
    for (const WrittenFile& file : files) {
        std::FILE* out = std::fopen((folder / file.name).c_str(), "wb");
        std::fwrite(file.bytes.data(), 1, file.bytes.size(), out);
        std::fclose(out);
    }
    const Result<Scene> again = read_gltf(folder / "beside.gltf");
    ASSERT_TRUE(again.ok()) << again.problem().sentence();
    EXPECT_EQ(again->meshes[0].point_count(), 3U);
    std::filesystem::remove_all(folder);
}

TEST(GltfReader, StripsAndFansAreTriangles) {
    Sheet sheet = triangle();
    const int index = sheet.numbers<uint16_t>({0, 1, 2, 0, 1}, 5123, "SCALAR", 1);
    sheet.root["meshes"][0]["primitives"][0]["indices"] = index;
    sheet.root["meshes"][0]["primitives"][0]["mode"] = 5;
    const Scene scene = sheet.read();
    EXPECT_EQ(scene.meshes[0].triangle_count(), 3U);
    const auto triangles = triangles_of(scene.meshes[0], scene.meshes[0].primitives[0]);
    ASSERT_EQ(triangles.size(), 3U);
    EXPECT_EQ(triangles[1], (std::array<uint32_t, 3>{1, 0, 2}));
}

/// A triangle with a shape, and a node that shows it.
json triangle_in(Sheet& sheet) {
    const int positions = sheet.floats({0, 0, 0, 1, 0, 0, 0, 1, 0}, "VEC3", 3);
    const int moved = sheet.floats({0, 0, 1, 0, 0, 0, 0, 0, 0}, "VEC3", 3);
    const int coordinates = sheet.floats({0, 0.5F, 0, 0, 0, 0}, "VEC2", 2);
    sheet.root["nodes"] = json::array({{{"name", "shown"}, {"mesh", 0}}});
    sheet.root["scenes"] = json::array({{{"nodes", {0}}}});
    return {{"attributes", {{"POSITION", positions}}},
            {"targets", json::array({{{"POSITION", moved}, {"TEXCOORD_0", coordinates}, {"COLOR_0", coordinates}}})}};
}

std::vector<std::string> notes_of(const Scene& scene) {
    std::vector<std::string> notes;
    for (const Note& note : scene.notes) {
        notes.push_back(note.what);
    }
    return notes;
}

TEST(GltfReader, NumbersOfTheSourcesOwnKeepTheFormThatTheyAreStoredIn) {
    Sheet sheet = triangle();
    json& own = attributes(sheet);
    own["_BYTES"] =
        sheet.accessor(sheet.view(std::vector<int8_t>{-128, 0, 127, 0, 5, 0, -1, 0, 9, 0, 0, 0}, 4), 5120, "VEC2", 3);
    own["_SHARE"] = sheet.accessor(sheet.view(std::vector<uint8_t>{0, 0, 0, 0, 51, 0, 0, 0, 255, 0, 0, 0}, 4), 5121,
                                   "SCALAR", 3, true);
    own["_SHORTS"] = sheet.accessor(sheet.view(std::vector<int16_t>{-32768, 7, 32767, 0, 1, 2, 3, 0, 4, 5, 6, 0}, 8),
                                    5122, "VEC3", 3);
    own["_ZONE"] = sheet.accessor(sheet.view(std::vector<uint16_t>{1, 0, 65535, 0, 3, 0}, 4), 5123, "SCALAR", 3);
    own["_TURN"] = sheet.floats({1, 0, 0, 1, 2, 0, 0, 2, 3, 0, 0, 3}, "MAT2", 4);
    own["_HEAT"] = sheet.floats({0.1F, 0.2F, 0.3F}, "SCALAR", 1);
    const Scene read = sheet.read();
    const std::string text = write_gltf_embedded(read, "again")->front().bytes;
    const json file = json::parse(text);
    const json& written = file["meshes"][0]["primitives"][0]["attributes"];
    for (const auto& [name, component, type] :
         {std::tuple{"_BYTES", 5120, "VEC2"}, std::tuple{"_SHARE", 5121, "SCALAR"}, std::tuple{"_SHORTS", 5122, "VEC3"},
          std::tuple{"_ZONE", 5123, "SCALAR"}, std::tuple{"_TURN", 5126, "MAT2"},
          std::tuple{"_HEAT", 5126, "SCALAR"}}) {
        const json& accessor = file["accessors"][written[name].get<size_t>()];
        EXPECT_EQ(accessor["componentType"], component) << name;
        EXPECT_EQ(accessor["type"], type) << name;
        EXPECT_EQ(accessor.value("normalized", false), name == std::string("_SHARE")) << name;
    }
    const Scene back = read_gltf_bytes(text, {}, "again").take();
    for (size_t a = 0; a < read.meshes[0].attributes.size(); ++a) {
        EXPECT_TRUE(same_content(read.meshes[0].attributes[a], back.meshes[0].attributes[a]))
            << read.meshes[0].attributes[a].name;
    }
    EXPECT_EQ(read.meshes[0].attributes[0].data.get(), (std::vector<float>{-128, 0, 5, 0, 9, 0}));
    // What no longer fits goes out as floats, and a form that is only of one of two primitives is said to go.
    Scene changed = read;
    for (Attribute& attribute : changed.meshes[0].attributes) {
        attribute.data.edit()[0] = 0.3F;
    }
    const json changed_file = json::parse(write_gltf_embedded(changed, "again")->front().bytes);
    for (const auto& [name, accessor] : changed_file["meshes"][0]["primitives"][0]["attributes"].items()) {
        EXPECT_EQ(changed_file["accessors"][accessor.get<size_t>()]["componentType"], 5126) << name;
    }
    json second = sheet.root["meshes"][0]["primitives"][0];
    second["attributes"]["_ZONE"] = sheet.floats({1, 2, 3}, "SCALAR", 1);
    sheet.root["meshes"][0]["primitives"].push_back(second);
    const std::vector<std::string> notes = notes_of(sheet.read());
    EXPECT_EQ(std::count(notes.begin(), notes.end(), "the numbers of _ZONE are stored as floats now, each the same."),
              1);
}

TEST(GltfReader, WhatShapesChangeAndTheSurfaceLacksIsSaid) {
    Sheet sheet;
    sheet.root["meshes"] = json::array({{{"primitives", json::array({triangle_in(sheet)})}}});
    const Scene scene = sheet.read();
    ASSERT_EQ(scene.meshes[0].shapes.size(), 1U);
    EXPECT_TRUE(scene.meshes[0].shapes[0].attributes.empty());
    std::vector<std::string> notes = notes_of(scene);
    notes.resize(2); // what follows is of names
    EXPECT_EQ(notes, (std::vector<std::string>{
                         "its shapes change COLOR_0, which it does not have itself: that is left out.",
                         "its shapes change TEXCOORD_0, which it does not have itself: that is left out."}));
}

/// Two triangles as two primitives: the first's shape moves a vertex, the second's only changes a coordinate and a
/// colour.
Sheet shapes_of_colours(const char* coordinates = "VEC2") {
    Sheet sheet;
    json moving = triangle_in(sheet);
    moving["targets"][0].erase("TEXCOORD_0");
    moving["targets"][0].erase("COLOR_0");
    const int positions = moving["attributes"]["POSITION"];
    const int still = sheet.floats({0, 0, 0, 0, 0, 0, 0, 0, 0}, "VEC3", 3);
    const int uv = sheet.floats({0, 0, 1, 0, 0, 1}, "VEC2", 2);
    const int white = sheet.floats({1, 1, 1, 1, 1, 1, 1, 1, 1}, "VEC3", 3);
    const int clear = sheet.floats({1, 1, 1, 0.5F, 1, 1, 1, 0.5F, 1, 1, 1, 0.5F}, "VEC4", 4);
    const int uv_by = coordinates == std::string("VEC3") ? sheet.floats({0, 0, 0, 0.5F, 0, 0, 0, 0, 0}, "VEC3", 3)
                                                         : sheet.floats({0, 0, 0.5F, -0.25F, 0, 0}, "VEC2", 2);
    const int colour_by = sheet.floats({0, 0, 0, -1, 0, 0.5F, 0, 0, 0}, "VEC3", 3);
    moving["attributes"]["COLOR_0"] = clear;
    const json changing = {
        {"attributes", {{"POSITION", positions}, {"TEXCOORD_0", uv}, {"COLOR_0", white}}},
        {"targets", json::array({{{"POSITION", still}, {"TEXCOORD_0", uv_by}, {"COLOR_0", colour_by}}})}};
    sheet.root["meshes"] = json::array({{{"name", "sheet"},
                                         {"primitives", json::array({moving, changing})},
                                         {"extras", {{"targetNames", {"rinse"}}}}}});
    return sheet;
}

TEST(GltfReader, ShapesOfCoordinatesAndColoursAreKeptAndWritten) {
    const Scene read = shapes_of_colours().read();
    const Scene back = read_gltf_bytes(write_glb(read, "again")->front().bytes, {}, "again").take();
    for (const Scene* scene : {&read, &back}) {
        ASSERT_EQ(scene->meshes[0].shapes.size(), 1U);
        const MorphTarget& shape = scene->meshes[0].shapes[0];
        EXPECT_EQ(shape.points.get(), (std::vector<uint32_t>{0, 4}));
        ASSERT_EQ(shape.attributes.size(), 2U);
        EXPECT_EQ(shape.attributes[0].name, "COLOR_0");
        EXPECT_EQ(shape.attributes[0].width, 4) << "as wide as the surface's";
        EXPECT_EQ(shape.attributes[0].data.get(), (std::vector<float>{0, 0, 0, 0, -1, 0, 0.5F, 0}));
        EXPECT_EQ(shape.attributes[1].name, "TEXCOORD_0");
        EXPECT_EQ(shape.attributes[1].data.get(), (std::vector<float>{0, 0, 0.5F, -0.25F}));
    }
    EXPECT_TRUE(std::none_of(read.notes.begin(), read.notes.end(), [](const Note& note) {
        return note.what.find("left out") != std::string::npos;
    })) << "nothing is lost";
    const Result<Scene> wide = read_gltf_bytes(shapes_of_colours("VEC3").text(), {}, "wide");
    ASSERT_FALSE(wide.ok());
    EXPECT_NE(wide.problem().sentence().find("has 3 numbers where the surface's has 2"), std::string::npos)
        << wide.problem().sentence();
}

TEST(GltfReader, ShapesThatDoNotFitTheirSurfaceAreRefused) {
    const auto refused = [](const std::function<void(Sheet&, json&)>& change) {
        Sheet sheet = shapes_of_colours();
        change(sheet, sheet.root["meshes"][0]["primitives"][1]["targets"][0]);
        const Result<Scene> scene = read_gltf_bytes(sheet.text(), {}, "sheet");
        return scene ? std::string("taken") : scene.problem().sentence();
    };
    EXPECT_EQ(refused([](Sheet&, json&) {}), "taken");
    EXPECT_NE(refused([](Sheet& sheet, json& target) {
                  target["TEXCOORD_0"] = sheet.floats({0, 0}, "VEC2", 2);
              }).find("TEXCOORD_0 is not as long"),
              std::string::npos);
    EXPECT_NE(refused([](Sheet& sheet, json& target) {
                  target["POSITION"] = sheet.floats({0, 0, 0}, "VEC3", 3);
              }).find("POSITION is not as long"),
              std::string::npos);
    EXPECT_NE(refused([](Sheet&, json& target) { target["COLOR_0"] = 999; }), "taken");
    EXPECT_NE(refused([](Sheet&, json& target) { target["COLOR_0"] = "red"; }), "taken");
    EXPECT_NE(refused([](Sheet& sheet, json& target) {
                  const float none = std::numeric_limits<float>::quiet_NaN();
                  target["TEXCOORD_0"] = sheet.floats({0, none, 0, 0, 0, 0}, "VEC2", 2);
              }),
              "taken");
}

TEST(GltfReader, ScenesBeyondThe64thAreSaidToFallTogether) {
    Sheet sheet = triangle();
    for (int s = 0; s < 66; ++s) {
        sheet.root["scenes"].push_back({{"name", fmt::format("set {}", s)}, {"nodes", {0}}});
    }
    const Scene scene = sheet.read();
    EXPECT_EQ(scene.scenes.size(), 66U);
    const auto note = std::find_if(scene.notes.begin(), scene.notes.end(),
                                   [](const Note& one) { return one.what.find("64") != std::string::npos; });
    ASSERT_NE(note, scene.notes.end());
    EXPECT_EQ(note->places(), "scene 64 and 1 more");
    EXPECT_EQ(note->also, std::vector<std::string>{"scene 65"});
    EXPECT_EQ(note->of_source("set.glb").also, std::vector<std::string>{"set.glb, scene 65"});
}

TEST(GltfReader, ATakeThatMovesNoNodeIsLeftOutAndSaid) {
    Sheet sheet;
    sheet.root["meshes"] = json::array({{{"primitives", json::array({triangle_in(sheet)})}}});
    const int times = sheet.floats({0, 1}, "SCALAR", 1);
    const int values = sheet.floats({0, 1}, "SCALAR", 1);
    sheet.root["animations"] = json::array(
        {{{"name", "fade"},
          {"samplers", json::array({{{"input", times}, {"output", values}}})},
          {"channels",
           json::array(
               {{{"sampler", 0},
                 {"target",
                  {{"path", "pointer"},
                   {"extensions", {{"KHR_animation_pointer", {{"pointer", "/materials/0/alphaCutoff"}}}}}}}}})}}});
    const Scene scene = sheet.read();
    EXPECT_TRUE(scene.clips.empty()) << "no dead clip of one frame";
    const std::vector<std::string> notes = notes_of(scene);
    EXPECT_NE(std::find(notes.begin(), notes.end(), "moves nothing else; the take is left out."), notes.end());
}

TEST(GltfReader, ACompressedPrimitiveWithNothingBesideItIsRefused) {
    Sheet sheet;
    json primitive = triangle_in(sheet);
    primitive["extensions"] = {{"KHR_draco_mesh_compression", {{"bufferView", 0}, {"attributes", {{"POSITION", 0}}}}}};
    // With plain data beside it, it is read.
    sheet.root["meshes"] = json::array({{{"primitives", json::array({primitive})}}});
    EXPECT_EQ(sheet.read().meshes[0].point_count(), 3U);
    // Without: zeros would be read.
    primitive.erase("targets");
    primitive["attributes"]["POSITION"] = sheet.accessor(-1, 5126, "VEC3", 3);
    sheet.root["meshes"] = json::array({{{"primitives", json::array({primitive})}}});
    const Result<Scene> refused = read_gltf_bytes(sheet.text(), {}, "sheet");
    ASSERT_FALSE(refused.ok());
    EXPECT_NE(refused.problem().sentence().find("compressed"), std::string::npos) << refused.problem().sentence();
}

} // namespace
} // namespace wembrix::testing
