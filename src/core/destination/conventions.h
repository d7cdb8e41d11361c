// Plain conventions of axes, hand and unit, to make a destination from.
#pragma once

#include "core/destination/destination.h"

#include <span>
#include <string>

namespace wembrix {

/// The usual ones, by their up axis.
std::span<const AxisSystem> conventions();
/// "Z up, front -Y, right-handed, 1 cm"
Text convention_words(const AxisSystem& axes);
/// The destination counts in those axes then, takes files as they come, and gets its front in the file by that.
/// Precondition: the axes are valid.
void follow_convention(Destination& destination, const AxisSystem& axes);

} // namespace wembrix
