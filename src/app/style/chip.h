// A word on a coloured ground: grades and states, never colour alone.
#pragma once

#include <QLabel>

namespace wembrix::app {

class Chip : public QLabel {
    Q_OBJECT
  public:
    explicit Chip(QWidget* parent = nullptr);
    void show_word(const QString& word, const QColor& ink, const QColor& ground);
};

} // namespace wembrix::app
