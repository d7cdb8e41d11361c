#include "view/tools/brush_tool.h"

#include <QElapsedTimer>
#include <QLineF>
#include <QPolygonF>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

double BrushTool::radius_on_screen(const Frame& frame, const Vec3& at) const {
    const Vec3 beside = at + frame.projection.aside() * hooks_.radius_m();
    return QLineF(frame.projection.on_screen(at), frame.projection.on_screen(beside)).length();
}

bool BrushTool::press(const Frame& frame, const ViewInput& input) {
    if (input.button != Qt::LeftButton || input.modifiers != Qt::NoModifier) {
        return false; // that moves the camera
    }
    hovers_ = surface_hit(frame.projection, *frame.scenes.posed(), input.place);
    if (!hovers_ || !hooks_.begin(frame, *hovers_)) {
        return false;
    }
    last_ = input.place;
    hooks_.dab(frame, *hovers_);
    return true;
}

void BrushTool::drag(const Frame& frame, const QPointF& place) {
    if (!hovers_) {
        hovers_ = surface_hit(frame.projection, *frame.scenes.posed(), place);
        last_ = place;
        return;
    }
    // Dabs overlap, however fast the hand is; but not more at once than a display frame has time for.
    const double gap = std::max(2.0, radius_on_screen(frame, hovers_->at) / 3);
    const QLineF way(last_, place);
    if (way.length() < gap) {
        return;
    }
    constexpr int most = 3;
    constexpr qint64 enough_ms = 8;
    QElapsedTimer timer;
    timer.start();
    const int dabs = std::clamp(static_cast<int>(way.length() / gap), 1, most);
    for (int i = dabs; i >= 1 && (i == dabs || timer.elapsed() < enough_ms); --i) { // the newest place first
        const std::optional<SurfaceHit> hit =
            surface_hit(frame.projection, *frame.scenes.posed(), way.pointAt(static_cast<double>(i) / dabs));
        if (hit) {
            hooks_.dab(frame, *hit);
        }
        hovers_ = i == dabs ? hit : hovers_;
    }
    last_ = place;
}

void BrushTool::release(const Frame&, bool) {
    hooks_.end();
}

std::optional<Qt::CursorShape> BrushTool::cursor(const Frame& frame, const QPointF& place) const {
    hovers_ = surface_hit(frame.projection, *frame.scenes.posed(), place);
    return hovers_ ? std::optional(Qt::CrossCursor) : std::nullopt;
}

void BrushTool::paint(QPainter& painter, const Frame& frame) const {
    if (!hovers_) {
        return;
    }
    const Vec3 normal = hovers_->normal;
    const Vec3 across =
        (std::abs(normal.y()) < 0.9 ? Vec3(Vec3::UnitY()) : Vec3(Vec3::UnitX())).cross(normal).normalized();
    const Vec3 up = normal.cross(across);
    for (const double share : {1.0, 0.5}) {
        QPolygonF ring;
        constexpr int corners = 48;
        for (int i = 0; i <= corners; ++i) {
            const double angle = 2 * M_PI * i / corners;
            ring << frame.projection.on_screen(hovers_->at + hooks_.radius_m() * share *
                                                                 (std::cos(angle) * across + std::sin(angle) * up));
        }
        QColor colour = theme().accent;
        colour.setAlphaF(share < 1 ? 0.45F : 1.0F);
        painter.setPen(QPen(colour, share < 1 ? 1 : 1.6));
        painter.setBrush(Qt::NoBrush);
        painter.drawPolyline(ring);
    }
}

} // namespace wembrix::app
