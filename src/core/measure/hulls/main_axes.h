// The directions in which points spread most and least.
#pragma once

#include "core/math/transform.h"

#include <span>

namespace wembrix {

/// Columns of a rotation: from where they spread most to where least.
Mat3 main_axes(std::span<const Vec3> points);
/// Any rotation whose second column is the direction (unit).
Mat3 axes_along(const Vec3& direction);

} // namespace wembrix
