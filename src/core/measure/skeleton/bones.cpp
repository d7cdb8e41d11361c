#include "core/measure/skeleton/bones.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

std::vector<Bone> bones_of(const Scene& scene) {
    const std::vector<Mat4> world = rest_world(scene);
    std::vector<Bone> bones(scene.nodes.size());
    for (size_t i = 0; i < bones.size(); ++i) {
        bones[i].from = world[i].topRightCorner<3, 1>();
        const int above = scene.nodes[i].kind == NodeKind::joint ? joint_above(scene, static_cast<int>(i)) : -1;
        if (above >= 0) {
            bones[static_cast<size_t>(above)].to.push_back(bones[i].from);
        }
    }
    for (const int root : root_joints(scene)) {
        bones[static_cast<size_t>(root)].only_carries = bones[static_cast<size_t>(root)].to.size() == 1;
    }
    constexpr double as_low = 0.01; // of the bone above it
    for (const int joint : joints_of(scene)) {
        const int above = joint_above(scene, joint);
        Bone& bone = bones[static_cast<size_t>(joint)];
        if (above < 0 || !bones[static_cast<size_t>(above)].only_carries || bone.to.size() != 1) {
            continue;
        }
        const Vec3 up = bone.to.front() - bone.from;
        const double higher = bone.from.y() - bones[static_cast<size_t>(above)].from.y();
        bone.only_carries = up.y() > 0.5 * up.norm() && std::abs(higher) < as_low * up.norm();
    }
    return bones;
}

std::vector<Bone> bones_going_on(const Scene& scene) {
    constexpr double aligned = 0.99;
    std::vector<Bone> bones = bones_of(scene);
    const std::vector<Mat4> world = rest_world(scene);
    const std::vector<Bone> as_they_are = bones;
    for (const int joint : joints_of(scene)) {
        Bone& bone = bones[static_cast<size_t>(joint)];
        const int above = joint_above(scene, joint);
        if (!bone.to.empty() || above < 0) {
            continue;
        }
        const Vec3 before = bone.from - as_they_are[static_cast<size_t>(above)].from;
        const double length = before.norm();
        if (!(length > 0)) {
            continue;
        }
        const Mat3 upper = nearest_rotation(linear_of(world[static_cast<size_t>(above)]));
        const Vec3 seen = upper.transpose() * before / length;
        const bool on_axis = seen.cwiseAbs().maxCoeff() > aligned;
        const Mat3 own = nearest_rotation(linear_of(world[static_cast<size_t>(joint)]));
        bone.to.emplace_back(bone.from + (on_axis ? Vec3(own * seen * length) : before));
    }
    return bones;
}

Vec3 nearest_on_bone(const Bone& bone, const Vec3& place) {
    Vec3 nearest = bone.from;
    for (const Vec3& end : bone.to) {
        const Vec3 along = end - bone.from;
        const double length = along.squaredNorm();
        const double at = length > 0 ? std::clamp((place - bone.from).dot(along) / length, 0.0, 1.0) : 0.0;
        const Vec3 here = bone.from + at * along;
        nearest = (place - here).squaredNorm() < (place - nearest).squaredNorm() ? here : nearest;
    }
    return nearest;
}

double distance_to_bone(const Bone& bone, const Vec3& place) {
    return (place - nearest_on_bone(bone, place)).norm();
}

} // namespace wembrix
