#include "shell/main_window.h"

#include "core/formats/format.h"
#include "session/library.h"
#include "shell/destinations_dialog.h"
#include "shell/guide_window.h"
#include "shell/shortcuts.h"
#include "style/look.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QApplication>
#include <QCloseEvent>
#include <QComboBox>
#include <QDialog>
#include <QDir>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QPlainTextEdit>
#include <QProcess>
#include <QPushButton>
#include <QSignalBlocker>
#include <QStackedWidget>
#include <QStandardPaths>
#include <QUndoStack>
#include <QVBoxLayout>

namespace wembrix::app {

MainWindow::MainWindow(QWidget* parent) : QMainWindow(parent) {
    setAcceptDrops(true);
    resize(1280, 800);
    auto* bench = new QWidget(this);
    bench->setObjectName(QStringLiteral("bench"));
    auto* column = new QVBoxLayout(bench);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(make_header());
    column->addWidget(make_news());
    auto* row = new QHBoxLayout;
    row->setSpacing(0);
    rail_ = new Rail(bench);
    row->addWidget(rail_);
    stations_ = new QStackedWidget(bench);
    const auto arrived = [this](const QString& clip) -> std::shared_ptr<const Scene> {
        const Destination* to = destination();
        const std::string id = clip.isEmpty() ? "model" : "clip:" + clip.toStdString();
        const Arrival* one = to == nullptr ? nullptr : runner_.last_arrival({to->name, id});
        return one == nullptr ? nullptr : one->scene;
    };
    twin_ = new TwinView(camera_, clock_, selection_, arrived, bench);
    intake_ = new IntakeStation(document_, session_, stations_);
    joints_ = new JointsStation(document_, session_, selection_, stations_);
    takes_ = new TakesStation(document_, session_, clock_, stations_);
    deliver_ = new DeliverStation(document_, session_, runner_, camera_, clock_, stations_);
    for (StationPage* page : std::initializer_list<StationPage*>{intake_, joints_, takes_, deliver_}) {
        stations_->addWidget(page);
    }
    row->addWidget(stations_, 1);
    card_ = new RouteCard(document_, session_, bench);
    row->addWidget(card_);
    column->addLayout(row, 1);
    column->addWidget(make_status());
    setCentralWidget(bench);
    intake_button_ = rail_->add(1, tr("Intake"), with_shortcut(tr("What came in, what goes out"), Shortcut::intake));
    joints_button_ = rail_->add(
        2, tr("Joints"), with_shortcut(tr("What became of each joint; names and who stays"), Shortcut::joints_station));
    takes_button_ =
        rail_->add(4, tr("Takes"), with_shortcut(tr("Cut takes into clips, see what closes"), Shortcut::takes_station));
    deliver_button_ = rail_->add(
        6, tr("Deliver"), with_shortcut(tr("Write the files and see how they arrived"), Shortcut::deliver_station));
    make_menus();
    connect(rail_, &Rail::chosen, this, &MainWindow::choose_station);
    connect(intake_, &IntakeStation::filesAsked, this, &MainWindow::ask_for_files);
    connect(intake_, &IntakeStation::demoAsked, this, &MainWindow::open_demo);
    connect(intake_, &IntakeStation::placeAsked, this, &MainWindow::go_to);
    connect(&watch_, &SourceWatch::changed, this, &MainWindow::show_news);
    connect(&runner_, &DeliveryRunner::finished, &recovery_, &Recovery::keep);
    connect(&session_, &Session::changed, this, &MainWindow::show_state);
    connect(&session_, &Session::busyChanged, this, [this] {
        if (!session_.state()) {
            show_state();
        }
    });
    connect(&runner_, &DeliveryRunner::arrivalChanged, this, &MainWindow::show_state);
    connect(&document_, &Document::jobChanged, this, &MainWindow::refresh);
    connect(&document_, &Document::pathChanged, this, &MainWindow::refresh);
    connect(&session_, &Session::changed, this, &MainWindow::begin_new_job);
    connect(&session_, &Session::changed, this, &MainWindow::refresh);
    connect(&session_, &Session::busyChanged, this, &MainWindow::refresh);
    connect(&runner_, &DeliveryRunner::progressed, this, &MainWindow::refresh);
    connect(&runner_, &DeliveryRunner::finished, this, &MainWindow::refresh);
    connect(&deliver_->board(), &QAbstractItemModel::modelReset, this, &MainWindow::refresh);
    connect(&clock_, &Clock::moved, this, [this] {
        status_right_->setText(clock_.clip().isEmpty()
                                   ? tr("rest pose")
                                   : tr("%1 %2 / %3").arg(clock_.clip()).arg(clock_.frame()).arg(clock_.frames() - 1) +
                                         (clock_.is_playing() ? tr(" · playing") : QString()));
    });
    qApp->installEventFilter(this);
    choose_station(0);
    refresh();
    show_state();
}

MainWindow::~MainWindow() {
    // The parts below are members, the widgets that listen to them are children: nothing may be said while both go.
    qApp->removeEventFilter(this);
    document_.blockSignals(true);
    document_.undo().blockSignals(true);
    session_.blockSignals(true);
    watch_.blockSignals(true);
    selection_.blockSignals(true);
    runner_.blockSignals(true);
    clock_.blockSignals(true);
    delete takeCentralWidget();
}

QWidget* MainWindow::make_header() {
    auto* header = new QWidget(this);
    header->setObjectName(QStringLiteral("header"));
    header->setAttribute(Qt::WA_StyledBackground);
    header->setFixedHeight(44);
    auto* row = new QHBoxLayout(header);
    row->setContentsMargins(14, 4, 12, 5);
    row->setSpacing(10);
    job_name_ = new QLabel(header);
    job_name_->setObjectName(QStringLiteral("jobName"));
    row->addWidget(job_name_);
    job_file_ = new QLabel(header);
    job_file_->setObjectName(QStringLiteral("soft"));
    row->addWidget(job_file_, 1);
    auto* label = new QLabel(tr("Destination"), header);
    row->addWidget(label);
    destinations_ = new QComboBox(header);
    destinations_->setObjectName(QStringLiteral("destination"));
    destinations_->setMinimumWidth(330);
    destinations_->setToolTip(tr("Whose units and axes the panes speak in; the board shows all destinations"));
    row->addWidget(destinations_);
    connect(destinations_, &QComboBox::currentIndexChanged, this, [this] { show_state(); });
    go_ = new QPushButton(header);
    go_->setObjectName(QStringLiteral("go"));
    go_->setToolTip(with_shortcut(tr("Writes every file that is not up to date, reads each back and checks it"),
                                  Shortcut::deliver_stale));
    row->addWidget(go_);
    connect(go_, &QPushButton::clicked, this, [this] {
        choose_station(3);
        runner_.deliver_cells(deliver_->board().due());
    });
    return header;
}

QWidget* MainWindow::make_status() {
    auto* status = new QWidget(this);
    status->setObjectName(QStringLiteral("status"));
    status->setAttribute(Qt::WA_StyledBackground);
    status->setFixedHeight(26);
    auto* row = new QHBoxLayout(status);
    row->setContentsMargins(14, 0, 14, 0);
    row->setSpacing(22);
    status_left_ = new QLabel(status);
    status_left_->setObjectName(QStringLiteral("statusLeft"));
    status_middle_ = new QLabel(status);
    status_right_ = new QLabel(tr("rest pose"), status);
    row->addWidget(status_left_);
    row->addWidget(status_middle_);
    row->addStretch(1);
    row->addWidget(status_right_);
    return status;
}

QAction* MainWindow::add_action(QMenu* menu, const QString& text, const QKeySequence& keys,
                                const std::function<void()>& run) {
    QAction* action = menu->addAction(text);
    action->setShortcut(keys);
    connect(action, &QAction::triggered, this, run);
    return action;
}

void MainWindow::make_menus() {
    QMenu* job = menuBar()->addMenu(tr("&Job"));
    add_action(job, tr("New from files…"), QKeySequence::New, [this] { ask_for_files(); });
    add_action(job, tr("Open…"), QKeySequence::Open, [this] { ask_for_job(); });
    QMenu* recent = job->addMenu(tr("Recent jobs"));
    recent->setObjectName(QStringLiteral("recentJobs"));
    connect(recent, &QMenu::aboutToShow, this, [this, recent] { fill_recent(recent); });
    add_action(job, tr("Open the demo job"), {}, [this] { open_demo(); });
    job->addSeparator();
    add_action(job, tr("Save"), QKeySequence::Save, [this] { save(); });
    add_action(job, tr("Save as…"), QKeySequence::SaveAs, [this] { save_as(); });
    job->addSeparator();
    add_action(job, tr("Destinations…"), {}, [this] { edit_destinations(); });
    add_action(job, tr("Deliver what is not up to date"), keys_of(Shortcut::deliver_stale), [this] { go_->click(); });
    job->addSeparator();
    add_action(job, tr("Quit"), QKeySequence::Quit, [this] { close(); });

    QMenu* edit = menuBar()->addMenu(tr("&Edit"));
    QAction* undo = document_.undo().createUndoAction(this, tr("Undo"));
    undo->setShortcut(QKeySequence::Undo);
    QAction* redo = document_.undo().createRedoAction(this, tr("Redo"));
    redo->setShortcut(QKeySequence::Redo);
    edit->addAction(undo);
    edit->addAction(redo);

    QMenu* view = menuBar()->addMenu(tr("&View"));
    add_action(view, tr("See all"), keys_of(Shortcut::see_all), [this] { camera_.frame_all(); });
    add_action(view, tr("From the front"), keys_of(Shortcut::from_front), [this] { camera_.look_from(0, 0.05); });
    add_action(view, tr("From its left side"), keys_of(Shortcut::from_side),
               [this] { camera_.look_from(1.5708, 0.05); });
    view->addSeparator();
    add_action(view, tr("From above"), keys_of(Shortcut::from_top), [this] { camera_.look_from(0, 1.5); });
    add_action(view, tr("See what is chosen"), keys_of(Shortcut::see_chosen), [this] { twin_->frame_selection(); });
    view->addSeparator();
    const auto toggle = [&](const QString& text, Shortcut keys, bool on, const std::function<void(bool)>& run) {
        QAction* action = view->addAction(text);
        action->setCheckable(true);
        action->setChecked(on);
        action->setShortcut(keys_of(keys));
        connect(action, &QAction::toggled, this, run);
    };
    const auto show = [this](bool Shown::*what, bool on) {
        Shown shown = twin_->shown();
        shown.*what = on;
        twin_->set_shown(shown);
        shown.tools = false;
        deliver_->panel().prepared_view().set_shown(shown);
        deliver_->panel().arrived_view().set_shown(shown);
    };
    toggle(tr("Joints"), Shortcut::joints, true, [show](bool on) { show(&Shown::joints, on); });
    toggle(tr("Surfaces"), Shortcut::surfaces, true, [show](bool on) { show(&Shown::surfaces, on); });
    toggle(tr("Names of the joints"), Shortcut::names, false, [show](bool on) { show(&Shown::names, on); });
    toggle(tr("Both panes at the same scale"), Shortcut::same_scale, false,
           [this](bool same) { twin_->set_same_scale(same); });
    view->addSeparator();
    add_action(view, tr("Two states side by side"), keys_of(Shortcut::side_by_side),
               [this] { twin_->set_mode(TwinMode::side_by_side); });
    add_action(view, tr("One over the other"), keys_of(Shortcut::overlaid),
               [this] { twin_->set_mode(TwinMode::overlaid); });
    add_action(view, tr("How far they are apart"), keys_of(Shortcut::difference),
               [this] { twin_->set_mode(TwinMode::difference); });
    view->addSeparator();
    add_action(view, tr("Picture of the view…"), keys_of(Shortcut::picture), [this] { save_picture(); });
    view->addSeparator();
    add_action(view, tr("Fold the route card"), keys_of(Shortcut::fold_card), [this] {
        card_folded_ = !card_folded_;
        choose_station(stations_->currentIndex());
    });
    add_action(view, tr("Intake"), keys_of(Shortcut::intake), [this] { choose_station(0); });
    add_action(view, tr("Joints station"), keys_of(Shortcut::joints_station), [this] { choose_station(1); });
    add_action(view, tr("Takes"), keys_of(Shortcut::takes_station), [this] { choose_station(2); });
    add_action(view, tr("Deliver"), keys_of(Shortcut::deliver_station), [this] { choose_station(3); });

    QMenu* steps = menuBar()->addMenu(tr("&Steps"));
    for (const StepKind& kind : step_kinds()) {
        QAction* action = add_action(steps, QString::fromUtf8(kind.label.data()) + QStringLiteral("…"), {},
                                     [this, id = std::string(kind.id)] { card_->add_step(id); });
        action->setToolTip(QString::fromUtf8(kind.why.data()));
    }
    steps->setToolTipsVisible(true);

    QMenu* playback = menuBar()->addMenu(tr("&Playback"));
    add_action(playback, tr("Play or pause"), keys_of(Shortcut::play),
               [this] { clock_.set_playing(!clock_.is_playing()); });
    const auto go = [this](int by) {
        clock_.set_playing(false);
        clock_.go_to(clock_.frame() + by);
    };
    add_action(playback, tr("One frame on"), keys_of(Shortcut::next_frame), [go] { go(1); });
    add_action(playback, tr("One frame back"), keys_of(Shortcut::previous_frame), [go] { go(-1); });
    add_action(playback, tr("To the first frame"), keys_of(Shortcut::first_frame), [this] { clock_.go_to(0); });

    QMenu* help = menuBar()->addMenu(tr("&Help"));
    add_action(help, tr("Guide"), QKeySequence::HelpContents, [this] {
        const QStringList pages = {QStringLiteral("intake"), QStringLiteral("joints"), QStringLiteral("takes"),
                                   QStringLiteral("deliver")};
        show_guide(document_.is_empty() ? QStringLiteral("README") : pages.value(station()));
    });
    add_action(help, tr("All shortcuts"), {}, [this] { show_shortcuts(); });
}

void MainWindow::choose_station(int index) {
    stations_->setCurrentIndex(index);
    rail_->choose(index);
    qobject_cast<StationPage*>(stations_->widget(index))->take_view(*twin_);
    // The arrival check and the take strip need the width that the route card takes.
    card_->setVisible(index < 2 && !card_folded_);
}

int MainWindow::station() const {
    return stations_->currentIndex();
}

void MainWindow::show_state() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (state) {
        const Destination* to = destination();
        twin_->show_state(state, to == nullptr ? std::nullopt : std::optional<Destination>(*to));
    } else {
        twin_->clear(session_.problem().isEmpty() ? session_.busy() : session_.problem());
        selection_.clear();
    }
}

