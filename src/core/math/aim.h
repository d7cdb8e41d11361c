// Rotations that point one axis along a direction.
#pragma once

#include "core/math/axes.h"

namespace wembrix {

/// The rotation that brings the axis `bone` onto `along` (unit) and `up` as near to `toward` as that allows. Where
/// `along` runs along `toward`, whichever axis of the world is farthest from it decides, the same every time.
/// Precondition: `bone` and `up` lie on different axes.
Mat3 aimed_rotation(const Vec3& along, const Vec3& toward, Axis bone, Axis up);

} // namespace wembrix
