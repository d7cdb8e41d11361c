// The window: it holds the parts and connects them, and does nothing else.
#pragma once

#include "live/live_hub.h"
#include "session/board_model.h"
#include "session/clock.h"
#include "session/delivery_runner.h"
#include "session/document.h"
#include "session/recovery.h"
#include "session/selection.h"
#include "session/session.h"
#include "session/source_watch.h"
#include "shell/card_edge.h"
#include "shell/header.h"
#include "shell/job_files.h"
#include "shell/news_line.h"
#include "shell/rail.h"
#include "shell/route_card.h"
#include "stations/station.h"
#include "view/camera.h"

#include <QMainWindow>
#include <cassert>
#include <string_view>
#include <vector>

class QLabel;
class QStackedWidget;

namespace wembrix::app {

class MainWindow : public QMainWindow {
    Q_OBJECT
  public:
    /// `stations` outlives the window.
    explicit MainWindow(const std::vector<StationKind>& stations = station_kinds(), QWidget* parent = nullptr);
    ~MainWindow() override;

    QString open_paths(const QStringList& paths) { return files_->open_paths(paths); }
    void choose_station(int index); ///< by its place in the list
    void choose_station(std::string_view id);
    [[nodiscard]] int station() const;
    /// Goes to what a finding is about.
    void go_to(const Finding& finding);
    /// Opens what a run that was not closed has left, as changes that are not saved.
    void recover(const Recoverable& recoverable);
    /// Offers it, if there is something to recover.
    void offer_recovery();
    void edit_destinations();
    /// How the files of a destination would be called, of what is prepared now; or what is wrong with them.
    [[nodiscard]] std::function<QStringList(const Destination&)> names_of_files() const;
    void save_picture();
    void fold_card();
    /// Opens the guide at the page of the station.
    void show_guide();

    Document& document() { return document_; }
    Session& session() { return session_; }
    Clock& clock() { return clock_; }
    Camera& camera() { return camera_; }
    DeliveryRunner& runner() { return runner_; }
    Selection& selection() { return selection_; }
    SourceWatch& watch() { return watch_; }
    Recovery& recovery() { return recovery_; }
    JobFiles& files() { return *files_; }
    Header& header() { return *header_; }
    RouteCard& card() { return *card_; }
    TwinView& twin() { return *twin_; }
    BoardModel& board() { return board_; }
    LiveHub& live() { return live_; }
    /// The one whose terms the window speaks in; null while the job has none.
    [[nodiscard]] const Destination* destination() const;
    [[nodiscard]] const std::vector<StationPage*>& pages() const { return pages_; }
    /// The one page of that class.
    template <typename Page> Page& page() {
        Page* found = nullptr;
        for (StationPage* one : pages_) {
            found = found == nullptr ? qobject_cast<Page*>(one) : found;
        }
        assert(found != nullptr);
        return *found;
    }

  protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void closeEvent(QCloseEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void connect_parts();
    QWidget* make_status();
    void refresh();
    void show_status(const SessionState& state);
    void show_state();
    void show_what_waits();

    Document document_;
    Session session_{document_};
    Clock clock_;
    Camera camera_;
    Selection selection_;
    DeliveryRunner runner_{document_, session_};
    SourceWatch watch_{document_, session_};
    BoardModel board_{document_, session_, runner_};
    LiveHub live_{document_, session_, clock_, runner_};
    Recovery recovery_{document_};
    JobFiles* files_ = nullptr;
    Header* header_ = nullptr;
    Rail* rail_ = nullptr;
    TwinView* twin_ = nullptr;
    QStackedWidget* stations_ = nullptr;
    std::vector<StationPage*> pages_; ///< as they stand on the rail
    NewsLine* news_ = nullptr;
    RouteCard* card_ = nullptr;
    QLabel* status_left_ = nullptr;
    QLabel* status_middle_ = nullptr;
    QLabel* status_right_ = nullptr;
    CardEdge* edge_ = nullptr;
    std::vector<char> card_folded_; ///< by station
};

} // namespace wembrix::app
