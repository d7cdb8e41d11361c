#include "stations/deliver/ledger_window.h"
#include "style/language.h"

#include "style/numbers.h"

#include <QDialogButtonBox>
#include <QHeaderView>
#include <QLabel>
#include <QTableWidget>
#include <QVBoxLayout>

namespace wembrix::app {

namespace {

QString by_text(const LedgerEntry& entry) {
    switch (entry.by) {
    case LedgerEntry::By::reader:
        return QObject::tr("reading");
    case LedgerEntry::By::card:
        return entry.step < 0 ? QObject::tr("the job") : QObject::tr("step %1 of the card").arg(entry.step + 1);
    case LedgerEntry::By::destination:
        return QObject::tr("the destination");
    case LedgerEntry::By::container:
        return QObject::tr("the container");
    }
    return {};
}

} // namespace

LedgerWindow::LedgerWindow(const Ledger& ledger, const QString& title, QWidget* parent) : QDialog(parent) {
    setObjectName(QStringLiteral("ledgerWindow"));
    setWindowTitle(title);
    resize(760, 460);
    auto* column = new QVBoxLayout(this);
    auto* said = new QLabel(localized(ledger_said(ledger)), this);
    said->setWordWrap(true);
    column->addWidget(said);
    auto* table = new QTableWidget(static_cast<int>(ledger.size()), 5, this);
    table->setObjectName(QStringLiteral("ledger"));
    table->setHorizontalHeaderLabels({tr("What"), tr("Name"), tr("Count"), tr("Why"), tr("By")});
    table->verticalHeader()->hide();
    table->verticalHeader()->setDefaultSectionSize(23);
    table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table->setShowGrid(false);
    table->setSortingEnabled(false);
    int row = 0;
    for (const LedgerEntry& entry : ledger) {
        const auto put = [&](int at, const QString& text) {
            auto* item = new QTableWidgetItem(text);
            item->setToolTip(text);
            table->setItem(row, at, item);
        };
        put(0, localized(entry.what));
        put(1, QString::fromStdString(entry.name));
        put(2, grouped(entry.count));
        put(3, localized(entry.why));
        put(4, by_text(entry));
        ++row;
    }
    table->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table->resizeColumnsToContents();
    table->setColumnWidth(1, std::min(table->columnWidth(1), 220));
    table->horizontalHeader()->setSectionResizeMode(3, QHeaderView::Stretch);
    column->addWidget(table, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close, this);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
}

} // namespace wembrix::app
