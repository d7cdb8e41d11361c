// The route card as a person would say it.
#pragma once

#include "core/job/replay.h"

#include <string>
#include <vector>

namespace wembrix {

/// One sentence a step: what it is, what it did, and what drift was measured of it; or why it did not fit, or that it
/// is off.
std::vector<Text> card_words(const Replay& replay);

} // namespace wembrix
