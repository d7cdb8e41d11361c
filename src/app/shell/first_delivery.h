// A first delivery on the demo job, in five short steps that point at the window's own controls.
#pragma once

#include <QWidget>

class QLabel;
class QPushButton;
class QTimer;

namespace wembrix::app {

class MainWindow;

/// A line of the window that says what to do next, and sees by itself when it is done. What is left is gone on with the
/// next time it is asked for.
class FirstDelivery : public QWidget {
    Q_OBJECT
  public:
    /// The one of the window: made when it is asked for the first time, at the step where it was left.
    static FirstDelivery& of(MainWindow& window);

    [[nodiscard]] int step() const { return step_; } ///< from 0; 5 when all is done
    /// The control that is pointed at; null where there is none.
    [[nodiscard]] QWidget* target() const;

  private:
    explicit FirstDelivery(MainWindow& window);
    void go_to(int step);
    void leave();
    void look(); ///< whether the step is done, and where its control is now

    MainWindow& window_;
    int step_ = 0;
    QLabel* title_;
    QLabel* words_;
    QPushButton* do_;
    QPushButton* skip_;
    QWidget* outline_;
    QTimer* looks_;
};

} // namespace wembrix::app
