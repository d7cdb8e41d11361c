// Where every node is at a time of a clip, and how far every shape is in.
#pragma once

#include "core/scene/scene.h"

#include <cstdint>
#include <vector>

namespace wembrix {

struct Pose {
    std::vector<Transform> local;     ///< one per node
    std::vector<Mat4> world;          ///< one per node
    std::vector<float> shape_weights; ///< of all surface nodes, one after another
    std::vector<uint32_t> near_keys;  ///< where each channel was looked up last: the next moment is mostly near
};

/// Poses one scene by one of its clips (or none: the rest pose). Holds references: the scene must outlive it.
/// `at` allocates nothing once the pose has been used before.
class Poser {
  public:
    Poser(const Scene& scene, const Clip* clip);
    /// `seconds` count from the clip's own beginning.
    void at(double seconds, Pose& pose) const;
    [[nodiscard]] Pose rest() const;
    /// Where the weights of a surface node begin in Pose::shape_weights; -1 for nodes without a surface.
    [[nodiscard]] int shape_offset(int node) const { return shape_offset_[node]; }

  private:
    const Scene& scene_;
    const Clip* clip_;
    std::vector<int> shape_offset_;
    std::vector<float> rest_weights_;
};

} // namespace wembrix
