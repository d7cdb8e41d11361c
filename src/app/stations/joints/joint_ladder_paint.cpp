// How the ladder looks: rows, the lines between them, and what is being dragged.
#include "stations/joints/joint_ladder.h"
#include "style/numbers.h"
#include "style/theme.h"

#include <QPainter>
#include <QPainterPath>
#include <QScrollBar>
#include <algorithm>
#include <unordered_map>

namespace wembrix::app {

void JointLadder::draw_row(QPainter& painter, const LadderRow& row, const QRect& where, bool right) const {
    const Theme& l = theme();
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
        painter.drawLine(x - 5, where.top() - ladder_row_height / 2 + 4, x - 5, y);
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
    const int number_width = right ? 58 + contract_width() : 4;
    int room = where.right() - number_width - text;
    const QFontMetrics metrics(name);
    QString prefix = row.prefix;
    const int bare_width = metrics.horizontalAdvance(row.bare);
    if (!prefix.isEmpty()) {
        prefix = metrics.elidedText(prefix, Qt::ElideMiddle, std::max(0, room - bare_width));
        painter.setFont(name);
        painter.setPen(l.soft);
        painter.drawText(QRect(text, where.top(), room, ladder_row_height), Qt::AlignLeft | Qt::AlignVCenter, prefix);
    }
    const int prefix_width = prefix.isEmpty() ? 0 : metrics.horizontalAdvance(prefix);
    room -= prefix_width;
    painter.setFont(name);
    painter.setPen(row.clash && right                                                ? l.stop
                   : gone || !row.joint                                              ? l.soft
                   : right && (row.fate == Fate::renamed || row.fate == Fate::added) ? l.accent
                                                                                     : l.ink);
    painter.drawText(QRect(text + prefix_width, where.top(), std::max(0, room), ladder_row_height),
                     Qt::AlignLeft | Qt::AlignVCenter, metrics.elidedText(row.bare, Qt::ElideRight, room));
    if (right) {
        painter.setFont(plain);
        painter.setPen(l.soft);
        painter.drawText(where.adjusted(0, 0, -6 - contract_width(), 0), Qt::AlignRight | Qt::AlignVCenter,
                         row.points == 0 ? QStringLiteral("–") : grouped(row.points));
        if (contract_width() > 0 && row.joint) {
            const bool same = row.as_contract;
            const bool offered = !row.proposal.isEmpty();
            painter.setPen(same ? l.well : offered ? l.accent : l.stop);
            const QRect cell(where.right() - contract_width() + 6, where.top(), contract_width() - 10, where.height());
            const QString words = offered ? tr("%1?").arg(row.proposal) : row.contract;
            painter.drawText(
                cell, Qt::AlignLeft | Qt::AlignVCenter,
                QFontMetrics(plain).elidedText(words, offered ? Qt::ElideMiddle : Qt::ElideRight, cell.width()));
        }
    }
}

void JointLadder::draw_lines(QPainter& painter) const {
    const Theme& l = theme();
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

void JointLadder::draw_drag(QPainter& painter) const {
    if (!dragging_) {
        return;
    }
    const Theme& l = theme();
    painter.setBrush(Qt::NoBrush);
    QPointF to = pointer_;
    QString words = tr("onto a joint that is not below it");
    for (size_t i = 0; i < right_.size(); ++i) {
        if (onto_ != 0 && right_[i].identity == onto_) {
            const QRect where = right_rect(static_cast<int>(i));
            painter.setPen(QPen(l.accent, 1.6));
            painter.drawRoundedRect(where.adjusted(0, 1, 0, -1), 4, 4);
            to = QPointF(where.left() + 16 + right_[i].indent, where.center().y());
            words = tr("under %1").arg(right_[i].bare);
        }
    }
    painter.setPen(QPen(onto_ != 0 ? l.accent : l.soft, 1.6, Qt::DashLine));
    for (size_t i = 0; i < right_.size(); ++i) {
        if (right_[i].identity != 0 && selection_.holds(right_[i].identity)) {
            const QRect where = right_rect(static_cast<int>(i));
            const QPointF from(where.left() + 16 + right_[i].indent, where.center().y());
            QPainterPath path(from);
            path.cubicTo(from - QPointF(46, 0), to - QPointF(46, 0), to);
            painter.drawPath(path);
        }
    }
    const int wide = painter.fontMetrics().horizontalAdvance(words) + 14;
    const QRect label(std::min(pointer_.x() + 14, viewport()->width() - wide - 4), pointer_.y() + 10, wide, 20);
    painter.setPen(QPen(onto_ != 0 ? l.accent : l.line, 1));
    painter.setBrush(l.card);
    painter.drawRoundedRect(label, 4, 4);
    painter.setPen(onto_ != 0 ? l.accent : l.soft);
    painter.drawText(label, Qt::AlignCenter, words);
}

void JointLadder::paintEvent(QPaintEvent*) {
    QPainter painter(viewport());
    painter.fillRect(viewport()->rect(), theme().card);
    painter.setRenderHint(QPainter::Antialiasing);
    draw_lines(painter);
    // Only what is in sight is drawn, however many joints there are.
    const int first = std::max(0, verticalScrollBar()->value() / ladder_row_height - 1);
    const int last = first + viewport()->height() / ladder_row_height + 3;
    for (int i = first; i < std::min<int>(last, static_cast<int>(left_.size())); ++i) {
        draw_row(painter, left_[i], left_rect(i), false);
    }
    for (int i = first; i < std::min<int>(last, static_cast<int>(right_.size())); ++i) {
        draw_row(painter, right_[i], right_rect(i), true);
    }
    draw_drag(painter);
    if (left_.empty() && right_.empty()) {
        painter.setPen(theme().soft);
        painter.drawText(viewport()->rect(), Qt::AlignCenter,
                         filter_.isEmpty() ? tr("The joints of what came in, and what became of each, stand here.")
                                           : tr("No joint has “%1” in its name.").arg(filter_));
    }
}

} // namespace wembrix::app
