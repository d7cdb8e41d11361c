// How the take strip looks: ruler, energy, offers, likeness, feet, clips, playhead.
#include "core/measure/scene/facing.h"
#include "core/steps/names.h"
#include "stations/takes/take_strip.h"
#include "stations/takes/take_strip_sizes.h"
#include "style/theme.h"

#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

using namespace strip;

namespace {

/// Where the curve ends: at the peak, or, where a few frames leap far beyond all others, a little above those.
double shown_most(std::vector<float> energy, double peak) {
    const auto rank = static_cast<ptrdiff_t>(static_cast<double>(energy.size() - 1) * 0.995);
    std::nth_element(energy.begin(), energy.begin() + rank, energy.end());
    const double usual = std::max(1e-9F, energy[static_cast<size_t>(rank)]);
    return peak > 3 * usual ? 1.25 * usual : peak;
}

} // namespace

void TakeStrip::draw_ruler(QPainter& painter) const {
    const Theme& l = theme();
    // Marks stay about 60 pixels apart.
    int step = 1;
    for (const int candidate : {1, 2, 5, 10, 25, 50, 100, 250, 500, 1000, 2500, 5000, 10000}) {
        step = candidate;
        if (candidate * scale_ >= 56) {
            break;
        }
    }
    QFont small = font();
    small.setPixelSize(10);
    painter.setFont(small);
    const int from = std::max(0, static_cast<int>(frame_at(0) / step) * step);
    for (int frame = from; frame < take_.frames && x_of(frame) < width(); frame += step) {
        const double x = x_of(frame);
        painter.setPen(l.line);
        painter.drawLine(QPointF(x, 4), QPointF(x, ruler_height - 4));
        if (x + 40 > width()) {
            continue; // there is no room for its number
        }
        painter.setPen(l.ink);
        painter.drawText(QRectF(x + 3, 2, 60, 14), Qt::AlignLeft | Qt::AlignVCenter, QString::number(frame));
        painter.setPen(l.soft);
        painter.drawText(QRectF(x + 3, 15, 60, 14), Qt::AlignLeft | Qt::AlignVCenter,
                         tr("%1 s").arg(frame / take_.rate, 0, 'f', step / take_.rate < 0.1 ? 3 : 2));
    }
    if (scale_ >= 6) {
        painter.setPen(l.line);
        for (int frame = std::max(0, static_cast<int>(frame_at(0))); frame < take_.frames && x_of(frame) < width();
             ++frame) {
            painter.drawLine(QPointF(x_of(frame), ruler_height - 7), QPointF(x_of(frame), ruler_height - 3));
        }
    }
}

void TakeStrip::draw_energy(QPainter& painter) const {
    const Theme& l = theme();
    const double top = ruler_height + 4;
    const double bottom = energy_bottom();
    QFont small = font();
    small.setPixelSize(10);
    painter.setFont(small);
    if (take_.energy.empty()) {
        painter.setPen(l.soft);
        painter.drawText(QRectF(margin, top, width() - 2 * margin, bottom - top), Qt::AlignCenter,
                         tr("Measuring how much moves at each frame…"));
        return;
    }
    const double peak = std::max(1e-9F, *std::max_element(take_.energy.begin(), take_.energy.end()));
    const double most = shown_most(take_.energy, peak);
    const auto y_of = [&](double energy) { return bottom - std::min(1.0, energy / most) * (bottom - top - 12); };
    // One column a pixel: where many frames share it, their largest and smallest.
    QPainterPath line;
    QPainterPath area;
    bool begun = false;
    double last_x = 0;
    for (double x = std::max<double>(margin, x_of(0));
         x <= std::min<double>(width() - margin, x_of(take_.frames - 1)) + 0.5; x += 1) {
        const double a = std::clamp(frame_at(x), 0.0, take_.frames - 1.0);
        const double b = std::clamp(frame_at(x + 1), 0.0, take_.frames - 1.0);
        double value = 0;
        if (b - a >= 1) {
            for (int f = static_cast<int>(a); f <= static_cast<int>(b); ++f) {
                value = std::max(value, static_cast<double>(take_.energy[static_cast<size_t>(f)]));
            }
        } else {
            const auto f = static_cast<size_t>(a);
            const size_t g = std::min(f + 1, take_.energy.size() - 1);
            value = take_.energy[f] + (take_.energy[g] - take_.energy[f]) * (a - static_cast<double>(f));
        }
        const QPointF at(x, y_of(value));
        if (!begun) {
            line.moveTo(at);
            area.moveTo(QPointF(x, bottom));
            begun = true;
        } else {
            line.lineTo(at);
        }
        area.lineTo(at);
        last_x = x;
    }
    area.lineTo(QPointF(last_x, bottom));
    QColor wash = l.prepared;
    wash.setAlpha(50);
    painter.fillPath(area, wash);
    painter.setPen(QPen(l.prepared, 1));
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(line);
    painter.setPen(QPen(l.look, 1, Qt::DotLine));
    const double threshold = y_of(std::min(take_.still_below, most));
    painter.drawLine(QPointF(margin, threshold), QPointF(width() - margin, threshold));
    draw_offers(painter, top);
    const QString words =
        most < peak ? tr("motion energy, up to %1 m/s; peaks reach %2 m/s").arg(most, 0, 'f', 2).arg(peak, 0, 'f', 2)
                    : tr("motion energy, up to %1 m/s").arg(most, 0, 'f', 2);
    painter.setFont(small);
    const QRectF label(margin, top - 4, painter.fontMetrics().horizontalAdvance(words) + 4.0, 13);
    painter.fillRect(label, l.card);
    painter.setPen(l.soft);
    painter.drawText(label, Qt::AlignLeft | Qt::AlignVCenter, words);
}

