// Weights: sums that are not 1, more holders than a destination takes, a root that holds points.
#include "core/measure/surface/weights.h"
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/surface/first_weights.h"
#include "core/steps/names.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

std::vector<Finding> find_weight_sums(const FindingContext& context) {
    Finding finding;
    finding.grade = Grade::look;
    WeightSums all;
    for (const int surface : surfaces_of(context.scene)) {
        const Node& node = context.scene.nodes[surface];
        if (node.skin < 0) {
            continue;
        }
        const WeightSums sums = weight_sums_of(node.influences);
        if (sums.points > 0) {
            finding.nodes.push_back(node.name);
            if (finding.vertices.empty()) {
                finding.point_at(node.name, vertices_off_sum(node.influences));
            }
            all.points += sums.points;
            all.unheld += sums.unheld;
            all.lowest = std::min(all.lowest, sums.lowest);
            all.highest = std::max(all.highest, sums.highest);
        }
    }
    if (all.points == 0) {
        return {};
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message = phrase("Weights of {} do not sum to 1", counted(all.points, "vertex"));
    finding.reason = phrase("They sum to {:.3g} to {:.3g} on {}; an engine that takes them as they are pulls the "
                            "surface towards the origin.",
                            all.lowest, all.highest, some_of(finding.nodes));
    finding.step = Step{"normalize_weights"};
    return {finding};
}

std::vector<Finding> find_influences(const FindingContext& context) {
    if (context.destination == nullptr) {
        return {};
    }
    const int most = context.destination->influences;
    Finding finding;
    finding.grade = Grade::look;
    size_t points = 0;
    size_t largest = 0;
    for (const int surface : surfaces_of(context.scene)) {
        const Node& node = context.scene.nodes[surface];
        const size_t over = node.skin < 0 ? 0 : points_with_more_than(node.influences, most);
        if (over > 0) {
            finding.nodes.push_back(node.name);
            if (finding.vertices.empty()) {
                finding.point_at(node.name, vertices_with_more_than(node.influences, most));
            }
            points += over;
            largest = std::max(largest, node.influences.largest_row());
        }
    }
    if (points == 0) {
        return {};
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message = phrase("{} on {}", counted(largest, "influence"), counted(points, "vertex"));
    finding.reason = phrase("{} reads {}; what is over is cut at delivery, or here where the loss is seen.",
                            context.destination->name, most);
    finding.step = Step{"limit_influences", {{"max_influences", most}, {"keep", "least_motion"}}};
    return {finding};
}

std::vector<Finding> find_unweighted_joints(const FindingContext& context) {
    std::vector<int> idle = idle_joints(context.scene);
    const std::vector<int> roots = root_joints(context.scene);
    std::erase_if(idle, [&](int joint) { return std::find(roots.begin(), roots.end(), joint) != roots.end(); });
    const bool skinned = std::any_of(context.scene.nodes.begin(), context.scene.nodes.end(),
                                     [](const Node& node) { return node.skin >= 0; });
    if (idle.empty() || !skinned) {
        return {};
    }
    Finding finding;
    finding.grade = Grade::note;
    for (const int joint : idle) {
        finding.nodes.push_back(context.scene.nodes[joint].name);
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message = phrase("{} joint{} no weights", idle.size(), idle.size() == 1 ? " has" : "s have");
    finding.reason =
        phrase("{}: helpers of whoever made it. An engine works on them in every frame.", some_of(finding.nodes));
    finding.step = Step{"remove_joints", {{"unweighted", true}}};
    return {finding};
}

namespace {

/// Whether it holds whole pieces alone, as the crate below a lid does, and no clip moves it.
bool stands_and_holds_whole_pieces(const Scene& scene, int joint) {
    const auto varies = [](const Channel& channel) {
        const auto width = static_cast<size_t>(channel.width);
        for (size_t i = width; i < channel.values.size(); ++i) {
            if (std::abs(channel.values[i] - channel.values[i % width]) > 1e-6F) {
                return true;
            }
        }
        return false;
    };
    for (const Clip& clip : scene.clips) {
        for (const Channel& channel : clip.channels) {
            if (channel.node == joint && varies(channel)) {
                return false;
            }
        }
    }
    if (scene.clips.empty()) {
        return false;
    }
    WeightRow row;
    for (const int surface : surfaces_of(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        if (node.skin < 0) {
            continue;
        }
        const Pieces pieces = pieces_of(scene.meshes[static_cast<size_t>(node.mesh)]);
        const std::vector<int>& joints = scene.skins[static_cast<size_t>(node.skin)].joints;
        constexpr char nothing = 1;
        constexpr char whole = 2;
        std::vector<char> seen(pieces.count, 0);
        for (size_t v = 0; v < pieces.of.size() && v + 1 < node.influences.offsets.size(); ++v) {
            read_row(node.influences, v, row);
            double held = 0;
            for (const Weight& one : row) {
                held += joints[one.joint] == joint ? static_cast<double>(one.weight) : 0;
            }
            if (held > 1e-6 && held < 1 - 1e-4) {
                return false;
            }
            seen[pieces.of[v]] |= held > 1e-6 ? whole : nothing;
        }
        if (std::find(seen.begin(), seen.end(), nothing | whole) != seen.end()) {
            return false;
        }
    }
    return true;
}

} // namespace

std::vector<Finding> find_weighted_root(const FindingContext& context) {
    const std::vector<int> roots = root_joints(context.scene);
    if (roots.size() != 1) {
        return {};
    }
    const Holding held = holding_of(context.scene)[roots[0]];
    if (held.points == 0 || stands_and_holds_whole_pieces(context.scene, roots[0])) {
        return {};
    }
    Finding finding;
    finding.grade = Grade::look;
    finding.nodes = {context.scene.nodes[roots[0]].name};
    finding.where = finding.nodes[0];
    finding.message = phrase("The root “{}” has weights on {}", finding.where, counted(held.points, "vertex"));
    finding.reason =
        phrase("With up to {:.2f} of their weight: when root motion moves it, they are torn along.", held.heaviest);
    finding.step = Step{"transfer_weights", {{"joints", {finding.where}}, {"to", "nearest"}}};
    return {finding};
}

} // namespace wembrix
