#include "crest.h"

#include "core/measure/strands/strand_deform.h"
#include "core/measure/surface/first_weights.h"
#include "core/measure/surface/neighbours.h"
#include "core/steps/surface/vertex_ranges.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace wembrix::demo {

namespace {

using nlohmann::json;

/// Vertices of a surface that `is_in` takes, by where they are at rest; of the piece that is nearest to `near` only.
template <typename Test>
json ranges(const Scene& scene, const std::string& surface, const Vec3& near, const Test& is_in) {
    const int node = scene.find_node(surface);
    const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].mesh)];
    const Mat4 world = rest_world(scene)[static_cast<size_t>(node)];
    const Neighbours neighbours = neighbours_of(mesh);
    const Pieces pieces = pieces_of_spots(neighbours);
    double least = 1e300;
    uint32_t piece = 0;
    for (uint32_t v = 0; v < mesh.point_count(); ++v) {
        const double apart = (point_of(world, mesh.positions[v].cast<double>()) - near).norm();
        if (apart < least) {
            least = apart;
            piece = pieces.of[neighbours.spot[v]];
        }
    }
    std::set<uint32_t> chosen;
    for (uint32_t v = 0; v < mesh.point_count(); ++v) {
        const Vec3 at = point_of(world, mesh.positions[v].cast<double>());
        const Vec3 normal = mesh.normals.empty() ? Vec3(Vec3::Zero()) : Vec3(mesh.normals[v].cast<double>());
        if (pieces.of[neighbours.spot[v]] == piece && is_in(at, normal)) {
            chosen.insert(v);
        }
    }
    return vertex_ranges(chosen);
}

json millimetres(const Vec3& at) {
    json row = json::array();
    for (int k = 0; k < 3; ++k) {
        row.push_back(std::round(at[k] * 1e6) / 1e3);
    }
    return row;
}

/// One that rises by `lift` off the crown and falls back behind it, in four steps.
json guide(const Vec3& root, double length, double lift, double out) {
    json points = json::array();
    Vec3 at = Vec3::Zero();
    for (int p = 1; p <= 4; ++p) {
        const double angle = lift - 1.15 * (p - 0.5) / 4;
        const Vec3 way = Vec3(out * p / 4, std::sin(angle), -std::cos(angle)).normalized();
        at += way * length / 4;
        points.push_back(millimetres(at));
    }
    return {{"root_mm", millimetres(root)}, {"points_mm", points}};
}

} // namespace

std::vector<Step> strand_steps(const Scene& prepared) {
    const json crown = ranges(prepared, "tansy_body", {0.036, 1.328, 0.204}, [](const Vec3& at, const Vec3& normal) {
        return std::abs(at.x()) < 0.034 && at.y() > 1.54 && at.z() > 0.24 && at.z() < 0.35 && normal.y() > 0.25;
    });
    json guides = json::array();
    for (int row = 0; row < 4; ++row) {
        const double z = 0.335 - 0.026 * row;
        for (int side = -1; side <= 1; ++side) {
            const Vec3 root(side * 0.018, 1.572 - 0.006 * std::abs(side) - 0.55 * (0.335 - z), z);
            guides.push_back(guide(root, 0.118 + 0.012 * row, 0.95 - 0.1 * row, side * 0.18));
        }
    }
    const json fringe = ranges(prepared, "post_bag", {0, 0.705, 0.365},
                               [](const Vec3&, const Vec3& normal) { return normal.y() < -0.35; });
    std::vector<Step> steps = {
        {"strand_region", {{"name", "crest_strands"}, {"surface", "tansy_body"}, {"vertices", crown}}},
        {"strand_guides", {{"strands", "crest_strands"}, {"guides", guides}}},
        {"grow_strands",
         {{"strands", "crest_strands"},
          {"count", 1200},
          {"points", 16},
          {"length_varies", 0.12},
          {"width_root_mm", 0.9},
          {"width_tip_mm", 0.1},
          {"clumps", 18},
          {"clump", 0.6},
          {"noise_mm", 3},
          {"noise_wave_mm", 22},
          {"lift_deg", 6},
          {"seed", 7}}},
        {"bind_strands", {{"strands", "crest_strands"}, {"follow", "stiff"}}},
        {"strand_region", {{"name", "bag_fringe"}, {"surface", "post_bag"}, {"vertices", fringe}}},
        {"strand_guides",
         {{"strands", "bag_fringe"}, {"spread", 24}, {"length_mm", 34}, {"lean_deg", 20}, {"points", 4}}},
        {"grow_strands",
         {{"strands", "bag_fringe"},
          {"count", 400},
          {"points", 8},
          {"width_root_mm", 1.2},
          {"width_tip_mm", 0.8},
          {"noise_mm", 1},
          {"trimmed", true}}},
        {"bind_strands", {{"strands", "bag_fringe"}, {"follow", "surface"}}},
        {"cache_strands", {{"strands", "crest_strands"}, {"clips", {"shake_off"}}}},
        {"cache_strands", {{"strands", "bag_fringe"}, {"clips", {"shake_off"}}, {"every", 2}}},
        {"strand_cards", {{"strands", "crest_strands"}, {"name", "crest_cards"}, {"triangles", 600}, {"segments", 5}}},
    };
    steps.back().on = false; // from afar: to be switched on where the crest is to go out as cards
    return steps;
}

