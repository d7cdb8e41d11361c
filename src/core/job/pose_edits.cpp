#include "core/job/pose_edits.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

constexpr double least_turn = 1e-7; ///< radians
constexpr double least_move_m = 1e-8;

/// The same turn, so many times.
Quat times(const Quat& turn, double factor) {
    const Eigen::AngleAxisd one(turn.w() < 0 ? Quat(-turn.coeffs()) : turn);
    return Quat(Eigen::AngleAxisd(one.angle() * factor, one.axis()));
}

struct Worked {
    bool instead = false;
    double weight = 1;
    double frame = 0;
};

/// Its own angles that lead from how it stands to how it is wanted.
Vec3 degrees_for(const KeyLayer& keys, const Worked& layer, const Node& node, const Quat& was, const Quat& is) {
    const KeyedPath what = {node.name, Path::rotation};
    const Vec3 before = keyed_value(keys, what, layer.frame);
    const bool any = !keyed_frames(keys, what).empty();
    if (!layer.instead) {
        const Quat from_take = keyed_rotation(before * layer.weight) * was.conjugate() * is;
        return keyed_degrees(from_take.normalized(), before * layer.weight) / layer.weight;
    }
    Quat aim = is;
    if (layer.weight < 1) { // what the take has counts as well
        const Quat keyed = node.rest.rotation * keyed_rotation(before);
        const Quat take = any ? Quat(keyed * times(keyed.conjugate() * was, 1 / (1 - layer.weight))) : was;
        aim = take * times(take.conjugate() * is, 1 / layer.weight);
    }
    return keyed_degrees((node.rest.rotation.conjugate() * aim).normalized(), before);
}

Vec3 mm_for(const KeyLayer& keys, const Worked& layer, const Node& node, const Vec3& was, const Vec3& is,
            double scale) {
    const KeyedPath what = {node.name, Path::translation};
    const Vec3 before = keyed_value(keys, what, layer.frame);
    const double mm = 1000 * scale;
    if (layer.instead && keyed_frames(keys, what).empty()) {
        return mm * (was + (is - was) / layer.weight - node.rest.translation);
    }
    return before + mm * (is - was) / layer.weight;
}

} // namespace

std::vector<std::string> key_pose(Job& job, const LayerPlace& layer, const Scene& shown, const Pose& now,
                                  const std::vector<PosedJoint>& wanted) {
    std::vector<std::string> done;
    if (layer.place >= job.steps.size()) {
        return done;
    }
    const nlohmann::json parameters = job.steps[layer.place].parameters;
    const Worked worked = {parameters.value("mode", "on_top") == "instead",
                           layer_fade(parameters).weight_at(layer.frame, layer.frames), layer.frame};
    if (worked.weight <= 0) {
        return done;
    }
    const KeyLayer keys = layer_at(job, layer.place);
    KeyLayer made = keys;
    for (const PosedJoint& joint : wanted) {
        const Node& node = shown.nodes[static_cast<size_t>(joint.node)];
        const Transform& was = now.local[static_cast<size_t>(joint.node)];
        const bool turns = was.rotation.angularDistance(joint.is.rotation) > least_turn;
        const bool moves = (was.translation - joint.is.translation).norm() > least_move_m;
        if (turns) {
            set_keys(made, {node.name, Path::rotation}, layer.frame,
                     degrees_for(keys, worked, node, was.rotation, joint.is.rotation));
        }
        if (moves) {
            set_keys(made, {node.name, Path::translation}, layer.frame,
                     mm_for(keys, worked, node, was.translation, joint.is.translation, layer.scale));
        }
        if (turns || moves) {
            done.push_back(node.name);
        }
    }
    if (!done.empty()) {
        set_layer(job, layer.place, std::move(made));
    }
    return done;
}

std::vector<PosedJoint> blended(const Pose& now, std::vector<PosedJoint> wanted, double share) {
    for (PosedJoint& joint : wanted) {
        const Transform& was = now.local[static_cast<size_t>(joint.node)];
        joint.is.rotation = was.rotation.slerp(share, joint.is.rotation);
        joint.is.translation = was.translation + share * (joint.is.translation - was.translation);
        joint.is.scale = was.scale + share * (joint.is.scale - was.scale);
    }
    return wanted;
}

std::vector<PosedJoint> joints_as(const Scene& scene, const std::map<std::string, Transform>& pose) {
    std::vector<PosedJoint> joints;
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const auto found = pose.find(scene.nodes[n].name);
        if (scene.nodes[n].kind == NodeKind::joint && found != pose.end()) {
            joints.push_back({static_cast<int>(n), found->second});
        }
    }
    return joints;
}

} // namespace wembrix
