// Makes the weights of every point sum to 1.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/weights.h"
#include "core/steps/surface/weight_scope.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <tbb/blocked_range.h>
#include <tbb/parallel_reduce.h>

namespace wembrix {

namespace {

struct NormalizeSettings : WeightScope {};

struct Rows {
    size_t unsettled = 0; ///< their locked weights leave no way to 1
};

/// In place, one walk over the weights. What rounding to single precision leaves goes to the heaviest free weight.
void normalize(Influences& influences, const std::vector<char>& locked, Rows& rows) {
    const size_t vertices = influences.offsets.size() - 1;
    const uint32_t* offsets = influences.offsets.data();
    const uint16_t* joints = influences.joints.data();
    float* weights = influences.weights.edit().data();
    const bool any_locked = std::find(locked.begin(), locked.end(), 1) != locked.end();
    const auto normalize_row = [&](size_t i) -> size_t {
        double kept = 0;
        double free = 0;
        for (uint32_t k = offsets[i]; k < offsets[i + 1]; ++k) {
            (any_locked && locked[joints[k]] != 0 ? kept : free) += weights[k];
        }
        if (kept + free <= 0) {
            return 0;
        }
        if (any_locked && (free <= 0 || kept > 1)) {
            return std::abs(kept + free - 1) > 1e-6 ? 1 : 0;
        }
        const double factor = (1 - kept) / free;
        double sum = kept;
        uint32_t heaviest = offsets[i + 1];
        for (uint32_t k = offsets[i]; k < offsets[i + 1]; ++k) {
            if (!any_locked || locked[joints[k]] == 0) {
                weights[k] = static_cast<float>(weights[k] * factor);
                sum += weights[k];
                heaviest = heaviest == offsets[i + 1] || weights[k] > weights[heaviest] ? k : heaviest;
            }
        }
        weights[heaviest] = static_cast<float>(weights[heaviest] + (1 - sum));
        return 0;
    };
    rows.unsettled += tbb::parallel_reduce(
        tbb::blocked_range<size_t>(0, vertices, 4096), size_t(0),
        [&](const tbb::blocked_range<size_t>& range, size_t unsettled) {
            for (size_t i = range.begin(); i < range.end(); ++i) {
                unsettled += normalize_row(i);
            }
            return unsettled;
        },
        std::plus<>());
}

Result<StepResult> apply_normalize_weights(const StepContext& context, const NormalizeSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    const ScopedWeights scope = choose_weights(context.scene, settings);
    WeightSums all;
    Rows rows;
    for (const int surface : scope.surfaces) {
        Influences& influences = result.scene.nodes[static_cast<size_t>(surface)].influences;
        const WeightSums sums = weight_sums_of(influences);
        all.points += sums.points - std::min(sums.points, sums.unheld);
        all.unheld += sums.unheld;
        all.lowest = sums.points > sums.unheld ? std::min(all.lowest, sums.lowest) : all.lowest;
        all.highest = std::max(all.highest, sums.highest);
        normalize(influences, scope.locked[static_cast<size_t>(context.scene.nodes[static_cast<size_t>(surface)].skin)],
                  rows);
    }
    result.account = all.points == 0 ? "all weights sum to 1 already"
                                     : phrase("{} brought to a sum of 1 (they had {:.3g} to {:.3g})",
                                              counted(all.points, "vertex"), all.lowest, all.highest);
    if (all.unheld > 0) {
        result.could_not.push_back(
            phrase("{} without weights: nothing to normalise there", counted(all.unheld, "vertex")));
    }
    if (rows.unsettled > 0) {
        result.could_not.push_back(phrase("{} stay as they are: their locked weights leave no way to a sum of 1",
                                          counted(rows.unsettled, "vertex")));
    }
    return result;
}

} // namespace

StepKind normalize_weights_step() {
    return make_step<NormalizeSettings>(
        {"normalize_weights", "Normalise weights",
         "Engines take it that the weights of a vertex sum to 1; where they do not, the surface shrinks to the origin.",
         StepSubject::surface},
        weight_scope_parameters(), apply_normalize_weights);
}

} // namespace wembrix
