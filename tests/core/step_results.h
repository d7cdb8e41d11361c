// A step that is expected to fit, and one that is expected not to.
#pragma once

#include "core/steps/step.h"
#include "core/steps/step_kind.h"

#include <gtest/gtest.h>
#include <string>

namespace wembrix::testing {

/// What the step made; where it does not fit, a failure, and the scene as it was.
inline StepResult done(const Scene& scene, const Step& step) {
    Result<StepResult> result = apply_step(scene, step);
    EXPECT_TRUE(result.ok()) << step.id << ": " << (result.ok() ? "" : result.problem().sentence());
    StepResult none;
    none.scene = scene;
    return result.ok() ? result.take() : none;
}

/// Why the step does not fit; a failure where it does.
inline std::string refused(const Scene& scene, const Step& step) {
    const Result<StepResult> result = apply_step(scene, step);
    EXPECT_FALSE(result.ok()) << step.id;
    return result.ok() ? "" : result.problem().sentence();
}

} // namespace wembrix::testing
