// What a destination makes of what was prepared, told before anything is delivered.
#pragma once

#include "core/destination/destination.h"
#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

struct Foreseen {
    Text what;  ///< "Height"
    Text value; ///< "161.8 u"
};

/// The same rows in the same order for every destination, so that two can be held against each other row by row.
/// Nothing is written; it costs about what conforming the model does.
std::vector<Foreseen> foreseen(const Scene& prepared, const Destination& destination);

} // namespace wembrix
