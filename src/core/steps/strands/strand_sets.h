// The strands that a step is about: told by the name of the node that carries them.
#pragma once

#include "core/base/result.h"
#include "core/measure/strands/strand_surface.h"
#include "core/scene/scene.h"

#include <string>

namespace wembrix {

/// The node of that name that carries curves; where the name is empty, the only one that does.
Result<int> strands_named(const Scene& scene, const std::string& name);

/// The surface that the curves of a node grow on; a Problem that says what to do where there is none.
Result<int> surface_of_strands(const Scene& scene, int node);

/// Both at once.
struct RootedStrands {
    int node = -1;
    int surface = -1;
    size_t set = 0; ///< place in Scene::curve_sets
};
Result<RootedStrands> rooted_strands_named(const Scene& scene, const std::string& name);

/// The surface of that name, or the only one where it is empty.
Result<int> emitter_named(const Scene& scene, const std::string& name);

} // namespace wembrix
