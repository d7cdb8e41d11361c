// The delivered file held against Prepared, claim by claim.
#pragma once

#include "core/delivery/delivery.h"

namespace wembrix {

/// The model that was read back.
void check_model(const Scene& prepared, const Scene& arrived, const Destination& destination, Arrival& arrival);

/// The clip that was read back. `model` is the arrived model, whose surfaces the clip's joints move; `arrival.scene`
/// becomes the two put together.
void check_clip(const Scene& prepared, const Clip& clip, const Scene& arrived, const Scene& model,
                const Destination& destination, Arrival& arrival);

/// A place of core's as the engine has it once it has read a file of the destination's container: in its unit.
Vec3 place_in_engine(const Vec3& of_core, const Destination& destination);

} // namespace wembrix
