// Fewer holders a point, and what that costs.
#pragma once

#include "core/scene/mesh.h"

namespace wembrix {

/// What limiting influences cost.
struct InfluenceLoss {
    size_t points = 0;         ///< points that lost a holder
    double largest_weight = 0; ///< the most that one point lost, of 1
};
/// Keeps the heaviest `most` holders of each point and divides by their sum. Rows in order stay so when no point has
/// more.
InfluenceLoss limit_influences(Influences& influences, int most);

} // namespace wembrix
