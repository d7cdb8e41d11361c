// One mesh a node: before what nodes share is to differ.
#pragma once

#include "core/scene/scene.h"

namespace wembrix {

enum class Meshes { all, skinned };
/// Gives every node that shows a mesh one of its own: their places are to differ. With `skinned`, only meshes that a
/// skinned node shows, too.
void own_meshes(Scene& scene, Meshes which = Meshes::all);

} // namespace wembrix
