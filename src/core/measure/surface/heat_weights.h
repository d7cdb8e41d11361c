// First weights by heat that spreads along the surface from the bones it can see.
#pragma once

#include "core/measure/surface/first_weights.h"

namespace wembrix {

/// Each vertex is warmed by the nearest bone that lies behind no other part of the surface, the more the nearer, and
/// warmth spreads along the surface: its balance is the weight (Baran and Popović, Automatic Rigging and Animation of
/// 3D Characters, ACM Transactions on Graphics 26(3), 2007, section 4, with c = 1): (L + A H) w = A H p with L of
/// cotangents, A of areas, H of one over the distance squared; one sparse factoring, and one solution a joint. Where a
/// whole piece sees no bone nothing warms it: its vertices are `unreached`, and their rows empty.
/// `places` are the mesh's vertices at rest, metres.
BoneWeights weights_by_heat(const Scene& scene, const Mesh& mesh, std::span<const Vec3f> places,
                            const BoneWeightRequest& request);

} // namespace wembrix
