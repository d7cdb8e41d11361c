#include "shell/main_window.h"

#include "core/base/files.h"
#include "core/delivery/delivery.h"
#include "core/delivery/delivery_folder.h"
#include "core/job/card_edits.h"
#include "shell/destinations_dialog.h"
#include "shell/first_delivery.h"
#include "shell/guide_window.h"
#include "shell/menus.h"
#include "shell/recovery_offer.h"
#include "style/live_theme.h"
#include "style/shortcuts.h"

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
#include <cmath>

namespace wembrix::app {

MainWindow::MainWindow(const std::vector<StationKind>& stations, QWidget* parent) : QMainWindow(parent) {
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
        const std::string id =
            clip.isEmpty() ? deliverable_id(model_kind(), "") : deliverable_id(clip_kind(), clip.toStdString());
        const Arrival* one = to == nullptr ? nullptr : runner_.last_arrival({to->name, id});
        return one == nullptr ? nullptr : one->scene;
    };
    twin_ = new TwinView(camera_, clock_, selection_, arrived, bench);
    const StationContext context{document_, session_, selection_, clock_, camera_, runner_, board_, live_};
    for (const StationKind& kind : stations) {
        StationPage* page = kind.make(context, stations_);
        page->set_kind(kind);
        pages_.push_back(page);
        card_folded_.push_back(kind.card_folded ? 1 : 0);
        stations_->addWidget(page);
        rail_->add(kind.number, kind.name,
                   QStringLiteral("%1 (%2)").arg(kind.tip, kind.keys().toString(QKeySequence::NativeText)));
    }
    row->addWidget(stations_, 1);
    card_ = new RouteCard(document_, session_, bench);
    row->addWidget(card_);
    edge_ = new CardEdge(bench);
    row->addWidget(edge_);
    column->addLayout(row, 1);
    column->addWidget(make_status());
    setCentralWidget(bench);
    make_menus(*this);
    connect_parts();
    qApp->installEventFilter(this);
    choose_station(0);
    refresh();
    show_state();
}

void MainWindow::connect_parts() {
    if (LiveTheme* live = live_theme()) {
        connect(live, &LiveTheme::changed, this, [this] {
            Q_EMIT session_.changed(); // whose pictures were made in the other theme's colours
            refresh();
        });
    }
    connect(rail_, &Rail::chosen, this, qOverload<int>(&MainWindow::choose_station));
    connect(edge_, &CardEdge::clicked, this, &MainWindow::fold_card);
    connect(card_, &RouteCard::foldAsked, this, &MainWindow::fold_card);
    connect(header_, &Header::destinationChanged, this, &MainWindow::show_state);
    connect(&header_->go(), &QPushButton::clicked, this, [this] {
        choose_station("deliver");
        runner_.deliver_cells(board_.due());
    });
    connect(files_, &JobFiles::demoBegun, this, [this] { status_left_->setText(tr("Making the demo job…")); });
    for (StationPage* page : pages_) {
        connect(page, &StationPage::stepAsked, this, [this](const Step& step) { card_->add_step(step); });
        connect(page, &StationPage::findingAsked, this, &MainWindow::go_to);
        connect(page, &StationPage::filesAsked, files_, &JobFiles::ask_to_bring_in);
        connect(page, &StationPage::folderAsked, files_, &JobFiles::ask_for_folder);
        connect(page, &StationPage::lessonAsked, this, [this] { FirstDelivery::of(*this); });
        connect(page, &StationPage::demoAsked, files_, [this] { files_->open_demo(); });
    }
    for (Pane* pane : {&twin_->left(), &twin_->right()}) {
        connect(&pane->view(), &SceneView::heightAsked, this, [this](double height_m) {
            if (const std::shared_ptr<const SessionState> state = session_.state()) {
                document_.edit(tr("Make it %1 m tall").arg(height_m),
                               [&](Job& job) { set_height(job, state->prepared.height_m, height_m); });
            }
        });
    }
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
    connect(&board_, &QAbstractItemModel::modelReset, this, &MainWindow::refresh);
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
    const bool folded = card_folded_[static_cast<size_t>(index)] != 0;
    if (folded) {
        card_->hide(); // before the wider page comes: both at once would widen the window
    }
    // Only the page that is seen says how wide the window has to be.
    for (int i = 0; i < stations_->count(); ++i) {
        const QSizePolicy::Policy policy = i == index ? QSizePolicy::Preferred : QSizePolicy::Ignored;
        stations_->widget(i)->setSizePolicy(policy, policy);
    }
    stations_->setCurrentIndex(index);
    rail_->choose(index);
    pages_.at(static_cast<size_t>(index))->take_view(*twin_);
    card_->setVisible(!folded);
    edge_->setVisible(folded);
}

