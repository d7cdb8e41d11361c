// One frame of a clip as a clip of its own; and a clip as the difference from one frame.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/clips/baked.h"
#include "core/measure/skeleton/pose.h"
#include "core/steps/clips/clip_step.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace wembrix {

namespace {

bool differs(const Transform& a, const Transform& b) {
    return (a.translation - b.translation).norm() > 1e-6 || (a.scale - b.scale).norm() > 1e-6 ||
           a.rotation.angularDistance(b.rotation) > 1e-5;
}

void add_key(int node, Path path, std::vector<float> value, Clip& clip) {
    const int width = static_cast<int>(value.size());
    clip.channels.push_back({node, path, Interpolation::linear, width, std::vector<float>{0}, std::move(value), {}});
}

struct PoseSettings {
    enum class Joints : uint8_t { all, moved };
    std::string clip;
    int frame = 0;
    std::string name;
    Joints joints = Joints::all;
};

Result<StepResult> apply_pose_to_clip(const StepContext& context, const PoseSettings& settings) {
    const Scene& scene = context.scene;
    const std::string& from = settings.clip;
    const int frame = settings.frame;
    const std::string& name = settings.name;
    const bool only_moved = settings.joints == PoseSettings::Joints::moved;
    const Result<size_t> at = named_clip(scene, from);
    if (!at) {
        return at.problem();
    }
    const Clip& source = scene.clips[*at];
    if (frame < 0 || frame >= source.frames()) {
        return Problem{
            phrase("“{}” has no frame {}; it has {} (0 to {}).", from, frame, source.frames(), source.frames() - 1), "",
            ""};
    }
    if (scene.find_clip(name) != nullptr) {
        return Problem{phrase("there is a clip \"{}\" already.", name), "", "Choose another name."};
    }
    Pose pose;
    const Poser poser(scene, &source);
    poser.at(frame / source.rate, pose);
    Clip clip;
    clip.name = name;
    clip.take = source.take;
    clip.rate = source.rate;
    clip.cut = true;
    mark_remade(clip);
    size_t keyed = 0;
    // Joints, and what else the clip moves: a parent transform, or a surface that hangs on none.
    std::set<int> nodes;
    for (const int joint : joints_of(scene)) {
        nodes.insert(joint);
    }
    for (const Channel& channel : source.channels) {
        if (channel.path != Path::weights) {
            nodes.insert(channel.node);
        }
    }
    for (const int joint : nodes) {
        const Transform& local = pose.local[static_cast<size_t>(joint)];
        if (only_moved && !differs(local, scene.nodes[joint].rest)) {
            continue;
        }
        keyed += scene.nodes[joint].kind == NodeKind::joint ? 1 : 0;
        const Vec3f t = local.translation.cast<float>();
        const Eigen::Vector4f q = local.rotation.coeffs().cast<float>();
        const Vec3f s = local.scale.cast<float>();
        add_key(joint, Path::translation, {t.data(), t.data() + 3}, clip);
        add_key(joint, Path::rotation, {q.data(), q.data() + 4}, clip);
        add_key(joint, Path::scale, {s.data(), s.data() + 3}, clip);
    }
    for (const int node : surfaces_of(scene)) {
        const std::vector<float> rest = scene.rest_shape_weights(node);
        const auto first = pose.shape_weights.begin() + poser.shape_offset(node);
        std::vector<float> now(first, first + static_cast<ptrdiff_t>(rest.size()));
        if (!rest.empty() && (!only_moved || now != rest)) {
            add_key(node, Path::weights, std::move(now), clip);
        }
    }
    StepResult result;
    result.scene = scene;
    result.scene.clips.push_back(std::move(clip));
    result.account = phrase("frame {} of “{}” as “{}”, {}", frame, from, name, counted(keyed, "joint"));
    return result;
}

/// Each value becomes what it adds to the base, put on the rest value.
void take_off(BakedTrack& track, const float* base, const Transform& rest, const std::vector<float>& shapes) {
    const size_t frames = track.values.size() / static_cast<size_t>(track.width);
    for (size_t f = 0; f < frames; ++f) {
        float* v = track.at(static_cast<int>(f));
        if (track.path == Path::rotation) {
            const Quat was = Quat(base[3], base[0], base[1], base[2]).normalized();
            const Quat is = Quat(v[3], v[0], v[1], v[2]).normalized();
            const Quat added = (rest.rotation * was.conjugate() * is).normalized();
            std::copy_n(added.coeffs().cast<float>().eval().data(), 4, v);
            continue;
        }
        for (int k = 0; k < track.width; ++k) {
            if (track.path == Path::scale) {
                v[k] = std::abs(base[k]) > 1e-9F ? static_cast<float>(rest.scale[k]) * v[k] / base[k] : v[k];
            } else {
                const float at_rest = track.path == Path::translation          ? static_cast<float>(rest.translation[k])
                                      : static_cast<size_t>(k) < shapes.size() ? shapes[static_cast<size_t>(k)]
                                                                               : 0.0F;
                v[k] += at_rest - base[k];
            }
        }
    }
    if (track.path == Path::rotation) {
        keep_sign(track);
    }
}

struct AdditiveSettings {
    std::vector<std::string> clips;
    std::string base;
    int frame = 0;
};

Result<StepResult> apply_make_additive(const StepContext& context, const AdditiveSettings& settings, ClipWork work) {
    const Scene& scene = context.scene;
    const std::string& base = settings.base;
    const int frame = settings.frame;
    StepResult& result = work.result;
    for (const size_t c : work.clips) {
        Clip& clip = result.scene.clips[c];
        const Clip* from = base.empty() ? &scene.clips[c] : scene.find_clip(base);
        if (from == nullptr) {
            return named_clip(scene, base).problem();
        }
        if (!(frame >= 0 && frame < from->frames())) {
            return Problem{phrase("“{}” has no frame {}.", from->name, frame), "", ""};
        }
        BakedClip baked = bake_tracks(clip);
        BakedClip still = bake_tracks(*from, from->rate, frame / from->rate, 1);
        add_rest_tracks(scene, baked, still);
        for (BakedTrack& track : baked.tracks) {
            const std::vector<float> was = still.find(track.node, track.path)->values;
            take_off(track, was.data(), scene.nodes[track.node].rest,
                     track.path == Path::weights ? scene.rest_shape_weights(track.node) : std::vector<float>());
        }
        put_tracks(baked, clip.start_s, clip);
        mark_remade(clip);
    }
    result.account = phrase("{} as what is added to frame {} of {}, on the rest pose", work.said, frame,
                            base.empty() ? "its own" : "“" + base + "”");
    return std::move(work.result);
}

} // namespace

