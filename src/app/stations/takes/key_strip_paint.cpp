// How the key strip looks: the sheet with its values, curves, keys by their kind, tangents, what is chosen.
#include "stations/takes/key_strip.h"
#include "stations/takes/take_strip_sizes.h"
#include "style/theme.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

using namespace strip;

namespace {

/// The least of 1, 2, 5 and their tenfolds that is not below.
double round_step(double least) {
    const double ten = std::pow(10, std::floor(std::log10(std::max(least, 1e-9))));
    for (const double one : {1.0, 2.0, 5.0}) {
        if (one * ten >= least) {
            return one * ten;
        }
    }
    return 10 * ten;
}

/// A key tells by its form how the curve goes through it.
void draw_key(QPainter& painter, const QPointF& at, Tangent tangent) {
    constexpr double r = 4;
    switch (tangent) {
    case Tangent::smooth:
        painter.drawEllipse(at, r, r);
        break;
    case Tangent::flat:
        painter.drawRoundedRect(QRectF(at.x() - 1.6 * r, at.y() - 0.6 * r, 3.2 * r, 1.2 * r), 2, 2);
        break;
    case Tangent::straight: {
        const QPointF corners[] = {at + QPointF(0, -1.3 * r), at + QPointF(1.3 * r, r), at + QPointF(-1.3 * r, r)};
        painter.drawPolygon(corners, 3);
        break;
    }
    case Tangent::stepped:
        painter.drawRect(QRectF(at.x() - 0.9 * r, at.y() - 0.9 * r, 1.8 * r, 1.8 * r));
        break;
    case Tangent::free:
        painter.drawEllipse(at, 1.25 * r, 0.8 * r);
        painter.drawLine(at - QPointF(0, 1.6 * r), at + QPointF(0, 1.6 * r));
        break;
    }
}

} // namespace

QColor KeyStrip::colour_of(size_t curve) const {
    const Theme& l = theme();
    const int axis = path_ == Path::weights ? static_cast<int>(curve % 3) : layer_[curve].axis;
    return axis == 0 ? l.prepared : axis == 1 ? l.received : l.look;
}

void KeyStrip::draw_sheet(QPainter& painter) const {
    const Theme& l = theme();
    painter.fillRect(rect(), l.ground);
    const QRectF clip(x_of(0), 0, x_of(std::max(1, frames_ - 1)) - x_of(0), height());
    painter.fillRect(clip & QRectF(rect()), l.card);
    QFont small = font();
    small.setPixelSize(10);
    painter.setFont(small);
    // Values.
    const double step = round_step(28 / ((height() - ruler_height - 22.0) / (most_ - least_)));
    for (double value = std::ceil(least_ / step) * step; value < most_; value += step) {
        const double y = y_of(value);
        painter.setPen(QPen(l.line, std::abs(value) < step / 2 ? 1.6 : 0.7));
        painter.drawLine(QPointF(0, y), QPointF(width(), y));
        painter.setPen(l.soft);
        const double shown = std::abs(value) < step / 2 ? 0 : value;
        painter.drawText(QRectF(4, y - 13, 80, 12), Qt::AlignLeft | Qt::AlignVCenter,
                         QString::number(shown, 'g', 6) + unit());
    }
    // Frames.
    painter.fillRect(QRectF(0, 0, width(), ruler_height), l.ground);
    painter.fillRect(QRectF(clip.left(), 0, clip.width(), ruler_height), l.card);
    const auto frames = static_cast<int>(std::max(1.0, round_step(56 / scale_)));
    for (int frame = static_cast<int>(std::floor(frame_at(0) / frames)) * frames; x_of(frame) < width();
         frame += frames) {
        const double x = x_of(frame);
        const bool inside = frame >= 0 && frame < frames_;
        painter.setPen(l.line);
        painter.drawLine(QPointF(x, 4), QPointF(x, ruler_height - 4));
        painter.setPen(inside ? l.ink : l.soft);
        painter.drawText(QRectF(x + 3, 2, 60, 14), Qt::AlignLeft | Qt::AlignVCenter, QString::number(frame));
        painter.setPen(l.soft);
        painter.drawText(QRectF(x + 3, 15, 60, 14), Qt::AlignLeft | Qt::AlignVCenter,
                         tr("%1 s").arg(frame / rate_, 0, 'f', 2));
    }
    painter.setPen(QPen(l.soft, 1, Qt::DotLine));
    for (const int end : {0, std::max(1, frames_ - 1)}) {
        painter.drawLine(QPointF(x_of(end), ruler_height), QPointF(x_of(end), height()));
    }
}

void KeyStrip::draw_curve(QPainter& painter, size_t curve, const QColor& colour) const {
    const Curve& one = layer_[curve].curve;
    const double first = one.keys.front().frame;
    const double last = one.keys.back().frame;
    // Between its keys it is a line; what stands before and behind them is dashed.
    const auto part = [&](double from, double to, bool beyond) {
        from = std::max(from, frame_at(0));
        to = std::min(to, frame_at(width()));
        if (to <= from) {
            return;
        }
        // Of hundreds of curves at once fewer points say as much.
        const int most = std::max(64, std::min(2 * width(), 200000 / std::max(1, static_cast<int>(shown().size()))));
        const int count = std::clamp(static_cast<int>((to - from) * scale_), 2, most);
        QPolygonF line;
        for (int i = 0; i <= count; ++i) {
            const double frame = from + (to - from) * i / count;
            line << QPointF(x_of(frame), y_of(value_at(one, frame)));
        }
        QColor shade = colour;
        shade.setAlpha(beyond ? 130 : 255);
        painter.setPen(beyond ? QPen(shade, 1.2, Qt::DashLine) : QPen(shade, 1.8));
        painter.setBrush(Qt::NoBrush);
        painter.drawPolyline(line);
    };
    part(frame_at(0), first, true);
    part(first, last, false);
    part(last, frame_at(width()), true);
}

