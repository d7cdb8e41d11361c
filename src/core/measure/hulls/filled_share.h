// How much of a hull the surfaces in it fill: what is left is the volume that the hull adds.
#pragma once

#include "core/math/transform.h"
#include "core/scene/hull.h"

#include <array>
#include <cstdint>
#include <optional>
#include <span>
#include <vector>

namespace wembrix {

/// A triangle in the world, and which surface it belongs to.
struct SolidTriangle {
    std::array<Vec3f, 3> corners;
    int surface = 0;
};

/// Between 0 and 1: of the shell's volume, in the world, the share that lies inside any of the surfaces (where a
/// surface winds around a place, as in the nonzero rule). Counted in 64 times 64 columns. A surface that is open
/// where a column passes has no inside there and does not count; nothing where more than a tenth of the hull's columns
/// meet only such surfaces. Precondition: the shell is closed and convex.
std::optional<double> filled_share(const HullShell& shell, std::span<const SolidTriangle> triangles);

} // namespace wembrix
