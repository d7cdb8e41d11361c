// Keeps the heaviest holders of each point.
#include "core/measure/surface/influence_limit.h"
#include "core/steps/all.h"
#include "core/steps/parameters.h"

#include <fmt/format.h>

namespace wembrix {

namespace {

Result<StepResult> apply(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"most"});
    const int most = parameters.needed_whole("most");
    if (parameters.ok() && (most < 1 || most > 64)) {
        parameters.complain("\"most\" is a number of joints from 1 to 64.");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    StepResult result;
    result.scene = scene;
    InfluenceLoss loss;
    for (Mesh& mesh : result.scene.meshes) {
        const InfluenceLoss one = limit_influences(mesh, most);
        loss.points += one.points;
        loss.largest_weight = std::max(loss.largest_weight, one.largest_weight);
    }
    result.account = loss.points == 0
                         ? fmt::format("no point has more than {}", most)
                         : fmt::format("{} points brought to {}; the most that one lost is {:.3f} of its weight",
                                       loss.points, most, loss.largest_weight);
    return result;
}

} // namespace

StepKind limit_influences_step() {
    return {"limit_influences",
            "Limit influences",
            "An engine takes so many joints a point and drops the others unseen; here the loss is known beforehand.",
            false,
            {{"most", "Joints a point", StepField::Kind::number, "joints"}},
            [] {
                return nlohmann::json{{"most", 4}};
            },
            apply};
}

} // namespace wembrix
