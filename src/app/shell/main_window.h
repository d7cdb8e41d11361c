// The window: it holds the parts and connects them, and does nothing else.
#pragma once

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
#include "stations/deliver/deliver_station.h"
#include "stations/intake/intake_station.h"
#include "stations/joints/joints_station.h"
#include "stations/takes/takes_station.h"
#include "view/camera.h"

#include <QMainWindow>
#include <array>

class QLabel;
class QStackedWidget;

namespace wembrix::app {

class MainWindow : public QMainWindow {
    Q_OBJECT
  public:
    explicit MainWindow(QWidget* parent = nullptr);
    ~MainWindow() override;

    QString open_paths(const QStringList& paths) { return files_->open_paths(paths); }
    void choose_station(int index);
    [[nodiscard]] int station() const;
    /// Goes to what a finding is about.
    void go_to(const Finding& finding);
    /// Opens what a run that was not closed has left, as changes that are not saved.
    void recover(const Recoverable& recoverable);
    /// Offers it, if there is something to recover.
    void offer_recovery();
    void edit_destinations();
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
    JointsStation& joints() { return *joints_; }
    TakesStation& takes() { return *takes_; }
    IntakeStation& intake() { return *intake_; }
    DeliverStation& deliver() { return *deliver_; }

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
    [[nodiscard]] const Destination* destination() const;

    Document document_;
    Session session_{document_};
    Clock clock_;
    Camera camera_;
    Selection selection_;
    DeliveryRunner runner_{document_, session_};
    SourceWatch watch_{document_, session_};
    Recovery recovery_{document_};
    JobFiles* files_ = nullptr;
    Header* header_ = nullptr;
    Rail* rail_ = nullptr;
    TwinView* twin_ = nullptr;
    QStackedWidget* stations_ = nullptr;
    IntakeStation* intake_ = nullptr;
    JointsStation* joints_ = nullptr;
    TakesStation* takes_ = nullptr;
    DeliverStation* deliver_ = nullptr;
    NewsLine* news_ = nullptr;
    RouteCard* card_ = nullptr;
    QLabel* status_left_ = nullptr;
    QLabel* status_middle_ = nullptr;
    QLabel* status_right_ = nullptr;
    CardEdge* edge_ = nullptr;
    /// By station: the arrival check and the take strip begin with the width that the card would take.
    std::array<bool, 4> card_folded_ = {false, false, true, true};
};

} // namespace wembrix::app
