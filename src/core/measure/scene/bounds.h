// How large a scene is, in its rest pose.
#pragma once

#include "core/scene/scene.h"

#include <vector>

namespace wembrix {

struct Bounds {
    Vec3 low = Vec3::Constant(1e300);
    Vec3 high = Vec3::Constant(-1e300);
    void add(const Vec3& point) {
        low = low.cwiseMin(point);
        high = high.cwiseMax(point);
    }
    [[nodiscard]] bool empty() const { return low.x() > high.x(); }
    [[nodiscard]] Vec3 size() const { return empty() ? Vec3::Zero() : Vec3(high - low); }
    [[nodiscard]] Vec3 centre() const { return empty() ? Vec3::Zero() : Vec3((low + high) / 2); }
};

/// The skinned surfaces if there are any (the character), else all surfaces, else the joints. Metres.
Bounds character_bounds(const Scene& scene);
/// Of the surfaces of these nodes.
Bounds surface_bounds(const Scene& scene, const std::vector<int>& surfaces);
/// Everything: surfaces and joints.
Bounds whole_bounds(const Scene& scene);
/// How tall the character stands, in metres; 0 for an empty scene.
double height_m(const Scene& scene);

} // namespace wembrix
