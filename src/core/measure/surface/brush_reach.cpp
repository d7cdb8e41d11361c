#include "core/measure/surface/brush_reach.h"

#include <algorithm>
#include <set>

namespace wembrix {

namespace {

double fall_off(BrushFalloff falloff, double far) {
    switch (falloff) {
    case BrushFalloff::hard:
        return 1;
    case BrushFalloff::linear:
        return 1 - far;
    case BrushFalloff::soft:
        break;
    }
    const double near = 1 - far;
    return near * near * (3 - 2 * near);
}

} // namespace

std::vector<std::vector<uint32_t>> doubles_of(const Neighbours& neighbours) {
    std::vector<std::vector<uint32_t>> doubles(neighbours.spots());
    for (size_t v = 0; v < neighbours.spot.size(); ++v) {
        const uint32_t spot = neighbours.spot[v];
        if (neighbours.first[spot] != v) {
            doubles[spot].push_back(static_cast<uint32_t>(v));
        }
    }
    return doubles;
}

std::vector<std::pair<uint32_t, double>> reached(const BrushReach& reach, const Dab& dab, const Neighbours& neighbours,
                                                 const std::vector<std::vector<uint32_t>>& doubles,
                                                 std::span<const Vec3f> points, std::span<const Vec3f> normals) {
    std::vector<std::pair<uint32_t, double>> shares;
    const auto share_of = [&](uint32_t vertex) {
        const double far = static_cast<double>((points[vertex] - dab.at).norm()) / reach.radius_m;
        return far < 1 ? reach.strength * fall_off(reach.falloff, far) : 0.0;
    };
    if (reach.through) {
        for (uint32_t v = 0; v < points.size(); ++v) {
            if (const double share = share_of(v); share > 0) {
                shares.emplace_back(v, share);
            }
        }
    } else {
        std::vector<uint32_t> open = {neighbours.spot[dab.vertex]};
        std::set<uint32_t> seen(open.begin(), open.end());
        while (!open.empty()) {
            const uint32_t spot = open.back();
            open.pop_back();
            const uint32_t first = neighbours.first[spot];
            const auto take = [&](uint32_t vertex) {
                const double share = share_of(vertex);
                const bool faces = !dab.eye || normals.size() != points.size() ||
                                   normals[vertex].squaredNorm() < 0.5F ||
                                   normals[vertex].dot(*dab.eye - points[vertex]) > 0;
                if (share > 0 && faces) {
                    shares.emplace_back(vertex, share);
                }
            };
            take(first);
            for (const uint32_t vertex : doubles[spot]) {
                take(vertex);
            }
            const bool within = share_of(first) > 0 || first == neighbours.first[neighbours.spot[dab.vertex]];
            for (const uint32_t next : within ? neighbours.of(spot) : std::span<const uint32_t>()) {
                if (seen.insert(next).second) {
                    open.push_back(next);
                }
            }
        }
        std::sort(shares.begin(), shares.end());
    }
    return shares;
}

} // namespace wembrix
