// Keys everything a clip moves at each of its frames.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/clips/baked.h"
#include "core/measure/scene/drift.h"
#include "core/steps/clips/clip_step.h"

#include <cmath>
#include <fmt/format.h>

namespace wembrix {

namespace {

struct BakeSettings {
    std::vector<std::string> clips;
    std::optional<double> rate;
};

Result<StepResult> apply_bake(const StepContext&, const BakeSettings& settings, ClipWork work) {
    StepResult& result = work.result;
    result.subsamples = moments_a_frame;
    size_t frames = 0;
    for (const size_t c : work.clips) {
        Clip& clip = result.scene.clips[c];
        const double at = settings.rate.value_or(clip.rate);
        const int count = clip.frames(at);
        const double left = clip.seconds - (count - 1) / at;
        if (left > 1e-3 / at) {
            result.could_not.push_back(phrase(
                "“{}” lasts {:.4f} s, which is no whole number of frames at {:g} per second: it ends {:.1f} ms sooner",
                clip.name, clip.seconds, at, left * 1000));
        }
        put_tracks(bake_tracks(clip, at, 0, count), clip.start_s, clip);
        frames += static_cast<size_t>(count);
    }
    const std::string at = settings.rate ? fmt::format(" at {:g} per second", *settings.rate) : "";
    result.account = phrase("{}: {}{}, a key on each", work.said, counted(frames, "frame"), at);
    return std::move(work.result);
}

} // namespace

StepKind bake_step() {
    return make_clip_step<BakeSettings>(
        {"bake", "Bake",
         "An engine plays what stands on its frames; keyed there, nothing between the keys is left to its taste.",
         StepSubject::clips},
        {clips_parameter<&BakeSettings::clips>(),
         number<&BakeSettings::rate>(
             "rate", "Frame rate",
             "Each clip's own where it is not set. A key on every frame of all that a clip keys, "
             "nothing beside its range; stepped stays stepped. Drift is measured at four moments "
             "per frame")
             .unit("frames per second")
             .typed_as("empty: each clip's own")
             .between(1, 1000)},
        apply_bake);
}

} // namespace wembrix
