// A stall's crate with a lid: bare surfaces that get two joints, and a swing keyed by hand.
#pragma once

#include "core/keys/key_layer.h"
#include "core/plan/guides.h"
#include "core/scene/scene.h"

#include <vector>

namespace wembrix::demo {

/// The crate and its lid as two surfaces, 0.4 m high; metres, Y up, without a joint.
Scene stall_lid();
/// Where the plan "lid" stands in it: the base below the hinge, the lid from there forward.
std::vector<Guide> stall_lid_guides();
constexpr int swing_frames = 61;
/// It opens, hangs over a little, falls shut and bounces: first equals last.
KeyLayer swing_of_the_lid();

} // namespace wembrix::demo
