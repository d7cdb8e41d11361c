// Ribbons and tubes that stand for strands.
#include "core/base/files.h"
#include "core/formats/format.h"
#include "core/formats/gltf/gltf.h"
#include "core/formats/obj/obj.h"
#include "core/measure/skeleton/pose.h"
#include "core/measure/strands/cards.h"
#include "core/measure/strands/strand_surface.h"
#include "core/measure/surface/deform.h"
#include "core/measure/surface/rest_places.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "random_skin.h"
#include "small_scenes.h"
#include "step_results.h"

#include <filesystem>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <tbb/global_control.h>
#include <unistd.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

/// Strands side by side along x, going along z, over a floor.
struct Fringe {
    std::vector<uint32_t> counts;
    std::vector<Vec3f> points;
    std::vector<Vec3> outwards;
    void add(double x, const Vec3& way, double y = 0) {
        counts.push_back(5);
        for (int p = 0; p < 5; ++p) {
            points.emplace_back((Vec3(x, y, 0) + way * (p / 4.0)).cast<float>());
        }
        outwards.emplace_back(Vec3::UnitY());
    }
    [[nodiscard]] StrandLines lines() const { return {counts, points, {}, outwards}; }
};

double face_by_normal(const StrandCards& cards, const std::array<uint32_t, 3>& t) {
    const Vec3f across =
        (cards.points[t[1]] - cards.points[t[0]]).cross(cards.points[t[2]] - cards.points[t[0]]).normalized();
    return across.dot((cards.normals[t[0]] + cards.normals[t[1]] + cards.normals[t[2]]).normalized());
}

TEST(StrandCards, ARibbonCoversAnEvenFringeAndLiesOnTheFloor) {
    Fringe fringe;
    for (int i = -100; i <= 100; ++i) {
        fringe.add(i * 0.0001, {0, 0, 0.08});
    }
    CardShape shape;
    shape.triangles = 11;
    shape.segments = 4;
    const StrandCards cards = cards_of(fringe.lines(), shape);
    ASSERT_EQ(cards.strands, (std::vector<uint32_t>{100})) << "the way of the one in the middle; a second is too much";
    ASSERT_EQ(cards.points.size(), 10U);
    EXPECT_EQ(cards.triangles.size(), 8U);
    for (size_t r = 0; r < 5; ++r) {
        const Vec3f& left = cards.points[2 * r];
        const Vec3f& right = cards.points[2 * r + 1];
        EXPECT_NEAR(std::abs(left.x() - right.x()), 0.02, 0.0002) << "as wide as they lie";
        EXPECT_NEAR(left.z(), 0.02 * static_cast<double>(r), 1e-6);
        EXPECT_NEAR(left.y(), 0, 1e-6);
        EXPECT_NEAR(cards.normals[2 * r].y(), 1, 1e-6);
        EXPECT_FLOAT_EQ(cards.coordinates[4 * r + 1], 0.25F * static_cast<float>(r));
        EXPECT_FLOAT_EQ(cards.coordinates[4 * r + 2] - cards.coordinates[4 * r], 1);
    }
    for (const auto& triangle : cards.triangles) {
        EXPECT_GT(face_by_normal(cards, triangle), 0.99);
    }
    EXPECT_LT(cards.most_apart_m, 1e-4);
}

TEST(StrandCards, BundlesThatPartAreInTwo) {
    // From one place, half of them up and half of them down.
    Fringe fringe;
    for (int i = 0; i < 40; ++i) {
        fringe.add(0.00001 * i, i % 2 == 0 ? Vec3(0, 0.05, 0.05) : Vec3(0, -0.05, 0.05), 0.0001);
    }
    CardShape shape;
    shape.triangles = 24;
    const StrandCards cards = cards_of(fringe.lines(), shape);
    ASSERT_EQ(cards.strands.size(), 2U);
    EXPECT_NE(cards.strands[0] % 2, cards.strands[1] % 2);
    EXPECT_LT(cards.most_apart_m, 0.0005);
    // Each in a column of its own.
    shape.columns = 2;
    const StrandCards columns = cards_of(fringe.lines(), shape);
    EXPECT_FLOAT_EQ(columns.coordinates[0], 0);
    EXPECT_FLOAT_EQ(columns.coordinates[2], 0.5F);
    EXPECT_FLOAT_EQ(columns.coordinates[28], 0.5F);
    EXPECT_FLOAT_EQ(columns.coordinates[30], 1);
    shape.triangles = 12;
    EXPECT_GT(cards_of(fringe.lines(), shape).most_apart_m, 0.04) << "one alone is beside half of them";
}

