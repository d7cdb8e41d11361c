// The trajectory over the ground: where a joint goes, how it turns about up, how fast.
#pragma once

#include "core/scene/scene.h"

#include <string>
#include <vector>

namespace wembrix {

/// A joint's place and turn about up at each frame, both against its rest pose.
struct Trajectory {
    double rate = 30;
    std::vector<Vec3> place;     ///< in the world, metres
    std::vector<double> heading; ///< radians about +Y, without leaps

    /// Between the frames, linear; held beyond both ends. `seconds` from its first frame.
    [[nodiscard]] Vec3 place_at(double seconds) const;
    [[nodiscard]] double heading_at(double seconds) const;
};
/// `frames` frames of `rate` of `clip`, the first at `from_s` on the clip's own clock.
Trajectory trajectory_of(const Scene& scene, const Clip& clip, int joint, double rate, double from_s, int frames);
/// The mean over `frames` frames around each, weights falling off to both sides; the ends keep theirs.
void smooth(Trajectory& trajectory, int frames);

struct Travel {
    double metres = 0;       ///< over the ground, from the first frame to the last as the crow flies
    double along_m = 0;      ///< the length of the trajectory
    double turn_degrees = 0; ///< about up, from the first frame to the last
    double mean_m_s = 0;
    double top_m_s = 0; ///< between two frames
    int top_frame = 0;
};
Travel travel_of(const Trajectory& trajectory);

/// What carries the whole: of the joints from the one root down, the first that has more than one joint below it or
/// holds points, and is not the root itself. -1 when there is none.
int carrying_joint(const Scene& scene);

} // namespace wembrix
