#include "core/measure/surface/influence_limit.h"

#include <algorithm>
#include <numeric>

namespace wembrix {

InfluenceLoss limit_influences(Influences& influences, int most) {
    InfluenceLoss loss;
    const Influences before = influences;
    if (before.offsets.empty()) {
        return loss;
    }
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> joints;
    std::vector<float> weights;
    std::vector<uint32_t> row;
    for (size_t i = 0; i + 1 < before.offsets.size(); ++i) {
        row.resize(before.offsets[i + 1] - before.offsets[i]);
        std::iota(row.begin(), row.end(), before.offsets[i]);
        std::stable_sort(row.begin(), row.end(),
                         [&](uint32_t a, uint32_t b) { return before.weights[a] > before.weights[b]; });
        double sum = 0;
        double kept = 0;
        for (size_t k = 0; k < row.size(); ++k) {
            sum += before.weights[row[k]];
            kept += k < static_cast<size_t>(most) ? before.weights[row[k]] : 0;
        }
        if (row.size() > static_cast<size_t>(most)) {
            ++loss.points;
            loss.largest_weight = std::max(loss.largest_weight, sum > 0 ? (sum - kept) / sum : 0);
            row.resize(most);
        }
        for (const uint32_t k : row) {
            joints.push_back(before.joints[k]);
            weights.push_back(static_cast<float>(before.weights[k] / kept));
        }
        offsets.push_back(static_cast<uint32_t>(joints.size()));
    }
    influences = {std::move(offsets), std::move(joints), std::move(weights)};
    return loss;
}

} // namespace wembrix
