// Turns and moves a whole scene as one piece, or what stands by itself in it.
#pragma once

#include "core/scene/scene.h"

namespace wembrix {

/// Carries everything by `turn`, then `move` (metres): joints, keys and their tangents, skinned surfaces with their
/// shapes and binds. What stands at the top of the tree takes it; all below follows.
void place_all(Scene& scene, const Quat& turn, const Vec3& move);

/// The same for some of the scene: `chosen` has one value a node, and holds whole trees with all that their skins tie
/// to them (Prop::nodes).
void place_some(Scene& scene, const Quat& turn, const Vec3& move, const std::vector<char>& chosen);

/// Makes everything larger or smaller by one factor about the origin: joints, surfaces, shapes, keys, binds.
void scale_all(Scene& scene, double factor);

} // namespace wembrix
