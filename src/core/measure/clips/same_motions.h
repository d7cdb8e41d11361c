// Clips that are the same motion, whole or a part of one another, whatever they are called.
#pragma once

#include "core/scene/scene.h"

#include <vector>

namespace wembrix {

struct SameMotion {
    size_t whole = 0; ///< place of the longer clip; of two of one length the first
    size_t part = 0;  ///< the one that is in it once more
    int from = 0;     ///< frame of the whole at which it begins
    int frames = 0;
};
/// Each clip that another one holds, once: every joint turned alike to a tenth of a degree, and gone the same way from
/// its first frame on to a thousandth of the height, over at least half of the whole and eight frames. Parts that were
/// cut from one take on purpose are no such thing unless they are alike from end to end; nor is a clip in which nothing
/// moves.
std::vector<SameMotion> same_motions(const Scene& scene);

} // namespace wembrix
