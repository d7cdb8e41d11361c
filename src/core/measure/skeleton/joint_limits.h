// How far joints may turn, and where a clip goes beyond.
#pragma once

#include "core/base/result.h"
#include "core/scene/scene.h"

#include <array>
#include <map>
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <utility>

namespace wembrix {

/// About a joint's own axes, from rest, as keys have them: X first, then Y, then Z. Degrees, least and most.
struct TurnLimits {
    std::array<std::optional<std::pair<double, double>>, 3> degrees;
    [[nodiscard]] bool any() const { return degrees[0] || degrees[1] || degrees[2]; }
    bool operator==(const TurnLimits& other) const = default;
};
/// {"x": [-150, 5]}: an axis that is not there is free.
Result<TurnLimits> turn_limits_from_json(const nlohmann::json& json, const std::string& where);
nlohmann::json turn_limits_to_json(const TurnLimits& limits);

using JointLimits = std::map<std::string, TurnLimits>; ///< by name
/// {"shin_l": {"x": [-150, 5]}}
Result<JointLimits> joint_limits_from_json(const nlohmann::json& json, const std::string& where);
nlohmann::json joint_limits_to_json(const JointLimits& limits);

struct BeyondLimits {
    size_t joints = 0;  ///< that go beyond somewhere
    double degrees = 0; ///< the farthest
    std::string joint;
    int frame = 0;
};
/// At every frame of the clip. The angles are those of three that are nearest to those of the frame before.
BeyondLimits beyond_limits(const Scene& scene, const Clip& clip, const JointLimits& limits);

} // namespace wembrix
