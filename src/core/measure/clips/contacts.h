// Where feet stand: runs of frames in which a joint is low and slow, and how far it slides meanwhile.
#pragma once

#include "core/scene/scene.h"

#include <vector>

namespace wembrix {

struct Contact {
    int joint = -1;
    int first = 0; ///< frames of the clip at its rate, both counted
    int last = 0;
    double slide_mm = 0; ///< the farthest over the ground from where it was set down
    int slide_frame = 0; ///< where that is
};

struct ContactLimits {
    double height_m = 0;  ///< above the joint's own lowest place in the clip; 0: 2 % of the character's height
    double speed_m_s = 0; ///< over the ground; 0: 20 % of the height a second
    int shortest = 3;     ///< frames
    bool operator==(const ContactLimits&) const = default;
};

/// The joints that stand on the ground at rest: of each chain the lowest end that holds points and lies within 12 % of
/// the height above the lowest of all; at most eight, the lowest first.
std::vector<int> foot_joints(const Scene& scene, double height_m);

/// Of one joint whose places at each frame of `rate` are known, upright.
std::vector<Contact> contacts_of_places(int joint, const std::vector<Vec3>& places, double rate, double height_m,
                                        const ContactLimits& limits = {});
/// In order of the joints, then of the frames. An empty list where no joint is ever low and slow.
std::vector<Contact> contacts_of(const Scene& scene, const Clip& clip, const std::vector<int>& joints, double height_m,
                                 const ContactLimits& limits = {});

} // namespace wembrix
