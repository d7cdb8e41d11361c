// Poses: the local transforms of joints, by name, as jobs keep them and steps take them.
#pragma once

#include "core/base/result.h"
#include "core/measure/skeleton/pose.h"

#include <map>
#include <nlohmann/json.hpp>
#include <string>

namespace wembrix {

using StoredPose = std::map<std::string, Transform>;

/// {"spine": {"translation_m": [x, y, z], "rotation_xyzw": [x, y, z, w], "scale": [x, y, z]}}; what is left out is none
/// of it.
nlohmann::json pose_to_json(const StoredPose& pose);
Result<StoredPose> pose_from_json(const nlohmann::json& json);

/// Of all joints, as they are at `seconds` of a clip, or at rest.
StoredPose pose_of(const Scene& scene, const Clip* clip, double seconds);

/// Local transforms of all nodes, in which every skin's surface stands as it was bound. The first joint of the tree
/// that holds a surface stays where it rests; what is bound nowhere keeps its rest. `disagree` gets the joints that
/// two skins bind in different places: the first skin is followed.
std::vector<Transform> bind_pose(const Scene& scene, std::vector<std::string>* disagree = nullptr);

} // namespace wembrix
