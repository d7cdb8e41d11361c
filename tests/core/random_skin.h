// A body that is made alike on both sides, with random weights and motion, from a seed.
#pragma once

#include "core/scene/scene.h"

#include <cstdint>

namespace wembrix::testing {

struct SkinOptions {
    int influences = 8;     ///< of a vertex, at most
    bool symmetric = false; ///< weights of the right answer those of the left
    int clips = 2;
    bool smooth = true; ///< weights by nearness, with some noise; else any
};
/// A closed surface of rings around the X axis, the last column of each ring once more for its seam, held by a root, a
/// trunk, and two arms of three joints. Classified and in order, as a reader would give it.
Scene random_skin(uint32_t seed, const SkinOptions& options = {});

} // namespace wembrix::testing
