// How well a clip was put onto another body: what slides, sinks, pops, and points elsewhere.
#pragma once

#include "core/retarget/retarget_clip.h"

#include <string>
#include <vector>

namespace wembrix {

struct BoneDirection {
    int target = -1; ///< joint that the bone begins in
    double mean_degrees = 0;
    double worst_degrees = 0; ///< between the target's bone and the source's, upright
    int worst_frame = 0;
};

struct RetargetReport {
    double slide_mm = 0;     ///< the farthest that a foot goes over the ground while the source's stands
    double allowed_mm = 0;   ///< of that stand: the source's own, times the factor
    std::string slide_joint; ///< of the target; empty: nothing stands
    int slide_frame = 0;
    double over_mm = 0; ///< the most that any stand slides beyond the source's times the factor; below 0: none does
    double below_ground_mm =
        0; ///< the deepest that a foot goes below where it rests, beyond the source's times the factor
    int below_frame = 0;
    double pop_m_s2 = 0; ///< the most that a joint is quicker to change its speed than the source's times the factor
    std::string pop_joint;
    int pop_frame = 0;
    double longest_change_m = 0;           ///< of any bone's length, against its rest
    std::vector<BoneDirection> directions; ///< the worst first
    size_t stands = 0;
    double ground_rise_mm =
        0;                  ///< between the lowest and the highest stand of the source, times the factor: slopes, steps
    size_t holds = 0;       ///< of hands
    double hand_off_mm = 0; ///< the farthest that a hand is from where its hold has it
    std::string hand_joint;
    int hand_frame = 0;
};
/// `made` and `holds` are what `retargeter.run(clip)` gave. Its rows of other lengths count bone by bone where one
/// joint answers one.
RetargetReport report_on(const Retargeter& retargeter, const Scene& source, const Clip& clip, const Scene& target,
                         const Clip& made, const std::vector<HandHold>& holds = {});

} // namespace wembrix
