// Weights in the wrong place: vertices that nothing holds, strays, sides that hold unlike, doubles that would split.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/surface/neighbours.h"
#include "core/measure/surface/stray_weights.h"
#include "core/measure/surface/surface_mirror.h"
#include "core/measure/surface/weight_rows.h"
#include "core/measure/surface/weights.h"
#include "core/steps/names.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace wembrix {

namespace {

std::vector<int> skinned_surfaces(const Scene& scene) {
    std::vector<int> surfaces = surfaces_of(scene);
    std::erase_if(surfaces, [&](int surface) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        return node.skin < 0 || node.influences.empty();
    });
    return surfaces;
}

/// The largest difference of a joint's weight between two rows.
double unlike(const WeightRow& a, const WeightRow& b) {
    double most = 0;
    for (const Weight& one : a) {
        most = std::max(most, std::abs(one.weight - weight_in(b, one.joint)));
    }
    for (const Weight& one : b) {
        most = std::max(most, std::abs(one.weight - weight_in(a, one.joint)));
    }
    return most;
}

std::vector<uint32_t> worst_first(std::vector<std::pair<double, uint32_t>> vertices) {
    std::stable_sort(vertices.begin(), vertices.end(), [](const auto& a, const auto& b) { return a.first > b.first; });
    std::vector<uint32_t> in_order;
    for (const auto& [how_bad, vertex] : vertices) {
        in_order.push_back(vertex);
    }
    return in_order;
}

} // namespace

