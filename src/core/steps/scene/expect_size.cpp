#include "core/base/text.h"
#include "core/measure/scene/bounds.h"
#include "core/steps/step_kind.h"

#include <array>

namespace wembrix {

namespace {

Result<StepResult> say_expected_size(const StepContext& context, const ExpectedSize& settings) {
    constexpr std::array<const char*, 4> kinds = {"something", "a figure", "an animal", "a thing"};
    StepResult result{context.scene, {}, {}};
    result.scene.expected = settings;
    const double height = height_m(context.scene);
    const char* kind = kinds.at(static_cast<size_t>(settings.kind));
    result.account = settings.height_m > 0
                         ? phrase("{} of {:.3g} m; it stands {:.3g} m tall", kind, settings.height_m, height)
                         : phrase("{}; it stands {:.3g} m tall", kind, height);
    return result;
}

} // namespace

StepKind expect_size_step() {
    return make_step<ExpectedSize>(
        {"expect_size", "Say how tall it is",
         "A source that comes in another size than it should have, now or in a later version, stops.",
         StepSubject::scene},
        {choice<&ExpectedSize::kind>("kind", "It is", {"not_said", "figure", "animal", "thing"},
                                     "What stands there; without a height its kind's common sizes hold"),
         number<&ExpectedSize::height_m>("height_m", "Height", "How tall it is to stand; 0: not known")
             .unit("m")
             .at_least(0)},
        say_expected_size);
}

} // namespace wembrix
