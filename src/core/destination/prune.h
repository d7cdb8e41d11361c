// A delivery holds only what is kept: materials and pictures that no surface uses any more go.
#pragma once

#include "core/formats/format.h"
#include "core/scene/scene.h"

namespace wembrix {

/// Removes curves, hulls, caches, cameras and lights that no node places.
void drop_unplaced(Scene& scene);

/// Takes off what a container of these contents has no place for: cameras, lights and curves, and what a source says
/// beyond what core reads.
void drop_not_held(Scene& scene, Contents holds);

/// Removes materials that no part of a placed surface uses, in no variant either, then the textures, images and
/// samplers that only those used.
void drop_unused_materials(Scene& scene);

} // namespace wembrix
