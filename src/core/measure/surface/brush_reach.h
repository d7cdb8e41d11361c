// How far a dab of a brush reaches on a surface, and how strongly.
#pragma once

#include "core/measure/surface/neighbours.h"

#include <cstdint>
#include <optional>
#include <span>
#include <utility>
#include <vector>

namespace wembrix {

enum class BrushFalloff : uint8_t { soft, linear, hard };

struct BrushReach {
    BrushFalloff falloff = BrushFalloff::soft;
    double radius_m = 0.05;
    double strength = 0.5; ///< 0 to 1, at the middle of a dab
    bool through = false;  ///< all that lies within the radius; else what is joined to the place by edges within it
                           ///< and faces the eye
};

/// Where a dab falls, in the pose that is shown.
struct Dab {
    Vec3f at = Vec3f::Zero();
    uint32_t vertex = 0;      ///< one near it, where what is joined begins
    std::optional<Vec3f> eye; ///< what turns away from here is not painted, unless `through`
};

/// Of each spot its vertices behind the first, where there are several.
std::vector<std::vector<uint32_t>> doubles_of(const Neighbours& neighbours);

/// Vertices and how strongly each is reached, 0 to 1, ascending. `points` and `normals` are the surface's vertices as
/// they are posed; normals may be none.
std::vector<std::pair<uint32_t, double>> reached(const BrushReach& reach, const Dab& dab, const Neighbours& neighbours,
                                                 const std::vector<std::vector<uint32_t>>& doubles,
                                                 std::span<const Vec3f> points, std::span<const Vec3f> normals);

} // namespace wembrix
