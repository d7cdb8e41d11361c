// Tansy's joints at rest: Y up, +Z forward, metres, before the faults of a source are put in.
#pragma once

#include "core/math/transform.h"

#include <string>
#include <vector>

namespace wembrix::demo {

struct RigJoint {
    std::string name;
    std::string parent; ///< empty: a root
    Vec3 place;         ///< in the world
};

std::vector<RigJoint> tansy_joints();
Vec3 place_of(const std::string& joint);

constexpr double leg_apart = 0.085; ///< half the distance between the feet, metres

} // namespace wembrix::demo
