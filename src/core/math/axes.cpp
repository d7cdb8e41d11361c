#include "core/math/axes.h"

#include <array>
#include <cmath>

namespace wembrix {

namespace {
constexpr std::array<std::string_view, 6> names = {"+X", "-X", "+Y", "-Y", "+Z", "-Z"};
}

Vec3 direction(Axis axis) {
    const int index = static_cast<int>(axis);
    return Vec3::Unit(index / 2) * (index % 2 == 0 ? 1.0 : -1.0);
}

std::string_view axis_name(Axis axis) {
    return names.at(static_cast<size_t>(axis));
}

std::optional<Axis> axis_from(std::string_view name) {
    for (size_t i = 0; i < names.size(); ++i) {
        if (names.at(i) == name) {
            return static_cast<Axis>(i);
        }
    }
    return std::nullopt;
}

Axis nearest_axis(const Vec3& direction) {
    int axis = 0;
    direction.cwiseAbs().maxCoeff(&axis);
    return static_cast<Axis>(axis * 2 + (direction[axis] < 0 ? 1 : 0));
}

bool AxisSystem::valid() const {
    return static_cast<int>(up) / 2 != static_cast<int>(forward) / 2 && std::isfinite(unit_m) && unit_m > 0;
}

std::string_view handedness_name(Handedness handedness) {
    return handedness == Handedness::left ? "left" : "right";
}

bool AxisSystem::is_core() const {
    return up == Axis::pos_y && forward == Axis::pos_z && unit_m == 1 && handedness == Handedness::right;
}

Mat4 AxisSystem::from_core() const {
    const Vec3 up_axis = wembrix::direction(up);
    const Vec3 forward_axis = wembrix::direction(forward);
    Mat4 result = Mat4::Identity();
    result.topLeftCorner<3, 1>() = up_axis.cross(forward_axis) * (handedness == Handedness::left ? -1 : 1) / unit_m;
    result.block<3, 1>(0, 1) = up_axis / unit_m;
    result.block<3, 1>(0, 2) = forward_axis / unit_m;
    return result;
}

} // namespace wembrix
