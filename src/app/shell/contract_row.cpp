#include "shell/contract_row.h"
#include "style/language.h"

#include "core/base/files.h"
#include "style/numbers.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

namespace wembrix::app {

ContractRow::ContractRow(std::optional<Contract> own, QWidget* parent) : QWidget(parent), own_(std::move(own)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 4);
    column->setSpacing(3);
    name_ = new QLabel(this);
    name_->setObjectName(QStringLiteral("contractName"));
    column->addWidget(name_);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    const auto button = [&](const QString& text, const char* name, const QString& tip) {
        auto* made = new QPushButton(text, this);
        made->setObjectName(QString::fromUtf8(name));
        made->setToolTip(tip);
        row->addWidget(made);
        return made;
    };
    QPushButton* take = button(tr("This job's skeleton"), "contractFromJob",
                               tr("Every delivery from now on must have the joints that are prepared here now"));
    take->setEnabled(own_.has_value());
    connect(take, &QPushButton::clicked, this, [this] { Q_EMIT chosen(own_); });
    QPushButton* read = button(tr("From a file…"), "contractFromFile", tr("A contract that somebody wrote out"));
    connect(read, &QPushButton::clicked, this, &ContractRow::read_file);
    write_ = button(tr("Write to a file…"), "contractToFile", tr("So that others can demand the same skeleton"));
    connect(write_, &QPushButton::clicked, this, &ContractRow::write_file);
    none_ = button(tr("None"), "contractNone", tr("Any skeleton is taken"));
    connect(none_, &QPushButton::clicked, this, [this] { Q_EMIT chosen(std::nullopt); });
    row->addStretch(1);
    column->addLayout(row);
    auto* why = new QLabel(tr("A reference skeleton. A delivery that differs in a joint's name, parent, order, length "
                              "or turn is held, and the differences are listed."),
                           this);
    why->setObjectName(QStringLiteral("soft"));
    why->setStyleSheet(QStringLiteral("font-size: 11px;"));
    why->setWordWrap(true);
    column->addWidget(why);
    show_contract(std::nullopt);
}

void ContractRow::show_contract(const std::optional<Contract>& contract) {
    now_ = contract;
    name_->setText(
        contract ? tr("“%1”, %2").arg(QString::fromStdString(contract->name), counted(contract->joints.size(), "joint"))
                 : tr("none: any skeleton is taken"));
    none_->setEnabled(contract.has_value());
    write_->setEnabled(contract.has_value());
}

void ContractRow::read_file() {
    const QString file =
        QFileDialog::getOpenFileName(this, tr("A contract"), QString(), tr("Contracts (*.contract.json *.json)"));
    if (file.isEmpty()) {
        return;
    }
    const Result<Contract> read = read_contract(file.toStdString());
    if (read) {
        Q_EMIT chosen(*read);
    } else {
        Q_EMIT failed(localized(read.problem().sentence()));
    }
}

void ContractRow::write_file() {
    const QString file = QFileDialog::getSaveFileName(
        this, tr("Write the contract"), QString::fromStdString(now_->name) + QStringLiteral(".contract.json"),
        tr("Contracts (*.contract.json)"));
    if (file.isEmpty()) {
        return;
    }
    const Outcome done = replace_file(file.toStdString(), contract_to_json(*now_).dump(2) + "\n");
    if (!done) {
        Q_EMIT failed(localized(done.problem().sentence()));
    }
}

} // namespace wembrix::app
