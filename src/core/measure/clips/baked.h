// A clip as one value a frame of all that it keys: dense arrays, frame after frame.
#pragma once

#include "core/scene/scene.h"

#include <vector>

namespace wembrix {

struct BakedTrack {
    int node = -1;
    Path path = Path::translation;
    int width = 3; ///< 3, 4 or the number of shapes
    bool stepped = false;
    std::vector<float> values; ///< width * frames

    float* at(int frame) { return &values[static_cast<size_t>(frame) * static_cast<size_t>(width)]; }
    [[nodiscard]] const float* at(int frame) const {
        return &values[static_cast<size_t>(frame) * static_cast<size_t>(width)];
    }
};

struct BakedClip {
    double rate = 30;
    int frames = 0;
    std::vector<BakedTrack> tracks; ///< one a channel, in the clip's order

    /// The track of a property, or null.
    BakedTrack* find(int node, Path path);
    [[nodiscard]] const BakedTrack* find(int node, Path path) const;
};

/// `frames` frames of `rate`, the first at `from_s` on the clip's own clock (0 is its first frame). Turns keep one sign
/// from frame to frame. Parallel over channels; costs one walk over the keys of each.
BakedClip bake_tracks(const Clip& clip, double rate, double from_s, int frames);
/// Its own frames at its own rate.
BakedClip bake_tracks(const Clip& clip);

/// Replaces the clip's channels by keys at every frame from `start_s` on the channels' clock; stepped ones stay
/// stepped, all others are linear. What channels carried along stays with those that were there before.
void put_tracks(const BakedClip& baked, double start_s, Clip& clip);

/// Gives a clip a track for each property that another one keys and it does not: the rest value at every frame.
void add_rest_tracks(const Scene& scene, const BakedClip& like, BakedClip& baked);

/// Turns the sign of each quaternion so that no frame takes the long way from the one before.
void keep_sign(BakedTrack& rotations);

} // namespace wembrix
