#include "core/measure/skeleton/joint_limits.h"

#include "core/base/text.h"
#include "core/keys/key_layer.h"
#include "core/measure/skeleton/pose.h"

#include <algorithm>

namespace wembrix {

namespace {

constexpr const char* axis_keys[] = {"x", "y", "z"};

} // namespace

Result<TurnLimits> turn_limits_from_json(const nlohmann::json& json, const std::string& where) {
    const Problem wrong = {"is no limits: {\"x\": [least, most]} in degrees, of x, y and z those that have some.",
                           where, ""};
    if (!json.is_object()) {
        return wrong;
    }
    TurnLimits limits;
    for (const auto& [key, range] : json.items()) {
        const auto axis = std::find(std::begin(axis_keys), std::end(axis_keys), key);
        if (axis == std::end(axis_keys) || !range.is_array() || range.size() != 2 || !range[0].is_number() ||
            !range[1].is_number()) {
            return wrong;
        }
        const double least = range[0].get<double>();
        const double most = range[1].get<double>();
        if (!(least <= most) || least < -360 || most > 360) {
            return wrong;
        }
        limits.degrees.at(static_cast<size_t>(axis - std::begin(axis_keys))) = std::pair(least, most);
    }
    return limits;
}

nlohmann::json turn_limits_to_json(const TurnLimits& limits) {
    nlohmann::json object = nlohmann::json::object();
    for (size_t a = 0; a < 3; ++a) {
        if (limits.degrees.at(a)) {
            object[axis_keys[a]] = {limits.degrees.at(a)->first, limits.degrees.at(a)->second};
        }
    }
    return object;
}

Result<JointLimits> joint_limits_from_json(const nlohmann::json& json, const std::string& where) {
    if (!json.is_object()) {
        return Problem{"is no table of limits by joint.", where, ""};
    }
    JointLimits limits;
    for (const auto& [joint, of] : json.items()) {
        const Result<TurnLimits> one = turn_limits_from_json(of, phrase("{}, \"{}\"", where, joint.substr(0, 60)));
        if (!one) {
            return one.problem();
        }
        limits[joint] = *one;
    }
    return limits;
}

nlohmann::json joint_limits_to_json(const JointLimits& limits) {
    nlohmann::json object = nlohmann::json::object();
    for (const auto& [joint, of] : limits) {
        object[joint] = turn_limits_to_json(of);
    }
    return object;
}

BeyondLimits beyond_limits(const Scene& scene, const Clip& clip, const JointLimits& limits) {
    BeyondLimits beyond;
    struct Watched {
        int node = -1;
        const TurnLimits* limits = nullptr;
        Vec3 before = Vec3::Zero();
        bool beyond = false;
    };
    std::vector<Watched> watched;
    for (const auto& [joint, of] : limits) {
        if (const int node = scene.find_node(joint); node >= 0 && of.any()) {
            watched.push_back({node, &of});
        }
    }
    if (watched.empty()) {
        return beyond;
    }
    const Poser poser(scene, &clip);
    Pose pose;
    for (int f = 0; f < clip.frames(); ++f) {
        poser.at(f / clip.rate, pose);
        for (Watched& one : watched) {
            const Quat& rest = scene.nodes[static_cast<size_t>(one.node)].rest.rotation;
            one.before = keyed_degrees(
                (rest.conjugate() * pose.local[static_cast<size_t>(one.node)].rotation).normalized(), one.before);
            for (size_t a = 0; a < 3; ++a) {
                const auto& range = one.limits->degrees.at(a);
                const double angle = one.before[static_cast<Eigen::Index>(a)];
                const double by = range ? std::max(range->first - angle, angle - range->second) : 0;
                constexpr double noise = 1e-3;
                if (by <= noise) {
                    continue;
                }
                beyond.joints += one.beyond ? 0 : 1;
                one.beyond = true;
                if (by > beyond.degrees) {
                    beyond.degrees = by;
                    beyond.joint = scene.nodes[static_cast<size_t>(one.node)].name;
                    beyond.frame = f;
                }
            }
        }
    }
    return beyond;
}

} // namespace wembrix
