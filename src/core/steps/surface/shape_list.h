// The shapes of a surface as a list that steps rewrite; starting weights and keys go along.
#pragma once

#include "core/scene/scene.h"

#include <span>
#include <string>
#include <utility>
#include <vector>

namespace wembrix {

/// A shape as it is to be, and what its weight is made of: the sum of old weights, each times a factor.
struct ShapeRow {
    MorphTarget shape;
    std::vector<std::pair<size_t, double>> weight;
};
/// Every shape of a mesh as it stands: the list to begin with.
std::vector<ShapeRow> shape_rows(const Mesh& mesh);
/// Puts the list in place of a mesh's shapes; the starting weights of the mesh and its nodes, and the keys of all
/// clips, follow. Keys of shapes that nothing is made of go.
void set_shapes(Scene& scene, size_t mesh, std::vector<ShapeRow> rows);

/// The meshes of surfaces that fit the patterns (all when there are none) and have shapes, each with a node that shows
/// it.
struct ShapedMesh {
    size_t mesh = 0;
    int node = -1;
};
std::vector<ShapedMesh> shaped_meshes(const Scene& scene, const std::vector<std::string>& surfaces);
/// One mark a shape: those that fit a pattern; all when there are none.
std::vector<char> chosen_shapes(const Mesh& mesh, const std::vector<std::string>& shapes);
/// "A" of a list that no other shape of the mesh is called: "A", "A_2", …
std::string free_shape_name(std::span<const ShapeRow> rows, const std::string& wanted);

/// A shape from differences of all vertices; those shorter than a millionth of `size_m` are left out.
MorphTarget sparse_shape(const std::string& name, const std::vector<Vec3f>& differences, double size_m);
/// The farthest that a shape moves a vertex, in mm.
double reach_mm(const MorphTarget& shape);

} // namespace wembrix
