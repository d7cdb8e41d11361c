// The nearest of many points within a distance.
#pragma once

#include "core/math/transform.h"

#include <cstdint>
#include <unordered_map>
#include <vector>

namespace wembrix {

/// Points by the cell of a grid that they lie in; a cell is as wide as the distance. The points must outlive it.
class NearestVertex {
  public:
    static constexpr uint32_t none = 0xFFFFFFFF;
    NearestVertex(const std::vector<Vec3f>& points, double within_m);
    /// The nearest, of equally near ones the first; none where nothing is within the distance.
    [[nodiscard]] uint32_t of(const Vec3f& at) const {
        uint32_t best = none;
        double least = within_;
        each_near(at, [&](uint32_t point, double apart) {
            if (apart < least || (apart <= least && best == none)) {
                least = apart;
                best = point;
            }
        });
        return best;
    }
    /// Calls with each point within the distance, in the order of cells, and how far it is.
    template <typename Call> void each_near(const Vec3f& at, const Call& call) const {
        const Eigen::Vector3i middle = cell_of(at);
        for (int x = -1; x <= 1; ++x) {
            for (int y = -1; y <= 1; ++y) {
                for (int z = -1; z <= 1; ++z) {
                    const auto found = cells_.find(key(middle + Eigen::Vector3i(x, y, z)));
                    if (found == cells_.end()) {
                        continue;
                    }
                    for (const uint32_t point : found->second) {
                        const auto apart = static_cast<double>((points_[point] - at).norm());
                        if (apart <= within_) {
                            call(point, apart);
                        }
                    }
                }
            }
        }
    }

  private:
    [[nodiscard]] Eigen::Vector3i cell_of(const Vec3f& at) const;
    static uint64_t key(const Eigen::Vector3i& cell);
    const std::vector<Vec3f>& points_;
    double within_;
    std::unordered_map<uint64_t, std::vector<uint32_t>> cells_;
};

} // namespace wembrix
