// The window: it holds the parts and connects them, and does nothing else.
#pragma once

#include "session/clock.h"
#include "session/delivery_runner.h"
#include "session/document.h"
#include "session/recovery.h"
#include "session/selection.h"
#include "session/session.h"
#include "session/source_watch.h"
#include "shell/rail.h"
#include "shell/route_card.h"
#include "stations/deliver/deliver_station.h"
#include "stations/intake/intake_station.h"
#include "stations/joints/joints_station.h"
#include "stations/takes/takes_station.h"
#include "view/camera.h"

#include <QMainWindow>

class QComboBox;
class QLabel;
class QMenu;
class QPushButton;
class QStackedWidget;

namespace wembrix::app {

class MainWindow : public QMainWindow {
    Q_OBJECT
  public:
    explicit MainWindow(QWidget* parent = nullptr);
    ~MainWindow() override;

    /// Opens a job, or starts one with the given files. Says what went wrong in a message, or nothing.
    QString open_paths(const QStringList& paths);
    void choose_station(int index);
    [[nodiscard]] int station() const;
    /// Goes to what a finding is about.
    void go_to(const Finding& finding);
    /// Opens what a run that was not closed has left, as changes that are not saved.
    void recover(const Recoverable& recoverable);
    /// Offers it, if there is something to recover.
    void offer_recovery();

    Document& document() { return document_; }
    Session& session() { return session_; }
    Clock& clock() { return clock_; }
    Camera& camera() { return camera_; }
    DeliveryRunner& runner() { return runner_; }
    Selection& selection() { return selection_; }
    SourceWatch& watch() { return watch_; }
    Recovery& recovery() { return recovery_; }
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
    void make_menus();
    QWidget* make_header();
    QWidget* make_status();
    QAction* add_action(QMenu* menu, const QString& text, const QKeySequence& keys, const std::function<void()>& run);
    void refresh();
    void begin_new_job();
    bool save();
    bool save_as();
    bool may_lose_changes();
    void ask_for_job();
    void ask_for_files();
    void open_demo();
    void show_shortcuts();
    void show_guide(const QString& page);
    void show_news();
    void edit_destinations();
    void save_picture();
    void fill_recent(QMenu* menu);
    void show_state();
    QWidget* make_news();
    void report(const QString& problem);
    [[nodiscard]] const Destination* destination() const;

    Document document_;
    Session session_{document_};
    Clock clock_;
    Camera camera_;
    Selection selection_;
    DeliveryRunner runner_{document_, session_};
    SourceWatch watch_{document_, session_};
    Recovery recovery_{document_};
    Rail* rail_ = nullptr;
    RailButton* intake_button_ = nullptr;
    RailButton* joints_button_ = nullptr;
    RailButton* takes_button_ = nullptr;
    RailButton* deliver_button_ = nullptr;
    TwinView* twin_ = nullptr;
    QStackedWidget* stations_ = nullptr;
    IntakeStation* intake_ = nullptr;
    JointsStation* joints_ = nullptr;
    TakesStation* takes_ = nullptr;
    DeliverStation* deliver_ = nullptr;
    QWidget* news_ = nullptr;
    QLabel* news_text_ = nullptr;
    RouteCard* card_ = nullptr;
    QLabel* job_name_ = nullptr;
    QLabel* job_file_ = nullptr;
    QComboBox* destinations_ = nullptr;
    QPushButton* go_ = nullptr;
    QLabel* status_left_ = nullptr;
    QLabel* status_middle_ = nullptr;
    QLabel* status_right_ = nullptr;
    bool card_folded_ = false;
    bool is_new_ = false; ///< files were dropped; their first steps follow when they are read
};

} // namespace wembrix::app
