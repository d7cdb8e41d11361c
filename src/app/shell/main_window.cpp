#include "shell/main_window.h"

#include "core/job/card_edits.h"
#include "shell/destinations_dialog.h"
#include "shell/guide_window.h"
#include "shell/menus.h"
#include "shell/rail_notes.h"
#include "shell/recovery_offer.h"
#include "shell/shortcuts.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QApplication>
#include <QCloseEvent>
#include <QComboBox>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QMimeData>
#include <QPushButton>
#include <QStackedWidget>
#include <QUndoStack>
#include <QVBoxLayout>

namespace wembrix::app {

MainWindow::MainWindow(QWidget* parent) : QMainWindow(parent) {
    setAcceptDrops(true);
    resize(1280, 800);
    files_ = new JobFiles(document_, session_, this);
    auto* bench = new QWidget(this);
    bench->setObjectName(QStringLiteral("bench"));
    auto* column = new QVBoxLayout(bench);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    header_ = new Header(bench);
    column->addWidget(header_);
    news_ = new NewsLine(bench);
    column->addWidget(news_);
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
    takes_ = new TakesStation(document_, session_, clock_, selection_, stations_);
    deliver_ = new DeliverStation(document_, session_, runner_, camera_, clock_, stations_);
    for (StationPage* page : std::initializer_list<StationPage*>{intake_, joints_, takes_, deliver_}) {
        stations_->addWidget(page);
    }
    row->addWidget(stations_, 1);
    card_ = new RouteCard(document_, session_, bench);
    row->addWidget(card_);
    edge_ = new CardEdge(bench);
    row->addWidget(edge_);
    column->addLayout(row, 1);
    column->addWidget(make_status());
    setCentralWidget(bench);
    rail_->add(1, tr("Intake"), with_shortcut(tr("What came in, what goes out"), Shortcut::intake));
    rail_->add(2, tr("Joints"),
               with_shortcut(tr("What became of each joint; names and who stays"), Shortcut::joints_station));
    rail_->add(4, tr("Takes"), with_shortcut(tr("Cut takes into clips, see what closes"), Shortcut::takes_station));
    rail_->add(6, tr("Deliver"),
               with_shortcut(tr("Write the files and see how they arrived"), Shortcut::deliver_station));
    make_menus(*this);
    connect_parts();
    qApp->installEventFilter(this);
    choose_station(0);
    refresh();
    show_state();
}

void MainWindow::connect_parts() {
    connect(rail_, &Rail::chosen, this, &MainWindow::choose_station);
    connect(edge_, &CardEdge::clicked, this, &MainWindow::fold_card);
    connect(card_, &RouteCard::foldAsked, this, &MainWindow::fold_card);
    connect(header_, &Header::destinationChanged, this, &MainWindow::show_state);
    connect(&header_->go(), &QPushButton::clicked, this, [this] {
        choose_station(3);
        runner_.deliver_cells(deliver_->board().due());
    });
    connect(files_, &JobFiles::demoBegun, this, [this] { status_left_->setText(tr("Making the demo job…")); });
    for (StationPage* page : std::initializer_list<StationPage*>{intake_, joints_, takes_, deliver_}) {
        connect(page, &StationPage::filesAsked, files_, &JobFiles::ask_to_bring_in);
        connect(page, &StationPage::folderAsked, files_, &JobFiles::ask_for_folder);
        connect(page, &StationPage::demoAsked, files_, &JobFiles::open_demo);
    }
    for (Pane* pane : {&twin_->left(), &twin_->right()}) {
        connect(&pane->view(), &SceneView::heightAsked, this, [this](double height_m) {
            if (const std::shared_ptr<const SessionState> state = session_.state()) {
                document_.edit(tr("Make it %1 m tall").arg(height_m),
                               [&](Job& job) { set_height(job, state->prepared.height_m, height_m); });
            }
        });
    }
    // What Prepared is shown in; the names and identities of what arrived are others.
    const auto prepared_view = [this]() -> SceneView* {
        for (Pane* pane : {&twin_->right(), &twin_->left()}) {
            if (pane->isVisible() && pane->state() == State::prepared) {
                return &pane->view();
            }
        }
        return nullptr;
    };
    connect(joints_, &JointsStation::placeAsked, this, [prepared_view](const QString& words) {
        if (SceneView* view = prepared_view()) {
            view->ask_for_place(words);
        }
    });
    joints_->set_joint_now([prepared_view](int64_t identity) -> std::optional<Mat4> {
        const SceneView* view = prepared_view();
        const PosedScene* posed = view == nullptr ? nullptr : view->posed();
        const int node = posed == nullptr ? -1 : posed->scene().find_identity(identity);
        return node < 0 ? std::nullopt : std::optional<Mat4>(posed->pose().world[static_cast<size_t>(node)]);
    });
    for (Pane* pane : {&twin_->left(), &twin_->right()}) {
        connect(&pane->view(), &SceneView::placePicked, joints_, &JointsStation::place_attachment);
    }
    connect(takes_, &TakesStation::stepAsked, this, [this](const Step& step) { card_->add_step(step); });
    connect(joints_, &JointsStation::stepAsked, this, [this](const Step& step) { card_->add_step(step); });
    connect(intake_, &IntakeStation::placeAsked, this, &MainWindow::go_to);
    connect(&watch_, &SourceWatch::changed, this, [this] { news_->show_news(watch_.news()); });
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
    connect(&session_, &Session::changed, this, &MainWindow::refresh);
    connect(&session_, &Session::busyChanged, this, &MainWindow::refresh);
    connect(&runner_, &DeliveryRunner::progressed, this, &MainWindow::refresh);
    connect(&runner_, &DeliveryRunner::finished, this, &MainWindow::refresh);
    connect(&deliver_->board(), &QAbstractItemModel::modelReset, this, &MainWindow::refresh);
    connect(&clock_, &Clock::moved, this, [this] {
        status_right_->setText(clock_.clip().isEmpty()
                                   ? clock_.words()
                                   : tr("%1 %2 / %3").arg(clock_.clip()).arg(clock_.frame()).arg(clock_.frames() - 1) +
                                         (clock_.is_playing() ? tr(" · playing") : QString()));
    });
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
    status_right_->setObjectName(QStringLiteral("statusRight"));
    row->addWidget(status_left_);
    row->addWidget(status_middle_);
    row->addStretch(1);
    row->addWidget(status_right_);
    return status;
}

void MainWindow::choose_station(int index) {
    stations_->setCurrentIndex(index);
    rail_->choose(index);
    qobject_cast<StationPage*>(stations_->widget(index))->take_view(*twin_);
    card_->setVisible(!card_folded_[static_cast<size_t>(index)]);
    edge_->setVisible(card_->isHidden());
}

int MainWindow::station() const {
    return stations_->currentIndex();
}

void MainWindow::show_state() {
    joints_->show_destination(destination());
    takes_->model().set_destination(destination());
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
    const int index = header_->destination();
    const std::vector<Destination>& all = document_.job().destinations;
    return index >= 0 && index < static_cast<int>(all.size()) ? &all[index] : nullptr;
}

void MainWindow::refresh() {
    header_->show_job(document_);
    for (PlaybackBar* bar : {&twin_->playback(), &deliver_->playback()}) {
        bar->set_poses(document_.job().poses);
    }
    setWindowTitle(document_.is_empty() ? QStringLiteral("Wembrix")
                                        : tr("%1%2 – Wembrix")
                                              .arg(QString::fromStdString(document_.job().name),
                                                   document_.is_saved() ? QString() : QStringLiteral(" *")));
    const int due = static_cast<int>(deliver_->board().due().size());
    const std::shared_ptr<const SessionState> state = session_.state();
    edge_->show_steps(static_cast<int>(document_.job().steps.size()),
                      state ? static_cast<int>(state->replay.problems().size()) : 0);
    header_->show_due(due, state != nullptr && !runner_.is_running(), runner_.is_running());
    show_what_waits(*rail_, state.get(), due, deliver_->board().count(CellState::held));
    if (state) {
        show_status(*state);
    } else {
        status_left_->setText(session_.problem().isEmpty() ? session_.busy() : session_.problem());
        status_middle_->clear();
    }
}

void MainWindow::show_status(const SessionState& state) {
    const auto with_step = std::count_if(state.findings.begin(), state.findings.end(),
                                         [](const Finding& finding) { return finding.step.has_value(); });
    if (session_.is_busy()) {
        status_left_->setText(session_.busy() + QStringLiteral("…"));
    } else if (state.findings.empty()) {
        status_left_->setText(tr("No findings are open"));
    } else {
        status_left_->setText(tr("%1 of %2 findings have a ready step").arg(with_step).arg(state.findings.size()));
    }
    const double ratio = state.received.height_m > 0 ? state.prepared.height_m / state.received.height_m : 1;
    status_middle_->setText(std::abs(ratio - 1) < 1e-6 ? tr("Scale 1 : 1")
                                                       : tr("Scale received to prepared × %1").arg(ratio, 0, 'g', 4));
}

void MainWindow::edit_destinations() {
    std::optional<Contract> own;
    if (const std::shared_ptr<const SessionState> state = session_.state();
        state && !joints_of(state->replay.prepared()).empty()) {
        own = contract_of(state->replay.prepared(), document_.job().name);
    }
    DestinationsDialog dialog(document_.job().destinations, std::move(own), this);
    if (dialog.exec() == QDialog::Accepted) {
        document_.edit(tr("Edit destinations"), [&](Job& job) { job.destinations = dialog.destinations(); });
    }
}

void MainWindow::save_picture() {
    const QString file = QFileDialog::getSaveFileName(this, tr("Picture of the view"), QStringLiteral("view.png"),
                                                      tr("Pictures (*.png)"));
    if (!file.isEmpty() && !twin_->picture().save(file)) {
        files_->report(tr("%1 cannot be written.").arg(file));
    }
}

void MainWindow::fold_card() {
    bool& folded = card_folded_[static_cast<size_t>(station())];
    folded = !folded;
    card_->setVisible(!folded);
    edge_->setVisible(folded);
    if (stations_->currentWidget() == takes_) {
        card_->see_end(); // steps for clips stand there
    }
}

void MainWindow::recover(const Recoverable& recoverable) {
    document_.start_recovered(recoverable.job, recoverable.path, recoverable.folder);
    recovery_.keep();
    Recovery::discard(recoverable);
}

void MainWindow::offer_recovery() {
    if (const std::optional<Recoverable> one = app::offer_recovery(this)) {
        recover(*one);
    }
}

void MainWindow::show_guide() {
    static const char* const pages[] = {"intake", "joints", "takes", "deliver"};
    auto* guide = new GuideWindow(this);
    guide->setAttribute(Qt::WA_DeleteOnClose);
    guide->show_page(document_.is_empty() ? QStringLiteral("README") : QString::fromLatin1(pages[station()]));
    guide->show();
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
    if (!job || files_->may_lose_changes()) {
        files_->report(open_paths(paths));
    }
}

void MainWindow::closeEvent(QCloseEvent* event) {
    if (files_->may_lose_changes()) {
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
