// Influences within what a destination takes, by the rule that it names.
#pragma once

#include "core/base/text.h"
#include "core/destination/destination.h"
#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

/// What a surface lost.
struct LimitedSurface {
    int node = -1;
    size_t vertices = 0;
    double largest_weight = 0; ///< the most that one vertex lost, of 1
    Text said;                 ///< "brought to 4 influences, the largest weight lost 0.100"
};
/// Surfaces that had vertices with more, in order of nodes. Precondition: the scene has the clips that the least motion
/// is to be measured over. What was fitted of the same content before, in this run of the program, is taken from there.
std::vector<LimitedSurface> limit_for(Scene& scene, const Destination& destination);

} // namespace wembrix
