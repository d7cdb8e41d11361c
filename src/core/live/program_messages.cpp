#include "core/live/program_messages.h"

#include "core/live/listener_messages.h"

#include <nlohmann/json.hpp>

namespace wembrix {

using nlohmann::json;

namespace {

json file_json(const char* message, const LiveFile& file) {
    json said = {{"message", message},      {"file", file.number}, {"deliverable", file.deliverable},
                 {"kind", file.kind},       {"name", file.name},   {"file_name", file.file_name},
                 {"content", file.content}, {"bytes", file.bytes}};
    if (!file.colour.empty()) {
        said["colour"] = file.colour;
    }
    return said;
}

std::string dumped(const json& message) {
    return message.dump(-1, ' ', false, json::error_handler_t::replace);
}

} // namespace

std::string welcome_message(const std::string& job, const std::string& destination) {
    return dumped(json{{"message", "welcome"}, {"version", live_version}, {"job", job}, {"destination", destination}});
}

std::string refused_message(const std::string& why) {
    return dumped(json{{"message", "refused"}, {"why", why}});
}

std::string file_message(const LiveFile& file) {
    return dumped(file_json("file", file));
}

std::string kept_message(const LiveFile& file) {
    return dumped(file_json("kept", file));
}

std::string joints_message(const PosedNames& names) {
    json shapes = json::array();
    for (const auto& [node, of] : names.shapes) {
        shapes.push_back({{"node", node}, {"names", of}});
    }
    return dumped(json{{"message", "joints"}, {"names", names.joints}, {"shapes", shapes}});
}

std::string pose_message(const LivePose& pose) {
    json pose_json = {{"message", "pose"}, {"clip", pose.clip}, {"seconds", pose.seconds}};
    json& values = pose_json["joints"] = json::array();
    for (const Transform& joint : pose.joints) {
        const Vec3& t = joint.translation;
        const Quat& r = joint.rotation;
        const Vec3& s = joint.scale;
        values.push_back({t.x(), t.y(), t.z(), r.x(), r.y(), r.z(), r.w(), s.x(), s.y(), s.z()});
    }
    pose_json["weights"] = pose.weights;
    if (pose.ask) {
        pose_json["ask"] = *pose.ask;
        pose_json["about"] = pose.about;
    }
    return dumped(pose_json);
}

} // namespace wembrix
