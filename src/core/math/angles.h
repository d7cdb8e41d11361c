// Angles are radians in core and degrees for people.
#pragma once

#include <numbers>

namespace wembrix {

constexpr double pi = std::numbers::pi;
constexpr double degrees_per_radian = 180 / pi;
constexpr double radians_per_degree = pi / 180;

} // namespace wembrix
