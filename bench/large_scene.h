// A scene as large as characters get: for benchmarks. The same on every run.
#pragma once

#include "core/scene/scene.h"

namespace wembrix::bench {

/// 100 000 points in one skinned surface with four influences a point, 200 joints, 20 clips of 60 frames in which
/// every joint turns.
Scene large_scene(int frames = 60, int clips = 20);

} // namespace wembrix::bench