void TakeStrip::draw_offers(QPainter& painter, double top) const {
    const Theme& l = theme();
    // Where they would hide what they are about, they are ticks; nearer, lines.
    double least = width();
    for (size_t i = 1; i < offers_.size(); ++i) {
        least = std::min(least, (offers_[i] - offers_[i - 1]) * scale_);
    }
    const bool crowded = least < 12;
    for (const int place : offers_) {
        const double x = x_of(place);
        if (x < 0 || x > width()) {
            continue;
        }
        painter.setPen(QPen(l.look, crowded ? 1.0 : 1.2, crowded ? Qt::SolidLine : Qt::DashLine));
        painter.drawLine(QPointF(x, top + (crowded ? 0 : 8)),
                         QPointF(x, crowded ? top + 7 : height() - bar_height - 4.0));
        if (!crowded) {
            painter.setPen(Qt::NoPen);
            painter.setBrush(l.look);
            const QPointF mark[] = {{x - 5, top}, {x + 5, top}, {x, top + 8}};
            painter.drawPolygon(mark, 3);
        }
    }
}

/// Dark where the pose is that of the frame under the pointer, paler the farther it is.
void TakeStrip::draw_likeness(QPainter& painter) const {
    if (alike_.empty()) {
        return;
    }
    const Theme& l = theme();
    const float most = std::max(1e-6F, *std::max_element(alike_.begin(), alike_.end()));
    const QRectF band(margin, energy_bottom() - 8, width() - 2.0 * margin, 8);
    painter.setPen(Qt::NoPen);
    for (double x = band.left(); x < band.right(); x += 1) {
        const auto first = static_cast<size_t>(std::clamp(frame_at(x), 0.0, take_.frames - 1.0));
        const auto last = static_cast<size_t>(std::clamp(frame_at(x + 1), 0.0, take_.frames - 1.0));
        float least = alike_[first];
        for (size_t f = first; f <= last; ++f) {
            least = std::min(least, alike_[f]);
        }
        QColor colour = l.selection;
        colour.setAlphaF(std::pow(1 - least / most, 3.0F));
        painter.setBrush(colour);
        painter.drawRect(QRectF(x, band.top(), 1, band.height()));
    }
    QFont small = font();
    small.setPixelSize(10);
    painter.setFont(small);
    painter.setPen(l.selection);
    const QString words = tr("poses like frame %1: dark the same, pale %2 mm apart").arg(pointed_).arg(most, 0, 'f', 0);
    const double wide = painter.fontMetrics().horizontalAdvance(words) + 8;
    QRectF box(std::clamp(x_of(pointed_) - wide / 2, band.left(), band.right() - wide), band.top() - 15, wide, 14);
    painter.fillRect(box, l.card);
    painter.drawText(box, Qt::AlignCenter, words);
}

void TakeStrip::draw_contacts(QPainter& painter) const {
    const Theme& l = theme();
    QFont small = font();
    small.setPixelSize(9);
    painter.setFont(small);
    for (size_t foot = 0; foot < std::min<size_t>(4, take_.feet.size()); ++foot) {
        const std::string& name = take_.scene->nodes[static_cast<size_t>(take_.feet[foot])].name;
        const Side side = side_of(name);
        const QColor colour = side == Side::left ? l.left_side : side == Side::right ? l.right_side : l.ink;
        const QRectF row(margin, contacts_top() + static_cast<double>(foot) * contact_height, width() - 2.0 * margin,
                         contact_height);
        painter.setPen(QPen(l.line, 1));
        painter.drawLine(row.bottomLeft(), row.bottomRight());
        for (const Contact& contact : take_.contacts) {
            if (contact.joint != take_.feet[foot]) {
                continue;
            }
            const QRect box = contact_rect(contact);
            if (box.right() < 0 || box.left() > width()) {
                continue;
            }
            QColor fill = colour;
            fill.setAlpha(150);
            painter.fillRect(box, fill);
            const QString text = tr("%1 mm").arg(contact.slide_mm, 0, 'f', 0);
            if (painter.fontMetrics().horizontalAdvance(text) + 6 < box.width()) {
                painter.setPen(Qt::white);
                painter.drawText(box, Qt::AlignCenter, text);
            }
        }
        const QString label = QString::fromStdString(name.substr(prefix_of(name, ":").size()));
        const int wide = painter.fontMetrics().horizontalAdvance(label) + 6;
        QColor ground = l.card;
        ground.setAlpha(215);
        painter.fillRect(QRectF(margin, row.top() + 1, wide, contact_height - 2), ground);
        painter.setPen(colour);
        painter.drawText(QRectF(margin + 2, row.top(), wide, contact_height), Qt::AlignLeft | Qt::AlignVCenter, label);
    }
}

