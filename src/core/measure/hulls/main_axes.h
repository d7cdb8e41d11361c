// The directions in which points spread most and least.
#pragma once

#include "core/math/transform.h"

#include <span>

namespace wembrix {

/// Columns of a rotation: from where they spread most to where least.
Mat3 main_axes(std::span<const Vec3> points);
/// The i-th of `count` directions that lie evenly over the sphere: a spiral that turns by the golden angle.
Vec3 spread_direction(size_t i, size_t count);
/// Any rotation whose second column is the direction (unit).
Mat3 axes_along(const Vec3& direction);

} // namespace wembrix
