// Two destinations line by line.
#pragma once

#include "core/destination/destination.h"

#include <string>
#include <vector>

namespace wembrix {

struct SettingDifference {
    std::string key; ///< as it stands in a destination's file; of settings within one "reads.up"
    std::string first;
    std::string second; ///< as they stand there; empty where it is not set
};
/// What the two say differently, in the order of their keys; their names aside.
std::vector<SettingDifference> compare_destinations(const Destination& first, const Destination& second);

} // namespace wembrix
