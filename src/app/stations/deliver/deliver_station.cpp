#include "stations/deliver/deliver_station.h"
#include "style/language.h"

#include "core/base/files.h"
#include "core/delivery/manifest.h"
#include "core/delivery/report.h"
#include "live/live_hub.h"
#include "stations/deliver/live_window.h"
#include "stations/deliver/package_dialog.h"
#include "style/context_menu.h"
#include "style/theme.h"

#include <QDesktopServices>
#include <QDir>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QItemSelectionModel>
#include <QLabel>
#include <QMenu>
#include <QProgressBar>
#include <QPushButton>
#include <QStandardPaths>
#include <QVBoxLayout>

namespace wembrix::app {

DeliverStation::DeliverStation(const StationContext& context, QWidget* parent)
    : StationPage(parent), document_(context.document), session_(context.session), runner_(context.runner),
      model_(&context.board), live_(context.live) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(10, 10, 10, 8);
    row->setSpacing(10);
    auto* card = new QFrame(this);
    card->setObjectName(QStringLiteral("card"));
    auto* column = new QVBoxLayout(card);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(4);
    auto* top = new QHBoxLayout;
    top->setContentsMargins(12, 0, 12, 0);
    auto* title = new QLabel(tr("Delivery board"), card);
    title->setObjectName(QStringLiteral("cardTitle"));
    top->addWidget(title);
    where_ = new QLabel(card);
    where_->setObjectName(QStringLiteral("soft"));
    where_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    top->addWidget(where_, 1);
    column->addLayout(top);
    rows_ = new BoardRows(*model_, this);
    bar_ = new BoardBar(*model_, *rows_, card);
    column->addWidget(bar_);
    view_ = new BoardView(*rows_, card);
    column->addWidget(view_, 1);
    empty_ = offer(tr("Nothing to deliver yet. Import a rigged model: its files stand here, one row each, with a "
                      "column for every destination."),
                   card);
    column->addWidget(empty_, 1);
    auto* foot = new QFrame(card);
    foot->setStyleSheet(
        QStringLiteral("QFrame { border-top: 1px solid %1; } QLabel { border: none; }").arg(theme().line.name()));
    auto* foot_column = new QVBoxLayout(foot);
    foot_column->setContentsMargins(12, 8, 12, 8);
    foot_column->setSpacing(6);
    auto* foot_row = new QHBoxLayout;
    progress_text_ = new QLabel(foot);
    progress_text_->setObjectName(QStringLiteral("deliveryProgress"));
    progress_text_->setStyleSheet(QStringLiteral("font-weight: 600; border: none;"));
    foot_row->addWidget(progress_text_);
    progress_ = new QProgressBar(foot);
    progress_->setTextVisible(false);
    foot_row->addWidget(progress_, 20);
    doing_ = new QLabel(foot);
    doing_->setObjectName(QStringLiteral("soft"));
    foot_row->addWidget(doing_);
    foot_row->addStretch(1);
    one_ = new QPushButton(tr("Deliver this one"), foot);
    one_->setObjectName(QStringLiteral("deliverOne"));
    one_->setToolTip(tr("Writes the chosen cell's file anew and checks it"));
    foot_row->addWidget(one_);
    all_ = new QPushButton(tr("Deliver all"), foot);
    all_->setObjectName(QStringLiteral("deliverAll"));
    all_->setToolTip(tr("Writes every file anew, up to date or not, and checks it"));
    foot_row->addWidget(all_);
    report_ = new QPushButton(tr("Report"), foot);
    report_->setObjectName(QStringLiteral("openReport"));
    report_->setToolTip(tr("Opens the page that tells of this destination's delivery: what arrived, what changed, what "
                           "stayed behind"));
    foot_row->addWidget(report_);
    package_ = new QPushButton(tr("Package…"), foot);
    package_->setObjectName(QStringLiteral("openPackage"));
    package_->setToolTip(tr("Copies what was delivered into one archive or folder to give on, with a list of all"));
    foot_row->addWidget(package_);
    live_button_ = new QPushButton(tr("Live…"), foot);
    live_button_->setObjectName(QStringLiteral("openLive"));
    live_button_->setToolTip(tr("Hands model and clips to an engine that is open, and the pose while you scrub"));
    foot_row->addWidget(live_button_);
    stop_ = new QPushButton(tr("Stop"), foot);
    stop_->setObjectName(QStringLiteral("stopDelivery"));
    stop_->setToolTip(tr("Ends after the file that is being written; what arrived stays"));
    foot_row->addWidget(stop_);
    foot_column->addLayout(foot_row);
    playback_ = new PlaybackBar(context.clock, foot);
    foot_column->addWidget(playback_);
    column->addWidget(foot);
    row->addWidget(card, 1);
    panel_ = new ArrivalPanel(session_, context.camera, context.clock, this);
    panel_->setFixedWidth(400);
    row->addWidget(panel_);
    view_->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(view_, &QWidget::customContextMenuRequested, this, &DeliverStation::ask_about_row);
    connect(stop_, &QPushButton::clicked, &runner_, &DeliveryRunner::stop);
    connect(one_, &QPushButton::clicked, this, [this] { runner_.deliver_cells({chosen_}); });
    connect(all_, &QPushButton::clicked, this, [this] { runner_.deliver_cells(rows_->cells()); });
    connect(report_, &QPushButton::clicked, this, &DeliverStation::open_report);
    connect(package_, &QPushButton::clicked, this, &DeliverStation::open_package);
    connect(live_button_, &QPushButton::clicked, this, &DeliverStation::open_live);
    connect(&live_, &LiveHub::changed, this, [this] {
        const size_t here = live_.listeners().size();
        live_button_->setText(here == 0 ? tr("Live…") : tr("Live: %1…").arg(here));
        show_answer();
    });
    connect(&runner_, &DeliveryRunner::progressed, this, &DeliverStation::refresh);
    connect(&runner_, &DeliveryRunner::finished, this, &DeliverStation::refresh);
    connect(&session_, &Session::changed, this, [this] {
        if (session_.state()) {
            playback_->offer(session_.state()->replay.prepared(), *session_.state()->replay.received);
        } else {
            playback_->offer_nothing();
        }
    });
    connect(rows_, &QAbstractItemModel::modelReset, this, [this] {
        keep_choice();
        refresh();
    });
    connect(view_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& now) {
        if (const BoardEntry* cell = rows_->cell(now)) {
            chosen_ = cell->key;
            play_chosen();
            show_chosen();
            refresh();
        }
    });
    refresh();
    show_chosen();
}

