// Makes everything larger or smaller by one factor: joints, surfaces, shapes, keys, binds.
#include "core/base/text.h"
#include "core/measure/scene/bounds.h"
#include "core/scene/place_all.h"
#include "core/steps/step_kind.h"

namespace wembrix {

namespace {

struct ScaleSettings {
    std::optional<double> factor;
    std::optional<double> height_m;
};

Result<StepResult> scaled_scene(const StepContext& context, const ScaleSettings& settings) {
    const Scene& scene = context.scene;
    const auto& [factor, target] = settings;
    if (factor.has_value() == target.has_value()) {
        return malformed("needs either \"factor\" or \"height_m\".");
    }
    const double before = height_m(scene);
    if (target && before <= 0) {
        return Problem{"nothing has a height yet.", "", "Use \"factor\"."};
    }
    const double k = factor ? *factor : *target / before;
    StepResult result;
    result.scene = scene;
    result.moved = scaling(k);
    scale_all(result.scene, k);
    result.account = phrase("× {:.6g}: {:.3g} m became {:.3g} m tall", k, before, before * k);
    return result;
}

} // namespace

StepKind scale_step() {
    return make_step<ScaleSettings>(
        {"scale", "Scale", "A source made in another unit comes out at its true size, all of it at once.",
         StepSubject::scene},
        {number<&ScaleSettings::factor>("factor", "Factor", "Times as large; either this or the height")
             .unit("×")
             .above(0)
             .starting(1.0),
         number<&ScaleSettings::height_m>("height_m", "or height", "How tall the character is to be")
             .unit("m")
             .above(0)},
        scaled_scene);
}

} // namespace wembrix
