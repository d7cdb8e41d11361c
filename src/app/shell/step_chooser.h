// Finds a step among all kinds: grouped by what they are about, each with the sentence that says what it is for.
#pragma once

#include <QDialog>
#include <string>

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

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void show_matches(const QString& text);
    void step_through(int by);

    QLineEdit* search_;
    QTreeWidget* list_;
    QPushButton* accept_;
};

} // namespace wembrix::app
