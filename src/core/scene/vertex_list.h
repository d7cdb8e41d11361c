// Rewrites the vertices of a surface: split, merged or put in another order, with all that stands on them.
#pragma once

#include "core/base/result.h"
#include "core/scene/scene.h"

#include <cstdint>
#include <vector>

namespace wembrix {

/// One primitive as it is to be: each new vertex is a copy of an old one of the same primitive.
struct NewVertices {
    std::vector<uint32_t> from;    ///< old vertices, of the mesh
    std::vector<uint32_t> indices; ///< into `from`
};

/// Puts the lists in place, one a primitive. Positions, normals, tangents, attributes, shapes, the influences of all
/// nodes that show the mesh, what they were joined from, and caches of their places follow.
void set_vertices(Scene& scene, size_t mesh, const std::vector<NewVertices>& primitives);

/// Whether two primitives may be one: faces of one material, with values of the same kinds.
bool fit_together(const Primitive& a, const Primitive& b);

/// What a primitive is now, as such a list; strips and fans become triangles.
NewVertices vertices_of(const Mesh& mesh, const Primitive& primitive);

} // namespace wembrix
