// A surface that somebody sculpted, as a source holds it, against one that is here.
#pragma once

#include "core/base/result.h"
#include "core/steps/step_kind.h"

#include <string>
#include <vector>

namespace wembrix {

/// World places for the vertices of a surface here, from a source's.
struct Sculpt {
    std::vector<Vec3f> places;
    std::vector<char> known; ///< one per vertex; 0: nothing of the sculpt is this vertex
    size_t unknown = 0;
    bool by_order = true; ///< else by place
};

/// The surface `named` of the source (its only one, or the only one of as many vertices, when the name is empty), at
/// rest. With as many vertices as `node` has, vertex for vertex; else by place: for each vertex, where it stands in
/// `standing`, the nearest of the sculpt's within `tolerance_m`.
Result<Sculpt> find_sculpt(const StepContext& context, const std::string& source, const std::string& named, int node,
                           const std::vector<Vec3f>& standing, double tolerance_m);

/// The surface that a shape is to be added to: by its name, or the only one that is skinned or has shapes.
Result<int> find_shaped_surface(const Scene& scene, const std::string& name);

/// Puts a shape in, in place of one of the same name, whose keys stay.
void put_shape(Scene& scene, int node, MorphTarget shape);

} // namespace wembrix
