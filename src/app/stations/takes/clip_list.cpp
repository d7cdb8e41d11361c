#include "stations/takes/clip_list.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"

#include "stations/takes/clip_words.h"
#include "style/numbers.h"
#include "style/theme.h"

#include <QColorDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QScopedValueRollback>
#include <QSignalBlocker>
#include <QTableWidget>
#include <QTimer>
#include <QVBoxLayout>
#include <cmath>
#include <iterator>
#include <numeric>

namespace wembrix::app {

namespace {

enum ClipColumn {
    colour_column,
    name_column,
    take_column,
    start_column,
    end_column,
    duration_column,
    loop_column,
    seam_column,
    travel_column,
    bake_error_column,
    note_column
};
constexpr int widths[] = {52, 88, 74, 40, 40, 64, 62, 62, 54, 78, 48};

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
    column->addWidget(make_offers());
}

QWidget* ClipList::make_title() {
    auto* bar = new QWidget(this);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(0, 0, 0, 0);
    title_ = new QLabel(tr("Clips"), bar);
    title_->setObjectName(QStringLiteral("cardTitle"));
    row->addWidget(title_, 1);
    ends_ = new QPushButton(tr("Start and end pose"), bar);
    ends_->setObjectName(QStringLiteral("showEnds"));
    ends_->setProperty("mode", true);
    ends_->setCheckable(true);
    ends_->setToolTip(tr("Both ends of the clip over each other in Prepared. Of a clip that repeats and travels, the "
                         "last is set down where the first stands"));
    connect(ends_, &QPushButton::toggled, this, &ClipList::endsToggled);
    row->addWidget(ends_);
    auto* read = new QPushButton(tr("Read a list…"), bar);
    read->setObjectName(QStringLiteral("readList"));
    read->setToolTip(tr("Cuts from a CSV or JSON file: name, start, end, loop, colour, note"));
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
    table_ = new QTableWidget(0, 11, this);
    table_->setObjectName(QStringLiteral("clipList"));
    table_->setAccessibleName(tr("Clips"));
    table_->setHorizontalHeaderLabels({tr("Deliver"), tr("Clip"), tr("Take"), tr("Start"), tr("End"), tr("Duration"),
                                       tr("Repeats"), tr("Seam"), tr("Travel"), tr("Bake error"), tr("Note")});
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(25);
    table_->setShowGrid(false);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    table_->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(table_, &QTableWidget::customContextMenuRequested, this,
            [this](const QPoint& at) { more_->menu()->popup(table_->viewport()->mapToGlobal(at)); });
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->horizontalHeader()->setStretchLastSection(true);
    table_->horizontalHeader()->setHighlightSections(false);
    table_->horizontalHeader()->setMinimumSectionSize(18);
    QColor wash = theme().selection;
    wash.setAlpha(34);
    table_->setStyleSheet(QStringLiteral("QTableView { selection-background-color: %1; selection-color: %2; }")
                              .arg(wash.name(QColor::HexArgb), theme().ink.name()));
    const std::pair<ClipColumn, QString> meanings[] = {
        {colour_column, tr("What is delivered as a file of its own")},
        {loop_column, tr("Whether it is played again and again")},
        {seam_column, tr("How far the last pose of a clip that repeats is from its first")},
        {travel_column, tr("How far it goes over the ground from its first frame to its last")},
        {bake_error_column,
         tr("How far it is, once baked for the destination, from its own curves between the frames")},
    };
    for (const auto& [at, words] : meanings) {
        table_->horizontalHeaderItem(at)->setToolTip(words);
    }
    for (int i = 0; i < 11; ++i) {
        table_->setColumnWidth(i, widths[i]);
    }
    connect(table_, &QTableWidget::itemChanged, this, &ClipList::edited);
    connect(table_, &QTableWidget::currentCellChanged, this, [this](int row) {
        if (row >= 0 && row < static_cast<int>(rows_.size())) {
            // Copies: whoever is told may show other takes here before it is done.
            const Row one = rows_[static_cast<size_t>(row)];
            const QScopedValueRollback from_table(by_hand_, true);
            if (one.made >= 0) {
                const QString name = named(made_[static_cast<size_t>(one.made)].said);
                Q_EMIT madeChosen(name);
                return;
            }
            const QString take = takes_[one.take].name;
            Q_EMIT clipChosen(take, one.clip);
        }
    });
    connect(table_, &QTableWidget::cellDoubleClicked, this, [this](int row, int at) {
        if (at == colour_column) {
            colour(row);
        }
    });
}

QStringList ClipList::chosen_names() const {
    QStringList names;
    for (int row = 0; row < table_->rowCount(); ++row) {
        if (table_->selectionModel()->isRowSelected(row)) {
            names << named(cut_at(row));
        }
    }
    return names;
}

Cut ClipList::cut_at(int row) const {
    if (row < 0 || row >= static_cast<int>(rows_.size())) {
        return {};
    }
    const Row& one = rows_[static_cast<size_t>(row)];
    if (one.made >= 0) {
        return made_[static_cast<size_t>(one.made)].said;
    }
    const ListedTake& take = takes_[one.take];
    return one.clip < 0 ? Cut{take.name.toStdString(), 0, take.frames - 1, take.loop, "", ""}
                        : take.cuts[static_cast<size_t>(one.clip)];
}

int ClipList::row_of(const QString& take, int clip) const {
    for (size_t r = 0; r < rows_.size(); ++r) {
        if (rows_[r].made < 0 && takes_[rows_[r].take].name == take && rows_[r].clip == clip) {
            return static_cast<int>(r);
        }
    }
    return -1;
}

void ClipList::put(int row, const QString& what, const Cut& cut) {
    const Row one = rows_[static_cast<size_t>(row)];
    if (one.made >= 0) {
        const QString name = named(made_[static_cast<size_t>(one.made)].said);
        Q_EMIT madeEdited(what, name, cut);
        return;
    }
    const QString take = takes_[one.take].name;
    std::vector<Cut> list = takes_[one.take].cuts;
    if (one.clip < 0) {
        list = {cut};
    } else {
        list[static_cast<size_t>(one.clip)] = cut;
    }
    Q_EMIT cutsEdited(what, take, list);
}

bool ClipList::ends_shown() const {
    return ends_->isChecked();
}

void ClipList::show_takes(std::vector<ListedTake> takes, std::vector<MadeClip> made) {
    const QSignalBlocker quiet(table_);
    const Row before = chosen_ >= 0 ? rows_[static_cast<size_t>(chosen_)] : Row{};
    const QString chosen_take = chosen_ >= 0 && before.made < 0 ? takes_[before.take].name : QString();
    const QStringList chosen = chosen_names();
    takes_ = std::move(takes);
    made_ = std::move(made);
    rows_.clear();
    for (size_t t = 0; t < takes_.size(); ++t) {
        for (size_t c = 0; c < takes_[t].cuts.size(); ++c) {
            rows_.push_back({t, static_cast<int>(c)});
        }
        // One take alone that nobody cut yet is no list of clips.
        if (takes_[t].cuts.empty() && (takes_.size() > 1 || !made_.empty())) {
            rows_.push_back({t, -1});
        }
    }
    for (size_t m = 0; m < made_.size(); ++m) {
        rows_.push_back({0, -1, static_cast<int>(m)});
    }
    title_->setText(takes_.empty()       ? tr("Clips")
                    : takes_.size() == 1 ? tr("Clips · %1").arg(rows_.size())
                                         : tr("Clips · %1 of %2 takes").arg(rows_.size()).arg(takes_.size()));
    table_->clearSpans();
    table_->setRowCount(static_cast<int>(rows_.size()));
    for (int row = 0; row < table_->rowCount(); ++row) {
        fill_row(row);
    }
    chosen_ = before.made < 0 ? row_of(chosen_take, before.clip) : row_of_made(before.made);
    choose_again(chosen);
    show_message();
    fit_columns();
}

void ClipList::resizeEvent(QResizeEvent* event) {
    QFrame::resizeEvent(event);
    fit_columns();
}

void ClipList::fit_columns() {
    int wanted = std::accumulate(std::begin(widths), std::end(widths), 0);
    const auto hide = [&](ClipColumn column, bool hidden) {
        table_->setColumnHidden(column, hidden);
        wanted -= hidden ? widths[column] : 0;
    };
    hide(take_column, takes_.size() < 2);
    bool notes = false;
    for (int row = 0; row < table_->rowCount(); ++row) {
        const QTableWidgetItem* note = table_->item(row, note_column);
        notes = notes || (note != nullptr && !note->text().isEmpty());
    }
    const int room = table_->viewport()->width();
    hide(note_column, wanted > room && !notes);
    hide(bake_error_column, wanted > room);
    hide(travel_column, wanted > room);
    const QSignalBlocker quiet(table_);
    for (int row = 0; row < table_->rowCount(); ++row) {
        QTableWidgetItem* name = table_->item(row, name_column);
        QStringList said = {name->data(Qt::UserRole).toString()};
        for (const ClipColumn column : {travel_column, bake_error_column}) {
            if (table_->isColumnHidden(column) && table_->item(row, column) != nullptr) {
                said << QStringLiteral("%1: %2").arg(table_->horizontalHeaderItem(column)->text(),
                                                     table_->item(row, column)->text());
            }
        }
        name->setToolTip(said.join(QLatin1Char('\n')));
    }
}

void ClipList::choose_again(const QStringList& names) {
    if (chosen_ < 0 || by_hand_) {
        return; // by hand the table itself chooses, and is not done yet
    }
    table_->selectRow(chosen_);
    for (int row = 0; row < table_->rowCount(); ++row) {
        if (row != chosen_ && names.contains(named(cut_at(row)))) {
            table_->selectionModel()->select(table_->model()->index(row, 0),
                                             QItemSelectionModel::Select | QItemSelectionModel::Rows);
        }
    }
}

int ClipList::row_of_made(int made) const {
    const int first = static_cast<int>(rows_.size() - made_.size());
    return made < static_cast<int>(made_.size()) ? first + made : -1;
}

void ClipList::choose_made(const QString& name) {
    for (size_t m = 0; m < made_.size(); ++m) {
        if (named(made_[m].said) == name) {
            show_row(row_of_made(static_cast<int>(m)));
        }
    }
}

void ClipList::choose(const QString& take, int clip) {
    show_row(row_of(take, clip));
}

void ClipList::show_row(int row) {
    const QSignalBlocker quiet(table_);
    chosen_ = row;
    if (chosen_ < 0) {
        table_->clearSelection();
    } else if (!by_hand_) {
        table_->selectRow(chosen_); // by hand the table itself chooses, several perhaps
    }
    show_message();
    // When the words below have taken the room they need.
    QTimer::singleShot(0, this, [this] {
        if (chosen_ >= 0) {
            table_->scrollTo(table_->model()->index(chosen_, name_column));
        }
    });
}

void ClipList::fill_row(int row) {
    const Cut cut = cut_at(row);
    const Row& one = rows_[static_cast<size_t>(row)];
    const bool made = one.made >= 0;
    ListedTake own;
    if (made) {
        own = {QString(), cut.end + 1, made_[static_cast<size_t>(one.made)].rate, {}};
    }
    const ListedTake& take = made ? own : takes_[one.take]; // with all its cuts: never copied for a row
    const bool whole = !made && one.clip < 0;
    const auto put_item = [&](int at, const QString& text, bool editable, const QString& tip = {}) {
        auto* item = new QTableWidgetItem(text);
        item->setFlags(editable ? item->flags() | Qt::ItemIsEditable : item->flags() & ~Qt::ItemIsEditable);
        item->setToolTip(tip.isEmpty() ? text : tip);
        if (!editable) {
            item->setForeground(theme().soft);
        }
        table_->setItem(row, at, item);
        return item;
    };
    auto* colour = put_item(colour_column, QString(), false,
                            tr("Ticked, it is delivered as a file of its own. Double-click for another colour."));
    // A swatch of its own: a background would be gone while the row is chosen.
    QPixmap swatch(12, 14);
    swatch.fill(!cut.colour.empty() ? QColor(QString::fromStdString(cut.colour))
                : whole || made     ? theme().soft
                                    : QColor(QString::fromStdString(clip_colour(static_cast<size_t>(one.clip)))));
    colour->setIcon(swatch);
    colour->setFlags(colour->flags() | Qt::ItemIsUserCheckable);
    colour->setCheckState(cut.deliver ? Qt::Checked : Qt::Unchecked);
    const QString by = made ? QString::fromStdString(made_[static_cast<size_t>(one.made)].by) : QString();
    const QString made_by = tr("Made by the step “%1”").arg(by);
    const bool used_up = !made && !whole && !model_.is_busy() && !model_.is_prepared(cut.name);
    QTableWidgetItem* name = put_item(
        name_column, named(cut), true,
        made      ? made_by
        : used_up ? tr("A later step of the card took it up or took it off: it is no clip of its own at the end")
                  : named(cut));
    name->setData(Qt::UserRole, name->toolTip());
    if (made || used_up) {
        QFont slanted = table_->font();
        slanted.setItalic(true);
        name->setFont(slanted);
    }
    if (used_up) {
        name->setForeground(theme().soft);
    }
    if (made) {
        table_->setSpan(row, start_column, 1, 2); // it is no part of a take: there stands what made it
    }
    put_item(take_column, made ? QStringLiteral("–") : take.name, false,
             made    ? made_by
             : whole ? tr("It is not cut: it goes out whole")
                     : tr("Cut from this take"));
    put_item(start_column, made ? by : QString::number(cut.start), !made,
             made ? made_by : tr("First frame of the take"));
    put_item(end_column, made ? QString() : QString::number(cut.end), !made,
             made ? made_by : tr("Last frame of the take, counted too"));
    put_item(duration_column, tr("%1 s").arg((cut.end - cut.start) / take.rate, 0, 'f', 2), false,
             tr("%1, first and last counted").arg(counted(cut.end - cut.start + 1, "frame")));
    auto* repeats = put_item(loop_column, cut.loop ? tr("yes") : tr("once"), false, tr("Tick a clip that repeats"));
    repeats->setFlags(repeats->flags() | Qt::ItemIsUserCheckable);
    repeats->setCheckState(cut.loop ? Qt::Checked : Qt::Unchecked);
    repeats->setForeground(theme().ink);
    const ClipFacts* facts = model_.clip(cut.name);
    QString seam = QStringLiteral("–");
    QString seam_tip = tr("A clip that plays once has no seam");
    if (facts != nullptr && facts->seam && cut.loop) {
        seam = tr("%1 mm").arg(facts->seam->apart_mm, 0, 'f', facts->seam->apart_mm < 10 ? 1 : 0);
        seam_tip = tr("Last pose from first: %1 mm at %2, %3° at %4, speed changes by %5 m/s")
                       .arg(facts->seam->apart_mm, 0, 'f', 2)
                       .arg(QString::fromStdString(facts->seam->apart_at))
                       .arg(facts->seam->turned_deg, 0, 'f', 1)
                       .arg(QString::fromStdString(facts->seam->turned_joint))
                       .arg(facts->seam->speed_m_s, 0, 'f', 2);
    }
    auto* item = put_item(seam_column, seam, false, seam_tip);
    if (facts != nullptr && facts->seam && cut.loop) {
        item->setForeground(facts->closes ? theme().well : theme().stop);
    }
    put_item(travel_column, facts == nullptr ? QString() : tr("%1 m").arg(facts->travel.metres, 0, 'f', 2), false,
             facts == nullptr ? tr("How far it goes over the ground from its first frame to its last")
                              : travel_words(*facts));
    put_item(bake_error_column, lost_text(facts), false, lost_words(facts));
    put_item(note_column, QString::fromStdString(cut.note), true, tr("A note for whoever works on it next"));
}

void ClipList::colour(int row) {
    Cut cut = cut_at(row);
    const QColor chosen =
        QColorDialog::getColor(QColor(QString::fromStdString(cut.colour)), this, tr("Colour of the clip"));
    if (chosen.isValid() && row < static_cast<int>(rows_.size())) {
        cut.colour = chosen.name().toUpper().toStdString();
        put(row, tr("Colour a clip"), cut);
    }
}

void ClipList::edited(QTableWidgetItem* item) {
    const int row = item->row();
    if (row >= static_cast<int>(rows_.size())) {
        return;
    }
    Cut cut = cut_at(row);
    const QString text = item->text().trimmed();
    bool number = true;
    switch (item->column()) {
    case name_column:
        if (!text.isEmpty()) {
            cut.name = text.toStdString();
        }
        break;
    case start_column: {
        const int frame = text.toInt(&number);
        cut.start = number ? frame : cut.start;
        break;
    }
    case end_column: {
        const int frame = text.toInt(&number);
        cut.end = number ? frame : cut.end;
        break;
    }
    case colour_column:
        if (cut.deliver == (item->checkState() == Qt::Checked)) {
            return;
        }
        cut.deliver = item->checkState() == Qt::Checked;
        break;
    case loop_column:
        cut.loop = item->checkState() == Qt::Checked;
        break;
    case note_column:
        cut.note = text.toStdString();
        break;
    default:
        return;
    }
    // After the table has finished with the cell: the list is made anew.
    QMetaObject::invokeMethod(
        this,
        [this, cut, row] {
            if (row < static_cast<int>(rows_.size())) {
                put(row, tr("Edit clip %1").arg(named(cut)), cut);
            }
        },
        Qt::QueuedConnection);
}

} // namespace wembrix::app
