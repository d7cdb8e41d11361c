// What a gesture in the view means for the joints of a pose: which of them stand how from then on.
#pragma once

#include "core/job/pose_edits.h"
#include "view/tools/pose_tool.h"

namespace wembrix::app {

/// Joints that a gesture at one of them turns or moves; the pose is the scene's, without what is held.
std::vector<PosedJoint> joints_moved(const Scene& scene, const Pose& pose, int joint, const PoseGesture& gesture);

/// The pose, with these joints standing as they say and what hangs on them carried along.
Pose posed_with(const Scene& scene, Pose pose, const std::vector<PosedJoint>& joints);

/// Bones of a pose, from each joint to the joints below it.
std::vector<std::pair<Vec3, Vec3>> bones_of(const Scene& scene, const Pose& pose);

} // namespace wembrix::app
