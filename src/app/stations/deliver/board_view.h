// The board drawn: a table whose cells are bars with the state's word, its detail and its drift.
#pragma once

#include "session/board_model.h"

#include <QStyledItemDelegate>
#include <QTableView>

namespace wembrix::app {

class BoardDelegate : public QStyledItemDelegate {
    Q_OBJECT
  public:
    explicit BoardDelegate(BoardModel& model, QObject* parent = nullptr);
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;

  private:
    BoardModel& model_;
};

class BoardView : public QTableView {
    Q_OBJECT
  public:
    explicit BoardView(BoardModel& model, QWidget* parent = nullptr);
};

} // namespace wembrix::app
