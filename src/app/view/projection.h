// From the world to the pixels of one pane.
#pragma once

#include "core/math/transform.h"

#include <QMatrix4x4>
#include <QPointF>
#include <QSize>

namespace wembrix::app {

struct Projection {
    QMatrix4x4 matrix;
    double unit = 1; ///< metres that one camera unit stands for
    Vec3 middle = Vec3::Zero();
    Vec3 eye = Vec3::Zero();
    Vec3 away = Vec3::UnitZ(); ///< from what is looked at to the eye, of length 1
    QSize size;

    /// `visible` tells whether the place is before the eye.
    [[nodiscard]] QPointF on_screen(const Vec3& place, bool* visible = nullptr) const;
    /// To the right, as the pane shows it.
    [[nodiscard]] Vec3 aside() const { return Vec3::UnitY().cross(away).normalized(); }
};

} // namespace wembrix::app