void MainWindow::go_to(const Finding& finding) {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state) {
        return;
    }
    const Scene& prepared = state->replay.prepared();
    std::vector<int64_t> identities;
    for (const std::string& name : finding.nodes) {
        const int node = prepared.find_node(name);
        if (node >= 0) {
            identities.push_back(prepared.nodes[node].identity);
        }
    }
    if (!finding.clip.empty()) {
        choose_station(2);
        takes_->go_to(QString::fromStdString(finding.clip), finding.frame);
    } else if (finding.station == Station::joints) {
        choose_station(1);
    }
    selection_.choose_all(identities);
    if (finding.clip.empty() && !identities.empty()) {
        twin_->frame_selection();
    }
}

const Destination* MainWindow::destination() const {
    const int index = destinations_->currentIndex();
    const std::vector<Destination>& all = document_.job().destinations;
    return index >= 0 && index < static_cast<int>(all.size()) ? &all[index] : nullptr;
}

void MainWindow::refresh() {
    const Look& l = look();
    const bool any = !document_.is_empty();
    job_name_->setText(any ? QString::fromStdString(document_.job().name) : tr("No job yet"));
    const QString file = document_.path().isEmpty() ? tr("not saved yet") : QFileInfo(document_.path()).fileName();
    job_file_->setText(!any ? QString()
                       : document_.path().isEmpty()
                           ? file
                           : tr("%1 · %2").arg(file, document_.is_saved() ? tr("saved") : tr("changed")));
    setWindowTitle(any ? tr("%1%2 – Wembrix")
                             .arg(QString::fromStdString(document_.job().name),
                                  document_.is_saved() ? QString() : QStringLiteral(" *"))
                       : QStringLiteral("Wembrix"));
    QStringList names;
    for (const Destination& destination : document_.job().destinations) {
        names << QString::fromStdString(destination.name + " · " + destination.summary());
    }
    QStringList shown;
    for (int i = 0; i < destinations_->count(); ++i) {
        shown << destinations_->itemText(i);
    }
    if (names != shown) {
        {
            const QSignalBlocker quiet(destinations_);
            destinations_->clear();
            destinations_->addItems(names);
        }
        show_state();
    }
    destinations_->setEnabled(!names.isEmpty());
    const int due = static_cast<int>(deliver_->board().due().size());
    const bool ready = session_.state() != nullptr && !runner_.is_running();
    go_->setText(runner_.is_running() ? tr("Delivering…")
                 : due == 0 && ready  ? tr("All arrived")
                                      : tr("Deliver %1").arg(due));
    go_->setEnabled(ready && due > 0);
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state) {
        for (RailButton* button : {intake_button_, joints_button_, takes_button_}) {
            button->set_note(QString(), l.ink, l.card);
        }
        deliver_button_->set_note(QString(), l.ink, l.card);
        status_left_->setText(session_.problem().isEmpty() ? session_.busy() : session_.problem());
        status_middle_->clear();
        return;
    }
    int with_step = 0;
    for (const Finding& finding : state->findings) {
        with_step += finding.step ? 1 : 0;
    }
    const std::pair<RailButton*, Station> rails[] = {
        {intake_button_, Station::intake}, {joints_button_, Station::joints}, {takes_button_, Station::takes}};
    for (const auto& [button, at] : rails) {
        int grades[3] = {0, 0, 0};
        for (const Finding& finding : state->findings) {
            grades[static_cast<int>(finding.grade)] += finding.station == at ? 1 : 0;
        }
        const Grade worst = grades[0] > 0 ? Grade::stop : grades[1] > 0 ? Grade::look : Grade::note;
        if (grades[0] + grades[1] + grades[2] == 0) {
            button->set_note(QStringLiteral("✓"), l.well, l.well_ground);
        } else {
            button->set_note(QStringLiteral("%1 %2")
                                 .arg(grades[static_cast<int>(worst)])
                                 .arg(QString::fromUtf8(grade_name(worst).data())),
                             l.of(worst), l.ground_of(worst));
        }
    }
    const int held = deliver_->board().count(CellState::held);
    deliver_button_->set_note(due == 0   ? QStringLiteral("✓")
                              : held > 0 ? tr("%1 held").arg(held)
                                         : tr("%1 due").arg(due),
                              due == 0   ? l.well
                              : held > 0 ? l.stop
                                         : l.note,
                              due == 0   ? l.well_ground
                              : held > 0 ? l.stop_ground
                                         : l.note_ground);
    if (session_.is_busy()) {
        status_left_->setText(session_.busy() + QStringLiteral("…"));
    } else if (state->findings.empty()) {
        status_left_->setText(tr("No findings are open"));
    } else {
        status_left_->setText(tr("%1 of %2 findings have a ready step").arg(with_step).arg(state->findings.size()));
    }
    const double ratio = state->received.height_m > 0 ? state->prepared.height_m / state->received.height_m : 1;
    status_middle_->setText(std::abs(ratio - 1) < 1e-6 ? tr("Scale 1 : 1")
                                                       : tr("Scale received to prepared × %1").arg(ratio, 0, 'g', 4));
}

