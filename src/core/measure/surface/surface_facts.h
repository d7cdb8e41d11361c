// What a practitioner reads off surfaces before sending them on: influences, shapes, material slots, as rows.
#pragma once

#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

/// How many vertices have how many joints with a weight above 0: row k of `vertices` for k joints, over the given
/// surfaces. Those without a skin do not count.
std::vector<size_t> influence_histogram(const Scene& scene, const std::vector<int>& surfaces);

struct ShapeFacts {
    int node = -1;    ///< the surface
    size_t shape = 0; ///< its place in the mesh's list
    std::string name;
    double reach_mm = 0;  ///< the farthest that it moves a vertex at full weight
    size_t vertices = 0;  ///< that it moves
    double starts_at = 0; ///< weight at rest
    bool has_normals = false;
    std::vector<std::string> keyed_in; ///< clips that change its weight
    std::string answers; ///< the shape of the same surface that has its name with the other side's word; empty: none
};
/// Of all surfaces, surface by surface, in the order that files list them.
std::vector<ShapeFacts> shape_facts(const Scene& scene);

struct SlotFacts {
    int node = -1;
    size_t slot = 0;   ///< place in the surface's list
    int material = -1; ///< place in Scene::materials; -1: none
    size_t triangles = 0;
    size_t vertices = 0;
};
std::vector<SlotFacts> slot_facts(const Scene& scene);

} // namespace wembrix
