// OBJ: read as people write it, refused in one sentence where it is broken, and the same again after writing.
#include "core/base/file_ranges.h"
#include "core/base/files.h"
#include "core/formats/obj/obj.h"
#include "core/formats/obj/obj_text.h"
#include "core/measure/surface/triangulate.h"
#include "core/scene/content.h"
#include "random_obj.h"
#include "random_rig.h"
#include "small_scenes.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <filesystem>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

Scene scene_of_obj(const std::string& text) {
    Result<Scene> scene = read_obj_text(text, "thing");
    EXPECT_TRUE(scene.ok()) << (scene.ok() ? "" : scene.problem().sentence());
    return scene.ok() ? scene.take() : Scene();
}
std::string refused_obj(const std::string& text) {
    const Result<Scene> scene = read_obj_text(text, "thing");
    EXPECT_FALSE(scene.ok()) << text;
    return scene.ok() ? "" : scene.problem().sentence();
}
bool obj_says(const Scene& scene, const std::string& what) {
    return std::any_of(scene.notes.begin(), scene.notes.end(),
                       [&](const Note& note) { return note.what.find(what) != std::string::npos; });
}
const Attribute* attribute(const Mesh& mesh, const std::string& name) {
    const auto found = std::find_if(mesh.attributes.begin(), mesh.attributes.end(),
                                    [&](const Attribute& one) { return one.name == name; });
    return found == mesh.attributes.end() ? nullptr : &*found;
}

const std::string square = "v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\n";

TEST(Obj, AQuadBecomesTwoTrianglesAlongItsShorterDiagonal) {
    const Scene scene = scene_of_obj(square + "v 3 0.5 0\nf 1 5 3 4\n");
    ASSERT_EQ(scene.meshes.size(), 1U);
    const Mesh& mesh = scene.meshes[0];
    EXPECT_EQ(mesh.point_count(), 5U) << "the one that nothing uses keeps its number";
    EXPECT_EQ(mesh.indices.size(), 6U);
    EXPECT_TRUE(obj_says(scene, "became triangles"));
    EXPECT_EQ(scene.nodes[0].name, "thing");
    EXPECT_EQ(scene.nodes[0].kind, NodeKind::surface);
    EXPECT_FALSE(mesh.primitives[0].has_normals);
}

TEST(Obj, IndicesOfAllKindsAndSeveralValuesAVertex) {
    const Scene scene = scene_of_obj(square + "vt 0 0\nvt 0.5 0.25\nvn 0 0 1\nvn 0 1 0\n"
                                              "f 1/1/1 2/1/1 3/2/1\nf -4/-2/-2 -2//-1 4\n");
    const Mesh& mesh = scene.meshes[0];
    ASSERT_EQ(mesh.indices.size(), 6U);
    EXPECT_EQ(mesh.point_count(), 5U) << "vertex 3 stands with two coordinates";
    for (size_t v = 0; v < 4; ++v) {
        EXPECT_EQ(mesh.positions[v], Vec3f(v == 1 || v == 2 ? 1 : 0, v >= 2 ? 1 : 0, 0)) << "in the order of the file";
    }
    EXPECT_FALSE(mesh.primitives[0].has_normals) << "one corner has none";
    EXPECT_TRUE(obj_says(scene, "with and without normals"));
    const Attribute* at = attribute(mesh, "TEXCOORD_0");
    ASSERT_NE(at, nullptr);
    EXPECT_EQ(at->data[2 * 2], 0.5F);
    EXPECT_EQ(at->data[2 * 2 + 1], 0.75F) << "up there is down here";
}

TEST(Obj, ObjectsAreSurfacesAndGroupsWhereThereAreNone) {
    const Scene objects =
        scene_of_obj(square + "o lid\nusemtl wood\nf 1 2 3\ng hinge\nusemtl iron\nf 1 3 4\no box\nf 2 3 4\n"
                              "o lid\nusemtl wood\nf 2 4 1\n");
    ASSERT_EQ(objects.nodes.size(), 2U);
    EXPECT_EQ(objects.nodes[0].name, "lid");
    EXPECT_EQ(objects.nodes[1].name, "box");
    ASSERT_EQ(objects.meshes[0].primitives.size(), 2U);
    EXPECT_EQ(objects.meshes[0].primitives[0].index_count, 6U) << "two runs of one material are one slot";
    EXPECT_EQ(objects.materials.size(), 2U);
    EXPECT_EQ(objects.materials[0].name, "wood");
    EXPECT_TRUE(obj_says(objects, "groups inside objects"));
    const Scene groups = scene_of_obj(square + "g lid\nf 1 2 3\ng box parts\nf 1 3 4\n");
    ASSERT_EQ(groups.nodes.size(), 2U);
    EXPECT_EQ(groups.nodes[1].name, "box parts");
}

