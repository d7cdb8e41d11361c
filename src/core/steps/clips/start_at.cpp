// Lets a clip begin at another of its frames: one that repeats goes around, another one loses what came before.
#include "core/base/text.h"
#include "core/measure/clips/baked.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/clips/motion_roots.h"
#include "core/steps/step_kind.h"

#include <Eigen/LU>

namespace wembrix {

namespace {

/// The frames from `frame` on, then those before it, set down where the last one arrived; and, where the last frame was
/// the first once more, the new first one once more.
void go_around(const Scene& scene, Clip& clip, int frame) {
    const BakedClip was = bake_tracks(clip);
    const int period = clip.last_is_first ? was.frames - 1 : was.frames;
    BakedClip is = was;
    is.frames = was.frames;
    for (size_t t = 0; t < was.tracks.size(); ++t) {
        const BakedTrack& from = was.tracks[t];
        for (int f = 0; f < is.frames; ++f) {
            const float* value = from.at((frame + f) % period);
            std::copy_n(value, from.width, is.tracks[t].at(f));
        }
    }
    // From the end of one round to the beginning of the next.
    const int last = clip.last_is_first ? was.frames - 1 : was.frames - 2;
    Mat4 round = stand_of(scene, was, last) * stand_of(scene, was, 0).inverse();
    if (!clip.last_is_first) {
        round = stand_of(scene, was, last + 1) * stand_of(scene, was, last).inverse() * stand_of(scene, was, last + 1) *
                stand_of(scene, was, 0).inverse();
    }
    aligned(scene, round, period - frame, is.frames - 1, is);
    for (BakedTrack& track : is.tracks) {
        if (track.path == Path::rotation) {
            keep_sign(track);
        }
    }
    put_tracks(is, clip.start_s, clip);
}

struct StartSettings {
    std::string clip;
    int frame = 0;
};

Result<StepResult> apply_start_at(const StepContext& context, const StartSettings& settings) {
    const Scene& scene = context.scene;
    const auto& [name, frame] = settings;
    const Result<size_t> at = named_clip(scene, name);
    if (!at) {
        return at.problem();
    }
    StepResult result;
    result.scene = scene;
    Clip& clip = result.scene.clips[*at];
    const int frames = clip.frames();
    if (frame < 0 || frame >= frames - 1) {
        return Problem{phrase("“{}” cannot begin at frame {}; it has {} (0 to {}).", name, frame, frames, frames - 1),
                       "", ""};
    }
    if (frame == 0) {
        result.account = phrase("“{}” begins there already", name);
    } else if (clip.loop) {
        go_around(scene, clip, frame);
        mark_remade(clip);
        result.account = phrase("“{}” goes around from frame {}", name, frame);
    } else {
        clip.start_s += frame / clip.rate;
        clip.seconds -= frame / clip.rate;
        result.account = phrase("“{}” begins at what was frame {}", name, frame);
    }
    return result;
}

} // namespace

StepKind start_at_step() {
    return make_step<StartSettings>(
        {"start_at", "Start at a frame", "Clips that follow each other begin in the same pose, or on the same foot.",
         StepSubject::clips},
        {text<&StartSettings::clip>("clip", "Clip", "Which clip").needed().naming(NameOf::clip).starting(""),
         number<&StartSettings::frame>(
             "frame", "Frame", "Which frame; a clip that repeats goes around, another one loses what came before")
             .needed()
             .starting(0)},
        apply_start_at);
}

} // namespace wembrix
