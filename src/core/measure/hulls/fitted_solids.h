// Simple solids around points: the smallest box, sphere, capsule and cylinder that a search over directions finds. All
// points are inside, to the last digits; that nothing smaller exists is not promised.
#pragma once

#include "core/math/transform.h"
#include "core/scene/hull.h"

#include <span>
#include <vector>

namespace wembrix {

struct FittedSolid {
    Hull::Kind kind = Hull::Kind::box;
    Mat3 axes = Mat3::Identity(); ///< columns; of a capsule and a cylinder the second is along it
    Vec3 middle = Vec3::Zero();
    Vec3 half_size = Vec3::Zero(); ///< as in Hull, metres
    [[nodiscard]] double volume() const;
    /// How far a point lies outside; below 0 inside.
    [[nodiscard]] double outside(const Vec3& point) const;
};

/// Precondition: at least one point; the kind is not convex.
FittedSolid fit_solid(Hull::Kind kind, std::span<const Vec3> points);

} // namespace wembrix
