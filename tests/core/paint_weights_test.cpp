// Weights by hand: what a brush does, and that a stroke comes back on the surface whatever becomes of it.
#include "core/job/card_edits.h"
#include "core/measure/surface/deform.h"
#include "core/measure/surface/vertex_choice.h"
#include "core/steps/step_data.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/weight_brush.h"
#include "random_rig.h"
#include "random_skin.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace wembrix {
namespace {

using testing::random_skin;

struct Painted {
    std::shared_ptr<const Scene> scene;
    int node = 0;
    std::vector<Vec3f> points;
    std::vector<Vec3f> normals;

    explicit Painted(uint32_t seed, bool symmetric = false) {
        testing::SkinOptions options;
        options.symmetric = symmetric;
        scene = std::make_shared<const Scene>(random_skin(seed, options));
        node = surfaces_of(*scene)[0];
        Deformer deformer(*scene, {node});
        points.resize(deformer.point_count());
        normals.resize(deformer.point_count());
        deformer.points_and_normals(Poser(*scene, nullptr).rest(), points, normals);
    }
    [[nodiscard]] const Influences& rows() const { return scene->nodes[static_cast<size_t>(node)].influences; }
    [[nodiscard]] const Skin& skin() const {
        return scene->skins[static_cast<size_t>(scene->nodes[static_cast<size_t>(node)].skin)];
    }
    [[nodiscard]] Dab at(uint32_t vertex) const {
        Dab dab;
        dab.at = points[vertex];
        dab.vertex = vertex;
        return dab;
    }
};

double sum_of(const WeightRow& row) {
    double sum = 0;
    for (const Weight& one : row) {
        sum += one.weight;
    }
    return sum;
}

TEST(WeightBrush, SumsStayOneAndLockedJointsStayAsTheyAreWhateverIsPainted) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(60); ++seed) {
        const Painted on(seed);
        WeightBrush brush(on.scene, on.node);
        std::mt19937 random(seed);
        const std::vector<int>& joints = on.skin().joints;
        const int locked = joints[random() % joints.size()];
        brush.lock({locked});
        const uint16_t locked_place = *brush.place_of(locked);
        std::set<uint32_t> touched;
        for (int i = 0; i < 12; ++i) {
            BrushSettings settings;
            settings.mode = static_cast<BrushMode>(random() % 5);
            settings.falloff = static_cast<BrushFalloff>(random() % 3);
            settings.radius_m = 0.05 + 0.01 * static_cast<double>(random() % 40);
            settings.strength = 0.01 * static_cast<double>(1 + random() % 100);
            settings.value = 0.1 * static_cast<double>(random() % 11);
            settings.through = random() % 2 == 0;
            settings.mirrored = random() % 2 == 0;
            const std::vector<uint32_t> here = brush.dab(joints[random() % joints.size()], settings,
                                                         on.at(random() % on.points.size()), on.points, on.normals);
            touched.insert(here.begin(), here.end());
        }
        WeightRow before;
        for (uint32_t v = 0; v < brush.vertices(); ++v) {
            read_row(on.rows(), v, before);
            const WeightRow& now = brush.row(v);
            ASSERT_NEAR(sum_of(now), sum_of(before), 1e-6) << "seed " << seed;
            ASSERT_NEAR(weight_in(now, locked_place), weight_in(before, locked_place), 1e-6) << "seed " << seed;
            if (!touched.contains(v)) {
                ASSERT_EQ(now.size(), before.size());
            }
            for (const Weight& one : now) {
                ASSERT_GT(one.weight, 0);
            }
        }
        const PaintedRows stroke = brush.take_stroke();
        EXPECT_EQ(stroke.size(), touched.size());
        EXPECT_TRUE(brush.take_stroke().empty());
    }
}

