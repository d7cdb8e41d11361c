// Shapes across the plane between left and right.
#pragma once

#include "core/measure/surface/surface_mirror.h"
#include "core/scene/scene.h"

namespace wembrix {

/// From the mesh's own space at rest to the world, turn and stretch only: the skin's first joint's world times inverse
/// bind, or the node's world.
Mat3 mesh_to_world(const Scene& scene, int node);

/// The shape that does on the other side what this one does: of each vertex that has an answer, its difference
/// mirrored. `unanswered` counts vertices of the shape without one.
MorphTarget mirrored_shape(const MorphTarget& shape, const SurfaceMirror& mirror, const Sides& sides,
                           const Mat3& to_world, size_t& unanswered);

/// Each difference times a factor of its vertex.
MorphTarget weighted_shape(const MorphTarget& shape, const std::vector<float>& factors);

} // namespace wembrix
