// Turns about three axes one after another, in any of the six orders.
#pragma once

#include "core/math/transform.h"

#include <array>
#include <optional>
#include <string_view>

namespace wembrix {

/// Three different axes, 0 to 2. "ZXY": the turn is Rz * Rx * Ry.
using TurnOrder = std::array<int, 3>;
std::optional<TurnOrder> turn_order_from(std::string_view text);

/// Radians about the order's first, second and third axis.
Quat turn_of(const Vec3& angles, const TurnOrder& order);
/// The angles of a turn: of all that say it, those nearest to `before`, so that a motion does not leap.
Vec3 angles_of(const Quat& turn, const TurnOrder& order, const Vec3& before);

} // namespace wembrix