StationNote DeliverStation::waits(const SessionState&) const {
    const Theme& l = theme();
    const int held = model_->count(CellState::held);
    const auto due = static_cast<int>(model_->due().size());
    if (due == 0) {
        return {QStringLiteral("✓"), l.well, l.well_ground};
    }
    return held > 0 ? StationNote{tr("%1 held").arg(held), l.stop, l.stop_ground}
                    : StationNote{tr("%1 due").arg(due), l.note, l.note_ground};
}

void DeliverStation::take_view(TwinView& twin) {
    // What of a scene is shown is one choice for all panes.
    const auto follow = [this, &twin] {
        Shown shown = twin.shown();
        shown.tools = false;
        panel_->prepared_view().set_shown(shown);
        panel_->arrived_view().set_shown(shown);
    };
    if (!follows_) {
        follows_ = true;
        connect(&twin, &TwinView::shownChanged, this, follow);
    }
    follow();
    // The arrival check has panes of its own.
    twin.hide();
    play_chosen();
}

void DeliverStation::play_chosen() {
    // The board is made anew after every edit, wherever that is done: what plays there is not the board's to change.
    if (isVisible() && !chosen_.first.empty()) {
        // What stands on the model moves it; the model itself is seen at rest.
        const QString name = QString::fromStdString(name_in_id(chosen_.second));
        playback_->choose(name.section(QLatin1Char('/'), -1)); // of "crest/wade" the clip
    }
}

