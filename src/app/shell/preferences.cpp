#include "shell/preferences.h"

#include "style/theme.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLabel>
#include <QMessageBox>

namespace wembrix::app {

void edit_preferences(QWidget* parent) {
    QDialog dialog(parent);
    dialog.setObjectName(QStringLiteral("preferences"));
    dialog.setWindowTitle(QObject::tr("Preferences"));
    dialog.setMinimumWidth(380);
    auto* form = new QFormLayout(&dialog);
    auto* colours = new QComboBox(&dialog);
    colours->setObjectName(QStringLiteral("colours"));
    colours->addItem(QObject::tr("As the desktop has them"), static_cast<int>(Colours::desktop));
    colours->addItem(QObject::tr("Light"), static_cast<int>(Colours::light));
    colours->addItem(QObject::tr("Dark"), static_cast<int>(Colours::dark));
    colours->setCurrentIndex(colours->findData(static_cast<int>(chosen_colours())));
    auto* label = new QLabel(QObject::tr("&Colours"), &dialog);
    label->setBuddy(colours);
    form->addRow(label, colours);
    auto* when = new QLabel(QObject::tr("Used from the next start on."), &dialog);
    when->setObjectName(QStringLiteral("soft"));
    form->addRow(QString(), when);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, &dialog);
    QObject::connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    QObject::connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    form->addRow(buttons);
    if (dialog.exec() == QDialog::Accepted) {
        choose_colours(static_cast<Colours>(colours->currentData().toInt()));
    }
}

void show_about(QWidget* parent) {
    QMessageBox::about(
        parent, QObject::tr("About Wembrix"),
        QObject::tr("<h3>Wembrix %1</h3>"
                    "<p>Characters made ready for an engine, and checked on arrival.</p>"
                    "<p>Free software under the GNU General Public License, version 3 or later. It comes "
                    "without any warranty.</p>"
                    "<p>Made with Qt %2.</p>")
            .arg(QStringLiteral(WEMBRIX_VERSION), QString::fromLatin1(qVersion())));
}

} // namespace wembrix::app