void MainWindow::choose_station(std::string_view id) {
    for (size_t i = 0; i < pages_.size(); ++i) {
        if (pages_[i]->kind().id == id) {
            choose_station(static_cast<int>(i));
        }
    }
}

void MainWindow::show_what_waits() {
    const std::shared_ptr<const SessionState> state = session_.state();
    for (size_t i = 0; i < pages_.size(); ++i) {
        const StationNote note = state ? pages_[i]->waits(*state) : StationNote{QString(), theme().ink, theme().card};
        rail_->button(static_cast<int>(i)).set_note(note.text, note.ink, note.ground);
    }
}

int MainWindow::station() const {
    return stations_->currentIndex();
}

void MainWindow::show_state() {
    live_.set_destination(destination() == nullptr ? std::string() : destination()->name);
    for (StationPage* page : pages_) {
        page->show_destination(destination());
    }
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
    choose_station(finding.station);
    pages_.at(static_cast<size_t>(station()))->go_to(finding);
    selection_.choose_all(identities);
    if (finding.clip.empty() && finding.vertices.empty() && !identities.empty()) {
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
    for (PlaybackBar* bar : findChildren<PlaybackBar*>()) {
        bar->set_poses(document_.job().poses);
    }
    setWindowTitle(document_.is_empty() ? QStringLiteral("Wembrix")
                                        : tr("%1%2 – Wembrix")
                                              .arg(QString::fromStdString(document_.job().name),
                                                   document_.is_saved() ? QString() : QStringLiteral(" *")));
    const int due = static_cast<int>(board_.due().size());
    const std::shared_ptr<const SessionState> state = session_.state();
    edge_->show_steps(static_cast<int>(document_.job().steps.size()),
                      state ? static_cast<int>(state->replay.problems().size()) : 0);
    header_->show_due(due, state != nullptr && !runner_.is_running(), runner_.is_running());
    show_what_waits();
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
    // By the card's steps: what it adds may make the whole taller.
    const double ratio = std::cbrt(std::abs(linear_of(state.replay.moved()).determinant()));
    status_middle_->setText(std::abs(ratio - 1) < 1e-6 ? tr("Scale 1 : 1")
                                                       : tr("Scale received to prepared × %1").arg(ratio, 0, 'g', 4));
}

std::function<QStringList(const Destination&)> MainWindow::names_of_files() const {
    return [this, shown = session_.state()](const Destination& destination) -> QStringList {
        if (!shown) {
            return {};
        }
        const std::filesystem::path folder =
            delivery_folder(document_.folder(), document_.job().deliveries, destination);
        const Result<std::vector<std::string>> files = planned_files(
            shown->replay.prepared(), destination, {document_.job().name, document_.job().origin.variant}, folder);
        QStringList list;
        for (const std::string& file : files ? *files : std::vector<std::string>{files.problem().sentence()}) {
            list << QString::fromStdString(file);
        }
        return list;
    };
}

void MainWindow::edit_destinations() {
    std::optional<Contract> own;
    if (const std::shared_ptr<const SessionState> state = session_.state();
        state && !joints_of(state->replay.prepared()).empty()) {
        own = contract_of(state->replay.prepared(), document_.job().name);
    }
    const std::shared_ptr<const SessionState> shown = session_.state();
    std::shared_ptr<const Scene> prepared;
    if (shown && !shown->replay.prepared().nodes.empty()) {
        prepared = std::shared_ptr<const Scene>(shown, &shown->replay.prepared());
    }
    DestinationsDialog dialog(document_.job().destinations, std::move(own), names_of_files(), std::move(prepared),
                              this);
    if (dialog.exec() == QDialog::Accepted) {
        document_.edit(tr("Edit destinations"), [&](Job& job) { job.destinations = dialog.destinations(); });
    }
}

void MainWindow::save_picture() {
    const QString file =
        QFileDialog::getSaveFileName(this, tr("Save view as image"), QStringLiteral("view.png"), tr("Images (*.png)"));
    if (!file.isEmpty() && !twin_->picture().save(file)) {
        files_->report(tr("%1 cannot be written.").arg(file));
    }
}

void MainWindow::fold_card() {
    char& kept = card_folded_[static_cast<size_t>(station())];
    const bool folded = kept == 0;
    kept = folded ? 1 : 0;
    card_->setVisible(!folded);
    edge_->setVisible(folded);
    if (pages_.at(static_cast<size_t>(station()))->kind().card_from_end) {
        card_->see_end();
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
    auto* guide = new GuideWindow(this);
    guide->setAttribute(Qt::WA_DeleteOnClose);
    guide->show_page(document_.is_empty() ? QStringLiteral("README")
                                          : QString::fromLatin1(pages_.at(static_cast<size_t>(station()))->kind().id));
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
