// Lean files: rounded numbers, fewer keys, other kinds of images, packed bytes. What each costs is measured, what is
// packed comes back bit by bit, and what others packed is read.
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/delivery/delivery.h"
#include "core/delivery/ledger.h"
#include "core/destination/conform.h"
#include "core/destination/round_numbers.h"
#include "core/formats/gltf/gltf.h"
#include "core/formats/image/pixels.h"
#include "core/formats/image/webp.h"
#include "core/measure/clips/fewest_keys.h"
#include "core/measure/comparison/compare_scenes.h"
#include "core/measure/scene/drift.h"
#include "core/scene/image_facts.h"
#include "first_manifest.h"
#include "random_rig.h"
#include "tubes.h"

#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;

Destination lean(const std::string& compression, Numbers numbers = Numbers::rounded) {
    Destination destination = built_in_destinations()[0];
    destination.joint_names = "^.*$";
    destination.numbers = numbers;
    destination.format_options = {{"glb", {{"compression", compression}}}};
    return destination;
}

Scene rig_of(uint32_t seed) {
    return random_rig(seed, options_for(seed));
}

std::string written(const Scene& scene, const json& options) {
    Result<std::vector<WrittenFile>> files = write_glb(scene, "file", options);
    EXPECT_TRUE(files) << (files ? "" : files.problem().sentence());
    return files ? files->front().bytes : std::string();
}

void expect_the_same(const Scene& should, const std::string& bytes) {
    const Result<Scene> is = read_gltf_bytes(bytes, {}, "file.glb");
    ASSERT_TRUE(is) << is.problem().sentence();
    for (const Claim& claim : compare_scenes(should, *is)) {
        EXPECT_TRUE(claim.pass) << claim.name << ": " << claim.detail;
    }
    ASSERT_EQ(is->meshes.size(), should.meshes.size());
    for (size_t m = 0; m < should.meshes.size(); ++m) {
        EXPECT_TRUE(should.meshes[m].positions.get() == is->meshes[m].positions.get()) << "not bit by bit";
        EXPECT_TRUE(should.meshes[m].indices.get() == is->meshes[m].indices.get());
    }
}

json root_of(const std::string& glb) {
    uint32_t size = 0;
    std::memcpy(&size, glb.data() + 12, 4);
    return json::parse(glb.substr(20, size));
}

class LeanFiles : public ::testing::TestWithParam<const char*> {};

TEST_P(LeanFiles, WhatIsPackedComesBackBitByBit) {
    const json options = {{"compression", GetParam()}};
    for (uint32_t seed = 1; seed <= std::min<uint32_t>(seeds(), 20); ++seed) {
        SCOPED_TRACE(seed);
        const Scene rig = rig_of(seed);
        const Destination destination = lean(GetParam());
        const Scene plain = conform_model(rig, destination.plain()).scene;
        expect_the_same(plain, written(plain, options)); // numbers of any kind
        const Scene rounded = conform_model(rig, destination).scene;
        expect_the_same(rounded, written(rounded, options));
    }
}

TEST_P(LeanFiles, TheSameBytesEachTimeAndTheExtensionIsAskedFor) {
    const Scene tube = tube_scene({{Vec3(0, 0, 0), Vec3(0, 1, 0), Vec3(1, 2, 0)}}, 0.2, 48);
    const Scene rounded = conform_model(tube, lean(GetParam())).scene;
    const std::string once = written(rounded, {{"compression", GetParam()}});
    EXPECT_EQ(once, written(rounded, {{"compression", GetParam()}}));
    const json needed = root_of(once).value("extensionsRequired", json::array());
    const std::string name =
        std::string(GetParam()) == "draco" ? "KHR_draco_mesh_compression" : "EXT_meshopt_compression";
    EXPECT_NE(std::find(needed.begin(), needed.end(), name), needed.end()) << needed.dump();
    EXPECT_LT(once.size() * 2, written(rounded, json::object()).size());
}

TEST_P(LeanFiles, BrokenPackedBytesAreRefusedOrReadNeverMore) {
    const Scene tube = tube_scene({{Vec3(0, 0, 0), Vec3(0, 1, 0)}}, 0.2, 24);
    const Scene rounded = conform_model(tube, lean(GetParam())).scene;
    const std::string whole = written(rounded, {{"compression", GetParam()}});
    uint32_t json_size = 0;
    std::memcpy(&json_size, whole.data() + 12, 4);
    for (uint32_t seed = 1; seed <= share_of_seeds(300); ++seed) {
        std::mt19937 draw(seed);
        std::string broken = whole;
        for (int changes = 0; changes < 1 + static_cast<int>(draw() % 4); ++changes) {
            const size_t from = 28 + json_size; // the packed bytes; what is said of them has its own tests
            broken[from + draw() % (broken.size() - from)] = static_cast<char>(draw());
        }
        const Result<Scene> read = read_gltf_bytes(broken, {}, "broken.glb");
        EXPECT_TRUE(read || !read.problem().sentence().empty());
    }
}

INSTANTIATE_TEST_SUITE_P(Ways, LeanFiles, ::testing::Values("meshopt", "draco"));