Scene simulated_crest(const Scene& prepared) {
    constexpr int frames = 60;
    constexpr uint32_t every = 6; // strands
    const int node = prepared.find_node("crest_strands");
    const CurveSet& crest = prepared.curve_sets[static_cast<size_t>(prepared.nodes[static_cast<size_t>(node)].curves)];
    StrandDeformer deformer(prepared, node);
    const Poser poser(prepared, prepared.find_clip("shake_off"));
    std::vector<Vec3f> places(deformer.point_count());
    // Her own file is in centimetres that it calls metres; this one is 100 times as large again, and on its side.
    const auto faulty = [](const Vec3f& at) { return Vec3f(10000 * Vec3f(at.x(), -at.z(), at.y())); };
    const auto put = [&](std::vector<Vec3f>& to) {
        size_t at = 0;
        for (size_t c = 0; c < crest.curve_count(); ++c) {
            for (uint32_t p = 0; p < crest.counts[c] && c % every == 0; ++p) {
                to.push_back(faulty(places[at + p]));
            }
            at += crest.counts[c];
        }
    };
    Scene scene;
    CurveSet curves;
    curves.name = "crest_simulated";
    std::vector<uint32_t> counts;
    for (size_t c = 0; c < crest.curve_count(); c += every) {
        counts.push_back(crest.counts[c]);
    }
    curves.counts = std::move(counts);
    Pose pose = poser.rest();
    deformer.points(pose, places);
    std::vector<Vec3f> at_rest;
    put(at_rest);
    curves.points = std::move(at_rest);
    PointCache cache;
    cache.name = "simulated";
    cache.rate = 30;
    cache.frames = frames;
    cache.surface = 0;
    std::vector<Vec3f> positions;
    std::vector<Vec3f> late = places; // tips come after the roots, as what hangs does
    for (int f = 0; f < frames; ++f) {
        poser.at(f / 30.0, pose);
        deformer.points(pose, places);
        size_t at = 0;
        for (const uint32_t count : crest.counts) {
            for (uint32_t p = 0; p < count; ++p) {
                const float along = static_cast<float>(p) / static_cast<float>(count - 1);
                const float keeps = f == 0 ? 0 : 0.55F * along * along;
                late[at + p] = keeps * late[at + p] + (1 - keeps) * places[at + p];
            }
            at += count;
        }
        places = late;
        put(positions);
    }
    cache.positions = std::move(positions);
    Node carrier;
    carrier.name = "crest_simulated";
    carrier.kind = NodeKind::surface;
    carrier.curves = 0;
    carrier.identity = 1;
    scene.nodes = {carrier};
    scene.curve_sets = {std::move(curves)};
    scene.caches = {std::move(cache)};
    return scene;
}

} // namespace wembrix::demo
