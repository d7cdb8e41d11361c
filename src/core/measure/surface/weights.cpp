#include "core/measure/surface/weights.h"

#include <algorithm>
#include <cmath>
#include <tbb/blocked_range.h>
#include <tbb/parallel_reduce.h>

namespace wembrix {

std::vector<Holding> holding_of(const Scene& scene) {
    std::vector<Holding> holding(scene.nodes.size());
    for (const Node& node : scene.nodes) {
        if (node.mesh < 0 || node.skin < 0) {
            continue;
        }
        const Influences& rows = node.influences;
        const std::vector<int>& joints = scene.skins[node.skin].joints;
        for (size_t i = 0; i + 1 < rows.offsets.size(); ++i) {
            double sum = 0;
            int holders = 0;
            for (uint32_t k = rows.offsets[i]; k < rows.offsets[i + 1]; ++k) {
                sum += rows.weights[k];
                holders += rows.weights[k] > 0 ? 1 : 0;
            }
            for (uint32_t k = rows.offsets[i]; k < rows.offsets[i + 1] && sum > 0; ++k) {
                if (rows.weights[k] > 0) {
                    Holding& one = holding[joints[rows.joints[k]]];
                    const double share = rows.weights[k] / sum;
                    ++one.points;
                    one.weight += share;
                    one.heaviest = std::max(one.heaviest, share);
                    one.shared += holders > 1 ? 1 : 0;
                }
            }
        }
    }
    return holding;
}

namespace {
constexpr double sum_tolerance = 1e-3;
} // namespace

std::vector<uint32_t> vertices_off_sum(const Influences& rows) {
    std::vector<uint32_t> off;
    for (size_t i = 0; i + 1 < rows.offsets.size(); ++i) {
        double sum = 0;
        for (uint32_t k = rows.offsets[i]; k < rows.offsets[i + 1]; ++k) {
            sum += rows.weights[k];
        }
        if (std::abs(sum - 1) > sum_tolerance) {
            off.push_back(static_cast<uint32_t>(i));
        }
    }
    return off;
}

std::vector<uint32_t> vertices_with_more_than(const Influences& rows, int most) {
    std::vector<uint32_t> over;
    for (size_t i = 0; i + 1 < rows.offsets.size(); ++i) {
        if (rows.offsets[i + 1] - rows.offsets[i] > static_cast<uint32_t>(most)) {
            over.push_back(static_cast<uint32_t>(i));
        }
    }
    return over;
}

WeightSums weight_sums_of(const Influences& rows) {
    if (rows.offsets.empty()) {
        return {};
    }
    const uint32_t* offsets = rows.offsets.data();
    const float* weights = rows.weights.data();
    return tbb::parallel_reduce(
        tbb::blocked_range<size_t>(0, rows.offsets.size() - 1, 4096), WeightSums{},
        [&](const tbb::blocked_range<size_t>& range, WeightSums sums) {
            for (size_t i = range.begin(); i < range.end(); ++i) {
                double sum = 0;
                for (uint32_t k = offsets[i]; k < offsets[i + 1]; ++k) {
                    sum += weights[k];
                }
                sums.lowest = std::min(sums.lowest, sum);
                sums.highest = std::max(sums.highest, sum);
                sums.points += std::abs(sum - 1) > sum_tolerance ? 1 : 0;
                sums.unheld += sum > 0 ? 0 : 1;
            }
            return sums;
        },
        [](WeightSums a, const WeightSums& b) {
            a.points += b.points;
            a.lowest = std::min(a.lowest, b.lowest);
            a.highest = std::max(a.highest, b.highest);
            a.unheld += b.unheld;
            return a;
        });
}

size_t points_with_more_than(const Influences& rows, int most) {
    size_t count = 0;
    for (size_t i = 0; i + 1 < rows.offsets.size(); ++i) {
        int holders = 0;
        for (uint32_t k = rows.offsets[i]; k < rows.offsets[i + 1]; ++k) {
            holders += rows.weights[k] > 0 ? 1 : 0;
        }
        count += holders > most ? 1 : 0;
    }
    return count;
}

std::vector<int> idle_joints(const Scene& scene) {
    const std::vector<Holding> holding = holding_of(scene);
    std::vector<char> carries(scene.nodes.size(), 0);
    for (size_t i = scene.nodes.size(); i-- > 0;) {
        const Node& node = scene.nodes[i];
        const bool rigid_surface = node.mesh >= 0 && node.skin < 0;
        if (holding[i].points > 0 || rigid_surface || node.kind == NodeKind::point) {
            carries[i] = 1;
        }
        if (carries[i] != 0 && node.parent >= 0) {
            carries[node.parent] = 1;
        }
    }
    std::vector<int> idle;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (scene.nodes[i].kind == NodeKind::joint && carries[i] == 0) {
            idle.push_back(static_cast<int>(i));
        }
    }
    return idle;
}

} // namespace wembrix
