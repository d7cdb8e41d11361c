// Pictures made without a window: framed, of the right colours, the same each time, and safe on what strangers send.
#include "core/formats/image/webp.h"
#include "core/picture/film.h"
#include "core/picture/studio.h"
#include "small_scenes.h"
#include "tansy_scene.h"

#include <cmath>
#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>
#include <limits>
#include <numbers>
#include <random>
#include <tbb/global_control.h>

namespace wembrix::testing {
namespace {

/// A square metre that stands up and looks along +Z, of one material.
Scene wall(const std::array<double, 4>& colour) {
    Scene scene;
    Mesh mesh;
    mesh.positions = std::vector<Vec3f>{Vec3f(-0.5F, 0, 0), Vec3f(0.5F, 0, 0), Vec3f(0.5F, 1, 0), Vec3f(-0.5F, 1, 0)};
    mesh.normals = std::vector<Vec3f>(4, Vec3f(0, 0, 1));
    mesh.indices = std::vector<uint32_t>{0U, 1U, 2U, 0U, 2U, 3U};
    mesh.attributes.push_back({"TEXCOORD_0", 2, std::vector<float>{0.F, 1.F, 1.F, 1.F, 1.F, 0.F, 0.F, 0.F}});
    Primitive primitive;
    primitive.point_count = 4;
    primitive.index_count = 6;
    primitive.material = 0;
    mesh.primitives.push_back(primitive);
    scene.meshes.push_back(mesh);
    Material material;
    material.base_colour = colour;
    scene.materials.push_back(material);
    Node node;
    node.name = "wall";
    node.kind = NodeKind::surface;
    node.mesh = 0;
    node.identity = 1;
    scene.nodes.push_back(node);
    return scene;
}

std::array<int, 3> at(const Pixels& pixels, uint32_t x, uint32_t y) {
    const uint8_t* sample = pixels.samples.data() + (size_t{y} * pixels.width + x) * pixels.channels;
    return {sample[0], sample[1], sample[2]};
}

struct Box {
    uint32_t left = 9999, right = 0, top = 9999, bottom = 0;
};
/// Of what is not the ground's colour; shadows are lighter than what is looked for.
Box covered(const Pixels& pixels) {
    Box box;
    for (uint32_t y = 0; y < pixels.height; ++y) {
        for (uint32_t x = 0; x < pixels.width; ++x) {
            const auto [r, g, b] = at(pixels, x, y);
            if (std::max({r, g, b}) - std::min({r, g, b}) > 40) {
                box = {std::min(box.left, x), std::max(box.right, x), std::min(box.top, y), std::max(box.bottom, y)};
            }
        }
    }
    return box;
}

TEST(Pictures, FillTheFrameAndShowTheMaterialsColour) {
    const Scene scene = wall({0.8, 0.05, 0.05, 1});
    Studio studio(scene);
    ASSERT_FALSE(studio.is_empty());
    PictureLook look;
    look.width = 160;
    look.height = 160;
    const Pixels picture = studio.shoot(0, look);
    EXPECT_EQ(picture.width, 160U);
    EXPECT_EQ(picture.channels, 3U);
    const Box box = covered(picture);
    EXPECT_GT(box.left, 2U);
    EXPECT_LT(box.right, 157U);
    EXPECT_GT(box.top, 2U);
    EXPECT_LT(box.bottom, 157U);
    EXPECT_GT(box.bottom - box.top, 110U) << "it fills the picture";
    const auto [r, g, b] = at(picture, 80, 80);
    EXPECT_GT(r, 120);
    EXPECT_GT(r, 2 * g);
    EXPECT_EQ(at(picture, 1, 1), (std::array{0xFB, 0xFB, 0xF8}));
}

TEST(Pictures, ShowTextures) {
    Scene scene = wall({1, 1, 1, 1});
    Pixels halves;
    halves.width = 2;
    halves.height = 1;
    halves.channels = 3;
    halves.samples = {0, 0, 255, 0, 255, 0};
    Image image;
    image.mime = "image/png";
    image.bytes = *encode_image(halves, image.mime);
    scene.images.push_back(image);
    Texture texture;
    texture.image = 0;
    scene.textures.push_back(texture);
    scene.materials[0].base_colour_texture.texture = 0;
    PictureLook look;
    look.width = look.height = 120;
    const Pixels picture = Studio(scene).shoot(0, look);
    const auto left = at(picture, 45, 60);
    const auto right = at(picture, 75, 60);
    EXPECT_GT(left[2], left[1] + 60);
    EXPECT_GT(right[1], right[2] + 60);
    // Turned by half a round about the middle of the picture, the halves change places.
    scene.materials[0].base_colour_texture.rotation = std::numbers::pi;
    scene.materials[0].base_colour_texture.offset = {1, 1};
    const Pixels turned = Studio(scene).shoot(0, look);
    EXPECT_GT(at(turned, 45, 60)[1], at(turned, 45, 60)[2] + 60);
}

TEST(Pictures, AreTransparentWhereNothingIs) {
    const Scene scene = wall({0.8, 0.05, 0.05, 1});
    PictureLook look;
    look.width = look.height = 64;
    look.background.reset();
    const Pixels picture = Studio(scene).shoot(0, look);
    ASSERT_EQ(picture.channels, 4U);
    EXPECT_EQ(picture.samples[3], 0);
    EXPECT_EQ(picture.samples[(size_t{32} * 64 + 32) * 4 + 3], 255);
}

TEST(Pictures, AreTheSameOnAnyNumberOfThreads) {
    const Scene scene = demo::tansy_model();
    PictureLook look;
    look.width = look.height = 96;
    const Pixels several = Studio(scene).shoot(0, look);
    const tbb::global_control one(tbb::global_control::max_allowed_parallelism, 1);
    EXPECT_EQ(Studio(scene).shoot(0, look).samples, several.samples);
}

TEST(Pictures, LookLikeTheOneThatIsKept) {
    const std::filesystem::path file = std::filesystem::path(WEMBRIX_SOURCE) / "tests/data/pictures/tansy.png";
    const Scene scene = demo::tansy_model();
    Studio studio(scene);
    PictureLook look;
    look.width = look.height = 192;
    const Pixels picture = studio.shoot(0, look);
    std::ifstream stream(file, std::ios::binary);
    const std::vector<uint8_t> bytes((std::istreambuf_iterator<char>(stream)), std::istreambuf_iterator<char>());
    const Result<Pixels> kept = decode_image(bytes);
    if (!kept) {
        const std::vector<uint8_t> made = *encode_image(picture, "image/png");
        std::ofstream(std::filesystem::temp_directory_path() / "tansy_picture.png", std::ios::binary)
            .write(reinterpret_cast<const char*>(made.data()), static_cast<std::streamsize>(made.size()));
    }
    ASSERT_TRUE(kept.ok()) << file << ": " << kept.problem().sentence();
    ASSERT_EQ(kept->samples.size(), picture.samples.size());
    double sum = 0;
    for (size_t i = 0; i < picture.samples.size(); ++i) {
        sum += std::abs(static_cast<int>(picture.samples[i]) - static_cast<int>(kept->samples[i]));
    }
    EXPECT_LT(sum / static_cast<double>(picture.samples.size()), 1.0) << "levels of 255 in the mean";
}

TEST(Pictures, OfAClipChooseMomentsByHowMuchMoves) {
    Scene scene = tower({"root", "arm", "hand"});
    // It stands for half of the clip and nods in the other half.
    Clip clip;
    clip.name = "late";
    clip.seconds = 4;
    clip.rate = 30;
    Channel channel;
    channel.node = 1;
    channel.path = Path::rotation;
    channel.width = 4;
    std::vector<float> times;
    std::vector<float> values;
    for (int f = 0; f <= 120; ++f) {
        times.push_back(static_cast<float>(f) / 30);
        const double angle = f < 60 ? 0 : 0.6 * std::sin((f - 60) / 30.0 * std::numbers::pi);
        values.insert(values.end(),
                      {static_cast<float>(std::sin(angle / 2)), 0, 0, static_cast<float>(std::cos(angle / 2))});
    }
    channel.times = std::move(times);
    channel.values = std::move(values);
    clip.channels.push_back(channel);
    scene.clips.push_back(clip);
    const std::vector<double> moments = telling_moments(scene, scene.clips[0], 8);
    ASSERT_EQ(moments.size(), 8U);
    EXPECT_TRUE(std::is_sorted(moments.begin(), moments.end()));
    EXPECT_EQ(std::count_if(moments.begin(), moments.end(), [](double s) { return s > 1.9; }), 7)
        << "all but the first are where it moves";
    EXPECT_NEAR(moments.back(), 4, 0.04);
    scene.clips[0].channels.clear();
    const std::vector<double> even = telling_moments(scene, scene.clips[0], 5);
    EXPECT_NEAR(even[1], 1, 1e-9) << "evenly where nothing moves";
}

TEST(Pictures, StripsAndMovingOnesFollowTheClip) {
    Scene scene = tower({"root", "arm"});
    add_nod(scene, "nod", 1, 0.5, true);
    Studio studio(scene);
    studio.choose(&scene.clips[0]);
    const std::vector<double> moments = {0, scene.clips[0].seconds / 4, scene.clips[0].seconds};
    studio.frame(moments);
    PictureLook look;
    look.width = look.height = 64;
    look.samples = 2;
    const Pixels strip = film_strip(studio, moments, scene.clips[0].seconds, look);
    EXPECT_EQ(strip.width, 192U);
    EXPECT_EQ(strip.height, 74U);
    const auto differ = [&](uint32_t a, uint32_t b) {
        int count = 0;
        for (uint32_t y = 0; y < 64; ++y) {
            for (uint32_t x = 0; x < 64; ++x) {
                count += at(strip, 64 * a + x, y) != at(strip, 64 * b + x, y) ? 1 : 0;
            }
        }
        return count;
    };
    EXPECT_GT(differ(0, 1), 20);
    EXPECT_EQ(differ(0, 2), 0) << "it repeats: its end is its beginning";
    const Result<std::vector<uint8_t>> moving = moving_picture(studio, scene.clips[0].seconds, 15, look);
    ASSERT_TRUE(moving.ok());
    const std::string bytes(moving->begin(), moving->end());
    EXPECT_EQ(bytes.substr(0, 4), "RIFF");
    EXPECT_EQ(bytes.substr(8, 4), "WEBP");
    EXPECT_NE(bytes.find("ANIM"), std::string::npos);
    EXPECT_GE(std::count(bytes.begin(), bytes.end(), 'F'), 2);
    EXPECT_EQ(moving_picture(studio, scene.clips[0].seconds, 15, look)->size(), moving->size());
    EXPECT_EQ(*moving_picture(studio, scene.clips[0].seconds, 15, look), *moving) << "the same clip, the same bytes";
}

TEST(Pictures, OfAnythingThatIsThereEndWell) {
    EXPECT_TRUE(Studio(Scene()).is_empty());
    Scene bones = tower({"a", "b", "c"});
    bones.meshes.clear();
    for (Node& node : bones.nodes) {
        node.mesh = -1;
        node.skin = -1;
    }
    PictureLook look;
    look.width = look.height = 48;
    look.samples = 1;
    const Pixels of_bones = Studio(bones).shoot(0, look);
    EXPECT_GT(std::count_if(of_bones.samples.begin(), of_bones.samples.end(), [](uint8_t v) { return v < 100; }), 30)
        << "joints stand for what has no surface";
    std::mt19937 random(20261130);
    const std::array<float, 7> odd = {
        0, 1, -1e30F, 1e30F, std::numeric_limits<float>::quiet_NaN(), 1e-30F, std::numeric_limits<float>::infinity()};
    for (int turn = 0; turn < 60; ++turn) {
        Scene scene = wall({0.5, 0.5, 0.5, 1});
        for (Vec3f& point : scene.meshes[0].positions.edit()) {
            for (int k = 0; k < 3; ++k) {
                point[k] = random() % 2 == 0 ? point[k] : odd[random() % odd.size()];
            }
        }
        for (float& value : scene.meshes[0].attributes[0].data.edit()) {
            value = random() % 2 == 0 ? value : odd[random() % odd.size()];
        }
        scene.materials[0].base_colour_texture.texture = static_cast<int>(random() % 3) - 1;
        scene.textures.resize(1);
        scene.textures[0].image = static_cast<int>(random() % 3) - 1;
        scene.images.resize(1);
        scene.images[0].bytes = std::vector<uint8_t>(random() % 50, static_cast<uint8_t>(random()));
        EXPECT_EQ(Studio(scene).shoot(0, look).samples.size(), size_t{48} * 48 * 3) << "turn " << turn;
    }
}

} // namespace
} // namespace wembrix::testing
