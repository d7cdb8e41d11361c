#include "stations/takes/pose_source.h"

#include "core/measure/skeleton/pose_mirror.h"
#include "stations/takes/pose_hand.h"

#include <algorithm>

namespace wembrix::app {

namespace {

/// The same joints, as a scene before has them: its lengths may be others, its turns are the same.
std::vector<PosedJoint> as_before(const Scene& before, const Scene& scene, const std::string& clip, double seconds) {
    std::vector<PosedJoint> joints;
    const Clip* there = before.find_clip(clip);
    Pose pose;
    Poser(before, there).at(there == nullptr ? 0 : seconds, pose);
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const Node& node = scene.nodes[n];
        const int same = before.find_identity(node.identity);
        if (node.kind != NodeKind::joint || same < 0) {
            continue;
        }
        const Transform& was = pose.local[static_cast<size_t>(same)];
        const Transform& rest = before.nodes[static_cast<size_t>(same)].rest;
        Transform is = node.rest;
        is.rotation = node.rest.rotation * (rest.rotation.conjugate() * was.rotation);
        const double length = rest.translation.norm();
        const double scale = length > 1e-9 ? node.rest.translation.norm() / length : 1;
        is.translation = node.rest.translation + scale * (was.translation - rest.translation);
        joints.push_back({static_cast<int>(n), is});
    }
    return joints;
}

} // namespace

std::vector<PosedJoint> wanted_pose(const PoseSource& source, const StoredPose& pose, bool mirrored,
                                    const Replay& replay, size_t place, const std::string& clip, double seconds,
                                    const std::vector<int>& chosen) {
    const Scene& scene = replay.prepared();
    Pose now;
    Poser(scene, scene.find_clip(clip)).at(seconds, now);
    std::vector<PosedJoint> joints;
    switch (source.kind) {
    case PoseSource::Kind::copied:
    case PoseSource::Kind::stored:
        joints = joints_as(scene, pose);
        break;
    case PoseSource::Kind::rest:
        for (const int joint : joints_of(scene)) {
            joints.push_back({joint, scene.nodes[static_cast<size_t>(joint)].rest});
        }
        break;
    case PoseSource::Kind::take:
        joints = as_before(place == 0 ? *replay.received : *replay.outcomes[place - 1].scene, scene, clip, seconds);
        break;
    }
    if (mirrored) {
        const PoseMirror mirror(scene);
        const std::vector<Transform> made = mirror.mirrored(posed_with(scene, now, joints));
        joints.clear();
        for (size_t j = 0; j < made.size(); ++j) {
            joints.push_back({mirror.joints()[j], made[j]});
        }
    }
    if (!chosen.empty()) {
        std::erase_if(joints, [&](const PosedJoint& joint) {
            return std::find(chosen.begin(), chosen.end(), joint.node) == chosen.end();
        });
    }
    return joints;
}

} // namespace wembrix::app
