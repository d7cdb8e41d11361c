// The axes and the unit that a written file's numbers are in: the one place where a scene is turned for its container.
#pragma once

#include "core/destination/destination.h"
#include "core/formats/format.h"
#include "core/scene/scene.h"

namespace wembrix {

/// Core's own for a format that leaves no choice, else the destination's. Files are right-handed: what a left-handed
/// engine makes of them is its importer's to turn, and is told by the destination's handedness.
AxisSystem file_space(const Format& format, const Destination& destination);

/// The system that a scene is in once its file was read: the file's, or, where the file says its up axis and unit and
/// the reader went by them, core's with what no file says, the way forward.
AxisSystem read_space(const Format& format, const Destination& destination);

/// The scene with its numbers in that system, and back. Nothing is copied where the system is core's own.
Scene to_space(Scene scene, const AxisSystem& space);
Scene from_space(Scene scene, const AxisSystem& space);

} // namespace wembrix
