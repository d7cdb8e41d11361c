// The seam of a repeating clip: how far its last pose is from its first.
#pragma once

#include "core/scene/scene.h"

#include <optional>
#include <string>

namespace wembrix {

struct Seam {
    double apart_mm = 0;   ///< the surface point that is farthest from where it began (joints, without surfaces)
    std::string apart_at;  ///< the joint that holds it most, or the joint itself
    double turned_deg = 0; ///< the joint whose own turn differs most, of those that hold a hundredth of the surface
    std::string turned_joint;
    double speed_m_s = 0; ///< largest change of a joint's velocity across the seam
    double travel_m = 0;  ///< how far the whole went over the ground between first and last
    bool travels = false; ///< travel is more than a tenth of the height, and is not counted in `apart_mm`
    double turn_deg = 0;  ///< how far the joint that carries the whole turned about +Y between first and last
    Mat4 aligned = Mat4::Identity(); ///< carries the last pose back to where the first stands: by way and turn
    bool turns = false; ///< that is more than 20 degrees, and is counted neither in `apart_mm` nor in `turned_deg`

    /// No surface point jumps farther than 5 mm a metre of height.
    [[nodiscard]] bool closes(double height_m) const;
};

/// First frame against last frame, in world space. A clip that travels goes on from where it arrived, so the way over
/// the ground (the mean of all joints, each by what it holds) is taken out of it before it is compared; of one that
/// goes round, the turn about up as well.
Seam measure_seam(const Scene& scene, const Clip& clip, double height_m);

struct Closing {
    int frame = 0; ///< of the clip's own frames, at its rate
    Seam seam;
};
/// The last frame, within a quarter of the clip's length around its end and inside the take that it was cut from,
/// whose pose is nearest to the first. `take_end_s` is where the take ends on the channels' clock.
std::optional<Closing> nearest_closing(const Scene& scene, const Clip& clip, double height_m, double take_end_s);

} // namespace wembrix
