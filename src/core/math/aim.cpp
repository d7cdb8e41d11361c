#include "core/math/aim.h"

namespace wembrix {

Mat3 aimed_rotation(const Vec3& along, const Vec3& toward, Axis bone, Axis up) {
    Vec3 second = toward - toward.dot(along) * along;
    if (second.norm() < 1e-4) {
        int farthest = 0;
        along.cwiseAbs().minCoeff(&farthest);
        second = Vec3::Unit(farthest) - along[farthest] * along;
    }
    second.normalize();
    Mat3 from;
    from << direction(bone), direction(up), direction(bone).cross(direction(up));
    Mat3 to;
    to << along, second, along.cross(second);
    return to * from.transpose();
}

} // namespace wembrix
