// One joint's motion as curves to look at: place, turn or scale against its rest, with the keys behind it.
#pragma once

#include "core/scene/scene.h"

#include <array>
#include <vector>

namespace wembrix {

struct JointCurve {
    /// X, Y and Z, one value a moment. Place: metres from rest, under the parent. Turn: the rotation from rest as a
    /// vector (axis times angle), degrees, about the joint's own axes as it rests; without leaps from moment to moment.
    /// Scale: factor on the rest's.
    std::array<std::vector<float>, 3> values;
    std::vector<double> key_s; ///< of the channel's keys within the range, from its beginning; empty: no keys
    bool keyed = false;        ///< the clip has a channel for it; else the rest holds throughout
};

/// `count` moments over `seconds`, the first at `from_s` on the clip's own clock (0: its first frame) and the last at
/// the end. `path` is translation, rotation or scale; `node` has to be one of the scene's.
JointCurve joint_curve(const Scene& scene, const Clip& clip, int node, Path path, double from_s, double seconds,
                       int count);

} // namespace wembrix
