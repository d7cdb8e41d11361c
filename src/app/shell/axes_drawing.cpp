#include "shell/axes_drawing.h"
#include "style/language.h"

#include "core/destination/conventions.h"
#include "style/theme.h"

#include <QPainter>
#include <QPainterPath>

namespace wembrix::app {

namespace {
constexpr double axis_length = 0.62; // of the figure's height

void draw_arrow(QPainter& painter, const QPointF& from, const QPointF& to, const QColor& colour, double width) {
    painter.setPen(QPen(colour, width, Qt::SolidLine, Qt::RoundCap));
    painter.drawLine(from, to);
    const QPointF along = to - from;
    const double length = std::hypot(along.x(), along.y());
    if (length < 1) {
        return;
    }
    const QPointF unit = along / length;
    const QPointF side(-unit.y(), unit.x());
    painter.setPen(Qt::NoPen);
    painter.setBrush(colour);
    painter.drawPolygon(QPolygonF({to + unit * 3, to - unit * 6 + side * 4, to - unit * 6 - side * 4}));
    painter.setBrush(Qt::NoBrush);
}
} // namespace

AxesDrawing::AxesDrawing(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("axesDrawing"));
    setMinimumSize(220, 200);
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
}

void AxesDrawing::show_axes(const AxisSystem& axes, double height_m) {
    axes_ = axes;
    height_m_ = height_m > 0 ? height_m : 1;
    setAccessibleName(localized(convention_words(axes)));
    update();
}

QPointF AxesDrawing::at(const Vec3& place) const {
    const double unit = std::min(width() * 0.5, (height() - 56) * 0.66);
    const QPointF feet(width() * 0.52, height() - 56 - unit * 0.30);
    return feet + unit * QPointF(place.x() * 0.80 - place.z() * 0.62, place.x() * 0.26 + place.z() * 0.42 - place.y());
}

Vec3 AxesDrawing::in_core(int axis) const {
    return (linear_of(axes_.from_core()).inverse() * Vec3::Unit(axis)).normalized();
}

QPointF AxesDrawing::tip_of(int axis) const {
    return at(in_core(axis) * axis_length);
}

void AxesDrawing::draw_ground(QPainter& painter) const {
    painter.setPen(QPen(theme().line, 1));
    constexpr double most = 0.7;
    for (int i = -2; i <= 2; ++i) {
        const double line = i * most / 2;
        painter.drawLine(at({line, 0, -most}), at({line, 0, most}));
        painter.drawLine(at({-most, 0, line}), at({most, 0, line}));
    }
}

void AxesDrawing::draw_figure(QPainter& painter) const {
    const double unit = QLineF(at(Vec3::Zero()), at(Vec3::UnitY())).length();
    const auto limb = [&](const Vec3& from, const Vec3& to, double thick) {
        painter.setPen(QPen(theme().clay, thick * unit, Qt::SolidLine, Qt::RoundCap));
        painter.drawLine(at(from), at(to));
    };
    limb({-0.08, 0.46, 0}, {-0.11, 0.03, 0}, 0.075);
    limb({-0.16, 0.76, 0}, {-0.40, 0.74, 0.02}, 0.06);
    limb({0, 0.54, 0}, {0, 0.70, 0}, 0.22);
    limb({-0.10, 0.74, 0}, {0.10, 0.74, 0}, 0.10);
    limb({0.08, 0.46, 0}, {0.11, 0.03, 0}, 0.075);
    limb({0.16, 0.76, 0}, {0.40, 0.74, 0.02}, 0.06);
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme().clay);
    painter.drawEllipse(at({0, 0.92, 0}), unit * 0.085, unit * 0.10);
    painter.setBrush(theme().edge);
    painter.drawEllipse(at({0.03, 0.93, 0.09}), 1.6, 1.6); // its eyes: where it looks
    painter.drawEllipse(at({-0.03, 0.93, 0.09}), 1.6, 1.6);
    painter.setBrush(Qt::NoBrush);
}

void AxesDrawing::draw_axes(QPainter& painter) const {
    const QFontMetrics metrics(painter.font());
    for (int axis = 0; axis < 3; ++axis) {
        const QString name = QStringLiteral("XYZ").mid(axis, 1);
        draw_arrow(painter, at(Vec3::Zero()), tip_of(axis), theme().ink, 1.6);
        const QPointF away = at(in_core(axis) * (axis_length + 0.13));
        painter.setPen(theme().ink);
        painter.drawText(QRectF(away.x() - 12, away.y() - 9, 24, 18), Qt::AlignCenter, name);
    }
    const Vec3 ahead = Vec3::UnitZ();
    draw_arrow(painter, at(ahead * 0.30), at(ahead * 0.98), theme().accent, 2.4);
    const QString front = tr("front %1").arg(QString::fromUtf8(axis_name(axes_.forward).data(), 2));
    const QPointF tip = at(ahead * 1.08);
    const int wide = metrics.horizontalAdvance(front) + 4;
    painter.setPen(theme().accent);
    painter.drawText(QRectF(std::max(2.0, tip.x() - wide / 2.0), tip.y() - 4, wide, 18), Qt::AlignCenter, front);
}

void AxesDrawing::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(rect(), theme().card);
    draw_ground(painter);
    draw_figure(painter);
    draw_axes(painter);
    painter.setPen(theme().soft);
    const QString hand = axes_.handedness == Handedness::left ? tr("left-handed") : tr("right-handed");
    const QString size = tr("%1 m is %2 u").arg(height_m_, 0, 'f', 2).arg(height_m_ / axes_.unit_m, 0, 'g', 4);
    painter.drawText(QRectF(8, height() - 20, width() - 16, 18), Qt::AlignLeft | Qt::AlignVCenter, hand);
    painter.drawText(QRectF(8, height() - 20, width() - 16, 18), Qt::AlignRight | Qt::AlignVCenter, size);
    painter.setPen(theme().line);
    painter.drawRect(rect().adjusted(0, 0, -1, -1));
}

} // namespace wembrix::app
