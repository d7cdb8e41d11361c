// Props: what stands by itself in a scene, each with its own origin.
#pragma once

#include "core/measure/scene/bounds.h"
#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

/// Nodes that belong together: a tree from a node without a parent, and all trees that one skin ties to it.
struct Prop {
    std::string name;       ///< of its pivot
    int pivot = -1;         ///< the node it stands by: its first joint that has no parent, else the first such node
    std::vector<int> tops;  ///< its nodes without a parent
    std::vector<int> nodes; ///< all of them, in order
    size_t joints = 0;
    Bounds bounds; ///< at rest, metres: of its surfaces, or of its joints where it has none
    /// From its pivot to the nearest point of its bounds; 0 inside.
    double away_m = 0;
};

/// In order of their first node. Trees that hold neither a surface nor a joint are none.
std::vector<Prop> props_of(const Scene& scene);
/// The one with the most joints, if any has one; -1 else.
int character_among(const std::vector<Prop>& props);

} // namespace wembrix
