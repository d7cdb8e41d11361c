#include "stations/intake/intake_station.h"
#include "style/language.h"

#include "core/formats/format.h"
#include "core/job/keep.h"
#include "stations/intake/contents_model.h"
#include "stations/intake/findings_list.h"
#include "stations/intake/source_menu.h"
#include "style/context_menu.h"
#include "style/theme.h"

#include <QFrame>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QMenu>
#include <QSignalBlocker>
#include <QToolButton>
#include <QTreeWidget>
#include <QVBoxLayout>
#include <algorithm>

namespace wembrix::app {

namespace {
constexpr int node_role = Qt::UserRole + 1;
constexpr int source_role = Qt::UserRole + 2;
} // namespace

IntakeStation::IntakeStation(const StationContext& context, QWidget* parent)
    : StationPage(parent), document_(context.document), session_(context.session) {
    Document& document = document_;
    Session& session = session_;
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(10, 10, 10, 8);
    row->setSpacing(10);
    auto* card = new QFrame(this);
    card->setObjectName(QStringLiteral("card"));
    card->setFixedWidth(340);
    auto* column = new QVBoxLayout(card);
    column->setContentsMargins(0, 8, 0, 4);
    column->setSpacing(4);
    auto* title_row = new QHBoxLayout;
    title_row->setContentsMargins(10, 0, 10, 0);
    auto* title = new QLabel(tr("What came in"), card);
    title->setObjectName(QStringLiteral("cardTitle"));
    title_row->addWidget(title, 1);
    summary_ = new QLabel(card);
    summary_->setObjectName(QStringLiteral("soft"));
    title_row->addWidget(summary_);
    source_button_ = new QToolButton(card);
    source_button_->setObjectName(QStringLiteral("sourceButton"));
    source_button_->setText(tr("Source ▾"));
    source_button_->setStyleSheet(QStringLiteral("QToolButton::menu-indicator { image: none; }"));
    source_button_->setToolTip(tr("Find, replace or remove the chosen source, or say what it is"));
    source_button_->setPopupMode(QToolButton::InstantPopup);
    auto* source_menu = new QMenu(source_button_);
    source_button_->setMenu(source_menu);
    title_row->addWidget(source_button_);
    column->addLayout(title_row);
    contents_ = new QTreeWidget(card);
    contents_->setObjectName(QStringLiteral("contents"));
    contents_->setAccessibleName(tr("What came in"));
    contents_->setColumnCount(2);
    contents_->setHeaderLabels({tr("Name"), tr("Contents")});
    contents_->setRootIsDecorated(true);
    contents_->setIndentation(14);
    contents_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    contents_->header()->setStretchLastSection(true);
    contents_->setColumnWidth(0, 142);
    contents_->setTextElideMode(Qt::ElideLeft);
    column->addWidget(contents_, 5);
    sources_ = new SourceMenu(document, session, this);
    connect(source_menu, &QMenu::aboutToShow, this, [this, source_menu] {
        source_menu->clear();
        sources_->fill(*source_menu, static_cast<size_t>(std::max(0, chosen_source())));
    });
    contents_->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(contents_, &QTreeWidget::customContextMenuRequested, this, [this](const QPoint& at) {
        if (chosen_source() >= 0) {
            QMenu* menu = menu_of(*contents_);
            sources_->fill(*menu, static_cast<size_t>(chosen_source()));
            menu->popup(contents_->viewport()->mapToGlobal(at));
        }
    });
    said_ = new QLabel(card);
    said_->setObjectName(QStringLiteral("sourceSaid"));
    said_->setWordWrap(true);
    said_->setContentsMargins(10, 0, 10, 0);
    said_->hide();
    column->addWidget(said_);
    connect(sources_, &SourceMenu::said, this, [this](const QString& what) {
        said_->setText(what);
        said_->show();
    });
    EmptyOffer* ways =
        offer(tr("Nothing yet. A job is what comes in, what is done to it, and where it goes. Drop a rigged "
                 "model and its takes here, or begin with one of these. %1")
                  .arg(localized(what_is_read())),
              card);
    ways->offer_all_ways();
    connect(ways, &EmptyOffer::folderAsked, this, &StationPage::folderAsked);
    connect(ways, &EmptyOffer::lessonAsked, this, &StationPage::lessonAsked);
    empty_ = ways;
    column->addWidget(empty_, 3);
    auto* line = new QFrame(card);
    line->setFixedHeight(1);
    line->setStyleSheet(QStringLiteral("background: %1;").arg(theme().line.name()));
    column->addWidget(line);
    auto* findings = new FindingsList(document, session, card);
    connect(findings, &FindingsList::placeAsked, this, &IntakeStation::findingAsked);
    column->addWidget(findings, 6);
    row->addWidget(card);
    place_ = new QWidget(this);
    auto* place_column = new QVBoxLayout(place_);
    place_column->setContentsMargins(0, 0, 0, 0);
    row->addWidget(place_, 1);
    connect(contents_, &QTreeWidget::itemChanged, this, &IntakeStation::ticked);
    connect(&session_, &Session::changed, this, &IntakeStation::refresh);
    refresh();
}

void IntakeStation::take_view(TwinView& twin) {
    place_->layout()->addWidget(&twin);
    twin.set_mode(TwinMode::side_by_side);
    twin.show();
}

void IntakeStation::refresh() {
    const std::shared_ptr<const SessionState> state = session_.state();
    source_button_->setVisible(!document_.is_empty());
    contents_->setVisible(state != nullptr);
    empty_->setVisible(state == nullptr);
    if (!state) {
        summary_->clear();
        return;
    }
    fill_contents();
}

void IntakeStation::fill_contents() {
    const QSignalBlocker quiet(contents_);
    contents_->clear();
    QTreeWidgetItem* source = nullptr;
    int left = 0;
    for (const ContentRow& row : content_rows(document_.job(), *session_.state())) {
        auto* item = row.is_source ? new QTreeWidgetItem(contents_) : new QTreeWidgetItem(source);
        item->setText(0, row.name);
        item->setText(1, row.holds);
        item->setToolTip(0, row.name);
        item->setToolTip(1, row.can_leave && !row.kept ? tr("left behind: %1").arg(row.holds) : row.holds);
        item->setForeground(1, theme().soft);
        QFont small = item->font(1);
        small.setPixelSize(11);
        item->setFont(1, small);
        if (row.is_source) {
            source = item;
            item->setData(0, source_role, row.source);
            if (!row.problem.isEmpty()) {
                item->setForeground(0, theme().stop);
                item->setForeground(1, theme().stop);
                item->setToolTip(1, row.problem);
            }
            QFont bold = item->font(0);
            bold.setWeight(QFont::DemiBold);
            item->setFont(0, bold);
            item->setExpanded(true);
        } else if (row.can_leave) {
            item->setFlags(item->flags() | Qt::ItemIsUserCheckable);
            item->setCheckState(0, row.kept ? Qt::Checked : Qt::Unchecked);
            item->setData(0, node_role, row.node);
            if (!row.kept) {
                ++left;
                item->setForeground(0, theme().soft);
                item->setText(1, tr("left · ") + row.holds);
            }
        }
    }
    summary_->setText(left == 0 ? tr("all of it is delivered") : tr("%1 left behind").arg(left));
}

int IntakeStation::chosen_source() const {
    QTreeWidgetItem* item = contents_->currentItem();
    while (item != nullptr && item->parent() != nullptr) {
        item = item->parent();
    }
    return item == nullptr ? (document_.is_empty() ? -1 : 0) : item->data(0, source_role).toInt();
}

void IntakeStation::ticked(QTreeWidgetItem* item, int column) {
    const QVariant node = item->data(0, node_role);
    const std::shared_ptr<const SessionState> state = session_.state();
    if (column != 0 || !node.isValid() || !state) {
        return;
    }
    const bool left = item->checkState(0) != Qt::Checked;
    const QString what = (left ? tr("Leave %1 behind") : tr("Keep %1")).arg(item->text(0));
    document_.edit(what, [&](Job& job) { set_left(job, *state->replay.received, node.toInt(), left); });
}

} // namespace wembrix::app