TEST(LeanNumbers, RoundingMovesNothingAsFarAsTheLimitAndWeightsSumToOne) {
    for (uint32_t seed = 1; seed <= std::min<uint32_t>(seeds(), 20); ++seed) {
        SCOPED_TRACE(seed);
        const Scene rig = rig_of(seed);
        const Destination destination = lean("none");
        const Scene rounded = conform_model(rig, destination).scene;
        const Scene plain = conform_model(rig, destination.plain()).scene;
        DriftRequest request;
        request.should = &plain;
        request.is = &rounded;
        request.matching = Matching::name;
        EXPECT_LE(measure_drift(request).largest_mm, destination.drift_limit_mm);
        const Result<Scene> read = read_gltf_bytes(written(rounded, json::object()), {}, "file.glb");
        ASSERT_TRUE(read);
        for (const Node& node : read->nodes) {
            for (size_t p = 0; p + 1 < node.influences.offsets.size(); ++p) {
                long parts = 0;
                for (uint32_t k = node.influences.offsets[p]; k < node.influences.offsets[p + 1]; ++k) {
                    parts += std::lround(node.influences.weights[k] * 65535.0);
                }
                EXPECT_EQ(parts, 65535);
            }
        }
        EXPECT_LT(written(rounded, json::object()).size(), written(plain, json::object()).size());
    }
}

TEST(LeanNumbers, TheLedgerSaysWhatRoundingCost) {
    const Scene rig = rig_of(3);
    const Ledger ledger = destination_ledger(rig, lean("none"));
    const auto found =
        std::find_if(ledger.begin(), ledger.end(), [](const auto& one) { return one.what == "numbers"; });
    ASSERT_NE(found, ledger.end());
    EXPECT_TRUE(found->altered);
    EXPECT_NE(found->why.find("places by at most"), std::string::npos) << found->why;
    EXPECT_TRUE(std::none_of(ledger.begin(), ledger.end(), [&](const auto& one) { return one.count == 0; }));
    const Ledger plain = destination_ledger(rig, lean("meshopt", Numbers::as_prepared));
    EXPECT_TRUE(std::none_of(plain.begin(), plain.end(), [](const auto& one) { return one.what == "numbers"; }));
}

TEST(LeanNumbers, WhereNothingMovesNothingIsSaidAndNothingSmallIsPackedLarger) {
    const Scene tube = tube_scene({{Vec3(0, 0, 0), Vec3(0, 1, 0)}}, 0.25, 4);
    Scene rounded = conform_model(tube, lean("none")).scene;
    EXPECT_TRUE(round_numbers(rounded, lean("none")).empty()) << "it is rounded already";
    for (const char* way : {"meshopt", "draco"}) {
        EXPECT_LE(written(rounded, {{"compression", way}}).size(), written(rounded, json::object()).size()) << way;
    }
}

TEST(LeanKeys, TheFewestKeysStayWithinTheLimit) {
    for (uint32_t seed = 1; seed <= std::min<uint32_t>(seeds(), 8); ++seed) {
        SCOPED_TRACE(seed);
        const Scene rig = rig_of(seed);
        for (const Clip& clip : rig.clips) {
            const FewestKeys thinned = fewest_keys(rig, clip, 1.0);
            EXPECT_LE(thinned.drift_mm, 1.0);
            EXPECT_LE(keys_of(thinned.clip), keys_of(clip));
        }
    }
}

Pixels drawn(uint32_t side, bool transparent) {
    Pixels pixels;
    pixels.width = pixels.height = side;
    pixels.channels = 4;
    for (uint32_t y = 0; y < side; ++y) {
        for (uint32_t x = 0; x < side; ++x) {
            const uint8_t alpha = transparent && x < side / 2 ? 40 : 255;
            for (const uint32_t value : {x * 7, y * 5, (x * y) % 251, uint32_t{alpha}}) {
                pixels.samples.push_back(static_cast<uint8_t>(value));
            }
        }
    }
    return pixels;
}

Scene with_image(const Pixels& pixels) {
    Scene scene = rig_of(5);
    Image image;
    image.name = "cloth";
    image.mime = "image/png";
    image.bytes = *encode_image(pixels, "image/png");
    scene.images = {image};
    Texture texture;
    texture.image = 0;
    scene.textures = {texture};
    Material material;
    material.name = "cloth";
    material.base_colour_texture.texture = 0;
    scene.materials = {material};
    for (Mesh& mesh : scene.meshes) {
        for (Primitive& primitive : mesh.primitives) {
            primitive.material = 0;
        }
    }
    return scene;
}

