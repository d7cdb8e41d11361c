#include "view/tools/line_tool.h"

#include "style/theme.h"

#include <QPolygonF>

namespace wembrix::app {

bool LineTool::press(const Frame& frame, const ViewInput& input) {
    if (input.button != Qt::LeftButton || input.modifiers != Qt::NoModifier) {
        return false; // that moves the camera
    }
    const std::optional<SurfaceHit> hit = surface_hit(frame.projection, *frame.scenes.posed(), input.place);
    if (!hit || !hooks_.takes(hit->node)) {
        return false;
    }
    drawn_ = {hit->at};
    return true;
}

void LineTool::drag(const Frame& frame, const QPointF& place) {
    const std::optional<SurfaceHit> hit = surface_hit(frame.projection, *frame.scenes.posed(), place);
    if (hit && !drawn_.empty() && hooks_.takes(hit->node) && (hit->at - drawn_.back()).norm() >= hooks_.step_m) {
        drawn_.push_back(hit->at);
    }
}

void LineTool::release(const Frame&, bool) {
    const std::vector<Vec3> line = std::exchange(drawn_, {});
    if (line.size() >= 2) {
        hooks_.done(line);
    }
}

std::optional<Qt::CursorShape> LineTool::cursor(const Frame& frame, const QPointF& place) const {
    const std::optional<SurfaceHit> hit = surface_hit(frame.projection, *frame.scenes.posed(), place);
    return hit && hooks_.takes(hit->node) ? std::optional(Qt::CrossCursor) : std::nullopt;
}

void LineTool::paint(QPainter& painter, const Frame& frame) const {
    const auto draw = [&](const std::vector<Vec3>& line, const QColor& colour) {
        QPolygonF on_screen;
        for (const Vec3& place : line) {
            on_screen << frame.projection.on_screen(place);
        }
        painter.setPen(QPen(colour, 2, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        painter.drawPolyline(on_screen);
        painter.setBrush(theme().card);
        for (const QPointF& end : {on_screen.first(), on_screen.last()}) {
            painter.drawEllipse(end, 3.5, 3.5);
        }
        painter.setBrush(Qt::NoBrush);
    };
    for (const std::vector<Vec3>& line : hooks_.lines()) {
        draw(line, theme().accent);
    }
    if (!drawn_.empty()) {
        draw(drawn_, theme().selection);
    }
}

} // namespace wembrix::app
