// Files of several clips: the model with all of them, or all of them on one skeleton.
#pragma once

#include "core/delivery/delivery.h"

namespace wembrix {

/// The clips of a job that go out.
std::vector<const Clip*> clips_that_go_out(const Scene& prepared);

/// The file of the model and its clips that was read back: the model claim by claim, and each clip as in a file of its
/// own, with one claim that tells of it.
void check_whole(const Scene& prepared, const Scene& arrived, const Destination& destination, Arrival& arrival);
/// The file of all clips. `model` is the arrived model, whose surfaces they move.
void check_clips(const Scene& prepared, const Scene& arrived, const Scene& model, const Destination& destination,
                 Arrival& arrival);

} // namespace wembrix
