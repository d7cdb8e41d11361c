// Binds skinned surfaces anew in the pose that their joints have: the points are moved to where that pose puts them.
#pragma once

#include "core/scene/scene.h"

namespace wembrix {

/// `world`: one matrix per node, the pose to bind in, which is to be the rest pose. Shapes turn with the points they
/// move. Points that several joints hold move differently afterwards: no bind pose but the old one is exact for them.
void rebind_surfaces(Scene& scene, const std::vector<Mat4>& world);

} // namespace wembrix
