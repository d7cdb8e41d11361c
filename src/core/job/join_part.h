// A source whose surfaces stand on the skeleton that is there already: it gives them to it, whatever its unit, its axes
// and its prefixes.
#pragma once

#include "core/scene/named_scene.h"

#include <string>
#include <vector>

namespace wembrix {

/// Which rest pose holds where a part rests otherwise than the skeleton that it joins.
enum class RestOf : uint8_t {
    nobody_said, ///< that of the skeleton, and the delivery is held until somebody says so
    first,       ///< that of the skeleton: the part's surfaces follow it
    part         ///< that of the part: what was there follows it
};

/// The surface of `base` that a surface of `other` is once more: of the same name, prefixes aside, with as many
/// vertices in the same triangles; or -1. `by_vertices`: whatever its name.
int twin_of(const Scene& base, const Scene& other, int surface, bool by_vertices = false);

/// Surfaces of `part` that are none of the base's, and what hangs on its joints, come under the base's joints; joints
/// that the base does not have come below those they hang on. Where both rest alike, nothing that comes moves; where
/// not, see RestOf, and `fit` gets how far they are apart. Clips and shapes are left to others. What had no place is
/// said in the base's notes.
/// `leave` are surfaces (nodes of the part) that do not come.
void join_part(Scene& base, NamedScene part, int64_t identity, RestOf rest, const std::vector<int>& leave,
               SourceFit& fit);

/// Gives the shapes of surfaces of `from` to their twins in `base`; weights that are keyed there get the new ones at
/// rest. How many there were.
size_t join_shapes(Scene& base, const NamedScene& from, bool by_vertices);

} // namespace wembrix
