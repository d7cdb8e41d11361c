// Keeps the heaviest holders of each point.
#include "core/base/counted.h"
#include "core/measure/surface/influence_limit.h"
#include "core/steps/step_kind.h"

#include <fmt/format.h>

namespace wembrix {

namespace {

struct LimitSettings {
    int max_influences = 4;
};

Result<StepResult> apply_limit_influences(const StepContext& context, const LimitSettings& settings) {
    const Scene& scene = context.scene;
    const int most = settings.max_influences;
    StepResult result;
    result.scene = scene;
    InfluenceLoss loss;
    for (Node& node : result.scene.nodes) {
        const InfluenceLoss one = limit_influences(node.influences, most);
        loss.points += one.points;
        loss.largest_weight = std::max(loss.largest_weight, one.largest_weight);
    }
    result.account = loss.points == 0 ? fmt::format("no vertex has more than {}", most)
                                      : fmt::format("{} brought to {}; the most that one lost is {:.3f} of its weight",
                                                    counted(loss.points, "vertex"), most, loss.largest_weight);
    return result;
}

} // namespace

StepKind limit_influences_step() {
    return make_step<LimitSettings>(
        {"limit_influences", "Limit influences",
         "An engine takes so many joints per vertex and drops the others unseen; here the loss is known beforehand.",
         StepSubject::surface},
        {number<&LimitSettings::max_influences>("max_influences", "Influences per vertex",
                                                "The heaviest stay and are divided by their sum")
             .unit("joints")
             .needed()
             .between(1, 64)
             .starting(4)},
        apply_limit_influences);
}

} // namespace wembrix
