#include "core/steps/skeleton/stored_pose.h"

#include "core/base/json_file.h"
#include "core/base/text.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>

namespace wembrix {

nlohmann::json pose_to_json(const StoredPose& pose) {
    nlohmann::json json = nlohmann::json::object();
    for (const auto& [name, local] : pose) {
        const Vec3& t = local.translation;
        const Vec3& s = local.scale;
        const auto& q = local.rotation;
        nlohmann::json one = {{"translation_m", {t.x(), t.y(), t.z()}},
                              {"rotation_xyzw", {q.x(), q.y(), q.z(), q.w()}}};
        if ((s - Vec3::Ones()).cwiseAbs().maxCoeff() > 0) {
            one["scale"] = {s.x(), s.y(), s.z()};
        }
        json[name] = std::move(one);
    }
    return json;
}

Result<StoredPose> pose_from_json(const nlohmann::json& json) {
    if (!json.is_object()) {
        return Problem{"a pose is not an object of joints.", "", ""};
    }
    StoredPose pose;
    for (const auto& [name, one] : json.items()) {
        Transform local;
        if (!one.is_object() || !numbers_from(one, "translation_m", 3, local.translation.data()) ||
            !numbers_from(one, "rotation_xyzw", 4, local.rotation.coeffs().data()) ||
            !numbers_from(one, "scale", 3, local.scale.data()) || local.rotation.norm() < 1e-6 ||
            local.scale.cwiseAbs().minCoeff() < 1e-12) {
            return Problem{phrase("the pose of \"{}\" is none: it needs three numbers of \"translation_m\" and four of "
                                  "\"rotation_xyzw\".",
                                  name.substr(0, 60)),
                           "", ""};
        }
        local.rotation.normalize();
        pose[name] = local;
    }
    return pose;
}

StoredPose pose_of(const Scene& scene, const Clip* clip, double seconds) {
    Pose pose;
    Poser(scene, clip).at(seconds, pose);
    StoredPose stored;
    for (const int joint : joints_of(scene)) {
        stored[scene.nodes[joint].name] = pose.local[joint];
    }
    return stored;
}

std::vector<Transform> bind_pose(const Scene& scene, std::vector<std::string>* disagree) {
    const std::vector<Mat4> rest = rest_world(scene);
    std::vector<Mat4> wanted(scene.nodes.size());
    std::vector<char> bound(scene.nodes.size(), 0);
    for (const Skin& skin : scene.skins) {
        if (skin.joints.empty()) {
            continue;
        }
        const auto first = std::min_element(skin.joints.begin(), skin.joints.end()) - skin.joints.begin();
        // Where the surface stands as bound: so that its first joint is where it rests, unless another skin has said.
        const int top = skin.joints[first];
        const Mat4 surface = (bound[top] != 0 ? wanted[top] : rest[top]) * skin.inverse_binds[first];
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            const int joint = skin.joints[j];
            const Mat4& back = skin.inverse_binds[j];
            if (std::abs(linear_of(back).determinant()) < 1e-30) {
                continue;
            }
            const Mat4 place = surface * back.inverse();
            if (bound[joint] == 0) {
                wanted[joint] = place;
                bound[joint] = 1;
            } else if (disagree != nullptr && (wanted[joint] - place).cwiseAbs().maxCoeff() > 1e-5 &&
                       std::find(disagree->begin(), disagree->end(), scene.nodes[joint].name) == disagree->end()) {
                disagree->push_back(scene.nodes[joint].name);
            }
        }
    }
    std::vector<Transform> locals(scene.nodes.size());
    std::vector<Mat4> world(scene.nodes.size());
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const Node& node = scene.nodes[i];
        const Mat4 above = node.parent < 0 ? Mat4(Mat4::Identity()) : world[node.parent];
        locals[i] = node.rest;
        if (bound[i] != 0) {
            const Mat4 local = above.inverse() * wanted[i];
            // What stands so already keeps its numbers.
            if ((local - node.rest.matrix()).cwiseAbs().maxCoeff() > 1e-9) {
                locals[i] = decompose(local).transform;
                if ((locals[i].scale - Vec3::Ones()).cwiseAbs().maxCoeff() < 1e-9) {
                    locals[i].scale = Vec3::Ones();
                }
            }
        }
        world[i] = above * locals[i].matrix();
    }
    return locals;
}

} // namespace wembrix