TEST(WeightBrush, EachModeDoesWhatItSays) {
    const Painted on(3);
    const int joint = on.skin().joints[2];
    uint32_t vertex = 0;
    WeightRow row;
    for (uint32_t v = 0; v < on.points.size(); ++v) { // one that this joint holds in part
        read_row(on.rows(), v, row);
        const double weight = weight_in(row, 2);
        if (weight > 0.3 && weight < 0.6) {
            vertex = v;
        }
    }
    read_row(on.rows(), vertex, row);
    const double was = weight_in(row, 2);
    ASSERT_GT(was, 0.3);
    const auto painted = [&](BrushMode mode, double value) {
        WeightBrush brush(on.scene, on.node);
        BrushSettings settings;
        settings.mode = mode;
        settings.strength = 0.2;
        settings.value = value;
        settings.radius_m = 1e-4;
        brush.dab(joint, settings, on.at(vertex), on.points, on.normals);
        return weight_in(brush.row(vertex), 2);
    };
    EXPECT_NEAR(painted(BrushMode::add, 0), was + 0.2, 1e-6);
    EXPECT_NEAR(painted(BrushMode::subtract, 0), was - 0.2, 1e-6);
    EXPECT_NEAR(painted(BrushMode::set, 1), was + (1 - was) * 0.2, 1e-6);
    EXPECT_NEAR(painted(BrushMode::scale, 0.5), was * 0.9, 1e-6);
    WeightBrush brush(on.scene, on.node);
    double mean = 0;
    const std::span<const uint32_t> around = brush.neighbours().of(brush.neighbours().spot[vertex]);
    for (const uint32_t spot : around) {
        mean += weight_in(brush.row(brush.neighbours().first[spot]), 2) / static_cast<double>(around.size());
    }
    EXPECT_NEAR(painted(BrushMode::smooth, 0), was + (mean - was) * 0.2, 1e-6);
}

TEST(WeightBrush, OnlyWhatHangsTogetherAndFacesTheEyeIsPaintedUnlessItGoesThrough) {
    const Painted on(5);
    BrushSettings settings;
    settings.radius_m = 1;
    settings.strength = 1;
    settings.mode = BrushMode::set;
    Dab dab = on.at(0);
    dab.eye = dab.at + on.normals[0] * 10;
    WeightBrush seen(on.scene, on.node);
    const std::vector<uint32_t> in_sight = seen.dab(on.skin().joints[1], settings, dab, on.points, on.normals);
    for (const uint32_t vertex : in_sight) {
        EXPECT_GT(on.normals[vertex].dot(*dab.eye - on.points[vertex]), 0);
    }
    WeightBrush through(on.scene, on.node);
    settings.through = true;
    const std::vector<uint32_t> all = through.dab(on.skin().joints[1], settings, dab, on.points, on.normals);
    EXPECT_GT(all.size(), in_sight.size());
    EXPECT_FALSE(in_sight.empty());
}

TEST(WeightBrush, BothSidesGetTheSame) {
    const Painted on(8, true);
    const Sides sides = find_sides(*on.scene);
    ASSERT_FALSE(sides.pairs.empty());
    const int left = sides.pairs[0].left;
    const SurfaceMirror mirror = mirror_of_surface(*on.scene, on.node, sides, 1e-3);
    WeightBrush brush(on.scene, on.node);
    BrushSettings settings;
    settings.mirrored = true;
    settings.radius_m = 0.2;
    uint32_t middle = 0;
    for (uint32_t v = 0; v < on.points.size(); ++v) {
        middle = mirror.left_m[v] > mirror.left_m[middle] ? v : middle;
    }
    const std::vector<uint32_t> touched = brush.dab(left, settings, on.at(middle), on.points, on.normals);
    ASSERT_GT(touched.size(), 4U);
    for (const uint32_t vertex : touched) {
        const uint32_t answer = mirror.answers[vertex];
        ASSERT_NE(answer, SurfaceMirror::none);
        EXPECT_NEAR(weight_in(brush.row(vertex), *brush.place_of(left)),
                    weight_in(brush.row(answer), *brush.place_of(sides.pairs[0].right)), 1e-5);
    }
}

/// A stroke on the surface, as a step.
Step stroke_on(const Painted& on, uint32_t middle, double radius_m = 0.3) {
    WeightBrush brush(on.scene, on.node);
    BrushSettings settings;
    settings.mode = BrushMode::set;
    settings.strength = 1;
    settings.falloff = BrushFalloff::hard;
    settings.radius_m = radius_m;
    brush.dab(on.skin().joints[1], settings, on.at(middle), on.points, on.normals);
    bool into = false;
    return step_with_stroke(nullptr, brush, brush.take_stroke(), into);
}

TEST(PaintedWeights, AStrokeComesBackAsItWasPainted) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(20); ++seed) {
        const Painted on(seed);
        WeightBrush brush(on.scene, on.node);
        BrushSettings settings;
        settings.radius_m = 0.25;
        brush.dab(on.skin().joints[1], settings, on.at(seed * 3), on.points, on.normals);
        bool into = true;
        const Step step = step_with_stroke(nullptr, brush, brush.take_stroke(), into);
        EXPECT_FALSE(into);
        const Result<StepResult> result = apply_step(*on.scene, step);
        ASSERT_TRUE(result.ok()) << result.problem().sentence();
        EXPECT_TRUE(result->could_not.empty());
        EXPECT_NE(result->account.find("each where it was"), std::string::npos) << result->account;
        const Influences& rows = result->scene.nodes[static_cast<size_t>(on.node)].influences;
        WeightRow row;
        for (uint32_t v = 0; v < brush.vertices(); ++v) {
            read_row(rows, v, row);
            for (const Weight& one : brush.row(v)) {
                ASSERT_NEAR(weight_in(row, one.joint), one.weight, 2e-7) << "seed " << seed << " vertex " << v;
            }
        }
    }
}

