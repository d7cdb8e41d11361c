// New keys for nodes whose place under their parent can no longer be told from their old keys alone.
#pragma once

#include "core/measure/skeleton/pose.h"
#include "core/scene/scene.h"

#include <functional>
#include <vector>

namespace wembrix {

/// Gives `nodes` linear translation, rotation and scale keys in `clip`: at every frame of the whole take that `before`
/// shows a part of, at every key that was there, and between them wherever a straight line would not follow the motion.
/// For each moment, in any order and in seconds of the take, `place` gets the pose of `from` and puts the local
/// transform of each node into `locals`, in the order of `nodes`. Turns never take the long way.
void resample(const Scene& from, const Clip& before, const std::vector<int>& nodes,
              const std::function<void(double seconds, const Pose& pose, std::vector<Transform>& locals)>& place,
              Clip& clip);

} // namespace wembrix
