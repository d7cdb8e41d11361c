#include "shell/preferences.h"

#include "session/library.h"
#include "style/interface_size.h"
#include "style/language.h"
#include "style/live_theme.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QDialogButtonBox>
#include <QFileDialog>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QMessageBox>
#include <QPushButton>
#include <algorithm>

namespace wembrix::app {

void edit_preferences(QWidget* parent) {
    QDialog dialog(parent);
    dialog.setObjectName(QStringLiteral("preferences"));
    dialog.setWindowTitle(QObject::tr("Preferences"));
    dialog.setMinimumWidth(440);
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
    auto* size = new QComboBox(&dialog);
    size->setObjectName(QStringLiteral("size"));
    size->addItem(QObject::tr("As the desktop has its text"), 0);
    for (const int percent : {75, 90, 100, 110, 125, 150, 200}) {
        size->addItem(QObject::tr("%1 %").arg(percent), percent);
    }
    size->setCurrentIndex(std::max(0, size->findData(chosen_size())));
    size->setToolTip(QObject::tr("Of text and controls; used from the next start on"));
    auto* size_label = new QLabel(QObject::tr("&Size"), &dialog);
    size_label->setBuddy(size);
    form->addRow(size_label, size);
    auto* language = new QComboBox(&dialog);
    language->setObjectName(QStringLiteral("language"));
    language->addItem(QObject::tr("As the desktop has it"), QString());
    for (const Language& one : languages()) {
        language->addItem(one.name, one.code);
    }
    language->setCurrentIndex(std::max(0, language->findData(chosen_language())));
    language->setToolTip(QObject::tr("Of the window; files, logs and the command line are in English"));
    auto* language_label = new QLabel(QObject::tr("&Language"), &dialog);
    language_label->setBuddy(language);
    form->addRow(language_label, language);
    auto* when = new QLabel(QObject::tr("Another size or language is used from the next start on."), &dialog);
    when->setObjectName(QStringLiteral("soft"));
    form->addRow(QString(), when);
    auto* team = new QLineEdit(team_folder(), &dialog);
    team->setObjectName(QStringLiteral("teamFolder"));
    team->setPlaceholderText(QObject::tr("none"));
    auto* choose = new QPushButton(QObject::tr("Choose…"), &dialog);
    choose->setObjectName(QStringLiteral("chooseTeamFolder"));
    QObject::connect(choose, &QPushButton::clicked, &dialog, [&dialog, team] {
        const QString folder =
            QFileDialog::getExistingDirectory(&dialog, QObject::tr("The team's folder"), team->text());
        if (!folder.isEmpty()) {
            team->setText(folder);
        }
    });
    auto* team_row = new QHBoxLayout;
    team_row->addWidget(team, 1);
    team_row->addWidget(choose);
    auto* team_label = new QLabel(QObject::tr("&Team's folder"), &dialog);
    team_label->setBuddy(team);
    form->addRow(team_label, team_row);
    auto* shared =
        new QLabel(QObject::tr("Destinations that are kept there are at hand for all who share it."), &dialog);
    shared->setObjectName(QStringLiteral("soft"));
    shared->setWordWrap(true);
    form->addRow(QString(), shared);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, &dialog);
    QObject::connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    QObject::connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    form->addRow(buttons);
    if (dialog.exec() == QDialog::Accepted) {
        choose_colours(static_cast<Colours>(colours->currentData().toInt()));
        choose_team_folder(team->text());
        choose_size(size->currentData().toInt());
        choose_language(language->currentData().toString());
        if (LiveTheme* live = live_theme()) {
            live->refresh();
        }
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
