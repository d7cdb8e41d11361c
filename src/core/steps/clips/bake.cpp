// Keys everything a clip moves at each of its frames.
#include "core/measure/clips/baked.h"
#include "core/measure/scene/drift.h"
#include "core/steps/all.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/parameters.h"

#include <cmath>
#include <fmt/format.h>

namespace wembrix {

namespace {

Result<StepResult> apply(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"clips", "rate"});
    const std::vector<std::string> patterns = parameters.texts("clips");
    const std::optional<double> rate = parameters.number("rate");
    if (rate && !(*rate >= 1 && *rate <= 1000)) {
        parameters.complain("\"rate\" is not between 1 and 1000 frames a second.");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    const Result<std::vector<size_t>> chosen = chosen_clips(scene, patterns);
    if (!chosen) {
        return chosen.problem();
    }
    StepResult result;
    result.scene = scene;
    result.finer = moments_a_frame;
    size_t frames = 0;
    for (const size_t c : *chosen) {
        Clip& clip = result.scene.clips[c];
        const double at = rate.value_or(clip.rate);
        const int count = clip.frames(at);
        const double left = clip.seconds - (count - 1) / at;
        if (left > 1e-3 / at) {
            result.could_not.push_back(fmt::format(
                "“{}” lasts {:.4f} s, which is no whole number of frames at {:g} a second: it ends {:.1f} ms sooner",
                clip.name, clip.seconds, at, left * 1000));
        }
        put_tracks(bake_tracks(clip, at, 0, count), clip.start_s, clip);
        frames += static_cast<size_t>(count);
    }
    const std::string at = rate ? fmt::format(" at {:g} a second", *rate) : "";
    result.account = fmt::format("{}: {} frames{}, a key on each", clips_said(scene, *chosen), frames, at);
    return result;
}

} // namespace

StepKind bake_step() {
    return {"bake",
            "Bake",
            "An engine plays what stands on its frames; keyed there, nothing between the keys is left to its taste.",
            true,
            {{"clips", "Clips", StepField::Kind::clips, "one a line, * and ? allowed; none: all"},
             {"rate", "Rate", StepField::Kind::number, "frames a second; empty: each clip's own"}},
            [] { return nlohmann::json::object(); },
            apply,
            true};
}

} // namespace wembrix
