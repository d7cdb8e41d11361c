#include "core/scene/scene.h"

#include "core/scene/visit.h"

#include <algorithm>
#include <array>

template class std::vector<wembrix::Node>;
template class std::vector<wembrix::Mesh>;
template class std::vector<wembrix::CurveSet>;
template class std::vector<wembrix::PointCache>;
template class std::vector<wembrix::Hull>;
template class std::vector<wembrix::Skin>;
template class std::vector<wembrix::Clip>;
template class std::vector<wembrix::Channel>;
template class std::vector<wembrix::Primitive>;
template class std::vector<wembrix::MorphTarget>;
template class std::vector<wembrix::Attribute>;
template class std::vector<wembrix::Material>;
template class std::vector<wembrix::Image>;
template class std::vector<wembrix::Texture>;
template class std::vector<wembrix::Sampler>;
template class std::vector<wembrix::Camera>;
template class std::vector<wembrix::Light>;
template class std::vector<wembrix::Note>;
template class std::vector<wembrix::SourceFit>;

namespace wembrix {

std::string_view role_name(SourceRole role) {
    constexpr std::array<std::string_view, 7> names = {"automatic", "model",   "part", "take",
                                                       "shapes",    "strands", "prop"};
    return names.at(static_cast<size_t>(role));
}

std::string_view role_label(SourceRole role) {
    constexpr std::array<std::string_view, 7> labels = {
        "found out by itself", "model", "part of the model", "take", "shapes for a surface", "strands", "prop"};
    return labels.at(static_cast<size_t>(role));
}

std::string_view kind_name(NodeKind kind) {
    constexpr std::array<std::string_view, 8> names = {
        "joint", "parent_transform", "surface", "camera", "light", "point", "empty", "hull"};
    return names.at(static_cast<size_t>(kind));
}

Text Note::places() const {
    return also.empty() ? where : where + " and " + std::to_string(also.size()) + " more";
}

Note Note::of_source(const std::string& source) const {
    Note note = *this;
    note.where = source + ", " + note.where;
    for (std::string& place : note.also) {
        place = source + ", " + place;
    }
    return note;
}

int Scene::find_node(std::string_view name) const {
    for (size_t i = 0; i < nodes.size(); ++i) {
        if (nodes[i].name == name) {
            return static_cast<int>(i);
        }
    }
    return -1;
}

int Scene::find_identity(int64_t identity) const {
    for (size_t i = 0; i < nodes.size() && identity != 0; ++i) {
        if (nodes[i].identity == identity) {
            return static_cast<int>(i);
        }
    }
    return -1;
}

const Clip* Scene::find_clip(std::string_view name) const {
    const auto found = std::find_if(clips.begin(), clips.end(), [&](const Clip& clip) { return clip.name == name; });
    return found == clips.end() ? nullptr : &*found;
}

std::vector<float> Scene::rest_shape_weights(int node) const {
    const Node& surface = nodes[node];
    if (surface.mesh < 0) {
        return {};
    }
    const Mesh& mesh = meshes[surface.mesh];
    std::vector<float> weights = surface.shape_weights.empty() ? mesh.shape_weights : surface.shape_weights;
    weights.resize(mesh.shapes.size(), 0.0F);
    return weights;
}

std::vector<int> joints_of(const Scene& scene) {
    std::vector<int> joints;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (scene.nodes[i].kind == NodeKind::joint) {
            joints.push_back(static_cast<int>(i));
        }
    }
    return joints;
}

std::vector<int> root_joints(const Scene& scene) {
    std::vector<char> below_joint(scene.nodes.size(), 0);
    std::vector<int> roots;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const Node& node = scene.nodes[i];
        const bool covered =
            node.parent >= 0 && (below_joint[node.parent] != 0 || scene.nodes[node.parent].kind == NodeKind::joint);
        below_joint[i] = covered ? 1 : 0;
        if (node.kind == NodeKind::joint && !covered) {
            roots.push_back(static_cast<int>(i));
        }
    }
    return roots;
}

std::vector<int> surfaces_of(const Scene& scene) {
    std::vector<int> surfaces;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (scene.nodes[i].mesh >= 0) {
            surfaces.push_back(static_cast<int>(i));
        }
    }
    return surfaces;
}

std::vector<Mat4> rest_world(const Scene& scene) {
    std::vector<Mat4> world(scene.nodes.size());
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const Node& node = scene.nodes[i];
        world[i] = node.parent < 0 ? node.rest.matrix() : Mat4(world[node.parent] * node.rest.matrix());
    }
    return world;
}

bool is_above(const Scene& scene, int ancestor, int node) {
    for (int at = scene.nodes[node].parent; at >= 0; at = scene.nodes[at].parent) {
        if (at == ancestor) {
            return true;
        }
    }
    return false;
}

std::vector<int> sorted_order(const std::vector<Node>& nodes) {
    const int count = static_cast<int>(nodes.size());
    std::vector<std::vector<int>> children(nodes.size());
    std::vector<int> open;
    for (int i = count - 1; i >= 0; --i) {
        if (nodes[i].parent < 0) {
            open.push_back(i);
        } else {
            children[nodes[i].parent].push_back(i);
        }
    }
    std::vector<int> order;
    order.reserve(nodes.size());
    while (!open.empty()) {
        const int at = open.back();
        open.pop_back();
        order.push_back(at);
        open.insert(open.end(), children[at].begin(), children[at].end());
    }
    return order;
}

