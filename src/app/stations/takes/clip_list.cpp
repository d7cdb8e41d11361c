#include "stations/takes/clip_list.h"

#include "style/look.h"

#include <QColorDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QSignalBlocker>
#include <QTableWidget>
#include <QVBoxLayout>
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

QString named(const Cut& cut) {
    return QString::fromStdString(cut.name);
}

/// What goes over the ground or round at all.
bool goes(const Travel& travel) {
    return travel.metres > 0.05 || travel.along_m > 0.2 || std::abs(travel.turn_degrees) > 5;
}

QString travel_words(const ClipFacts& facts) {
    const Travel& travel = facts.travel;
    QString words =
        QObject::tr("Its %1 goes %2 m").arg(QString::fromStdString(facts.way_joint)).arg(travel.metres, 0, 'f', 2);
    if (std::abs(travel.turn_degrees) > 1) {
        words += QObject::tr(", turns %1°").arg(travel.turn_degrees, 0, 'f', 0);
    }
    return words + QObject::tr(", %1 m/s in the mean, %2 m/s at most (frame %3)")
                       .arg(travel.mean_m_s, 0, 'f', 2)
                       .arg(travel.top_m_s, 0, 'f', 2)
                       .arg(travel.top_frame);
}

} // namespace

ClipList::ClipList(const TakesModel& model, QWidget* parent) : QFrame(parent), model_(model) {
    setObjectName(QStringLiteral("card"));
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(8, 8, 8, 8);
    column->setSpacing(5);
    column->addWidget(make_title());
    make_table();
    column->addWidget(table_, 1);
    message_ = new QLabel(this);
    message_->setObjectName(QStringLiteral("takeMessage"));
    message_->setWordWrap(true);
    column->addWidget(message_);
    column->addWidget(make_mends());
}

QWidget* ClipList::make_title() {
    auto* bar = new QWidget(this);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(0, 0, 0, 0);
    title_ = new QLabel(tr("Clips"), bar);
    title_->setObjectName(QStringLiteral("cardTitle"));
    row->addWidget(title_, 1);
    ends_ = new QPushButton(tr("First and last pose"), bar);
    ends_->setObjectName(QStringLiteral("showEnds"));
    ends_->setProperty("mode", true);
    ends_->setCheckable(true);
    ends_->setToolTip(tr("Both ends of the clip over each other in Prepared. Of a clip that repeats and travels, the "
                         "last is set down where the first stands"));
    connect(ends_, &QPushButton::toggled, this, &ClipList::endsToggled);
    row->addWidget(ends_);
    auto* read = new QPushButton(tr("Read a list…"), bar);
    read->setObjectName(QStringLiteral("readList"));
    read->setToolTip(tr("Cuts from a CSV or JSON file: name, first, last, repeats, colour, note"));
    connect(read, &QPushButton::clicked, this, &ClipList::readAsked);
    row->addWidget(read);
    auto* write = new QPushButton(tr("Write it…"), bar);
    write->setObjectName(QStringLiteral("writeList"));
    write->setToolTip(tr("This list as CSV or JSON, for a sheet or for another job"));
    connect(write, &QPushButton::clicked, this, &ClipList::writeAsked);
    row->addWidget(write);
    return bar;
}

void ClipList::make_table() {
    table_ = new QTableWidget(0, 9, this);
    table_->setObjectName(QStringLiteral("clipList"));
    table_->setHorizontalHeaderLabels({tr("Out"), tr("Clip"), tr("First"), tr("Last"), tr("Length"), tr("Repeats"),
                                       tr("Seam"), tr("Travel"), tr("Note")});
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(25);
    table_->setShowGrid(false);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->horizontalHeader()->setStretchLastSection(true);
    table_->horizontalHeader()->setHighlightSections(false);
    table_->horizontalHeader()->setMinimumSectionSize(18);
    QColor wash = look().selection;
    wash.setAlpha(34);
    table_->setStyleSheet(QStringLiteral("QTableView { selection-background-color: %1; selection-color: %2; }")
                              .arg(wash.name(QColor::HexArgb), look().ink.name()));
    table_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    const int widths[] = {36, 104, 46, 46, 58, 66, 68, 58};
    for (int i = 0; i < 8; ++i) {
        table_->setColumnWidth(i, widths[i]);
    }
    connect(table_, &QTableWidget::itemChanged, this, &ClipList::edited);
    connect(table_, &QTableWidget::currentCellChanged, this, [this](int row) { Q_EMIT clipChosen(row); });
    connect(table_, &QTableWidget::cellDoubleClicked, this, [this](int row, int at) {
        if (at == colour_column) {
            colour(row);
        }
    });
}

