// Motion: keyed channels as they came, and the window of them that a clip shows.
#pragma once

#include "core/base/shared.h"
#include "core/scene/carried.h"

#include <cstdint>
#include <string>
#include <tuple>
#include <vector>

namespace wembrix {

enum class Path : uint8_t { translation, rotation, scale, weights };
enum class Interpolation : uint8_t { step, linear, cubic };

/// One animated property of one node. `values` has `width` floats a key (3, 4 or the number of shapes);
/// a cubic channel has three runs of that a key: in-tangent, value, out-tangent (per second).
/// Rotations are x, y, z, w.
struct Channel {
    int node = -1;
    Path path = Path::translation;
    Interpolation interpolation = Interpolation::linear;
    int width = 3;
    Shared<float> times;  ///< seconds, ascending
    Shared<float> values; ///< metres, unit quaternions, factors or weights
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.node, s.path, s.interpolation, s.width, s.times, s.values, s.carried);
    }
};

/// A take (as received) or a clip (cut from one): the part of its channels from `start_s`, `seconds` long.
struct Clip {
    std::string name;
    int64_t take = 0;           ///< identity of the take its channels came from; kept by cuts and renames
    double start_s = 0;         ///< where on the channels' own clock the clip begins
    double seconds = 0;         ///< from its first frame to its last
    double rate = 30;           ///< frames per second that it was made at
    bool cut = false;           ///< made by a step (it has a name and a range that a person gave)
    bool loop = false;          ///< it repeats
    bool last_is_first = false; ///< its last frame is its first once more, so that a repeat has no gap
    bool remade = false; ///< a step changed its motion on purpose: its take no longer says where things should be
    bool deliver = true; ///< it goes out as a file of its own
    std::string colour;  ///< "#RRGGBB" or empty
    std::string note;    ///< what a person wrote beside it; stays in the job
    std::vector<Channel> channels;
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.start_s, s.seconds, s.rate, s.loop, s.last_is_first, s.colour, s.channels, s.carried);
    }
    /// What core keeps of it and no file says.
    template <typename Self> static auto marks(Self& s) { return std::tie(s.take, s.cut, s.remade, s.deliver, s.note); }

    /// Frames at `at_rate`, first and last both counted.
    [[nodiscard]] int frames(double at_rate) const;
    [[nodiscard]] int frames() const { return frames(rate); }
};

/// Whether straight lines from frame to frame of that rate are the clip itself: all its keys lie on frames, and none of
/// its channels bends between them.
bool lies_on_frames(const Clip& clip, double rate);

/// The rate the keys were made at: the lowest of the usual ones that all key times fall on, else 30.
double guess_rate(const Clip& clip);

} // namespace wembrix
