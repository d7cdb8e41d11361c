// The standard tangent space of normal maps.
#pragma once

#include "core/math/transform.h"

#include <array>
#include <cstdint>
#include <span>
#include <vector>

namespace wembrix {

/// One tangent for each corner of the triangles, three after three: unit, along increasing u, and in w the sign by
/// which the cross product of normal and tangent leads along increasing v of the coordinates as they are given. Corners
/// count as one where place, normal and coordinates are the same; triangles around such a corner that are joined by
/// edges and are not mirrored share a tangent, each by its angle there. (Mikkelsen, Simulation of Wrinkled Surfaces
/// Revisited, 2008, section 4; this is the space that normal maps are baked in, value for value.) `coordinates` are
/// pairs, one a point. Triangles whose coordinates or corners have no area take what their corners have from others,
/// else (1, 0, 0, -1).
std::vector<Vec4f> corner_tangents(std::span<const Vec3f> points, std::span<const Vec3f> normals,
                                   std::span<const float> coordinates,
                                   std::span<const std::array<uint32_t, 3>> triangles);

} // namespace wembrix
