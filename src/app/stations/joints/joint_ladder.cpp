#include "stations/joints/joint_ladder.h"

#include "stations/intake/contents_model.h"
#include "style/look.h"
#include "style/name_box.h"

#include <QHelpEvent>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QScrollBar>
#include <QToolTip>
#include <algorithm>
#include <unordered_map>

namespace wembrix::app {

namespace {
constexpr int row_height = 22;
} // namespace

JointLadder::JointLadder(Selection& selection, QWidget* parent) : QAbstractScrollArea(parent), selection_(selection) {
    setObjectName(QStringLiteral("jointLadder"));
    setFocusPolicy(Qt::StrongFocus);
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    connect(&selection_, &Selection::changed, this, [this] {
        show_current();
        viewport()->update();
    });
    editor_ = new NameBox(QStringLiteral("jointName"), this, viewport());
    connect(editor_, &NameBox::named, this, [this](const QString& name) { Q_EMIT renamed(edited_, name); });
}

void JointLadder::show_ladder(Ladder ladder) {
    ladder_ = std::move(ladder);
    lay_out();
}

void JointLadder::clear() {
    show_ladder({});
}

void JointLadder::set_filter(const QString& filter) {
    filter_ = filter;
    lay_out();
}

void JointLadder::lay_out() {
    editor_->leave();
    left_ = shown_rows(ladder_.received, ladder_.prepared, folded_, filter_);
    right_ = shown_rows(ladder_.prepared, ladder_.received, folded_, filter_);
    const int rows = static_cast<int>(std::max(left_.size(), right_.size()));
    verticalScrollBar()->setSingleStep(row_height);
    verticalScrollBar()->setPageStep(viewport()->height());
    verticalScrollBar()->setRange(0, std::max(0, rows * row_height + 8 - viewport()->height()));
    viewport()->update();
}

int JointLadder::left_width() const {
    return viewport()->width() * 44 / 100;
}

int JointLadder::right_start() const {
    return viewport()->width() * 56 / 100;
}

QRect JointLadder::left_rect(int row) const {
    return {4, 4 + row * row_height - verticalScrollBar()->value(), left_width() - 8, row_height};
}

QRect JointLadder::right_rect(int row) const {
    return {right_start(), 4 + row * row_height - verticalScrollBar()->value(), viewport()->width() - right_start() - 6,
            row_height};
}

void JointLadder::draw_row(QPainter& painter, const LadderRow& row, const QRect& where, bool right) const {
    const Look& l = look();
    const bool chosen = row.identity != 0 && selection_.holds(row.identity);
    if (chosen) {
        QColor wash = l.selection;
        wash.setAlpha(l.dark ? 70 : 34);
        painter.setPen(QPen(l.selection, row.identity == selection_.current() ? 1.2 : 0.0));
        painter.setBrush(wash);
        painter.drawRoundedRect(where.adjusted(0, 1, 0, -1), 4, 4);
    }
    const int x = where.left() + 16 + row.indent;
    const int y = where.center().y();
    painter.setPen(QPen(l.line, 1));
    if (row.depth > 0 && filter_.isEmpty()) {
        painter.drawLine(x - 5, where.top() - row_height / 2 + 4, x - 5, y);
        painter.drawLine(x - 5, y, x - 3, y);
    }
    QColor dot = row.side == Side::left ? l.left_side : row.side == Side::right ? l.right_side : l.ink;
    if (!right) {
        dot = l.received;
    }
    const bool gone = !right && row.fate == Fate::dropped;
    painter.setPen(QPen(gone ? l.soft : dot, 1.3));
    painter.setBrush(gone || !row.joint ? l.card : dot);
    painter.drawEllipse(QPointF(x, y), 3.2, 3.2);
    if (row.has_below && filter_.isEmpty()) {
        QPolygonF mark;
        const double cx = x - 10.5;
        if (row.folded) {
            mark << QPointF(cx - 2, y - 4) << QPointF(cx + 3, y) << QPointF(cx - 2, y + 4);
        } else {
            mark << QPointF(cx - 4, y - 2) << QPointF(cx + 4, y - 2) << QPointF(cx, y + 3);
        }
        painter.setPen(Qt::NoPen);
        painter.setBrush(l.soft);
        painter.drawPolygon(mark);
    }
    QFont plain = font();
    plain.setPixelSize(12);
    QFont name = plain;
    name.setStrikeOut(gone);
    if (right && (row.fate == Fate::renamed || row.fate == Fate::added)) {
        name.setWeight(QFont::DemiBold);
    }
    const int text = x + 9;
    const int number_width = right ? 58 : 4;
    int room = where.right() - number_width - text;
    const QFontMetrics metrics(name);
    QString prefix = row.prefix;
    const int bare_width = metrics.horizontalAdvance(row.bare);
    if (!prefix.isEmpty()) {
        prefix = metrics.elidedText(prefix, Qt::ElideMiddle, std::max(0, room - bare_width));
        painter.setFont(name);
        painter.setPen(l.soft);
        painter.drawText(QRect(text, where.top(), room, row_height), Qt::AlignLeft | Qt::AlignVCenter, prefix);
    }
    const int prefix_width = prefix.isEmpty() ? 0 : metrics.horizontalAdvance(prefix);
    room -= prefix_width;
    painter.setFont(name);
    painter.setPen(row.clash && right                                                ? l.stop
                   : gone || !row.joint                                              ? l.soft
                   : right && (row.fate == Fate::renamed || row.fate == Fate::added) ? l.accent
                                                                                     : l.ink);
    painter.drawText(QRect(text + prefix_width, where.top(), std::max(0, room), row_height),
                     Qt::AlignLeft | Qt::AlignVCenter, metrics.elidedText(row.bare, Qt::ElideRight, room));
    if (right) {
        painter.setFont(plain);
        painter.setPen(l.soft);
        painter.drawText(where.adjusted(0, 0, -6, 0), Qt::AlignRight | Qt::AlignVCenter,
                         row.points == 0 ? QStringLiteral("–") : grouped(row.points));
    }
}

void JointLadder::draw_lines(QPainter& painter) const {
    const Look& l = look();
    std::unordered_map<int64_t, int> place;
    for (size_t i = 0; i < right_.size(); ++i) {
        if (right_[i].identity != 0) {
            place.emplace(right_[i].identity, static_cast<int>(i));
        }
    }
    const QRect view = viewport()->rect().adjusted(0, -40, 0, 40);
    painter.setBrush(Qt::NoBrush);
    for (size_t i = 0; i < left_.size(); ++i) {
        const LadderRow& row = left_[i];
        const bool gone = row.fate == Fate::dropped;
        const auto to = place.find(gone ? row.weights_to : row.identity);
        if (to == place.end()) {
            continue;
        }
        const QPointF a(left_rect(static_cast<int>(i)).right() + 2, left_rect(static_cast<int>(i)).center().y() + 1);
        const QPointF b(right_rect(to->second).left() - 2, right_rect(to->second).center().y() + 1);
        if (std::max(a.y(), b.y()) < view.top() || std::min(a.y(), b.y()) > view.bottom()) {
            continue;
        }
        const bool chosen = selection_.holds(row.identity);
        QPen pen(chosen                      ? l.selection
                 : gone                      ? l.look
                 : row.fate == Fate::renamed ? l.accent
                                             : l.line.darker(115),
                 chosen ? 2.0 : 1.2);
        if (gone) {
            pen.setStyle(Qt::DashLine);
        }
        painter.setPen(pen);
        QPainterPath path(a);
        const double half = (b.x() - a.x()) * 0.5;
        path.cubicTo(a + QPointF(half, 0), b - QPointF(half, 0), b);
        painter.drawPath(path);
    }
}

void JointLadder::paintEvent(QPaintEvent*) {
    QPainter painter(viewport());
    painter.fillRect(viewport()->rect(), look().card);
    painter.setRenderHint(QPainter::Antialiasing);
    draw_lines(painter);
    // Only what is in sight is drawn, however many joints there are.
    const int first = std::max(0, verticalScrollBar()->value() / row_height - 1);
    const int last = first + viewport()->height() / row_height + 3;
    for (int i = first; i < std::min<int>(last, static_cast<int>(left_.size())); ++i) {
        draw_row(painter, left_[i], left_rect(i), false);
    }
    for (int i = first; i < std::min<int>(last, static_cast<int>(right_.size())); ++i) {
        draw_row(painter, right_[i], right_rect(i), true);
    }
    if (left_.empty() && right_.empty()) {
        painter.setPen(look().soft);
        painter.drawText(viewport()->rect(), Qt::AlignCenter,
                         filter_.isEmpty() ? tr("The joints of what came in, and what became of each, stand here.")
                                           : tr("No joint has “%1” in its name.").arg(filter_));
    }
}

void JointLadder::resizeEvent(QResizeEvent* event) {
    QAbstractScrollArea::resizeEvent(event);
    lay_out();
}

JointLadder::Hit JointLadder::hit(const QPoint& place) const {
    const int index = (place.y() - 4 + verticalScrollBar()->value()) / row_height;
    const bool right = place.x() >= right_start();
    const std::vector<LadderRow>& rows = right ? right_ : left_;
    if (place.y() < 4 - verticalScrollBar()->value() || index < 0 || index >= static_cast<int>(rows.size()) ||
        (!right && place.x() > left_width())) {
        return {};
    }
    const LadderRow& row = rows[index];
    const int dot = (right ? right_rect(index) : left_rect(index)).left() + 16 + row.indent;
    const bool fold = row.has_below && filter_.isEmpty() && place.x() < dot - 4 && place.x() > dot - 16;
    return {&row, right, fold};
}

void JointLadder::choose(const LadderRow& row, Qt::KeyboardModifiers modifiers, bool right) {
    if ((modifiers & Qt::ControlModifier) != 0) {
        selection_.toggle(row.identity);
        anchor_ = row.identity;
        return;
    }
    if ((modifiers & Qt::ShiftModifier) != 0 && anchor_ != 0) {
        const std::vector<LadderRow>& rows = right ? right_ : left_;
        const auto place_of = [&](int64_t identity) {
            return std::find_if(rows.begin(), rows.end(),
                                [&](const LadderRow& one) { return one.identity == identity; }) -
                   rows.begin();
        };
        const auto a = place_of(anchor_);
        const auto b = place_of(row.identity);
        if (a < static_cast<ptrdiff_t>(rows.size()) && b < static_cast<ptrdiff_t>(rows.size())) {
            std::vector<int64_t> run;
            for (auto i = std::min(a, b); i <= std::max(a, b); ++i) {
                run.push_back(rows[static_cast<size_t>(i)].identity);
            }
            selection_.choose_all(run);
            return;
        }
    }
    anchor_ = row.identity;
    selection_.choose(row.identity);
}

void JointLadder::mousePressEvent(QMouseEvent* event) {
    setFocus();
    const Hit at = hit(event->position().toPoint());
    if (at.row == nullptr) {
        if (event->button() == Qt::LeftButton && event->modifiers() == Qt::NoModifier) {
            selection_.clear();
        }
        return;
    }
    if (at.fold) {
        if (folded_.erase(at.row->identity) == 0) {
            folded_.insert(at.row->identity);
        }
        lay_out();
        return;
    }
    if (event->button() == Qt::RightButton && selection_.holds(at.row->identity)) {
        return;
    }
    choose(*at.row, event->modifiers(), at.right);
}

void JointLadder::mouseDoubleClickEvent(QMouseEvent* event) {
    const Hit at = hit(event->position().toPoint());
    if (at.row != nullptr && !at.fold) {
        selection_.choose(at.row->identity);
        edit_current();
    }
}

void JointLadder::edit_current() {
    for (size_t i = 0; i < right_.size(); ++i) {
        if (right_[i].identity == selection_.current() && right_[i].identity != 0) {
            edit(right_[i], right_rect(static_cast<int>(i)));
        }
    }
}

void JointLadder::edit(const LadderRow& row, const QRect& where) {
    edited_ = row.identity;
    const int x = where.left() + 16 + row.indent + 4;
    editor_->open({x, where.top(), std::max(90, where.right() - 58 - x), row_height}, row.prefix + row.bare);
}

void JointLadder::show_current() {
    const auto reveal = [&](const std::vector<LadderRow>& rows) {
        for (size_t i = 0; i < rows.size(); ++i) {
            if (rows[i].identity == selection_.current() && rows[i].identity != 0) {
                const int top = static_cast<int>(i) * row_height;
                QScrollBar* bar = verticalScrollBar();
                if (top < bar->value()) {
                    bar->setValue(top);
                } else if (top + row_height + 8 > bar->value() + viewport()->height()) {
                    bar->setValue(top + row_height + 8 - viewport()->height());
                }
                return true;
            }
        }
        return false;
    };
    if (!reveal(right_)) {
        reveal(left_);
    }
}

void JointLadder::keyPressEvent(QKeyEvent* event) {
    const auto step = [&](int by) {
        const std::vector<LadderRow>& rows = right_.empty() ? left_ : right_;
        if (rows.empty()) {
            return;
        }
        int at = -1;
        for (size_t i = 0; i < rows.size(); ++i) {
            at = rows[i].identity == selection_.current() ? static_cast<int>(i) : at;
        }
        const int next = std::clamp(at < 0 ? 0 : at + by, 0, static_cast<int>(rows.size()) - 1);
        choose(rows[static_cast<size_t>(next)], event->modifiers(), !right_.empty());
    };
    switch (event->key()) {
    case Qt::Key_Up:
        step(-1);
        break;
    case Qt::Key_Down:
        step(1);
        break;
    case Qt::Key_PageUp:
        step(-viewport()->height() / row_height);
        break;
    case Qt::Key_PageDown:
        step(viewport()->height() / row_height);
        break;
    case Qt::Key_Home:
        step(-static_cast<int>(right_.size() + left_.size()));
        break;
    case Qt::Key_End:
        step(static_cast<int>(right_.size() + left_.size()));
        break;
    case Qt::Key_Left:
    case Qt::Key_Right:
        if (selection_.current() != 0) {
            if (event->key() == Qt::Key_Left) {
                folded_.insert(selection_.current());
            } else {
                folded_.erase(selection_.current());
            }
            lay_out();
        }
        break;
    case Qt::Key_F2:
    case Qt::Key_Return:
    case Qt::Key_Enter:
        edit_current();
        break;
    case Qt::Key_Delete:
        Q_EMIT dropAsked();
        break;
    case Qt::Key_Escape:
        selection_.clear();
        break;
    default:
        QAbstractScrollArea::keyPressEvent(event);
    }
}

void JointLadder::contextMenuEvent(QContextMenuEvent* event) {
    if (selection_.is_empty()) {
        return;
    }
    QMenu menu(this);
    menu.addAction(tr("Rename…"), this, &JointLadder::edit_current);
    menu.addAction(selection_.identities().size() == 1 ? tr("Drop this joint")
                                                       : tr("Drop these %1 joints").arg(selection_.identities().size()),
                   this, &JointLadder::dropAsked);
    menu.exec(event->globalPos());
}

bool JointLadder::viewportEvent(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const Hit at = hit(help->pos());
        QString text;
        if (at.row != nullptr) {
            text = at.row->prefix + at.row->bare;
            if (at.right && at.row->fate == Fate::added) {
                text += tr(" · made by a step");
            } else if (!at.right && at.row->fate == Fate::dropped) {
                text += at.row->points > 0 ? tr(" · gone; the dashed line leads to who holds its %1 points now")
                                                 .arg(grouped(at.row->points))
                                           : tr(" · gone; it held nothing");
            } else if (at.right) {
                text += tr(" · holds %1 points").arg(grouped(at.row->points));
            }
            if (at.right && at.row->clash) {
                text += tr(" · another joint has this name, capitals ignored");
            }
        }
        QToolTip::showText(help->globalPos(), text, this);
        return true;
    }
    return QAbstractScrollArea::viewportEvent(event);
}

} // namespace wembrix::app
