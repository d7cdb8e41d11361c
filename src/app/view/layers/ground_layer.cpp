#include "view/layers/ground_layer.h"

#include "view/scene_marks.h"

#include <QLinearGradient>

namespace wembrix::app {

void GroundLayer::paint_sky(QPainter& painter, const QRect& pane) {
    QLinearGradient sky(0, 0, 0, pane.height());
    sky.setColorAt(0, theme().sky_top);
    sky.setColorAt(1, theme().sky_bottom);
    painter.fillRect(pane, sky);
}

void GroundLayer::paint_behind(QPainter& painter, const Frame& frame) {
    // Hundreds of thin lines are quicker painted into a picture than drawn one by one.
    const QSize pixels = frame.size * frame.pixel_ratio;
    if (picture_.size() != pixels || matrix_ != frame.projection.matrix || tools_ != frame.shown.tools) {
        picture_ = QImage(pixels, QImage::Format_RGB32); // nothing lies behind it
        picture_.setDevicePixelRatio(frame.pixel_ratio);
        matrix_ = frame.projection.matrix;
        tools_ = frame.shown.tools;
        QPainter over(&picture_);
        over.setRenderHint(QPainter::Antialiasing);
        paint_sky(over, QRect(QPoint(0, 0), frame.size));
        over.setFont(frame.font);
        draw_ground(over, frame.projection);
        if (frame.shown.tools) {
            draw_figure(over, frame.projection);
        }
    }
    painter.drawImage(QPointF(0, 0), picture_);
}

std::vector<std::pair<QString, QColor>> GroundLayer::foot(const Frame& frame) const {
    const double unit = frame.projection.unit;
    std::vector<std::pair<QString, QColor>> lines = {
        {QObject::tr("grid %1 m").arg(grid_gap(unit), 0, 'g', 4), theme().soft}};
    if (frame.shown.tools && unit > 40) {
        lines.emplace_back(QObject::tr("a 1.75 m person is a dot here"), theme().stop);
    }
    return lines;
}

} // namespace wembrix::app
