#include "stations/takes/pose_hand.h"

#include "core/math/two_bones.h"

#include <Eigen/LU>

#include <algorithm>

namespace wembrix::app {

namespace {

/// Up to here a place is reached; beyond, the bones stretch softly.
constexpr double reach_share = 0.98;

class Hand {
  public:
    Hand(const Scene& scene, const Pose& pose) : scene_(scene), pose_(pose) {}

    [[nodiscard]] Vec3 at(int node) const { return point_of(world(node), Vec3::Zero()); }
    [[nodiscard]] Quat turn(int node) const {
        return node < 0 ? Quat(Quat::Identity()) : Quat(nearest_rotation(linear_of(world(node))));
    }
    [[nodiscard]] int above(int node) const { return scene_.nodes[static_cast<size_t>(node)].parent; }
    /// The joint with another rotation in the world, above it all as it is but turned by `carried`.
    [[nodiscard]] PosedJoint turned(int node, const Quat& world_turn, const Quat& carried) const {
        PosedJoint made{node, pose_.local[static_cast<size_t>(node)]};
        // What shows as rotation under a parent that scales is not quite its own: only what changes is taken.
        const Quat was = turn(above(node)).conjugate() * turn(node);
        const Quat is = (carried * turn(above(node))).conjugate() * world_turn;
        made.is.rotation = (made.is.rotation * was.conjugate() * is).normalized();
        return made;
    }
    [[nodiscard]] PosedJoint moved(int node, const Vec3& to) const {
        PosedJoint made{node, pose_.local[static_cast<size_t>(node)]};
        const Mat4 under = above(node) < 0 ? Mat4(world(node) * made.is.matrix().inverse()) : world(above(node));
        made.is.translation = point_of(Mat4(under.inverse()), to);
        return made;
    }

  private:
    [[nodiscard]] const Mat4& world(int node) const { return pose_.world[static_cast<size_t>(node)]; }
    const Scene& scene_;
    const Pose& pose_;
};

} // namespace

std::vector<PosedJoint> joints_moved(const Scene& scene, const Pose& pose, int joint, const PoseGesture& gesture) {
    const Hand hand(scene, pose);
    const Quat none = Quat::Identity();
    if (gesture.kind == PoseGesture::Kind::turn) {
        return {hand.turned(joint, gesture.by * hand.turn(joint), none)};
    }
    if (gesture.kind == PoseGesture::Kind::move) {
        return {hand.moved(joint, gesture.to)};
    }
    const int second = joint_above(scene, joint);
    const int first = second < 0 ? -1 : joint_above(scene, second);
    if (first < 0) {
        return {};
    }
    TwoBones bones;
    if (gesture.kind == PoseGesture::Kind::pole) {
        const Vec3 line = (hand.at(joint) - hand.at(first)).normalized();
        bones.upper = Quat(Eigen::AngleAxisd(gesture.degrees * M_PI / 180, line));
    } else {
        const double whole = (hand.at(second) - hand.at(first)).norm() + (hand.at(joint) - hand.at(second)).norm();
        bones =
            two_bones_to(hand.at(first), hand.at(second), hand.at(joint), gesture.to, hand.turn(first) * Vec3::UnitX(),
                         std::max(reach_share * whole, (hand.at(joint) - hand.at(first)).norm()));
    }
    // Between them may be nodes that are no joints: what lies there turns along with the joint above. The last one
    // keeps its own rotation in the world.
    const Quat both = bones.upper * bones.lower;
    return {hand.turned(first, bones.upper * hand.turn(first), none),
            hand.turned(second, both * hand.turn(second), bones.upper), hand.turned(joint, hand.turn(joint), both)};
}

Pose posed_with(const Scene& scene, Pose pose, const std::vector<PosedJoint>& joints) {
    if (joints.empty()) {
        return pose;
    }
    const std::vector<Mat4> was = pose.world;
    std::vector<Mat4> was_local;
    for (const Transform& local : pose.local) {
        was_local.push_back(local.matrix());
    }
    for (const PosedJoint& joint : joints) {
        pose.local[static_cast<size_t>(joint.node)] = joint.is;
    }
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const int parent = scene.nodes[n].parent;
        const Mat4 above = parent < 0 ? Mat4(was[n] * was_local[n].inverse()) : pose.world[static_cast<size_t>(parent)];
        pose.world[n] = above * pose.local[n].matrix();
    }
    return pose;
}

std::vector<std::pair<Vec3, Vec3>> bones_of(const Scene& scene, const Pose& pose) {
    std::vector<std::pair<Vec3, Vec3>> bones;
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const int above = scene.nodes[n].kind == NodeKind::joint ? joint_above(scene, static_cast<int>(n)) : -1;
        if (above >= 0) {
            bones.emplace_back(point_of(pose.world[static_cast<size_t>(above)], Vec3::Zero()),
                               point_of(pose.world[n], Vec3::Zero()));
        }
    }
    return bones;
}

} // namespace wembrix::app
