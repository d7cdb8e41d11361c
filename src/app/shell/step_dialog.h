// Edits the parameters of one step.
#pragma once

#include "core/steps/step.h"

#include <QDialog>
#include <functional>
#include <vector>

class QLabel;

namespace wembrix::app {

class StepDialog : public QDialog {
    Q_OBJECT
  public:
    /// `try_out` says what the step would do now, or why it cannot; it is asked on every change.
    StepDialog(const Step& step, std::function<QString(const Step&, bool& fits)> try_out, QWidget* parent = nullptr);
    [[nodiscard]] const Step& step() const { return step_; }

  private:
    void changed();

    Step step_;
    std::function<QString(const Step&, bool& fits)> try_out_;
    std::vector<std::function<QString(nlohmann::json&)>> readers_;
    QLabel* outcome_;
    QPushButton* accept_;
};

} // namespace wembrix::app