TEST(StrandCards, ATubeIsRoundClosedAtItsTipAndFacesOutwards) {
    // A disc of them, straight up.
    Fringe fringe;
    for (int i = 0; i < 2000; ++i) {
        const double radius = 0.01 * std::sqrt((i + 0.5) / 2000);
        const double angle = i * 2.399963;
        fringe.add(radius * std::cos(angle), {0, 0.06, 0});
        for (size_t p = fringe.points.size() - 5; p < fringe.points.size(); ++p) {
            fringe.points[p].z() += static_cast<float>(radius * std::sin(angle));
        }
    }
    CardShape shape;
    shape.sides = 6;
    shape.segments = 3;
    shape.triangles = shape.triangles_of_one();
    const StrandCards cards = cards_of(fringe.lines(), shape);
    ASSERT_EQ(cards.strands.size(), 1U);
    EXPECT_EQ(cards.triangles.size(), 2U * 3 * 6 + 4);
    EXPECT_EQ(cards.row_points, 7U);
    const Vec3f middle = fringe.points[cards.strands[0] * 5];
    for (size_t p = 0; p < cards.points.size(); ++p) {
        const Vec3f off = cards.points[p] - middle;
        EXPECT_NEAR(Vec3f(off.x(), 0, off.z()).norm(), 0.01, 0.0005);
    }
    for (size_t t = 0; t + 4 < cards.triangles.size(); ++t) {
        EXPECT_GT(face_by_normal(cards, cards.triangles[t]), 0.8);
    }
    for (size_t t = cards.triangles.size() - 4; t < cards.triangles.size(); ++t) {
        const auto& [a, b, c] = cards.triangles[t];
        EXPECT_GT((cards.points[b] - cards.points[a]).cross(cards.points[c] - cards.points[a]).y(), 0);
    }
}

/// The middle of each card's first row.
std::vector<Vec3> first_rows(const std::vector<Vec3f>& places, size_t points_of_one) {
    std::vector<Vec3> middles;
    for (size_t p = 0; p < places.size(); p += points_of_one) {
        middles.emplace_back((places[p] + places[p + 1]).cast<double>() / 2);
    }
    return middles;
}