void TakeStrip::draw_spans(QPainter& painter) const {
    const Theme& l = theme();
    QFont bold = font();
    bold.setPixelSize(12);
    bold.setWeight(QFont::DemiBold);
    QFont small = font();
    small.setPixelSize(10);
    for (size_t i = 0; i < cuts_.size(); ++i) {
        const Cut& cut = cuts_[i];
        const QRect box = span_rect(static_cast<int>(i));
        if (box.right() < 0 || box.left() > width()) {
            continue;
        }
        QColor ground(QString::fromStdString(cut.colour.empty() ? clip_colour(i) : cut.colour));
        painter.setPen(static_cast<int>(i) == chosen_ ? QPen(l.selection, 2) : QPen(ground.darker(140), 0.8));
        painter.setBrush(ground);
        painter.drawRoundedRect(box, 3, 3);
        painter.fillRect(QRect(box.left(), box.top() + 2, 4, box.height() - 4), ground.darker(145));
        painter.fillRect(QRect(box.right() - 3, box.top() + 2, 4, box.height() - 4), ground.darker(145));
        const QColor ink = ground.lightnessF() > 0.62 ? QColor(0x1F, 0x2A, 0x2E) : QColor(Qt::white);
        const bool low = row_count_ > 1; // one line alone fits
        const QRect text = low ? box.adjusted(9, 0, -8, 0) : box.adjusted(9, 4, -8, -4);
        if (text.width() < 14 || box.height() < 12) {
            continue;
        }
        painter.setPen(ink);
        painter.setFont(bold);
        painter.drawText(
            text, Qt::AlignLeft | (low ? Qt::AlignVCenter : Qt::AlignTop),
            painter.fontMetrics().elidedText(QString::fromStdString(cut.name), Qt::ElideRight, text.width()));
        painter.setFont(small);
        QString below = tr("%1–%2 · %3").arg(cut.start).arg(cut.end).arg(cut.loop ? tr("repeats") : tr("once"));
        const ClipFacts* facts = clips_ == nullptr ? nullptr : clips_->clip(cut.name);
        const bool open = facts != nullptr && facts->seam && !facts->closes;
        if (facts != nullptr && facts->seam && cut.loop) {
            const QString seam =
                tr("seam %1 mm").arg(facts->seam->apart_mm, 0, 'f', facts->seam->apart_mm < 10 ? 1 : 0);
            const int width = painter.fontMetrics().horizontalAdvance(seam) + 10;
            const QRect chip(box.right() - 8 - width, low ? box.center().y() - 6 : box.bottom() - 18, width, 14);
            const int beside = low ? QFontMetrics(bold).horizontalAdvance(QString::fromStdString(cut.name))
                                   : painter.fontMetrics().horizontalAdvance(below);
            if (beside + width + 10 < text.width()) {
                painter.setPen(Qt::NoPen);
                painter.setBrush(l.card);
                painter.drawRoundedRect(chip, 2, 2);
                painter.setPen(open ? l.stop : l.well);
                painter.drawText(chip, Qt::AlignCenter, seam);
            }
        }
        if (low) {
            continue;
        }
        painter.setPen(ink);
        painter.drawText(text, Qt::AlignLeft | Qt::AlignBottom,
                         painter.fontMetrics().elidedText(below, Qt::ElideRight, text.width()));
    }
}

void TakeStrip::draw_playhead(QPainter& painter) const {
    const double x = x_of(playhead_);
    painter.setPen(QPen(theme().selection, 1.4));
    painter.drawLine(QPointF(x, 10), QPointF(x, height() - bar_height - 2.0));
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme().selection);
    const QPointF mark[] = {{x - 6, 2}, {x + 6, 2}, {x, 12}};
    painter.drawPolygon(mark, 3);
    if (snapped_to_ >= 0) {
        painter.setPen(QPen(theme().selection, 1, Qt::DashLine));
        painter.drawLine(QPointF(x_of(snapped_to_), ruler_height),
                         QPointF(x_of(snapped_to_), height() - bar_height - 2.0));
    }
}

void TakeStrip::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(rect(), theme().card);
    if (!any_) {
        painter.setPen(theme().soft);
        painter.drawText(
            rect(), Qt::AlignCenter | Qt::TextWordWrap,
            tr("No take yet. Import a file with motion, and its energy, still places and clips stand here."));
        return;
    }
    draw_ruler(painter);
    if (curves_) {
        draw_curves(painter);
    } else {
        draw_energy(painter);
        draw_likeness(painter);
    }
    draw_contacts(painter);
    draw_spans(painter);
    draw_playhead(painter);
    if (hasFocus()) {
        painter.setPen(QPen(theme().accent, 1, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(rect().adjusted(1, 1, -2, -2));
    }
}

} // namespace wembrix::app
