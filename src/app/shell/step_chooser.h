// Finds a step among all kinds: grouped by what they are about, each with the sentence that says what it is for.
#pragma once

#include "session/step_presets.h"

#include <QDialog>
#include <optional>
#include <string>
#include <vector>

class QLineEdit;
class QPushButton;
class QTreeWidget;
class QTreeWidgetItem;

namespace wembrix::app {

class StepChooser : public QDialog {
    Q_OBJECT
  public:
    explicit StepChooser(QWidget* parent = nullptr);
    /// The id of the step that was chosen.
    [[nodiscard]] std::string chosen() const;
    /// The preset, where that was chosen instead.
    [[nodiscard]] std::optional<StepPreset> chosen_preset() const;

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void show_matches(const QString& text);
    void step_through(int by);

    std::vector<StepPreset> presets_;
    QLineEdit* search_;
    QTreeWidget* list_;
    QPushButton* accept_;
};

} // namespace wembrix::app
