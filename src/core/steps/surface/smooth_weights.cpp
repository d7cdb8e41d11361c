// Weights flow along the edges of a surface, so that it bends softly.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/neighbours.h"
#include "core/steps/surface/weight_scope.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

struct SmoothSettings : WeightScope {
    double amount = 0.5;
    int passes = 2;
    bool spread = false;
    bool fill = false;
    std::vector<std::string> joints;
};

/// Rows by spot: vertices that a seam split share one.
std::vector<WeightRow> rows_by_spot(const Influences& influences, const Neighbours& neighbours) {
    std::vector<WeightRow> rows(neighbours.spots());
    std::vector<uint32_t> vertices(neighbours.spots(), 0);
    WeightRow row;
    for (size_t v = 0; v < neighbours.spot.size(); ++v) {
        read_row(influences, v, row);
        for (const Weight& one : row) {
            add_weight(rows[neighbours.spot[v]], one.joint, one.weight);
        }
        vertices[neighbours.spot[v]] += row.empty() ? 0 : 1;
    }
    for (size_t s = 0; s < rows.size(); ++s) {
        for (Weight& one : rows[s]) {
            one.weight /= vertices[s];
        }
    }
    return rows;
}

/// Spots that nothing holds take the mean of those around them, from the edge of what is held inwards; where no edge
/// leads to anything that is held they stay empty.
void fill_unheld(std::vector<WeightRow>& rows, const Neighbours& neighbours) {
    std::vector<uint32_t> empty;
    for (size_t s = 0; s < rows.size(); ++s) {
        if (rows[s].empty()) {
            empty.push_back(static_cast<uint32_t>(s));
        }
    }
    for (size_t before = rows.size() + 1; empty.size() < before && !empty.empty();) {
        before = empty.size();
        std::vector<std::pair<uint32_t, WeightRow>> filled;
        for (const uint32_t s : empty) {
            WeightRow mean;
            size_t held = 0;
            for (const uint32_t other : neighbours.of(s)) {
                held += rows[other].empty() ? 0 : 1;
                for (const Weight& one : rows[other]) {
                    add_weight(mean, one.joint, one.weight);
                }
            }
            for (Weight& one : mean) {
                one.weight /= static_cast<double>(held);
            }
            if (held > 0) {
                filled.emplace_back(s, std::move(mean));
            }
        }
        for (auto& [s, row] : filled) {
            rows[s] = std::move(row);
        }
        std::erase_if(empty, [&](uint32_t s) { return !rows[s].empty(); });
    }
}

/// One pass: each spot goes so far towards the mean of those around it.
std::vector<WeightRow> smoothed(const std::vector<WeightRow>& rows, const Neighbours& neighbours, double amount,
                                bool spread) {
    std::vector<WeightRow> result = rows;
    WeightRow mean;
    for (size_t s = 0; s < rows.size(); ++s) {
        mean.clear();
        size_t held = 0;
        for (const uint32_t other : neighbours.of(s)) {
            held += rows[other].empty() ? 0 : 1;
            for (const Weight& one : rows[other]) {
                add_weight(mean, one.joint, one.weight);
            }
        }
        if (held == 0 || rows[s].empty()) {
            continue;
        }
        WeightRow& row = result[s];
        for (Weight& one : row) {
            one.weight *= 1 - amount;
        }
        for (const Weight& one : mean) {
            if (spread || weight_in(rows[s], one.joint) > 0) {
                add_weight(row, one.joint, amount * one.weight / static_cast<double>(held));
            }
        }
        double sum = 0;
        for (const Weight& one : row) {
            sum += one.weight;
        }
        for (Weight& one : row) {
            one.weight /= sum;
        }
    }
    return result;
}

Result<StepResult> apply_smooth_weights(const StepContext& context, const SmoothSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    ScopedWeights scope = choose_weights(context.scene, settings);
    if (!settings.joints.empty()) { // all but those keep theirs
        const ScopedWeights only = choose_weights(context.scene, {settings.surfaces, settings.joints});
        for (size_t s = 0; s < scope.locked.size(); ++s) {
            for (size_t j = 0; j < scope.locked[s].size(); ++j) {
                scope.locked[s][j] = scope.locked[s][j] != 0 || only.locked[s][j] == 0 ? 1 : 0;
            }
        }
    }
    size_t changed = 0;
    size_t unheld = 0;
    double largest = 0;
    for (const int surface : scope.surfaces) {
        const Node& node = context.scene.nodes[static_cast<size_t>(surface)];
        const Neighbours neighbours = neighbours_of(context.scene.meshes[static_cast<size_t>(node.mesh)]);
        std::vector<WeightRow> rows = rows_by_spot(node.influences, neighbours);
        if (settings.fill) {
            fill_unheld(rows, neighbours);
        }
        for (int pass = 0; !settings.fill && pass < settings.passes; ++pass) {
            rows = smoothed(rows, neighbours, settings.amount, settings.spread);
        }
        const std::span<const char> locked = scope.locked_of(context.scene, surface);
        change_rows(result.scene, surface, locked, [&](size_t vertex, WeightRow& row) {
            const WeightRow& target = rows[neighbours.spot[vertex]];
            if (settings.fill && !row.empty()) {
                return false;
            }
            unheld += settings.fill && target.empty() ? 1 : 0;
            WeightRow now;
            for (const Weight& one : row) {
                if (locked[one.joint] != 0) {
                    now.push_back(one);
                }
            }
            for (const Weight& one : target) {
                if (locked[one.joint] == 0) {
                    now.push_back(one);
                }
            }
            if (!settle_row(now, locked)) {
                return false;
            }
            double most = 0;
            for (const Weight& one : now) {
                most = std::max(most, std::abs(one.weight - weight_in(row, one.joint)));
            }
            if (most < 1e-7) {
                return false;
            }
            ++changed;
            largest = std::max(largest, most);
            row = std::move(now);
            return true;
        });
    }
    result.account = changed == 0
                         ? Text("no weight changes")
                         : phrase("{} smoothed, a weight by {:.2f} at most", counted(changed, "vertex"), largest);
    if (unheld > 0) {
        result.could_not.push_back(
            phrase("{} stay unheld: no edge leads from them to anything that is", counted(unheld, "vertex")));
    }
    return result;
}

} // namespace

StepKind smooth_weights_step() {
    return make_step<SmoothSettings>(
        {"smooth_weights", "Smooth weights",
         "Where weights jump from vertex to vertex the surface breaks when it bends.", StepSubject::surface},
        with_weight_scope(
            {number<&SmoothSettings::amount>("amount", "Amount",
                                             "How far each vertex goes towards the mean of those "
                                             "around it; 1: all the way")
                 .between(0, 1)
                 .starting(0.5),
             number<&SmoothSettings::passes>("passes", "Passes", "How often").between(1, 200).starting(2),
             flag<&SmoothSettings::spread>("spread", "Spreading",
                                           "Joints also come to vertices that they did not hold before"),
             flag<&SmoothSettings::fill>("fill", "Fill only",
                                         "Only vertices that nothing holds get weights, from those around them"),
             list<&SmoothSettings::joints>("joints", "Joints", "Only these joints' weights flow; empty: all")
                 .naming(NameOf::joint)}),
        apply_smooth_weights);
}

} // namespace wembrix
