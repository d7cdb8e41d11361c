// Triangles without area.
#pragma once

#include "core/scene/mesh.h"

namespace wembrix {

/// Triangles that name a point twice, or whose height over their longest side is below 1e-6 of that side.
size_t flat_triangles(const Mesh& mesh);

} // namespace wembrix
