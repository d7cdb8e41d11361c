#include "core/math/two_bones.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

TwoBones two_bones_to(const Vec3& first, const Vec3& second, const Vec3& end, const Vec3& to,
                      const Vec3& axis_if_straight, double straight_m) {
    TwoBones bones;
    const double upper = (second - first).norm();
    const double lower = (end - second).norm();
    if (!(upper > 1e-9) || !(lower > 1e-9)) {
        return bones;
    }
    const double whole = upper + lower;
    double far = (to - first).norm();
    if (far > straight_m) {
        const double left = std::max(1e-9, whole * 0.9999 - straight_m);
        far = straight_m + left * (1 - std::exp(-(far - straight_m) / left));
    }
    far = std::max(far, std::abs(upper - lower) * 1.0001 + 1e-9);
    const Vec3 u = first - second;
    const Vec3 w = end - second;
    Vec3 axis = u.cross(w);
    if (axis.norm() < 1e-6 * upper * lower) {
        axis = axis_if_straight;
    }
    if (axis.norm() < 1e-12) {
        axis = u.unitOrthogonal();
    }
    axis.normalize();
    const double is = std::acos(std::clamp(u.dot(w) / (upper * lower), -1.0, 1.0));
    const double wanted =
        std::acos(std::clamp((upper * upper + lower * lower - far * far) / (2 * upper * lower), -1.0, 1.0));
    bones.lower = Quat(Eigen::AngleAxisd(wanted - is, axis));
    bones.upper = shortest_turn(second + bones.lower * w - first, to - first);
    return bones;
}

} // namespace wembrix
