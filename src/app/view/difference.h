// How far each surface point of one posed scene is from where another has it.
#pragma once

#include "core/measure/scene/drift.h"
#include "view/posed_scene.h"

#include <vector>

namespace wembrix::app {

class Difference {
  public:
    /// Both must outlive it. `moved` is where the whole of `should` is expected to have gone.
    Difference(const PosedScene& should, const PosedScene& is, Matching matching, const Mat4& moved);

    /// Compares the poses that both are in now.
    void update();

    /// Millimetres, one a point of `is`; below 0 where nothing is there to compare with.
    [[nodiscard]] const std::vector<float>& millimetres() const { return millimetres_; }
    [[nodiscard]] float largest() const { return largest_; }   ///< in this pose
    [[nodiscard]] float largest_ever() const { return most_; } ///< since it was made: the scale's end
    [[nodiscard]] bool compares_anything() const { return !pairs_.empty(); }

  private:
    struct Pair {
        size_t should = 0;
        size_t is = 0;
        size_t count = 0;
    };
    const PosedScene& should_;
    const PosedScene& is_;
    Eigen::Matrix4f moved_;
    std::vector<Pair> pairs_;
    std::vector<float> millimetres_;
    float largest_ = 0;
    float most_ = 0;
};

/// Pale straw for no distance to dark plum for `largest`; grey for what cannot be compared. As shown, 0 to 1.
Vec3f difference_colour(float millimetres, float largest);

} // namespace wembrix::app