QString MainWindow::open_paths(const QStringList& paths) {
    for (const QString& path : paths) {
        if (path.endsWith(QStringLiteral(".wembrix"))) {
            is_new_ = false;
            const Outcome done = document_.open(path);
            if (done) {
                add_recent_job(document_.path());
            }
            return done ? QString() : QString::fromStdString(done.problem().sentence());
        }
    }
    std::vector<std::filesystem::path> files;
    std::vector<std::string> sources;
    for (const QString& path : paths) {
        files.emplace_back(QFileInfo(path).absoluteFilePath().toStdString());
        sources.push_back(files.back().string());
    }
    if (files.empty()) {
        return {};
    }
    if (!document_.is_empty()) {
        document_.edit(tr("Bring in %1").arg(QFileInfo(paths.front()).fileName()), [&](Job& job) {
            for (const std::string& source : sources) {
                if (std::find(job.sources.begin(), job.sources.end(), source) == job.sources.end()) {
                    job.sources.push_back(source);
                }
            }
        });
        return {};
    }
    is_new_ = true;
    document_.start(new_job(files));
    return {};
}

void MainWindow::begin_new_job() {
    if (is_new_ && session_.state()) {
        is_new_ = false;
        document_.begin_with(first_steps(*session_.state()->replay.received));
    }
}

