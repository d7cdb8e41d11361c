#include "shell/destination_differences.h"

#include "core/destination/compare_destinations.h"

#include <QDialog>
#include <QDialogButtonBox>
#include <QHeaderView>
#include <QLabel>
#include <QTableWidget>
#include <QVBoxLayout>

namespace wembrix::app {

void show_differences(const Destination& now, const Destination& other, QWidget* parent) {
    auto* window = new QDialog(parent);
    window->setAttribute(Qt::WA_DeleteOnClose);
    window->setObjectName(QStringLiteral("differences"));
    window->setWindowTitle(
        QObject::tr("%1 beside %2").arg(QString::fromStdString(now.name), QString::fromStdString(other.name)));
    window->resize(560, 360);
    auto* column = new QVBoxLayout(window);
    auto* table = new QTableWidget(window);
    table->setObjectName(QStringLiteral("differenceTable"));
    table->setColumnCount(3);
    table->setHorizontalHeaderLabels(
        {QObject::tr("Setting"), QString::fromStdString(now.name), QString::fromStdString(other.name)});
    table->verticalHeader()->hide();
    table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    for (const SettingDifference& one : compare_destinations(now, other)) {
        const int at = table->rowCount();
        table->insertRow(at);
        table->setItem(at, 0, new QTableWidgetItem(QString::fromStdString(one.key)));
        table->setItem(at, 1, new QTableWidgetItem(QString::fromStdString(one.first)));
        table->setItem(at, 2, new QTableWidgetItem(QString::fromStdString(one.second)));
    }
    if (table->rowCount() == 0) {
        column->addWidget(new QLabel(QObject::tr("Both say the same."), window));
    }
    table->setVisible(table->rowCount() > 0);
    column->addWidget(table);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close, window);
    QObject::connect(buttons, &QDialogButtonBox::rejected, window, &QDialog::reject);
    column->addWidget(buttons);
    window->show();
}

} // namespace wembrix::app
