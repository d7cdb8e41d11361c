#include "view/camera.h"

#include <algorithm>
#include <cmath>

namespace wembrix::app {

Vec3 Camera::away() const {
    return {std::sin(yaw) * std::cos(pitch), std::sin(pitch), std::cos(yaw) * std::cos(pitch)};
}

void Camera::turn(double by_yaw, double by_pitch) {
    yaw += by_yaw;
    pitch = std::clamp(pitch + by_pitch, -1.5, 1.5);
    Q_EMIT moved();
}

void Camera::slide(double right, double up) {
    const Vec3 aside = Vec3::UnitY().cross(away()).normalized();
    const Vec3 above = away().cross(aside);
    target += aside * right + above * up;
    Q_EMIT moved();
}

void Camera::approach(double factor) {
    distance = std::clamp(distance * factor, 0.05, 60.0);
    Q_EMIT moved();
}

void Camera::frame_all() {
    target = Vec3(0, 0.5, 0);
    distance = 2.75;
    Q_EMIT moved();
}

void Camera::frame(const Vec3& new_target, double new_distance) {
    target = new_target;
    distance = std::clamp(new_distance, 0.05, 60.0);
    Q_EMIT moved();
}

void Camera::look_from(double new_yaw, double new_pitch) {
    yaw = new_yaw;
    pitch = new_pitch;
    Q_EMIT moved();
}

} // namespace wembrix::app
