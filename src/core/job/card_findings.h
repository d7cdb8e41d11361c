// What is wrong with what the route card did: drift that a step was not asked to make.
#pragma once

#include "core/findings/finding.h"
#include "core/job/replay.h"

#include <functional>
#include <span>
#include <vector>

namespace wembrix {

/// A step that makes the scene stand otherwise (its axes, its unit, its joints) and should leave every vertex where it
/// is. Removing joints, other weights, another rest pose and what works on clips are asked to move something.
bool should_keep_motion(const Step& step);

/// Measures those steps alone; `stop` ends it early.
void measure_kept_motion(Replay& replay, const std::function<bool()>& stop = {});

/// Of steps that are measured: half a millimetre and more is a look; more than the limit of one of the destinations is
/// a stop, which names it and can be accepted.
std::vector<Finding> card_findings(const Replay& replay, std::span<const Destination> destinations);

} // namespace wembrix