void MainWindow::report(const QString& problem) {
    if (!problem.isEmpty()) {
        QMessageBox box(QMessageBox::Warning, tr("Wembrix"), problem, QMessageBox::Ok, this);
        box.exec();
    }
}

bool MainWindow::save() {
    if (document_.path().isEmpty()) {
        return save_as();
    }
    const Outcome done = document_.save(document_.path());
    if (!done) {
        report(QString::fromStdString(done.problem().sentence()));
    }
    return done.ok();
}

bool MainWindow::save_as() {
    const QString suggestion = document_.path().isEmpty()
                                   ? QString::fromStdString(document_.job().name) + QStringLiteral(".wembrix")
                                   : document_.path();
    QString path = QFileDialog::getSaveFileName(this, tr("Save the job"), suggestion, tr("Wembrix jobs (*.wembrix)"));
    if (path.isEmpty()) {
        return false;
    }
    if (!path.endsWith(QStringLiteral(".wembrix"))) {
        path += QStringLiteral(".wembrix");
    }
    const Outcome done = document_.save(path);
    if (!done) {
        report(QString::fromStdString(done.problem().sentence()));
    } else {
        add_recent_job(document_.path());
    }
    return done.ok();
}

bool MainWindow::may_lose_changes() {
    if (document_.is_empty() || document_.is_saved()) {
        return true;
    }
    QMessageBox box(QMessageBox::Question, tr("Wembrix"),
                    tr("“%1” has changes that are not saved.").arg(QString::fromStdString(document_.job().name)),
                    QMessageBox::NoButton, this);
    QAbstractButton* keep = box.addButton(tr("Save them"), QMessageBox::AcceptRole);
    QAbstractButton* lose = box.addButton(tr("Lose them"), QMessageBox::DestructiveRole);
    box.addButton(tr("Back"), QMessageBox::RejectRole);
    box.exec();
    return box.clickedButton() == lose || (box.clickedButton() == keep && save());
}

