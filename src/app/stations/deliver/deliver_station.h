// Deliver: the board, the progress, and the arrival check of the chosen cell.
#pragma once

#include "session/delivery_runner.h"
#include "stations/deliver/arrival_panel.h"
#include "stations/deliver/board_view.h"
#include "stations/station.h"
#include "view/playback_bar.h"

#include <QWidget>

class QLabel;
class QProgressBar;
class QPushButton;

namespace wembrix::app {

class DeliverStation : public StationPage {
    Q_OBJECT
  public:
    DeliverStation(const StationContext& context, QWidget* parent = nullptr);
    [[nodiscard]] StationNote waits(const SessionState& state) const override;
    void take_view(TwinView& twin) override;
    BoardView& board_view() { return *view_; }
    ArrivalPanel& panel() { return *panel_; }
    PlaybackBar& playback() { return *playback_; }

  private:
    void refresh();
    void show_chosen();
    void keep_choice();
    void play_chosen(); ///< the clip of the chosen cell, while the board is in sight

    Document& document_;
    Session& session_;
    DeliveryRunner& runner_;
    BoardModel* model_;
    BoardView* view_;
    QWidget* empty_;
    ArrivalPanel* panel_;
    PlaybackBar* playback_;
    QLabel* where_;
    QLabel* progress_text_;
    QLabel* doing_;
    QProgressBar* progress_;
    QPushButton* one_;
    QPushButton* all_;
    QPushButton* stop_;
    CellKey chosen_;
    bool follows_ = false; ///< the twin view's choice of what is shown
};

} // namespace wembrix::app
