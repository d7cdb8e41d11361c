// Tansy's crest as strands, and the fringe of her post bag: where they grow, their guides, and how they look.
#pragma once

#include "core/scene/scene.h"
#include "core/steps/step.h"

#include <vector>

namespace wembrix::demo {

/// The steps that grow the crest on her crown and the fringe on the bag, let both follow, and ask for them over
/// `shake_off`. `prepared` is Tansy as her card leaves her: regions are said in its vertices.
std::vector<Step> strand_steps(const Scene& prepared);

/// What a simulation of the crest over the first frames of `shake_off` may come back as: 100 times too large, lying on
/// its side, without widths. `prepared` has the crest.
Scene simulated_crest(const Scene& prepared);

} // namespace wembrix::demo
