// Makes the weights of every point sum to 1.
#include "core/base/counted.h"
#include "core/measure/surface/weights.h"
#include "core/steps/step_kind.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix {

namespace {

Result<StepResult> apply_normalize_weights(const StepContext& context, const NoSettings&) {
    const Scene& scene = context.scene;
    StepResult result;
    result.scene = scene;
    size_t points = 0;
    size_t unheld = 0;
    double lowest = 1;
    double highest = 1;
    for (Node& node : result.scene.nodes) {
        const WeightSums sums = weight_sums_of(node.influences);
        points += sums.points - std::min(sums.points, sums.unheld);
        unheld += sums.unheld;
        lowest = sums.points > sums.unheld ? std::min(lowest, sums.lowest) : lowest;
        highest = std::max(highest, sums.highest);
        if (node.influences.offsets.empty()) {
            continue;
        }
        const std::vector<uint32_t>& offsets = node.influences.offsets.get();
        std::vector<float>& weights = node.influences.weights.edit();
        for (size_t i = 0; i + 1 < offsets.size(); ++i) {
            double sum = 0;
            for (uint32_t k = offsets[i]; k < offsets[i + 1]; ++k) {
                sum += weights[k];
            }
            for (uint32_t k = offsets[i]; k < offsets[i + 1] && sum > 0; ++k) {
                weights[k] = static_cast<float>(weights[k] / sum);
            }
        }
    }
    result.account = points == 0 ? "all weights sum to 1 already"
                                 : fmt::format("{} brought to a sum of 1 (they had {:.3g} to {:.3g})",
                                               counted(points, "vertex"), lowest, highest);
    if (unheld > 0) {
        result.could_not.push_back(
            fmt::format("{} without weights: nothing to normalise there", counted(unheld, "vertex")));
    }
    return result;
}

} // namespace

StepKind normalize_weights_step() {
    return make_step<NoSettings>(
        {"normalize_weights", "Normalise weights",
         "Engines take it that the weights of a vertex sum to 1; where they do not, the surface shrinks to the origin.",
         StepSubject::surface},
        {}, apply_normalize_weights);
}

} // namespace wembrix
