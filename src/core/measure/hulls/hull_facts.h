// What there is to know of each hull of a scene.
#pragma once

#include "core/scene/scene.h"

#include <vector>

namespace wembrix {

struct HullFacts {
    int node = -1;
    size_t corners = 0;   ///< of its shell
    double volume_m3 = 0; ///< in the world
    /// How far its shell is from the nearest surface of the scene at rest, at the corner where that is most; infinite
    /// where there is no surface.
    double stands_out_m = 0;
};
/// In order of nodes.
std::vector<HullFacts> hull_facts(const Scene& scene);

} // namespace wembrix
