#include "stations/takes/takes_station.h"

#include "core/base/files.h"
#include "core/job/card_edits.h"
#include "core/measure/motion.h"
#include "shell/shortcuts.h"
#include "stations/takes/strip_edits.h"
#include "style/look.h"

#include <QColorDialog>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QMessageBox>
#include <QPushButton>
#include <QSignalBlocker>
#include <QTableWidget>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

namespace wembrix::app {

namespace {

enum Column {
    colour_column,
    name_column,
    first_column,
    last_column,
    length_column,
    repeats_column,
    seam_column,
    travel_column,
    note_column
};

} // namespace

TakesStation::TakesStation(Document& document, Session& session, Clock& clock, QWidget* parent)
    : StationPage(parent), document_(document), session_(session), clock_(clock) {
    model_ = new TakesModel(document, session, this);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(10, 10, 10, 8);
    column->setSpacing(8);
    auto* top = new QHBoxLayout;
    top->setSpacing(10);
    place_ = new QWidget(this);
    auto* place_column = new QVBoxLayout(place_);
    place_column->setContentsMargins(0, 0, 0, 0);
    top->addWidget(place_, 6);
    auto* clip_card = new QFrame(this);
    clip_card->setObjectName(QStringLiteral("card"));
    auto* list_column = new QVBoxLayout(clip_card);
    list_column->setContentsMargins(8, 8, 8, 8);
    list_column->setSpacing(5);
    auto* list_top = new QHBoxLayout;
    clips_title_ = new QLabel(tr("Clips"), clip_card);
    clips_title_->setObjectName(QStringLiteral("cardTitle"));
    list_top->addWidget(clips_title_, 1);
    auto* read = new QPushButton(tr("Read a list…"), clip_card);
    read->setObjectName(QStringLiteral("readList"));
    read->setToolTip(tr("Cuts from a CSV or JSON file: name, first, last, repeats, colour, note"));
    list_top->addWidget(read);
    auto* write = new QPushButton(tr("Write it…"), clip_card);
    write->setObjectName(QStringLiteral("writeList"));
    write->setToolTip(tr("This list as CSV or JSON, for a sheet or for another job"));
    list_top->addWidget(write);
    list_column->addLayout(list_top);
    clips_ = new QTableWidget(0, 9, clip_card);
    clips_->setObjectName(QStringLiteral("clipList"));
    clips_->setHorizontalHeaderLabels({tr("Out"), tr("Clip"), tr("First"), tr("Last"), tr("Length"), tr("Repeats"),
                                       tr("Seam"), tr("Travel"), tr("Note")});
    clips_->verticalHeader()->hide();
    clips_->verticalHeader()->setDefaultSectionSize(25);
    clips_->setShowGrid(false);
    clips_->setSelectionBehavior(QAbstractItemView::SelectRows);
    clips_->setSelectionMode(QAbstractItemView::SingleSelection);
    clips_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    clips_->horizontalHeader()->setStretchLastSection(true);
    clips_->horizontalHeader()->setHighlightSections(false);
    clips_->horizontalHeader()->setMinimumSectionSize(18);
    QColor wash = look().selection;
    wash.setAlpha(34);
    clips_->setStyleSheet(QStringLiteral("QTableView { selection-background-color: %1; selection-color: %2; }")
                              .arg(wash.name(QColor::HexArgb), look().ink.name()));
    clips_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    const int widths[] = {36, 104, 46, 46, 58, 66, 68, 58};
    for (int i = 0; i < 8; ++i) {
        clips_->setColumnWidth(i, widths[i]);
    }
    list_column->addWidget(clips_, 1);
    message_ = new QLabel(clip_card);
    message_->setObjectName(QStringLiteral("takeMessage"));
    message_->setWordWrap(true);
    list_column->addWidget(message_);
    auto* mends = new QHBoxLayout;
    close_ = new QPushButton(clip_card);
    close_->setObjectName(QStringLiteral("closeLoop"));
    once_ = new QPushButton(tr("Play it once"), clip_card);
    once_->setObjectName(QStringLiteral("playOnce"));
    once_->setToolTip(tr("It is delivered as a clip that does not repeat"));
    blend_ = new QPushButton(tr("Blend it closed"), clip_card);
    blend_->setObjectName(QStringLiteral("blendLoop"));
    blend_->setToolTip(tr("Its last frames lead into its first pose; how many can be said"));
    way_ = new QPushButton(tr("Hand its way to the root…"), clip_card);
    way_->setObjectName(QStringLiteral("rootMotion"));
    way_->setToolTip(tr("What the pelvis goes over the ground becomes the root's, or is taken out"));
    mends->addWidget(close_);
    mends->addWidget(blend_);
    mends->addWidget(way_);
    mends->addWidget(once_);
    mends->addStretch(1);
    list_column->addLayout(mends);
    clip_card_ = clip_card;
    top->addWidget(clip_card, 7);
    auto* empty_card = new QFrame(this);
    empty_card->setObjectName(QStringLiteral("card"));
    auto* empty_column = new QVBoxLayout(empty_card);
    empty_column->addWidget(offer(tr("No take yet. Bring in a file with motion, or a model and its takes: the clips "
                                     "that are cut from them are listed here."),
                                  empty_card));
    empty_ = empty_card;
    top->addWidget(empty_card, 7);
    column->addLayout(top, 10);
    auto* card = new QFrame(this);
    card->setObjectName(QStringLiteral("card"));
    auto* card_column = new QVBoxLayout(card);
    card_column->setContentsMargins(4, 6, 4, 4);
    card_column->setSpacing(4);
    auto* tools = new QHBoxLayout;
    tools->setContentsMargins(8, 0, 8, 0);
    tools->setSpacing(6);
    takes_ = new QComboBox(card);
    takes_->setObjectName(QStringLiteral("takeChoice"));
    takes_->setToolTip(tr("The take that is cut"));
    tools->addWidget(takes_);
    about_ = new QLabel(card);
    about_->setObjectName(QStringLiteral("soft"));
    tools->addWidget(about_);
    tools->addStretch(1);
    tools->addWidget(new QLabel(tr("Still below"), card));
    still_below_ = new QDoubleSpinBox(card);
    still_below_->setObjectName(QStringLiteral("stillBelow"));
    still_below_->setDecimals(3);
    still_below_->setRange(0, 1000);
    still_below_->setSingleStep(0.01);
    still_below_->setSuffix(tr(" m/s"));
    still_below_->setToolTip(tr("Frames in which less moves are still; the dotted line on the strip"));
    tools->addWidget(still_below_);
    tools->addWidget(new QLabel(tr("for at least"), card));
    shortest_ = new QDoubleSpinBox(card);
    shortest_->setObjectName(QStringLiteral("shortest"));
    shortest_->setDecimals(2);
    shortest_->setRange(0.03, 60);
    shortest_->setSingleStep(0.1);
    shortest_->setValue(0.5);
    shortest_->setSuffix(tr(" s"));
    tools->addWidget(shortest_);
    offered_ = new QLabel(card);
    offered_->setObjectName(QStringLiteral("offered"));
    offered_->setStyleSheet(QStringLiteral("color: %1;").arg(look().look.name()));
    tools->addWidget(offered_);
    cut_all_ = new QPushButton(tr("Cut at all"), card);
    cut_all_->setObjectName(QStringLiteral("cutAll"));
    cut_all_->setToolTip(tr("New clips between the places offered; what is cut now is replaced"));
    tools->addWidget(cut_all_);
    cut_here_ = new QPushButton(tr("Cut here"), card);
    cut_here_->setObjectName(QStringLiteral("cutHere"));
    cut_here_->setToolTip(tr(
        "At the playhead (Enter on the strip). Wheel zooms, Shift with it scrolls, Alt drags an end without snapping, "
        "double-click names a clip, Delete takes it out."));
    tools->addWidget(cut_here_);
    card_column->addLayout(tools);
    strip_ = new TakeStrip(card);
    card_column->addWidget(strip_, 1);
    column->addWidget(card, 9);

    connect(model_, &TakesModel::changed, this, &TakesStation::refresh);
    connect(takes_, &QComboBox::activated, this, [this] {
        refresh();
        scrub(0);
    });
    connect(still_below_, &QDoubleSpinBox::valueChanged, this, &TakesStation::refresh_offers);
    connect(shortest_, &QDoubleSpinBox::valueChanged, this, &TakesStation::refresh_offers);
    connect(cut_all_, &QPushButton::clicked, this, [this] {
        if (const TakeFacts* one = take()) {
            set_cuts(tr("Cut %1 at its still places").arg(takes_->currentText()),
                     wembrix::app::cut_all(offers_, one->frames));
        }
    });
    connect(cut_here_, &QPushButton::clicked, this, &TakesStation::cut_at_playhead);
    connect(strip_, &TakeStrip::cutAsked, this, &TakesStation::cut_at_playhead);
    connect(strip_, &TakeStrip::edited, this, &TakesStation::set_cuts);
    connect(strip_, &TakeStrip::scrubbed, this, &TakesStation::scrub);
    connect(strip_, &TakeStrip::clipChosen, this, &TakesStation::choose_clip);
    connect(clips_, &QTableWidget::itemChanged, this, &TakesStation::edited);
    connect(clips_, &QTableWidget::currentCellChanged, this, [this](int row) { choose_clip(row); });
    connect(clips_, &QTableWidget::cellDoubleClicked, this, [this](int row, int at) {
        std::vector<Cut> list = cuts();
        if (at != colour_column || row >= static_cast<int>(list.size())) {
            return;
        }
        const QColor now(QString::fromStdString(list[static_cast<size_t>(row)].colour));
        const QColor chosen = QColorDialog::getColor(now, this, tr("Colour of the clip"));
        if (chosen.isValid()) {
            list[static_cast<size_t>(row)].colour = chosen.name().toUpper().toStdString();
            set_cuts(tr("Colour a clip"), list);
        }
    });
    connect(&clock_, &Clock::moved, this, &TakesStation::follow_clock);
    connect(&clock_, &Clock::clipChanged, this, &TakesStation::follow_clock);
    connect(read, &QPushButton::clicked, this, [this] {
        const QString file =
            QFileDialog::getOpenFileName(this, tr("Read a list of cuts"), QString(), tr("Lists (*.csv *.json)"));
        const QString problem = file.isEmpty() ? QString() : read_list(file);
        if (!problem.isEmpty()) {
            QMessageBox::warning(this, tr("Wembrix"), problem);
        }
    });
    connect(write, &QPushButton::clicked, this, [this] {
        const QString file = QFileDialog::getSaveFileName(this, tr("Write the list of cuts"),
                                                          QStringLiteral("cuts.csv"), tr("CSV (*.csv);;JSON (*.json)"));
        const QString problem = file.isEmpty() ? QString() : write_list(file);
        if (!problem.isEmpty()) {
            QMessageBox::warning(this, tr("Wembrix"), problem);
        }
    });
    connect(close_, &QPushButton::clicked, this, [this] {
        std::vector<Cut> list = cuts();
        const int at = strip_->chosen();
        if (at >= 0 && at < static_cast<int>(list.size())) {
            Cut& cut = list[static_cast<size_t>(at)];
            const ClipFacts* facts = model_->clip(cut.name);
            if (facts != nullptr && facts->closing) {
                cut.last = cut.first + facts->closing->frame;
                set_cuts(tr("Close %1").arg(QString::fromStdString(cut.name)), list);
            }
        }
    });
    connect(blend_, &QPushButton::clicked, this, [this] {
        if (const std::string name = chosen_name(); !name.empty()) {
            Q_EMIT stepAsked({"close_loop", {{"clip", name}, {"way", "blend"}, {"frames", 8}}});
        }
    });
    connect(way_, &QPushButton::clicked, this, [this] {
        if (const std::string name = chosen_name(); !name.empty()) {
            Q_EMIT stepAsked({"take_root_motion",
                              {{"clips", {name}}, {"way", "to_root"}, {"x", true}, {"z", true}, {"turn", true}}});
        }
    });
    connect(once_, &QPushButton::clicked, this, [this] {
        std::vector<Cut> list = cuts();
        const int at = strip_->chosen();
        if (at >= 0 && at < static_cast<int>(list.size())) {
            list[static_cast<size_t>(at)].repeats = false;
            set_cuts(tr("Play %1 once").arg(QString::fromStdString(list[static_cast<size_t>(at)].name)), list);
        }
    });
    refresh();
}

void TakesStation::take_view(TwinView& twin) {
    twin_ = &twin;
    place_->layout()->addWidget(&twin);
    twin.set_mode(TwinMode::side_by_side);
    twin.show();
    // Working on a take, one sees motion, not the rest pose.
    if (clock_.clip().isEmpty() && take() != nullptr) {
        scrub(0);
    }
}

const TakeFacts* TakesStation::take() const {
    return model_->take(takes_->currentText().toStdString());
}

std::vector<Cut> TakesStation::cuts() const {
    return model_->cuts(takes_->currentText().toStdString());
}

std::string TakesStation::chosen_name() const {
    const std::vector<Cut> list = cuts();
    const int at = strip_->chosen();
    return at >= 0 && at < static_cast<int>(list.size()) ? list[static_cast<size_t>(at)].name : std::string();
}

void TakesStation::set_cuts(const QString& what, const std::vector<Cut>& cuts) {
    const std::string name = takes_->currentText().toStdString();
    if (take() == nullptr) {
        return;
    }
    document_.edit(what, [&](Job& job) { wembrix::set_cuts(job, name, cuts); });
    refresh();
}

void TakesStation::refresh() {
    {
        const QSignalBlocker quiet(takes_);
        const QString wanted = takes_->currentText();
        takes_->clear();
        for (const TakeFacts& one : model_->takes()) {
            takes_->addItem(QString::fromStdString(one.name));
        }
        takes_->setCurrentIndex(std::max(0, takes_->findText(wanted)));
        takes_->setVisible(takes_->count() > 0);
    }
    const bool nothing = document_.is_empty() || (session_.state() && model_->takes().empty());
    empty_->setVisible(nothing);
    clip_card_->setVisible(!nothing);
    const TakeFacts* one = take();
    about_->setText(one == nullptr
                        ? QString()
                        : tr("%1 frames · %2 s · %3 fps").arg(one->frames).arg(one->seconds, 0, 'f', 2).arg(one->rate));
    for (QWidget* tool : std::initializer_list<QWidget*>{still_below_, shortest_, cut_all_, cut_here_}) {
        tool->setEnabled(one != nullptr && !one->energy.empty());
    }
    if (one != nullptr && !one->energy.empty() && threshold_of_ != takes_->currentText()) {
        threshold_of_ = takes_->currentText();
        const QSignalBlocker quiet(still_below_);
        still_below_->setSingleStep(std::pow(10, std::floor(std::log10(std::max(1e-3, one->still_below)))));
        still_below_->setValue(one->still_below);
    }
    refresh_offers();
    refresh_clips();
    refresh_message();
    follow_clock();
}

void TakesStation::refresh_offers() {
    const TakeFacts* one = take();
    offers_.clear();
    if (one != nullptr && !one->energy.empty()) {
        const int shortest = std::max(1, static_cast<int>(std::lround(shortest_->value() * one->rate)));
        offers_ = cut_places(still_places(one->energy, still_below_->value(), shortest), one->frames);
        TakeFacts shown = *one;
        shown.still_below = still_below_->value();
        strip_->show_take(&shown, cuts(), *model_);
    } else {
        strip_->show_take(one, cuts(), *model_);
    }
    strip_->set_offers(offers_);
    offered_->setText(offers_.empty() ? tr("no still place") : tr("▾ %1 offered as cuts").arg(offers_.size()));
    cut_all_->setEnabled(!offers_.empty());
}

void TakesStation::refresh_clips() {
    const QSignalBlocker quiet(clips_);
    const std::vector<Cut> list = cuts();
    const TakeFacts* one = take();
    clips_title_->setText(one == nullptr ? tr("Clips") : tr("Clips · %1").arg(list.size()));
    clips_->setRowCount(static_cast<int>(list.size()));
    for (size_t i = 0; i < list.size(); ++i) {
        const Cut& cut = list[i];
        const int row = static_cast<int>(i);
        const auto put = [&](int at, const QString& text, bool editable, const QString& tip = {}) {
            auto* item = new QTableWidgetItem(text);
            item->setFlags(editable ? item->flags() | Qt::ItemIsEditable : item->flags() & ~Qt::ItemIsEditable);
            item->setToolTip(tip.isEmpty() ? text : tip);
            if (!editable) {
                item->setForeground(look().soft);
            }
            clips_->setItem(row, at, item);
            return item;
        };
        auto* colour = put(colour_column, QString(), false,
                           tr("Ticked, it goes out as a file of its own. Double-click for another colour."));
        // A swatch of its own: a background would be gone while the row is chosen.
        QPixmap swatch(12, 14);
        swatch.fill(QColor(QString::fromStdString(cut.colour.empty() ? clip_colour(i) : cut.colour)));
        colour->setIcon(swatch);
        colour->setFlags(colour->flags() | Qt::ItemIsUserCheckable);
        colour->setCheckState(cut.deliver ? Qt::Checked : Qt::Unchecked);
        put(name_column, QString::fromStdString(cut.name), true);
        put(first_column, QString::number(cut.first), true, tr("First frame of the take"));
        put(last_column, QString::number(cut.last), true, tr("Last frame of the take, counted too"));
        put(length_column, one == nullptr ? QString() : tr("%1 s").arg((cut.last - cut.first) / one->rate, 0, 'f', 2),
            false, tr("%1 frames, first and last counted").arg(cut.last - cut.first + 1));
        auto* repeats =
            put(repeats_column, cut.repeats ? tr("yes") : tr("once"), false, tr("Tick a clip that repeats"));
        repeats->setFlags(repeats->flags() | Qt::ItemIsUserCheckable);
        repeats->setCheckState(cut.repeats ? Qt::Checked : Qt::Unchecked);
        repeats->setForeground(look().ink);
        const ClipFacts* facts = model_->clip(cut.name);
        QString seam = QStringLiteral("–");
        QString seam_tip = tr("A clip that plays once has no seam");
        if (facts != nullptr && facts->seam && cut.repeats) {
            seam = tr("%1 mm").arg(facts->seam->apart_mm, 0, 'f', facts->seam->apart_mm < 10 ? 1 : 0);
            seam_tip = tr("Last pose from first: %1 mm at %2, %3° at %4, speed changes by %5 m/s")
                           .arg(facts->seam->apart_mm, 0, 'f', 2)
                           .arg(QString::fromStdString(facts->seam->apart_at))
                           .arg(facts->seam->turned_deg, 0, 'f', 1)
                           .arg(QString::fromStdString(facts->seam->turned_joint))
                           .arg(facts->seam->speed_m_s, 0, 'f', 2);
        }
        auto* item = put(seam_column, seam, false, seam_tip);
        if (facts != nullptr && facts->seam && cut.repeats) {
            item->setForeground(facts->closes ? look().well : look().stop);
        }
        put(travel_column, facts == nullptr ? QString() : tr("%1 m").arg(facts->travel_m, 0, 'f', 2), false,
            tr("How far it goes over the ground from its first frame to its last"));
        put(note_column, QString::fromStdString(cut.note), true, tr("A note for whoever works on it next"));
    }
    if (strip_->chosen() >= 0) {
        clips_->selectRow(strip_->chosen());
    }
}

void TakesStation::refresh_message() {
    const std::vector<Cut> list = cuts();
    const int at = strip_->chosen();
    close_->hide();
    blend_->hide();
    once_->hide();
    way_->setVisible(at >= 0 && at < static_cast<int>(list.size()));
    message_->setStyleSheet(QStringLiteral("color: %1; font-size: 11px;").arg(look().soft.name()));
    if (take() == nullptr) {
        message_->setText(tr("Clips cut from a take are listed here."));
        return;
    }
    if (list.empty()) {
        message_->setText(tr("Nothing is cut yet: the take goes out whole. Cut at the playhead, at the places offered, "
                             "or read a list."));
        return;
    }
    if (at < 0 || at >= static_cast<int>(list.size())) {
        message_->setText(tr("Choose a clip to see whether it closes. Names, frames and notes can be typed."));
        return;
    }
    const Cut& cut = list[static_cast<size_t>(at)];
    const ClipFacts* facts = model_->clip(cut.name);
    if (facts == nullptr || !facts->seam || !cut.repeats) {
        message_->setText(tr("“%1” plays once: no seam to close.").arg(QString::fromStdString(cut.name)));
        return;
    }
    if (facts->closes) {
        message_->setText(tr("“%1” closes: its last pose is %2 mm and %3° from its first.")
                              .arg(QString::fromStdString(cut.name))
                              .arg(facts->seam->apart_mm, 0, 'f', 1)
                              .arg(facts->seam->turned_deg, 0, 'f', 1));
        return;
    }
    message_->setStyleSheet(QStringLiteral("background: %1; color: %2; padding: 6px; border-radius: 4px;")
                                .arg(look().stop_ground.name(), look().stop.name()));
    QString text = tr("<b>%1 does not close.</b> Its last pose is %2 mm (%3) and %4° (%5) from its first.")
                       .arg(QString::fromStdString(cut.name))
                       .arg(facts->seam->apart_mm, 0, 'f', 0)
                       .arg(QString::fromStdString(facts->seam->apart_at))
                       .arg(facts->seam->turned_deg, 0, 'f', 0)
                       .arg(QString::fromStdString(facts->seam->turned_joint));
    if (facts->closing && cut.first + facts->closing->frame != cut.last) {
        text += tr(" Nearest is frame %1: %2 mm.")
                    .arg(cut.first + facts->closing->frame)
                    .arg(facts->closing->seam.apart_mm, 0, 'f', 1);
        close_->setText(tr("Move its end to %1").arg(cut.first + facts->closing->frame));
        close_->setToolTip(tr("The frame near its end whose pose is nearest to the first"));
        close_->show();
    }
    message_->setText(text);
    blend_->show();
    once_->show();
}

void TakesStation::follow_clock() {
    const TakeFacts* one = take();
    const std::shared_ptr<const SessionState> state = session_.state();
    if (one == nullptr || !state) {
        return;
    }
    double start = one->start_s;
    if (const Clip* clip = state->replay.prepared().find_clip(clock_.clip().toStdString())) {
        if (clip->take != one->take) {
            return;
        }
        start = clip->start_s;
    }
    strip_->set_playhead(static_cast<int>(std::lround((start - one->start_s + clock_.seconds()) * one->rate)));
}

void TakesStation::scrub(int frame) {
    const TakeFacts* one = take();
    const std::shared_ptr<const SessionState> state = session_.state();
    if (one == nullptr || !state || twin_ == nullptr) {
        return;
    }
    clock_.set_playing(false);
    // Inside the clip that plays it stays with it; elsewhere the whole take is shown.
    const Clip* clip = state->replay.prepared().find_clip(clock_.clip().toStdString());
    if (clip != nullptr && clip->take == one->take && clip->cut) {
        const int first = static_cast<int>(std::lround((clip->start_s - one->start_s) * one->rate));
        if (frame >= first && frame - first < clip->frames()) {
            clock_.go_to(frame - first);
            return;
        }
    }
    if (clock_.clip().toStdString() != one->name) {
        twin_->playback().choose(QString::fromStdString(one->name));
    }
    clock_.go_to(frame);
}

void TakesStation::choose_clip(int clip) {
    const std::vector<Cut> list = cuts();
    if (clip < 0 || clip >= static_cast<int>(list.size())) {
        return;
    }
    strip_->choose(clip);
    {
        const QSignalBlocker quiet(clips_);
        clips_->selectRow(clip);
    }
    const std::shared_ptr<const SessionState> state = session_.state();
    const std::string& name = list[static_cast<size_t>(clip)].name;
    if (twin_ != nullptr && state && state->replay.prepared().find_clip(name) != nullptr &&
        clock_.clip().toStdString() != name) {
        twin_->playback().choose(QString::fromStdString(name));
    }
    refresh_message();
}

void TakesStation::go_to(const QString& clip, int frame) {
    for (const TakeFacts& one : model_->takes()) {
        const std::vector<Cut> list = model_->cuts(one.name);
        for (size_t i = 0; i < list.size(); ++i) {
            if (list[i].name == clip.toStdString()) {
                takes_->setCurrentText(QString::fromStdString(one.name));
                refresh();
                choose_clip(static_cast<int>(i));
                clock_.go_to(std::max(0, frame));
                return;
            }
        }
    }
    if (twin_ != nullptr) {
        twin_->playback().choose(clip);
        clock_.go_to(std::max(0, frame));
    }
}

void TakesStation::edited(QTableWidgetItem* item) {
    std::vector<Cut> list = cuts();
    const int row = item->row();
    if (row >= static_cast<int>(list.size())) {
        return;
    }
    Cut& cut = list[static_cast<size_t>(row)];
    const QString text = item->text().trimmed();
    bool number = true;
    switch (item->column()) {
    case name_column:
        if (!text.isEmpty()) {
            cut.name = text.toStdString();
        }
        break;
    case first_column: {
        const int frame = text.toInt(&number);
        cut.first = number ? frame : cut.first;
        break;
    }
    case last_column: {
        const int frame = text.toInt(&number);
        cut.last = number ? frame : cut.last;
        break;
    }
    case colour_column:
        if (cut.deliver == (item->checkState() == Qt::Checked)) {
            return;
        }
        cut.deliver = item->checkState() == Qt::Checked;
        break;
    case repeats_column:
        cut.repeats = item->checkState() == Qt::Checked;
        break;
    case note_column:
        cut.note = text.toStdString();
        break;
    default:
        return;
    }
    // After the table has finished with the cell: the list is made anew.
    QMetaObject::invokeMethod(
        this, [this, list, name = QString::fromStdString(cut.name)] { set_cuts(tr("Edit clip %1").arg(name), list); },
        Qt::QueuedConnection);
}

void TakesStation::cut_at_playhead() {
    if (const TakeFacts* one = take()) {
        const std::vector<Cut> before = cuts();
        const std::vector<Cut> after = cut_at(before, strip_->playhead(), one->frames);
        if (!(after == before)) {
            set_cuts(tr("Cut at frame %1").arg(strip_->playhead()), after);
        }
    }
}

QString TakesStation::read_list(const QString& file) {
    const Result<std::string> text = read_file(file.toStdString());
    if (!text) {
        return QString::fromStdString(text.problem().sentence());
    }
    const Result<std::vector<Cut>> list = cuts_from_text(*text, file.toStdString());
    if (!list) {
        return QString::fromStdString(list.problem().sentence());
    }
    set_cuts(tr("Read cuts from a list"), *list);
    return {};
}

QString TakesStation::write_list(const QString& file) {
    const std::vector<Cut> list = cuts();
    const std::string text =
        file.endsWith(QStringLiteral(".json")) ? cuts_to_json(list).dump(2) + "\n" : cuts_to_csv(list);
    const Outcome done = write_file_whole(file.toStdString(), text);
    return done ? QString() : QString::fromStdString(done.problem().sentence());
}

} // namespace wembrix::app
