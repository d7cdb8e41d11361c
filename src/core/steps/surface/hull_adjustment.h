// What a person did to one hull by hand: moved, turned, its sides pulled. Counted in the hull's own axes, so that it
// fits a hull that was made anew of a changed surface.
#pragma once

#include "core/math/transform.h"
#include "core/scene/hull.h"

#include <array>
#include <nlohmann/json.hpp>
#include <string>

namespace wembrix {

struct HullAdjustment {
    Vec3 move_m = Vec3::Zero();   ///< along the axes that the hull had before
    Quat turn = Quat::Identity(); ///< about its middle, then
    /// How much farther each side lies from the middle, along the axes; below 0 nearer. Of a capsule and a cylinder: X
    /// the radius, Y half the length. Of a sphere: X the radius.
    Vec3 grow_m = Vec3::Zero();

    /// This one and then another, which counts from where this one left the hull.
    [[nodiscard]] HullAdjustment then(const HullAdjustment& next) const;
};

/// In millimetres, and degrees about X, then Y, then Z, as the step `adjust_hulls` has them.
HullAdjustment adjustment_from(const Vec3& move_mm, const Vec3& turn_deg, const Vec3& grow_mm);
HullAdjustment adjustment_from_row(const nlohmann::json& row);
/// What is zero is left out.
nlohmann::json row_of_adjustment(const std::string& hull, const HullAdjustment& by);

/// Its middle and axes in the space of its node: the frame; of a convex one the middle of its extent, and the node's
/// axes.
Mat4 axes_of(const Hull& hull);
/// From the middle to its sides along those axes, in the node's unit; half the axis of a capsule with its cap.
Vec3 extent_of(const Hull& hull);

/// `unit_m`: how long in the world at rest one unit of the hull's node is, above 0. No side comes nearer to the middle
/// than 0.1 mm; a capsule's axis may vanish.
Hull adjusted(const Hull& hull, const HullAdjustment& by, double unit_m);

/// A side of a hull that can be pulled.
struct HullSide {
    int axis = 0; ///< of the hull's own
    int sign = 1; ///< which of the two ends
};
constexpr std::array<HullSide, 6> hull_sides = {{{0, 1}, {0, -1}, {1, 1}, {1, -1}, {2, 1}, {2, -1}}};
/// What pulling a side outwards by that much is: a box's one side goes, a sphere grows as a whole, a capsule's end goes
/// or its radius grows.
HullAdjustment side_pulled(Hull::Kind kind, const HullSide& side, double by_m);

} // namespace wembrix
