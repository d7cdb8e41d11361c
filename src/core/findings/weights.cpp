// Weights: sums that are not 1, more holders than a destination takes, a root that holds points.
#include "core/measure/surface/weights.h"
#include "core/base/counted.h"
#include "core/findings/finding.h"
#include "core/steps/names.h"

#include <algorithm>
#include <fmt/format.h>

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
    finding.message = fmt::format("Weights of {} do not sum to 1", counted(all.points, "vertex"));
    finding.reason = fmt::format("They sum to {:.3g} to {:.3g} on {}; an engine that takes them as they are pulls the "
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
    finding.message = fmt::format("{} on {}", counted(largest, "influence"), counted(points, "vertex"));
    finding.reason = fmt::format("{} reads {}; what is over is cut at delivery, or here where the loss is seen.",
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
    finding.message = fmt::format("{} joint{} no weights", idle.size(), idle.size() == 1 ? " has" : "s have");
    finding.reason =
        fmt::format("{}: helpers of whoever made it. An engine works on them in every frame.", some_of(finding.nodes));
    finding.step = Step{"remove_joints", {{"unweighted", true}}};
    return {finding};
}

std::vector<Finding> find_weighted_root(const FindingContext& context) {
    const std::vector<int> roots = root_joints(context.scene);
    if (roots.size() != 1) {
        return {};
    }
    const Holding held = holding_of(context.scene)[roots[0]];
    if (held.points == 0) {
        return {};
    }
    Finding finding;
    finding.grade = Grade::look;
    finding.nodes = {context.scene.nodes[roots[0]].name};
    finding.where = finding.nodes[0];
    finding.message = fmt::format("The root “{}” has weights on {}", finding.where, counted(held.points, "vertex"));
    finding.reason = fmt::format("With up to {:.2f} of their weight: when root motion moves it, they are torn along.",
                                 held.heaviest);
    finding.step = Step{"transfer_weights", {{"joints", {finding.where}}, {"to", "nearest"}}};
    return {finding};
}

} // namespace wembrix
