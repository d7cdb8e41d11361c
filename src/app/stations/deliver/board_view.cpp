#include "stations/deliver/board_view.h"

#include "style/theme.h"

#include <QHeaderView>
#include <QPainter>
#include <QPalette>
#include <algorithm>

namespace wembrix::app {

QColor arrived_ground(const Theme& l) {
    const double share = l.dark ? 0.1 : 0.15; // more, and the word on it could not be read
    const auto mixed = [&](int card, int arrived) { return static_cast<int>(card + (arrived - card) * share); };
    return {mixed(l.card.red(), l.arrived.red()), mixed(l.card.green(), l.arrived.green()),
            mixed(l.card.blue(), l.arrived.blue())};
}

BoardDelegate::BoardDelegate(BoardRows& rows, QObject* parent) : QStyledItemDelegate(parent), rows_(rows) {}

void BoardDelegate::paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const Theme& l = theme();
    painter->save();
    painter->setRenderHint(QPainter::Antialiasing);
    const bool row_chosen = (option.state & QStyle::State_Selected) != 0;
    if (row_chosen) {
        QColor wash = l.selection;
        wash.setAlpha(l.dark ? 60 : 34);
        painter->fillRect(option.rect, wash);
    }
    painter->setPen(l.line);
    painter->drawLine(option.rect.bottomLeft(), option.rect.bottomRight());
    QFont font = option.font;
    font.setPixelSize(12);
    QFont bold = font;
    bold.setWeight(QFont::DemiBold);
    if (const std::optional<QString> heading = rows_.heading(index.row())) {
        painter->fillRect(option.rect.adjusted(0, 0, 0, -1), l.ground);
        painter->setFont(bold);
        painter->setPen(l.ink);
        painter->drawText(option.rect.adjusted(10, 0, -4, 0), Qt::AlignLeft | Qt::AlignVCenter,
                          (rows_.is_folded(index.row()) ? QStringLiteral("▸  ") : QStringLiteral("▾  ")) + *heading);
        painter->restore();
        return;
    }
    if (index.column() == 0) {
        const QRect text = option.rect.adjusted(10, 4, -4, -4);
        painter->setFont(bold);
        painter->setPen(l.ink);
        painter->drawText(text, Qt::AlignLeft | Qt::AlignTop,
                          painter->fontMetrics().elidedText(index.data().toString(), Qt::ElideMiddle, text.width()));
        font.setPixelSize(11);
        painter->setFont(font);
        painter->setPen(l.soft);
        painter->drawText(
            text, Qt::AlignLeft | Qt::AlignBottom,
            painter->fontMetrics().elidedText(index.data(Qt::UserRole).toString(), Qt::ElideRight, text.width()));
        painter->restore();
        return;
    }
    const BoardEntry* cell = rows_.cell(index);
    if (cell == nullptr) {
        painter->restore();
        return;
    }
    QColor ink = l.note;
    QColor ground = l.note_ground;
    if (cell->state == CellState::arrived) {
        ink = l.arrived;
        ground = arrived_ground(l);
    } else if (cell->state == CellState::stale) {
        ink = l.look;
        ground = l.look_ground;
    } else if (cell->state == CellState::held) {
        ink = l.stop;
        ground = l.stop_ground;
    }
    const QRect bar = option.rect.adjusted(6, 8, -6, -8);
    painter->setPen(row_chosen ? QPen(l.selection, 1.4) : QPen(Qt::NoPen));
    painter->setBrush(ground);
    painter->drawRoundedRect(bar, 4, 4);
    painter->setPen(ink);
    painter->setFont(bold);
    QString word = index.data().toString();
    word[0] = word[0].toUpper();
    painter->drawText(bar.adjusted(9, 0, 0, 0), Qt::AlignLeft | Qt::AlignVCenter, word);
    const int word_width = std::max(63, painter->fontMetrics().horizontalAdvance(word) + 18);
    const int number_width = cell->number.isEmpty() ? 0 : painter->fontMetrics().horizontalAdvance(cell->number) + 12;
    painter->drawText(bar.adjusted(0, 0, -9, 0), Qt::AlignRight | Qt::AlignVCenter, cell->number);
    font.setPixelSize(11);
    painter->setFont(font);
    painter->setPen(l.ink);
    const QRect detail = bar.adjusted(9 + word_width, 0, -number_width - 8, 0);
    painter->drawText(detail, Qt::AlignLeft | Qt::AlignVCenter,
                      painter->fontMetrics().elidedText(cell->detail, Qt::ElideRight, detail.width()));
    painter->restore();
}

BoardView::BoardView(BoardRows& rows, QWidget* parent) : QTableView(parent), rows_(rows) {
    setObjectName(QStringLiteral("board"));
    setAccessibleName(tr("Delivery board"));
    setModel(&rows);
    setItemDelegate(new BoardDelegate(rows, this));
    setShowGrid(false);
    QPalette quiet = palette(); // the delegate draws what is chosen
    quiet.setColor(QPalette::Highlight, Qt::transparent);
    setPalette(quiet);
    setStyleSheet(QStringLiteral("QTableView { selection-background-color: transparent; }"));
    verticalHeader()->hide();
    verticalHeader()->setDefaultSectionSize(46);
    verticalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    horizontalHeader()->setHighlightSections(false);
    horizontalHeader()->setTextElideMode(Qt::ElideRight);
    setSelectionMode(QAbstractItemView::SingleSelection);
    setSelectionBehavior(QAbstractItemView::SelectItems);
    horizontalHeader()->setMinimumSectionSize(120);
    setTabKeyNavigation(false);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    connect(&rows_, &QAbstractItemModel::modelReset, this, &BoardView::span_headings);
    const auto turn = [this](const QModelIndex& index) { rows_.fold(index.row()); };
    connect(this, &QTableView::clicked, this, turn);
}

void BoardView::span_headings() {
    if (spanned_ > 0) {
        clearSpans();
    }
    const std::vector<int> headings = rows_.headings();
    for (const int row : rows_.columnCount() > 1 ? headings : std::vector<int>()) {
        setSpan(row, 0, 1, rows_.columnCount());
    }
    spanned_ = static_cast<int>(headings.size());
}

} // namespace wembrix::app
