// A hollow or branching surface as several parts whose hulls follow it more closely than one would.
#pragma once

#include "core/math/transform.h"

#include <array>
#include <cstdint>
#include <span>
#include <vector>

namespace wembrix {

/// The corners of each part: the triangles' own, and where a cut went through them. At most `most` parts; fewer where
/// no cut brings hull and surface closer by `least_gain` of what they are apart as a whole. The part whose cut gains
/// most is cut first, by the plane, of some along its main axes, that leaves the smallest gaps. Triangles are taken to
/// be seen from outside.
std::vector<std::vector<Vec3>> split_by_concavity(std::span<const Vec3> points,
                                                  std::span<const std::array<uint32_t, 3>> triangles, size_t most,
                                                  double least_gain = 0.01);

} // namespace wembrix
