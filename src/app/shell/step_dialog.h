// Edits the parameters of one step.
#pragma once

#include "core/parameters/parameter.h"
#include "core/scene/named_scene.h"
#include "core/steps/step.h"

#include <QDialog>
#include <functional>
#include <memory>
#include <vector>

class QLabel;
class QPlainTextEdit;

namespace wembrix::app {

class StepDialog : public QDialog {
    Q_OBJECT
  public:
    /// What the step would work on; without a scene nothing is tried out.
    struct Before {
        std::shared_ptr<const Scene> scene;
        std::shared_ptr<const std::vector<NamedScene>> sources; ///< null where none are known
    };
    /// What the step would do is tried out in the background on every change.
    /// `adding`: the step is new, and the button says so.
    StepDialog(const Step& step, Before before, QWidget* parent = nullptr, bool adding = true);
    ~StepDialog() override;
    [[nodiscard]] const Step& step() const { return step_; }
    /// Takes a file as the image of that parameter, as its button does once one is chosen.
    void take_image(const std::string& key, const QString& file);

  private:
    struct Trial; ///< outlives the dialog while a step is still being tried out
    QWidget* make_field(const Parameter& field, const nlohmann::json& starting);
    QWidget* make_image(const Parameter& field);
    QWidget* make_lines(const Parameter& field, const QString& now);
    QWidget* with_choice(const Parameter& field, QPlainTextEdit* lines, const QStringList& names, const QString& hint);
    static void try_out(const std::shared_ptr<Trial>& trial, const Before& before);
    void changed();
    void show_outcome(const QString& outcome, bool fits);

    bool adding_;
    Step step_;
    Before before_;
    std::shared_ptr<Trial> trial_;
    std::vector<std::function<QString(nlohmann::json&)>> readers_;
    QLabel* outcome_;
    QPushButton* accept_;
};

} // namespace wembrix::app
