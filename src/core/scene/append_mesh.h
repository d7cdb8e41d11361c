// Two surfaces' data in one.
#pragma once

#include "core/base/result.h"
#include "core/scene/mesh.h"

namespace wembrix {

/// Adds the points, attributes, indices and primitives of `from` behind those of `to`; primitives stay primitives.
/// Where only one of the two has an attribute, the other's points have zeros in it and its primitives go without.
/// Influences and shapes are not touched. A Problem when both have one of the same name in other widths (colours are
/// widened).
Outcome append_mesh(Mesh& to, const Mesh& from);

} // namespace wembrix
