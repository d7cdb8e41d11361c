// How far every pose of a take is from one of them, wherever on the ground and whichever way about up it stands.
#pragma once

#include "core/scene/scene.h"

#include <functional>
#include <span>
#include <vector>

namespace wembrix {

/// The joints' places at every frame, as seen from the joint that carries the whole: over the ground and about up it
/// stands still. 12 bytes a joint and frame, for the joints that hold something (all, where none does).
class PoseTable {
  public:
    PoseTable() = default;
    PoseTable(const Scene& scene, const Clip& clip, double rate, const std::function<bool()>& stop = {});

    [[nodiscard]] int frames() const { return frames_; }
    /// From `frame` to every frame, in mm: the root of the mean square of what joints are apart, each weighed by what
    /// it holds. Parallel over frames. `out` has frames() elements.
    void distances_from(int frame, std::span<float> out) const;
    /// The frame of [first, last] that is nearest to `frame`; -1 for an empty range.
    [[nodiscard]] int nearest(int frame, int first, int last) const;

  private:
    [[nodiscard]] float apart(int a, int b) const;

    int frames_ = 0;
    std::vector<float> share_;  ///< the root of each joint's share of the whole, so that squares add up
    std::vector<Vec3f> places_; ///< frames * joints, times share_
};

} // namespace wembrix
