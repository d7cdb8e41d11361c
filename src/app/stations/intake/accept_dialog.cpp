#include "stations/intake/accept_dialog.h"

#include "style/language.h"

#include <QDialogButtonBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

namespace wembrix::app {

AcceptDialog::AcceptDialog(const Finding& finding, QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("Accept a stop"));
    setMinimumWidth(420);
    auto* column = new QVBoxLayout(this);
    column->setSpacing(8);
    auto* message = new QLabel(localized(finding.message), this);
    message->setWordWrap(true);
    message->setStyleSheet(QStringLiteral("font-weight: 600;"));
    column->addWidget(message);
    auto* what =
        new QLabel(tr("It goes out as it is. The note stands on the route card and on every delivery. When the "
                      "finding says something else, it stops again."),
                   this);
    what->setWordWrap(true);
    what->setObjectName(QStringLiteral("soft"));
    column->addWidget(what);
    auto* label = new QLabel(tr("&Why it is right as it is"), this);
    note_ = new QLineEdit(this);
    note_->setObjectName(QStringLiteral("acceptNote"));
    label->setBuddy(note_);
    column->addWidget(label);
    column->addWidget(note_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, this);
    QPushButton* accept = buttons->button(QDialogButtonBox::Ok);
    accept->setText(tr("&Accept"));
    accept->setEnabled(false);
    connect(note_, &QLineEdit::textChanged, accept,
            [this, accept] { accept->setEnabled(!note_->text().trimmed().isEmpty()); });
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
}

QString AcceptDialog::note() const {
    return note_->text().trimmed();
}

} // namespace wembrix::app
