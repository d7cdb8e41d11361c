// Claims that files of points share: as many, in the same order, at the same place, over the same frames.
#pragma once

#include "core/delivery/arrival_check.h"
#include "core/scene/mesh.h"

#include <cmath>
#include <vector>

namespace wembrix {

/// Vertices and triangles, in order. `is` is null where none arrived.
Claim surface_claim(const Mesh& should, const Mesh* is);

/// The box that they fill, within the destination's drift limit: centimetres, and the engine's unit.
Claim size_claim(const std::vector<Vec3f>& should, const std::vector<Vec3f>& is, const Destination& destination);

struct FramesAndRate {
    int frames = 0;
    double rate = 0; ///< frames per second
};
Claim frames_claim(const FramesAndRate& should, const FramesAndRate& is);

/// Whether a distance is the largest so far; one that is no number is larger than any.
inline bool is_worse(double apart, double largest) {
    return !std::isnan(largest) && !(apart <= largest);
}

/// Arrived, or held by the first claim that holds back.
void settle_state(Arrival& arrival);

} // namespace wembrix