void DeliverStation::keep_choice() {
    QModelIndex at = rows_->index_of(chosen_);
    for (int r = 0; r < rows_->rowCount() && !at.isValid() && model_->entry(chosen_) == nullptr; ++r) {
        for (int c = 1; c < rows_->columnCount() && !at.isValid(); ++c) {
            at = rows_->cell(rows_->index(r, c)) != nullptr ? rows_->index(r, c) : at;
        }
    }
    if (at.isValid()) {
        chosen_ = rows_->cell(at)->key;
        view_->setCurrentIndex(at);
    } else if (model_->entry(chosen_) == nullptr) {
        chosen_ = {};
    }
    show_chosen();
}

const Destination* DeliverStation::chosen_destination() const {
    for (const Destination& candidate : document_.job().destinations) {
        if (candidate.name == chosen_.first) {
            return &candidate;
        }
    }
    return nullptr;
}

void DeliverStation::set_own_picture(const QString& file) {
    if (chosen_.second.empty()) {
        return;
    }
    document_.edit(file.isEmpty() ? tr("Draw the picture again") : tr("A picture of its own"),
                   [&, id = chosen_.second](Job& job) {
                       if (file.isEmpty()) {
                           job.pictures.erase(id);
                       } else {
                           job.pictures[id] = file.toStdString();
                       }
                   });
}

void DeliverStation::ask_about_row(const QPoint& at) {
    const BoardEntry* cell = rows_->cell(view_->indexAt(at));
    if (cell == nullptr) {
        return;
    }
    view_->setCurrentIndex(view_->indexAt(at));
    QMenu* menu = menu_of(*this);
    menu->setObjectName(QStringLiteral("cellMenu"));
    menu->addAction(tr("Deliver this one"), this, [this] { runner_.deliver_cells({chosen_}); })
        ->setEnabled(!runner_.is_running());
    menu->addSeparator();
    const Destination* destination = chosen_destination();
    QAction* own = menu->addAction(tr("A picture of its own…"), this, [this] {
        const QString file = QFileDialog::getOpenFileName(this, tr("The picture that goes with it"),
                                                          QString::fromStdString(document_.folder().string()),
                                                          tr("Pictures (*.png *.jpg *.jpeg)"));
        if (!file.isEmpty()) {
            set_own_picture(file);
        }
    });
    own->setEnabled(destination != nullptr && destination->pictures > 0);
    own->setToolTip(tr("Its destination has to ask for thumbnails"));
    menu->addAction(tr("The drawn picture again"), this, [this] { set_own_picture(QString()); })
        ->setEnabled(document_.job().pictures.count(chosen_.second) > 0);
    menu->setToolTipsVisible(true);
    menu->popup(view_->viewport()->mapToGlobal(at));
}

void DeliverStation::open_report() {
    const Destination* destination = chosen_destination();
    if (destination == nullptr) {
        return;
    }
    const std::filesystem::path folder = runner_.folder_of(*destination);
    const Job& job = document_.job();
    const nlohmann::json manifest = read_manifest(folder, {job.name, job.origin.variant_id});
    std::filesystem::path file = folder / report_file(manifest);
    if (!lists_file(manifest, report_file(manifest))) {
        // It asks for no page of its own: one is made to look at.
        const QString place = QStandardPaths::writableLocation(QStandardPaths::TempLocation);
        file = place.toStdString() + "/" + file_name_safe(job.name + "_" + destination->name) + "_report.html";
        if (const Outcome written = write_file_whole(file, report_page(manifest, folder)); !written) {
            progress_text_->setText(localized(written.problem().sentence()));
            return;
        }
    }
    open(QUrl::fromLocalFile(QString::fromStdString(file.string())));
}

void DeliverStation::open(const QUrl& url) {
    if (opener_) {
        opener_(url);
    } else if (!QDesktopServices::openUrl(url)) {
        progress_text_->setText(
            tr("%1: nothing here opens such pages.").arg(url.isLocalFile() ? url.toLocalFile() : url.toString()));
    }
}

void DeliverStation::open_live() {
    if (live_window_ == nullptr) {
        live_window_ = new LiveWindow(
            live_, [this](const QUrl& url) { open(url); }, this);
    }
    live_window_->show();
    live_window_->raise();
}

