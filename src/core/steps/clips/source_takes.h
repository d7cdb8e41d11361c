// Takes that came in sources of their own: which sources those are, and which clips of the scene are theirs.
#pragma once

#include "core/steps/step_kind.h"

#include <string>
#include <vector>

namespace wembrix {

/// A source that moves another one's joints: its clips are in the scene, and its nodes are not, or stand on those
/// joints. `source` is a place in the context's list.
bool moves_others(const StepContext& context, size_t source);
/// Places of the clips that came from a take, or were cut from it.
std::vector<size_t> clips_of_take(const Scene& scene, int64_t take);
/// The place of the clip that a source's take still is, whole; -1 where it is among the clips no more, which is said in
/// `could_not`. A Problem where it was cut already, or, unless `remade_too`, changed.
Result<int> place_of_whole_take(const Scene& scene, const std::string& source, const Clip& clip, int64_t take,
                                bool remade_too, std::vector<Text>& could_not);

} // namespace wembrix
