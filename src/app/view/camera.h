// One camera for all panes. It counts in heights of what is shown, so that panes of different size frame alike.
#pragma once

#include "core/math/transform.h"

#include <QObject>

namespace wembrix::app {

class Camera : public QObject {
    Q_OBJECT
  public:
    explicit Camera(QObject* parent = nullptr) : QObject(parent) {}

    double yaw = -1.05;  ///< radians about up; 0 looks from the front
    double pitch = 0.12; ///< radians, from above when positive
    double distance = 2.75;
    Vec3 target = Vec3(0, 0.5, 0); ///< from the middle of the feet

    [[nodiscard]] Vec3 away() const; ///< from target to eye, of length 1
    void turn(double by_yaw, double by_pitch);
    void slide(double right, double up);
    void approach(double factor);
    void frame_all();
    void frame(const Vec3& new_target, double new_distance);
    void look_from(double new_yaw, double new_pitch);

  Q_SIGNALS:
    void moved();
};

} // namespace wembrix::app
