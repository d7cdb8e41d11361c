// Moments at which a motion breaks: a joint is elsewhere for one frame, is elsewhere from then on, or goes at another
// speed all at once.
#pragma once

#include "core/scene/scene.h"

#include <cstdint>
#include <optional>

namespace wembrix {

struct MotionBreak {
    enum class Kind : uint8_t {
        pop,  ///< away for one frame
        jump, ///< away from that frame on
        speed ///< what carries the whole goes faster or slower at once
    };
    Kind kind = Kind::pop;
    int joint = -1;
    int frame = 0;     ///< the first one that is elsewhere, or at the other speed
    double metres = 0; ///< a pop: how far away; a jump: how far in that one frame
    double before_m_s = 0;
    double after_m_s = 0;
};

/// The worst of a clip, or nothing. Held against the character's height: 5 % of it aside, or 1.5 of it a second faster,
/// where the frames around have less than a fifth of that.
std::optional<MotionBreak> worst_break(const Scene& scene, const Clip& clip, double height_m);

} // namespace wembrix
