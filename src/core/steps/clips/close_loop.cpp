// Makes the end of a clip meet its beginning: ends it at the frame that closes best, blends its last frames into the
// first pose, or adds the first pose once more.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/math/angles.h"
#include "core/measure/clips/baked.h"
#include "core/measure/clips/seam.h"
#include "core/measure/scene/bounds.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/clips/motion_roots.h"
#include "core/steps/step_kind.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <set>

namespace wembrix {

namespace {

/// Where the channels of a clip end, on their own clock.
double end_of_keys(const Clip& clip) {
    double end = clip.start_s + clip.seconds;
    for (const Channel& channel : clip.channels) {
        end = channel.times.empty() ? end : std::max(end, static_cast<double>(channel.times.get().back()));
    }
    return end;
}

/// Adds to frames [from, to] of a track, with a share that grows from 0 to 1, what brings `to` onto `target`. Places of
/// what carries the whole keep their way over the ground.
void lead_to(BakedTrack& track, const float* target, int from, int to, const Mat3* ground) {
    const auto share = [&](int frame) {
        const double u = to > from ? static_cast<double>(frame - from) / (to - from) : 1;
        return u * u * (3 - 2 * u);
    };
    if (track.path == Path::rotation) {
        const auto quat = [](const float* q) { return Quat(q[3], q[0], q[1], q[2]).normalized(); };
        const Quat by = quat(track.at(to)).inverse() * quat(target);
        for (int f = from; f <= to; ++f) {
            const Quat turned = (quat(track.at(f)) * Quat::Identity().slerp(share(f), by)).normalized();
            std::copy_n(turned.coeffs().cast<float>().eval().data(), 4, track.at(f));
        }
        keep_sign(track);
        return;
    }
    std::vector<double> by(static_cast<size_t>(track.width));
    for (int k = 0; k < track.width; ++k) {
        by[static_cast<size_t>(k)] = static_cast<double>(target[k]) - track.at(to)[k];
    }
    if (ground != nullptr && track.path == Path::translation) {
        // In the world the way over the ground stays; only the height is led back.
        Vec3 world = *ground * Vec3(by[0], by[1], by[2]);
        world.x() = world.z() = 0;
        const Vec3 own = ground->inverse() * world;
        std::copy_n(own.data(), 3, by.begin());
    }
    for (int f = track.stepped ? to : from; f <= to; ++f) {
        for (int k = 0; k < track.width; ++k) {
            track.at(f)[k] = static_cast<float>(track.at(f)[k] + by[static_cast<size_t>(k)] * share(f));
        }
    }
}

struct CloseSettings {
    enum class Mode : uint8_t { trim, blend, repeat_first };
    std::string clip;
    Mode mode = Mode::trim;
    int frames = 8;
};

/// Turns `q` (x, y, z, w; under a parent that rests as `ground`) by `angle` about the world's up.
void turn_about_up(const Mat3& ground, double angle, float* q) {
    const Quat above(nearest_rotation(ground));
    const Quat up(Eigen::AngleAxisd(angle, Vec3::UnitY()));
    const Quat turned = above.conjugate() * up * above * Quat(q[3], q[0], q[1], q[2]);
    std::copy_n(turned.normalized().coeffs().cast<float>().eval().data(), 4, q);
}

/// Blends or adds; both on the clip's own frames. What travels keeps its way, and what goes round its turn: the first
/// pose that it is led to stands there as the whole has come to stand.
void lead_back(const Scene& scene, Clip& clip, const CloseSettings& settings, const Seam& seam) {
    BakedClip baked = bake_tracks(clip);
    const std::vector<Mat4> world = rest_world(scene);
    const std::set<int> tops = motion_roots_of(scene, baked);
    const bool add = settings.mode == CloseSettings::Mode::repeat_first;
    const int last = baked.frames - 1;
    double turn = seam.turns ? seam.turn_deg * radians_per_degree : 0;
    if (seam.turns && add) {
        const auto heading = [&](int frame) {
            const Mat4 stand = stand_of(scene, baked, frame);
            return std::atan2(stand(0, 2), stand(2, 2));
        };
        turn += std::remainder(heading(last) - heading(last - 1), 2 * pi); // it goes on as it went
    }
    for (BakedTrack& track : baked.tracks) {
        std::vector<float> first(track.at(0), track.at(0) + track.width);
        const bool carries = (seam.travels || seam.turns) && tops.count(track.node) != 0;
        if (add) {
            std::vector<float> end(track.at(last), track.at(last) + track.width);
            for (int k = 0; carries && track.path == Path::translation && k < 3; ++k) {
                end[static_cast<size_t>(k)] += track.at(last)[k] - track.at(last - 1)[k];
            }
            track.values.insert(track.values.end(), end.begin(), end.end());
        }
        Mat3 ground = Mat3::Identity();
        if (carries && scene.nodes[track.node].parent >= 0) {
            ground = linear_of(world[scene.nodes[track.node].parent]);
        }
        if (carries && track.path == Path::rotation) {
            turn_about_up(ground, turn, first.data());
        }
        const int to = add ? last + 1 : last;
        lead_to(track, first.data(), add ? to : std::max(0, last - settings.frames), to, carries ? &ground : nullptr);
    }
    baked.frames += add ? 1 : 0;
    put_tracks(baked, clip.start_s, clip);
}

Result<StepResult> apply_close_loop(const StepContext& context, const CloseSettings& settings) {
    const Scene& scene = context.scene;
    const std::string& name = settings.clip;
    const Result<size_t> at = named_clip(scene, name);
    if (!at) {
        return at.problem();
    }
    StepResult result;
    result.scene = scene;
    Clip& clip = result.scene.clips[*at];
    const double height = height_m(scene);
    if (clip.frames() < 3) {
        return Problem{phrase("“{}” has {}: nothing of it can repeat.", name, counted(clip.frames(), "frame")), "", ""};
    }
    const Seam before = measure_seam(scene, clip, height);
    if (settings.mode == CloseSettings::Mode::trim) {
        const std::optional<Closing> closing = nearest_closing(scene, clip, height, end_of_keys(clip));
        if (!closing) {
            return Problem{phrase("no frame near the end of “{}” can be told to close it.", name), "", ""};
        }
        const int was = clip.frames() - 1;
        clip.seconds = closing->frame / clip.rate;
        result.account = phrase("“{}” ends at frame {} instead of {}", name, closing->frame, was);
    } else {
        if (settings.mode == CloseSettings::Mode::blend && settings.frames > clip.frames() - 2) {
            return Problem{
                phrase("“{}” has {}: {} cannot be blended.", name, counted(clip.frames(), "frame"), settings.frames),
                "", "Blend over fewer."};
        }
        lead_back(scene, clip, settings, before);
        mark_remade(clip);
        result.account =
            settings.mode == CloseSettings::Mode::blend
                ? phrase("the last {} of “{}” lead into its first pose", counted(settings.frames, "frame"), name)
                : phrase("“{}” has its first pose once more, as frame {}", name, clip.frames() - 1);
    }
    clip.loop = true;
    const Seam after = measure_seam(result.scene, clip, height);
    clip.last_is_first = after.apart_mm < 0.05 && after.turned_deg < 0.05;
    if (after.turns) {
        result.account += phrase("; it goes round by {:.0f}° each time", after.turn_deg);
    }
    result.account += phrase("; seam {:.1f} → {:.1f} mm, {:.1f} → {:.1f}°", before.apart_mm, after.apart_mm,
                             before.turned_deg, after.turned_deg);
    if (!after.closes(height)) {
        result.could_not.push_back(
            phrase("“{}” still does not close: {:.0f} mm at {}", name, after.apart_mm, after.apart_at));
    }
    return result;
}

} // namespace

StepKind close_loop_step() {
    return make_step<CloseSettings>(
        {"close_loop", "Close a loop", "A clip that repeats and does not close jumps every time it begins again.",
         StepSubject::clips},
        {text<&CloseSettings::clip>("clip", "Clip", "Which clip").needed().naming(NameOf::clip).starting(""),
         choice<&CloseSettings::mode>(
             "mode", "By", {"trim", "blend", "repeat_first"},
             "It ends at the frame that closes best, its last frames lead into the first pose, "
             "or the first pose is added as one frame more")
             .starting("blend"),
         number<&CloseSettings::frames>("frames", "Blend over", "How many frames lead into the first pose")
             .unit("frames")
             .between(1, 10000)
             .starting(8)},
        apply_close_loop);
}

} // namespace wembrix
