// Turns and moves a whole scene as one piece.
#pragma once

#include "core/scene/scene.h"

namespace wembrix {

/// Carries everything by `turn`, then `move` (metres): joints, keys and their tangents, skinned surfaces with their
/// shapes and binds. What stands at the top of the tree takes it; all below follows.
void place_all(Scene& scene, const Quat& turn, const Vec3& move);

} // namespace wembrix
