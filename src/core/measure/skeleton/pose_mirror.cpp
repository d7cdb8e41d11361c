#include "core/measure/skeleton/pose_mirror.h"

namespace wembrix {

namespace {

Mat3 turn_of(const Mat4& matrix) {
    return nearest_rotation(linear_of(matrix));
}

} // namespace

PoseMirror::PoseMirror(const Scene& scene) : scene_(scene), joints_(joints_of(scene)) {
    const std::vector<Mat4> rest = rest_world(scene);
    const Sides sides = find_sides(scene);
    mirror_ = Mat3::Identity() - 2 * sides.left * sides.left.transpose();
    for (const int joint : joints_) {
        const int other = mirror_of(sides, joint);
        partner_.push_back(other < 0 ? joint : other);
        const Mat3 image = mirror_ * turn_of(rest[static_cast<size_t>(partner_.back())]) * mirror_;
        fit_.push_back(image.transpose() * turn_of(rest[static_cast<size_t>(joint)]));
    }
    pairs_ = sides.pairs.size();
}

std::vector<Transform> PoseMirror::mirrored(const Pose& pose) const {
    std::vector<Mat3> turned(scene_.nodes.size());
    for (size_t i = 0; i < scene_.nodes.size(); ++i) {
        turned[i] = turn_of(pose.world[i]);
    }
    std::vector<Transform> made(joints_.size());
    for (size_t j = 0; j < joints_.size(); ++j) {
        const auto joint = static_cast<size_t>(joints_[j]);
        const auto other = static_cast<size_t>(partner_[j]);
        const int above = scene_.nodes[joint].parent;
        const int above_other = scene_.nodes[other].parent;
        // The partner's own turn of this pose, not what stands there by now.
        const Mat3 now = mirror_ * turn_of(pose.world[other]) * mirror_ * fit_[j];
        const Mat3 under = above < 0 ? Mat3(Mat3::Identity()) : turned[static_cast<size_t>(above)];
        turned[joint] = now;
        made[j].rotation = Quat(Mat3(under.transpose() * now)).normalized();
        // What its partner goes beyond its rest place, mirrored.
        const Vec3 beyond = pose.local[other].translation - scene_.nodes[other].rest.translation;
        const Mat3 under_other =
            above_other < 0 ? Mat3(Mat3::Identity()) : turn_of(pose.world[static_cast<size_t>(above_other)]);
        made[j].translation =
            scene_.nodes[joint].rest.translation + under.transpose() * (mirror_ * (under_other * beyond));
        made[j].scale = pose.local[other].scale;
    }
    return made;
}

} // namespace wembrix
