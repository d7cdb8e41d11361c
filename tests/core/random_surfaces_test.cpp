// Surfaces with any attributes in any form, and shapes that change any of them: what is written is read back number for
// number, and one number that differs is seen.
#include "core/measure/comparison/compare_scenes.h"
#include "random_rig.h"
#include "small_scenes.h"
#include "through_a_file.h"
#include "valid_scene.h"

#include <algorithm>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

using Kind = NumberFormat::Kind;

class Surfaces {
  public:
    explicit Surfaces(uint32_t seed) : random_(seed) {}

    Scene run() {
        Scene scene = tower({"root", "spine", "neck", "head"});
        Mesh& mesh = scene.meshes[0];
        split(mesh);
        for (const char* name : {"TEXCOORD_0", "TEXCOORD_1", "COLOR_0"}) {
            if (chance(2)) {
                add(mesh, name, name[0] == 'T' ? 2 : 3 + below(2), {});
            }
        }
        for (int own = 0; own < below(4); ++own) {
            NumberFormat format;
            format.kind = static_cast<Kind>(below(5));
            format.normalised = format.kind != Kind::floats && chance(3);
            add(mesh, fmt::format("_OWN_{}", own), 1 + below(4), format);
        }
        for (int s = 0; s < below(4); ++s) {
            mesh.shapes.push_back(shape(mesh, s));
        }
        return scene;
    }

    int below(int count) { return static_cast<int>(random_() % static_cast<uint32_t>(count)); }
    bool chance(int in) { return below(in) == 0; }

  private:
    float real() { return static_cast<float>(below(2001) - 1000) / 512; }

    /// The triangles in as many primitives as there may be; each has its own vertices.
    void split(Mesh& mesh) {
        const Primitive whole = mesh.primitives[0];
        mesh.primitives.clear();
        for (uint32_t first = 0; first < whole.point_count;) {
            Primitive one = whole;
            one.first_point = one.first_index = first;
            one.point_count = one.index_count =
                std::min(whole.point_count - first, static_cast<uint32_t>(3 * (1 + below(3))));
            for (uint32_t i = 0; i < one.index_count; ++i) {
                mesh.indices.edit()[first + i] = first + i;
            }
            first += one.point_count;
            mesh.primitives.push_back(one);
        }
    }

    /// A value that the form holds exactly.
    float value(const NumberFormat& format) {
        switch (format.kind) {
        case Kind::floats:
            return real();
        case Kind::bytes:
            return format.normalised ? static_cast<float>((below(255) - 127) / 127.0)
                                     : static_cast<float>(below(256) - 128);
        case Kind::unsigned_bytes:
            return format.normalised ? static_cast<float>(below(256) / 255.0) : static_cast<float>(below(256));
        case Kind::shorts:
            return format.normalised ? static_cast<float>((below(65535) - 32767) / 32767.0)
                                     : static_cast<float>(below(65536) - 32768);
        case Kind::unsigned_shorts:
            return format.normalised ? static_cast<float>(below(65536) / 65535.0) : static_cast<float>(below(65536));
        }
        return 0;
    }

    /// On some of the primitives, and zero on the others.
    void add(Mesh& mesh, const std::string& name, int width, const NumberFormat& format) {
        std::vector<float> data(mesh.point_count() * static_cast<size_t>(width), 0.0F);
        bool any = false;
        for (Primitive& primitive : mesh.primitives) {
            if (chance(4)) {
                continue;
            }
            any = true;
            primitive.attributes.push_back(name);
            for (size_t i = 0; i < primitive.point_count * static_cast<size_t>(width); ++i) {
                data[primitive.first_point * static_cast<size_t>(width) + i] = value(format);
            }
        }
        if (any) {
            mesh.attributes.push_back({name, width, std::move(data), format});
        }
    }

    MorphTarget shape(const Mesh& mesh, int number) {
        MorphTarget made;
        made.name = fmt::format("shape_{}", number);
        std::vector<uint32_t> points;
        std::vector<Vec3f> positions;
        for (uint32_t point = 0; point < mesh.point_count(); ++point) {
            if (chance(3)) {
                points.push_back(point);
                positions.emplace_back(real() + 3, real(), real()); // never nothing: what moves nothing is not kept
            }
        }
        for (const Attribute& of : mesh.attributes) {
            if (chance(2)) {
                made.attributes.push_back({of.name, of.width, changes(mesh, of, points), {}});
            }
        }
        made.points = std::move(points);
        made.positions = std::move(positions);
        return made;
    }

    /// Differences where the vertex's primitive has the attribute.
    std::vector<float> changes(const Mesh& mesh, const Attribute& of, const std::vector<uint32_t>& points) {
        std::vector<float> data;
        for (const uint32_t point : points) {
            const bool has = std::any_of(mesh.primitives.begin(), mesh.primitives.end(), [&](const Primitive& one) {
                return point >= one.first_point && point - one.first_point < one.point_count &&
                       std::count(one.attributes.begin(), one.attributes.end(), of.name) > 0;
            });
            for (int k = 0; k < of.width; ++k) {
                data.push_back(has ? real() : 0.0F);
            }
        }
        return data;
    }

    std::mt19937 random_;
};

/// What two scenes differ in; nothing where all is the same.
std::string differences(const Scene& expected, const Scene& actual) {
    std::string said;
    for (const Claim& claim : compare_scenes(expected, actual)) {
        for (const std::string& one : claim.differences) {
            said += claim.name + ": " + one + "\n";
        }
    }
    return said;
}

class RandomSurfaces : public ::testing::TestWithParam<uint32_t> {};

TEST_P(RandomSurfaces, ComeBackNumberForNumber) {
    const Scene scene = Surfaces(GetParam()).run();
    ASSERT_EQ(what_is_not_valid(scene), "");
    const Scene back = through_a_file(scene);
    EXPECT_EQ(what_is_not_valid(back), "");
    EXPECT_EQ(differences(scene, back), "");
    // And once more: what was read is written to the same bytes each time.
    const std::string bytes = write_glb(back, "a")->front().bytes;
    EXPECT_TRUE(bytes == write_glb(through_a_file(back), "a")->front().bytes);
}

TEST_P(RandomSurfaces, OneNumberThatDiffersIsSeen) {
    Surfaces surfaces(GetParam());
    const Scene scene = surfaces.run();
    const Scene back = through_a_file(scene);
    const Mesh& mesh = back.meshes[0];
    for (size_t a = 0; a < mesh.attributes.size(); ++a) {
        Scene damaged = back;
        std::vector<float>& data = damaged.meshes[0].attributes[a].data.edit();
        data[static_cast<size_t>(surfaces.below(static_cast<int>(data.size())))] += 1.0F;
        EXPECT_NE(differences(scene, damaged), "") << mesh.attributes[a].name;
    }
    for (size_t s = 0; s < mesh.shapes.size(); ++s) {
        for (size_t a = 0; a < mesh.shapes[s].attributes.size(); ++a) {
            Scene damaged = back;
            std::vector<float>& data = damaged.meshes[0].shapes[s].attributes[a].data.edit();
            if (!data.empty()) {
                data[static_cast<size_t>(surfaces.below(static_cast<int>(data.size())))] += 1.0F;
                EXPECT_NE(differences(scene, damaged), "") << mesh.shapes[s].name;
            }
        }
    }
}

INSTANTIATE_TEST_SUITE_P(Drawn, RandomSurfaces, ::testing::Range<uint32_t>(1, seeds() + 1));

} // namespace
} // namespace wembrix::testing
