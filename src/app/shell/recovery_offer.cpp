#include "shell/recovery_offer.h"

#include <QAbstractButton>
#include <QFileInfo>
#include <QMessageBox>
#include <QPushButton>

namespace wembrix::app {

std::optional<Recoverable> offer_recovery(QWidget* parent) {
    for (Recoverable& one : Recovery::left_over()) {
        const QString name = one.path.isEmpty() ? QString::fromStdString(one.job.name) : QFileInfo(one.path).fileName();
        QMessageBox box(
            QMessageBox::Question, QObject::tr("Wembrix"),
            QObject::tr("Wembrix ended unexpectedly. “%1” had changes that were not saved; they were kept at %2.")
                .arg(name, one.when),
            QMessageBox::Discard, parent);
        box.setObjectName(QStringLiteral("recoveryOffer"));
        QPushButton* take = box.addButton(QObject::tr("&Restore"), QMessageBox::AcceptRole);
        QAbstractButton* lose = box.button(QMessageBox::Discard);
        box.addButton(QObject::tr("&Later"), QMessageBox::RejectRole);
        box.setDefaultButton(take);
        box.exec();
        if (box.clickedButton() == take) {
            return std::move(one);
        }
        if (box.clickedButton() == lose) {
            Recovery::discard(one);
        }
    }
    return std::nullopt;
}

} // namespace wembrix::app
