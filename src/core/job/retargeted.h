// What a job's retargeting does, source by source: the pairs, how well it went, and the source to be shown beside it.
#pragma once

#include "core/job/replay.h"
#include "core/measure/skeleton/joint_limits.h"
#include "core/retarget/retarget_report.h"

#include <functional>
#include <memory>
#include <string>
#include <vector>

namespace wembrix {

struct RetargetedClip {
    std::string name; ///< in the source
    RetargetReport report;
    BeyondLimits beyond; ///< of the step's limits
};
struct RetargetedSource {
    std::string name; ///< its file
    JointMap map;     ///< the step's, or what names and bodies say
    double path_factor = 1;
    std::vector<std::string> source_joints; ///< all there are, in order
    std::vector<std::string> target_joints;
    std::vector<std::string> left_out; ///< of the source: joints in no pair
    std::vector<RetargetedClip> clips;
    struct Direction {
        std::string joint; ///< of the target
        std::string clip;  ///< in the source
        BoneDirection bone;
    };
    std::vector<Direction> directions; ///< over all its clips, one a joint of the target; the worst first
    /// The source as it was read, with the clips of Prepared that came from it, under their names there.
    std::shared_ptr<const Scene> beside;
};
/// The place on the card of the first step that retargets and is on; -1: none.
int retarget_place(const Replay& replay);
/// Empty where no step retargets. `stop` ends it early.
std::vector<RetargetedSource> retargeted_sources(const Replay& replay, const std::function<bool()>& stop = {});

} // namespace wembrix
