// Where the bones of a skeleton lie at rest, for what goes by nearness.
#pragma once

#include "core/scene/scene.h"

#include <vector>

namespace wembrix {

struct Bone {
    Vec3 from = Vec3::Zero(); ///< the joint's place at rest, metres
    std::vector<Vec3> to;     ///< the joints right below it; empty at a tip
    /// A root with one joint below: it carries the way of the whole and bends nothing. So does a joint right below such
    /// a one that stands as low and has one joint, above it: roots are stacked.
    bool only_carries = false;
};
/// One per node; of nodes that are no joints the place alone.
std::vector<Bone> bones_of(const Scene& scene);
/// The same, and of a joint without one below the bone goes on: along the axis that the bone above it lies on, or
/// straight on where that is none, and as long.
std::vector<Bone> bones_going_on(const Scene& scene);
/// The point of the lines from a joint to those below it that is nearest to a place.
Vec3 nearest_on_bone(const Bone& bone, const Vec3& place);
/// From a place to the nearest point of the lines from a joint to those below it, metres.
double distance_to_bone(const Bone& bone, const Vec3& place);

} // namespace wembrix
