// Another set of joints for the same motion: other parents, other rest rotations, joints more, scale gone. What each
// joint carries stays where it is.
//
// Let W be a node's matrix in the world at some moment. After reframing, node n has W'n = W[source n] Cn, with one
// constant Cn, and so locally L'n = inverse(C of parent') inverse(W[source of parent']) W[source n] Cn. Where the
// parent is that of before and both C are turns with one factor, L'n = inverse(Cp) Ln Cn is linear in translations and
// quaternions: stepped, linear and cubic keys are then carried over exactly. All other nodes are keyed anew at every
// frame and at every key.
#pragma once

#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

struct Reframing {
    /// For every node: parents, in any order; starts as the scene's own.
    std::vector<int> parent;
    /// W'n = W[source n] * correction n. Starts as n and the identity.
    std::vector<int> source;
    std::vector<Mat4> correction;
    /// Only place and turn are kept of W'n; what else it held is told in Reframed::lost.
    std::vector<char> rigid;
    /// Nodes that are made: they stand behind the scene's own in all lists above.
    std::vector<Node> added;
};
/// Leaves all as it is.
Reframing same_frames(const Scene& scene);
/// Adds a node that rides on `source` at `place` (in the frame of `source`); its index.
int add_node(Reframing& reframing, const Node& node, int parent, int source, const Mat4& place);

/// The most that place, turn and scale of a joint could not hold, over the rest pose and all frames.
struct Lost {
    int node = -1;    ///< in the scene before
    double part = 0;  ///< of its size: 0.1 is a tenth longer, thinner or sheared
    std::string clip; ///< empty: at rest
    int frame = 0;
};

struct Reframed {
    Scene scene;
    std::vector<Lost> lost; ///< above one part in 10 000, worst first
};
/// Binds follow so that every skinned surface stays where it is at rest. A surface whose own node gets a correction has
/// it taken out of its points. Parents come first afterwards; all else keeps its order.
Reframed reframe(const Scene& scene, const Reframing& reframing);

} // namespace wembrix
