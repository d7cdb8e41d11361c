#include "view/tools/lasso_tool.h"

#include "view/pick.h"

#include <utility>

namespace wembrix::app {

namespace {

bool faces(const Projection& projection, const Vec3f& point, const Vec3f& normal) {
    return normal.squaredNorm() < 0.5F || normal.dot(projection.eye.cast<float>() - point) > 0;
}

} // namespace

ChosenVertices vertices_inside(const Projection& projection, const PosedScene& posed, const QPolygonF& line) {
    ChosenVertices most;
    const QRectF around = line.boundingRect();
    for (const Deformer::Surface& surface : posed.surfaces()) {
        ChosenVertices here{surface.node, {}};
        for (size_t v = 0; v < surface.count; ++v) {
            const Vec3f& point = posed.points()[surface.first + v];
            bool visible = false;
            const QPointF at = projection.on_screen(point.cast<double>(), &visible);
            if (visible && around.contains(at) && faces(projection, point, posed.normals()[surface.first + v]) &&
                line.containsPoint(at, Qt::OddEvenFill)) {
                here.vertices.insert(here.vertices.end(), static_cast<uint32_t>(v));
            }
        }
        if (here.vertices.size() > most.vertices.size()) {
            most = std::move(here);
        }
    }
    return most;
}

bool LassoTool::press(const Frame&, const ViewInput& input) {
    if (input.button != Qt::LeftButton || (input.modifiers & Qt::ShiftModifier) != 0) {
        return false;
    }
    adds_ = (input.modifiers & Qt::ControlModifier) != 0;
    line_ = {input.place};
    return true;
}

void LassoTool::drag(const Frame&, const QPointF& place) {
    line_ << place;
}

void LassoTool::release(const Frame& frame, bool dragged) {
    const QPolygonF line = std::exchange(line_, {});
    const PosedScene& posed = *frame.scenes.posed();
    if (dragged && line.size() > 2) {
        hooks_.choose(vertices_inside(frame.projection, posed, line), adds_);
        return;
    }
    // A click: the corner of the triangle there that is nearest.
    const std::optional<SurfaceHit> hit = surface_hit(frame.projection, posed, line.value(0));
    if (!hit) {
        hooks_.choose({}, adds_);
        return;
    }
    hooks_.choose({hit->node, {hit->vertex}}, adds_);
}

void LassoTool::paint(QPainter& painter, const Frame& frame) const {
    const Theme& l = theme();
    if (!line_.isEmpty()) {
        painter.setPen(QPen(l.accent, 1.4, Qt::DashLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawPolyline(line_);
    }
    const ChosenVertices chosen = hooks_.chosen();
    const PosedScene& posed = *frame.scenes.posed();
    for (const Deformer::Surface& surface : posed.surfaces()) {
        if (surface.node != chosen.node) {
            continue;
        }
        painter.setPen(Qt::NoPen);
        painter.setBrush(l.selection);
        for (const uint32_t vertex : chosen.vertices) {
            const size_t at = surface.first + vertex;
            bool visible = false;
            if (vertex < surface.count && faces(frame.projection, posed.points()[at], posed.normals()[at])) {
                const QPointF place = frame.projection.on_screen(posed.points()[at].cast<double>(), &visible);
                if (visible) {
                    painter.drawEllipse(place, 2.2, 2.2);
                }
            }
        }
    }
}

} // namespace wembrix::app
