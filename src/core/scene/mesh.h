// Surfaces: one array per attribute, all parts of a mesh one after another in the same arrays.
#pragma once

#include "core/base/shared.h"
#include "core/math/transform.h"
#include "core/scene/carried.h"

#include <array>
#include <cstdint>
#include <string>
#include <vector>

namespace wembrix {

/// Which joints hold each point, as compressed rows: row i is [offsets[i], offsets[i + 1]).
/// Joints are places in the skin's joint list. Weights are as the source gave them; a point is posed
/// by its weights divided by their sum.
struct Influences {
    Shared<uint32_t> offsets; ///< points + 1, or empty when nothing is held
    Shared<uint16_t> joints;
    Shared<float> weights;
    [[nodiscard]] size_t largest_row() const;
};

/// A morph target: only the points it moves. `normals` and `tangents` are empty or as long as `points`.
struct Shape {
    std::string name;
    Shared<uint32_t> points; ///< ascending
    Shared<Vec3f> positions; ///< differences, metres
    Shared<Vec3f> normals;
    Shared<Vec3f> tangents;
    bool has_normals = false;
    bool has_tangents = false;
};

/// An attribute beyond position and normal: texture coordinates, colours, and those of the source's own.
struct Attribute {
    std::string name;   ///< "TEXCOORD_0", "COLOR_1", "_WETNESS"
    int width = 0;      ///< floats per point, 1 to 16
    Shared<float> data; ///< width * points
};

enum class Topology : uint8_t {
    points = 0,
    lines = 1,
    line_loop = 2,
    line_strip = 3,
    triangles = 4,
    strip = 5,
    fan = 6
};

/// A run of points and indices with one material.
struct Part {
    uint32_t first_point = 0;
    uint32_t point_count = 0;
    uint32_t first_index = 0;
    uint32_t index_count = 0;
    Topology topology = Topology::triangles;
    int material = -1;
    bool has_normals = true;
    bool has_tangents = false;
    std::vector<std::string> attributes; ///< which of the mesh's further attributes this part has
    Carried carried;
};

struct Mesh {
    std::string name;
    Shared<Vec3f> positions; ///< metres
    Shared<Vec3f> normals;   ///< unit, as long as positions when any part has them
    Shared<Vec4f> tangents;  ///< w is the side, +1 or -1
    std::vector<Attribute> attributes;
    Shared<uint32_t> indices; ///< into positions
    std::vector<Part> parts;
    Influences influences;
    std::vector<Shape> shapes;
    std::vector<float> shape_weights; ///< the mesh's own starting weights; may be empty
    Carried carried;

    [[nodiscard]] size_t point_count() const { return positions.size(); }
    [[nodiscard]] size_t triangle_count() const;
};

/// The triangles of a part whatever its topology; three points each.
std::vector<std::array<uint32_t, 3>> triangles_of(const Mesh& mesh, const Part& part);

/// Data carried by `linear` (positions, normals, tangents, shapes); a mirror turns the triangles around.
/// Translation moves positions only.
void transform_mesh(Mesh& mesh, const Mat4& matrix);

} // namespace wembrix
