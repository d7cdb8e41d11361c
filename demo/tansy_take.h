// The take "capture_07": stand, wade, lift, stamp, shake; 900 frames at 30 a second.
#pragma once

#include "core/math/transform.h"

#include <map>
#include <string>

namespace wembrix::demo {

constexpr int take_frames = 900;
constexpr double take_rate = 30;

struct TakePose {
    std::map<std::string, Quat> turns;    ///< local, from a rest in which every joint is aligned with the world
    std::map<std::string, Vec3> places;   ///< local, of the joints that move
    std::map<std::string, double> shapes; ///< weights by name
};

/// Where she is at a frame.
TakePose tansy_at(double frame);

} // namespace wembrix::demo
