// Turns about three axes one after another, in any of the six orders.
#pragma once

#include "core/math/transform.h"

#include <array>
#include <optional>
#include <string_view>

namespace wembrix {

/// Three different axes, 0 to 2. "ZXY": the turn is Rz * Rx * Ry.
using RotationOrder = std::array<int, 3>;
std::optional<RotationOrder> rotation_order_from(std::string_view text);

/// Radians about the order's first, second and third axis.
Quat turn_of(const Vec3& angles, const RotationOrder& order);
/// The angles of a turn: of all that say it, those nearest to `before`, so that a motion does not leap.
Vec3 angles_of(const Quat& turn, const RotationOrder& order, const Vec3& before);

} // namespace wembrix
