// What the joints of a body are: pelvis, legs, spine, neck, arms, tail. Told from how they hang and where they stand at
// rest, whatever they are called.
#pragma once

#include "core/measure/scene/facing.h"
#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

struct BodyChain {
    std::string role; ///< as chain_roles() of plans
    Side side = Side::middle;
    int order = 0; ///< among those of one role and side: legs from the back to the front, toes from inside out
    std::vector<int> joints; ///< each below the one before; of a leg the last is the foot
};

struct Body {
    int root = -1; ///< a joint above the pelvis that only carries the motion; -1: none
    int pelvis =
        -1; ///< where the legs and the spine meet; of what has no legs the first joint that carries more than one
    int head = -1;
    std::vector<BodyChain> chains;
    Mat3 upright = Mat3::Identity(); ///< turns it so that it stands along +Y and its left is +X: a quarter turn or none
    double height_m = 0;             ///< of its joints at rest, upright

    [[nodiscard]] const BodyChain* find(const std::string& role, Side side, int order) const; ///< null if there is none
    /// Of the longest leg, from its first joint to its foot; 0 without legs.
    double leg_m = 0;
};

/// Precondition: none; a scene without joints has no pelvis.
Body body_of(const Scene& scene);

} // namespace wembrix
