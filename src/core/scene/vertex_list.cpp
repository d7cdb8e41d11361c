#include "core/scene/vertex_list.h"

#include <algorithm>
#include <cassert>
#include <numeric>

namespace wembrix {

namespace {

template <typename T> Shared<T> gathered(const Shared<T>& values, const std::vector<uint32_t>& from, size_t width = 1) {
    if (values.empty()) {
        return values;
    }
    std::vector<T> result;
    result.reserve(from.size() * width);
    for (const uint32_t old : from) {
        for (size_t c = 0; c < width; ++c) {
            result.push_back(values[old * width + c]);
        }
    }
    return result;
}

/// For each old vertex its new ones: rows [first[i], first[i + 1]) of `to`.
struct Copies {
    std::vector<uint32_t> first;
    std::vector<uint32_t> to;
    Copies(const std::vector<uint32_t>& from, size_t old_count) : first(old_count + 1, 0), to(from.size()) {
        for (const uint32_t old : from) {
            ++first[old + 1];
        }
        std::partial_sum(first.begin(), first.end(), first.begin());
        std::vector<uint32_t> next(first.begin(), first.end() - 1);
        for (size_t i = 0; i < from.size(); ++i) {
            to[next[from[i]]++] = static_cast<uint32_t>(i);
        }
    }
};

MorphTarget gathered(const MorphTarget& shape, const Copies& copies) {
    std::vector<std::pair<uint32_t, uint32_t>> rows; // new vertex, row of the shape
    for (size_t k = 0; k < shape.points.size(); ++k) {
        for (uint32_t c = copies.first[shape.points[k]]; c < copies.first[shape.points[k] + 1]; ++c) {
            rows.emplace_back(copies.to[c], static_cast<uint32_t>(k));
        }
    }
    std::sort(rows.begin(), rows.end());
    std::vector<uint32_t> points;
    std::vector<uint32_t> from;
    for (const auto& [vertex, row] : rows) {
        points.push_back(vertex);
        from.push_back(row);
    }
    MorphTarget result = shape;
    result.points = std::move(points);
    result.positions = gathered(shape.positions, from);
    result.normals = gathered(shape.normals, from);
    result.tangents = gathered(shape.tangents, from);
    for (size_t a = 0; a < shape.attributes.size(); ++a) {
        result.attributes[a].data =
            gathered(shape.attributes[a].data, from, static_cast<size_t>(shape.attributes[a].width));
    }
    return result;
}

Influences gathered(const Influences& influences, const std::vector<uint32_t>& from) {
    if (influences.empty()) {
        return influences;
    }
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> joints;
    std::vector<float> weights;
    for (const uint32_t old : from) {
        for (uint32_t k = influences.offsets[old]; k < influences.offsets[old + 1]; ++k) {
            joints.push_back(influences.joints[k]);
            weights.push_back(influences.weights[k]);
        }
        offsets.push_back(static_cast<uint32_t>(joints.size()));
    }
    return {std::move(offsets), std::move(joints), std::move(weights)};
}

void gather_cache(PointCache& cache, const std::vector<uint32_t>& from, size_t old_count) {
    std::vector<uint32_t> all;
    for (int frame = 0; frame < cache.frames; ++frame) {
        for (const uint32_t old : from) {
            all.push_back(static_cast<uint32_t>(static_cast<size_t>(frame) * old_count) + old);
        }
    }
    cache.positions = gathered(cache.positions, all);
    cache.normals = gathered(cache.normals, all);
}

} // namespace

NewVertices vertices_of(const Mesh& mesh, const Primitive& primitive) {
    NewVertices list;
    list.from.resize(primitive.point_count);
    std::iota(list.from.begin(), list.from.end(), primitive.first_point);
    if (primitive.topology >= Topology::triangles) {
        for (const std::array<uint32_t, 3>& triangle : triangles_of(mesh, primitive)) {
            for (const uint32_t corner : triangle) {
                list.indices.push_back(corner - primitive.first_point);
            }
        }
    } else {
        for (uint32_t i = 0; i < primitive.index_count; ++i) {
            list.indices.push_back(mesh.indices[primitive.first_index + i] - primitive.first_point);
        }
    }
    return list;
}

void set_vertices(Scene& scene, size_t place, const std::vector<NewVertices>& primitives) {
    Mesh& mesh = scene.meshes[place];
    assert(primitives.size() == mesh.primitives.size());
    const size_t old_count = mesh.point_count();
    std::vector<uint32_t> from;
    std::vector<uint32_t> indices;
    std::vector<uint32_t> old_first;
    for (size_t p = 0; p < primitives.size(); ++p) {
        Primitive& primitive = mesh.primitives[p];
        old_first.push_back(primitive.first_point);
        const auto first = static_cast<uint32_t>(from.size());
        const auto first_index = static_cast<uint32_t>(indices.size());
        from.insert(from.end(), primitives[p].from.begin(), primitives[p].from.end());
        for (const uint32_t index : primitives[p].indices) {
            indices.push_back(first + index);
        }
        primitive.first_point = first;
        primitive.point_count = static_cast<uint32_t>(primitives[p].from.size());
        primitive.first_index = first_index;
        primitive.index_count = static_cast<uint32_t>(primitives[p].indices.size());
        if (primitive.topology >= Topology::triangles) {
            primitive.topology = Topology::triangles;
        }
    }
    mesh.positions = gathered(mesh.positions, from);
    mesh.normals = gathered(mesh.normals, from);
    mesh.tangents = gathered(mesh.tangents, from);
    for (Attribute& attribute : mesh.attributes) {
        attribute.data = gathered(attribute.data, from, static_cast<size_t>(attribute.width));
    }
    mesh.indices = std::move(indices);
    const Copies copies(from, old_count);
    for (MorphTarget& shape : mesh.shapes) {
        shape = gathered(shape, copies);
    }
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        Node& node = scene.nodes[n];
        if (node.mesh != static_cast<int>(place)) {
            continue;
        }
        node.influences = gathered(node.influences, from);
        for (Piece& piece : node.pieces) { // a piece is a run of primitives
            uint32_t first = 0xFFFFFFFF;
            uint32_t count = 0;
            for (size_t p = 0; p < primitives.size(); ++p) {
                if (old_first[p] >= piece.first_point && old_first[p] < piece.first_point + piece.point_count) {
                    first = std::min(first, mesh.primitives[p].first_point);
                    count += mesh.primitives[p].point_count;
                }
            }
            if (count > 0) {
                piece.first_point = first;
                piece.point_count = count;
            }
        }
        for (PointCache& cache : scene.caches) {
            if (cache.surface == static_cast<int>(n)) {
                gather_cache(cache, from, old_count);
            }
        }
    }
}

bool fit_together(const Primitive& a, const Primitive& b) {
    const bool faces = a.topology >= Topology::triangles && b.topology >= Topology::triangles;
    return a.material == b.material && faces && a.has_normals == b.has_normals && a.has_tangents == b.has_tangents &&
           a.attributes == b.attributes;
}

} // namespace wembrix