void MainWindow::ask_for_job() {
    if (!may_lose_changes()) {
        return;
    }
    const QString path =
        QFileDialog::getOpenFileName(this, tr("Open a job"), QString(), tr("Wembrix jobs (*.wembrix)"));
    if (!path.isEmpty()) {
        report(open_paths({path}));
    }
}

void MainWindow::ask_for_files() {
    const QStringList paths =
        QFileDialog::getOpenFileNames(this, tr("Bring in files"), QString(), tr("Scenes (*.glb *.gltf)"));
    if (paths.isEmpty() || !may_lose_changes()) {
        return;
    }
    document_.start(Job());
    report(open_paths(paths));
}

void MainWindow::open_demo() {
    if (!may_lose_changes()) {
        return;
    }
    const QString folder = QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/demo");
    // Beside the program, as it is installed; or where a build puts it.
    QString maker;
    for (const char* place : {"/wembrix-demo-maker", "/../../demo/wembrix-demo-maker"}) {
        const QString candidate = QCoreApplication::applicationDirPath() + QString::fromUtf8(place);
        if (maker.isEmpty() && QFileInfo::exists(candidate)) {
            maker = candidate;
        }
    }
    QDir().mkpath(folder);
    auto* making = new QProcess(this);
    const auto ended = [this, making, folder](bool well) {
        making->deleteLater();
        report(well ? open_paths({folder + QStringLiteral("/tansy.wembrix")})
                    : tr("The demo job could not be made in %1.").arg(folder));
    };
    connect(making, &QProcess::finished, this,
            [ended](int code, QProcess::ExitStatus status) { ended(status == QProcess::NormalExit && code == 0); });
    connect(making, &QProcess::errorOccurred, this, [ended](QProcess::ProcessError error) {
        if (error == QProcess::FailedToStart) {
            ended(false);
        }
    });
    status_left_->setText(tr("Making the demo job…"));
    making->start(maker, {folder});
}

