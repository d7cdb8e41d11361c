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

/// The same where it is known which key is the first after the moment (all of them before it: their number).
void sample_after(const Channel& channel, double seconds, size_t next, double* out);

/// Key times are single precision: a frame's time must not fall just before the key made for it.
double with_slack(double seconds);

} // namespace wembrix