TEST(Obj, SmoothingLinesBecomeNormals) {
    // Two faces of a roof: of one group they share the ridge's normals, of none each has its own.
    const std::string roof = "v 0 0 0\nv 0 1 1\nv 1 1 1\nv 1 0 0\nv 0 0 2\nv 1 0 2\n";
    const Scene smooth = scene_of_obj(roof + "s 1\nf 1 2 3 4\nf 2 5 6 3\n");
    ASSERT_TRUE(smooth.meshes[0].primitives[0].has_normals);
    EXPECT_EQ(smooth.meshes[0].point_count(), 6U);
    EXPECT_NEAR(std::abs(smooth.meshes[0].normals[1].y()), 1, 1e-5) << "straight up on the ridge";
    const Scene flat = scene_of_obj(roof + "s off\nf 1 2 3 4\nf 2 5 6 3\n");
    EXPECT_EQ(flat.meshes[0].point_count(), 8U);
    for (const Vec3f& normal : flat.meshes[0].normals) {
        EXPECT_NEAR(std::abs(normal.y()), std::sqrt(0.5), 1e-5);
    }
    const Scene apart = scene_of_obj(roof + "s 1\nf 1 2 3 4\ns 2\nf 2 5 6 3\n");
    EXPECT_EQ(apart.meshes[0].point_count(), 8U);
    EXPECT_FALSE(scene_of_obj(roof + "f 1 2 3 4\n").meshes[0].primitives[0].has_normals) << "it says nothing of them";
}

TEST(Obj, ColoursLinesPointsAndWhatIsNotRead) {
    const Scene scene = scene_of_obj("v 0 0 0 1 0.5 0\nv 1 0 0 0 1 0\nv 1 1 0\nv 0 0 1 0.5\nf 1 2 3\nl 1 2 3\np 4 1\n"
                                     "curv 0 1 1 2\nvp 1 2\nf 1 2\n# a comment\n");
    const Attribute* colours = attribute(scene.meshes[0], "COLOR_0");
    ASSERT_NE(colours, nullptr);
    EXPECT_EQ(colours->data[1], 0.5F);
    EXPECT_EQ(colours->data[8], 1.0F) << "one without a colour is white";
    ASSERT_EQ(scene.meshes[0].primitives.size(), 3U);
    EXPECT_EQ(scene.meshes[0].primitives[1].topology, Topology::lines);
    EXPECT_EQ(scene.meshes[0].primitives[1].index_count, 4U);
    EXPECT_EQ(scene.meshes[0].primitives[2].topology, Topology::points);
    EXPECT_TRUE(obj_says(scene, "“curv” in 1 line is not read"));
    EXPECT_TRUE(obj_says(scene, "too few corners"));
    EXPECT_TRUE(obj_says(scene, "1 vertex with a weight"));
}

TEST(Obj, BrokenFilesAreRefusedWithTheLine) {
    EXPECT_NE(refused_obj(square + "f 1 2 9\n").find("line 5"), std::string::npos);
    EXPECT_NE(refused_obj(square + "f 1 2 -5\n").find("points at nothing"), std::string::npos);
    EXPECT_NE(refused_obj(square + "f 0 1 2\n").find("points at nothing"), std::string::npos);
    EXPECT_NE(refused_obj(square + "f 1/1 2/1 3/1\n").find("points at nothing"), std::string::npos);
    EXPECT_NE(refused_obj(square + "f one two three\n").find("something else"), std::string::npos);
    EXPECT_NE(refused_obj("v 0 zero 0\n").find("line 1"), std::string::npos);
    EXPECT_NE(refused_obj("v 0 nan 0\n").find("no number"), std::string::npos);
    EXPECT_NE(refused_obj("").find("holds no vertices"), std::string::npos);
    EXPECT_NE(refused_obj(square + "f 99999999999999999999 1 2\n").find("line 5"), std::string::npos);
}

