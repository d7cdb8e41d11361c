// Which rows of the board are shown: a field to search in, states, kinds, destinations, groups.
#pragma once

#include "session/board_rows.h"

#include <QWidget>

class QComboBox;
class QLineEdit;
class QPushButton;

namespace wembrix::app {

class BoardBar : public QWidget {
    Q_OBJECT
  public:
    BoardBar(BoardModel& board, BoardRows& rows, QWidget* parent = nullptr);

  private:
    /// Offers the kinds and destinations that the board has now.
    void offer();
    void apply();

    BoardModel& board_;
    BoardRows& rows_;
    QLineEdit* text_;
    QComboBox* state_;
    QComboBox* kind_;
    QComboBox* destination_;
    QComboBox* group_;
    QPushButton* clear_;
    bool filling_ = false;
};

} // namespace wembrix::app
