// Poses that become keys: which values a layer needs so that joints stand as somebody put them.
#pragma once

#include "core/job/key_edits.h"
#include "core/measure/skeleton/pose.h"

#include <string>
#include <vector>

namespace wembrix {

/// How a joint is to stand under its parent.
struct PosedJoint {
    int node = -1;
    Transform is; ///< of its scene
};
/// Of `shown`, what a joint's move is worth where the layer works: 1, unless a step in between resizes.
struct LayerPlace {
    size_t place = 0; ///< on the card
    double frame = 0; ///< of its clip
    int frames = 1;   ///< the clip has
    double scale = 1; ///< lengths there, one of the scene that is shown
};
/// Keys joints of the scene at a frame, one of `now` (what is shown there with the keys that there are): where they
/// turn or move, the layer gets the values that lead there at its weight at that frame. The names of what was keyed;
/// nothing where the layer counts for nothing at that frame.
std::vector<std::string> key_pose(Job& job, const LayerPlace& layer, const Scene& shown, const Pose& now,
                                  const std::vector<PosedJoint>& wanted);

/// Each a share (0 to 1) of the way from how it stands to how it is wanted.
std::vector<PosedJoint> blended(const Pose& now, std::vector<PosedJoint> wanted, double share);
/// Joints of the scene by name, as another pose has them.
std::vector<PosedJoint> joints_as(const Scene& scene, const std::map<std::string, Transform>& pose);

} // namespace wembrix
