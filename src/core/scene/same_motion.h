// Whether what was measured of a clip still holds after the scene around it was made anew.
#pragma once

#include "core/scene/scene.h"

namespace wembrix {

/// True when `x` in `a` and `y` in `b` have every joint and every point at the same place at each moment, told without
/// posing them: the same nodes by name, rest and place, and arrays that are the very same ones. False says nothing.
bool is_same_motion(const Scene& a, const Clip& x, const Scene& b, const Clip& y);

/// The same of the bodies alone, whatever their nodes are called: what the same keys move to the same place.
bool is_same_body(const Scene& a, const Scene& b);
/// Whether two clips are keyed by the very same arrays, whatever part of them each shows.
bool has_same_keys(const Clip& x, const Clip& y);

} // namespace wembrix
