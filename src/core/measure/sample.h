// Values of keyed channels at a time: stepped, linear (shortest turn) and cubic, as the glTF standard defines them.
#pragma once

#include "core/scene/clip.h"

#include <cstdint>

namespace wembrix {

/// Writes `channel.width` values at `seconds` on the channel's own clock (held before the first and after
/// the last key). Rotations come out as unit quaternions. `out` has room for `channel.width`.
void sample_channel(const Channel& channel, double seconds, double* out);
/// The same, looking first where `near` says, a key's place (any number will do), and leaving there where it looked:
/// for moments that follow one another.
void sample_channel(const Channel& channel, double seconds, double* out, uint32_t& near);

/// The same at `frames` moments, `from_s` and then one every `1 / rate`: `channel.width` values each. One walk over the
/// keys. Turns keep one sign from frame to frame.
void sample_frames(const Channel& channel, double from_s, double rate, int frames, float* out);

} // namespace wembrix