TEST(Obj, LibrariesAndImagesAreReadFromBesideAndNeverFromElsewhere) {
    const fs::path folder = fs::temp_directory_path() / "wembrix_obj_library";
    fs::remove_all(folder);
    fs::create_directories(folder / "sent/maps");
    const std::string png = "\x89PNG\r\n\x1a\n and so on";
    ASSERT_TRUE(write_file_whole(folder / "sent/maps/oak wood.png", png).ok());
    ASSERT_TRUE(write_file_whole(folder / "secret.png", png).ok());
    ASSERT_TRUE(write_file_whole(folder / "sent/the box.mtl",
                                 "newmtl oak\nKd 0.5 0.25 0.125\nPr 0.4\nPm 0.1\nd 0.5\nKa 1 1 1\n"
                                 "map_Kd -s 2 2 -bm 1 maps\\oak wood.png\nnorm ../secret.png\n"
                                 "newmtl old\nNs 6\nKe 1 0 0\n")
                    .ok());
    ASSERT_TRUE(write_file_whole(folder / "sent/box.obj", "mtllib the box.mtl\nmtllib none.mtl\n" + square +
                                                              "usemtl oak\nf 1 2 3 4\nusemtl old\nf 1 2 3\n")
                    .ok());
    const Result<Scene> read = read_obj(folder / "sent/box.obj");
    ASSERT_TRUE(read.ok()) << read.problem().sentence();
    ASSERT_EQ(read->materials.size(), 2U);
    const Material& oak = read->materials[0];
    EXPECT_EQ(oak.base_colour, (std::array<double, 4>{0.5, 0.25, 0.125, 0.5}));
    EXPECT_EQ(oak.alpha_mode, AlphaMode::blend);
    EXPECT_EQ(oak.roughness, 0.4);
    EXPECT_EQ(oak.metalness, 0.1);
    ASSERT_EQ(oak.base_colour_texture.texture, 0);
    EXPECT_EQ(oak.base_colour_texture.scale, (std::array<double, 2>{2, 2}));
    EXPECT_EQ(oak.normal_texture.texture, -1) << "what lies above the folder is not read";
    EXPECT_EQ(read->images.size(), 1U);
    EXPECT_NEAR(read->materials[1].roughness, std::pow(0.25, 0.25), 1e-9);
    EXPECT_TRUE(obj_says(*read, "secret.png” is not there"));
    EXPECT_TRUE(obj_says(*read, "none.mtl” is not there"));
    EXPECT_TRUE(obj_says(*read, "not taken: Ka"));
    EXPECT_EQ(read->beside.size(), 2U);

    // And out again: the same looks under the same names.
    const Result<std::vector<WrittenFile>> written = write_obj(*read, "again");
    ASSERT_TRUE(written.ok());
    for (const WrittenFile& file : *written) {
        ASSERT_TRUE(
            write_file_whole(folder / "out" / file.name, file.bytes).ok() ||
            (fs::create_directories(folder / "out") && write_file_whole(folder / "out" / file.name, file.bytes).ok()));
    }
    const Result<Scene> back = read_obj(folder / "out/again.obj");
    ASSERT_TRUE(back.ok());
    ASSERT_EQ(back->materials.size(), 2U);
    EXPECT_EQ(back->materials[0].name, "oak");
    EXPECT_EQ(back->materials[0].base_colour, oak.base_colour);
    EXPECT_EQ(back->materials[0].base_colour_texture.scale, oak.base_colour_texture.scale);
    EXPECT_EQ(back->materials[1].emission, (std::array<double, 3>{1, 0, 0}));
    EXPECT_EQ(back->images[0].bytes.get(), read->images[0].bytes.get());
    fs::remove_all(folder);
}

