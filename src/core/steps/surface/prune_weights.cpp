// Takes away weights too small to matter, and islands of weight that a joint has far from itself.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/stray_weights.h"
#include "core/steps/surface/weight_scope.h"

#include <algorithm>

namespace wembrix {

namespace {

struct PruneSettings : WeightScope {
    double below = 0.01;
    bool strays = false;
};

Result<StepResult> apply_prune_weights(const StepContext& context, const PruneSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    const ScopedWeights scope = choose_weights(context.scene, settings);
    size_t entries = 0;
    size_t vertices = 0;
    size_t unsettled = 0;
    double largest = 0;
    for (const int surface : scope.surfaces) {
        const std::span<const char> locked = scope.locked_of(context.scene, surface);
        const std::vector<StrayIsland> islands =
            settings.strays ? stray_weights(context.scene, surface) : std::vector<StrayIsland>();
        std::vector<std::pair<uint32_t, uint16_t>> strays; // vertex and joint
        for (const StrayIsland& island : islands) {
            for (const uint32_t vertex : island.vertices) {
                strays.emplace_back(vertex, island.joint);
            }
        }
        std::sort(strays.begin(), strays.end());
        unsettled += change_rows(result.scene, surface, locked, [&](size_t vertex, WeightRow& row) {
            const size_t before = row.size();
            const auto heaviest = std::max_element(
                row.begin(), row.end(), [](const Weight& a, const Weight& b) { return a.weight < b.weight; });
            const uint16_t stays = before == 0 ? uint16_t(0) : heaviest->joint;
            double lost = 0;
            std::erase_if(row, [&](const Weight& one) {
                const bool stray = std::binary_search(strays.begin(), strays.end(),
                                                      std::pair(static_cast<uint32_t>(vertex), one.joint));
                const bool goes =
                    locked[one.joint] == 0 && (stray || (one.weight < settings.below && one.joint != stays));
                lost += goes ? one.weight : 0;
                return goes;
            });
            if (row.size() == before || row.empty()) {
                unsettled += row.size() == before ? 0 : 1;
                return false;
            }
            entries += before - row.size();
            ++vertices;
            largest = std::max(largest, lost);
            return true;
        });
    }
    result.account = entries == 0 ? phrase("no weight is below {:g}", settings.below)
                                  : phrase("{} gone on {}; a vertex gave away {:.3f} at most",
                                           counted(entries, "weight"), counted(vertices, "vertex"), largest);
    if (unsettled > 0) {
        result.could_not.push_back(
            phrase("{} stay as they are: nothing else holds them that is not locked", counted(unsettled, "vertex")));
    }
    return result;
}

} // namespace

StepKind prune_weights_step() {
    return make_step<PruneSettings>(
        {"prune_weights", "Prune weights",
         "Weights that are too small to see cost an engine as much as large ones; strays tear at far-off vertices.",
         StepSubject::surface},
        with_weight_scope(
            {number<&PruneSettings::below>("below", "Below", "Weights under this go; the heaviest of a vertex stays")
                 .between(0, 1)
                 .starting(0.01),
             flag<&PruneSettings::strays>("strays", "Strays too",
                                          "Islands of weight that lie far from where their joint holds the surface")}),
        apply_prune_weights);
}

} // namespace wembrix
