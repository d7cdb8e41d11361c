// The arrival check of one cell: Prepared beside Arrived, claim by claim, and the drift over time.
#pragma once

#include "session/delivery_runner.h"
#include "stations/frame_curve.h"
#include "view/scene_view.h"

#include <QFrame>

class QLabel;
class QPushButton;
class QTableWidget;

namespace wembrix::app {

class ArrivalPanel : public QFrame {
    Q_OBJECT
  public:
    ArrivalPanel(Session& session, Camera& camera, Clock& clock, QWidget* parent = nullptr);
    void show_cell(const QString& title, const Arrival* arrival, const Destination* destination,
                   const QString& why_empty);
    SceneView& prepared_view() { return *prepared_; }
    SceneView& arrived_view() { return *arrived_; }

  private:
    void show_claims(const std::vector<Claim>& claims);
    void show_left(const Arrival& arrival);

    Session& session_;
    Clock& clock_;
    QLabel* title_;
    QLabel* footer_;
    SceneView* prepared_;
    SceneView* arrived_;
    QTableWidget* claims_;
    QPushButton* left_;
    std::vector<Claim> shown_; ///< the claims of the table
    bool opened_ = false;      ///< subjects that are the same have a row each, and not one together
    Ledger ledger_;
    FrameCurve* curve_;
};

} // namespace wembrix::app
