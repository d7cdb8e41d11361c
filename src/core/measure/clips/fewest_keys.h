// Fewer keys, as long as no point of the surface moves farther than a limit.
#pragma once

#include "core/scene/scene.h"

namespace wembrix {

struct FewestKeys {
    Clip clip;
    double drift_mm = 0; ///< measured at two moments a frame
};

/// Of linear channels the keys that lie within a tolerance of the line between their neighbours go (Ramer 1972, Douglas
/// and Peucker 1973, on values over time), with the largest tolerance that stays within the limit, found by halving.
/// Stepped and cubic channels stay as they are. The clip itself where no tolerance does.
FewestKeys fewest_keys(const Scene& scene, const Clip& clip, double limit_mm);

size_t keys_of(const Clip& clip);

} // namespace wembrix