QWidget* ClipList::make_mends() {
    auto* bar = new QWidget(this);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(0, 0, 0, 0);
    close_ = new QPushButton(bar);
    close_->setObjectName(QStringLiteral("closeLoop"));
    once_ = new QPushButton(tr("Play it once"), bar);
    once_->setObjectName(QStringLiteral("playOnce"));
    once_->setToolTip(tr("It is delivered as a clip that does not repeat"));
    blend_ = new QPushButton(tr("Blend it closed"), bar);
    blend_->setObjectName(QStringLiteral("blendLoop"));
    blend_->setToolTip(tr("Its last frames lead into its first pose; how many can be said"));
    way_ = new QPushButton(tr("Hand its way to the root…"), bar);
    way_->setObjectName(QStringLiteral("rootMotion"));
    way_->setToolTip(tr("What the pelvis goes over the ground becomes the root's, or is taken out"));
    row->addWidget(close_);
    row->addWidget(blend_);
    row->addWidget(way_);
    row->addWidget(once_);
    row->addStretch(1);
    connect(close_, &QPushButton::clicked, this, [this] {
        const Cut* cut = chosen_cut();
        const ClipFacts* facts = cut == nullptr ? nullptr : model_.clip(cut->name);
        if (facts != nullptr && facts->closing) {
            std::vector<Cut> list = cuts_;
            list[static_cast<size_t>(chosen_)].last = cut->first + facts->closing->frame;
            Q_EMIT cutsEdited(tr("Close %1").arg(named(*cut)), list);
        }
    });
    connect(blend_, &QPushButton::clicked, this, [this] {
        if (const Cut* cut = chosen_cut()) {
            Q_EMIT stepAsked({"close_loop", {{"clip", cut->name}, {"way", "blend"}, {"frames", 8}}});
        }
    });
    connect(way_, &QPushButton::clicked, this, [this] {
        if (const Cut* cut = chosen_cut()) {
            Q_EMIT stepAsked({"take_root_motion",
                              {{"clips", {cut->name}}, {"way", "to_root"}, {"x", true}, {"z", true}, {"turn", true}}});
        }
    });
    connect(once_, &QPushButton::clicked, this, [this] {
        if (const Cut* cut = chosen_cut()) {
            std::vector<Cut> list = cuts_;
            list[static_cast<size_t>(chosen_)].repeats = false;
            Q_EMIT cutsEdited(tr("Play %1 once").arg(named(*cut)), list);
        }
    });
    return bar;
}

const Cut* ClipList::chosen_cut() const {
    return chosen_ >= 0 && chosen_ < static_cast<int>(cuts_.size()) ? &cuts_[static_cast<size_t>(chosen_)] : nullptr;
}

bool ClipList::ends_shown() const {
    return ends_->isChecked();
}

void ClipList::show_clips(const TakeFacts* take, std::vector<Cut> cuts, int chosen) {
    const QSignalBlocker quiet(table_);
    cuts_ = std::move(cuts);
    chosen_ = chosen;
    any_ = take != nullptr;
    rate_ = take == nullptr ? 30 : take->rate;
    title_->setText(any_ ? tr("Clips · %1").arg(cuts_.size()) : tr("Clips"));
    table_->setRowCount(static_cast<int>(cuts_.size()));
    for (int row = 0; row < table_->rowCount(); ++row) {
        fill_row(row);
    }
    if (chosen_ >= 0) {
        table_->selectRow(chosen_);
    }
    say();
}

void ClipList::choose(int clip) {
    const QSignalBlocker quiet(table_);
    chosen_ = clip;
    table_->selectRow(clip);
    say();
}

void ClipList::fill_row(int row) {
    const Cut& cut = cuts_[static_cast<size_t>(row)];
    const auto put = [&](int at, const QString& text, bool editable, const QString& tip = {}) {
        auto* item = new QTableWidgetItem(text);
        item->setFlags(editable ? item->flags() | Qt::ItemIsEditable : item->flags() & ~Qt::ItemIsEditable);
        item->setToolTip(tip.isEmpty() ? text : tip);
        if (!editable) {
            item->setForeground(look().soft);
        }
        table_->setItem(row, at, item);
        return item;
    };
    auto* colour = put(colour_column, QString(), false,
                       tr("Ticked, it goes out as a file of its own. Double-click for another colour."));
    // A swatch of its own: a background would be gone while the row is chosen.
    QPixmap swatch(12, 14);
    swatch.fill(
        QColor(QString::fromStdString(cut.colour.empty() ? clip_colour(static_cast<size_t>(row)) : cut.colour)));
    colour->setIcon(swatch);
    colour->setFlags(colour->flags() | Qt::ItemIsUserCheckable);
    colour->setCheckState(cut.deliver ? Qt::Checked : Qt::Unchecked);
    put(name_column, named(cut), true);
    put(first_column, QString::number(cut.first), true, tr("First frame of the take"));
    put(last_column, QString::number(cut.last), true, tr("Last frame of the take, counted too"));
    put(length_column, any_ ? tr("%1 s").arg((cut.last - cut.first) / rate_, 0, 'f', 2) : QString(), false,
        tr("%1 frames, first and last counted").arg(cut.last - cut.first + 1));
    auto* repeats = put(repeats_column, cut.repeats ? tr("yes") : tr("once"), false, tr("Tick a clip that repeats"));
    repeats->setFlags(repeats->flags() | Qt::ItemIsUserCheckable);
    repeats->setCheckState(cut.repeats ? Qt::Checked : Qt::Unchecked);
    repeats->setForeground(look().ink);
    const ClipFacts* facts = model_.clip(cut.name);
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
    put(travel_column, facts == nullptr ? QString() : tr("%1 m").arg(facts->travel.metres, 0, 'f', 2), false,
        facts == nullptr ? tr("How far it goes over the ground from its first frame to its last")
                         : travel_words(*facts));
    put(note_column, QString::fromStdString(cut.note), true, tr("A note for whoever works on it next"));
}

