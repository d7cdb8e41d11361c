// A line with another number of points.
#pragma once

#include "core/math/transform.h"

#include <vector>

namespace wembrix {

/// So many points on the line through these, at even steps of its length, the first and the last among them; a line of
/// one point gives that one again. Precondition: at least one point, and a count of at least two.
std::vector<Vec3> at_even_steps(const std::vector<Vec3>& line, size_t count);

} // namespace wembrix
