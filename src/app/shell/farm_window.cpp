#include "shell/farm_window.h"
#include "style/language.h"

#include "core/base/files.h"
#include "style/mnemonics.h"
#include "style/theme.h"

#include <QComboBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QMetaObject>
#include <QProgressBar>
#include <QPushButton>
#include <QScrollBar>
#include <QSettings>
#include <QTableWidget>
#include <QVBoxLayout>
#include <array>

namespace wembrix::app {

namespace {

constexpr int look_every_ms = 2000;
constexpr int longest_text = 4000; ///< letters of what an item complained of

namespace of_item {
enum FarmColumn { name, takes, state, host, tries, seconds, arrived, held, problem, columns };
}

QString state_words(ItemState state) {
    switch (state) {
    case ItemState::waiting:
        return QObject::tr("waits");
    case ItemState::running:
        return QObject::tr("at work");
    case ItemState::done:
        return QObject::tr("done");
    case ItemState::failed:
        break;
    }
    return QObject::tr("failed");
}

QString last_folder_key() {
    return QStringLiteral("farm/folder");
}

} // namespace

FarmWindow::FarmWindow(QWidget* parent) : QDialog(parent) {
    setObjectName(QStringLiteral("farmWindow"));
    setWindowTitle(tr("A run on a farm"));
    resize(980, 520);
    worker_.setMaxThreadCount(1);
    auto* column = new QVBoxLayout(this);
    auto* top = new QHBoxLayout;
    top->addWidget(new QLabel(tr("Folder of the run"), this));
    folder_ = new QLineEdit(this);
    folder_->setObjectName(QStringLiteral("farmFolder"));
    folder_->setPlaceholderText(tr("what “wembrix-cli farm run … --folder” names"));
    top->addWidget(folder_, 1);
    auto* choose = new QPushButton(tr("Choose…"), this);
    choose->setObjectName(QStringLiteral("farmChoose"));
    choose->setAutoDefault(false); // Return in the field takes the folder
    top->addWidget(choose);
    column->addLayout(top);
    state_ = new QLabel(this);
    state_->setObjectName(QStringLiteral("farmState"));
    state_->setWordWrap(true);
    state_->setStyleSheet(QStringLiteral("font-weight: 600;"));
    column->addWidget(state_);
    auto* middle = new QHBoxLayout;
    progress_ = new QProgressBar(this);
    progress_->setObjectName(QStringLiteral("farmProgress"));
    progress_->setTextVisible(false);
    middle->addWidget(progress_, 1);
    filter_ = new QComboBox(this);
    filter_->setObjectName(QStringLiteral("farmFilter"));
    filter_->addItem(tr("All items"));
    for (const ItemState state : {ItemState::failed, ItemState::running, ItemState::waiting, ItemState::done}) {
        filter_->addItem(tr("Those: %1").arg(state_words(state)), static_cast<int>(state));
    }
    middle->addWidget(filter_);
    column->addLayout(middle);
    items_ = new QTableWidget(this);
    items_->setObjectName(QStringLiteral("farmItems"));
    items_->setColumnCount(of_item::columns);
    items_->setHorizontalHeaderLabels({tr("Item"), tr("Takes"), tr("State"), tr("Machine"), tr("Tries"), tr("Took"),
                                       tr("Arrived"), tr("Held"), tr("Why not")});
    items_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    items_->setSelectionBehavior(QAbstractItemView::SelectRows);
    items_->setSelectionMode(QAbstractItemView::SingleSelection);
    items_->verticalHeader()->hide();
    items_->horizontalHeader()->setStretchLastSection(true);
    for (const auto& [at, width] : {std::pair<int, int>(of_item::name, 210),
                                    {of_item::takes, 56},
                                    {of_item::state, 66},
                                    {of_item::host, 110},
                                    {of_item::tries, 50},
                                    {of_item::seconds, 70},
                                    {of_item::arrived, 66},
                                    {of_item::held, 50}}) {
        items_->setColumnWidth(at, width);
    }
    column->addWidget(items_, 1);
    said_ = new QLabel(this);
    said_->setObjectName(QStringLiteral("farmSaid"));
    said_->setTextFormat(Qt::PlainText);
    said_->setWordWrap(true);
    said_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    column->addWidget(said_);
    auto* row = new QHBoxLayout;
    row->addStretch(1);
    auto* close = new QPushButton(tr("Close"), this);
    close->setAutoDefault(false);
    row->addWidget(close);
    column->addLayout(row);
    connect(close, &QPushButton::clicked, this, &QDialog::close);
    connect(choose, &QPushButton::clicked, this, [this] {
        const QString folder =
            QFileDialog::getExistingDirectory(this, tr("The folder that all machines see"), folder_->text());
        if (!folder.isEmpty()) {
            watch(folder);
        }
    });
    connect(folder_, &QLineEdit::editingFinished, this, [this] {
        if (!folder_->text().isEmpty()) {
            watch(folder_->text());
        }
    });
    connect(filter_, &QComboBox::currentIndexChanged, this, &FarmWindow::show_run);
    connect(items_, &QTableWidget::itemSelectionChanged, this, &FarmWindow::show_text_of_chosen);
    timer_.setSingleShot(true);
    timer_.setInterval(look_every_ms);
    connect(&timer_, &QTimer::timeout, this, &FarmWindow::look);
    give_mnemonics(*this);
    show_run();
    if (const QString last = QSettings().value(last_folder_key()).toString(); !last.isEmpty()) {
        watch(last);
    }
}

FarmWindow::~FarmWindow() {
    worker_.waitForDone();
}

void FarmWindow::watch(const QString& folder) {
    folder_->setText(folder);
    farm_.reset();
    chosen_ = -1;
    const Result<Farm> farm = read_farm(folder.toStdString());
    if (!farm) {
        show_run();
        state_->setText(localized(farm.problem().sentence()));
        return;
    }
    QSettings().setValue(last_folder_key(), folder);
    farm_ = *farm;
    status_ = {};
    look();
}

void FarmWindow::look() {
    if (!farm_) {
        return;
    }
    worker_.start([this, farm = *farm_] {
        FarmStatus status = status_of(farm);
        QMetaObject::invokeMethod(
            this,
            [this, folder = farm.folder, status = std::move(status)]() mutable {
                if (farm_ && farm_->folder == folder) {
                    status_ = std::move(status);
                    show_run();
                    timer_.start();
                }
            },
            Qt::QueuedConnection);
    });
}

void FarmWindow::show_run() {
    const QSignalBlocker quiet(items_);
    const size_t count = farm_ ? std::min(farm_->items.size(), status_.items.size()) : 0;
    progress_->setVisible(count > 0);
    filter_->setVisible(count > 0);
    items_->setVisible(count > 0);
    if (count == 0) {
        said_->clear();
        state_->setText(farm_ ? tr("Looking…")
                              : tr("Choose the folder of a run: how far it is, who works on what, and what failed is "
                                   "read from it, every two seconds."));
        return;
    }
    state_->setText(localized(in_words(status_)) + tr(" · %1 of %2 takes").arg(status_.takes_done).arg(status_.takes));
    progress_->setRange(0, std::max(1, status_.takes));
    progress_->setValue(status_.takes_done);
    std::vector<int> shown;
    for (size_t i = 0; i < count; ++i) {
        const QVariant only = filter_->currentData();
        if (!only.isValid() || only.toInt() == static_cast<int>(status_.items[i].state)) {
            shown.push_back(static_cast<int>(i));
        }
    }
    // What failed stands first: it is what somebody has to do something about.
    std::stable_partition(shown.begin(), shown.end(),
                          [&](int i) { return status_.items[static_cast<size_t>(i)].state == ItemState::failed; });
    const int scrolled = items_->verticalScrollBar()->value();
    items_->setRowCount(static_cast<int>(shown.size()));
    items_->clearSelection();
    for (int row = 0; row < static_cast<int>(shown.size()); ++row) {
        const FarmItem& item = farm_->items[static_cast<size_t>(shown[static_cast<size_t>(row)])];
        const ItemStatus& now = status_.items[static_cast<size_t>(shown[static_cast<size_t>(row)])];
        const bool begun = now.attempts > 0;
        const bool over = now.state == ItemState::done || now.state == ItemState::failed;
        const std::array<QString, of_item::columns> texts = {QString::fromStdString(item.name),
                                                             QString::number(item.takes),
                                                             state_words(now.state),
                                                             QString::fromStdString(now.host),
                                                             begun ? QString::number(now.attempts) : QString(),
                                                             over ? tr("%1 s").arg(now.seconds, 0, 'f', 1) : QString(),
                                                             over ? QString::number(now.arrived) : QString(),
                                                             over ? QString::number(now.held) : QString(),
                                                             QString::fromStdString(now.problem)};
        for (int at = 0; at < of_item::columns; ++at) {
            QTableWidgetItem* cell = items_->item(row, at);
            if (cell == nullptr) {
                cell = new QTableWidgetItem;
                items_->setItem(row, at, cell);
            }
            cell->setText(texts[static_cast<size_t>(at)]);
            const bool number = at == of_item::takes || at == of_item::tries || at == of_item::seconds ||
                                at == of_item::arrived || at == of_item::held;
            cell->setTextAlignment((number ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
            cell->setForeground(now.state == ItemState::failed || (at == of_item::held && now.held > 0) ? theme().stop
                                : now.state == ItemState::done                                          ? theme().well
                                                                                                        : theme().ink);
        }
        items_->item(row, of_item::name)->setData(Qt::UserRole, shown[static_cast<size_t>(row)]);
        items_->item(row, of_item::problem)->setToolTip(QString::fromStdString(now.problem));
        if (shown[static_cast<size_t>(row)] == chosen_) {
            items_->selectRow(row);
        }
    }
    items_->verticalScrollBar()->setValue(scrolled);
}

void FarmWindow::show_text_of_chosen() {
    const QList<QTableWidgetItem*> chosen = items_->selectedItems();
    if (!farm_ || chosen.isEmpty()) {
        return;
    }
    chosen_ = items_->item(chosen.front()->row(), of_item::name)->data(Qt::UserRole).toInt();
    const Result<std::string> text = read_file(item_file(*farm_, chosen_, ".errors"));
    const QString complained = text ? QString::fromStdString(*text).trimmed().right(longest_text) : QString();
    said_->setText(complained.isEmpty() ? tr("It complained of nothing.") : complained);
}

} // namespace wembrix::app
