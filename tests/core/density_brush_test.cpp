// How densely strands may grow, painted: what a dab does, and that the card keeps it.
#include "core/measure/strands/strand_surface.h"
#include "core/steps/step_data.h"
#include "core/steps/strands/density_brush.h"
#include "random_skin.h"
#include "step_results.h"

#include <cmath>
#include <gtest/gtest.h>
#include <limits>

namespace wembrix::testing {
namespace {

/// A flat square of 20 by 20 cells of a centimetre, facing up.
Scene square() {
    constexpr uint32_t cells = 20;
    std::vector<Vec3f> points;
    std::vector<uint32_t> indices;
    for (uint32_t z = 0; z <= cells; ++z) {
        for (uint32_t x = 0; x <= cells; ++x) {
            points.emplace_back(0.01F * static_cast<float>(x) - 0.1F, 0, 0.01F * static_cast<float>(z));
            if (x < cells && z < cells) {
                const uint32_t a = z * (cells + 1) + x;
                indices.insert(indices.end(), {a, a + cells + 1, a + 1, a + 1, a + cells + 1, a + cells + 2});
            }
        }
    }
    Mesh mesh;
    mesh.name = "square";
    Primitive part;
    part.point_count = static_cast<uint32_t>(points.size());
    part.index_count = static_cast<uint32_t>(indices.size());
    mesh.normals = std::vector<Vec3f>(points.size(), Vec3f(0, 1, 0));
    mesh.positions = std::move(points);
    mesh.indices = std::move(indices);
    mesh.primitives = {part};
    Scene scene;
    scene.meshes = {std::move(mesh)};
    Node node;
    node.name = "square";
    node.mesh = 0;
    node.identity = 1;
    scene.nodes = {node};
    classify_nodes(scene);
    return scene;
}

struct Painting {
    std::shared_ptr<const Scene> scene = std::make_shared<const Scene>(square());
    DensityBrush brush{scene, 0, density_of_region(*scene, 0, -1)};
    BrushSettings settings;
    Painting() {
        settings.radius_m = 0.03;
        settings.strength = 1;
        settings.falloff = BrushFalloff::linear;
    }
    std::vector<uint32_t> dab(const Vec3f& at) {
        const Mesh& mesh = scene->meshes[0];
        size_t nearest = 0;
        for (size_t v = 0; v < mesh.point_count(); ++v) {
            nearest = (mesh.positions[v] - at).norm() < (mesh.positions[nearest] - at).norm() ? v : nearest;
        }
        return brush.dab(settings, {at, static_cast<uint32_t>(nearest), Vec3f(0, 1, 0)}, mesh.positions.get(),
                         mesh.normals.get());
    }
};

TEST(DensityBrush, EachModeDoesWhatItSaysWithinItsRadius) {
    Painting painting;
    const Vec3f middle(0.05F, 0, 0.1F);
    const std::vector<uint32_t> touched = painting.dab(middle);
    EXPECT_TRUE(painting.brush.take_changed());
    EXPECT_FALSE(painting.brush.take_changed());
    const std::vector<Vec3f>& points = painting.scene->meshes[0].positions.get();
    for (uint32_t v = 0; v < points.size(); ++v) {
        const double far = static_cast<double>((points[v] - middle).norm());
        EXPECT_NEAR(painting.brush.density()[v], std::max(0.0, 1 - far / 0.03), 1e-5) << v;
        EXPECT_EQ(std::binary_search(touched.begin(), touched.end(), v), painting.brush.density()[v] > 0);
    }
    painting.settings.mode = BrushMode::subtract;
    painting.dab(middle);
    EXPECT_LT(*std::max_element(painting.brush.density().begin(), painting.brush.density().end()), 1e-6F);
    painting.settings.mode = BrushMode::set;
    painting.settings.value = 0.4;
    painting.settings.falloff = BrushFalloff::hard;
    painting.dab(middle);
    for (const float one : painting.brush.density()) {
        EXPECT_TRUE(one < 1e-6F || std::abs(one - 0.4F) < 1e-6F);
    }
    painting.settings.mode = BrushMode::scale;
    painting.settings.value = 4;
    painting.dab(middle);
    EXPECT_EQ(*std::max_element(painting.brush.density().begin(), painting.brush.density().end()), 1) << "and no more";
    // The edge gets softer, its sum stays about what it was.
    painting.settings.mode = BrushMode::smooth;
    painting.settings.radius_m = 0.06;
    painting.dab(middle);
    size_t between = 0;
    for (const float one : painting.brush.density()) {
        between += one > 0.05F && one < 0.95F ? 1 : 0;
    }
    EXPECT_GT(between, 8U);
    // Both sides.
    Painting other;
    other.settings.mirrored = true;
    other.dab(middle);
    for (uint32_t v = 0; v < points.size(); ++v) {
        const uint32_t row = v / 21;
        EXPECT_FLOAT_EQ(other.brush.density()[v], other.brush.density()[row * 21 + 20 - v % 21]);
    }
}

TEST(DensityBrush, TheCardKeepsItAndStrandsGrowAsDenselyAsItSays) {
    Painting painting;
    painting.settings.falloff = BrushFalloff::hard;
    painting.settings.radius_m = 0.045;
    painting.dab({0.05F, 0, 0.1F});
    painting.settings.mode = BrushMode::set;
    painting.settings.value = 0.25;
    painting.dab({-0.05F, 0, 0.1F});
    Step region{"strand_region", {{"name", "lawn"}}};
    region.parameters["painted"] = keep_data(region, density_to_bytes(painting.brush.density()));
    Scene scene = done(*painting.scene, region).scene;
    const CurveSet& lawn = scene.curve_sets[0];
    ASSERT_EQ(lawn.region.size(), 800U);
    scene = done(scene, {"strand_guides", {{"spread", 12}, {"length_mm", 10}}}).scene;
    scene = done(scene, {"grow_strands", {{"count", 5000}, {"points", 3}, {"trimmed", false}}}).scene;
    size_t right = 0;
    size_t left = 0;
    for (size_t c = 0; c < scene.curve_sets[0].curve_count(); ++c) {
        (scene.curve_sets[0].points[3 * c].x() > 0 ? right : left) += 1;
    }
    EXPECT_NEAR(static_cast<double>(right) / static_cast<double>(left), 4, 0.5);
    // Painting goes on where it was, and after another region it begins with that.
    const std::vector<float> again = density_of_region(scene, 0, scene.find_node("lawn"));
    EXPECT_NEAR(again[10 * 21 + 15], 1, 1e-6);
    EXPECT_NEAR(again[10 * 21 + 5], 0.25, 1e-6);
    EXPECT_EQ(density_of_region(scene, 0, -1), std::vector<float>(441, 0.F));
    // On another surface it is refused; without its array as well.
    const Scene other = random_skin(3);
    Step elsewhere = region;
    elsewhere.parameters["surface"] = other.nodes[static_cast<size_t>(surfaces_of(other)[0])].name;
    EXPECT_NE(refused(other, elsewhere).find("was painted on 441"), std::string::npos);
    region.data.clear();
    EXPECT_NE(refused(*painting.scene, region).find("array"), std::string::npos);
}

TEST(DensityBrush, BytesThatAreSomethingElseAreRefused) {
    const std::string good = density_to_bytes({0, 0.5F, 1});
    ASSERT_TRUE(density_from_bytes(good).ok());
    EXPECT_EQ(*density_from_bytes(good), (std::vector<float>{0, 0.5F, 1}));
    for (size_t length = 0; length < good.size(); ++length) {
        EXPECT_FALSE(density_from_bytes(good.substr(0, length)).ok());
    }
    EXPECT_FALSE(density_from_bytes(good + "x").ok());
    for (const float bad : {-0.1F, 1.1F, std::numeric_limits<float>::quiet_NaN()}) {
        EXPECT_FALSE(density_from_bytes(density_to_bytes({0, bad})).ok());
    }
    std::string many = good;
    many[8] = '\xff';
    many[11] = '\xff';
    EXPECT_FALSE(density_from_bytes(many).ok());
}

} // namespace
} // namespace wembrix::testing