TEST(LeanImages, OfEachKindArriveAndSayWhatBecameOfThem) {
    const Scene scene = with_image(drawn(64, false));
    for (const auto& [as, mime] : {std::pair(ImagesAs::png, "image/png"), std::pair(ImagesAs::jpeg, "image/jpeg"),
                                   std::pair(ImagesAs::webp, "image/webp")}) {
        Destination destination = lean("none");
        destination.images = as;
        const Scene out = conform_model(scene, destination).scene;
        ASSERT_EQ(out.images.size(), 1U);
        EXPECT_EQ(out.images[0].mime, mime);
        EXPECT_EQ(image_facts(out.images[0].bytes.get())->mime, mime);
        const std::string bytes = written(out, json::object());
        expect_the_same(out, bytes);
        const json root = root_of(bytes);
        EXPECT_EQ(root["textures"][0].contains("source"), as != ImagesAs::webp);
        EXPECT_EQ(root["textures"][0].contains("extensions"), as == ImagesAs::webp);
        const Result<Scene> back = read_gltf_bytes(bytes, {}, "file.glb");
        ASSERT_TRUE(back);
        EXPECT_EQ(back->textures[0].image, 0) << "a WebP that stands alone is the texture's image";
        const Ledger ledger = destination_ledger(scene, destination);
        EXPECT_EQ(std::any_of(ledger.begin(), ledger.end(), [](const auto& one) { return one.what == "image"; }),
                  as != ImagesAs::png);
    }
}

TEST(LeanImages, TransparentPixelsStayWhereJpegHasNone) {
    const Scene scene = with_image(drawn(32, true));
    Destination destination = lean("none");
    destination.images = ImagesAs::jpeg;
    const Scene out = conform_model(scene, destination).scene;
    EXPECT_EQ(out.images[0].mime, "image/png");
    const Ledger ledger = destination_ledger(scene, destination);
    EXPECT_TRUE(std::any_of(ledger.begin(), ledger.end(), [](const auto& one) {
        return one.what == "image" && one.why.find("transparent") != std::string::npos;
    }));
}

TEST(LeanImages, WebpOfQuality100KeepsEveryPixelAndBrokenOnesAreRefused) {
    const Pixels pixels = drawn(48, true);
    const std::vector<uint8_t> whole = *encode_webp(pixels, 100);
    const Result<Pixels> back = decode_image(whole);
    ASSERT_TRUE(back);
    EXPECT_EQ(back->samples, pixels.samples);
    EXPECT_EQ(whole, *encode_webp(pixels, 100));
    Pixels noise = drawn(128, false);
    std::mt19937 lot(1);
    for (size_t i = 0; i < noise.samples.size(); ++i) {
        noise.samples[i] = i % 4 == 3 ? 255 : static_cast<uint8_t>(lot());
    }
    EXPECT_LT(encode_webp(noise, 60)->size() * 2, encode_webp(noise, 100)->size());
    for (uint32_t seed = 1; seed <= share_of_seeds(200); ++seed) {
        std::mt19937 draw(seed);
        std::vector<uint8_t> broken = whole;
        broken.resize(1 + draw() % broken.size());
        broken[draw() % broken.size()] = static_cast<uint8_t>(draw());
        const Result<Pixels> read = decode_image(broken);
        EXPECT_TRUE(!read || read->samples.size() == size_t{read->width} * read->height * read->channels);
    }
}

TEST(PackedByOthers, WhatIsSaidOfPackedBytesIsChecked) {
    const Scene tube = tube_scene({{Vec3(0, 0, 0), Vec3(0, 1, 0)}}, 0.2, 24);
    const Scene rounded = conform_model(tube, lean("meshopt")).scene;
    const std::string whole = written(rounded, {{"compression", "meshopt"}});
    const json root = root_of(whole);
    uint32_t json_size = 0;
    std::memcpy(&json_size, whole.data() + 12, 4);
    size_t packed = 0;
    while (!root["bufferViews"][packed].contains("extensions")) {
        ++packed;
    }
    const auto changed = [&](const std::string& key, const json& value) {
        json now = root;
        now["bufferViews"][packed]["extensions"]["EXT_meshopt_compression"][key] = value;
        std::string text = now.dump();
        text.resize((text.size() + 3) / 4 * 4, ' ');
        std::string bytes = whole.substr(0, 12);
        const auto size = static_cast<uint32_t>(text.size());
        bytes.append(reinterpret_cast<const char*>(&size), 4);
        bytes += whole.substr(16, 4) + text + whole.substr(20 + json_size);
        const auto all = static_cast<uint32_t>(bytes.size());
        std::memcpy(bytes.data() + 8, &all, 4);
        return read_gltf_bytes(bytes, {}, "changed.glb");
    };
    EXPECT_TRUE(changed("mode", root["bufferViews"][packed]["extensions"]["EXT_meshopt_compression"]["mode"]));
    for (const auto& [key, value] : {std::pair<std::string, json>("mode", "SOMETHING"),
                                     {"mode", 3},
                                     {"buffer", 9},
                                     {"buffer", -1},
                                     {"count", 7},
                                     {"count", 1ULL << 40U},
                                     {"byteStride", 3},
                                     {"byteStride", 100000},
                                     {"byteOffset", 1ULL << 40U},
                                     {"byteLength", 1ULL << 40U},
                                     {"byteLength", 1},
                                     {"filter", "SOMETHING"}}) {
        const Result<Scene> read = changed(key, value);
        EXPECT_FALSE(read) << key << " " << value.dump();
    }
}

} // namespace
} // namespace wembrix::testing
