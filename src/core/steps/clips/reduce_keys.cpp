// Fewer keys, as long as no point of the surface moves farther than a limit.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/clips/fewest_keys.h"
#include "core/steps/clips/clip_step.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace wembrix {

namespace {

struct ReduceSettings {
    std::vector<std::string> clips;
    double limit_mm = 0.1;
};

Result<StepResult> apply_reduce_keys(const StepContext& context, const ReduceSettings& settings, ClipWork work) {
    const Scene& scene = context.scene;
    const double limit = settings.limit_mm;
    StepResult& result = work.result;
    size_t before = 0;
    size_t after = 0;
    double worst = 0;
    for (const size_t c : work.clips) {
        before += keys_of(scene.clips[c]);
        FewestKeys thinned = fewest_keys(scene, scene.clips[c], limit);
        worst = std::max(worst, thinned.drift_mm);
        result.scene.clips[c] = std::move(thinned.clip);
        after += keys_of(result.scene.clips[c]);
    }
    result.account = phrase(
        "{}: {} → {} ({:.0f} % saved), no point farther than {:.3f} mm of {:g}", work.said, counted(before, "key"),
        after, before == 0 ? 0.0 : 100.0 * static_cast<double>(before - after) / static_cast<double>(before), worst,
        limit);
    return std::move(work.result);
}

} // namespace

StepKind reduce_keys_step() {
    return make_clip_step<ReduceSettings>(
        {"reduce_keys", "Reduce keys",
         "Captured motion has a key on every frame of every joint; most of them say nothing.", StepSubject::clips},
        {clips_parameter<&ReduceSettings::clips>(),
         number<&ReduceSettings::limit_mm>(
             "limit_mm", "No vertex farther than",
             "Keys go as long as no vertex moves farther, measured at two moments per frame")
             .unit("mm")
             .between(0, 1000)
             .above(0)
             .starting(0.1)},
        apply_reduce_keys);
}

} // namespace wembrix
