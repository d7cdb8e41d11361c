// Closed tubes with round caps along lines: limbs whose middle is known.
#pragma once

#include "core/scene/scene.h"

#include <vector>

namespace wembrix::testing {

/// One surface of as many closed tubes of one radius as there are lines, each a ring of `around` vertices a point of
/// its line, and half a ball at both ends. With `crossed` each four-sided face has a vertex in its middle: a tube whose
/// line has one X is then its own mirror image, triangle for triangle.
Scene tube_scene(const std::vector<std::vector<Vec3>>& lines, double radius, uint32_t around, bool crossed = false);

} // namespace wembrix::testing
