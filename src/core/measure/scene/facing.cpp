#include "core/measure/scene/facing.h"

#include "core/measure/skeleton/pairs.h"

#include <algorithm>
#include <vector>

namespace wembrix {

Side side_of(std::string_view name) {
    return side_word(name).side;
}

std::optional<Facing> facing_of(const Scene& scene) {
    const std::vector<Mat4> world = rest_world(scene);
    Vec3 left = Vec3::Zero();
    Vec3 right = Vec3::Zero();
    int lefts = 0;
    int rights = 0;
    for (const int joint : joints_of(scene)) {
        const Side side = side_of(scene.nodes[joint].name);
        const Vec3 place = point_of(world[joint], Vec3::Zero());
        if (side == Side::left) {
            left += place;
            ++lefts;
        } else if (side == Side::right) {
            right += place;
            ++rights;
        }
    }
    if (lefts == 0 || rights == 0) {
        return std::nullopt;
    }
    const Vec3 across = left / lefts - right / rights;
    const Vec3 ahead = Vec3(across.x(), 0, across.z()).cross(Vec3::UnitY());
    if (ahead.norm() < 1e-9 * std::max(1.0, across.norm())) {
        return std::nullopt; // the sides lie above one another: the character does not stand upright
    }
    Facing facing;
    facing.axis = nearest_axis(ahead);
    facing.reason = std::to_string(std::min(lefts, rights)) + " joints name a left and a right side";
    return facing;
}

} // namespace wembrix
