// Which vertex of a surface answers which across the plane between left and right.
#pragma once

#include "core/measure/skeleton/pairs.h"
#include "core/scene/scene.h"

#include <cstdint>
#include <vector>

namespace wembrix {

struct SurfaceMirror {
    static constexpr uint32_t none = 0xFFFFFFFF;
    std::vector<uint32_t> answers; ///< one per vertex: the one at its mirror image, itself in the middle; or none
    std::vector<float> left_m;     ///< one per vertex: how far it is to the left of the plane; below 0: to the right
    size_t unanswered = 0;
};
/// Of a surface node at rest, its shapes out, across the plane that the joints' sides mirror at. Of several vertices
/// within `tolerance_m` of a mirror image the one with the nearest normal answers.
SurfaceMirror mirror_of_surface(const Scene& scene, int node, const Sides& sides, double tolerance_m);

/// One per node: the joint on the other side, itself where it has none.
std::vector<int> mirrored_joints(const Scene& scene, const Sides& sides);

} // namespace wembrix
