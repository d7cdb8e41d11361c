// Makes another pose the rest pose: the one it was bound in, a frame of a clip, or a stored one. Motion stays: what a
// clip did not key is keyed at what it was.
#include "core/steps/all.h"
#include "core/steps/names.h"
#include "core/steps/parameters.h"
#include "core/steps/skeleton/rebind.h"
#include "core/steps/skeleton/stored_pose.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix {

namespace {

/// One key that holds what the rest pose said, for each property that changes and that `clip` leaves to the rest pose.
void keep_in_clip(Clip& clip, int node, const Transform& before, const Transform& after) {
    const auto keyed = [&](Path path) {
        return std::any_of(clip.channels.begin(), clip.channels.end(), [&](const Channel& channel) {
            return channel.node == node && channel.path == path && !channel.times.empty();
        });
    };
    const auto hold = [&](Path path, std::vector<float> values) {
        if (!keyed(path)) {
            const int width = static_cast<int>(values.size());
            clip.channels.push_back(
                {node, path, Interpolation::step, width, std::vector<float>{0.0F}, std::move(values), {}});
        }
    };
    if (before.translation != after.translation) {
        const Vec3f t = before.translation.cast<float>();
        hold(Path::translation, {t.x(), t.y(), t.z()});
    }
    if (before.rotation.coeffs() != after.rotation.coeffs()) {
        const Eigen::Vector4f q = before.rotation.coeffs().cast<float>();
        hold(Path::rotation, {q.x(), q.y(), q.z(), q.w()});
    }
    if (before.scale != after.scale) {
        const Vec3f s = before.scale.cast<float>();
        hold(Path::scale, {s.x(), s.y(), s.z()});
    }
}

struct Wanted {
    std::vector<Transform> locals; ///< one per node
    std::string name;
    std::vector<std::string> could_not;
};

Result<Wanted> wanted_pose(const Scene& scene, Parameters& parameters, const nlohmann::json& json) {
    Wanted wanted;
    for (const Node& node : scene.nodes) {
        wanted.locals.push_back(node.rest);
    }
    const std::string from = parameters.text("from", "bind");
    const std::string clip_name = parameters.text("clip", "");
    if (from == "bind") {
        std::vector<std::string> disagree;
        wanted.locals = bind_pose(scene, &disagree);
        wanted.name = "the pose it was bound in";
        if (!disagree.empty()) {
            wanted.could_not.push_back(
                fmt::format("{} is bound in two places by two skins; the first is followed", some_of(disagree)));
        }
        return wanted;
    }
    StoredPose pose;
    if (from == "frame") {
        const int frame = parameters.needed_whole("frame");
        if (!parameters.ok()) {
            return parameters.problem();
        }
        const Clip* clip = scene.find_clip(clip_name);
        if (clip == nullptr) {
            return Problem{fmt::format("there is no clip \"{}\".", clip_name), "", "Choose one that is there."};
        }
        if (frame < 0 || frame >= clip->frames()) {
            return Problem{fmt::format("{} has the frames 0 to {}, and no {}.", clip_name, clip->frames() - 1, frame),
                           "", ""};
        }
        pose = pose_of(scene, clip, frame / clip->rate);
        wanted.name = fmt::format("{} frame {}", clip_name, frame);
    } else if (from == "pose") {
        const auto found = json.find("pose");
        Result<StoredPose> read = pose_from_json(found == json.end() ? nlohmann::json() : *found);
        if (!read) {
            return read.problem();
        }
        pose = read.take();
        const std::string name = parameters.text("name", "");
        wanted.name = name.empty() ? "a stored pose" : fmt::format("the pose “{}”", name);
    } else {
        parameters.complain("\"from\" is none of bind, frame, pose.");
        return parameters.problem();
    }
    std::vector<std::string> missing;
    for (const auto& [joint, local] : pose) {
        const int node = scene.find_node(joint);
        if (node < 0) {
            missing.push_back(joint);
        } else {
            wanted.locals[node] = local;
        }
    }
    if (!missing.empty()) {
        wanted.could_not.push_back(fmt::format("there is no joint {} any more", some_of(missing)));
    }
    return wanted;
}

Result<StepResult> apply(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"from", "clip", "frame", "pose", "name", "surface"});
    const std::string surface = parameters.text("surface", "keep");
    if (surface != "keep" && surface != "rebind") {
        parameters.complain("\"surface\" is neither \"keep\" nor \"rebind\".");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    Result<Wanted> wanted = wanted_pose(scene, parameters, json);
    if (!wanted) {
        return wanted.problem();
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    StepResult result;
    result.scene = scene;
    size_t changed = 0;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const Transform& before = scene.nodes[i].rest;
        const Transform& after = wanted->locals[i];
        if ((before.matrix() - after.matrix()).cwiseAbs().maxCoeff() <= 1e-12) {
            continue;
        }
        ++changed;
        result.scene.nodes[i].rest = after;
        for (Clip& clip : result.scene.clips) {
            keep_in_clip(clip, static_cast<int>(i), before, after);
        }
    }
    if (surface == "rebind") {
        rebind_surfaces(result.scene, rest_world(result.scene));
    }
    result.could_not = wanted->could_not;
    result.other_rest = changed > 0;
    result.account = changed == 0 ? fmt::format("{} is the rest pose already", wanted->name)
                                  : fmt::format("{} is the rest pose: {} joint{} stand{} otherwise{}", wanted->name,
                                                changed, changed == 1 ? "" : "s", changed == 1 ? "s" : "",
                                                surface == "rebind" ? ", surfaces bound anew" : "");
    return result;
}

} // namespace

StepKind set_rest_pose_step() {
    return {"set_rest_pose",
            "Set the rest pose",
            "Engines take the pose a file rests in for the one it was bound in; here they become the same.",
            true,
            {{"from", "From", StepField::Kind::choice, "bind|frame|pose"},
             {"clip", "Clip", StepField::Kind::clip, "for a frame"},
             {"frame", "Frame", StepField::Kind::number, ""},
             {"surface", "Surfaces", StepField::Kind::choice, "keep|rebind"}},
            [] {
                return nlohmann::json{{"from", "bind"}, {"surface", "keep"}};
            },
            apply};
}

} // namespace wembrix