void KeyStrip::draw_keys(QPainter& painter, size_t curve, const QColor& colour) const {
    const Theme& l = theme();
    for (size_t k = 0; k < layer_[curve].curve.keys.size(); ++k) {
        const KeyAt at{curve, k};
        const QPointF place = place_of(at);
        if (place.x() < -10 || place.x() > width() + 10) {
            continue;
        }
        const bool is_chosen = std::find(chosen_.begin(), chosen_.end(), at) != chosen_.end();
        if (is_chosen) {
            painter.setPen(QPen(l.selection, 1.2));
            for (const bool out : {false, true}) {
                if (has_knob(at, out)) {
                    const QPointF knob = knob_of(at, out);
                    painter.setBrush(l.card);
                    painter.drawLine(place, knob);
                    painter.drawEllipse(knob, 3, 3);
                }
            }
        }
        painter.setPen(QPen(is_chosen ? l.selection : colour, 1.5));
        painter.setBrush(is_chosen ? l.selection : l.card);
        draw_key(painter, place, key(at).tangent);
    }
}

void KeyStrip::draw_ends(QPainter& painter) const {
    // Names stand where the clip ends, one below the other where curves end alike.
    const std::vector<size_t> curves = shown();
    const double room_wide = of_.size() == 1 && path_ != Path::weights ? 16 : 150;
    const double x = std::clamp(x_of(std::max(1, frames_ - 1)) + 8, 20.0, width() - room_wide);
    std::vector<std::pair<double, size_t>> places;
    for (const size_t c : curves) {
        if (!layer_[c].curve.keys.empty()) {
            places.emplace_back(y_of(value_at(layer_[c].curve, std::max(0, frames_ - 1))), c);
        }
    }
    std::sort(places.begin(), places.end());
    constexpr double row = 13;
    double next = ruler_height + 2;
    double room = row * static_cast<double>(places.size());
    for (const auto& [y, c] : places) {
        next = std::max(next, std::min(y - row / 2, height() - 2 - room));
        const KeyedCurve& one = layer_[c];
        const QString axis = path_ == Path::weights ? QString() : QStringLiteral("XYZ").mid(one.axis, 1);
        const QString words =
            of_.size() == 1 && path_ != Path::weights ? axis : QString::fromStdString(one.of) + u' ' + axis;
        painter.setPen(colour_of(c));
        painter.drawText(QRectF(x, next, 150, row), Qt::AlignLeft | Qt::AlignVCenter, words);
        next += row;
        room -= row;
    }
}

void KeyStrip::paintEvent(QPaintEvent*) {
    const Theme& l = theme();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    draw_sheet(painter);
    bool any = false;
    for (const size_t c : shown()) {
        if (!layer_[c].curve.keys.empty()) {
            any = true;
            draw_curve(painter, c, colour_of(c));
        }
    }
    for (const size_t c : shown()) {
        draw_keys(painter, c, colour_of(c));
    }
    if (any) {
        draw_ends(painter);
    } else {
        painter.setPen(l.soft);
        painter.drawText(QRectF(margin, ruler_height, width() - 2 * margin, height() - ruler_height),
                         Qt::AlignCenter | Qt::TextWordWrap, empty_);
    }
    const QRectF box = frame_of_chosen();
    if (!box.isNull()) {
        painter.setPen(QPen(l.selection, 1, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(box);
        painter.setPen(QPen(l.selection, 3));
        const QPointF middle = box.center();
        painter.drawLine(QPointF(box.left(), middle.y() - 8), QPointF(box.left(), middle.y() + 8));
        painter.drawLine(QPointF(box.right(), middle.y() - 8), QPointF(box.right(), middle.y() + 8));
        painter.drawLine(QPointF(middle.x() - 8, box.top()), QPointF(middle.x() + 8, box.top()));
        painter.drawLine(QPointF(middle.x() - 8, box.bottom()), QPointF(middle.x() + 8, box.bottom()));
    }
    if (held_ == Held::box && moved_) {
        QColor wash = l.selection;
        wash.setAlpha(30);
        painter.setPen(QPen(l.selection, 1));
        painter.setBrush(wash);
        painter.drawRect(QRectF(pressed_, now_).normalized());
    }
    const double x = x_of(playhead_);
    painter.setPen(QPen(l.selection, 1.4));
    painter.drawLine(QPointF(x, 4), QPointF(x, height()));
    painter.setPen(Qt::NoPen);
    painter.setBrush(l.selection);
    const QPointF drop[] = {{x - 6, 2}, {x + 6, 2}, {x, 10}};
    painter.drawPolygon(drop, 3);
}

} // namespace wembrix::app