QWidget* MainWindow::make_news() {
    news_ = new QWidget(this);
    news_->setObjectName(QStringLiteral("news"));
    news_->setAttribute(Qt::WA_StyledBackground);
    news_->setStyleSheet(QStringLiteral("#news { background: %1; }").arg(look().note_ground.name()));
    auto* row = new QHBoxLayout(news_);
    row->setContentsMargins(14, 5, 12, 5);
    news_text_ = new QLabel(news_);
    news_text_->setObjectName(QStringLiteral("newsText"));
    news_text_->setWordWrap(true);
    news_text_->setStyleSheet(QStringLiteral("color: %1;").arg(look().note.name()));
    row->addWidget(news_text_, 1);
    auto* read = new QPushButton(tr("Read it"), news_);
    read->setObjectName(QStringLiteral("newsRead"));
    read->setToolTip(tr("Takes this line away"));
    connect(read, &QPushButton::clicked, news_, &QWidget::hide);
    row->addWidget(read);
    news_->hide();
    return news_;
}

void MainWindow::show_news() {
    news_text_->setText(watch_.news().join(QLatin1Char('\n')));
    news_->setVisible(!watch_.news().isEmpty());
}

void MainWindow::edit_destinations() {
    DestinationsDialog dialog(document_.job().destinations, this);
    if (dialog.exec() == QDialog::Accepted) {
        document_.edit(tr("Edit destinations"), [&](Job& job) { job.destinations = dialog.destinations(); });
    }
}

