#include "stations/intake/source_menu.h"
#include "style/language.h"

#include "core/formats/format.h"
#include "core/job/job_sources.h"
#include "stations/intake/replace_dialog.h"

#include <QActionGroup>
#include <QFileDialog>
#include <QFileInfo>
#include <QMenu>

namespace wembrix::app {

namespace {
QString name_of(const JobSource& source) {
    return QFileInfo(QString::fromStdString(source.path)).fileName();
}

QString file_filter() {
    QStringList patterns;
    for (const std::string& suffix : readable_suffixes()) {
        patterns << QStringLiteral("*") + QString::fromStdString(suffix);
    }
    return QObject::tr("Scenes (%1)").arg(patterns.join(QLatin1Char(' ')));
}
} // namespace

SourceMenu::SourceMenu(Document& document, Session& session, QWidget* parent)
    : QObject(parent), document_(document), session_(session), parent_(parent) {}

void SourceMenu::fill(QMenu& menu, size_t source) {
    if (source >= document_.job().sources.size()) {
        return;
    }
    const JobSource& now = document_.job().sources[source];
    menu.addAction(name_of(now))->setEnabled(false);
    menu.addSeparator();
    menu.addAction(tr("&Find missing files…"), this, &SourceMenu::ask_where)
        ->setObjectName(QStringLiteral("findAgain"));
    menu.addAction(tr("&Replace…"), this, [this, source] { ask_for_file(source); })
        ->setObjectName(QStringLiteral("replaceSourceAction"));
    menu.addAction(tr("R&emove from the job"), this, [this, source] { remove(source); })
        ->setObjectName(QStringLiteral("removeSource"));
    menu.addSeparator();
    QMenu* roles = menu.addMenu(tr("&Taken as"));
    auto* group = new QActionGroup(roles);
    for (const SourceRole role : source_roles) {
        QAction* action =
            roles->addAction(localized(role_label(role)), this, [this, source, role] { set_role(source, role); });
        action->setCheckable(true);
        action->setChecked(now.role == role);
        group->addAction(action);
    }
    roles->setEnabled(source > 0); // the first is what the others join
    QMenu* rests = menu.addMenu(tr("Re&st pose"));
    auto* choices = new QActionGroup(rests);
    for (const auto& [rest, label] : {std::pair(RestOf::nobody_said, tr("Ask where it differs")),
                                      std::pair(RestOf::first, tr("The skeleton's: its surfaces follow")),
                                      std::pair(RestOf::part, tr("Its own: the rest of the model follows"))}) {
        QAction* action = rests->addAction(label, this, [this, source, chosen = rest] { set_rest(source, chosen); });
        action->setCheckable(true);
        action->setChecked(now.rest == rest);
        choices->addAction(action);
    }
    const std::shared_ptr<const SessionState> state = session_.state();
    rests->setEnabled(state && source < state->sources->sources.size() &&
                      state->sources->sources[source].role == SourceRole::part);
}

QString SourceMenu::find_again(const QString& folder) {
    std::vector<std::filesystem::path> where;
    if (!folder.isEmpty()) {
        where.emplace_back(folder.toStdString());
    }
    const std::vector<FoundAgain> found = wembrix::find_again(document_.job(), document_.folder(), where);
    if (found.empty()) {
        return tr("None of the missing files is there, by its name or by its content.");
    }
    document_.edit(tr("Find missing files"), [&](Job& job) {
        for (const FoundAgain& one : found) {
            relink(job, one.source, one.path);
        }
    });
    QStringList lines;
    for (const FoundAgain& one : found) {
        lines << (one.by_content ? tr("%1, by its content") : tr("%1, by its name"))
                     .arg(QString::fromStdString(one.path.string()));
    }
    return tr("Found: %1").arg(lines.join(QStringLiteral("; ")));
}

void SourceMenu::ask_where() {
    const QString folder = QFileDialog::getExistingDirectory(parent_, tr("Look for missing files in"));
    if (!folder.isEmpty()) {
        Q_EMIT said(find_again(folder));
    }
}

void SourceMenu::ask_for_file(size_t source) {
    const QString file = QFileDialog::getOpenFileName(
        parent_, tr("Replace %1").arg(name_of(document_.job().sources[source])), QString(), file_filter());
    if (!file.isEmpty()) {
        replace(source, file);
    }
}

void SourceMenu::replace(size_t source, const QString& file) {
    const Job before = document_.job();
    Job after = before;
    relink(after, source, QFileInfo(file).absoluteFilePath().toStdString());
    const std::shared_ptr<const SessionState> state = session_.state();
    auto* dialog =
        new ReplaceDialog(before, after, source, document_.folder(), state ? state->sources : nullptr, parent_);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    connect(dialog, &QDialog::accepted, this, [this, source, path = after.sources[source].path] {
        document_.edit(tr("Replace %1").arg(name_of(document_.job().sources[source])),
                       [&](Job& job) { relink(job, source, path); });
    });
    dialog->open();
}

void SourceMenu::remove(size_t source) {
    document_.edit(tr("Remove %1").arg(name_of(document_.job().sources[source])),
                   [&](Job& job) { job.sources.erase(job.sources.begin() + static_cast<ptrdiff_t>(source)); });
}

void SourceMenu::set_role(size_t source, SourceRole role) {
    document_.edit(tr("Take %1 as another thing").arg(name_of(document_.job().sources[source])),
                   [&](Job& job) { job.sources[source].role = role; });
}

void SourceMenu::set_rest(size_t source, RestOf rest) {
    document_.edit(tr("Say whose rest pose holds"), [&](Job& job) { job.sources[source].rest = rest; });
}

} // namespace wembrix::app
