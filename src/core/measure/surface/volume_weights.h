// First weights by the way from each bone through the volume that a surface encloses.
#pragma once

#include "core/measure/surface/first_weights.h"

namespace wembrix {

constexpr int volume_cells = 96; ///< along the longest side

/// Space is cut into cells; those that the surface passes, and those inside it, can be walked. A cell is inside where
/// most of the three columns through it say so by the nonzero rule; a column that the surface leaves open has no say:
/// surfaces may overlap, have holes, or come in pieces. From the cells of each bone the shortest ways to all others are
/// found (Dijkstra, 1959; among 26 neighbours), and a vertex is held by what has the shortest ways to it, weights
/// going as one over their length to the power `falloff` (as in Dionne and de Lasa, Symposium on Computer Animation
/// 2013, with one power for their two). No way: `unreached`.
BoneWeights weights_through_volume(const Scene& scene, const Mesh& mesh, std::span<const Vec3f> places,
                                   const BoneWeightRequest& request);

} // namespace wembrix
