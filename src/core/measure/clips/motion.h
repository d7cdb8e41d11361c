// Motion energy: how much a skeleton moves at each frame; and the places where it holds still.
#pragma once

#include "core/scene/scene.h"

#include <functional>
#include <span>
#include <vector>

namespace wembrix {

/// Mass-weighted mean speed of the joints in m/s, one value a frame of `rate` from the clip's first frame to its last.
/// A joint's mass is the weight of the points it holds (1 each where nothing is held). The speed at a frame is that
/// between the frames beside it (central difference; one-sided at both ends).
std::vector<float> motion_energy(const Scene& scene, const Clip& clip, double rate,
                                 const std::function<bool()>& stop = {});

struct FrameRange {
    int first = 0;
    int last = 0; ///< counted too
    bool operator==(const FrameRange& other) const = default;
};

/// Runs of at least `shortest` frames whose energy is at most `threshold` m/s.
std::vector<FrameRange> still_places(std::span<const float> energy, double threshold, int shortest);

/// A threshold that tells rest from motion in this take: 15% of the median of its upper half.
double still_threshold(std::span<const float> energy);

/// Where a take of `frames` is best cut at each still place: in its middle, or where it ends or begins when it touches
/// the take's own beginning or end. Ascending, never the first or last frame.
std::vector<int> cut_places(const std::vector<FrameRange>& still, int frames);

} // namespace wembrix
