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

} // namespace wembrix
