#include "core/measure/surface/surface_facts.h"

#include "core/measure/skeleton/pairs.h"

#include <algorithm>

namespace wembrix {

std::vector<size_t> influence_histogram(const Scene& scene, const std::vector<int>& surfaces) {
    std::vector<size_t> vertices;
    for (const int surface : surfaces) {
        const Influences& rows = scene.nodes[static_cast<size_t>(surface)].influences;
        for (size_t v = 0; v + 1 < rows.offsets.size(); ++v) {
            size_t joints = 0;
            for (uint32_t k = rows.offsets[v]; k < rows.offsets[v + 1]; ++k) {
                joints += rows.weights[k] > 0 ? 1 : 0;
            }
            vertices.resize(std::max(vertices.size(), joints + 1), 0);
            ++vertices[joints];
        }
    }
    return vertices;
}

namespace {

/// The weights of one shape in a channel are not all the same.
bool changes(const Channel& channel, size_t shape) {
    const auto width = static_cast<size_t>(channel.width);
    for (size_t i = shape; i < channel.values.size(); i += width) {
        if (channel.values[i] != channel.values[shape]) {
            return true;
        }
    }
    return false;
}

} // namespace

std::vector<ShapeFacts> shape_facts(const Scene& scene) {
    std::vector<ShapeFacts> all;
    for (const int surface : surfaces_of(scene)) {
        const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)];
        const std::vector<float> rest = scene.rest_shape_weights(surface);
        for (size_t s = 0; s < mesh.shapes.size(); ++s) {
            const MorphTarget& shape = mesh.shapes[s];
            ShapeFacts facts;
            facts.node = surface;
            facts.shape = s;
            facts.name = shape.name;
            facts.starts_at = s < rest.size() ? static_cast<double>(rest[s]) : 0;
            facts.has_normals = shape.has_normals;
            for (const Vec3f& by : shape.positions) {
                const double far = static_cast<double>(by.norm()) * 1000;
                facts.vertices += far > 0 ? 1 : 0;
                facts.reach_mm = std::max(facts.reach_mm, far);
            }
            for (const Clip& clip : scene.clips) {
                const bool keyed = std::any_of(clip.channels.begin(), clip.channels.end(), [&](const Channel& channel) {
                    return channel.node == surface && channel.path == Path::weights &&
                           s < static_cast<size_t>(channel.width) && changes(channel, s);
                });
                if (keyed) {
                    facts.keyed_in.push_back(clip.name);
                }
            }
            const std::string other = other_side(shape.name);
            const bool there = !other.empty() && std::any_of(mesh.shapes.begin(), mesh.shapes.end(),
                                                             [&](const MorphTarget& one) { return one.name == other; });
            facts.answers = there ? other : "";
            all.push_back(std::move(facts));
        }
    }
    return all;
}

std::vector<SlotFacts> slot_facts(const Scene& scene) {
    std::vector<SlotFacts> all;
    for (const int surface : surfaces_of(scene)) {
        const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)];
        for (size_t p = 0; p < mesh.primitives.size(); ++p) {
            const Primitive& primitive = mesh.primitives[p];
            const bool triangles = primitive.topology >= Topology::triangles;
            all.push_back({surface, p, primitive.material, triangles ? triangles_of(mesh, primitive).size() : 0,
                           primitive.point_count});
        }
    }
    return all;
}

} // namespace wembrix
