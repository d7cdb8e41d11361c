// The convex hull of points, exact or with few corners.
#pragma once

#include "core/math/transform.h"

#include <array>
#include <cstdint>
#include <optional>
#include <span>
#include <vector>

namespace wembrix {

/// A solid without dents: its corners, and triangles that are seen from outside counter-clockwise.
struct ConvexSolid {
    std::vector<Vec3> corners;
    std::vector<std::array<uint32_t, 3>> triangles;
    [[nodiscard]] double volume() const; ///< cubic metres
    /// How far the point lies outside the plane that it is farthest outside of; below 0 within.
    [[nodiscard]] double outside(const Vec3& point) const;
};

/// The hull of the points (Barber, Dobkin and Huhdanpaa 1996, by Qhull). Nothing where they lie in one plane, line or
/// point.
std::optional<ConvexSolid> convex_hull(std::span<const Vec3> points);

/// A solid of at most `most` corners, at least 8, that holds all the points: the hull itself if it has no more; else
/// what is left of a box when planes of the hull are cut off it, the one that cuts deepest first.
std::optional<ConvexSolid> convex_hull_of_few(std::span<const Vec3> points, size_t most);

} // namespace wembrix