void ClipList::say() {
    close_->hide();
    blend_->hide();
    once_->hide();
    const Cut* cut = chosen_cut();
    way_->setVisible(cut != nullptr);
    ends_->setVisible(any_ && !cuts_.empty());
    ends_->setEnabled(cut != nullptr);
    message_->setStyleSheet(QStringLiteral("color: %1; font-size: 11px;").arg(look().soft.name()));
    if (!any_) {
        message_->setText(tr("Clips cut from a take are listed here."));
        return;
    }
    if (cuts_.empty()) {
        message_->setText(tr("Nothing is cut yet: the take goes out whole. Cut at the playhead, at the places offered, "
                             "or read a list."));
        return;
    }
    if (cut == nullptr) {
        message_->setText(tr("Choose a clip to see whether it closes. Names, frames and notes can be typed."));
        return;
    }
    const ClipFacts* facts = model_.clip(cut->name);
    const QString travel =
        facts != nullptr && goes(facts->travel) ? QStringLiteral(" ") + travel_words(*facts) + '.' : "";
    if (facts == nullptr || !facts->seam || !cut->repeats) {
        message_->setText(tr("“%1” plays once: no seam to close.").arg(named(*cut)) + travel);
        return;
    }
    if (facts->closes) {
        message_->setText(tr("“%1” closes: its last pose is %2 mm and %3° from its first.")
                              .arg(named(*cut))
                              .arg(facts->seam->apart_mm, 0, 'f', 1)
                              .arg(facts->seam->turned_deg, 0, 'f', 1) +
                          travel);
        return;
    }
    say_seam(*cut, *facts);
}

void ClipList::say_seam(const Cut& cut, const ClipFacts& facts) {
    message_->setStyleSheet(QStringLiteral("background: %1; color: %2; padding: 6px; border-radius: 4px;")
                                .arg(look().stop_ground.name(), look().stop.name()));
    QString text = tr("<b>%1 does not close.</b> Its last pose is %2 mm (%3) and %4° (%5) from its first.")
                       .arg(named(cut))
                       .arg(facts.seam->apart_mm, 0, 'f', 0)
                       .arg(QString::fromStdString(facts.seam->apart_at))
                       .arg(facts.seam->turned_deg, 0, 'f', 0)
                       .arg(QString::fromStdString(facts.seam->turned_joint));
    if (facts.closing && cut.first + facts.closing->frame != cut.last) {
        text += tr(" Nearest is frame %1: %2 mm.")
                    .arg(cut.first + facts.closing->frame)
                    .arg(facts.closing->seam.apart_mm, 0, 'f', 1);
        close_->setText(tr("Move its end to %1").arg(cut.first + facts.closing->frame));
        close_->setToolTip(tr("The frame near its end whose pose is nearest to the first"));
        close_->show();
    }
    message_->setText(text);
    blend_->show();
    once_->show();
}

void ClipList::colour(int row) {
    if (row >= static_cast<int>(cuts_.size())) {
        return;
    }
    std::vector<Cut> list = cuts_;
    Cut& cut = list[static_cast<size_t>(row)];
    const QColor chosen =
        QColorDialog::getColor(QColor(QString::fromStdString(cut.colour)), this, tr("Colour of the clip"));
    if (chosen.isValid()) {
        cut.colour = chosen.name().toUpper().toStdString();
        Q_EMIT cutsEdited(tr("Colour a clip"), list);
    }
}

void ClipList::edited(QTableWidgetItem* item) {
    std::vector<Cut> list = cuts_;
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
        this, [this, list, name = named(cut)] { Q_EMIT cutsEdited(tr("Edit clip %1").arg(name), list); },
        Qt::QueuedConnection);
}

} // namespace wembrix::app
