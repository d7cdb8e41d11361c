// What stands above the take strip: which take, what is drawn, when feet stand, what is still, and the cuts.
#pragma once

#include <QWidget>

class QComboBox;
class QDoubleSpinBox;
class QLabel;
class QPushButton;
class QToolButton;

namespace wembrix::app {

/// Only the tools: what they do is the station's.
class StripTools : public QWidget {
    Q_OBJECT
  public:
    explicit StripTools(QWidget* parent = nullptr);

    QComboBox* takes;
    QToolButton* bring;
    QLabel* about; ///< length and rate of the take
    QComboBox* curves;
    QDoubleSpinBox* still_below;
    QDoubleSpinBox* shortest;
    QDoubleSpinBox* feet_height;
    QDoubleSpinBox* feet_speed;
    QPushButton* feet_chosen;
    QPushButton* feet_found;
    QLabel* offered;
    QPushButton* cut_all;
    QPushButton* cut_named;
    QPushButton* cut_here;

  Q_SIGNALS:
    void filesAsked();
    void folderAsked();

  private:
    QWidget* make_feet_menu(QToolButton* button);
};

} // namespace wembrix::app