TEST(StrandCards, OnRandomBodiesTheyStandWhereTheStrandsStandAndGoWithTheSkin) {
    size_t tried = 0;
    for (uint32_t seed = 1; seed <= std::min(20U, testing::seeds()); ++seed) {
        Scene scene = testing::random_skin(seed);
        if (scene.clips.empty() || surfaces_of(scene).empty()) {
            continue;
        }
        const int body = surfaces_of(scene)[0];
        const std::string name = scene.nodes[static_cast<size_t>(body)].name;
        scene = done(scene, {"strand_region", {{"name", "fur"}, {"surface", name}}}).scene;
        scene = done(scene, {"strand_guides", {{"spread", 5}, {"length_mm", 80}}}).scene;
        scene = done(scene, {"grow_strands", {{"count", 90}, {"points", 6}, {"trimmed", false}}}).scene;
        for (const char* weights : {"root", "along"}) {
            const StepResult made =
                done(scene,
                     {"strand_cards", {{"strands", "fur"}, {"triangles", 200}, {"segments", 5}, {"weights", weights}}});
            const int cards = made.scene.find_node("fur_cards");
            ASSERT_GE(cards, 0) << seed;
            const Mesh& mesh =
                made.scene.meshes[static_cast<size_t>(made.scene.nodes[static_cast<size_t>(cards)].mesh)];
            EXPECT_LE(mesh.triangle_count(), 200U);
            EXPECT_GE(mesh.triangle_count(), 100U);
            // At rest the root of each is on the body, and no row is farther from a strand than it says.
            const std::vector<Vec3f> rest = rest_places(made.scene, cards);
            const StrandSurface surface(made.scene, body);
            for (const Vec3& middle : first_rows(rest, 12)) {
                double off = 0;
                const CurveRoot nearest = surface.nearest(middle, &off);
                EXPECT_LT(off, 1e-5) << seed << ", on triangle " << nearest.triangle;
            }
            // And when the skin moves they go as the place that they grow on.
            Pose pose;
            const Poser poser(made.scene, &made.scene.clips[0]);
            poser.at(made.scene.clips[0].seconds / 2, pose);
            Deformer of_cards(made.scene, {cards});
            Deformer of_body(made.scene, {body});
            std::vector<Vec3f> posed(mesh.point_count());
            std::vector<Vec3f> posed_body(surface.places().size());
            of_cards.points(pose, posed);
            of_body.points(pose, posed_body);
            const std::vector<Vec3> before = first_rows(rest, 12);
            const std::vector<Vec3> after = first_rows(posed, 12);
            for (size_t c = 0; c < after.size(); ++c) {
                const CurveRoot root = surface.nearest(before[c]);
                const Vec3 grows_at = surface.place_of(root, posed_body);
                const auto& corners = surface.triangles()[root.triangle];
                double longest = 0;
                for (size_t k = 0; k < 3; ++k) {
                    longest = std::max(
                        longest, static_cast<double>(
                                     (surface.places()[corners[k]] - surface.places()[corners[(k + 1) % 3]]).norm()));
                }
                EXPECT_LT((after[c] - grows_at).norm(), longest) << seed << " " << weights;
            }
            ++tried;
        }
    }
    EXPECT_GT(tried, 10U);
}

TEST(StrandCards, AreTheSameOnAnyNumberOfThreadsAndRefusedInOneSentence) {
    Scene furry = testing::random_skin(3);
    const std::string body = furry.nodes[static_cast<size_t>(surfaces_of(furry)[0])].name;
    furry = done(furry, {"strand_region", {{"name", "crest"}, {"surface", body}}}).scene;
    furry = done(furry, {"strand_guides", {{"spread", 8}, {"length_mm", 120}, {"lean_deg", 40}}}).scene;
    furry = done(furry, {"grow_strands", {{"count", 900}, {"noise_mm", 4}, {"trimmed", false}}}).scene;
    std::vector<Vec3f> first;
    for (const size_t threads : {1, 2, 8}) {
        const tbb::global_control limit(tbb::global_control::max_allowed_parallelism, threads);
        const Scene scene = done(furry, {"strand_cards", {{"shape", "tube"}, {"sides", 3}}}).scene;
        const std::vector<Vec3f> places = rest_places(scene, scene.find_node("crest_cards"));
        if (first.empty()) {
            first = places;
        }
        EXPECT_EQ(places, first) << threads;
    }
    const auto refused = [&](const nlohmann::json& parameters) {
        const Result<StepResult> result = apply_step(furry, {"strand_cards", parameters});
        return result.ok() ? std::string() : result.problem().sentence();
    };
    EXPECT_NE(refused({{"triangles", 11}}).find("12 triangles"), std::string::npos);
    EXPECT_NE(refused({{"name", "crest"}}).find("called"), std::string::npos);
    EXPECT_NE(refused({{"strands", "mane"}}).find("mane"), std::string::npos);
}