TEST(ObjSeeds, WhatIsWrittenComesBackTheSame) {
    for (uint32_t seed = 0; seed < share_of_seeds(200); ++seed) {
        const Scene scene = scene_of_obj(random_obj(seed));
        const Result<std::vector<WrittenFile>> written = write_obj(scene, "thing");
        ASSERT_TRUE(written.ok());
        const Scene back = scene_of_obj(written->front().bytes);
        ASSERT_EQ(back.nodes.size(), scene.nodes.size()) << seed;
        for (size_t m = 0; m < scene.meshes.size(); ++m) {
            const Mesh& a = scene.meshes[m];
            const Mesh& b = back.meshes[m];
            EXPECT_EQ(a.name, b.name);
            ASSERT_EQ(a.positions.get(), b.positions.get()) << seed;
            ASSERT_EQ(a.indices.get(), b.indices.get()) << seed;
            ASSERT_EQ(a.primitives.size(), b.primitives.size());
            const Attribute* at = attribute(a, "TEXCOORD_0");
            const Attribute* again = attribute(b, "TEXCOORD_0");
            ASSERT_EQ(at == nullptr, again == nullptr);
            for (size_t i = 0; at != nullptr && i < at->data.size(); ++i) {
                ASSERT_NEAR(at->data[i], again->data[i], 2e-7);
            }
            for (size_t v = 0; v < std::min(a.normals.size(), b.normals.size()); ++v) {
                ASSERT_LT((a.normals[v] - b.normals[v]).norm(), 1e-6F);
            }
        }
    }
}

/// All of a scene that an OBJ can bring.
std::string content_of_obj(const Scene& scene) {
    Hasher hash;
    add_content(hash, scene.meshes);
    add_content(hash, scene.materials);
    for (const Node& node : scene.nodes) {
        hash.text(node.name);
        hash.number(node.mesh);
    }
    for (const Note& note : scene.notes) {
        hash.text(note.where + note.what);
    }
    return hash.hex();
}

// Read by all cores in blocks: where a block ends is nothing that anyone may see.
TEST(ObjSeeds, ItIsTheSameInBlocksOfAnySizeAndSoIsWhatIsRefused) {
    for (uint32_t seed = 0; seed < share_of_seeds(200); ++seed) {
        std::string text = random_obj(seed);
        std::mt19937 random(seed);
        for (size_t change = 0; change < seed % 3; ++change) { // every third as it is, the others broken here and there
            text[random() % text.size()] = "/-0.9e\\\n \0fvxo"[random() % 14];
        }
        const Result<Scene> whole = read_obj_text(text, "thing");
        for (const size_t block : {size_t(1), size_t(2), size_t(37), size_t(400)}) {
            const Result<Scene> parts = read_obj_text(text, "thing", {}, block);
            ASSERT_EQ(whole.ok(), parts.ok()) << seed << ", blocks of " << block;
            if (whole) {
                ASSERT_EQ(content_of_obj(*whole), content_of_obj(*parts)) << seed << ", blocks of " << block;
            } else {
                ASSERT_EQ(whole.problem().sentence(), parts.problem().sentence()) << seed << ", blocks of " << block;
            }
        }
    }
}

TEST(Obj, LinesThatGoOnInTheNextAreWholeInEachBlock) {
    const std::string text =
        "v 0 \\\n0 0\nv 1 0 \\\r\n 0\nv 0 1 0\ns 1\nf 1 \\\n 2 \\\n3\n# a comment \\\nv 5 5 5\nf 1 2 9\n";
    for (const size_t block : {size_t(1), size_t(5), size_t(1000)}) {
        const Result<Scene> refused = read_obj_text(text, "thing", {}, block);
        ASSERT_FALSE(refused.ok());
        EXPECT_NE(refused.problem().sentence().find("line 12"), std::string::npos) << refused.problem().sentence();
        const Result<Scene> scene = read_obj_text(text.substr(0, text.size() - 8), "thing", {}, block);
        ASSERT_TRUE(scene.ok());
        EXPECT_EQ(scene->meshes[0].point_count(), 3U) << "the comment goes on, too";
        EXPECT_EQ(scene->meshes[0].indices.size(), 3U);
    }
}

TEST(Obj, AFileThatIsCutShortWhileItIsReadIsRefused) {
    const fs::path file = fs::temp_directory_path() / "wembrix_obj_ranges.obj";
    ASSERT_TRUE(write_file_whole(file, square).ok());
    const Result<FileRanges> ranges = FileRanges::open(file);
    ASSERT_TRUE(ranges.ok());
    std::string bytes(square.size(), ' ');
    EXPECT_TRUE(ranges->read(0, bytes.size(), bytes.data()));
    EXPECT_EQ(bytes, square);
    fs::resize_file(file, 10);
    EXPECT_FALSE(ranges->read(0, bytes.size(), bytes.data()));
    EXPECT_TRUE(ranges->read(4, 6, bytes.data()));
    EXPECT_FALSE(FileRanges::open(fs::temp_directory_path()).ok()) << "a folder";
    EXPECT_FALSE(FileRanges::open(file.string() + ".none").ok());
    EXPECT_FALSE(read_obj(fs::temp_directory_path()).ok());
    fs::remove(file);
}

