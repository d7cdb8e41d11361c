#include "core/measure/surface/influence_limit.h"

#include <algorithm>
#include <array>
#include <tbb/blocked_range.h>
#include <tbb/parallel_invoke.h>
#include <tbb/parallel_reduce.h>

namespace wembrix {

namespace {

/// Places of a row's weights, the heaviest first, those of one weight as they stood; only the first `most` are in
/// order. Rows are short: each weight is put where it belongs among those before it.
class Heaviest {
  public:
    void take(const float* weights, size_t count, size_t most) {
        order_.resize(std::max(order_.size(), count));
        size_t kept = 0;
        for (uint32_t k = 0; k < count; ++k) {
            size_t at = kept;
            while (at > 0 && weights[order_[at - 1]] < weights[k]) {
                --at;
            }
            if (at == most) {
                continue;
            }
            kept = std::min(kept + 1, most);
            for (size_t move = kept - 1; move > at; --move) {
                order_[move] = order_[move - 1];
            }
            order_[at] = k;
        }
    }
    [[nodiscard]] uint32_t operator[](size_t i) const { return order_[i]; }

  private:
    std::vector<uint32_t> order_;
};

} // namespace

InfluenceLoss limit_influences(Influences& influences, int most) {
    const Influences before = influences;
    if (before.offsets.empty()) {
        return {};
    }
    const size_t rows = before.offsets.size() - 1;
    const auto limit = static_cast<size_t>(most);
    const uint32_t* from = before.offsets.data();
    std::vector<uint32_t> offsets(rows + 1, 0);
    for (size_t i = 0; i < rows; ++i) {
        offsets[i + 1] = offsets[i] + static_cast<uint32_t>(std::min<size_t>(limit, from[i + 1] - from[i]));
    }
    std::vector<uint16_t> joints;
    std::vector<float> weights;
    // Large arrays are new memory, which the system clears page by page: on both cores.
    tbb::parallel_invoke([&] { joints.resize(offsets.back()); }, [&] { weights.resize(offsets.back()); });
    const InfluenceLoss loss = tbb::parallel_reduce(
        tbb::blocked_range<size_t>(0, rows, 4096), InfluenceLoss{},
        [&](const tbb::blocked_range<size_t>& range, InfluenceLoss part) {
            Heaviest heaviest;
            for (size_t i = range.begin(); i < range.end(); ++i) {
                const float* own = before.weights.data() + from[i];
                const uint16_t* names = before.joints.data() + from[i];
                const size_t count = from[i + 1] - from[i];
                heaviest.take(own, count, limit);
                double sum = 0;
                for (size_t k = 0; k < count; ++k) {
                    sum += own[k];
                }
                const size_t stays = std::min(count, limit);
                double kept = 0;
                for (size_t k = 0; k < stays; ++k) {
                    kept += own[heaviest[k]];
                }
                if (count > limit) {
                    ++part.points;
                    part.largest_weight = std::max(part.largest_weight, sum > 0 ? (sum - kept) / sum : 0);
                }
                for (size_t k = 0; k < stays; ++k) {
                    joints[offsets[i] + k] = names[heaviest[k]];
                    weights[offsets[i] + k] = kept > 0 ? static_cast<float>(own[heaviest[k]] / kept) : 0.0F;
                }
            }
            return part;
        },
        [](InfluenceLoss a, const InfluenceLoss& b) {
            a.points += b.points;
            a.largest_weight = std::max(a.largest_weight, b.largest_weight);
            return a;
        });
    influences = {std::move(offsets), std::move(joints), std::move(weights)};
    return loss;
}

} // namespace wembrix
