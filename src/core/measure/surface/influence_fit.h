// Fewer influences a vertex, chosen so that the surface moves least over the clips.
#pragma once

#include "core/scene/scene.h"

#include <cstdint>
#include <functional>
#include <string>
#include <vector>

namespace wembrix {

/// How far limiting moves vertices: the farthest, and the mean over all frames and all vertices that lost a joint.
struct LimitMove {
    double largest_mm = 0;
    double mean_mm = 0;
    uint32_t vertex = 0; ///< where the largest is
    int node = -1;
    std::string clip;
    int frame = 0;
};

struct InfluenceFit {
    std::vector<Influences> influences; ///< one per node; empty for nodes that stay as they are
    size_t vertices = 0;                ///< that had more than the limit
    LimitMove fitted;
    LimitMove heaviest;             ///< what keeping the heaviest would have cost
    std::vector<LimitMove> by_clip; ///< of the fitted, one per clip of the scene
    std::vector<std::string> over;  ///< surfaces where locked joints alone are more than the limit
    int frames = 0;                 ///< that were looked at; 0: nothing moves, and the heaviest stay
};

struct FitRequest {
    int most = 4;
    std::vector<int> surfaces;             ///< nodes
    std::vector<std::vector<char>> locked; ///< one per skin, a mark a joint of its list; may be empty
};

/// For each vertex that more than `most` joints hold: which of them stay, and their new weights, so that the sum over
/// frames of the squared distance to where it was becomes least, with weights at least 0 that sum to 1 and locked ones
/// untouched. All frames of all clips count, up to 4 000 in even steps; the fit itself takes up to 400 of them. It
/// never costs more than keeping the heaviest: a vertex whose mean it would make worse, or whose largest it would take
/// beyond the surface's largest, keeps those. The least-squares problem per vertex is that of skinning decomposition
/// with the bones' motion given (Le and Deng, Smooth Skinning Decomposition with Rigid Bones, ACM Transactions on
/// Graphics 31(6), 2012, equations 4 to 6), with the joints that stay found by trying all choices of up to 10
/// candidates instead of the four largest. From there it goes on towards the least sum of distances, by up to four
/// rounds in which each frame counts by one over how far it is off (Weiszfeld, Tohoku Mathematical Journal 43, 1937);
/// a round that gains nothing, or moves a vertex farther at most, is not taken. `stop` ends it early; what comes back
/// is then not to be used.
InfluenceFit fit_influences(const Scene& scene, const FitRequest& request, const std::function<bool()>& stop = {});

} // namespace wembrix
