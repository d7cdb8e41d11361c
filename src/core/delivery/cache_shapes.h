// A cache as morph targets: the frames of a clip that are needed, each a shape of the surface, and a clip that goes
// from one to the next. For engines that play nothing else.
#pragma once

#include "core/delivery/delivery.h"
#include "core/delivery/moving_parts.h"
#include "core/destination/conform.h"

#include <vector>

namespace wembrix {

/// Caches that were asked for as shapes.
std::vector<MovingPart> shape_parts(const Scene& prepared);

/// How far a frame may be from where it should, millimetres: the order's own limit, else the destination's.
double limit_of(const MovingPart& part, const Destination& destination);

/// Which frames have to be there, ascending, so that straight ways between them leave no vertex farther than `limit_mm`
/// from any frame between, and no normal more than 5° off. The first and the last are among them; from each the next is
/// as far on as it can be. All frames are held: 24 bytes a vertex and frame.
std::vector<int> frames_needed(const MovingPoints& moving, double limit_mm);

/// The surface at rest in world space with those frames as shapes, and the clip.
Conformed conform_shapes(const Scene& prepared, const MovingPart& part, const Destination& destination);

/// What was read back, posed at every frame, against Prepared's frames.
void check_shapes(const Scene& prepared, const MovingPart& part, const Scene& arrived, const Destination& destination,
                  Arrival& arrival);

} // namespace wembrix
