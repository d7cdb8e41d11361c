#include "view/layers/hair_layer.h"

#include <Eigen/Geometry>
#include <cmath>

namespace wembrix::app {

void HairLayer::paint_before(QPainter& painter, const Frame& frame) {
    broken_ = 0;
    if (hairs_ == Hairs::none) {
        return;
    }
    const PosedScene& posed = *frame.scenes.posed();
    const Scene& scene = posed.scene();
    const Theme& l = theme();
    // More than the eye can tell apart only hides the surface.
    constexpr size_t most = 20000;
    const size_t every = 1 + posed.point_count() / most;
    QVector<QLineF> right;
    QVector<QLineF> broken;
    for (const Deformer::Surface& surface : posed.surfaces()) {
        const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface.node)].mesh)];
        const bool tangents = hairs_ == Hairs::tangents;
        if (tangents && mesh.tangents.size() != surface.count) {
            continue;
        }
        for (size_t v = 0; v < surface.count; v += every) {
            const Vec3 at = posed.points()[surface.first + v].cast<double>();
            const Vec3 normal = posed.normals()[surface.first + v].cast<double>();
            if (normal.squaredNorm() > 0.5 && normal.dot(frame.projection.eye - at) < 0) {
                continue; // behind the surface
            }
            const double length = (frame.projection.eye - at).norm() * 0.012; // the same on the screen, near or far
            Vec3 way = normal;
            if (tangents) {
                // Posed as the normal is: turned from where that was at rest to where it is.
                const Vec3 rest = mesh.normals.size() == surface.count ? Vec3(mesh.normals[v].cast<double>()) : normal;
                const Vec4f& tangent = mesh.tangents[v];
                way = Eigen::Quaterniond::FromTwoVectors(rest, normal) * tangent.head<3>().cast<double>();
            }
            // As the file has them: what is drawn is made of unit length by posing.
            const double own = tangents ? static_cast<double>(mesh.tangents[v].head<3>().norm())
                               : mesh.normals.size() == surface.count ? static_cast<double>(mesh.normals[v].norm())
                                                                      : 0.0;
            const bool is_broken = !(std::abs(own - 1) < 1e-2);
            broken_ += is_broken ? 1 : 0;
            const QLineF line(frame.projection.on_screen(at),
                              frame.projection.on_screen(at + way * (way.allFinite() ? length : 0.0)));
            (is_broken ? broken : right).push_back(line);
        }
    }
    painter.setPen(QPen(hairs_ == Hairs::normals ? l.accent : l.selection, 1));
    painter.drawLines(right);
    painter.setPen(QPen(l.stop, 1.6));
    painter.drawLines(broken);
}

std::vector<std::pair<QString, QColor>> HairLayer::foot(const Frame&) const {
    if (hairs_ == Hairs::none) {
        return {};
    }
    std::vector<std::pair<QString, QColor>> lines;
    lines.emplace_back(hairs_ == Hairs::normals ? QObject::tr("normals") : QObject::tr("tangents"),
                       hairs_ == Hairs::normals ? theme().accent : theme().selection);
    if (broken_ > 0) {
        lines.emplace_back(QObject::tr("%1 of another length than 1").arg(static_cast<qulonglong>(broken_)),
                           theme().stop);
    }
    return lines;
}

} // namespace wembrix::app
