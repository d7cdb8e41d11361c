// The facts of the chosen joint, and what dropping the chosen ones would move.
#pragma once

#include "session/selection.h"
#include "session/session.h"

#include <QFrame>
#include <QThreadPool>
#include <atomic>

class QLabel;
class QPushButton;

namespace wembrix::app {

class JointFacts : public QFrame {
    Q_OBJECT
  public:
    JointFacts(Session& session, Selection& selection, QWidget* parent = nullptr);
    ~JointFacts() override;
    [[nodiscard]] QString text() const;
    [[nodiscard]] QString drop_text() const;
    [[nodiscard]] QLabel& facts() { return *facts_; }

  Q_SIGNALS:
    void dropAsked();

  private:
    void refresh();
    void preview_drop();
    void show_sides(const SessionState& state);

    Session& session_;
    Selection& selection_;
    QLabel* title_;
    QLabel* words_;
    QLabel* facts_;
    QLabel* drop_words_;
    QPushButton* drop_;
    QThreadPool worker_;
    std::atomic<uint64_t> run_ = 0;
};

} // namespace wembrix::app
