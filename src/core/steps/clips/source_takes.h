// Takes that came in sources of their own: which sources those are, and which clips of the scene are theirs.
#pragma once

#include "core/steps/step_kind.h"

#include <vector>

namespace wembrix {

/// A source that moves another one's joints: its clips are in the scene, and its nodes are not, or stand on those
/// joints. `source` is a place in the context's list.
bool moves_others(const StepContext& context, size_t source);
/// Places of the clips that came from a take, or were cut from it.
std::vector<size_t> clips_of_take(const Scene& scene, int64_t take);

} // namespace wembrix
