// The top line of the window: which job, for which destination, and the one thing to do next.
#pragma once

#include "session/document.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QPushButton;

namespace wembrix::app {

class Header : public QWidget {
    Q_OBJECT
  public:
    explicit Header(QWidget* parent = nullptr);

    /// The job's name, its file and whether that holds all changes; the destinations to choose from.
    void show_job(const Document& document);
    /// How many deliverables are not up to date; `ready` when delivering can begin.
    void show_due(int due, bool ready, bool delivering);
    /// Index of the destination that the panes speak for, or -1.
    [[nodiscard]] int destination() const;
    [[nodiscard]] QPushButton& go() { return *go_; }

  Q_SIGNALS:
    void destinationChanged();

  private:
    QLabel* job_name_;
    QLabel* job_file_;
    QComboBox* destinations_;
    QPushButton* go_;
};

} // namespace wembrix::app