void DeliverStation::open_package() {
    // Made anew each time: the job, its folder and its name may be others now.
    auto* dialog = new PackageDialog(
        document_, session_, runner_, *model_, [this](const QUrl& url) { open(url); }, this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setModal(true);
    dialog->show();
}

void DeliverStation::show_answer() {
    const BoardEntry* entry = model_->entry(chosen_);
    const SentFile* answer = entry == nullptr ? nullptr : live_.answer(chosen_, entry->content);
    panel_->show_answer(answer == nullptr ? std::vector<Claim>() : answer->claims);
}

void DeliverStation::show_chosen() {
    const Destination* destination = chosen_destination();
    if (destination == nullptr) {
        panel_->show_cell(QString(), nullptr, nullptr, tr("Choose a cell of the board to see how its file arrived."));
        return;
    }
    panel_->set_folder(runner_.folder_of(*destination));
    const BoardEntry* entry = model_->entry(chosen_);
    const Arrival* arrival = entry == nullptr ? nullptr : runner_.arrival(chosen_, entry->content);
    if (arrival == nullptr && entry != nullptr && entry->state == CellState::arrived && !runner_.is_running()) {
        runner_.look_again(chosen_, entry->content);
    }
    const std::string name = name_in_id(chosen_.second);
    const QString what = QString::fromStdString(name.empty() ? chosen_.second : name);
    panel_->show_cell(what + QStringLiteral(" → ") + QString::fromStdString(destination->name), arrival, destination,
                      entry != nullptr && entry->state != CellState::arrived
                          ? tr("%1: %2. Deliver it, and what arrives is shown here.")
                                .arg(localized(cell_state_name(entry->state)), entry->detail)
                          : tr("Reading back what was delivered."));
    show_answer();
}

void DeliverStation::refresh() {
    const bool running = runner_.is_running();
    empty_->setVisible(document_.is_empty());
    view_->setVisible(!document_.is_empty());
    where_->setText(document_.job().destinations.empty() || document_.is_empty()
                        ? tr("one row a file, one column a destination")
                        : tr("one row a file · one column a destination · to %1/")
                              .arg(QString::fromStdString(document_.job().deliveries)));
    stop_->setVisible(running);
    one_->setVisible(!running);
    all_->setVisible(!running);
    const bool filtered = !rows_->filter().is_open();
    const size_t shown = rows_->cells().size();
    all_->setText(filtered ? tr("Deliver these %1").arg(shown) : tr("Deliver all"));
    all_->setToolTip(filtered ? tr("Writes the files that are shown anew, up to date or not, and checks them")
                              : tr("Writes every file anew, up to date or not, and checks it"));
    all_->setEnabled(session_.state() != nullptr && shown > 0);
    bar_->setVisible(!document_.is_empty());
    std::error_code error;
    const bool has_report = !running && chosen_destination() != nullptr &&
                            std::filesystem::exists(runner_.folder_of(*chosen_destination()) / "delivery.json", error);
    report_->setVisible(!running);
    package_->setVisible(!running);
    package_->setEnabled(session_.state() != nullptr && !document_.path().isEmpty());
    report_->setEnabled(has_report);
    one_->setEnabled(!chosen_.first.empty() && session_.state() != nullptr);
    progress_->setVisible(running);
    if (running) {
        progress_text_->setText(
            tr("Delivering %1 of %2").arg(std::min(runner_.done() + 1, runner_.all())).arg(runner_.all()));
        progress_->setRange(0, std::max(1, runner_.all()));
        progress_->setValue(runner_.done());
        doing_->setText(runner_.doing());
    } else if (!model_->problem().isEmpty() || !runner_.problem().isEmpty()) {
        progress_text_->setText(model_->problem().isEmpty() ? runner_.problem() : model_->problem());
        doing_->clear();
    } else {
        const int held = model_->count(CellState::held);
        progress_text_->setText(tr("%1 of %2 arrived%3")
                                    .arg(model_->count(CellState::arrived))
                                    .arg(model_->count(CellState::arrived) + static_cast<int>(model_->due().size()))
                                    .arg(held > 0 ? tr(" · %1 held").arg(held) : QString()));
        doing_->setText(runner_.last_seconds() > 0
                            ? tr("last delivery took %1 s").arg(runner_.last_seconds(), 0, 'f', 1)
                            : QString());
    }
}

} // namespace wembrix::app
