// A scene for a picture that moves: the same character of fewer vertices.
#pragma once

#include "core/scene/scene.h"

namespace wembrix {

/// Surfaces with about `vertices` vertices in all, each of them one of the scene's own, with its weights, shapes and
/// colours: of vertices near one another at rest, held mostly by one joint and facing the same way, one stands for all.
/// Triangles that shrink to a line are gone, and so are tangents, attributes beyond colours, and caches. Nodes, skins,
/// shapes, clips and materials are as they were; a scene that has no more vertices is returned as it is.
Scene coarser(const Scene& scene, size_t vertices);

} // namespace wembrix
