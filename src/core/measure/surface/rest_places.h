// Where the vertices of one surface stand at rest.
#pragma once

#include "core/scene/scene.h"

#include <vector>

namespace wembrix {

/// World places, metres, one per vertex of the node's mesh: shapes at their starting weights, then the skin.
std::vector<Vec3f> rest_places(const Scene& scene, int node);

} // namespace wembrix
