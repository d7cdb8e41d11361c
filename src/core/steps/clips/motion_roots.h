// What carries a character over the ground in a baked clip, and setting that clip down elsewhere.
#pragma once

#include "core/measure/clips/baked.h"

#include <set>

namespace wembrix {

/// Nodes with keys of place or turn, above which nothing has any.
std::set<int> motion_roots_of(const Scene& scene, const BakedClip& baked);

/// Where the first carrier stands on the ground at a frame, and how it is turned about up against its rest: a turn
/// about +Y and a place with height 0.
Mat4 stand_of(const Scene& scene, const BakedClip& baked, int frame);

/// Carries frames [first, last] by `by` (a turn about up and a way over the ground, in the world).
void aligned(const Scene& scene, const Mat4& by, int first, int last, BakedClip& baked);

} // namespace wembrix
