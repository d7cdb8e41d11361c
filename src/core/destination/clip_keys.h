// The keys of a clip as a destination wants them: at every frame of a rate, or as they are.
#pragma once

#include "core/destination/destination.h"
#include "core/scene/scene.h"

namespace wembrix {

/// How many frames of a clip a second has in its file: the destination's, or the clip's own.
double rate_for(const Clip& clip, const Destination& destination);

/// A clip that repeats and whose last frame is its first once more, whoever made it so: all that it keys has the same
/// value at both ends.
bool ends_on_its_first_pose(const Clip& clip);

/// What of a clip goes to a destination: all of it, or, of a repeat that ends on its first pose once more, all but
/// that frame where the destination leaves it.
Clip shown_part(const Clip& clip, const Destination& destination);

/// The clip with the keys that it has, its own clock begun at 0: those inside its range, and where a channel is cut in
/// the middle of a curve a key there, so that it goes on as it did.
Clip cut_keys(const Clip& clip);

/// The clip as its file is to have it: baked, or with its own keys where the destination asks for them and its
/// container holds them; then, where the destination says so, without what never moves.
Clip keys_for(const Scene& scene, const Clip& part, const Destination& destination);

/// How long it is in its file, from its first frame to its last: to the next frame where it is baked.
double seconds_in_file(const Clip& part, const Destination& destination);

/// Whether the file of a destination holds keys at any time and of any interpolation.
bool keeps_keys(const Destination& destination);

} // namespace wembrix
