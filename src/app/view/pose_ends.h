// The first and the last pose of a clip, to be drawn over the one that is shown.
#pragma once

#include "view/clay.h"
#include "view/posed_scene.h"

#include <memory>
#include <string>

namespace wembrix::app {

struct PoseEnds {
    std::shared_ptr<PosedScene> first;
    std::shared_ptr<PosedScene> last;
    Mat4 aligned = Mat4::Identity(); ///< carries the last to where the first stands, of a clip that repeats
    bool is_aligned = false;         ///< it goes or turns, so that this says something
};
/// Both ends of a clip of the scene; null when it has no such clip. Takes as long as posing it three times.
std::shared_ptr<const PoseEnds> pose_ends(const std::shared_ptr<const Scene>& scene, const std::string& clip,
                                          double height_m);

} // namespace wembrix::app
