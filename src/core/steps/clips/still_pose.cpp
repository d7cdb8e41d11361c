// One frame of a clip as a clip of its own; and a clip as the difference from one frame.
#include "core/measure/clips/baked.h"
#include "core/measure/skeleton/pose.h"
#include "core/steps/all.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/parameters.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
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

Result<StepResult> apply_still(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"clip", "frame", "name", "joints"});
    const std::string from = parameters.needed_text("clip");
    const int frame = parameters.needed_whole("frame");
    const std::string name = parameters.needed_text("name");
    const std::string which = parameters.text("joints", "all");
    if (which != "all" && which != "moved") {
        parameters.complain("\"joints\" is neither \"all\" nor \"moved\".");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    const Result<size_t> at = named_clip(scene, from);
    if (!at) {
        return at.problem();
    }
    const Clip& source = scene.clips[*at];
    if (frame < 0 || frame >= source.frames()) {
        return Problem{fmt::format("“{}” has no frame {}; it has {} (0 to {}).", from, frame, source.frames(),
                                   source.frames() - 1),
                       "", ""};
    }
    if (scene.find_clip(name) != nullptr) {
        return Problem{fmt::format("there is a clip \"{}\" already.", name), "", "Choose another name."};
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
    // Joints, and what else the clip moves: a holder, or a surface that hangs on none.
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
        if (which == "moved" && !differs(local, scene.nodes[joint].rest)) {
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
        if (!rest.empty() && (which == "all" || now != rest)) {
            add_key(node, Path::weights, std::move(now), clip);
        }
    }
    StepResult result;
    result.scene = scene;
    result.scene.clips.push_back(std::move(clip));
    result.account = fmt::format("frame {} of “{}” as “{}”, {} joints", frame, from, name, keyed);
    return result;
}

/// Each value becomes what it adds to the base, put on the rest value.
void take_off(BakedTrack& track, const float* base, const Transform& rest) {
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
                v[k] += (track.path == Path::translation ? static_cast<float>(rest.translation[k]) : 0.0F) - base[k];
            }
        }
    }
    if (track.path == Path::rotation) {
        keep_sign(track);
    }
}

Result<StepResult> apply_additive(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"clips", "base", "frame"});
    const std::vector<std::string> patterns = parameters.texts("clips");
    const std::string base = parameters.text("base", "");
    const double frame = parameters.number("frame").value_or(0);
    if (!parameters.ok()) {
        return parameters.problem();
    }
    const Result<std::vector<size_t>> chosen = chosen_clips(scene, patterns);
    if (!chosen) {
        return chosen.problem();
    }
    StepResult result;
    result.scene = scene;
    for (const size_t c : *chosen) {
        Clip& clip = result.scene.clips[c];
        const Clip* from = base.empty() ? &scene.clips[c] : scene.find_clip(base);
        if (from == nullptr) {
            return named_clip(scene, base).problem();
        }
        if (!(frame >= 0 && frame < from->frames())) {
            return Problem{fmt::format("“{}” has no frame {:g}.", from->name, frame), "", ""};
        }
        BakedClip baked = bake_tracks(clip);
        BakedClip still = bake_tracks(*from, from->rate, frame / from->rate, 1);
        add_rest_tracks(scene, baked, still);
        for (BakedTrack& track : baked.tracks) {
            const std::vector<float> was = still.find(track.node, track.path)->values;
            take_off(track, was.data(), scene.nodes[track.node].rest);
        }
        put_tracks(baked, clip.start_s, clip);
        mark_remade(clip);
    }
    result.account = fmt::format("{} as what is added to frame {:g} of {}, on the rest pose",
                                 clips_said(scene, *chosen), frame, base.empty() ? "its own" : "“" + base + "”");
    return result;
}

} // namespace

StepKind still_pose_step() {
    return {"still_pose",
            "Still pose",
            "A pose that a game blends to or starts from goes out as a clip of one frame.",
            true,
            {{"clip", "Clip", StepField::Kind::clip, ""},
             {"frame", "Frame", StepField::Kind::number, ""},
             {"name", "Name", StepField::Kind::text, "of the new clip"},
             {"joints", "Joints", StepField::Kind::choice, "all|moved"}},
            [] {
                return nlohmann::json{{"clip", ""}, {"frame", 0}, {"name", "pose"}, {"joints", "all"}};
            },
            apply_still,
            true};
}

StepKind make_additive_step() {
    return {"make_additive",
            "Make additive",
            "A breath or a flinch that plays over other clips holds only what it adds to a pose.",
            false,
            {{"clips", "Clips", StepField::Kind::clips, "one a line, * and ? allowed; none: all"},
             {"base", "To a pose of", StepField::Kind::clip, "clip; empty: its own"},
             {"frame", "Frame", StepField::Kind::number, ""}},
            [] {
                return nlohmann::json{{"clips", nlohmann::json::array()}, {"frame", 0}};
            },
            apply_additive,
            true};
}

} // namespace wembrix
