// Deliver: the board, the progress, and the arrival check of the chosen cell.
#pragma once

#include "session/delivery_runner.h"
#include "stations/deliver/arrival_panel.h"
#include "stations/deliver/board_bar.h"
#include "stations/deliver/board_view.h"
#include "stations/station.h"
#include "view/playback_bar.h"

#include <QUrl>
#include <QWidget>
#include <functional>

class QLabel;
class QProgressBar;
class QPushButton;

namespace wembrix::app {

class LiveWindow;

class DeliverStation : public StationPage {
    Q_OBJECT
  public:
    DeliverStation(const StationContext& context, QWidget* parent = nullptr);
    [[nodiscard]] StationNote waits(const SessionState& state) const override;
    void take_view(TwinView& twin) override;
    BoardView& board_view() { return *view_; }
    BoardRows& board_rows() { return *rows_; }
    /// What opens a page, in the place of the desktop.
    void set_opener(std::function<void(const QUrl&)> opener) { opener_ = std::move(opener); }
    ArrivalPanel& panel() { return *panel_; }
    PlaybackBar& playback() { return *playback_; }

    /// Puts a picture of a person's own in the place of the chosen deliverable's thumbnail; an empty path: the drawn
    /// one again.
    void set_own_picture(const QString& file);

  private:
    void refresh();
    void show_chosen();
    void keep_choice();
    void ask_about_row(const QPoint& at); ///< the menu of a cell
    void open_package();
    void open_live();
    void show_answer();                                          ///< of a listener, for the chosen cell
    void open(const QUrl& url);                                  ///< a page, with what opens such here
    void open_report();                                          ///< of the chosen cell's destination
    [[nodiscard]] const Destination* chosen_destination() const; ///< null where no cell is chosen
    void play_chosen(); ///< the clip of the chosen cell, while the board is in sight

    Document& document_;
    Session& session_;
    DeliveryRunner& runner_;
    BoardModel* model_;
    BoardRows* rows_;
    BoardBar* bar_;
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
    QPushButton* report_;
    QPushButton* package_;
    QPushButton* live_button_;
    LiveHub& live_;
    LiveWindow* live_window_ = nullptr;
    QPushButton* stop_;
    CellKey chosen_;
    std::function<void(const QUrl&)> opener_;
    bool follows_ = false; ///< the twin view's choice of what is shown
};

} // namespace wembrix::app
