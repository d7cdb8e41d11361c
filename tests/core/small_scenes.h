// Small scenes with known answers, shared by tests.
#pragma once

#include "core/scene/scene.h"

#include <Eigen/LU>
#include <stdexcept>
#include <string>
#include <utility>
#include <vector>

namespace wembrix::testing {

/// Joints one above the other, a metre apart, bound where they rest, and a surface of one triangle a joint that the
/// joint holds alone.
inline Scene tower(const std::vector<std::string>& names) {
    Scene scene;
    Skin skin;
    skin.name = "skin";
    Mesh mesh;
    mesh.name = "tower_surface";
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<uint32_t> indices;
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> joints;
    std::vector<float> weights;
    for (size_t i = 0; i < names.size(); ++i) {
        Node node;
        node.name = names[i];
        node.parent = static_cast<int>(i) - 1;
        node.kind = NodeKind::joint;
        node.rest.translation = i == 0 ? Vec3::Zero() : Vec3(0, 1, 0);
        node.identity = static_cast<int64_t>(i) + 1;
        skin.joints.push_back(static_cast<int>(i));
        skin.inverse_binds.push_back(translating(Vec3(0, -static_cast<double>(i), 0)));
        scene.nodes.push_back(node);
        const auto y = static_cast<float>(i);
        for (const Vec3f& corner : {Vec3f(0, y, 0.2F), Vec3f(0.2F, y, 0), Vec3f(0, y + 0.5F, 0)}) {
            indices.push_back(static_cast<uint32_t>(positions.size()));
            positions.push_back(corner);
            normals.emplace_back(0, 0, 1);
            joints.push_back(static_cast<uint16_t>(i));
            weights.push_back(1);
            offsets.push_back(static_cast<uint32_t>(joints.size()));
        }
    }
    Primitive primitive;
    primitive.point_count = static_cast<uint32_t>(positions.size());
    primitive.index_count = static_cast<uint32_t>(indices.size());
    mesh.primitives.push_back(primitive);
    mesh.positions = std::move(positions);
    mesh.normals = std::move(normals);
    mesh.indices = std::move(indices);
    Node surface;
    surface.name = "tower";
    surface.kind = NodeKind::surface;
    surface.mesh = 0;
    surface.skin = 0;
    surface.identity = 1000;
    surface.influences = {std::move(offsets), std::move(joints), std::move(weights)};
    scene.nodes.push_back(surface);
    scene.meshes.push_back(std::move(mesh));
    scene.skins.push_back(std::move(skin));
    return scene;
}

/// Those of the first node that shows a mesh.
inline Influences& influences_of(Scene& scene, int mesh = 0) {
    for (Node& node : scene.nodes) {
        if (node.mesh == mesh) {
            return node.influences;
        }
    }
    throw std::logic_error("nothing shows that mesh");
}
inline const Influences& influences_of(const Scene& scene, int mesh = 0) {
    return influences_of(const_cast<Scene&>(scene), mesh);
}

/// Adds a clip in which `node` turns about X from nothing to `angle` and, if `back`, to nothing again.
inline Clip& add_nod(Scene& scene, const std::string& name, int node, double angle, bool back, int frames = 31) {
    Clip clip;
    clip.name = name;
    clip.take = static_cast<int64_t>(scene.clips.size()) + 1;
    clip.rate = 30;
    clip.seconds = (frames - 1) / 30.0;
    Channel channel;
    channel.node = node;
    channel.path = Path::rotation;
    channel.width = 4;
    std::vector<float> times;
    std::vector<float> values;
    for (int f = 0; f < frames; ++f) {
        const double u = static_cast<double>(f) / (frames - 1);
        const double at = back ? 1 - std::abs(2 * u - 1) : u;
        const Quat turn(Eigen::AngleAxisd(angle * at, Vec3::UnitX()));
        times.push_back(static_cast<float>(f / 30.0));
        for (int k = 0; k < 4; ++k) {
            values.push_back(static_cast<float>(turn.coeffs()[k]));
        }
    }
    channel.times = std::move(times);
    channel.values = std::move(values);
    clip.channels.push_back(std::move(channel));
    scene.clips.push_back(std::move(clip));
    return scene.clips.back();
}

/// hips, two legs of two joints each, a spine; a clip in which all of them move and the hips travel.
inline Scene walker(const std::string& prefix = "") {
    Scene scene = tower({prefix + "hips", prefix + "spine", prefix + "neck"});
    for (const double x : {0.4, -0.4}) {
        int parent = 0;
        for (const char* part : {"thigh_", "foot_"}) {
            Node node;
            node.name = prefix + part + (x > 0 ? "l" : "r");
            node.parent = parent;
            node.kind = NodeKind::joint;
            node.rest.translation = parent == 0 ? Vec3(x, 0, 0) : Vec3(0, -0.8, 0.1);
            node.identity = 700 + static_cast<int64_t>(scene.nodes.size());
            parent = static_cast<int>(scene.nodes.size());
            scene.nodes.push_back(node);
        }
    }
    Clip& clip = add_nod(scene, "walk", 1, 0.6, true);
    for (const char* joint : {"hips", "thigh_l", "foot_l", "thigh_r", "neck"}) {
        Channel channel = clip.channels[0];
        channel.node = scene.find_node(prefix + joint);
        for (size_t i = 0; i < channel.values.size(); i += 4) {
            std::swap(channel.values.edit()[i], channel.values.edit()[i + (joint[0] == 'h' ? 1 : 2)]);
        }
        clip.channels.push_back(channel);
    }
    Channel way = clip.channels[0];
    way.node = 0;
    way.path = Path::translation;
    way.width = 3;
    std::vector<float> places;
    for (size_t i = 0; i < way.times.size(); ++i) {
        places.insert(places.end(), {0, 0.02F * static_cast<float>(i % 3), 0.05F * static_cast<float>(i)});
    }
    way.values = places;
    clip.channels.push_back(way);
    return scene;
}

/// The same without its clip.
inline Scene still_walker(const std::string& prefix = "") {
    Scene model = walker(prefix);
    model.clips.clear();
    return model;
}

/// A parent that is twice as wide as tall above joints that turn: no joint can hold what it does.
inline Scene under_an_uneven_parent() {
    Scene scene = tower({"a", "b", "c"});
    add_nod(scene, "sway", 1, 1.2, true);
    for (Channel& channel : scene.clips[0].channels) { // about Z: across the uneven axes
        for (size_t i = 0; i < channel.values.size(); i += 4) {
            std::swap(channel.values.edit()[i], channel.values.edit()[i + 2]);
        }
    }
    for (Node& node : scene.nodes) {
        node.parent = node.mesh >= 0 ? -1 : node.parent + 1;
    }
    Node wide;
    wide.name = "wide";
    wide.kind = NodeKind::parent_transform;
    wide.rest.scale = Vec3(2, 1, 1);
    wide.identity = 9000;
    scene.nodes.insert(scene.nodes.begin(), wide);
    for (int& joint : scene.skins[0].joints) {
        ++joint;
    }
    for (Clip& clip : scene.clips) {
        for (Channel& channel : clip.channels) {
            ++channel.node;
        }
    }
    return scene;
}

} // namespace wembrix::testing
