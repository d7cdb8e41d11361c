#include "large_scene.h"

#include <Eigen/LU>
#include <cmath>
#include <fmt/format.h>

namespace wembrix::bench {

namespace {

constexpr int joint_count = 200;
constexpr int rings = 1000;
constexpr int around = 100;
constexpr double length = 2;

/// Ten chains of twenty, each hanging on the root.
void add_joints(Scene& scene, Skin& skin) {
    for (int j = 0; j < joint_count; ++j) {
        Node node;
        node.name = fmt::format("joint_{:03}", j);
        node.parent = j == 0 ? -1 : j % 20 == 0 ? 0 : j - 1;
        node.kind = NodeKind::joint;
        node.identity = j + 1;
        node.rest.translation = j == 0 ? Vec3::Zero() : Vec3(0, length / joint_count, 0);
        scene.nodes.push_back(node);
    }
    const std::vector<Mat4> world = rest_world(scene);
    for (int j = 0; j < joint_count; ++j) {
        skin.joints.push_back(j);
        skin.inverse_binds.push_back(world[j].inverse());
    }
}

Mesh tube(Influences& influences) {
    Mesh mesh;
    mesh.name = "tube";
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<uint32_t> indices;
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> joints;
    std::vector<float> weights;
    for (int r = 0; r < rings; ++r) {
        for (int a = 0; a < around; ++a) {
            const double angle = 6.283185307179586 * a / around;
            positions.emplace_back(static_cast<float>(0.2 * std::cos(angle)), static_cast<float>(length * r / rings),
                                   static_cast<float>(0.2 * std::sin(angle)));
            normals.emplace_back(static_cast<float>(std::cos(angle)), 0.0F, static_cast<float>(std::sin(angle)));
            const int first = std::min(joint_count - 4, r * joint_count / rings);
            for (int k = 0; k < 4; ++k) {
                joints.push_back(static_cast<uint16_t>(first + k));
                weights.push_back(0.1F * static_cast<float>(k + 1));
            }
            offsets.push_back(static_cast<uint32_t>(joints.size()));
            if (r + 1 < rings) {
                const auto at = static_cast<uint32_t>(r * around + a);
                const auto next = static_cast<uint32_t>(r * around + (a + 1) % around);
                indices.insert(indices.end(), {at, at + around, next, next, at + around, next + around});
            }
        }
    }
    Primitive part;
    part.point_count = static_cast<uint32_t>(positions.size());
    part.index_count = static_cast<uint32_t>(indices.size());
    mesh.primitives.push_back(part);
    mesh.positions = std::move(positions);
    mesh.normals = std::move(normals);
    mesh.indices = std::move(indices);
    influences = {std::move(offsets), std::move(joints), std::move(weights)};
    return mesh;
}

Clip sway(int number, int frame_count) {
    Clip clip;
    clip.name = fmt::format("sway_{:02}", number);
    clip.take = number + 1;
    clip.rate = 30;
    clip.seconds = (frame_count - 1) / 30.0;
    std::vector<float> times;
    for (int f = 0; f < frame_count; ++f) {
        times.push_back(static_cast<float>(f / 30.0));
    }
    const Shared<float> shared(std::move(times));
    for (int j = 0; j < joint_count; ++j) {
        Channel channel;
        channel.node = j;
        channel.path = Path::rotation;
        channel.width = 4;
        std::vector<float> values;
        for (int f = 0; f < frame_count; ++f) {
            const double angle = 0.02 * std::sin(0.1 * f + 0.3 * j + number);
            const Quat turn(Eigen::AngleAxisd(angle, Vec3(1, 0.2 * number, 0.5).normalized()));
            for (int k = 0; k < 4; ++k) {
                values.push_back(static_cast<float>(turn.coeffs()[k]));
            }
        }
        channel.times = shared;
        channel.values = std::move(values);
        clip.channels.push_back(std::move(channel));
    }
    return clip;
}

} // namespace

Scene large_scene(int frames, int clips) {
    Scene scene;
    Skin skin;
    skin.name = "skin";
    add_joints(scene, skin);
    Node surface;
    surface.name = "tube";
    surface.kind = NodeKind::surface;
    surface.mesh = 0;
    surface.skin = 0;
    surface.identity = joint_count + 1;
    scene.meshes.push_back(tube(surface.influences));
    scene.nodes.push_back(surface);
    scene.skins.push_back(std::move(skin));
    for (int c = 0; c < clips; ++c) {
        scene.clips.push_back(sway(c, frames));
    }
    return scene;
}

} // namespace wembrix::bench
