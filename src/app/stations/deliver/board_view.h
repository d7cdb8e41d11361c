// The board drawn: a table whose cells are bars with the state's word, its detail and its drift.
#pragma once

#include "session/board_rows.h"

#include <QStyledItemDelegate>
#include <QTableView>

namespace wembrix::app {

struct Theme;
/// What a cell that arrived stands on.
QColor arrived_ground(const Theme& theme);

class BoardDelegate : public QStyledItemDelegate {
    Q_OBJECT
  public:
    explicit BoardDelegate(BoardRows& rows, QObject* parent = nullptr);
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;

  private:
    BoardRows& rows_;
};

class BoardView : public QTableView {
    Q_OBJECT
  public:
    explicit BoardView(BoardRows& rows, QWidget* parent = nullptr);

  private:
    void span_headings();
    BoardRows& rows_;
    int spanned_ = 0; ///< rows that were headings when it was looked last
};

} // namespace wembrix::app