TEST(StrandLines, GoOutAsASurfaceAndComeBackTheSame) {
    Scene furry = random_skin(3);
    const std::string body = furry.nodes[static_cast<size_t>(surfaces_of(furry)[0])].name;
    furry = done(furry, {"strand_region", {{"name", "crest"}, {"surface", body}}}).scene;
    furry = done(furry, {"strand_guides", {{"spread", 8}, {"length_mm", 120}}}).scene;
    furry = done(furry, {"grow_strands", {{"count", 50}, {"noise_mm", 4}, {"trimmed", false}}}).scene;
    const CurveSet& before = furry.curve_sets[0];
    const Scene out = done(furry, {"lines_from_strands", {{"name", "wires"}}}).scene;
    const fs::path folder = fs::temp_directory_path() / fmt::format("wembrix_lines_{}", ::getpid());
    fs::create_directories(folder);
    for (const char* name : {"wires.glb", "wires.obj"}) {
        Scene alone = out;
        if (std::string(name) == "wires.obj") { // it holds no joints
            alone = done(out, {"strands_from_lines", {{"surface", "wires"}, {"name", "loose"}}}).scene;
            alone = done(alone, {"lines_from_strands", {{"strands", "loose"}, {"name", "wires"}}}).scene;
        }
        const Result<std::vector<WrittenFile>> written =
            std::string(name) == "wires.obj" ? write_obj(alone, "wires") : write_glb(alone, "wires");
        ASSERT_TRUE(written.ok());
        for (const WrittenFile& one : *written) {
            ASSERT_TRUE(write_file_whole(folder / one.name, one.bytes).ok());
        }
        const Result<Scene> file = read_scene(folder / name);
        ASSERT_TRUE(file.ok()) << file.problem().sentence();
        const StepResult back = done(*file, {"strands_from_lines", {{"surface", "wires"}}});
        const int node = back.scene.find_node("wires");
        ASSERT_GE(node, 0);
        ASSERT_GE(back.scene.nodes[static_cast<size_t>(node)].curves, 0);
        const CurveSet& after =
            back.scene.curve_sets[static_cast<size_t>(back.scene.nodes[static_cast<size_t>(node)].curves)];
        EXPECT_EQ(after.counts.get(), before.counts.get()) << name;
        ASSERT_EQ(after.points.size(), before.points.size());
        const Mat4 world = rest_world(back.scene)[static_cast<size_t>(node)];
        for (size_t p = 0; p < after.points.size(); ++p) {
            const Vec3 at = point_of(world, after.points[p].cast<double>());
            EXPECT_LT((at - before.points[p].cast<double>()).norm(), 2e-6) << name;
        }
        if (std::string(name) == "wires.glb") {
            EXPECT_EQ(after.widths.get(), before.widths.get());
        }
        // And as guides.
        if (back.scene.find_node(body) >= 0 && std::string(name) == "wires.glb") {
            Scene grown = done(back.scene, {"strand_region", {{"name", "again"}, {"surface", body}}}).scene;
            grown = done(grown, {"strand_guides", {{"strands", "again"}, {"from", "wires"}}}).scene;
            EXPECT_EQ(grown.curve_sets.back().guide_counts.size(), 50U);
        }
    }
    fs::remove_all(folder);
}

TEST(StrandLines, PiecesThatGoOnAreOneLineAndFacesStay) {
    Scene scene = tower({"root", "arm"});
    EXPECT_NE(refused(scene, {"strands_from_lines", nlohmann::json::object()}).find("no surface has lines"),
              std::string::npos);
    Mesh& mesh = scene.meshes[0];
    std::vector<uint32_t>& indices = mesh.indices.edit();
    Primitive lines;
    lines.topology = Topology::lines;
    lines.first_index = static_cast<uint32_t>(indices.size());
    lines.point_count = static_cast<uint32_t>(mesh.point_count());
    lines.has_normals = false;
    indices.insert(indices.end(), {0, 1, 1, 2, 3, 4});
    lines.index_count = 6;
    Primitive loop = lines;
    loop.topology = Topology::line_loop;
    loop.first_index = static_cast<uint32_t>(indices.size());
    loop.index_count = 3;
    indices.insert(indices.end(), {3, 4, 5});
    mesh.primitives.push_back(lines);
    mesh.primitives.push_back(loop);
    const StepResult result = done(scene, {"strands_from_lines", nlohmann::json::object()});
    ASSERT_EQ(result.scene.curve_sets.size(), 1U);
    EXPECT_EQ(result.scene.curve_sets[0].counts.get(), (std::vector<uint32_t>{3, 2, 4}));
    EXPECT_EQ(result.could_not.size(), 1U) << "it keeps its faces";
    EXPECT_EQ(surfaces_of(result.scene).size(), 1U);
}

} // namespace
} // namespace wembrix::testing
