#include "core/measure/skeleton/bones.h"

#include <algorithm>

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
