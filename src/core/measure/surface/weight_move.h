// What handing weights from joint to joint moves, before it is done.
#pragma once

#include "core/scene/scene.h"

#include <functional>
#include <map>
#include <string>
#include <vector>

namespace wembrix {

struct WeightMove {
    int joint = -1;        ///< gives its weights away
    int to = -1;           ///< takes them
    size_t points = 0;     ///< that change hands
    double largest_mm = 0; ///< farthest that one of them moves, by this joint alone
    std::string clip;      ///< where that is; empty for the rest pose
    int frame = 0;
};

/// For each joint of `to` (joint to the one that takes over, both nodes): how many points it gives away and how far
/// one of them moves, over the rest pose and every frame of every clip: weight * |M_joint p - M_to p|, with M the
/// joint's world matrix times its inverse bind. Joints that hold nothing come back with 0 points.
std::vector<WeightMove> measure_weight_moves(const Scene& scene, const std::map<int, int>& to,
                                             const std::function<bool()>& stop = {});

} // namespace wembrix
