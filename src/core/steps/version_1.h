// Steps of version 1 files as steps of today: what they and their parameters were called.
#pragma once

#include "core/steps/step.h"

namespace wembrix {

/// Gives a step, its keys and its values the names they have now. A step that has them already is left as it is.
void migrate_step(Step& step);

} // namespace wembrix
