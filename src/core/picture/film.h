// A clip in pictures: which moments tell it, side by side, and moving.
#pragma once

#include "core/base/result.h"
#include "core/picture/studio.h"

#include <vector>

namespace wembrix {

/// `count` moments of a clip from its beginning to its end, between which it moves equally much (the sum of its motion
/// energy); evenly where it never moves. Seconds, ascending.
std::vector<double> telling_moments(const Scene& scene, const Clip& clip, int count);

/// The clip at these moments, each `look.width` by `look.height`, side by side. Below each a line the length of the
/// clip, marked where the moment is. Precondition: the studio has chosen and framed it.
Pixels film_strip(Studio& studio, std::span<const double> moments, double seconds, const PictureLook& look);

/// An animated WebP of the clip that plays again and again, at `rate` pictures a second; the end is not shown twice.
/// The same clip gives the same bytes.
Result<std::vector<uint8_t>> moving_picture(Studio& studio, double seconds, double rate, const PictureLook& look);

} // namespace wembrix
