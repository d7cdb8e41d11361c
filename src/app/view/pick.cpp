#include "view/pick.h"

#include <QVector4D>

namespace wembrix::app {

std::optional<Vec3> surface_at(const Projection& p, const PosedScene& posed, const QPointF& at) {
    // A ray from the eye through the pixel, met with every triangle (Möller and Trumbore 1997).
    const auto x = static_cast<float>(at.x() / p.size.width() * 2 - 1);
    const auto y = static_cast<float>(1 - at.y() / p.size.height() * 2);
    const QVector4D far = p.matrix.inverted() * QVector4D(x, y, 0.5F, 1);
    const Vec3 through(far.x() / far.w(), far.y() / far.w(), far.z() / far.w());
    const Vec3 along = (through - p.eye).normalized();
    double nearest = 1e300;
    const std::vector<Vec3f>& points = posed.points();
    const std::vector<uint32_t>& triangles = posed.triangles();
    for (size_t i = 0; i + 2 < triangles.size(); i += 3) {
        const Vec3 a = points[triangles[i]].cast<double>();
        const Vec3 ab = points[triangles[i + 1]].cast<double>() - a;
        const Vec3 ac = points[triangles[i + 2]].cast<double>() - a;
        const Vec3 h = along.cross(ac);
        const double volume = ab.dot(h);
        if (volume == 0) {
            continue;
        }
        const Vec3 from = p.eye - a;
        const double u = from.dot(h) / volume;
        const Vec3 q = from.cross(ab);
        const double v = along.dot(q) / volume;
        const double t = ac.dot(q) / volume;
        if (u >= 0 && v >= 0 && u + v <= 1 && t > 0 && t < nearest) {
            nearest = t;
        }
    }
    return nearest < 1e300 ? std::optional<Vec3>(p.eye + along * nearest) : std::nullopt;
}

} // namespace wembrix::app
