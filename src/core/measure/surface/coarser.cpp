#include "core/measure/surface/coarser.h"

#include "core/scene/vertex_list.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <set>
#include <unordered_map>
#include <vector>

namespace wembrix {

namespace {

/// Vertices of one kind within one cell are one.
struct Square {
    std::array<int32_t, 3> at = {};
    uint32_t kind = 0; ///< primitive, joint and side that it faces
    bool operator==(const Square&) const = default;
};
struct CellHash {
    size_t operator()(const Square& cell) const {
        uint64_t hash = cell.kind;
        for (const int32_t at : cell.at) {
            hash = (hash ^ static_cast<uint32_t>(at)) * 0x9E3779B97F4A7C15U;
        }
        return static_cast<size_t>(hash ^ (hash >> 32U));
    }
};

class Clusters {
  public:
    Clusters(const Scene& scene, size_t mesh) : mesh_(scene.meshes[mesh]), kinds_(mesh_.point_count(), 0) {
        const Influences* influences = nullptr;
        for (const Node& node : scene.nodes) {
            if (node.mesh == static_cast<int>(mesh) && !node.influences.empty()) {
                influences = &node.influences;
            }
        }
        for (size_t p = 0; p < mesh_.primitives.size(); ++p) {
            const Primitive& primitive = mesh_.primitives[p];
            for (uint32_t v = primitive.first_point; v < primitive.first_point + primitive.point_count; ++v) {
                kinds_[v] = static_cast<uint32_t>(p) * 6 + side_faced(v);
                if (influences != nullptr) {
                    kinds_[v] += 1 + heaviest(*influences, v) * static_cast<uint32_t>(mesh_.primitives.size()) * 6;
                }
            }
        }
        if (mesh_.point_count() > 0) {
            low_ = high_ = mesh_.positions[0];
            for (const Vec3f& at : mesh_.positions) {
                low_ = low_.cwiseMin(at);
                high_ = high_.cwiseMax(at);
            }
        }
    }

    /// For each vertex the one that stands for it, with cells as large as it takes to have at most `most`.
    [[nodiscard]] std::vector<uint32_t> stand_ins(size_t most) const {
        const float across = std::max((high_ - low_).maxCoeff(), 1e-6F);
        float fine = across / 4096;
        float wide = across;
        for (int halving = 0; halving < 9; ++halving) {
            const float size = std::sqrt(fine * wide);
            (count(size) > most ? fine : wide) = size;
        }
        std::unordered_map<Square, uint32_t, CellHash> first;
        std::vector<uint32_t> to(mesh_.point_count());
        for (uint32_t v = 0; v < to.size(); ++v) {
            to[v] = first.try_emplace(cell_of(v, wide), v).first->second;
        }
        return to;
    }

  private:
    [[nodiscard]] uint32_t side_faced(uint32_t v) const {
        if (mesh_.normals.empty()) {
            return 0;
        }
        int axis = 0;
        const float most = mesh_.normals[v].cwiseAbs().maxCoeff(&axis);
        return static_cast<uint32_t>(axis) * 2 + (most > 0 && mesh_.normals[v][axis] < 0 ? 1 : 0);
    }
    static uint32_t heaviest(const Influences& influences, uint32_t v) {
        uint32_t best = influences.offsets[v];
        for (uint32_t i = best; i < influences.offsets[v + 1]; ++i) {
            best = influences.weights[i] > influences.weights[best] ? i : best;
        }
        return best < influences.offsets[v + 1] ? influences.joints[best] : 0U;
    }
    [[nodiscard]] Square cell_of(uint32_t v, float size) const {
        const Vec3f at = (mesh_.positions[v] - low_) / size;
        return {{static_cast<int32_t>(at.x()), static_cast<int32_t>(at.y()), static_cast<int32_t>(at.z())}, kinds_[v]};
    }
    [[nodiscard]] size_t count(float size) const {
        std::vector<uint64_t> hashes(mesh_.point_count());
        for (uint32_t v = 0; v < hashes.size(); ++v) {
            hashes[v] = CellHash()(cell_of(v, size));
        }
        std::sort(hashes.begin(), hashes.end());
        return static_cast<size_t>(std::unique(hashes.begin(), hashes.end()) - hashes.begin());
    }

    const Mesh& mesh_;
    std::vector<uint32_t> kinds_;
    Vec3f low_ = Vec3f::Zero();
    Vec3f high_ = Vec3f::Zero();
};

/// The primitive by the vertices that stand for its own; no triangle twice.
NewVertices coarser_primitive(const Mesh& mesh, const Primitive& primitive, const std::vector<uint32_t>& stand_in) {
    const NewVertices old = vertices_of(mesh, primitive);
    NewVertices list;
    std::vector<uint32_t> number(primitive.point_count, std::numeric_limits<uint32_t>::max());
    const auto of = [&](uint32_t index) {
        const uint32_t v = stand_in[old.from[index]];
        uint32_t& own = number[v - primitive.first_point];
        if (own == std::numeric_limits<uint32_t>::max()) {
            own = static_cast<uint32_t>(list.from.size());
            list.from.push_back(v);
        }
        return own;
    };
    if (primitive.topology < Topology::triangles) {
        for (const uint32_t index : old.indices) {
            list.indices.push_back(of(index));
        }
        return list;
    }
    std::set<std::array<uint32_t, 3>> there;
    for (size_t i = 0; i + 2 < old.indices.size(); i += 3) {
        const uint32_t a = stand_in[old.from[old.indices[i]]];
        const uint32_t b = stand_in[old.from[old.indices[i + 1]]];
        const uint32_t c = stand_in[old.from[old.indices[i + 2]]];
        if (a == b || b == c || c == a) {
            continue;
        }
        // From the least on, so that one that is turned over is another.
        const std::array<uint32_t, 3> triangle = a < b && a < c   ? std::array{a, b, c}
                                                 : b < a && b < c ? std::array{b, c, a}
                                                                  : std::array{c, a, b};
        if (there.insert(triangle).second) {
            for (size_t k = 0; k < 3; ++k) {
                list.indices.push_back(of(old.indices[i + k]));
            }
        }
    }
    return list;
}

} // namespace

Scene coarser(const Scene& scene, size_t vertices) {
    size_t all = 0;
    for (const Mesh& mesh : scene.meshes) {
        all += mesh.point_count();
    }
    if (all <= vertices) {
        return scene;
    }
    Scene result = scene;
    result.caches.clear();
    for (size_t m = 0; m < scene.meshes.size(); ++m) {
        Mesh& mesh = result.meshes[m];
        mesh.tangents = {};
        for (Primitive& primitive : mesh.primitives) {
            primitive.has_tangents = false;
            std::erase_if(primitive.attributes, [](const std::string& name) { return name != "COLOR_0"; });
        }
        std::erase_if(mesh.attributes, [](const Attribute& one) { return one.name != "COLOR_0"; });
        for (MorphTarget& shape : mesh.shapes) {
            shape.attributes.clear();
            shape.tangents = {};
            shape.has_tangents = false;
        }
        const size_t share = std::max<size_t>(8, vertices * mesh.point_count() / all);
        const std::vector<uint32_t> stand_in = Clusters(scene, m).stand_ins(share);
        std::vector<NewVertices> lists;
        for (const Primitive& primitive : scene.meshes[m].primitives) {
            lists.push_back(coarser_primitive(scene.meshes[m], primitive, stand_in));
        }
        set_vertices(result, m, lists);
    }
    return result;
}

} // namespace wembrix
