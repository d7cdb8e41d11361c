#include "stations/takes/take_strip.h"

#include "core/measure/facing.h"
#include "core/steps/names.h"
#include "stations/takes/strip_edits.h"
#include "style/look.h"
#include "style/name_box.h"

#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QScrollBar>
#include <QToolTip>
#include <algorithm>
#include <cmath>
#include <numeric>

namespace wembrix::app {

namespace {
constexpr int margin = 12;
constexpr int ruler_height = 34;
constexpr int span_height = 44;
constexpr int bar_height = 12;
constexpr double widest = 40; ///< pixels a frame: single frames are far apart
constexpr int grip_width = 6;
constexpr int contact_height = 11; ///< a foot's row

/// Where the curve ends: at the peak, or, where a few frames leap far beyond all others, a little above those.
double shown_most(std::vector<float> energy, double peak) {
    const auto rank = static_cast<ptrdiff_t>(static_cast<double>(energy.size() - 1) * 0.995);
    std::nth_element(energy.begin(), energy.begin() + rank, energy.end());
    const double usual = std::max(1e-9F, energy[static_cast<size_t>(rank)]);
    return peak > 3 * usual ? 1.25 * usual : peak;
}
} // namespace

TakeStrip::TakeStrip(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("takeStrip"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    bar_ = new QScrollBar(Qt::Horizontal, this);
    connect(bar_, &QScrollBar::valueChanged, this, [this](int value) {
        first_ = value / 16.0;
        update();
    });
    name_ = new NameBox(QStringLiteral("clipName"), this, this);
    connect(name_, &NameBox::named, this, [this](const QString& text) {
        if (named_ >= 0 && named_ < static_cast<int>(cuts_.size())) {
            std::vector<Cut> next = cuts_;
            next[named_].name = text.toStdString();
            Q_EMIT edited(tr("Name clip %1").arg(text), next);
        }
    });
}

void TakeStrip::show_take(const TakeFacts* take, std::vector<Cut> cuts, const TakesModel& clips) {
    const bool other =
        (take != nullptr) != any_ || (take != nullptr && (take->name != take_.name || take->frames != take_.frames));
    any_ = take != nullptr;
    take_ = any_ ? *take : TakeFacts();
    clips_ = &clips;
    if (grip_.clip < 0) {
        cuts_ = std::move(cuts);
    }
    lay_spans();
    chosen_ = chosen_ < static_cast<int>(cuts_.size()) ? chosen_ : -1;
    if (other) {
        see_all();
    }
    update();
}

void TakeStrip::set_offers(std::vector<int> places) {
    offers_ = std::move(places);
    update();
}

void TakeStrip::set_playhead(int frame) {
    playhead_ = frame;
    update();
}

void TakeStrip::choose(int clip) {
    chosen_ = clip;
    update();
}

double TakeStrip::x_of(double frame) const {
    return margin + (frame - first_) * scale_;
}

double TakeStrip::frame_at(double x) const {
    return first_ + (x - margin) / scale_;
}

void TakeStrip::see_all() {
    scale_ = std::max(1.0, width() - 2.0 * margin) / std::max(1, take_.frames - 1);
    first_ = 0;
    keep_in_range();
    update();
}

void TakeStrip::zoom(double factor, double about_x) {
    const double about = frame_at(about_x);
    const double all = std::max(1.0, width() - 2.0 * margin) / std::max(1, take_.frames - 1);
    scale_ = std::clamp(scale_ * factor, std::min(all, widest), widest);
    first_ = about - (about_x - margin) / scale_;
    keep_in_range();
    update();
}

void TakeStrip::keep_in_range() {
    const double seen = (width() - 2.0 * margin) / scale_;
    const double most = std::max(0.0, take_.frames - 1 - seen);
    first_ = std::clamp(first_, 0.0, most);
    const QSignalBlocker quiet(bar_);
    bar_->setRange(0, static_cast<int>(most * 16));
    bar_->setPageStep(static_cast<int>(seen * 16));
    bar_->setValue(static_cast<int>(first_ * 16));
    bar_->setVisible(most > 0);
}

void TakeStrip::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    bar_->setGeometry(margin, height() - bar_height, width() - 2 * margin, bar_height);
    const double all = std::max(1.0, width() - 2.0 * margin) / std::max(1, take_.frames - 1);
    const double before = std::max(1.0, event->oldSize().width() - 2.0 * margin) / std::max(1, take_.frames - 1);
    if (scale_ <= before * 1.001 || scale_ < all) {
        see_all();
    } else {
        keep_in_range();
    }
}

void TakeStrip::lay_spans() {
    // The first row that is free where a clip begins.
    std::vector<int> ends;
    span_rows_.assign(cuts_.size(), 0);
    std::vector<size_t> order(cuts_.size());
    std::iota(order.begin(), order.end(), size_t{0});
    std::stable_sort(order.begin(), order.end(), [&](size_t a, size_t b) { return cuts_[a].first < cuts_[b].first; });
    for (const size_t at : order) {
        size_t row = 0;
        while (row < ends.size() && ends[row] > cuts_[at].first) {
            ++row;
        }
        ends.resize(std::max(ends.size(), row + 1));
        ends[row] = cuts_[at].last;
        span_rows_[at] = static_cast<int>(row);
    }
    row_count_ = std::clamp(static_cast<int>(ends.size()), 1, 4);
}

QRect TakeStrip::span_rect(int clip) const {
    const Cut& cut = cuts_[static_cast<size_t>(clip)];
    const int tall = span_height / row_count_;
    const int row = std::min(span_rows_[static_cast<size_t>(clip)], row_count_ - 1);
    const int top = height() - bar_height - 6 - span_height + row * tall;
    const int left = static_cast<int>(std::lround(x_of(cut.first)));
    return {left, top, std::max(3, static_cast<int>(std::lround(x_of(cut.last))) - left),
            row_count_ == 1 ? tall : tall - 1};
}

void TakeStrip::point_at(const QPoint& place) {
    int frame = -1;
    if (any_ && take_.poses && take_.poses->frames() == take_.frames && place.y() > ruler_height &&
        place.y() < energy_bottom()) {
        frame = std::clamp(static_cast<int>(std::lround(frame_at(place.x()))), 0, take_.frames - 1);
    }
    if (frame == pointed_) {
        return;
    }
    pointed_ = frame;
    alike_.assign(frame < 0 ? 0 : static_cast<size_t>(take_.frames), 0.0F);
    if (frame >= 0) {
        take_.poses->distances_from(frame, alike_);
    }
    update();
}

void TakeStrip::leaveEvent(QEvent* event) {
    QWidget::leaveEvent(event);
    point_at({-1, -1});
}

/// Dark where the pose is that of the frame under the pointer, paler the farther it is.
void TakeStrip::draw_likeness(QPainter& painter) const {
    if (alike_.empty()) {
        return;
    }
    const Look& l = look();
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

double TakeStrip::contacts_top() const {
    const int rows = std::min<int>(4, static_cast<int>(take_.feet.size()));
    return height() - bar_height - span_height - 12.0 - rows * contact_height;
}

double TakeStrip::energy_bottom() const {
    return contacts_top() - 6.0;
}

QRect TakeStrip::contact_rect(const Contact& contact) const {
    const auto foot = std::find(take_.feet.begin(), take_.feet.end(), contact.joint) - take_.feet.begin();
    const int left = static_cast<int>(std::lround(x_of(contact.first)));
    const int right = static_cast<int>(std::lround(x_of(contact.last)));
    return foot >= 4 ? QRect()
                     : QRect(left, static_cast<int>(contacts_top()) + static_cast<int>(foot) * contact_height + 1,
                             std::max(2, right - left), contact_height - 3);
}

QString TakeStrip::contact_text(const Contact& contact) const {
    return tr("%1 stands from frame %2 to %3 and slides %4 mm")
        .arg(QString::fromStdString(take_.scene->nodes[static_cast<size_t>(contact.joint)].name))
        .arg(contact.first)
        .arg(contact.last)
        .arg(contact.slide_mm, 0, 'f', 0);
}

void TakeStrip::draw_contacts(QPainter& painter) const {
    const Look& l = look();
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

void TakeStrip::draw_ruler(QPainter& painter) const {
    const Look& l = look();
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
    const Look& l = look();
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
    const Look& l = look();
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

void TakeStrip::draw_spans(QPainter& painter) const {
    const Look& l = look();
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
        const QRect text = box.adjusted(9, 4, -8, -4);
        if (text.width() < 14) {
            continue;
        }
        painter.setPen(ink);
        painter.setFont(bold);
        painter.drawText(
            text, Qt::AlignLeft | Qt::AlignTop,
            painter.fontMetrics().elidedText(QString::fromStdString(cut.name), Qt::ElideRight, text.width()));
        painter.setFont(small);
        if (row_count_ > 1) {
            continue; // two lines do not fit into a half-high span; the list has the rest
        }
        QString below = tr("%1–%2 · %3").arg(cut.first).arg(cut.last).arg(cut.repeats ? tr("repeats") : tr("once"));
        const ClipFacts* facts = clips_ == nullptr ? nullptr : clips_->clip(cut.name);
        const bool open = facts != nullptr && facts->seam && !facts->closes;
        if (facts != nullptr && facts->seam && cut.repeats) {
            const QString seam =
                tr("seam %1 mm").arg(facts->seam->apart_mm, 0, 'f', facts->seam->apart_mm < 10 ? 1 : 0);
            const int width = painter.fontMetrics().horizontalAdvance(seam) + 10;
            const QRect chip(box.right() - 8 - width, box.bottom() - 18, width, 14);
            if (painter.fontMetrics().horizontalAdvance(below) + width + 10 < text.width()) {
                painter.setPen(Qt::NoPen);
                painter.setBrush(l.card);
                painter.drawRoundedRect(chip, 2, 2);
                painter.setPen(open ? l.stop : l.well);
                painter.drawText(chip, Qt::AlignCenter, seam);
            }
        }
        painter.setPen(ink);
        painter.drawText(text, Qt::AlignLeft | Qt::AlignBottom,
                         painter.fontMetrics().elidedText(below, Qt::ElideRight, text.width()));
    }
}

void TakeStrip::draw_playhead(QPainter& painter) const {
    const double x = x_of(playhead_);
    painter.setPen(QPen(look().selection, 1.4));
    painter.drawLine(QPointF(x, 10), QPointF(x, height() - bar_height - 2.0));
    painter.setPen(Qt::NoPen);
    painter.setBrush(look().selection);
    const QPointF mark[] = {{x - 6, 2}, {x + 6, 2}, {x, 12}};
    painter.drawPolygon(mark, 3);
    if (snapped_to_ >= 0) {
        painter.setPen(QPen(look().selection, 1, Qt::DashLine));
        painter.drawLine(QPointF(x_of(snapped_to_), ruler_height),
                         QPointF(x_of(snapped_to_), height() - bar_height - 2.0));
    }
}

void TakeStrip::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(rect(), look().card);
    if (!any_) {
        painter.setPen(look().soft);
        painter.drawText(
            rect(), Qt::AlignCenter | Qt::TextWordWrap,
            tr("No take yet. Bring in a file with motion, and its energy, still places and clips stand here."));
        return;
    }
    draw_ruler(painter);
    draw_energy(painter);
    draw_likeness(painter);
    draw_contacts(painter);
    draw_spans(painter);
    draw_playhead(painter);
    if (hasFocus()) {
        painter.setPen(QPen(look().accent, 1, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(rect().adjusted(1, 1, -2, -2));
    }
}

int TakeStrip::clip_at(const QPoint& place) const {
    for (size_t i = cuts_.size(); i-- > 0;) {
        if (span_rect(static_cast<int>(i)).contains(place)) {
            return static_cast<int>(i);
        }
    }
    return -1;
}

TakeStrip::Grip TakeStrip::grip_at(const QPoint& place) const {
    Grip best;
    int least = grip_width + 1;
    for (size_t i = 0; i < cuts_.size(); ++i) {
        const QRect box = span_rect(static_cast<int>(i));
        if (place.y() < box.top() || place.y() > box.bottom()) {
            continue;
        }
        // Inside a span its own ends come first: two that touch can both be taken.
        const bool inside = box.adjusted(-1, 0, 1, 0).contains(place);
        for (const bool last : {false, true}) {
            const int far = std::abs(place.x() - (last ? box.right() : box.left())) + (inside ? 0 : 1);
            if (far < least) {
                least = far;
                best = {static_cast<int>(i), last};
            }
        }
    }
    return best;
}

std::vector<int> TakeStrip::snap_targets(int without) const {
    std::vector<int> targets = offers_;
    targets.insert(targets.end(), {0, take_.frames - 1, playhead_});
    for (size_t i = 0; i < cuts_.size(); ++i) {
        if (static_cast<int>(i) != without) {
            targets.push_back(cuts_[i].first);
            targets.push_back(cuts_[i].last);
        }
    }
    return targets;
}

void TakeStrip::mousePressEvent(QMouseEvent* event) {
    if (!any_ || event->button() != Qt::LeftButton) {
        return;
    }
    setFocus();
    const QPoint place = event->position().toPoint();
    grip_ = grip_at(place);
    if (grip_.clip >= 0) {
        before_drag_ = cuts_;
        chosen_ = grip_.clip;
        Q_EMIT clipChosen(chosen_);
        update();
        return;
    }
    const int clip = clip_at(place);
    if (clip >= 0) {
        chosen_ = clip;
        Q_EMIT clipChosen(clip);
        update();
        return;
    }
    scrubbing_ = true;
    Q_EMIT scrubbed(std::clamp(static_cast<int>(std::lround(frame_at(place.x()))), 0, take_.frames - 1));
}

void TakeStrip::mouseMoveEvent(QMouseEvent* event) {
    const QPoint place = event->position().toPoint();
    if (grip_.clip >= 0) {
        const int frame = static_cast<int>(std::lround(frame_at(place.x())));
        const bool free = (event->modifiers() & Qt::AltModifier) != 0;
        const int to = free ? frame : snapped(frame, snap_targets(grip_.clip), 7 / scale_);
        snapped_to_ = !free && to != frame ? to : -1;
        cuts_ = move_end(before_drag_, static_cast<size_t>(grip_.clip), grip_.last, to, take_.frames);
        lay_spans();
        const Cut& cut = cuts_[static_cast<size_t>(grip_.clip)];
        QToolTip::showText(event->globalPosition().toPoint(),
                           tr("%1: frames %2 to %3, %4 s")
                               .arg(QString::fromStdString(cut.name))
                               .arg(cut.first)
                               .arg(cut.last)
                               .arg((cut.last - cut.first) / take_.rate, 0, 'f', 2),
                           this);
        update();
        return;
    }
    if (scrubbing_) {
        Q_EMIT scrubbed(std::clamp(static_cast<int>(std::lround(frame_at(place.x()))), 0, take_.frames - 1));
        return;
    }
    point_at(place);
    setCursor(any_ && grip_at(place).clip >= 0 ? Qt::SizeHorCursor : Qt::ArrowCursor);
    QString words;
    for (const Contact& contact : take_.contacts) {
        words = contact_rect(contact).adjusted(0, -1, 0, 2).contains(place) ? contact_text(contact) : words;
    }
    setToolTip(words);
}

void TakeStrip::mouseReleaseEvent(QMouseEvent*) {
    scrubbing_ = false;
    snapped_to_ = -1;
    if (grip_.clip >= 0) {
        const int clip = grip_.clip;
        grip_ = {};
        const std::vector<Cut> next = cuts_;
        cuts_ = before_drag_;
        if (!(next == before_drag_)) {
            cuts_ = next; // shown until the card says the same
            Q_EMIT edited(tr("Move end of %1").arg(QString::fromStdString(next[static_cast<size_t>(clip)].name)), next);
        }
        update();
    }
}

void TakeStrip::mouseDoubleClickEvent(QMouseEvent* event) {
    const int clip = clip_at(event->position().toPoint());
    if (clip >= 0) {
        edit_name(clip);
    } else if (any_) {
        see_all();
    }
}

void TakeStrip::edit_name(int clip) {
    named_ = clip;
    chosen_ = clip;
    const QRect box = span_rect(clip);
    name_->open(
        {std::clamp(box.left() + 4, 2, std::max(2, width() - 132)), box.top() + 2, std::max(124, box.width() - 12), 22},
        QString::fromStdString(cuts_[static_cast<size_t>(clip)].name));
}

void TakeStrip::wheelEvent(QWheelEvent* event) {
    if (!any_) {
        return;
    }
    const QPoint by = event->angleDelta();
    if ((event->modifiers() & Qt::ShiftModifier) != 0 || std::abs(by.x()) > std::abs(by.y())) {
        bar_->setValue(bar_->value() -
                       (by.x() != 0 ? by.x() : by.y()) * 16 / 120 * std::max(1, static_cast<int>(40 / scale_)));
    } else {
        zoom(std::pow(1.25, by.y() / 120.0), event->position().x());
    }
    event->accept();
}

void TakeStrip::keyPressEvent(QKeyEvent* event) {
    const int by = (event->modifiers() & Qt::ShiftModifier) != 0 ? 10 : 1;
    switch (event->key()) {
    case Qt::Key_Return:
    case Qt::Key_Enter:
        Q_EMIT cutAsked();
        break;
    case Qt::Key_Left:
        Q_EMIT scrubbed(std::max(0, playhead_ - by));
        break;
    case Qt::Key_Right:
        Q_EMIT scrubbed(std::min(take_.frames - 1, playhead_ + by));
        break;
    case Qt::Key_Home:
        Q_EMIT scrubbed(0);
        break;
    case Qt::Key_End:
        Q_EMIT scrubbed(take_.frames - 1);
        break;
    case Qt::Key_Plus:
    case Qt::Key_Equal:
        zoom(1.5, x_of(playhead_));
        break;
    case Qt::Key_Minus:
        zoom(1 / 1.5, x_of(playhead_));
        break;
    case Qt::Key_F2:
        if (chosen_ >= 0) {
            edit_name(chosen_);
        }
        break;
    case Qt::Key_Delete:
        if (chosen_ >= 0 && chosen_ < static_cast<int>(cuts_.size())) {
            std::vector<Cut> next = cuts_;
            const QString name = QString::fromStdString(next[static_cast<size_t>(chosen_)].name);
            next.erase(next.begin() + chosen_);
            chosen_ = -1;
            Q_EMIT edited(tr("Take out clip %1").arg(name), next);
        }
        break;
    default:
        QWidget::keyPressEvent(event);
    }
}

} // namespace wembrix::app
