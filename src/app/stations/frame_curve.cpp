#include "stations/frame_curve.h"

#include "style/painted_parts.h"
#include "style/theme.h"

#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

namespace {
constexpr int left_edge = 44;
constexpr int right_edge = 8;
} // namespace

FrameCurve::FrameCurve(Clock& clock, QWidget* parent) : QWidget(parent), clock_(clock) {
    setMinimumHeight(86);
    setObjectName(QStringLiteral("driftCurve"));
    setToolTip(tr("Drag to go to a frame"));
    connect(&clock_, &Clock::moved, this, [this] { update(); });
    setAccessibleName(tr("Curve over the frames"));
    PaintedParts parts;
    parts.role = QAccessible::Chart;
    parts.value = [this] { return in_words(); };
    tell_parts(*this, std::move(parts));
}

QString FrameCurve::in_words() const {
    if (values_.empty()) {
        return none_;
    }
    const auto largest = std::max_element(values_.begin(), values_.end());
    const auto at = static_cast<int>(largest - values_.begin()) * every_;
    const size_t here = std::min(values_.size() - 1, static_cast<size_t>(std::max(0, clock_.frame() / every_)));
    if (counts_) {
        return tr("most %1 at frame %2; %3 at this frame")
            .arg(*largest, 0, 'f', 0)
            .arg(at)
            .arg(values_[here], 0, 'f', 0);
    }
    return tr("largest %1 mm at frame %2; %3 mm at this frame; at most %4 mm asked for")
        .arg(*largest, 0, 'g', 3)
        .arg(at)
        .arg(values_[here], 0, 'g', 3)
        .arg(limit_);
}

void FrameCurve::show_drift(const std::vector<float>& per_frame_mm, double limit_mm) {
    values_ = per_frame_mm;
    every_ = 1;
    frames_ = static_cast<int>(values_.size());
    limit_ = limit_mm;
    counts_ = false;
    none_ = tr("no drift measured yet");
    update();
}

void FrameCurve::show_counts(const std::vector<uint32_t>& counts, int every, int frames, const QString& none) {
    values_.assign(counts.begin(), counts.end());
    every_ = std::max(1, every);
    frames_ = frames;
    limit_ = 0;
    counts_ = true;
    none_ = none;
    update();
}

void FrameCurve::paintEvent(QPaintEvent*) {
    const Theme& l = theme();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    QFont small = font();
    small.setPixelSize(10);
    painter.setFont(small);
    if (values_.size() < 2) {
        painter.setPen(l.soft);
        painter.drawText(rect(), Qt::AlignCenter,
                         values_.empty() || counts_ ? none_
                                                    : tr("a model has one pose: %1 mm").arg(values_[0], 0, 'f', 4));
        return;
    }
    const float most = *std::max_element(values_.begin(), values_.end());
    // The limit is drawn in scale only where it would not flatten the curve.
    const bool limit_in_scale = limit_ > 0 && limit_ < most * 6;
    const double top = std::max(limit_in_scale ? limit_ : 0.0, static_cast<double>(most)) * 1.15 + 1e-9;
    const QRectF area(left_edge, 14, width() - left_edge - right_edge, height() - 30);
    const auto x_of = [&](double frame) { return area.left() + area.width() * frame / std::max(1, frames_ - 1); };
    const auto y_of = [&](double mm) { return area.bottom() - area.height() * mm / top; };
    painter.setPen(l.line);
    painter.drawLine(area.bottomLeft(), area.bottomRight());
    painter.setPen(l.soft);
    painter.drawText(QRectF(0, y_of(most) - 7, left_edge - 4, 14), Qt::AlignRight | Qt::AlignVCenter,
                     counts_ ? QString::number(most, 'f', 0) : tr("%1").arg(most, 0, 'g', 2));
    painter.drawText(QRectF(0, area.bottom() - 7, left_edge - 4, 14), Qt::AlignRight | Qt::AlignVCenter,
                     counts_ ? tr("none") : tr("0 mm"));
    painter.drawText(QRectF(area.left(), area.bottom() + 2, 60, 13), Qt::AlignLeft, tr("frame 0"));
    painter.drawText(QRectF(area.right() - 60, area.bottom() + 2, 60, 13), Qt::AlignRight,
                     QString::number(frames_ - 1));
    painter.setPen(QPen(l.stop, 1, Qt::DashLine));
    if (limit_in_scale) {
        painter.drawLine(QPointF(area.left(), y_of(limit_)), QPointF(area.right(), y_of(limit_)));
    }
    painter.setPen(l.stop);
    if (!counts_) {
        painter.drawText(QRectF(area.left(), limit_in_scale ? y_of(limit_) - 13 : 0, area.width(), 12), Qt::AlignRight,
                         limit_in_scale ? tr("limit %1 mm").arg(limit_) : tr("limit %1 mm, far above").arg(limit_));
    }
    QPainterPath path;
    for (size_t i = 0; i < values_.size(); ++i) {
        const QPointF at(x_of(static_cast<double>(i) * every_), y_of(values_[i]));
        i == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(counts_ ? l.look : l.arrived, 1.4));
    painter.drawPath(path);
    if (clock_.frames() == frames_) {
        painter.setPen(QPen(l.selection, 1));
        const double x = x_of(clock_.seconds() * clock_.rate());
        painter.drawLine(QPointF(x, area.top()), QPointF(x, area.bottom()));
    }
}

void FrameCurve::go_to(double x) {
    if (values_.size() < 2) {
        return;
    }
    const double along = std::clamp((x - left_edge) / std::max(1, width() - left_edge - right_edge), 0.0, 1.0);
    clock_.set_playing(false);
    clock_.go_to(static_cast<int>(std::lround(along * static_cast<double>(clock_.frames() - 1))));
}

void FrameCurve::mousePressEvent(QMouseEvent* event) {
    go_to(event->position().x());
}
void FrameCurve::mouseMoveEvent(QMouseEvent* event) {
    go_to(event->position().x());
}

} // namespace wembrix::app