TEST(PaintedWeights, StrokesOnTheSameSurfaceGoIntoOneStepAndOnAnotherIntoTheirOwn) {
    const Painted on(2);
    Job job;
    WeightBrush brush(on.scene, on.node);
    BrushSettings settings;
    settings.radius_m = 0.2;
    const auto paint = [&](uint32_t vertex) {
        brush.dab(on.skin().joints[1], settings, on.at(vertex), on.points, on.normals);
        keep_stroke(job, brush, brush.take_stroke());
    };
    paint(3);
    paint(40);
    ASSERT_EQ(job.steps.size(), 1U);
    EXPECT_EQ(job.steps[0].parameters["strokes"].size(), 2U);
    EXPECT_EQ(data_names(job.steps[0]).size(), 3U) << "two strokes and the surface";
    job.steps[0].on = false;
    paint(20);
    EXPECT_EQ(job.steps.size(), 2U) << "one that is off takes nothing up";
    job.steps.push_back({"ground"});
    paint(25);
    EXPECT_EQ(job.steps.size(), 4U) << "nor does one that others stand behind";
}

TEST(PaintedWeights, ASurfaceThatWasReshapedIsFollowedByTheOrderOfItsVertices) {
    const Painted on(4);
    const Step step = stroke_on(on, 10);
    Scene other = *on.scene;
    for (Vec3f& place : other.meshes[0].positions.edit()) {
        place *= 1.5F;
    }
    const Result<StepResult> result = apply_step(other, step);
    ASSERT_TRUE(result.ok());
    EXPECT_NE(result->account.find("by the order"), std::string::npos) << result->account;
    const Result<StepResult> same = apply_step(*on.scene, step);
    EXPECT_EQ(result->scene.nodes[static_cast<size_t>(on.node)].influences.weights.get(),
              same->scene.nodes[static_cast<size_t>(on.node)].influences.weights.get());
}

TEST(PaintedWeights, ASurfaceWithOtherVerticesIsFollowedByPlace) {
    const Painted on(6);
    const Step step = stroke_on(on, 30);
    const Result<StepResult> as_painted = apply_step(*on.scene, step);
    ASSERT_TRUE(as_painted.ok());
    // The same surface, its vertices the other way round.
    Scene turned = *on.scene;
    Mesh& mesh = turned.meshes[0];
    const auto count = static_cast<uint32_t>(mesh.point_count());
    Node& node = turned.nodes[static_cast<size_t>(on.node)];
    InfluencesBuilder rows(count);
    WeightRow row;
    for (uint32_t v = 0; v < count; ++v) {
        mesh.positions.edit()[v] = on.scene->meshes[0].positions[count - 1 - v];
        read_row(on.rows(), count - 1 - v, row);
        rows.add(row);
    }
    node.influences = rows.take();
    for (uint32_t& index : mesh.indices.edit()) {
        index = count - 1 - index;
    }
    const Result<StepResult> result = apply_step(turned, step);
    ASSERT_TRUE(result.ok());
    EXPECT_NE(result->account.find("by place"), std::string::npos) << result->account;
    EXPECT_TRUE(result->could_not.empty());
    WeightRow expected;
    size_t alike = 0;
    for (uint32_t v = 0; v < count; ++v) {
        read_row(result->scene.nodes[static_cast<size_t>(on.node)].influences, v, row);
        read_row(as_painted->scene.nodes[static_cast<size_t>(on.node)].influences, count - 1 - v, expected);
        alike += std::abs(weight_in(row, 1) - weight_in(expected, 1)) < 1e-4 ? 1 : 0;
    }
    EXPECT_GE(alike, count - 4) << "a vertex doubled at a seam may take its twin's";
    // Half of the surface is gone: so is a part of what was painted, and it says so.
    Scene half = turned;
    std::vector<uint32_t> kept;
    const std::vector<uint32_t> all = half.meshes[0].indices.get();
    for (size_t i = 0; i + 2 < all.size(); i += 3) {
        if (half.meshes[0].positions[all[i]].x() > on.points[30].x()) {
            kept.insert(kept.end(), all.begin() + static_cast<ptrdiff_t>(i),
                        all.begin() + static_cast<ptrdiff_t>(i) + 3);
        }
    }
    half.meshes[0].primitives.resize(1);
    half.meshes[0].primitives[0].index_count = static_cast<uint32_t>(kept.size());
    half.meshes[0].indices = kept;
    const Result<StepResult> part = apply_step(half, step);
    ASSERT_TRUE(part.ok());
    ASSERT_EQ(part->could_not.size(), 1U);
    EXPECT_NE(part->could_not[0].find("could not be found again"), std::string::npos);
}

