// Makes another pose the rest pose: the one it was bound in, a frame of a clip, or a stored one. Motion stays: what a
// clip did not key is keyed at what it was.
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/rebind.h"
#include "core/steps/skeleton/stored_pose.h"
#include "core/steps/step_kind.h"

#include <algorithm>

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
    std::vector<Text> could_not;
};

struct RestPoseSettings {
    enum class From : uint8_t { bind, frame, pose };
    enum class Surface : uint8_t { keep, rebind };
    From from = From::bind;
    std::string clip;
    int frame = 0;
    StoredPose pose;
    std::string name;
    Surface surface = Surface::keep;
};

Result<Wanted> wanted_pose(const Scene& scene, const RestPoseSettings& settings) {
    Wanted wanted;
    for (const Node& node : scene.nodes) {
        wanted.locals.push_back(node.rest);
    }
    if (settings.from == RestPoseSettings::From::bind) {
        std::vector<std::string> disagree;
        wanted.locals = bind_pose(scene, &disagree);
        wanted.name = "the pose it was bound in";
        if (!disagree.empty()) {
            wanted.could_not.push_back(
                phrase("{} is bound in two places by two skins; the first is followed", some_of(disagree)));
        }
        return wanted;
    }
    StoredPose pose;
    if (settings.from == RestPoseSettings::From::frame) {
        const std::string& clip_name = settings.clip;
        const int frame = settings.frame;
        const Clip* clip = scene.find_clip(clip_name);
        if (clip == nullptr) {
            return Problem{phrase("there is no clip \"{}\".", clip_name), "", "Choose one that is there."};
        }
        if (frame < 0 || frame >= clip->frames()) {
            return Problem{phrase("{} has the frames 0 to {}, and no {}.", clip_name, clip->frames() - 1, frame), "",
                           ""};
        }
        pose = pose_of(scene, clip, frame / clip->rate);
        wanted.name = phrase("{} frame {}", clip_name, frame);
    } else {
        pose = settings.pose;
        wanted.name = settings.name.empty() ? "a stored pose" : phrase("the pose “{}”", settings.name);
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
        wanted.could_not.push_back(phrase("there is no joint {} any more", some_of(missing)));
    }
    return wanted;
}

Result<StepResult> apply_set_rest_pose(const StepContext& context, const RestPoseSettings& settings) {
    const Scene& scene = context.scene;
    if (settings.from == RestPoseSettings::From::pose && settings.pose.empty()) {
        return malformed("needs \"pose\".");
    }
    Result<Wanted> wanted = wanted_pose(scene, settings);
    if (!wanted) {
        return wanted.problem();
    }
    const bool rebind = settings.surface == RestPoseSettings::Surface::rebind;
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
    if (rebind) {
        rebind_surfaces(result.scene, rest_world(result.scene));
    }
    result.could_not = wanted->could_not;
    result.other_rest = changed > 0;
    result.account =
        changed == 0 ? phrase("{} is the rest pose already", wanted->name)
                     : phrase("{} is the rest pose: {} joint{} stand{} otherwise{}", wanted->name, changed,
                              changed == 1 ? "" : "s", changed == 1 ? "s" : "", rebind ? ", surfaces bound anew" : "");
    return result;
}

} // namespace

StepKind set_rest_pose_step() {
    return make_step<RestPoseSettings>(
        {"set_rest_pose", "Set the rest pose",
         "Engines take the pose a file rests in for the one it was bound in; here they become the same.",
         StepSubject::skeleton},
        {choice<&RestPoseSettings::from>(
             "from", "From", {"bind", "frame", "pose"},
             "The pose it was bound in, a frame of a clip, or a stored pose. What a clip left "
             "to the rest pose is keyed at what it was")
             .starting("bind"),
         text<&RestPoseSettings::clip>("clip", "Clip", "Of which clip").naming(NameOf::clip).typed_as("for a frame"),
         number<&RestPoseSettings::frame>("frame", "Frame", "Which frame").at_least(0),
         object<&RestPoseSettings::pose, pose_from_json>("pose", "Pose",
                                                         "Joints with `translation_m`, `rotation_xyzw` and `scale`"),
         text<&RestPoseSettings::name>("name", "Name", "What the pose is called").unseen(),
         choice<&RestPoseSettings::surface>("surface", "Surfaces", {"keep", "rebind"},
                                            "Inverse binds stay as they are and motion is exact, or surfaces are bound "
                                            "anew in that pose and the drift says what that moves")
             .starting("keep")},
        apply_set_rest_pose);
}

} // namespace wembrix
