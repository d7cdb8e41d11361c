// Strands: grown on surfaces with known answers, rooted, carried along by what moves.
#include "core/formats/image/pixels.h"
#include "core/measure/strands/grow.h"
#include "core/measure/strands/strand_deform.h"
#include "core/measure/strands/strand_facts.h"
#include "core/steps/step_data.h"
#include "core/steps/step_kind.h"
#include "core/steps/strands/strand_guide_rows.h"
#include "random_rig.h"
#include "random_skin.h"
#include "small_scenes.h"
#include "step_results.h"
#include "tansy_scene.h"

#include <cmath>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <random>
#include <tbb/global_control.h>

namespace wembrix {
namespace {

/// A closed surface of rings around an axis: `at` gives the centre line's frame, `radius` the ring's.
Scene surface_of(const std::vector<Vec3f>& points, const std::vector<uint32_t>& indices,
                 const std::string& name = "body") {
    Scene scene;
    Mesh mesh;
    mesh.name = name;
    mesh.positions = points;
    mesh.indices = indices;
    Primitive part;
    part.point_count = static_cast<uint32_t>(points.size());
    part.index_count = static_cast<uint32_t>(indices.size());
    part.has_normals = false;
    mesh.primitives = {part};
    scene.meshes = {std::move(mesh)};
    Node node;
    node.name = name;
    node.mesh = 0;
    node.identity = 1;
    scene.nodes = {std::move(node)};
    classify_nodes(scene);
    return scene;
}

void add_sphere(const Vec3f& centre, float radius, std::vector<Vec3f>& points, std::vector<uint32_t>& indices) {
    constexpr uint32_t rings = 24;
    constexpr uint32_t sides = 36;
    const auto first = static_cast<uint32_t>(points.size());
    for (uint32_t r = 0; r <= rings; ++r) {
        for (uint32_t s = 0; s < sides; ++s) {
            const double a = M_PI * r / rings;
            const double b = 2 * M_PI * s / sides;
            points.emplace_back(centre + radius * Vec3f(static_cast<float>(std::sin(a) * std::cos(b)),
                                                        static_cast<float>(std::cos(a)),
                                                        static_cast<float>(std::sin(a) * std::sin(b))));
        }
    }
    for (uint32_t r = 0; r < rings; ++r) {
        for (uint32_t s = 0; s < sides; ++s) {
            const uint32_t a = first + r * sides + s;
            const uint32_t b = first + r * sides + (s + 1) % sides;
            if (r > 0) {
                indices.insert(indices.end(), {a, b, a + sides});
            }
            if (r + 1 < rings) {
                indices.insert(indices.end(), {b, b + sides, a + sides});
            }
        }
    }
}
Scene sphere(float radius = 0.1F) {
    std::vector<Vec3f> points;
    std::vector<uint32_t> indices;
    add_sphere({0, 1, 0}, radius, points, indices);
    return surface_of(points, indices);
}

StepResult done(const Scene& scene, const char* step, const nlohmann::json& parameters) {
    Result<StepResult> result = apply_step(scene, step, parameters);
    EXPECT_TRUE(result.ok()) << (result.ok() ? "" : result.problem().sentence());
    return result.ok() ? result.take() : StepResult{scene, {}, {}};
}
/// With a region all over it, guides along the normal, and so many strands.
Scene grown_on(Scene scene, const nlohmann::json& growth,
               const nlohmann::json& guides = {{"spread", 12}, {"length_mm", 50}}) {
    scene = done(scene, "strand_region", {{"name", "fur"}}).scene;
    scene = done(scene, "strand_guides", guides).scene;
    return done(scene, "grow_strands", growth).scene;
}
const CurveSet& fur(const Scene& scene) {
    return scene.curve_sets.at(static_cast<size_t>(scene.nodes.at(static_cast<size_t>(scene.find_node("fur"))).curves));
}

TEST(Strands, OnASphereTheyStandAlongItsRadiusAndAreSpreadEvenly) {
    const Scene scene = grown_on(sphere(), {{"count", 3000}, {"length_varies", 0}, {"points", 8}});
    const CurveSet& curves = fur(scene);
    ASSERT_EQ(curves.curve_count(), 3000U);
    const Vec3 centre(0, 1, 0);
    std::array<size_t, 8> octants{};
    for (size_t c = 0; c < curves.curve_count(); ++c) {
        const Vec3 root = curves.points[c * 8].cast<double>() - centre;
        const Vec3 tip = curves.points[c * 8 + 7].cast<double>() - centre;
        EXPECT_NEAR(root.norm(), 0.1, 0.002) << "on its faces";
        EXPECT_NEAR(tip.norm(), 0.15, 0.003);
        EXPECT_GT(root.normalized().dot(tip.normalized()), 0.99) << "straight out";
        octants[(root.x() > 0 ? 1U : 0U) + (root.y() > 0 ? 2U : 0U) + (root.z() > 0 ? 4U : 0U)]++;
    }
    for (const size_t one : octants) {
        EXPECT_NEAR(static_cast<double>(one), 375, 40) << "as many on each eighth";
    }
    const StrandFacts facts = strand_facts(scene, scene.find_node("fur"));
    EXPECT_LT(facts.root_off_m, 1e-6);
    EXPECT_NEAR(facts.longest_m, 0.05, 0.001);
    EXPECT_EQ(facts.through, 0U);
    EXPECT_NEAR(facts.region_cm2, 4 * M_PI * 100, 15);
    // By density instead.
    const Scene dense = grown_on(sphere(), {{"per_cm2", 2.0}, {"points", 4}});
    EXPECT_NEAR(static_cast<double>(fur(dense).curve_count()), 2 * facts.region_cm2, 2);
}

TEST(Strands, TheSameSeedGivesTheSameBytesOnAnyNumberOfThreads) {
    const nlohmann::json growth = {
        {"count", 500}, {"clumps", 20}, {"fine_clumps", 60}, {"noise_mm", 3}, {"curl_mm", 2}};
    std::vector<Vec3f> first;
    for (const size_t threads : {1, 2, 8}) {
        const tbb::global_control limit(tbb::global_control::max_allowed_parallelism, threads);
        const Scene scene = grown_on(sphere(), growth);
        if (first.empty()) {
            first = fur(scene).points.get();
        }
        EXPECT_EQ(fur(scene).points.get(), first) << threads;
    }
    nlohmann::json other = growth;
    other["seed"] = 2;
    EXPECT_NE(fur(grown_on(sphere(), other)).points.get(), first);
    // A preview is a part of the same strands.
    nlohmann::json preview = growth;
    preview["share"] = 20;
    const Scene few = grown_on(sphere(), preview);
    EXPECT_NEAR(static_cast<double>(fur(few).curve_count()), 100, 40);
    std::set<std::array<float, 3>> roots;
    for (size_t c = 0; c < 500; ++c) {
        const Vec3f& root = first[c * 16];
        roots.insert({root.x(), root.y(), root.z()});
    }
    for (size_t c = 0; c < fur(few).curve_count(); ++c) {
        const Vec3f& root = fur(few).points[c * 16];
        EXPECT_EQ(roots.count({root.x(), root.y(), root.z()}), 1U);
    }
}

TEST(Strands, TwoEarsDoNotTakeEachOthersGuides) {
    // Two lobes that nearly touch, on one body: along the surface they are far from each other.
    std::vector<Vec3f> points;
    std::vector<uint32_t> indices;
    add_sphere({-0.051F, 1, 0}, 0.05F, points, indices);
    add_sphere({0.051F, 1, 0}, 0.05F, points, indices);
    Scene scene = surface_of(points, indices);
    // Left ones go up, right ones go ahead.
    nlohmann::json guides = nlohmann::json::array();
    for (const int side : {-1, 1}) {
        for (const double x : {0.02, 0.05, 0.08}) {
            const nlohmann::json tip = side < 0 ? nlohmann::json{0, 40, 0} : nlohmann::json{0, 0, 40};
            guides.push_back({{"root_mm", {side * x * 1000, 1050, 0}}, {"points_mm", {tip}}});
        }
    }
    const Scene grown = grown_on(scene, {{"count", 1000}, {"length_varies", 0}, {"trimmed", false}, {"points", 3}},
                                 {{"guides", guides}});
    const CurveSet& curves = fur(grown);
    ASSERT_GT(curves.curve_count(), 900U);
    const StrandSurface surface(grown, grown.find_node("body"));
    for (size_t c = 0; c < curves.curve_count(); ++c) {
        const Vec3 root = curves.points[c * 3].cast<double>();
        if (surface.normal_of(curves.roots[c]).y() < 0.8) {
            continue; // the guides' directions are turned with the normal: look on top alone
        }
        const Vec3 way = (curves.points[c * 3 + 2].cast<double>() - root).normalized();
        EXPECT_GT(root.x() < 0 ? way.y() : way.z(), 0.6) << root.transpose();
    }
    // And where no guide is at all, nothing grows.
    nlohmann::json left(guides.begin(), guides.begin() + 3);
    left = nlohmann::json::array({guides[0], guides[1], guides[2]});
    scene = done(scene, "strand_region", {{"name", "fur"}}).scene;
    scene = done(scene, "strand_guides", {{"guides", left}}).scene;
    const StepResult half = done(scene, "grow_strands", {{"count", 1000}});
    EXPECT_NEAR(static_cast<double>(fur(half.scene).curve_count()), 500, 30);
    ASSERT_EQ(half.could_not.size(), 1U);
    EXPECT_NE(half.could_not[0].find("no guide is reached"), std::string::npos);
}

/// A sphere whose texture coordinates are its x and z, from 0 to 1, and a map of clumps over them.
class ClumpMaps : public ::testing::Test {
  protected:
    void SetUp() override {
        scene_ = sphere();
        Mesh& mesh = scene_.meshes[0];
        std::vector<float> coordinates;
        for (const Vec3f& place : mesh.positions) {
            coordinates.push_back(place.x() / 0.2F + 0.5F);
            coordinates.push_back(place.z() / 0.2F + 0.5F);
        }
        mesh.attributes = {{"TEXCOORD_0", 2, coordinates}};
        mesh.primitives[0].attributes = {"TEXCOORD_0"};
        scene_ = done(scene_, "strand_region", {{"name", "fur"}}).scene;
        scene_ = done(scene_, "strand_guides", {{"spread", 40}, {"length_mm", 50}}).scene;
    }
    static std::string png(uint32_t width, uint32_t height, std::vector<uint8_t> samples) {
        Pixels pixels{width, height, 4, std::move(samples)};
        const std::vector<uint8_t> bytes = encode_image(pixels, "image/png").take();
        return {bytes.begin(), bytes.end()};
    }
    Result<StepResult> grown(const std::string& image, double share = 100) const {
        Step step{
            "grow_strands",
            {{"count", 2000}, {"points", 4}, {"clump", 1}, {"trimmed", false}, {"length_varies", 0}, {"share", share}}};
        step.parameters["clump_map"] = keep_data(step, image);
        return apply_step(scene_, step);
    }
    Scene scene_;
};

TEST_F(ClumpMaps, StrandsOfOneColourEndAtOnePlaceAndThoseOfNoneStayByThemselves) {
    // Left red, right blue; the far half is seen through.
    const std::string map = png(2, 2, {255, 0, 0, 255, 0, 0, 255, 255, 9, 9, 9, 0, 9, 9, 9, 0});
    const Result<StepResult> all = grown(map);
    ASSERT_TRUE(all) << all.problem().what;
    const CurveSet& curves = fur(all->scene);
    std::vector<Vec3f> ends[2];
    double closest = 1;
    std::vector<Vec3f> others;
    for (size_t c = 0; c < curves.curve_count(); ++c) {
        const Vec3f& root = curves.points[c * 4];
        const Vec3f& tip = curves.points[c * 4 + 3];
        if (std::abs(root.z()) < 0.004F || std::abs(root.x()) < 0.004F) {
            continue; // on the seam between colours
        }
        if (root.z() < 0) {
            ends[root.x() < 0 ? 0 : 1].push_back(tip);
        } else {
            others.push_back(tip);
        }
    }
    for (const std::vector<Vec3f>& side : ends) {
        ASSERT_GT(side.size(), 300U);
        for (const Vec3f& tip : side) {
            EXPECT_LT((tip - side.front()).norm(), 1e-5F);
        }
    }
    EXPECT_GT((ends[0].front() - ends[1].front()).norm(), 0.02F);
    ASSERT_GT(others.size(), 600U);
    for (size_t i = 1; i < others.size(); ++i) {
        closest = std::min(closest, static_cast<double>((others[i] - others[0]).norm()));
    }
    EXPECT_GT(closest, 1e-4) << "none of those is in a clump";
    // A preview has the same clumps.
    const Result<StepResult> some = grown(map, 20);
    ASSERT_TRUE(some);
    for (size_t c = 0; c < fur(some->scene).curve_count(); ++c) {
        const Vec3f& root = fur(some->scene).points[c * 4];
        if (root.z() < -0.004F && root.x() < -0.004F) {
            EXPECT_LT((fur(some->scene).points[c * 4 + 3] - ends[0].front()).norm(), 1e-5F);
        }
    }
}

TEST_F(ClumpMaps, WhatIsNoMapIsRefusedWithTheReason) {
    EXPECT_FALSE(grown("no image at all").ok());
    std::vector<uint8_t> smooth;
    for (uint32_t i = 0; i < 200 * 200; ++i) {
        smooth.insert(smooth.end(), {static_cast<uint8_t>(i & 255U), static_cast<uint8_t>(i >> 8), 0, 255});
    }
    const Result<StepResult> many = grown(png(200, 200, smooth));
    ASSERT_FALSE(many.ok());
    EXPECT_NE(many.problem().what.find("40000 colours"), std::string::npos) << many.problem().what;
    scene_.meshes[0].attributes.clear();
    scene_.meshes[0].primitives[0].attributes.clear();
    const Result<StepResult> bare = grown(png(1, 1, {1, 2, 3, 255}));
    ASSERT_FALSE(bare.ok());
    EXPECT_NE(bare.problem().what.find("texture coordinates"), std::string::npos);
}

TEST(Strands, ATriangleTurnsByTheRotationNearestToWhatCarriesIt) {
    std::mt19937 random(7);
    std::uniform_real_distribution<float> any(-1, 1);
    const auto place = [&] { return Vec3f(any(random), any(random), any(random)); };
    for (int round = 0; round < 200; ++round) {
        const std::vector<Vec3f> rest = {place(), place(), place()};
        const std::vector<Vec3f> now = {place(), place(), place()};
        const Scene scene = surface_of(rest, {0, 1, 2});
        const Mat3 turn = StrandSurface(scene, scene.find_node("body")).turn_of(0, now);
        // The sides and the normal, as long as the sides are, carried from rest to now.
        const auto sides = [](const std::vector<Vec3f>& at) {
            Mat3 all;
            all.col(0) = (at[1] - at[0]).cast<double>();
            all.col(1) = (at[2] - at[0]).cast<double>();
            const Vec3 across = all.col(0).cross(all.col(1));
            all.col(2) = across / std::sqrt(across.norm());
            return all;
        };
        const Mat3 carried = sides(now) * sides(rest).inverse();
        EXPECT_LT((turn - nearest_rotation(carried)).norm(), 1e-5) << "round " << round;
        EXPECT_LT((turn * turn.transpose() - Mat3::Identity()).norm(), 1e-12);
        EXPECT_NEAR(turn.determinant(), 1, 1e-12);
    }
    // Without an extent there is nothing to tell a turn by.
    const Scene flat = surface_of({Vec3f(0, 0, 0), Vec3f(1, 0, 0), Vec3f(0, 1, 0)}, {0, 1, 2});
    const std::vector<Vec3f> line = {Vec3f(0, 0, 0), Vec3f(1, 0, 0), Vec3f(2, 0, 0)};
    EXPECT_EQ(StrandSurface(flat, flat.find_node("body")).turn_of(0, line), Mat3(Mat3::Identity()));
}

TEST(Strands, NothingIsTakenAcrossAPartingAndRoundItsEndsItFades) {
    // Guides to the left on the left, to the right on the right, on top of the ball; the parting leads over the top.
    Scene scene = done(sphere(), "strand_region", {{"name", "fur"}}).scene;
    nlohmann::json guides = nlohmann::json::array();
    for (const int side : {-1, 1}) {
        for (const double z : {-40.0, 0.0, 40.0}) {
            guides.push_back({{"root_mm", {side * 30.0, 1000 + std::sqrt(1e4 - 900 - z * z), z}},
                              {"points_mm", {{side * 40.0, 10, 0}}}});
        }
    }
    scene = done(scene, "strand_guides", {{"guides", guides}}).scene;
    std::string line;
    for (int degrees = -70; degrees <= 70; degrees += 5) {
        const double angle = degrees * M_PI / 180;
        line += fmt::format("{}0 {:.3f} {:.3f}", line.empty() ? "" : ", ", 1000 + 100 * std::cos(angle),
                            100 * std::sin(angle));
    }
    const auto near_the_line = [&](const nlohmann::json& partings) {
        const Scene grown = done(scene, "grow_strands",
                                 {{"count", 3000},
                                  {"length_varies", 0},
                                  {"points", 2},
                                  {"trimmed", false},
                                  {"clumps", 12},
                                  {"clump", 0.8},
                                  {"partings", partings}})
                                .scene;
        const CurveSet& curves = fur(grown);
        size_t across = 0;
        size_t seen = 0;
        size_t behind = 0;
        for (size_t c = 0; c < curves.curve_count(); ++c) {
            const Vec3f root = curves.points[2 * c];
            const Vec3f way = curves.points[2 * c + 1] - root;
            if (std::abs(root.x()) < 0.02F && std::abs(root.x()) > 0.0005F && root.y() > 1.085F) {
                ++seen;
                // Sideways by its own side, whole; a mean of both sides goes up alone.
                across += way.x() * root.x() < 0 || std::abs(way.x()) < 0.025F ? 1 : 0;
            }
            behind += root.y() < 0.95F ? 1 : 0;
        }
        EXPECT_GT(seen, 30U);
        EXPECT_GT(behind, 250U) << "where no line is, they are reached round its ends";
        return static_cast<double>(across) / static_cast<double>(seen);
    };
    EXPECT_GT(near_the_line(nlohmann::json::array()), 0.2);
    EXPECT_LT(near_the_line({line}), 0.02) << "but for clumps whose centre stands beyond its ends";
    EXPECT_FALSE(apply_step(scene, "grow_strands", {{"partings", {"1 2 3"}}}).ok());
    EXPECT_FALSE(apply_step(scene, "grow_strands", {{"partings", {"1 2 3, 4 5"}}}).ok());
}

TEST(Strands, WidthsClumpsAndNoiseDoWhatTheySay) {
    const nlohmann::json plain = {{"count", 400}, {"length_varies", 0}, {"points", 11}};
    const CurveSet straight = fur(grown_on(sphere(), plain));
    nlohmann::json asked = plain;
    asked["width_root_mm"] = 2;
    asked["width_tip_mm"] = 0.5;
    asked["width_profile"] = {"1", "1", "0"};
    const CurveSet wide = fur(grown_on(sphere(), asked));
    EXPECT_FLOAT_EQ(wide.widths[0], 0.002F);
    EXPECT_FLOAT_EQ(wide.widths[5], 0.002F) << "as wide half way";
    EXPECT_FLOAT_EQ(wide.widths[10], 0.0005F);
    asked = plain;
    asked["clumps"] = 10;
    asked["clump"] = 1;
    const CurveSet clumped = fur(grown_on(sphere(), asked));
    std::set<std::array<int, 3>> tips;
    for (size_t c = 0; c < clumped.curve_count(); ++c) {
        EXPECT_EQ(clumped.points[c * 11], straight.points[c * 11]) << "roots stay";
        const Vec3f& tip = clumped.points[c * 11 + 10];
        tips.insert({static_cast<int>(std::lround(tip.x() * 1e4)), static_cast<int>(std::lround(tip.y() * 1e4)),
                     static_cast<int>(std::lround(tip.z() * 1e4))});
    }
    EXPECT_LE(tips.size(), 20U) << "tips of a clump meet";
    asked = plain;
    asked["noise_mm"] = 4;
    const CurveSet noisy = fur(grown_on(sphere(), asked));
    double most = 0;
    for (size_t p = 0; p < noisy.points.size(); ++p) {
        const double off = (noisy.points[p] - straight.points[p]).cast<double>().norm();
        most = std::max(most, off);
        if (p % 11 == 0) {
            EXPECT_EQ(off, 0);
        }
    }
    EXPECT_GT(most, 0.001);
    EXPECT_LT(most, 0.004 * std::sqrt(3) + 1e-9) << "never more than said, on each axis";
    EXPECT_FALSE(apply_step(sphere(), "grow_strands", {{"width_profile", {"2"}}}).ok());
    EXPECT_FALSE(apply_step(sphere(), "grow_strands", plain).ok()) << "no strands, no guides";
}

TEST(Strands, WhatWouldGoIntoTheBodyIsCutOrCounted) {
    // Guides that lean right over and into the ball.
    Scene scene = done(sphere(), "strand_region", {{"name", "fur"}}).scene;
    scene = done(scene, "strand_guides",
                 {{"guides", {{{"root_mm", {0, 1100, 0}}, {"points_mm", {{0, 10, 0}, {0, -60, 20}}}}}}})
                .scene;
    const Scene kept = done(scene, "grow_strands", {{"count", 200}, {"trimmed", false}, {"points", 24}}).scene;
    const StrandFacts into = strand_facts(kept, kept.find_node("fur"));
    EXPECT_GT(into.through, 150U);
    EXPECT_GT(into.deepest_m, 0.02);
    EXPECT_LT(into.deepest_m, 0.07);
    const StepResult cut = done(scene, "grow_strands", {{"count", 200}, {"points", 24}});
    EXPECT_NE(cut.account.find("cut short"), std::string::npos) << cut.account;
    const StrandFacts outside = strand_facts(cut.scene, cut.scene.find_node("fur"));
    EXPECT_EQ(outside.through, 0U);
    EXPECT_EQ(outside.strands, 200U);
}

TEST(Strands, TheyGoWithASkinThatMovesAndTheirRootsStay) {
    for (uint32_t seed = 1; seed <= std::min(20U, testing::seeds()); ++seed) {
        Scene scene = testing::random_skin(seed);
        if (scene.clips.empty() || surfaces_of(scene).empty()) {
            continue;
        }
        const std::string body = scene.nodes[static_cast<size_t>(surfaces_of(scene)[0])].name;
        scene = done(scene, "strand_region", {{"name", "fur"}, {"surface", body}}).scene;
        scene = done(scene, "strand_guides", {{"spread", 5}, {"length_mm", 80}}).scene;
        scene = done(scene, "grow_strands", {{"count", 60}, {"points", 6}, {"trimmed", false}}).scene;
        for (const char* follow : {"stiff", "surface", "joints"}) {
            const Scene bound = done(scene, "bind_strands", {{"follow", follow}}).scene;
            const StrandMotion motion = strand_motion(bound, bound.find_node("fur"), bound.clips[0], 5);
            EXPECT_LT(motion.root_drift_m, 2e-6) << follow << " " << seed;
            // Some of them alone are where they are among all; the others stay where they were.
            StrandDeformer deformer(bound, bound.find_node("fur"));
            Pose pose;
            Poser(bound, &bound.clips[0]).at(bound.clips[0].seconds / 2, pose);
            std::vector<Vec3f> all(deformer.point_count());
            std::vector<Vec3f> some(all.size(), Vec3f(7, 7, 7));
            deformer.points(pose, all);
            const std::vector<uint32_t> list = {4, 0, 11};
            deformer.points_of(pose, list, some);
            size_t same = 0;
            for (size_t p = 0; p < all.size(); ++p) {
                same += some[p] == all[p] ? 1 : 0;
                EXPECT_TRUE(some[p] == all[p] || some[p] == Vec3f(7, 7, 7));
            }
            EXPECT_EQ(same, 18U);
            if (std::string(follow) == "stiff") {
                EXPECT_LT(motion.length_change, 1e-4) << seed;
            }
        }
    }
}

TEST(Strands, OneWithoutPointsIsNoneAnywhere) {
    Scene scene = grown_on(sphere(), {{"count", 20}, {"points", 4}});
    CurveSet& curves = scene.curve_sets[0];
    curves.follow = StrandFollow::stiff;
    curves.counts.edit().push_back(0);
    curves.roots.edit().push_back({});
    const int node = scene.find_node("fur");
    StrandDeformer deformer(scene, node);
    std::vector<Vec3f> points(deformer.point_count());
    deformer.points(Poser(scene, nullptr).rest(), points);
    EXPECT_LT(deformer.root_drift_m(points), 1e-6);
    EXPECT_LT(strand_facts(scene, node).root_off_m, 1e-6);
    const StepResult cards = done(scene, "strand_cards", {{"segments", 3}});
    ASSERT_EQ(cards.could_not.size(), 1U) << "said of the one";
    EXPECT_EQ(rest_world(cards.scene).size(), scene.nodes.size() + 1);
}

TEST(Strands, StiffOnesTurnWithTheirFaceWithoutATwist) {
    // The whole ball is turned about an axis: strands turn with it, whichever way their faces' sides go.
    Scene scene = grown_on(sphere(), {{"count", 300}, {"noise_mm", 5}});
    scene.clips.resize(1);
    const int body = scene.find_node("body");
    const Quat half(Eigen::AngleAxisd(1.1, Vec3(1, 2, 3).normalized()));
    const Eigen::Vector4f q = half.coeffs().cast<float>();
    scene.clips[0].name = "turn";
    scene.clips[0].seconds = 1;
    scene.clips[0].channels.push_back({body,
                                       Path::rotation,
                                       Interpolation::linear,
                                       4,
                                       std::vector<float>{0, 1},
                                       std::vector<float>{0, 0, 0, 1, q[0], q[1], q[2], q[3]},
                                       {}});
    scene = done(scene, "bind_strands", {{"follow", "stiff"}}).scene;
    StrandDeformer deformer(scene, scene.find_node("fur"));
    Pose pose;
    const Poser poser(scene, &scene.clips[0]);
    poser.at(1, pose);
    std::vector<Vec3f> points(deformer.point_count());
    deformer.points(pose, points);
    const CurveSet& curves = fur(scene);
    for (size_t p = 0; p < points.size(); ++p) {
        const Vec3 wanted = half * curves.points[p].cast<double>();
        EXPECT_LT((points[p].cast<double>() - wanted).norm(), 1e-5) << p;
    }
}

TEST(Strands, ThoseOfOthersAreBroughtToSizeRootedAndGivenWidths) {
    // A hundred times too large, on their side, no widths.
    Scene scene = grown_on(sphere(), {{"count", 50}, {"points", 5}});
    const CurveSet right = fur(scene);
    CurveSet foreign;
    foreign.name = "plumes";
    foreign.counts = right.counts;
    std::vector<Vec3f> points;
    for (const Vec3f& point : right.points) {
        points.push_back(100.F * Vec3f(point.x(), -point.z(), point.y())); // Z is up there
    }
    foreign.points = std::move(points);
    Scene model = sphere();
    Node node;
    node.name = "plumes";
    node.kind = NodeKind::surface;
    node.curves = 0;
    model.curve_sets = {std::move(foreign)};
    model.nodes.push_back(std::move(node));
    const StepResult rooted = done(model, "root_strands", {{"factor", 0.01}, {"turn", "z_up"}, {"surface", "body"}});
    EXPECT_TRUE(rooted.could_not.empty()) << rooted.could_not[0];
    const CurveSet& now = rooted.scene.curve_sets[0];
    for (size_t p = 0; p < now.points.size(); ++p) {
        EXPECT_LT((now.points[p] - right.points[p]).norm(), 1e-5F);
    }
    const StrandFacts facts = strand_facts(rooted.scene, rooted.scene.find_node("plumes"));
    EXPECT_LT(facts.root_off_m, 1e-5);
    EXPECT_FALSE(facts.has_widths);
    const Scene wide = done(rooted.scene, "set_strand_widths", {{"root_mm", 1}, {"tip_mm", 0.2}}).scene;
    EXPECT_FLOAT_EQ(wide.curve_sets[0].widths[0], 0.001F);
    EXPECT_FLOAT_EQ(wide.curve_sets[0].widths[4], 0.0002F);
    // As they came, they are told to be far off.
    const StepResult off = done(model, "root_strands", {{"surface", "body"}});
    ASSERT_EQ(off.could_not.size(), 1U);
    EXPECT_NE(off.could_not[0].find("50 strands"), std::string::npos) << off.could_not[0];
    // And they may be guides of others.
    Scene more = done(rooted.scene, "strand_region", {{"name", "fur"}, {"surface", "body"}}).scene;
    const StepResult guided = done(more, "strand_guides", {{"strands", "fur"}, {"from", "plumes"}});
    EXPECT_EQ(fur(guided.scene).guide_counts.size(), 50U);
}

TEST(Strands, ARegionIsAPartOfTheSurface) {
    const Scene scene = sphere();
    const StepResult all = done(scene, "strand_region", {{"name", "fur"}});
    const StepResult cap = done(scene, "strand_region", {{"name", "fur"}, {"vertices", {"0-179"}}});
    double most = 0;
    double some = 0;
    for (const float one : fur(all.scene).region) {
        most += one;
    }
    for (const float one : fur(cap.scene).region) {
        some += one;
    }
    EXPECT_GT(some, 0);
    EXPECT_LT(some, most / 4);
    const Scene grown =
        done(done(cap.scene, "strand_guides", {{"spread", 3}}).scene, "grow_strands", {{"count", 200}}).scene;
    for (size_t c = 0; c < 200; ++c) {
        EXPECT_GT(fur(grown).points[c * 16].y(), 1.05F) << "on the cap";
    }
    EXPECT_FALSE(apply_step(scene, "strand_region", {{"name", "fur"}, {"material", "felt"}}).ok());
    EXPECT_FALSE(apply_step(scene, "strand_region", {{"name", "body"}}).ok()) << "that name is taken";
    EXPECT_FALSE(apply_step(scene, "strand_region", {{"name", "fur"}, {"density", "_wet"}}).ok());
}

TEST(Strands, GuidesOnTheCardComeBackAndWrongOnesAreRefused) {
    const nlohmann::json rows = {{{"root_mm", {1.5, 2, 3}}, {"points_mm", {{0, 10, 0}, {0, 20, 5.25}}}}};
    const auto read = guide_rows_from_json(rows);
    ASSERT_TRUE(read.ok());
    EXPECT_EQ(guide_rows_to_json(*read), nlohmann::json::parse(rows.dump()));
    for (const char* wrong : {"5", "[5]", "[{}]", R"([{"root_mm":[1,2],"points_mm":[[0,0,0]]}])",
                              R"([{"root_mm":[1,2,3]}])", R"([{"root_mm":[1,2,3],"points_mm":[[0,0,"x"]]}])"}) {
        EXPECT_FALSE(guide_rows_from_json(nlohmann::json::parse(wrong)).ok()) << wrong;
    }
}

/// A tube of rings along a circle in the XZ plane: all around (a torus), or a part of it, open at both ends.
Scene tube(double large, double small, double part) {
    constexpr uint32_t rings = 60;
    constexpr uint32_t sides = 24;
    const bool closed = part >= 1;
    std::vector<Vec3f> points;
    std::vector<uint32_t> indices;
    const uint32_t rows = closed ? rings : rings + 1;
    for (uint32_t r = 0; r < rows; ++r) {
        const double a = 2 * M_PI * part * r / rings;
        const Vec3 out(std::cos(a), 0, std::sin(a));
        for (uint32_t k = 0; k < sides; ++k) {
            const double b = 2 * M_PI * k / sides;
            points.push_back((large * out + small * (std::cos(b) * out + std::sin(b) * Vec3::UnitY())).cast<float>());
        }
    }
    for (uint32_t r = 0; r < rings; ++r) {
        for (uint32_t k = 0; k < sides; ++k) {
            const uint32_t a = r * sides + k;
            const uint32_t b = r * sides + (k + 1) % sides;
            const uint32_t c = (r + 1) % rows * sides + k;
            const uint32_t d = (r + 1) % rows * sides + (k + 1) % sides;
            indices.insert(indices.end(), {a, b, c, b, d, c});
        }
    }
    return surface_of(points, indices);
}

TEST(Strands, OnATorusAndABentTubeTheyStandOffTheCentreLineAsDenselyInsideTheBendAsOutside) {
    constexpr double large = 0.2;
    constexpr double small = 0.05;
    for (const double part : {1.0, 0.4}) {
        const Scene scene = grown_on(tube(large, small, part), {{"count", 4000}, {"length_varies", 0}, {"points", 4}},
                                     {{"spread", 60}, {"length_mm", 20}});
        const CurveSet& curves = fur(scene);
        EXPECT_GT(curves.curve_count(), 3950U);
        size_t outer = 0;
        for (size_t c = 0; c < curves.curve_count(); ++c) {
            const Vec3 root = curves.points[c * 4].cast<double>();
            const Vec3 tip = curves.points[c * 4 + 3].cast<double>();
            const Vec3 flat(root.x(), 0, root.z());
            const Vec3 centre = large * flat.normalized();
            EXPECT_NEAR((root - centre).norm(), small, 0.001);
            EXPECT_NEAR((tip - root).norm(), 0.02, 1e-4);
            EXPECT_GT((tip - root).normalized().dot((root - centre).normalized()), 0.97) << "straight off the tube";
            outer += flat.norm() > large ? 1 : 0;
        }
        // The outer half of a tube that is bent has more surface (Pappus): (pi R + 2 r) to (pi R - 2 r).
        const double share = (M_PI * large + 2 * small) / (2 * M_PI * large);
        EXPECT_NEAR(static_cast<double>(outer) / static_cast<double>(curves.curve_count()), share, 0.025) << part;
        EXPECT_LT(strand_facts(scene, scene.find_node("fur")).root_off_m, 1e-6);
    }
}

TEST(Strands, ThoseThatFollowTheSurfaceAreNotHeldByAPartThatOnlyLiesNearBy) {
    // A ball with fur, and one right beside it that goes away: the fur between the two stays with the first.
    std::vector<Vec3f> points;
    std::vector<uint32_t> indices;
    add_sphere({0, 1, 0}, 0.1F, points, indices);
    const auto first_of_other = static_cast<uint32_t>(points.size());
    add_sphere({0.215F, 1, 0}, 0.1F, points, indices);
    Scene scene = surface_of(points, indices);
    MorphTarget away;
    away.name = "away";
    std::vector<uint32_t> which;
    for (auto v = first_of_other; v < points.size(); ++v) {
        which.push_back(v);
    }
    away.positions = std::vector<Vec3f>(which.size(), Vec3f(2, 0, 0));
    away.points = std::move(which);
    scene.meshes[0].shapes = {std::move(away)};
    scene.meshes[0].shape_weights = {0};
    Clip clip;
    clip.name = "go";
    clip.seconds = 1;
    clip.rate = 10;
    clip.channels.push_back(
        {0, Path::weights, Interpolation::linear, 1, std::vector<float>{0, 1}, std::vector<float>{0, 1}, {}});
    scene.clips = {clip};
    std::vector<std::string> ball = {fmt::format("0-{}", first_of_other - 1)};
    scene = done(scene, "strand_region", {{"name", "fur"}, {"vertices", ball}}).scene;
    scene = done(scene, "strand_guides", {{"spread", 30}, {"length_mm", 14}}).scene;
    scene = done(scene, "grow_strands", {{"count", 800}, {"trimmed", false}, {"points", 6}}).scene;
    scene = done(scene, "bind_strands", {{"follow", "surface"}}).scene;
    const StrandMotion motion = strand_motion(scene, scene.find_node("fur"), scene.clips[0]);
    EXPECT_EQ(motion.change_mm.size(), 11U);
    EXPECT_LT(motion.length_change, 1e-3) << "none is drawn along";
    EXPECT_LT(motion.root_drift_m, 1e-6);
}

} // namespace
} // namespace wembrix
