// A pose, left for right.
#pragma once

#include "core/measure/skeleton/pairs.h"
#include "core/measure/skeleton/pose.h"

#include <vector>

namespace wembrix {

/// Joint j does, mirrored at the middle, what its partner m did: with R the turns in the world and S the mirror,
/// R'j = S Rm S Cj. Cj is constant and such that the rest pose mirrors onto the rest pose.
class PoseMirror {
  public:
    /// The scene must outlive it.
    explicit PoseMirror(const Scene& scene);
    [[nodiscard]] size_t pairs() const { return pairs_; }
    [[nodiscard]] const std::vector<int>& joints() const { return joints_; }
    /// Of each of the joints; itself in the middle.
    [[nodiscard]] const std::vector<int>& partners() const { return partner_; }
    /// Of each of the joints, under its parent; scales are those of the partner.
    [[nodiscard]] std::vector<Transform> mirrored(const Pose& pose) const;

  private:
    const Scene& scene_;
    std::vector<int> joints_;
    Mat3 mirror_;
    std::vector<int> partner_;
    std::vector<Mat3> fit_;
    size_t pairs_ = 0;
};

} // namespace wembrix
