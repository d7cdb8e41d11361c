// First weights of a surface, from where its vertices and the bones lie at rest.
#pragma once

#include "core/measure/surface/neighbours.h"
#include "core/measure/surface/weight_rows.h"
#include "core/scene/scene.h"

#include <functional>
#include <span>
#include <vector>

namespace wembrix {

struct BoneWeightRequest {
    std::vector<int> joints; ///< nodes that may hold, each once; a row's joints are places in this list
    size_t influences = 4;   ///< a vertex has at most so many
    double falloff = 4;      ///< weights go as one over the distance to this power
    std::function<bool()> stop;
    std::function<void(double)> progress; ///< gets 0 to 1, from whatever thread
};
struct BoneWeights {
    std::vector<WeightRow> rows;     ///< one per place; each sums to 1
    double farthest_m = 0;           ///< from a place to the bone that is nearest to it
    size_t farthest = 0;             ///< which place that is
    std::vector<uint32_t> unreached; ///< places whose row is empty, ascending
};
constexpr double least_share = 1e-3; ///< less than that is not given to a joint
constexpr double equally_near =
    1e-5; ///< a share of the distance: bones no farther than that from the nearest count alike
/// The heaviest so many of a row, summing to 1; fewer where the last of them weighs what the first left out does.
void keep_heaviest(WeightRow& row, size_t most);
/// Every place is held by the bone that is nearest to it (by all that are, in halves), and by those above and below
/// that in the hierarchy which lie about as near; never by a bone of another branch, however near: a wing's weights
/// stay off the body it lies against. Where `stop` says so, what comes back is not to be used. Precondition: at least
/// one joint.
BoneWeights weights_by_nearest_bone(const Scene& scene, std::span<const Vec3f> places,
                                    const BoneWeightRequest& request);

/// The joints that hold a surface by nature: all but a root that only carries, and ends, whose bone is a point.
std::vector<int> joints_that_hold(const Scene& scene, bool ends_too);

/// Vertices that edges, or one place, join: one number a vertex, counted from 0.
struct Pieces {
    std::vector<uint32_t> of;
    size_t count = 0;
};
Pieces pieces_of(const Mesh& mesh);
Pieces pieces_of_spots(const Neighbours& neighbours); ///< one number a spot

} // namespace wembrix
