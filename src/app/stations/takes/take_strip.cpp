#include "stations/takes/take_strip.h"

#include "stations/takes/strip_edits.h"
#include "stations/takes/take_strip_sizes.h"
#include "style/name_box.h"
#include "style/painted_parts.h"
#include "style/theme.h"

#include <QMouseEvent>
#include <QScrollBar>
#include <QToolTip>
#include <algorithm>
#include <cmath>
#include <numeric>

namespace wembrix::app {

using namespace strip;

TakeStrip::TakeStrip(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("takeStrip"));
    setAccessibleName(tr("Take strip: motion, still places and clips over the take"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    tell_clips();
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

void TakeStrip::tell_clips() {
    PaintedParts parts;
    parts.count = [this] { return static_cast<int>(cuts_.size() + (any_ ? take_.contacts.size() : 0)); };
    parts.part = [this](int place) {
        const auto clips = static_cast<int>(cuts_.size());
        if (place >= clips) {
            const Contact& contact = take_.contacts[static_cast<size_t>(place - clips)];
            return PaintedPart{contact_text(contact), contact_rect(contact), false};
        }
        const Cut& cut = cuts_[static_cast<size_t>(place)];
        const QString words = cut.loop ? tr("Clip %1, frames %2 to %3, repeats") : tr("Clip %1, frames %2 to %3");
        return PaintedPart{words.arg(QString::fromStdString(cut.name)).arg(cut.start).arg(cut.end), span_rect(place),
                           place == chosen_};
    };
    parts.press = [this](int place) {
        const auto clips = static_cast<int>(cuts_.size());
        if (place < clips) {
            choose(place);
            Q_EMIT clipChosen(place);
        } else {
            Q_EMIT scrubbed(take_.contacts[static_cast<size_t>(place - clips)].first);
        }
    };
    parts.value = [this] { return any_ ? tr("frame %1 of %2").arg(playhead_).arg(take_.frames) : QString(); };
    tell_parts(*this, std::move(parts));
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
    bar_->setVisible(most > 0.01); // less is rounding
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
    std::stable_sort(order.begin(), order.end(), [&](size_t a, size_t b) { return cuts_[a].start < cuts_[b].start; });
    for (const size_t at : order) {
        size_t row = 0;
        while (row < ends.size() && ends[row] > cuts_[at].start) {
            ++row;
        }
        ends.resize(std::max(ends.size(), row + 1));
        ends[row] = cuts_[at].end;
        span_rows_[at] = static_cast<int>(row);
    }
    row_count_ = std::max<int>(1, static_cast<int>(ends.size()));
}

int TakeStrip::spans_tall() const {
    constexpr int row = 18;
    return std::max(span_height, std::min(row_count_ * row, height() / 3));
}

QRect TakeStrip::span_rect(int clip) const {
    const Cut& cut = cuts_[static_cast<size_t>(clip)];
    const int tall = std::max(3, spans_tall() / row_count_);
    const int top = height() - bar_height - 6 - spans_tall() + span_rows_[static_cast<size_t>(clip)] * tall;
    const int left = static_cast<int>(std::lround(x_of(cut.start)));
    return {left, top, std::max(3, static_cast<int>(std::lround(x_of(cut.end))) - left),
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

double TakeStrip::contacts_top() const {
    const int rows = std::min<int>(4, static_cast<int>(take_.feet.size()));
    return height() - bar_height - spans_tall() - 12.0 - rows * contact_height;
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

std::vector<int> TakeStrip::playhead_targets() const {
    std::vector<int> targets = offers_;
    for (const Cut& cut : cuts_) {
        targets.insert(targets.end(), {cut.start, cut.end});
    }
    return targets;
}

std::vector<int> TakeStrip::snap_targets(int without) const {
    std::vector<int> targets = offers_;
    targets.insert(targets.end(), {0, take_.frames - 1, playhead_});
    for (size_t i = 0; i < cuts_.size(); ++i) {
        if (static_cast<int>(i) != without) {
            targets.push_back(cuts_[i].start);
            targets.push_back(cuts_[i].end);
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
    scrub_to(place, event->modifiers());
}

void TakeStrip::scrub_to(const QPoint& place, Qt::KeyboardModifiers modifiers) {
    const int frame = std::clamp(static_cast<int>(std::lround(frame_at(place.x()))), 0, take_.frames - 1);
    const bool free = (modifiers & Qt::AltModifier) != 0;
    const int to = free ? frame : snapped(frame, playhead_targets(), 5 / scale_);
    snapped_to_ = to != frame ? to : -1;
    Q_EMIT scrubbed(to);
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
                               .arg(cut.start)
                               .arg(cut.end)
                               .arg((cut.end - cut.start) / take_.rate, 0, 'f', 2),
                           this);
        update();
        return;
    }
    if (scrubbing_) {
        scrub_to(place, event->modifiers());
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

/// By where they begin, as they are read from left to right.
void TakeStrip::choose_next(int by) {
    std::vector<int> order(cuts_.size());
    std::iota(order.begin(), order.end(), 0);
    std::stable_sort(order.begin(), order.end(), [&](int a, int b) {
        return cuts_[static_cast<size_t>(a)].start < cuts_[static_cast<size_t>(b)].start;
    });
    if (order.empty()) {
        return;
    }
    const auto at = static_cast<int>(std::find(order.begin(), order.end(), chosen_) - order.begin());
    const auto last = static_cast<int>(order.size()) - 1;
    const int next = chosen_ < 0 ? (by > 0 ? 0 : last) : std::clamp(at + by, 0, last);
    choose(order[static_cast<size_t>(next)]);
    Q_EMIT clipChosen(chosen_);
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
    case Qt::Key_Up:
        choose_next(-1);
        break;
    case Qt::Key_Down:
        choose_next(1);
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
