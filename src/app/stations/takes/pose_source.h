// Where a pose that is to be keyed comes from.
#pragma once

#include "core/job/job.h"
#include "core/job/pose_edits.h"
#include "core/job/replay.h"

#include <QString>
#include <optional>

namespace wembrix::app {

struct PoseSource {
    enum class Kind : uint8_t { copied, take, rest, stored };
    Kind kind = Kind::copied;
    QString name; ///< of a stored one
};

/// What a source says of the chosen joints (all, where none is chosen) of Prepared at a moment of a clip, left for
/// right if asked. `place` is the layer's step: the take is what stands there before it.
std::vector<PosedJoint> wanted_pose(const PoseSource& source, const StoredPose& pose, bool mirrored,
                                    const Replay& replay, size_t place, const std::string& clip, double seconds,
                                    const std::vector<int>& chosen);

} // namespace wembrix::app
