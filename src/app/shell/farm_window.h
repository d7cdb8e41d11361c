// How far a run on a farm is, from its folder alone: on whatever machine it was begun, and whoever looks.
#pragma once

#include "core/farm/farm.h"

#include <QDialog>
#include <QThreadPool>
#include <QTimer>
#include <optional>

class QComboBox;
class QLabel;
class QLineEdit;
class QProgressBar;
class QPushButton;
class QTableWidget;

namespace wembrix::app {

class FarmWindow : public QDialog {
    Q_OBJECT
  public:
    explicit FarmWindow(QWidget* parent = nullptr);
    ~FarmWindow() override;

    void watch(const QString& folder);

  private:
    void look(); ///< in the background, and again after a while
    void show_run();
    void show_text_of_chosen(); ///< what the chosen item complained of

    QLineEdit* folder_;
    QLabel* state_;
    QProgressBar* progress_;
    QComboBox* filter_;
    QTableWidget* items_;
    QLabel* said_;
    QTimer timer_;
    QThreadPool worker_;
    std::optional<Farm> farm_;
    FarmStatus status_;
    int chosen_ = -1; ///< item
};

} // namespace wembrix::app
