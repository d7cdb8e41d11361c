#include "shell/main_window.h"

#include "core/formats/format.h"
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
    auto* row = new QHBoxLayout;
    row->setSpacing(0);
    rail_ = new Rail(bench);
    row->addWidget(rail_);
    stations_ = new QStackedWidget(bench);
    intake_ = new IntakeStation(document_, session_, camera_, clock_, stations_);
    deliver_ = new DeliverStation(document_, session_, runner_, camera_, clock_, stations_);
    stations_->addWidget(intake_);
    stations_->addWidget(deliver_);
    row->addWidget(stations_, 1);
    card_ = new RouteCard(document_, session_, bench);
    row->addWidget(card_);
    column->addLayout(row, 1);
    column->addWidget(make_status());
    setCentralWidget(bench);
    intake_button_ = rail_->add(1, tr("Intake"), with_shortcut(tr("What came in, what goes out"), Shortcut::intake));
    deliver_button_ = rail_->add(
        6, tr("Deliver"), with_shortcut(tr("Write the files and see how they arrived"), Shortcut::deliver_station));
    make_menus();
    connect(rail_, &Rail::chosen, this, &MainWindow::choose_station);
    connect(intake_, &IntakeStation::filesAsked, this, &MainWindow::ask_for_files);
    connect(intake_, &IntakeStation::demoAsked, this, &MainWindow::open_demo);
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
}

MainWindow::~MainWindow() {
    // The parts below are members, the widgets that listen to them are children: nothing may be said while both go.
    qApp->removeEventFilter(this);
    document_.blockSignals(true);
    document_.undo().blockSignals(true);
    session_.blockSignals(true);
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
    connect(destinations_, &QComboBox::currentIndexChanged, this, [this] { intake_->set_destination(destination()); });
    go_ = new QPushButton(header);
    go_->setObjectName(QStringLiteral("go"));
    go_->setToolTip(with_shortcut(tr("Writes every file that is not up to date, reads each back and checks it"),
                                  Shortcut::deliver_stale));
    row->addWidget(go_);
    connect(go_, &QPushButton::clicked, this, [this] {
        choose_station(1);
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
    add_action(job, tr("Open the demo job"), {}, [this] { open_demo(); });
    job->addSeparator();
    add_action(job, tr("Save"), QKeySequence::Save, [this] { save(); });
    add_action(job, tr("Save as…"), QKeySequence::SaveAs, [this] { save_as(); });
    job->addSeparator();
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
    QAction* joints = view->addAction(tr("Joints"));
    joints->setCheckable(true);
    joints->setChecked(true);
    joints->setShortcut(keys_of(Shortcut::joints));
    connect(joints, &QAction::toggled, this, [this](bool shown) {
        intake_->twin().set_joints_shown(shown);
        deliver_->panel().prepared_view().set_joints_shown(shown);
        deliver_->panel().arrived_view().set_joints_shown(shown);
    });
    QAction* scale = view->addAction(tr("Both panes at the same scale"));
    scale->setCheckable(true);
    scale->setShortcut(keys_of(Shortcut::same_scale));
    connect(scale, &QAction::toggled, this, [this](bool same) { intake_->twin().set_same_scale(same); });
    view->addSeparator();
    add_action(view, tr("Fold the route card"), keys_of(Shortcut::fold_card), [this] {
        card_folded_ = !card_folded_;
        card_->setVisible(!card_folded_ && stations_->currentIndex() == 0);
    });
    add_action(view, tr("Intake"), keys_of(Shortcut::intake), [this] { choose_station(0); });
    add_action(view, tr("Deliver"), keys_of(Shortcut::deliver_station), [this] { choose_station(1); });

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
    add_action(help, tr("All shortcuts"), QKeySequence::HelpContents, [this] { show_shortcuts(); });
}

void MainWindow::choose_station(int index) {
    stations_->setCurrentIndex(index);
    rail_->choose(index);
    // The arrival check needs the width that the route card takes.
    card_->setVisible(index == 0 && !card_folded_);
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
        intake_->set_destination(destination());
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
        intake_button_->set_note(QString(), l.ink, l.card);
        deliver_button_->set_note(QString(), l.ink, l.card);
        status_left_->setText(session_.problem().isEmpty() ? session_.busy() : session_.problem());
        status_middle_->clear();
        return;
    }
    int grades[3] = {0, 0, 0};
    int with_step = 0;
    for (const Finding& finding : state->findings) {
        ++grades[static_cast<int>(finding.grade)];
        with_step += finding.step ? 1 : 0;
    }
    const Grade worst = grades[0] > 0 ? Grade::stop : grades[1] > 0 ? Grade::look : Grade::note;
    if (grades[0] + grades[1] + grades[2] == 0) {
        intake_button_->set_note(QStringLiteral("✓"), l.well, l.well_ground);
    } else {
        intake_button_->set_note(QStringLiteral("%1 %2")
                                     .arg(grades[static_cast<int>(worst)])
                                     .arg(QString::fromUtf8(grade_name(worst).data())),
                                 l.of(worst), l.ground_of(worst));
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
    const QString maker = QCoreApplication::applicationDirPath() + QStringLiteral("/../../demo/wembrix-demo-maker");
    const QString beside = QCoreApplication::applicationDirPath() + QStringLiteral("/wembrix-demo-maker");
    QDir().mkpath(folder);
    if (QProcess::execute(QFileInfo::exists(beside) ? beside : maker, {folder}) != 0) {
        report(tr("The demo job could not be made in %1.").arg(folder));
        return;
    }
    report(open_paths({folder + QStringLiteral("/tansy.wembrix")}));
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