StepKind pose_to_clip_step() {
    return make_step<PoseSettings>(
        {"pose_to_clip", "Pose to clip", "A pose that a game blends to or starts from goes out as a clip of one frame.",
         StepSubject::clips},
        {text<&PoseSettings::clip>("clip", "Clip", "Which clip").needed().naming(NameOf::clip).starting(""),
         number<&PoseSettings::frame>("frame", "Frame", "Which frame of it").needed().starting(0),
         text<&PoseSettings::name>("name", "Name", "Name of the new clip")
             .needed()
             .naming(NameOf::clip_after)
             .typed_as("of the new clip")
             .starting("pose"),
         choice<&PoseSettings::joints>("joints", "Joints", {"all", "moved"}, "All, or those that differ from rest")
             .starting("all")},
        apply_pose_to_clip);
}

StepKind make_additive_step() {
    return make_clip_step<AdditiveSettings>(
        {"make_additive", "Make additive",
         "A breath or a flinch that plays over other clips holds only what it adds to a pose.", StepSubject::clips},
        {clips_parameter<&AdditiveSettings::clips>(
             "Names of clips, with * and ?; all clips where it is not set. What each frame "
             "adds to the pose is put on the rest pose")
             .starting(nlohmann::json::array()),
         text<&AdditiveSettings::base>("base", "To a pose of",
                                       "The clip that the pose is of; each its own where it is not set")
             .naming(NameOf::clip)
             .typed_as("clip; empty: its own"),
         number<&AdditiveSettings::frame>("frame", "Frame", "Which frame of it").starting(0)},
        apply_make_additive);
}

} // namespace wembrix
