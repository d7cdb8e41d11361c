// Edits the parameters of one step.
#pragma once

#include "core/steps/step.h"

#include <QDialog>
#include <QThreadPool>
#include <atomic>
#include <functional>
#include <memory>
#include <vector>

class QLabel;
class QPlainTextEdit;

namespace wembrix::app {

class StepDialog : public QDialog {
    Q_OBJECT
  public:
    /// `before` is the scene that the step would work on; what it would do there is tried out in the background on
    /// every change. Null: nothing is tried.
    StepDialog(const Step& step, std::shared_ptr<const Scene> before, QWidget* parent = nullptr);
    ~StepDialog() override;
    [[nodiscard]] const Step& step() const { return step_; }

  private:
    QWidget* make_field(const StepField& field, const nlohmann::json& starting);
    QWidget* make_lines(const StepField& field, const QString& now);
    QWidget* with_choice(const StepField& field, QPlainTextEdit* lines);
    void changed();
    void say(const QString& outcome, bool fits);

    Step step_;
    std::shared_ptr<const Scene> before_;
    QThreadPool worker_;
    std::atomic<uint64_t> run_ = 0;
    std::vector<std::function<QString(nlohmann::json&)>> readers_;
    QLabel* outcome_;
    QPushButton* accept_;
};

} // namespace wembrix::app
