// The numbers of surfaces as a lean file holds them: places on a grid, directions and shares in 16 bits.
#pragma once

#include "core/base/text.h"
#include "core/destination/destination.h"
#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

/// What rounding cost one surface.
struct RoundedSurface {
    int mesh = -1;
    size_t vertices = 0;
    Text said; ///< "places by at most 0.03 mm, normals by 0.002°"
};

/// Rounds what a destination wants rounded, and says so in each mesh. Places and shapes go to a grid of the largest
/// power of two of at most an eighth of the drift limit, where the surface stands at rest; normals and tangents to
/// 1/32767, texture coordinates, colours and weights within 0 and 1 to 1/65535 (the weights of a vertex by the largest
/// remainder, so that they sum to 1). Values of the source's own stay as they are.
std::vector<RoundedSurface> round_numbers(Scene& scene, const Destination& destination);

} // namespace wembrix