TEST(ObjSeeds, ChangedBytesGiveASceneOrOneSentence) {
    for (uint32_t seed = 0; seed < share_of_seeds(300); ++seed) {
        std::string text = random_obj(seed % 20);
        std::mt19937 random(seed);
        for (int change = 0; change < 8; ++change) {
            text[random() % text.size()] = "/-0.9e\\\n \0fvxo"[random() % 14];
        }
        const Result<Scene> scene = read_obj_text(text, "thing");
        if (!scene) {
            EXPECT_FALSE(scene.problem().what.empty());
            continue;
        }
        for (const Mesh& mesh : scene->meshes) {
            for (const uint32_t index : mesh.indices) {
                ASSERT_LT(index, mesh.point_count());
            }
        }
    }
}

TEST(ObjNumbers, AreReadAsTheLibraryReadsThem) {
    std::mt19937 random(3);
    const auto check = [](const std::string& text) {
        const std::string whole = " v " + text + " ";
        obj::Lines of_it(whole);
        (void)of_it.next_line();
        double value = 0;
        ASSERT_TRUE(of_it.number(value)) << text;
        double wanted = 0;
        const char* from = text.data() + (text[0] == '+' ? 1 : 0);
        const auto [end, error] = std::from_chars(from, text.data() + text.size(), wanted);
        if (error == std::errc()) {
            ASSERT_EQ(value, wanted) << text;
        }
    };
    for (int i = 0; i < 20000; ++i) {
        const double value =
            (static_cast<double>(random()) / 4294967296.0 - 0.5) * std::pow(10, static_cast<int>(random() % 40) - 20);
        switch (random() % 4) {
        case 0:
            check(fmt::format("{}", value));
            break;
        case 1:
            check(fmt::format("{:.{}f}", value, random() % 20));
            break;
        case 2:
            check(fmt::format("{:.{}e}", value, random() % 22));
            break;
        default:
            check(fmt::format("+{:.6f}", std::abs(value)));
        }
    }
    for (const char* text :
         {"1", "-0", ".5", "5.", "1e400", "-1e-400", "0000000000000000000000001.5", "123456789012345678901234567890"}) {
        check(text);
    }
    for (const char* text : {"", "-", ".", "e5", "1x", "--1", "1/2"}) {
        const std::string whole = fmt::format("v {}\n", text);
        obj::Lines of_it(whole);
        (void)of_it.next_line();
        double value = 0;
        EXPECT_FALSE(of_it.number(value)) << text;
    }
}

TEST(Triangulate, PolygonsThatAreNotConvexKeepTheirArea) {
    std::mt19937 random(11);
    const auto real = [&] { return static_cast<float>(random() >> 8U) / 16777216.0F; };
    for (int round = 0; round < 500; ++round) {
        // A star around a middle: no side crosses another.
        const size_t n = 4 + random() % 12;
        std::vector<Vec3f> corners;
        const Vec3f tilt(real(), real(), 1);
        for (size_t i = 0; i < n; ++i) {
            const auto angle =
                static_cast<float>(2 * 3.14159265358979 * static_cast<double>(i) / static_cast<double>(n));
            const float radius = 0.3F + real();
            const float x = radius * std::cos(angle);
            const float y = radius * std::sin(angle);
            corners.emplace_back(x, y, -(tilt.x() * x + tilt.y() * y));
        }
        std::vector<std::array<uint32_t, 3>> triangles;
        triangulate_polygon(corners, triangles);
        ASSERT_EQ(triangles.size(), n - 2);
        Vec3f whole = Vec3f::Zero();
        for (size_t i = 0; i < n; ++i) {
            whole += corners[i].cross(corners[(i + 1) % n]);
        }
        float area = 0;
        for (const auto& triangle : triangles) {
            const Vec3f across =
                (corners[triangle[1]] - corners[triangle[0]]).cross(corners[triangle[2]] - corners[triangle[0]]);
            EXPECT_GT(across.dot(whole), -1e-6F) << "wound as the polygon is";
            area += across.norm();
        }
        EXPECT_NEAR(area, whole.norm(), 1e-4 * whole.norm());
    }
}

} // namespace
} // namespace wembrix::testing
