// Surfaces: one array per attribute, all primitives of a mesh one after another in the same arrays.
#pragma once

#include "core/base/shared.h"
#include "core/math/transform.h"
#include "core/scene/carried.h"

#include <array>
#include <cstdint>
#include <string>
#include <tuple>
#include <vector>

namespace wembrix {

/// Which joints influence each vertex of a surface under a skin, as compressed rows: row i is [offsets[i],
/// offsets[i + 1]).
/// Joints are places in the skin's joint list. Weights are as the source gave them; a point is posed
/// by its weights divided by their sum.
struct Influences {
    Shared<uint32_t> offsets; ///< points + 1, or empty when nothing is held
    Shared<uint16_t> joints;
    Shared<float> weights;
    [[nodiscard]] size_t largest_row() const;
    [[nodiscard]] bool empty() const { return offsets.empty(); }
    template <typename Self> static auto fields(Self& s) { return std::tie(s.offsets, s.joints, s.weights); }
};

/// How numbers are stored in a file.
struct NumberFormat {
    enum class Kind : uint8_t { floats, bytes, unsigned_bytes, shorts, unsigned_shorts };
    Kind kind = Kind::floats;
    bool normalised = false; ///< the largest stands for 1
    bool matrix = false;     ///< the numbers of an element are a square matrix
    template <typename Self> static auto fields(Self& s) { return std::tie(s.kind, s.normalised, s.matrix); }
};

/// An attribute beyond position and normal: texture coordinates, colours, and those of the source's own.
struct Attribute {
    std::string name;      ///< "TEXCOORD_0", "COLOR_1", "_WETNESS"
    int width = 0;         ///< floats per point, 1 to 16
    Shared<float> data;    ///< width * points
    NumberFormat format{}; ///< in which one of the source's own came: it goes out so again where its values fit
    template <typename Self> static auto fields(Self& s) { return std::tie(s.name, s.width, s.data, s.format); }
};

/// A morph target: only the points it moves or gives other values. `normals` and `tangents` are empty or as long as
/// `points`.
struct MorphTarget {
    std::string name;
    Shared<uint32_t> points; ///< ascending
    Shared<Vec3f> positions; ///< differences, metres
    Shared<Vec3f> normals;
    Shared<Vec3f> tangents;
    std::vector<Attribute> attributes; ///< differences of the mesh's attributes of these names, width * `points`
    bool has_normals = false;
    bool has_tangents = false;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.points, s.positions, s.normals, s.tangents, s.attributes, s.has_normals,
                        s.has_tangents);
    }
};

/// Values of rows `from` floats wide as rows `to` wide, with `fill` in what is new. Precondition: to is not less.
std::vector<float> widened(const std::vector<float>& values, int from, int to, float fill);

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
struct Primitive {
    uint32_t first_point = 0;
    uint32_t point_count = 0;
    uint32_t first_index = 0;
    uint32_t index_count = 0;
    Topology topology = Topology::triangles;
    int material = -1;
    bool has_normals = true;
    bool has_tangents = false;
    std::vector<std::string> attributes; ///< which of the mesh's further attributes it has
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.first_point, s.point_count, s.first_index, s.index_count, s.topology, s.material,
                        s.has_normals, s.has_tangents, s.attributes, s.carried);
    }
};

struct Mesh {
    std::string name;
    Shared<Vec3f> positions; ///< metres
    Shared<Vec3f> normals;   ///< unit, as long as positions when any primitive has them
    Shared<Vec4f> tangents;  ///< w is the side, +1 or -1
    std::vector<Attribute> attributes;
    Shared<uint32_t> indices; ///< into positions
    std::vector<Primitive> primitives;
    std::vector<MorphTarget> shapes;  ///< morph targets
    std::vector<float> shape_weights; ///< the mesh's own starting weights; may be empty
    bool narrow = false;              ///< its numbers were rounded: a writer may use the narrow forms that they fit
    Carried carried;

    [[nodiscard]] size_t point_count() const { return positions.size(); }
    [[nodiscard]] size_t triangle_count() const;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.positions, s.normals, s.tangents, s.attributes, s.indices, s.primitives, s.shapes,
                        s.shape_weights, s.narrow, s.carried);
    }
};

/// The triangles of a primitive whatever its topology; three points each.
std::vector<std::array<uint32_t, 3>> triangles_of(const Mesh& mesh, const Primitive& primitive);

/// Data carried by `linear` (positions, normals, tangents, shapes); a mirror turns the triangles around.
/// Translation moves positions only.
void transform_geometry(Mesh& mesh, const Mat4& matrix);

} // namespace wembrix
