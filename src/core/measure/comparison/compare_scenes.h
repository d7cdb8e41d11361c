// Everything that one scene holds against another one: nodes, rest transforms, surfaces with all their data, shapes,
// materials, cameras, lights, what is carried along, and motion.
#pragma once

#include "core/measure/comparison/claim.h"
#include "core/scene/scene.h"

#include <vector>

namespace wembrix {

/// One claim a subject, each with what differs; subjects that neither scene has anything of are left out. Nodes are
/// paired by name. Arrays have to be equal number for number; transforms, which are written in float, to a millionth.
std::vector<Claim> compare_scenes(const Scene& expected, const Scene& actual);

/// Clips of one name, and how far apart they and the rest poses hold surfaces and joints, at `moments_a_frame` moments
/// of each frame; more than `limit_mm` does not pass.
std::vector<Claim> compare_motion(const Scene& expected, const Scene& actual, double limit_mm);

struct MotionRequest {
    const Scene* expected = nullptr;
    const Clip* expected_clip = nullptr;
    const Scene* actual = nullptr; ///< of the clip's own file
    const Clip* actual_clip = nullptr;
    double rate = 30; ///< frames per second
    int frames = 1;
    double limit_mm = 0.5;       ///< the furthest that a node may stand from its place
    double limit_radians = 2e-4; ///< the largest angle that rounding to float explains
};
/// Where each node of a clip's file stands in the world and how it is rotated, at every frame.
Claim compare_node_motion(const MotionRequest& request);

/// Whether any of those claims compared something.
bool compared_anything(const std::vector<Claim>& claims);

} // namespace wembrix
