// Two bones that reach for a place: a leg, an arm.
#pragma once

#include "core/math/transform.h"

namespace wembrix {

/// Rotations in the world: `upper` of everything from the first joint on, and before it `lower` of what hangs below the
/// second one.
struct TwoBones {
    Quat upper = Quat::Identity();
    Quat lower = Quat::Identity();
};
/// Brings the end of two bones to a place, or as far towards it as they are long: the angle between them changes in the
/// plane that they lie in (the law of cosines), then the whole swings there by the shortest way. Up to `straight_m`
/// from the first joint a place is reached; beyond, the bones stretch softly towards their whole length. Where they lie
/// in one line they bend about `axis_if_straight`. Identity where a bone has no length. Places in the world.
TwoBones two_bones_to(const Vec3& first, const Vec3& second, const Vec3& end, const Vec3& to,
                      const Vec3& axis_if_straight, double straight_m);

} // namespace wembrix
