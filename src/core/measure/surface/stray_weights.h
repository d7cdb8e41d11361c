// Islands of weight that a joint has far from where it holds the surface: what a slip of the brush leaves.
#pragma once

#include "core/scene/scene.h"

#include <cstdint>
#include <vector>

namespace wembrix {

struct StrayIsland {
    uint16_t joint = 0; ///< place in the skin's list
    std::vector<uint32_t> vertices;
    double heaviest = 0; ///< the largest weight on it
    double distance_m =
        0; ///< along the surface to the joint's main part; straight to its bone where no edges lead there
};

/// Of a surface node under a skin. The vertices that a joint holds fall into connected parts; one with less than a
/// fifth of the weight of the largest is a stray if it lies farther from that, along the surface, than a twentieth of
/// the surface's size; on another shell, if it lies farther from the bone than one and a half times any vertex of the
/// largest. Weights under 0.001 do not count. Costs one walk over all weights, and one search for each joint with
/// islands.
std::vector<StrayIsland> stray_weights(const Scene& scene, int node);

} // namespace wembrix
