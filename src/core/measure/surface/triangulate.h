// Polygons as triangles.
#pragma once

#include "core/math/transform.h"

#include <array>
#include <cstdint>
#include <span>
#include <vector>

namespace wembrix {

/// Appends the triangles of one polygon, as places in `corners`, wound as it is: n - 2 of them. A quad is cut along the
/// shorter of the diagonals that leave both halves wound alike; of more corners ears are cut off (Meisters, Polygons
/// Have Ears, 1975), the one with the shortest cut first, so that polygons that are not convex come out right. Beyond
/// 2 000 corners, and where no ear is left (it crosses itself), the rest is a fan. Fewer than 3 corners give nothing.
void triangulate_polygon(std::span<const Vec3f> corners, std::vector<std::array<uint32_t, 3>>& triangles);

} // namespace wembrix
