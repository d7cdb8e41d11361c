// A step on the route card: what it is, what it did and its drift.
#pragma once

#include "core/steps/step.h"

#include <QFrame>

class QCheckBox;
class QLabel;

namespace wembrix {
struct StepOutcome;
}

namespace wembrix::app {

/// The name of a kind of step; its id, where there is no such kind.
QString label_of(const std::string& id);

class StepCard : public QFrame {
    Q_OBJECT
  public:
    explicit StepCard(int number, QWidget* parent = nullptr);
    /// `outcome` is null while the step waits.
    void show_step(const Step& step, const StepOutcome* outcome);

  Q_SIGNALS:
    void switched(bool on);
    void editAsked();
    void removeAsked();
    void moveAsked(int by);
    void keepAsked(); ///< as a preset
    void dropped(const QPoint& global);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

  private:
    int number_;
    QLabel* title_;
    QCheckBox* tick_;
    QLabel* account_;
    QLabel* drift_;
    bool on_ = true;
    bool broken_ = false;
    bool dragging_ = false;
    QPoint pressed_;
};

} // namespace wembrix::app