TEST(PaintedWeights, WithoutItsArraysOrWithBrokenOnesTheStepSaysSo) {
    const Painted on(1);
    Step step = stroke_on(on, 5);
    Step without = step;
    without.data.clear();
    const Result<StepResult> missing = apply_step(*on.scene, without);
    ASSERT_FALSE(missing.ok());
    EXPECT_NE(missing.problem().what.find("is not there"), std::string::npos);
    for (auto& [name, bytes] : step.data) {
        for (size_t keep = 0; keep < bytes->size(); keep += 1 + bytes->size() / 50) {
            Step cut = step;
            cut.data[name] = std::make_shared<const std::string>(bytes->substr(0, keep));
            EXPECT_FALSE(apply_step(*on.scene, cut).ok()) << keep;
        }
    }
    Step no_hash = step;
    no_hash.parameters["strokes"] = {"../../etc/passwd"};
    EXPECT_FALSE(apply_step(*on.scene, no_hash).ok());
    EXPECT_TRUE(data_names(no_hash).empty());
}

TEST(PaintedWeights, AnyBytesAreReadOrRefused) {
    const Painted on(1);
    const Step step = stroke_on(on, 5);
    std::mt19937 random(7);
    size_t refused = 0;
    for (int i = 0; i < 3000; ++i) {
        Step other = step;
        auto at = other.data.begin();
        std::advance(at, random() % other.data.size());
        std::string bytes = *at->second;
        for (size_t k = 0; k <= random() % 4; ++k) {
            bytes[random() % bytes.size()] = static_cast<char>(random());
        }
        at->second = std::make_shared<const std::string>(std::move(bytes));
        const Result<StepResult> result = apply_step(*on.scene, other);
        if (!result.ok()) {
            ++refused;
            continue;
        }
        for (const float weight : result->scene.nodes[static_cast<size_t>(on.node)].influences.weights) {
            ASSERT_TRUE(weight >= 0 && weight <= 1.0001F);
        }
    }
    EXPECT_GT(refused, 100U);
    EXPECT_LT(refused, 3000U);
}

TEST(VertexChoice, GrowsByARingShrinksBackAndGoesRoundInALoop) {
    const Painted on(9);
    const Mesh& mesh = on.scene->meshes[0];
    const Neighbours neighbours = neighbours_of(mesh);
    const uint32_t start = static_cast<uint32_t>(mesh.point_count() / 2);
    const VertexChoice one = {start};
    const VertexChoice ring = grown(neighbours, one);
    std::set<uint32_t> expected = {neighbours.spot[start]};
    for (const uint32_t next : neighbours.of(neighbours.spot[start])) {
        expected.insert(next);
    }
    std::set<uint32_t> spots;
    for (const uint32_t vertex : ring) {
        spots.insert(neighbours.spot[vertex]);
    }
    EXPECT_EQ(spots, expected);
    const VertexChoice back = shrunk(neighbours, ring);
    EXPECT_TRUE(back.contains(start));
    EXPECT_LT(back.size(), ring.size());
    EXPECT_TRUE(looped(mesh, neighbours, one).size() <= 2) << "one alone goes nowhere";
    // Along a ring of the body it comes back to where it began: all of the loop lies in one plane across X.
    for (const uint32_t next : neighbours.of(neighbours.spot[start])) {
        const uint32_t vertex = neighbours.first[next];
        if (std::abs(mesh.positions[vertex].x() - mesh.positions[start].x()) < 1e-4F) {
            const VertexChoice loop = looped(mesh, neighbours, {start, vertex});
            EXPECT_GE(loop.size(), 5U);
            for (const uint32_t on_it : loop) {
                EXPECT_NEAR(mesh.positions[on_it].x(), mesh.positions[start].x(), 1e-3F);
            }
            return;
        }
    }
    FAIL() << "the surface has no ring there";
}

} // namespace
} // namespace wembrix
