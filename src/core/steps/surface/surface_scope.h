// Which surfaces a step is about, where it is about whole meshes.
#pragma once

#include "core/steps/step_kind.h"

#include <string>
#include <vector>

namespace wembrix {

struct SurfaceScope {
    std::vector<std::string> surfaces; ///< with * and ?; empty: all
};

/// A step's own parameters, and behind them that one. A settings struct derives from SurfaceScope, and from nothing
/// before it.
std::vector<Parameter> with_surface_scope(std::vector<Parameter> own);

/// The meshes of those surfaces, each once; a mesh that two nodes show is changed for both.
std::vector<size_t> meshes_in_scope(const Scene& scene, const SurfaceScope& scope);

} // namespace wembrix
