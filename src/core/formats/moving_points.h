// Points that move, frame by frame, for files that are too large to be held in memory: one frame is.
#pragma once

#include "core/base/result.h"
#include "core/scene/scene.h"

#include <functional>
#include <vector>

namespace wembrix {

/// Of the surface or the curves that one node of a scene carries. Precondition: the node stands at the top, at its
/// origin, so that its space is the scene's.
struct MovingPoints {
    int node = -1;
    double rate = 30; ///< frames per second
    int frames = 0;   ///< none: it stands still
    bool has_normals = false;
    /// The places of all its points, in the scene's space; and its unit normals, where it has them. Asked for each
    /// frame once, in order, by a writer.
    std::function<Outcome(int frame, std::vector<Vec3f>& points, std::vector<Vec3f>& normals)> at;
};

/// A file of such points, opened: all else that is in it, and its frames one by one.
struct MovingFile {
    Scene scene;         ///< at rest
    MovingPoints points; ///< of one of its nodes
};

} // namespace wembrix