std::vector<Finding> find_unheld_vertices(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const int surface : skinned_surfaces(context.scene)) {
        const Node& node = context.scene.nodes[static_cast<size_t>(surface)];
        const size_t unheld = weight_sums_of(node.influences).unheld;
        if (unheld == 0) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = node.name;
        finding.nodes = {node.name};
        finding.message = phrase("{} of “{}” without weights", counted(unheld, "vertex"), node.name);
        finding.reason = "They stay behind at the origin of the surface when the character moves.";
        std::vector<uint32_t> vertices = vertices_off_sum(node.influences);
        WeightRow row;
        std::erase_if(vertices, [&](uint32_t vertex) {
            read_row(node.influences, vertex, row);
            return !row.empty();
        });
        finding.point_at(node.name, std::move(vertices));
        finding.step = Step{"smooth_weights", {{"surfaces", {node.name}}, {"fill", true}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_stray_weights(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const int surface : skinned_surfaces(context.scene)) {
        const Node& node = context.scene.nodes[static_cast<size_t>(surface)];
        const std::vector<StrayIsland> islands = stray_weights(context.scene, surface);
        if (islands.empty()) {
            continue;
        }
        const StrayIsland& worst =
            *std::max_element(islands.begin(), islands.end(),
                              [](const StrayIsland& a, const StrayIsland& b) { return a.heaviest < b.heaviest; });
        const Skin& skin = context.scene.skins[static_cast<size_t>(node.skin)];
        const std::string& joint = context.scene.nodes[static_cast<size_t>(skin.joints[worst.joint])].name;
        Finding finding;
        finding.grade = Grade::look;
        finding.where = node.name;
        finding.nodes = {node.name, joint};
        finding.message =
            phrase("{} of weight on “{}”",
                   (islands.size() == 1 ? Text("1 stray") : phrase("{} strays", islands.size())), node.name);
        finding.reason = phrase("{} has weights of up to {:.2f} on {}, {} away from its other vertices (vertex {}).",
                                joint, worst.heaviest, counted(worst.vertices.size(), "vertex"),
                                worst.distance_m < 1 ? phrase("{:.3g} mm", worst.distance_m * 1000)
                                                     : phrase("{:.3g} m", worst.distance_m),
                                worst.vertices.front());
        finding.point_at(node.name, worst.vertices);
        finding.step = Step{"prune_weights", {{"strays", true}, {"below", 0}, {"surfaces", {node.name}}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_unlike_weights(const FindingContext& context) {
    const Scene& scene = context.scene;
    const Sides sides = find_sides(scene);
    if (sides.pairs.empty()) {
        return {};
    }
    const std::vector<int> other = mirrored_joints(scene, sides);
    const double tolerance = std::max(1e-6, height_m(scene) * 1e-3);
    std::vector<Finding> findings;
    for (const int surface : skinned_surfaces(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        const SurfaceMirror mirror = mirror_of_surface(scene, surface, sides, tolerance);
        // Of a surface that is not made alike on both sides nothing can be said.
        if (mirror.answers.empty() || mirror.unanswered * 10 > mirror.answers.size()) {
            continue;
        }
        const std::vector<int>& joints = scene.skins[static_cast<size_t>(node.skin)].joints;
        std::map<int, uint16_t> places;
        for (size_t j = 0; j < joints.size(); ++j) {
            places[joints[j]] = static_cast<uint16_t>(j);
        }
        std::vector<std::pair<double, uint32_t>> vertices;
        double worst = 0;
        uint32_t worst_at = 0;
        WeightRow own;
        WeightRow answer;
        WeightRow swapped;
        for (size_t v = 0; v < mirror.answers.size(); ++v) {
            const uint32_t to = mirror.answers[v];
            if (to == SurfaceMirror::none || mirror.left_m[v] <= 0 || to == v) {
                continue;
            }
            read_row(node.influences, v, own);
            read_row(node.influences, to, answer);
            swapped.clear();
            for (const Weight& one : answer) {
                const auto place = places.find(other[static_cast<size_t>(joints[one.joint])]);
                add_weight(swapped, place == places.end() ? uint16_t(0xFFFF) : place->second, one.weight);
            }
            const double apart = unlike(own, swapped);
            if (apart > 0.05) {
                vertices.emplace_back(apart, static_cast<uint32_t>(v));
                worst_at = apart > worst ? static_cast<uint32_t>(v) : worst_at;
                worst = std::max(worst, apart);
            }
        }
        if (vertices.empty()) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::note;
        finding.where = node.name;
        finding.nodes = {node.name};
        finding.message = phrase("Weights on the left and right of “{}” differ", node.name);
        finding.reason = phrase("{} on the left differ from what answers them by more than 0.05, at most {:.2f} "
                                "(vertex {}).",
                                counted(vertices.size(), "vertex"), worst, worst_at);
        finding.point_at(node.name, worst_first(std::move(vertices)));
        finding.step =
            Step{"mirror_weights",
                 {{"from", "left"}, {"surfaces", {node.name}}, {"tolerance_mm", std::round(tolerance * 1e5) / 100}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_splitting_doubles(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const int surface : skinned_surfaces(context.scene)) {
        const Node& node = context.scene.nodes[static_cast<size_t>(surface)];
        const Neighbours neighbours = neighbours_of(context.scene.meshes[static_cast<size_t>(node.mesh)]);
        if (neighbours.spots() == neighbours.spot.size()) {
            continue;
        }
        std::vector<std::pair<double, uint32_t>> split;
        double worst = 0;
        uint32_t worst_at = 0;
        WeightRow own;
        WeightRow first;
        for (size_t v = 0; v < neighbours.spot.size(); ++v) {
            const uint32_t of = neighbours.first[neighbours.spot[v]];
            if (of == v) {
                continue;
            }
            read_row(node.influences, v, own);
            read_row(node.influences, of, first);
            const double apart = unlike(own, first);
            if (apart > 0.01) {
                split.emplace_back(apart, static_cast<uint32_t>(v));
                worst_at = apart > worst ? static_cast<uint32_t>(v) : worst_at;
                worst = std::max(worst, apart);
            }
        }
        if (split.empty()) {
            continue;
        }
        Finding finding;
        finding.grade = Grade::look;
        finding.where = node.name;
        finding.nodes = {node.name};
        finding.message = phrase("“{}” opens at {} when it moves", node.name, counted(split.size(), "vertex"));
        finding.reason = phrase("They lie at the same position as others and have other weights, by up to {:.2f} "
                                "(vertex {}).",
                                worst, worst_at);
        finding.point_at(node.name, worst_first(std::move(split)));
        finding.step = Step{"smooth_weights", {{"amount", 0}, {"passes", 1}, {"surfaces", {node.name}}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
