// What a surface looks like: images of materials, faces in slots, triangles, and normals that are wrong.
#include "core/base/files.h"
#include "core/delivery/ledger.h"
#include "core/destination/conform.h"
#include "core/destination/fit_images.h"
#include "core/findings/finding.h"
#include "core/formats/image/pixels.h"
#include "core/scene/image_facts.h"
#include "core/steps/step_data.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/vertex_ranges.h"
#include "random_skin.h"
#include "small_scenes.h"
#include "step_results.h"
#include "tansy_scene.h"
#include "through_a_file.h"
#include "valid_scene.h"

#include <algorithm>
#include <filesystem>
#include <gtest/gtest.h>
#include <map>
#include <random>

namespace wembrix::testing {
namespace {

/// The beginning of a PNG of that size: as much as is looked at.
std::string png_of(uint32_t width, uint32_t height) {
    std::string bytes("\x89PNG\r\n\x1A\n\0\0\0\rIHDR", 16);
    for (const uint32_t side : {width, height}) {
        for (int shift = 24; shift >= 0; shift -= 8) {
            bytes += static_cast<char>(side >> static_cast<uint32_t>(shift) & 255U);
        }
    }
    return bytes + std::string("\x08\x06\0\0\0", 5);
}

std::string jpeg_of(uint16_t width, uint16_t height) {
    std::string bytes("\xFF\xD8\xFF\xE0\0\x04..\xFF\xC0\0\x11\x08", 13);
    for (const uint16_t side : {height, width}) {
        bytes += static_cast<char>(side >> 8U);
        bytes += static_cast<char>(side & 255U);
    }
    return bytes + "....";
}

std::optional<ImageFacts> facts_of_text(const std::string& bytes) {
    return image_facts(std::vector<uint8_t>(bytes.begin(), bytes.end()));
}

TEST(ImageFacts, SaysWhatAnImageIsAndHowLarge) {
    const std::optional<ImageFacts> png = facts_of_text(png_of(640, 480));
    ASSERT_TRUE(png);
    EXPECT_EQ(png->mime, "image/png");
    EXPECT_EQ(png->width, 640U);
    EXPECT_EQ(png->height, 480U);
    const std::optional<ImageFacts> jpeg = facts_of_text(jpeg_of(300, 200));
    ASSERT_TRUE(jpeg);
    EXPECT_EQ(jpeg->mime, "image/jpeg");
    EXPECT_EQ(jpeg->width, 300U);
    EXPECT_EQ(jpeg->height, 200U);
    for (const std::string& whole : {png_of(7, 7), jpeg_of(7, 7)}) {
        for (size_t keep = 0; keep < whole.size(); ++keep) {
            (void)facts_of_text(whole.substr(0, keep)); // cut off anywhere: an answer or none
        }
    }
    EXPECT_FALSE(facts_of_text("GIF89a and so on and so on and so on"));
    EXPECT_FALSE(facts_of_text(png_of(0, 5)));
    std::mt19937 random(3);
    for (int i = 0; i < 2000; ++i) {
        std::string bytes = jpeg_of(9, 9) + std::string(20, '\xFF');
        bytes[random() % bytes.size()] = static_cast<char>(random());
        (void)facts_of_text(bytes);
    }
}

Step material_step(const Scene& scene, const char* parameter, const std::string& image) {
    Step step{"set_material", {{"materials", {scene.materials[0].name}}}};
    step.parameters[parameter] = keep_data(step, image);
    return step;
}

TEST(SetMaterial, TakesImagesThatGoOutWithTheFile) {
    const Scene scene = demo::tansy_model();
    Step step = material_step(scene, "base_colour_image", png_of(64, 64));
    step.parameters["normal_image"] = keep_data(step, jpeg_of(32, 32));
    step.parameters["occlusion_image"] = step.parameters["base_colour_image"];
    const Result<StepResult> result = apply_step(scene, step);
    ASSERT_TRUE(result.ok()) << result.problem().sentence();
    EXPECT_EQ(result->scene.images.size(), scene.images.size() + 2) << "one image in two places is there once";
    EXPECT_EQ(what_is_not_valid(result->scene), "");
    const Scene back = through_a_file(result->scene);
    const auto material = std::find_if(back.materials.begin(), back.materials.end(),
                                       [&](const Material& one) { return one.name == scene.materials[0].name; });
    ASSERT_NE(material, back.materials.end());
    const auto image = [&](const TextureUse& use) {
        return back.images[static_cast<size_t>(back.textures[static_cast<size_t>(use.texture)].image)];
    };
    ASSERT_GE(material->base_colour_texture.texture, 0);
    EXPECT_EQ(image(material->base_colour_texture).mime, "image/png");
    EXPECT_EQ(image(material->normal_texture).mime, "image/jpeg");
    const std::string there(image(material->occlusion_texture).bytes.begin(),
                            image(material->occlusion_texture).bytes.end());
    EXPECT_EQ(there, png_of(64, 64)) << "byte for byte";
}

TEST(SetMaterial, SaysWhatIsWrongWithAnImage) {
    const Scene scene = demo::tansy_model();
    EXPECT_FALSE(apply_step(scene, material_step(scene, "base_colour_image", "no image at all")).ok());
    Step gone = material_step(scene, "base_colour_image", png_of(4, 4));
    gone.data.clear();
    EXPECT_FALSE(apply_step(scene, gone).ok());
    Scene plain = scene; // without texture coordinates
    for (Mesh& mesh : plain.meshes) {
        mesh.attributes.clear();
        for (Primitive& primitive : mesh.primitives) {
            primitive.attributes.clear();
        }
    }
    const Result<StepResult> result = apply_step(plain, material_step(plain, "base_colour_image", png_of(4, 4)));
    ASSERT_TRUE(result.ok());
    ASSERT_EQ(result->could_not.size(), 1U);
    EXPECT_NE(result->could_not[0].find("coordinates"), std::string::npos);
    Step nobody = material_step(scene, "base_colour_image", png_of(4, 4));
    nobody.parameters["materials"] = {"nobody"};
    EXPECT_EQ(apply_step(scene, nobody)->scene.images.size(), scene.images.size());
}

/// Area of faces by the name of their material.
std::map<std::string, double> areas_of(const Scene& scene) {
    std::map<std::string, double> by;
    for (const Mesh& mesh : scene.meshes) {
        for (const Primitive& primitive : mesh.primitives) {
            const std::string name =
                primitive.material < 0 ? "" : scene.materials[static_cast<size_t>(primitive.material)].name;
            for (const auto& t : triangles_of(mesh, primitive)) {
                by[name] += static_cast<double>((mesh.positions[t[1]] - mesh.positions[t[0]])
                                                    .cross(mesh.positions[t[2]] - mesh.positions[t[0]])
                                                    .norm());
            }
        }
    }
    return by;
}

TEST(MoveFaces, PutsThemIntoAnotherSlotWithAllThatStandsOnThem) {
    const Scene scene = demo::tansy_model();
    const int body = surfaces_of(scene)[0];
    const Node& node = scene.nodes[static_cast<size_t>(body)];
    const Mesh& mesh = scene.meshes[static_cast<size_t>(node.mesh)];
    const Primitive& first = mesh.primitives[0];
    const std::string range =
        std::to_string(first.first_point) + "-" + std::to_string(first.first_point + first.point_count / 2);
    const Scene after =
        done(scene, {"move_faces", {{"surface", node.name}, {"vertices", {range}}, {"material", "patch"}}}).scene;
    EXPECT_EQ(what_is_not_valid(after), "");
    std::map<std::string, double> before = areas_of(scene);
    std::map<std::string, double> now = areas_of(after);
    ASSERT_TRUE(now.contains("patch"));
    EXPECT_GT(now["patch"], 0);
    double sum_before = 0;
    double sum_now = 0;
    for (const auto& [name, area] : before) {
        sum_before += area;
    }
    for (const auto& [name, area] : now) {
        sum_now += area;
    }
    EXPECT_NEAR(sum_before, sum_now, 1e-6 * sum_before) << "no face is lost or there twice";
    const std::string own = scene.materials[static_cast<size_t>(first.material)].name;
    EXPECT_NEAR(before[own] - now[own], now["patch"], 1e-6 * sum_before);
    // Back again: the slots are as they were, but for the order of vertices.
    const Mesh& moved = after.meshes[static_cast<size_t>(node.mesh)];
    const auto patch = std::find_if(moved.primitives.begin(), moved.primitives.end(), [&](const Primitive& one) {
        return one.material >= 0 && after.materials[static_cast<size_t>(one.material)].name == "patch";
    });
    ASSERT_NE(patch, moved.primitives.end());
    const std::string all =
        std::to_string(patch->first_point) + "-" + std::to_string(patch->first_point + patch->point_count - 1);
    const Scene back =
        done(after, {"move_faces", {{"surface", node.name}, {"vertices", {all}}, {"material", own}}}).scene;
    EXPECT_EQ(back.meshes[static_cast<size_t>(node.mesh)].primitives.size(), mesh.primitives.size());
    EXPECT_NEAR(areas_of(back)[own], before[own], 1e-6 * before[own]);
    for (const char* wrong : {"-4", "4-", "9-2", "x", "1,2", ""}) {
        EXPECT_FALSE(apply_step(scene, Step{"move_faces",
                                            {{"surface", node.name}, {"vertices", {wrong}}, {"material", "patch"}}})
                         .ok())
            << wrong;
    }
}

TEST(VertexRanges, AreWrittenAndReadAsTheSame) {
    std::mt19937 random(11);
    for (int i = 0; i < 200; ++i) {
        std::set<uint32_t> vertices;
        for (uint32_t k = 0; k < 1 + random() % 60; ++k) {
            vertices.insert(static_cast<uint32_t>(random() % 90));
        }
        std::set<uint32_t> read;
        for (const std::string& text : vertex_ranges(vertices)) {
            const auto range = vertex_range(text);
            ASSERT_TRUE(range) << text;
            for (uint64_t v = range->first; v <= range->second; ++v) {
                ASSERT_TRUE(read.insert(static_cast<uint32_t>(v)).second);
            }
        }
        EXPECT_EQ(read, vertices);
    }
}

TEST(Triangulate, MakesPlainTrianglesOfStripsAndFansWithTheSameFaces) {
    Scene scene;
    Mesh mesh;
    mesh.name = "strip";
    std::vector<Vec3f> positions;
    for (int i = 0; i < 8; ++i) {
        positions.emplace_back(static_cast<float>(i / 2), static_cast<float>(i % 2), 0.1F * static_cast<float>(i));
    }
    mesh.positions = positions;
    mesh.indices = std::vector<uint32_t>{0, 1, 2, 3, 4, 5, 6, 7};
    Primitive strip;
    strip.point_count = 8;
    strip.index_count = 8;
    strip.topology = Topology::strip;
    strip.has_normals = false;
    mesh.primitives = {strip};
    Node node;
    node.name = "strip";
    node.mesh = 0;
    scene.nodes = {node};
    scene.meshes = {mesh};
    classify_nodes(scene);
    const Scene after = done(scene, {"triangulate"}).scene;
    EXPECT_EQ(after.meshes[0].primitives[0].topology, Topology::triangles);
    EXPECT_EQ(after.meshes[0].indices.size(), 18U);
    EXPECT_EQ(what_is_not_valid(after), "");
    const auto was = triangles_of(mesh, mesh.primitives[0]);
    const auto now = triangles_of(after.meshes[0], after.meshes[0].primitives[0]);
    ASSERT_EQ(was.size(), now.size());
    for (size_t t = 0; t < was.size(); ++t) {
        for (size_t c = 0; c < 3; ++c) {
            EXPECT_EQ(mesh.positions[was[t][c]], after.meshes[0].positions[now[t][c]]);
        }
    }
}

std::optional<Finding> found(const Scene& scene, const char* id) {
    for (const Finding& finding : look_for_findings({scene})) {
        if (finding.id == id) {
            return finding;
        }
    }
    return std::nullopt;
}

/// The scene after the step that the finding offers; the finding is gone then.
void expect_mended(const Scene& scene, const char* id) {
    const std::optional<Finding> finding = found(scene, id);
    ASSERT_TRUE(finding) << id;
    ASSERT_TRUE(finding->step) << id;
    const Result<StepResult> result = apply_step(scene, *finding->step);
    ASSERT_TRUE(result.ok()) << result.problem().sentence();
    EXPECT_FALSE(found(result->scene, id)) << result->account;
}

TEST(WrongNormals, AreNoticedAndTheStepMendsThem) {
    const Scene right = random_skin(2);
    for (const char* id : {"broken_normals", "inside_out", "missing_normals", "missing_tangents"}) {
        EXPECT_FALSE(found(right, id)) << id;
    }
    Scene broken = right;
    broken.meshes[0].normals.edit()[5] *= 0.4F;
    broken.meshes[0].normals.edit()[9] = Vec3f::Zero();
    expect_mended(broken, "broken_normals");
    EXPECT_NE(found(broken, "broken_normals")->message.find("2 normals"), std::string::npos);
    Scene no_number = right;
    no_number.meshes[0].normals.edit()[5].x() = std::nanf("");
    EXPECT_TRUE(found(no_number, "broken_normals"));
    Scene inside_out = right;
    std::vector<uint32_t>& indices = inside_out.meshes[0].indices.edit();
    for (size_t i = 0; i + 2 < indices.size(); i += 3) {
        std::swap(indices[i + 1], indices[i + 2]);
    }
    ASSERT_TRUE(found(inside_out, "inside_out"));
    EXPECT_EQ(found(inside_out, "inside_out")->step->id, "flip_winding");
    expect_mended(inside_out, "inside_out");
    Scene some = right;
    for (size_t v = 0; v < some.meshes[0].point_count() / 8; ++v) {
        some.meshes[0].normals.edit()[v] *= -1;
    }
    ASSERT_TRUE(found(some, "inside_out"));
    EXPECT_EQ(found(some, "inside_out")->step->id, "recompute_normals");
    expect_mended(some, "inside_out");
    Scene without = right;
    without.meshes[0].normals = {};
    for (Primitive& primitive : without.meshes[0].primitives) {
        primitive.has_normals = false;
    }
    expect_mended(without, "missing_normals");
}

TEST(MissingTangents, AreNoticedWhereANormalMapWantsThem) {
    Scene scene = demo::tansy_model();
    for (Mesh& mesh : scene.meshes) { // whatever the model has
        mesh.tangents = {};
        for (Primitive& primitive : mesh.primitives) {
            primitive.has_tangents = false;
        }
    }
    for (Mesh& mesh : scene.meshes) { // each vertex somewhere on the image
        std::vector<float> coordinates;
        for (const Vec3f& place : mesh.positions) {
            coordinates.push_back(place.x() * 0.01F);
            coordinates.push_back(place.y() * 0.01F + place.z() * 0.003F);
        }
        std::erase_if(mesh.attributes, [](const Attribute& one) { return one.name == "TEXCOORD_0"; });
        mesh.attributes.push_back({"TEXCOORD_0", 2, coordinates});
        for (Primitive& primitive : mesh.primitives) {
            std::erase(primitive.attributes, "TEXCOORD_0");
            primitive.attributes.emplace_back("TEXCOORD_0");
        }
    }
    EXPECT_FALSE(found(scene, "missing_tangents"));
    const Scene mapped = apply_step(scene, material_step(scene, "normal_image", png_of(8, 8)))->scene;
    expect_mended(mapped, "missing_tangents");
}

TEST(LostShapes, AreNoticedWithWhatToAskFor) {
    const Scene scene = demo::tansy_model();
    const Result<std::vector<WrittenFile>> file = write_gltf_embedded(scene, "tansy", {});
    ASSERT_TRUE(file.ok());
    nlohmann::json json = nlohmann::json::parse(file->front().bytes);
    size_t named = 0;
    for (nlohmann::json& mesh : json["meshes"]) {
        for (nlohmann::json& primitive : mesh["primitives"]) {
            named += primitive.erase("targets");
        }
        mesh["weights"] = {0.5, 0.25};
    }
    ASSERT_GT(named, 0U);
    for (nlohmann::json& node : json["nodes"]) {
        node.erase("weights");
    }
    const Result<Scene> read = read_gltf_bytes(json.dump(), {}, "lost.gltf");
    ASSERT_TRUE(read.ok()) << read.problem().sentence();
    bool said = false;
    for (const Note& note : read->notes) {
        said = said || (note.what.find("shape") != std::string::npos && note.what.find("Ask for") != std::string::npos);
    }
    EXPECT_TRUE(said);
    EXPECT_TRUE(read->meshes[0].shape_weights.empty());
    EXPECT_TRUE(found(*read, "reader"));
}

Pixels drawn(uint32_t width, uint32_t height, uint32_t channels, uint32_t seed) {
    std::mt19937 random(seed);
    Pixels pixels{width, height, channels, {}};
    for (size_t i = 0; i < static_cast<size_t>(width) * height * channels; ++i) {
        pixels.samples.push_back(static_cast<uint8_t>(random()));
    }
    return pixels;
}

TEST(ImagePixels, APngComesBackByteForByteAndAJpegNearly) {
    for (const uint32_t channels : {3U, 4U}) {
        const Pixels pixels = drawn(37, 21, channels, channels);
        const Result<std::vector<uint8_t>> png = encode_image(pixels, "image/png");
        ASSERT_TRUE(png.ok());
        const Result<Pixels> back = decode_image(*png);
        ASSERT_TRUE(back.ok());
        EXPECT_EQ(back->samples, pixels.samples);
        EXPECT_EQ(back->channels, channels);
    }
    Pixels even{64, 48, 3, std::vector<uint8_t>(64 * 48 * 3, 90)};
    const Result<std::vector<uint8_t>> jpeg = encode_image(even, "image/jpeg");
    ASSERT_TRUE(jpeg.ok());
    const Result<Pixels> back = decode_image(*jpeg);
    ASSERT_TRUE(back.ok());
    ASSERT_EQ(back->samples.size(), even.samples.size());
    for (const uint8_t sample : back->samples) {
        ASSERT_NEAR(sample, 90, 2);
    }
}

TEST(ImagePixels, WhatIsCutOffOrBrokenIsRefused) {
    for (const char* mime : {"image/png", "image/jpeg"}) {
        const std::vector<uint8_t> whole = encode_image(drawn(40, 30, 3, 1), mime).take();
        for (size_t keep = 0; keep < whole.size() / 2; keep += 37) {
            EXPECT_FALSE(decode_image(std::span(whole).first(keep)).ok()) << mime << " " << keep;
        }
        std::mt19937 random(4);
        for (int i = 0; i < 400; ++i) {
            std::vector<uint8_t> other = whole;
            other[random() % other.size()] = static_cast<uint8_t>(random());
            (void)decode_image(other); // an image or a sentence
        }
    }
    const std::string huge = png_of(60000, 60000);
    EXPECT_FALSE(decode_image(std::vector<uint8_t>(huge.begin(), huge.end())).ok());
}

TEST(ImagePixels, ASmallerOneIsTheMeanOfWhatItCovers) {
    Pixels checks{8, 8, 4, {}};
    for (uint32_t i = 0; i < 64; ++i) {
        const bool white = (i % 8 + i / 8) % 2 == 0;
        checks.samples.insert(checks.samples.end(), {uint8_t(white ? 255 : 0), uint8_t(white ? 255 : 0),
                                                     uint8_t(white ? 255 : 0), uint8_t(255)});
    }
    const Pixels grey = smaller_image(checks, 4, 4);
    for (size_t i = 0; i < grey.samples.size(); ++i) {
        EXPECT_NEAR(grey.samples[i], i % 4 == 3 ? 255 : 128, 1);
    }
    // What cannot be seen does not colour what can.
    Pixels edge{2, 1, 4, {200, 0, 0, 255, 0, 255, 0, 0}};
    const Pixels one = smaller_image(edge, 1, 1);
    EXPECT_EQ(one.samples[0], 200);
    EXPECT_EQ(one.samples[1], 0);
    EXPECT_NEAR(one.samples[3], 128, 1);
    const Pixels same = drawn(9, 5, 3, 8);
    EXPECT_EQ(smaller_image(same, 9, 5).samples, same.samples);
}

TEST(FitImages, AreAsLargeAsTheDestinationTakesAndTheLedgerSaysSo) {
    Destination destination;
    EXPECT_EQ(fitted_size(300, 200, destination), std::pair(300U, 200U));
    destination.largest_image = 128;
    EXPECT_EQ(fitted_size(512, 256, destination), std::pair(128U, 64U));
    EXPECT_EQ(fitted_size(100, 1, destination), std::pair(100U, 1U));
    EXPECT_EQ(fitted_size(5000, 1, destination), std::pair(128U, 1U));
    destination.power_of_two_images = true;
    EXPECT_EQ(fitted_size(300, 200, destination), std::pair(128U, 64U));
    EXPECT_EQ(*destination_from_json(
                  [&] {
                      destination.name = "a";
                      return destination_to_json(destination);
                  }(),
                  "here"),
              destination);
    const std::vector<uint8_t> png = encode_image(drawn(200, 100, 4, 2), "image/png").take();
    const Scene scene = demo::tansy_model();
    const Scene with =
        apply_step(scene, material_step(scene, "base_colour_image", std::string(png.begin(), png.end())))->scene;
    const Scene out = conform_model(with, destination).scene;
    const auto made = std::find_if(out.images.begin(), out.images.end(),
                                   [](const Image& image) { return image.name.ends_with("_base_colour"); });
    ASSERT_NE(made, out.images.end());
    const std::optional<ImageFacts> facts = image_facts(made->bytes.get());
    ASSERT_TRUE(facts);
    EXPECT_EQ(facts->width, 128U);
    EXPECT_EQ(facts->height, 64U);
    size_t told = 0;
    for (const LedgerEntry& entry : destination_ledger(with, destination)) {
        told += entry.what == "image" && entry.why == "200 × 100 became 128 × 64" && entry.altered ? 1 : 0;
    }
    EXPECT_EQ(told, 1U);
    destination.largest_image = 0;
    destination.power_of_two_images = false;
    for (const LedgerEntry& entry : destination_ledger(with, destination)) {
        EXPECT_NE(entry.what, "image");
    }
}

TEST(MissingImages, AreSoughtBelowTheFolderAndElseSaid) {
    namespace fs = std::filesystem;
    const fs::path folder = fs::temp_directory_path() / "wembrix_missing_images";
    fs::remove_all(folder);
    fs::create_directories(folder / "maps");
    const Scene scene = demo::tansy_model();
    const std::vector<uint8_t> png = encode_image(drawn(6, 5, 3, 2), "image/png").take();
    const Result<std::vector<WrittenFile>> file = write_gltf_embedded(scene, "tansy", {});
    ASSERT_TRUE(file.ok());
    nlohmann::json json = nlohmann::json::parse(file->front().bytes);
    json["images"] = {{{"uri", "textures/Bark%201.png"}}};
    json["textures"] = {{{"source", 0}}};
    json["materials"][0]["pbrMetallicRoughness"]["baseColorTexture"] = {{"index", 0}};
    const auto said = [](const Scene& read, const char* what) {
        return std::any_of(read.notes.begin(), read.notes.end(),
                           [&](const Note& note) { return note.what.find(what) != std::string::npos; });
    };
    const Result<Scene> without = read_gltf_bytes(json.dump(), folder, "tansy.gltf");
    ASSERT_TRUE(without.ok()) << without.problem().sentence();
    EXPECT_TRUE(said(*without, "textures/Bark 1.png")) << "where it was sought";
    EXPECT_TRUE(said(*without, "ask for it"));
    EXPECT_EQ(what_is_not_valid(*without), "");
    // It goes out as a material without an image, in a file that is valid.
    Destination destination;
    const Scene back = through_a_file(conform_model(*without, destination).scene);
    EXPECT_TRUE(back.images.empty());
    const std::string bytes(png.begin(), png.end());
    ASSERT_TRUE(write_file_whole(folder / "maps" / "bark 1.PNG", bytes).ok());
    const Result<Scene> with = read_gltf_bytes(json.dump(), folder, "tansy.gltf");
    ASSERT_TRUE(with.ok());
    EXPECT_TRUE(said(*with, "maps/bark 1.PNG"));
    ASSERT_EQ(with->images.size(), 1U);
    EXPECT_EQ(with->images[0].bytes.size(), png.size());
    EXPECT_EQ(with->beside.size(), 1U) << "it is watched like any other part of the source";
    fs::remove_all(folder);
}

} // namespace
} // namespace wembrix::testing
