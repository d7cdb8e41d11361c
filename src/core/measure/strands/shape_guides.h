// Guides of strands as they are shaped by hand: pulled, bent, turned, lengthened, smoothed, mirrored.
#pragma once

#include "core/math/transform.h"

#include <cstddef>
#include <vector>

namespace wembrix {

/// World, metres; the root first. At least two points.
using GuideLine = std::vector<Vec3>;

double guide_length(const GuideLine& line);

/// A point of it goes by so much, what is below it the less the nearer it is to the root, what is above it goes along.
/// The root stays. With `keeps_length` each piece stays as long as it was, so that it bends instead of stretching.
/// Precondition: 0 < point < line.size().
GuideLine pulled(const GuideLine& line, size_t point, const Vec3& by, bool keeps_length);

/// About its root, by an angle in radians around a unit axis.
GuideLine turned(const GuideLine& line, const Vec3& axis, double angle);

/// So many times as long, about its root.
GuideLine lengthened(const GuideLine& line, double factor);

/// Its inner points half way to the middle of their neighbours; root and tip stay.
GuideLine smoothed(const GuideLine& line);

/// Straight along a direction (unit), so long, with so many points.
GuideLine straight(const Vec3& root, const Vec3& way, double length, size_t points);

/// On the other side of the plane x = middle.
GuideLine mirrored(const GuideLine& line, double middle_x);

} // namespace wembrix
