#include "core/scene/mesh.h"

#include <Eigen/LU>
#include <algorithm>
#include <cassert>

namespace wembrix {

size_t Influences::largest_row() const {
    size_t largest = 0;
    for (size_t i = 0; i + 1 < offsets.size(); ++i) {
        largest = std::max<size_t>(largest, offsets[i + 1] - offsets[i]);
    }
    return largest;
}

size_t Mesh::triangle_count() const {
    size_t count = 0;
    for (const Primitive& primitive : primitives) {
        const size_t n = primitive.index_count;
        if (primitive.topology == Topology::triangles) {
            count += n / 3;
        } else if (primitive.topology == Topology::strip || primitive.topology == Topology::fan) {
            count += n < 3 ? 0 : n - 2;
        }
    }
    return count;
}

std::vector<float> widened(const std::vector<float>& values, int from, int to, float fill) {
    assert(from > 0 && to >= from);
    const size_t rows = values.size() / static_cast<size_t>(from);
    std::vector<float> wide;
    wide.reserve(rows * static_cast<size_t>(to));
    for (size_t row = 0; row < rows; ++row) {
        const auto first = values.begin() + static_cast<ptrdiff_t>(row) * from;
        wide.insert(wide.end(), first, first + from);
        wide.insert(wide.end(), static_cast<size_t>(to - from), fill);
    }
    return wide;
}

std::vector<std::array<uint32_t, 3>> triangles_of(const Mesh& mesh, const Primitive& primitive) {
    std::vector<std::array<uint32_t, 3>> result;
    const uint32_t* index = mesh.indices.data() + primitive.first_index;
    const uint32_t n = primitive.index_count;
    switch (primitive.topology) {
    case Topology::triangles:
        result.reserve(n / 3);
        for (uint32_t i = 0; i + 2 < n; i += 3) {
            result.push_back({index[i], index[i + 1], index[i + 2]});
        }
        break;
    case Topology::strip:
        for (uint32_t i = 0; i + 2 < n; ++i) {
            result.push_back({index[i], index[i + 1 + i % 2], index[i + 2 - i % 2]});
        }
        break;
    case Topology::fan:
        for (uint32_t i = 1; i + 1 < n; ++i) {
            result.push_back({index[i], index[i + 1], index[0]});
        }
        break;
    default:
        break;
    }
    return result;
}

namespace {

void turn_triangles_around(Mesh& mesh) {
    std::vector<uint32_t>& indices = mesh.indices.edit();
    for (Primitive& primitive : mesh.primitives) {
        if (primitive.topology == Topology::triangles) {
            for (uint32_t i = 0; i + 2 < primitive.index_count; i += 3) {
                std::swap(indices[primitive.first_index + i + 1], indices[primitive.first_index + i + 2]);
            }
        } else if (primitive.topology == Topology::fan && primitive.index_count > 2) {
            std::reverse(indices.begin() + primitive.first_index + 1,
                         indices.begin() + primitive.first_index + primitive.index_count);
        } else if (primitive.topology == Topology::strip) {
            // A strip has no order of its own that faces the other way; it becomes plain triangles.
            std::vector<uint32_t> flat;
            for (const auto& triangle : triangles_of(mesh, primitive)) {
                flat.insert(flat.end(), {triangle[0], triangle[2], triangle[1]});
            }
            primitive.first_index = static_cast<uint32_t>(indices.size());
            primitive.index_count = static_cast<uint32_t>(flat.size());
            primitive.topology = Topology::triangles;
            indices.insert(indices.end(), flat.begin(), flat.end());
        }
    }
}

} // namespace

void transform_geometry(Mesh& mesh, const Mat4& matrix) {
    if (matrix == Mat4::Identity()) {
        return;
    }
    const Mat3 linear = linear_of(matrix);
    const Vec3 offset = matrix.topRightCorner<3, 1>();
    for (Vec3f& p : mesh.positions.edit()) {
        p = (linear * p.cast<double>() + offset).cast<float>();
    }
    const bool mirror = linear.determinant() < 0;
    const Vec3f* old_normals = nullptr;
    Shared<Vec3f> before = mesh.normals;
    if (!linear.isIdentity(0)) {
        const Mat3 carry = normal_matrix(matrix);
        for (Vec3f& n : mesh.normals.edit()) {
            const Vec3 turned = carry * n.cast<double>();
            const double length = turned.norm();
            n = length > 0 ? (turned / length).cast<float>() : n;
        }
        old_normals = before.data();
        for (Vec4f& t : mesh.tangents.edit()) {
            const Vec3 turned = linear * t.head<3>().cast<double>();
            const double length = turned.norm();
            if (length > 0) {
                t.head<3>() = (turned / length).cast<float>();
            }
            t.w() = mirror ? -t.w() : t.w();
        }
        for (MorphTarget& shape : mesh.shapes) {
            for (Vec3f& d : shape.positions.edit()) {
                d = (linear * d.cast<double>()).cast<float>();
            }
            const Shared<uint32_t> points = shape.points;
            std::vector<Vec3f>& normals = shape.normals.edit();
            for (size_t i = 0; i < normals.size() && old_normals != nullptr; ++i) {
                // The shaped normal turns as a normal does; what is stored is its difference from the base.
                const Vec3 base = old_normals[points[i]].cast<double>();
                const Vec3 carried = carry * base;
                const double length = carried.norm();
                normals[i] = length > 0 ? ((carry * normals[i].cast<double>()) / length).cast<float>() : normals[i];
            }
            const double size = std::cbrt(std::abs(linear.determinant()));
            for (Vec3f& t : shape.tangents.edit()) {
                t = size > 0 ? (linear * t.cast<double>() / size).cast<float>() : t;
            }
        }
    }
    if (mirror) {
        turn_triangles_around(mesh);
    }
}

} // namespace wembrix
