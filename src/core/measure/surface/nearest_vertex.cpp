#include "core/measure/surface/nearest_vertex.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

NearestVertex::NearestVertex(const std::vector<Vec3f>& points, double within_m)
    : points_(points), within_(std::max(within_m, 1e-9)) {
    for (size_t i = 0; i < points.size(); ++i) {
        cells_[key(cell_of(points[i]))].push_back(static_cast<uint32_t>(i));
    }
}

Eigen::Vector3i NearestVertex::cell_of(const Vec3f& at) const {
    constexpr double farthest = 1e9; // what is not a number lands there as well
    return (at.cast<double>() / within_).array().floor().cwiseMax(-farthest).cwiseMin(farthest).cast<int>();
}

uint64_t NearestVertex::key(const Eigen::Vector3i& cell) {
    uint64_t h = 0;
    for (int axis = 0; axis < 3; ++axis) {
        h = (h ^ static_cast<uint32_t>(cell[axis])) * 0x9E3779B97F4A7C15ULL;
        h ^= h >> 29U;
    }
    return h;
}

} // namespace wembrix
