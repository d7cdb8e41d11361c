#include "view/projection.h"

#include <QVector4D>

namespace wembrix::app {

QPointF Projection::on_screen(const Vec3& place, bool* visible) const {
    const QVector4D at = matrix * QVector4D(static_cast<float>(place.x()), static_cast<float>(place.y()),
                                            static_cast<float>(place.z()), 1);
    if (visible != nullptr) {
        *visible = at.w() > 0;
    }
    const double w = at.w() != 0 ? at.w() : 1e-9;
    return {(at.x() / w * 0.5 + 0.5) * size.width(), (0.5 - at.y() / w * 0.5) * size.height()};
}

} // namespace wembrix::app