void reorder_nodes(Scene& scene, const std::vector<int>& order) {
    std::vector<int> place(scene.nodes.size(), -1);
    for (size_t i = 0; i < order.size(); ++i) {
        place[order[i]] = static_cast<int>(i);
    }
    std::vector<Node> nodes;
    nodes.reserve(order.size());
    for (const int old : order) {
        nodes.push_back(std::move(scene.nodes[old]));
        Node& node = nodes.back();
        node.parent = node.parent < 0 ? -1 : place[node.parent];
    }
    scene.nodes = std::move(nodes);
    for_node_references(scene, [&](int& node) { node = node < 0 ? -1 : place[node]; });
    std::erase_if(scene.caches, [](const PointCache& cache) { return cache.surface < 0; });
    std::erase_if(scene.orders, [](const CacheOrder& one) { return one.node < 0; });
    for (Clip& clip : scene.clips) {
        std::erase_if(clip.channels, [](const Channel& channel) { return channel.node < 0; });
    }
}

int joint_above(const Scene& scene, int node) {
    int above = scene.nodes[node].parent;
    while (above >= 0 && scene.nodes[above].kind != NodeKind::joint) {
        above = scene.nodes[above].parent;
    }
    return above;
}

std::vector<JointRow> joint_rows(const Scene& scene) {
    std::vector<JointRow> rows;
    for (const int joint : joints_of(scene)) {
        const int above = joint_above(scene, joint);
        rows.push_back({scene.nodes[joint].name, above < 0 ? "" : scene.nodes[above].name});
    }
    return rows;
}

SceneCounts counts_of(const Scene& scene) {
    SceneCounts counts;
    counts.nodes = scene.nodes.size();
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        for_geometry_of(scene, static_cast<int>(i), [&](const auto& geometry) {
            using Geometry = std::decay_t<decltype(geometry)>;
            if constexpr (std::is_same_v<Geometry, Mesh>) {
                ++counts.surfaces;
                counts.vertices += geometry.point_count();
                counts.triangles += geometry.triangle_count();
                counts.morph_targets += geometry.shapes.size();
            } else if constexpr (std::is_same_v<Geometry, CurveSet>) {
                ++counts.curve_sets;
                counts.curves += geometry.curve_count();
            } else if constexpr (std::is_same_v<Geometry, PointCache>) {
                ++counts.caches;
                counts.cached_frames += static_cast<size_t>(geometry.frames);
            } else {
                static_assert(std::is_same_v<Geometry, Hull>, "a kind of geometry that is not counted");
                ++counts.hulls;
            }
        });
        counts.cameras += scene.nodes[i].camera >= 0 ? 1 : 0;
        counts.lights += scene.nodes[i].light >= 0 ? 1 : 0;
    }
    counts.skins = scene.skins.size();
    counts.clips = scene.clips.size();
    counts.materials = scene.materials.size();
    counts.images = scene.images.size();
    return counts;
}

void classify_nodes(Scene& scene) {
    const size_t count = scene.nodes.size();
    std::vector<char> joint(count, 0);
    std::vector<char> moves(count, 0);
    for (const Skin& skin : scene.skins) {
        for (const int at : skin.joints) {
            joint[at] = 1;
        }
    }
    auto plain = [&](size_t i) {
        const Node& node = scene.nodes[i];
        return node.mesh < 0 && node.curves < 0 && node.hull < 0 && node.kind != NodeKind::camera &&
               node.kind != NodeKind::light;
    };
    if (scene.skins.empty()) {
        // A file of motion alone has no skins: what moves, and all that hangs on it, is the skeleton.
        for (const Clip& clip : scene.clips) {
            for (const Channel& channel : clip.channels) {
                moves[channel.node] = 1;
            }
        }
        for (size_t i = 0; i < count; ++i) {
            const int parent = scene.nodes[i].parent;
            moves[i] = moves[i] != 0 || (parent >= 0 && moves[parent] != 0) ? 1 : 0;
            joint[i] = moves[i] != 0 && plain(i) ? 1 : 0;
        }
    }
    // A plain node between two joints is part of the skeleton.
    std::vector<char> joint_below(count, 0);
    std::vector<char> surface_below(count, 0);
    for (size_t i = count; i-- > 0;) {
        const int parent = scene.nodes[i].parent;
        if (parent >= 0) {
            joint_below[parent] = joint_below[parent] != 0 || joint_below[i] != 0 || joint[i] != 0 ? 1 : 0;
            surface_below[parent] =
                surface_below[parent] != 0 || surface_below[i] != 0 || scene.nodes[i].mesh >= 0 ? 1 : 0;
        }
    }
    std::vector<char> joint_above(count, 0);
    for (size_t i = 0; i < count; ++i) {
        Node& node = scene.nodes[i];
        joint_above[i] = node.parent >= 0 && (joint_above[node.parent] != 0 || joint[node.parent] != 0) ? 1 : 0;
        if (joint_above[i] != 0 && joint_below[i] != 0) {
            joint[i] = 1;
        }
        if (joint[i] != 0) {
            node.kind = NodeKind::joint;
        } else if (node.mesh >= 0 || node.curves >= 0) {
            node.kind = NodeKind::surface;
        } else if (node.hull >= 0) {
            node.kind = NodeKind::hull;
        } else if (node.kind == NodeKind::camera || node.kind == NodeKind::light) {
            continue;
        } else if (joint_above[i] != 0) {
            node.kind = NodeKind::point;
        } else if (joint_below[i] != 0 || surface_below[i] != 0) {
            node.kind = NodeKind::parent_transform;
        } else {
            node.kind = NodeKind::empty;
        }
    }
}

} // namespace wembrix
