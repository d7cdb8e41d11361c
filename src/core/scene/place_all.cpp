#include "core/scene/place_all.h"

#include "core/scene/change_keys.h"
#include "core/scene/own_meshes.h"
#include "core/scene/visit.h"

#include <Eigen/LU>
#include <algorithm>
#include <nlohmann/json.hpp>

namespace wembrix {

namespace {

void carry_channel(Channel& channel, const Quat& turn, const Vec3& move) {
    change_keys(
        channel, [&](const Vec3& v, bool tangent) { return Vec3(turn * v + (tangent ? Vec3::Zero() : move)); },
        [&](const Quat& q) { return turn * q; }, [](double scale) { return scale; });
}

} // namespace

void place_all(Scene& scene, const Quat& turn, const Vec3& move) {
    place_some(scene, turn, move, std::vector<char>(scene.nodes.size(), 1));
}

void place_some(Scene& scene, const Quat& turn, const Vec3& move, const std::vector<char>& chosen) {
    Mat4 matrix = translating(move);
    matrix.topLeftCorner<3, 3>() = turn.toRotationMatrix();
    own_meshes(scene, Meshes::skinned);
    // The node of a skinned surface places nothing: its joints do. Its points are carried instead.
    const auto skinned = [&](const Node& node) { return node.mesh >= 0 && node.skin >= 0; };
    // What hangs below it, though, stands where it puts it.
    std::vector<char> has_children(scene.nodes.size(), 0);
    for (const Node& node : scene.nodes) {
        if (node.parent >= 0) {
            has_children[static_cast<size_t>(node.parent)] = 1;
        }
    }
    const auto places = [&](size_t i) {
        return scene.nodes[i].parent < 0 && (!skinned(scene.nodes[i]) || has_children[i] != 0);
    };
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        Node& node = scene.nodes[i];
        if (chosen[i] == 0) {
            continue;
        }
        if (skinned(node)) {
            for_geometry_of(scene, static_cast<int>(i), [&](auto& geometry) { transform_geometry(geometry, matrix); });
        }
        if (places(i)) {
            node.rest.translation = turn * node.rest.translation + move;
            node.rest.rotation = (turn * node.rest.rotation).normalized();
        }
    }
    const Mat4 back = matrix.inverse();
    for (Skin& skin : scene.skins) {
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            if (chosen[skin.joints[j]] != 0) {
                skin.inverse_binds[j] = skin.inverse_binds[j] * back;
            }
        }
    }
    for (Clip& clip : scene.clips) {
        for (Channel& channel : clip.channels) {
            if (chosen[channel.node] != 0 && places(static_cast<size_t>(channel.node))) {
                carry_channel(channel, turn, move);
            }
        }
    }
}

namespace {

/// Lengths that materials say in an extension that is carried.
void scale_volume(Material& material, double factor) {
    constexpr const char* volume = "KHR_materials_volume";
    if (material.carried.extensions.find(volume) == std::string::npos) {
        return;
    }
    nlohmann::json extensions = nlohmann::json::parse(material.carried.extensions);
    for (const char* length : {"thicknessFactor", "attenuationDistance"}) {
        if (auto& its = extensions[volume]; its.is_object() && its.contains(length) && its[length].is_number()) {
            its[length] = its[length].get<double>() * factor;
        }
    }
    material.carried.extensions = extensions.dump();
}

} // namespace

void scale_all(Scene& scene, double factor) {
    for (Camera& camera : scene.cameras) {
        for (double* length : {&camera.near_m, &camera.far_m, &camera.half_width_m, &camera.half_height_m}) {
            *length *= factor;
        }
    }
    for (Light& light : scene.lights) {
        light.range_m *= factor;
    }
    for (Material& material : scene.materials) {
        scale_volume(material, factor);
    }
    for (Node& node : scene.nodes) {
        node.rest.translation *= factor;
    }
    for_each_geometry(scene, [&](auto& geometry) { transform_geometry(geometry, scaling(factor)); });
    for (Skin& skin : scene.skins) {
        for (Mat4& bind : skin.inverse_binds) {
            bind.topRightCorner<3, 1>() *= factor;
        }
    }
    for (Clip& clip : scene.clips) {
        for (Channel& channel : clip.channels) {
            if (channel.path == Path::translation) {
                for (float& value : channel.values.edit()) {
                    value = static_cast<float>(value * factor);
                }
            }
        }
    }
}

} // namespace wembrix
