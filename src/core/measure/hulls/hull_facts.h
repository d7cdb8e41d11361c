// What there is to know of each hull of a scene.
#pragma once

#include "core/scene/scene.h"

#include <functional>
#include <optional>
#include <vector>

namespace wembrix {

struct HullFacts {
    int node = -1;
    size_t corners = 0;   ///< of its shell
    double volume_m3 = 0; ///< in the world
    /// What of that volume lies outside every surface of the scene at rest, to a hundredth of it or so; nothing where
    /// the surfaces in it are open and have no inside.
    std::optional<double> added_m3;
    /// How far its shell is from the nearest surface of the scene at rest, at the corner where that is most; infinite
    /// where there is no surface.
    double stands_out_m = 0;
};
/// In order of nodes. `stop` ends it early; what comes back is then not to be used.
std::vector<HullFacts> hull_facts(const Scene& scene, const std::function<bool()>& stop = {});

} // namespace wembrix
