// Left and right: which joints answer each other, by name or by place, and how unlike the two are.
#pragma once

#include "core/measure/scene/facing.h"
#include "core/scene/scene.h"

#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

/// Where a name says its side.
struct SideWord {
    Side side = Side::middle;
    size_t at = 0; ///< bytes into the name
    size_t length = 0;
};
/// The word that `side_of` goes by; `middle` when there is none.
SideWord side_word(std::string_view name);
/// The name with the other side's word, in the same letters: "LeftLeg_Hip" gives "RightLeg_Hip"; empty for the middle.
std::string other_side(std::string_view name);

struct JointPair {
    int left = -1;
    int right = -1;
    bool by_name = true; ///< else by place
    double apart_m = 0;  ///< between the right joint and the left one mirrored at the plane X = 0 of the middle
    double longer_m = 0; ///< rest length of the left bone less that of the right
};
struct Sides {
    std::vector<JointPair> pairs; ///< in order of the left joint
    std::vector<int> alone;       ///< say a side and have nothing on the other
    Vec3 left = Vec3::UnitX();    ///< the axis that leads to the left: +X of a character that looks along +Z
    double middle = 0;            ///< where along it the plane lies that they mirror at, metres
};
/// Joints of the rest pose. By name first; of the rest, those that stand within 1 % of the height of each other's
/// mirror image, hang on joints that answer each other, and are farther than that from the middle.
Sides find_sides(const Scene& scene);
/// Pairs that are farther than `tolerance_m` from each other's mirror image, or differ so in length; the worst first.
std::vector<JointPair> unlike_pairs(const Sides& sides, double tolerance_m);
/// The joint on the other side, or -1.
int mirror_of(const Sides& sides, int joint);

} // namespace wembrix
