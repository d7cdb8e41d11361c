#include "view/pick.h"

#include <QVector4D>

namespace wembrix::app {

std::optional<SurfaceHit> surface_hit(const Projection& p, const PosedScene& posed, const QPointF& at) {
    // A ray from the eye through the pixel, met with every triangle (Möller and Trumbore 1997).
    const auto x = static_cast<float>(at.x() / p.size.width() * 2 - 1);
    const auto y = static_cast<float>(1 - at.y() / p.size.height() * 2);
    const QVector4D far = p.matrix.inverted() * QVector4D(x, y, 0.5F, 1);
    const Vec3 through(far.x() / far.w(), far.y() / far.w(), far.z() / far.w());
    const Vec3 along = (through - p.eye).normalized();
    double nearest = 1e300;
    size_t first = 0;
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
            first = i;
        }
    }
    if (nearest >= 1e300) {
        return std::nullopt;
    }
    SurfaceHit hit;
    hit.at = p.eye + along * nearest;
    const Vec3 corners[] = {points[triangles[first]].cast<double>(), points[triangles[first + 1]].cast<double>(),
                            points[triangles[first + 2]].cast<double>()};
    hit.normal = (corners[1] - corners[0]).cross(corners[2] - corners[0]).normalized();
    hit.normal = hit.normal.dot(along) > 0 ? Vec3(-hit.normal) : hit.normal;
    size_t corner = 0;
    for (size_t c = 1; c < 3; ++c) {
        corner = (corners[c] - hit.at).norm() < (corners[corner] - hit.at).norm() ? c : corner;
    }
    const size_t vertex = triangles[first + corner];
    for (const Deformer::Surface& surface : posed.surfaces()) {
        if (vertex >= surface.first && vertex < surface.first + surface.count) {
            hit.node = surface.node;
            hit.vertex = static_cast<uint32_t>(vertex - surface.first);
        }
    }
    return hit;
}

std::optional<Vec3> surface_at(const Projection& p, const PosedScene& posed, const QPointF& at) {
    const std::optional<SurfaceHit> hit = surface_hit(p, posed, at);
    return hit ? std::optional<Vec3>(hit->at) : std::nullopt;
}

} // namespace wembrix::app
