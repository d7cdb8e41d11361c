// Axis systems: how a destination names up and forward, and how long its unit is.
// Core itself is right-handed, Y up, +Z forward, metres.
#pragma once

#include "core/math/transform.h"

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

namespace wembrix {

enum class Axis { pos_x, neg_x, pos_y, neg_y, pos_z, neg_z };

Vec3 direction(Axis axis);
std::string_view axis_name(Axis axis); ///< "+X", "-Z", ...
std::optional<Axis> axis_from(std::string_view name);
/// The axis that `direction` points along most.
Axis nearest_axis(const Vec3& direction);

enum class Handedness : uint8_t { right, left };
std::string_view handedness_name(Handedness handedness); ///< "right"

struct AxisSystem {
    Axis up = Axis::pos_y;
    Axis forward = Axis::pos_z;
    double unit_m = 1;                         ///< metres in one unit
    Handedness handedness = Handedness::right; ///< left: the third axis points the other way

    /// False when up and forward lie on one line, or the unit is not a positive number.
    [[nodiscard]] bool valid() const;
    [[nodiscard]] bool is_core() const;
    /// Core's coordinates (metres) to this system's (units); a mirror where this system is left-handed.
    [[nodiscard]] Mat4 from_core() const;
};

} // namespace wembrix
