// What holds what: points and weight of each joint, and how the weights of points stand.
#pragma once

#include "core/scene/scene.h"

#include <vector>

namespace wembrix {

struct Holding {
    size_t points = 0;   ///< that it holds with any weight
    double weight = 0;   ///< the sum over them; each point counts 1 in all
    double heaviest = 0; ///< largest share of one point, 0 to 1
    size_t shared = 0;   ///< of its points, how many another joint holds too
};
/// One per node; nodes that are no joints of a skin hold nothing. Only surfaces that stand in the scene count.
std::vector<Holding> holding_of(const Scene& scene);

struct WeightSums {
    size_t points = 0; ///< whose weights do not sum to 1 within 1e-3
    double lowest = 1;
    double highest = 1;
    size_t unheld = 0; ///< skinned points that nothing holds
};
WeightSums weight_sums_of(const Influences& rows);
/// Which those are, in order.
std::vector<uint32_t> vertices_off_sum(const Influences& rows);
std::vector<uint32_t> vertices_with_more_than(const Influences& rows, int most);

/// How many points have more than `most` holders with a weight above 0.
size_t points_with_more_than(const Influences& rows, int most);

/// Joints that carry nothing: no point is held by them or by any joint below.
std::vector<int> idle_joints(const Scene& scene);

} // namespace wembrix
