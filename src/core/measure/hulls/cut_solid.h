// A convex solid that planes are cut off.
#pragma once

#include "core/measure/hulls/convex_hull.h"

namespace wembrix {

class CutSolid {
  public:
    /// The box along three axes (columns, a rotation) that holds the points.
    static CutSolid box(const Mat3& axes, std::span<const Vec3> points);
    /// What lies beyond the plane (normal . x > offset) is taken off.
    void cut(const Vec3& normal, double offset);
    [[nodiscard]] std::vector<Vec3> corners() const; ///< each once
    [[nodiscard]] ConvexSolid triangulated() const;

  private:
    /// Each face a ring of places in `points_`, counter-clockwise from outside.
    std::vector<Vec3> points_;
    std::vector<std::vector<uint32_t>> faces_;
};

} // namespace wembrix