void MainWindow::save_picture() {
    const QString file = QFileDialog::getSaveFileName(this, tr("Picture of the view"), QStringLiteral("view.png"),
                                                      tr("Pictures (*.png)"));
    if (!file.isEmpty() && !twin_->picture().save(file)) {
        report(tr("%1 cannot be written.").arg(file));
    }
}

void MainWindow::fill_recent(QMenu* menu) {
    menu->clear();
    for (const QString& job : recent_jobs()) {
        QAction* action = menu->addAction(QFileInfo(job).fileName());
        action->setToolTip(job);
        connect(action, &QAction::triggered, this, [this, job] {
            if (may_lose_changes()) {
                report(open_paths({job}));
            }
        });
    }
    if (menu->isEmpty()) {
        menu->addAction(tr("Jobs that you open or save stand here"))->setEnabled(false);
    }
    menu->setToolTipsVisible(true);
}

void MainWindow::recover(const Recoverable& recoverable) {
    document_.start_recovered(recoverable.job, recoverable.path, recoverable.folder);
    recovery_.keep();
    Recovery::discard(recoverable);
}

void MainWindow::offer_recovery() {
    for (const Recoverable& one : Recovery::left_over()) {
        const QString name = one.path.isEmpty() ? QString::fromStdString(one.job.name) : QFileInfo(one.path).fileName();
        QMessageBox box(QMessageBox::Question, tr("Wembrix"),
                        tr("Wembrix ended unexpectedly. “%1” had changes that were not saved; they were kept at %2.")
                            .arg(name, one.when),
                        QMessageBox::NoButton, this);
        box.setObjectName(QStringLiteral("recoveryOffer"));
        QAbstractButton* take = box.addButton(tr("Open them"), QMessageBox::AcceptRole);
        QAbstractButton* lose = box.addButton(tr("Throw them away"), QMessageBox::DestructiveRole);
        box.addButton(tr("Ask again later"), QMessageBox::RejectRole);
        box.exec();
        if (box.clickedButton() == take) {
            recover(one);
            return;
        }
        if (box.clickedButton() == lose) {
            Recovery::discard(one);
        }
    }
}

void MainWindow::show_guide(const QString& page) {
    auto* guide = new GuideWindow(this);
    guide->setAttribute(Qt::WA_DeleteOnClose);
    guide->show_page(page);
    guide->show();
}

void MainWindow::show_shortcuts() {
    QDialog dialog(this);
    dialog.setWindowTitle(tr("All shortcuts"));
    auto* form = new QFormLayout(&dialog);
    form->setHorizontalSpacing(28);
    for (const ShortcutRow& row : shortcut_rows()) {
        form->addRow(row.what, new QLabel(row.keys.toString(QKeySequence::NativeText), &dialog));
    }
    dialog.exec();
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls()) {
        event->acceptProposedAction();
    }
}

void MainWindow::dropEvent(QDropEvent* event) {
    QStringList paths;
    bool job = false;
    for (const QUrl& url : event->mimeData()->urls()) {
        const QString path = url.toLocalFile();
        job = job || path.endsWith(QStringLiteral(".wembrix"));
        if (!path.isEmpty()) {
            paths << path;
        }
    }
    event->acceptProposedAction();
    if (!job || may_lose_changes()) {
        report(open_paths(paths));
    }
}

void MainWindow::closeEvent(QCloseEvent* event) {
    if (may_lose_changes()) {
        runner_.stop();
        recovery_.forget();
        event->accept();
    } else {
        event->ignore();
    }
}

bool MainWindow::eventFilter(QObject* watched, QEvent* event) {
    // Space presses a focused button or ticks a row; elsewhere it plays.
    if (event->type() == QEvent::ShortcutOverride && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Space) {
        if (qobject_cast<QAbstractButton*>(watched) != nullptr ||
            qobject_cast<QAbstractItemView*>(watched) != nullptr || qobject_cast<QComboBox*>(watched) != nullptr) {
            event->accept();
            return true;
        }
    }
    return QMainWindow::eventFilter(watched, event);
}

} // namespace wembrix::app
