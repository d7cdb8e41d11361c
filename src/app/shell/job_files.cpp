#include "shell/job_files.h"
#include "style/language.h"

#include "session/log.h"

#include "core/formats/format.h"
#include "core/job/card_edits.h"
#include "session/library.h"
#include "shell/origin_dialog.h"

#include <QAbstractButton>
#include <QCoreApplication>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QMenu>
#include <QMessageBox>
#include <QProcess>
#include <QStandardPaths>

namespace wembrix::app {

JobFiles::JobFiles(Document& document, Session& session, QWidget* window)
    : QObject(window), document_(document), session_(session), window_(window) {
    connect(&session_, &Session::changed, this, &JobFiles::add_steps_for_sources);
}

namespace {

/// "*.glb", one for each suffix that a format reads.
QStringList scene_patterns() {
    QStringList patterns;
    for (const std::string& suffix : readable_suffixes()) {
        patterns << QStringLiteral("*") + QString::fromStdString(suffix);
    }
    return patterns;
}

QString scene_filter() {
    return QObject::tr("Scenes (%1)").arg(scene_patterns().join(QLatin1Char(' ')));
}

/// A folder stands for the scenes that lie in it, in order of their names.
QStringList with_folders_open(const QStringList& given) {
    QStringList paths;
    for (const QString& path : given) {
        if (!QFileInfo(path).isDir()) {
            paths << path;
            continue;
        }
        for (const QFileInfo& file :
             QDir(path).entryInfoList(scene_patterns(), QDir::Files | QDir::Readable, QDir::Name)) {
            paths << file.absoluteFilePath();
        }
    }
    return paths;
}

} // namespace

QString JobFiles::open_paths(const QStringList& given) {
    const QStringList paths = with_folders_open(given);
    if (!given.isEmpty()) {
        log_info(QStringLiteral("opens ") + given.join(QStringLiteral(", ")));
    }
    if (paths.isEmpty() && !given.isEmpty()) {
        return tr("%1 holds no scene. %2").arg(given.front(), localized(what_is_read()));
    }
    for (const QString& path : paths) {
        if (path.endsWith(QStringLiteral(".wembrix"))) {
            awaits_ = Awaits::nothing;
            const Outcome done = document_.open(path);
            if (done) {
                add_recent_job(document_.path());
            }
            return done ? QString() : localized(done.problem().sentence());
        }
    }
    std::vector<std::filesystem::path> files;
    std::vector<std::string> sources;
    for (const QString& path : paths) {
        files.emplace_back(QFileInfo(path).absoluteFilePath().toStdString());
        sources.push_back(files.back().string());
    }
    if (files.empty()) {
        return {};
    }
    if (!document_.is_empty()) {
        document_.edit(tr("Import %1").arg(QFileInfo(paths.front()).fileName()), [&](Job& job) {
            for (const std::string& source : sources) {
                if (std::find(job.sources.begin(), job.sources.end(), source) == job.sources.end()) {
                    job.sources.push_back(source);
                }
            }
        });
        awaits_ = Awaits::imported;
        return {};
    }
    awaits_ = Awaits::first_steps;
    document_.start(new_job(files));
    return {};
}

void JobFiles::add_steps_for_sources() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state || state->source_paths != document_.job().sources) {
        return;
    }
    const Awaits awaits = std::exchange(awaits_, Awaits::nothing);
    if (awaits == Awaits::first_steps) {
        Job job = document_.job();
        job.steps = first_steps(*state->replay.received);
        bring_where_needed(job, *state->sources);
        document_.begin_with(job.steps);
    } else if (awaits == Awaits::imported) {
        document_.edit(tr("Bring takes onto the skeleton"),
                       [&](Job& job) { bring_where_needed(job, *state->sources); });
    }
}

void JobFiles::report(const QString& problem) {
    if (!problem.isEmpty()) {
        QMessageBox box(QMessageBox::Warning, tr("Wembrix"), problem, QMessageBox::Ok, window_);
        box.exec();
    }
}

bool JobFiles::save() {
    if (document_.path().isEmpty()) {
        return save_as();
    }
    const Outcome done = document_.save(document_.path());
    if (!done) {
        report(localized(done.problem().sentence()));
    }
    return done.ok();
}

bool JobFiles::save_as() {
    const QString suggestion = document_.path().isEmpty()
                                   ? QString::fromStdString(document_.job().name) + QStringLiteral(".wembrix")
                                   : document_.path();
    QString path =
        QFileDialog::getSaveFileName(window_, tr("Save the job"), suggestion, tr("Wembrix jobs (*.wembrix)"));
    if (path.isEmpty()) {
        return false;
    }
    if (!path.endsWith(QStringLiteral(".wembrix"))) {
        path += QStringLiteral(".wembrix");
    }
    const Outcome done = document_.save(path);
    if (!done) {
        report(localized(done.problem().sentence()));
    } else {
        add_recent_job(document_.path());
    }
    return done.ok();
}

void JobFiles::set_origin(const Origin& origin) {
    document_.edit(tr("Name family and variant"), [&](Job& job) {
        job.origin.family = origin.family;
        job.origin.variant = origin.variant;
        job.origin.license = origin.license;
        job.origin.credits = origin.credits;
        const std::string family = job.origin.family;
        give_ids(job);
        job.origin.family = family.empty() ? job.name : family;
    });
}

QString JobFiles::save_variant(const QString& name, const QString& path) {
    if (QFileInfo::exists(path)) {
        return tr("%1 is there already.").arg(path);
    }
    if (document_.job().origin.family_id.empty()) {
        set_origin(document_.job().origin); // the one that it comes of is of that family, too
    }
    if (!document_.path().isEmpty()) {
        if (const Outcome saved = document_.save(document_.path()); !saved) {
            return localized(saved.problem().sentence());
        }
    }
    Job other = new_variant(document_.job(), name.toStdString());
    other.name = QFileInfo(path).completeBaseName().toStdString();
    if (const Outcome written = write_job(other, path.toStdString()); !written) {
        return localized(written.problem().sentence());
    }
    return open_paths({path});
}

void JobFiles::ask_for_origin() {
    OriginDialog dialog(document_.job().origin, window_);
    if (dialog.exec() != QDialog::Accepted) {
        return;
    }
    if (!dialog.wants_variant()) {
        set_origin(dialog.origin());
        return;
    }
    const QString name = QString::fromStdString(dialog.origin().variant);
    const QString folder = QString::fromStdString(document_.folder().string());
    const QString suggestion = folder + QLatin1Char('/') + QString::fromStdString(document_.job().name) +
                               (name.isEmpty() ? QString() : QLatin1Char('_') + name) + QStringLiteral(".wembrix");
    const QString path =
        QFileDialog::getSaveFileName(window_, tr("Save the new variant"), suggestion, tr("Wembrix jobs (*.wembrix)"));
    if (!path.isEmpty()) {
        report(save_variant(name, path));
    }
}

bool JobFiles::may_lose_changes() {
    if (document_.is_empty() || document_.is_saved()) {
        return true;
    }
    QMessageBox box(QMessageBox::Question, tr("Wembrix"),
                    tr("“%1” has changes that are not saved.").arg(QString::fromStdString(document_.job().name)),
                    QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel, window_);
    box.setDefaultButton(QMessageBox::Save);
    const int chosen = box.exec();
    return chosen == QMessageBox::Discard || (chosen == QMessageBox::Save && save());
}

void JobFiles::ask_for_job() {
    if (!may_lose_changes()) {
        return;
    }
    const QString path =
        QFileDialog::getOpenFileName(window_, tr("Open a job"), QString(), tr("Wembrix jobs (*.wembrix)"));
    if (!path.isEmpty()) {
        report(open_paths({path}));
    }
}

void JobFiles::ask_for_files() {
    const QStringList paths = QFileDialog::getOpenFileNames(window_, tr("Import files"), QString(), scene_filter());
    if (paths.isEmpty() || !may_lose_changes()) {
        return;
    }
    document_.start(Job());
    report(open_paths(paths));
}

void JobFiles::ask_for_template() {
    const QString job = QFileDialog::getOpenFileName(window_, tr("A job whose card and destinations the new one gets"),
                                                     document_.path(), tr("Wembrix jobs (*.wembrix)"));
    if (job.isEmpty()) {
        return;
    }
    const QStringList paths =
        QFileDialog::getOpenFileNames(window_, tr("The new job's files"), QString(), scene_filter());
    if (!paths.isEmpty() && may_lose_changes()) {
        report(start_like(job, paths));
    }
}

QString JobFiles::start_like(const QString& job, const QStringList& given) {
    const Result<Job> like = read_job(job.toStdString());
    if (!like) {
        return localized(like.problem().sentence());
    }
    std::vector<std::filesystem::path> files;
    for (const QString& path : with_folders_open(given)) {
        if (!QFileInfo(path).isFile()) {
            return tr("%1 is not there.").arg(path);
        }
        files.emplace_back(QFileInfo(path).absoluteFilePath().toStdString());
    }
    if (files.empty()) {
        return tr("There is no file that is read. %1").arg(localized(what_is_read()));
    }
    awaits_ = Awaits::imported;
    document_.start(job_like(*like, files));
    return {};
}

void JobFiles::ask_to_bring_in() {
    if (document_.is_empty()) {
        ask_for_files();
        return;
    }
    const QStringList paths = QFileDialog::getOpenFileNames(window_, tr("Import files"), QString(), scene_filter());
    report(open_paths(paths));
}

void JobFiles::ask_for_folder() {
    const QString folder = QFileDialog::getExistingDirectory(window_, tr("Import a folder"));
    if (!folder.isEmpty()) {
        report(open_paths({folder}));
    }
}

void JobFiles::open_demo(const QString& job) {
    if (!may_lose_changes()) {
        return;
    }
    const QString folder = QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/demo");
    // Beside the program, as it is installed; or where a build puts it.
    QString maker;
    for (const char* place :
         {"/wembrix-demo-maker", "/../libexec/wembrix/wembrix-demo-maker", "/../../demo/wembrix-demo-maker"}) {
        const QString candidate = QCoreApplication::applicationDirPath() + QString::fromUtf8(place);
        if (maker.isEmpty() && QFileInfo::exists(candidate)) {
            maker = candidate;
        }
    }
    QDir().mkpath(folder);
    auto* making = new QProcess(this);
    const auto ended = [this, making, folder, job](bool well) {
        making->deleteLater();
        report(well ? open_paths({folder + QLatin1Char('/') + job})
                    : tr("The demo job could not be made in %1.").arg(folder));
    };
    connect(making, &QProcess::finished, this,
            [ended](int code, QProcess::ExitStatus status) { ended(status == QProcess::NormalExit && code == 0); });
    connect(making, &QProcess::errorOccurred, this, [ended](QProcess::ProcessError error) {
        if (error == QProcess::FailedToStart) {
            ended(false);
        }
    });
    Q_EMIT demoBegun();
    making->start(maker, {folder});
}

void JobFiles::fill_recent(QMenu* menu) {
    menu->clear();
    for (const QString& job : recent_jobs()) {
        QAction* action = menu->addAction(QFileInfo(job).fileName());
        action->setToolTip(job);
        connect(action, &QAction::triggered, this, [this, job] {
            if (may_lose_changes()) {
                report(open_paths({job}));
            }
        });
    }
    if (menu->isEmpty()) {
        menu->addAction(tr("Jobs that you open or save stand here"))->setEnabled(false);
    }
    menu->setToolTipsVisible(true);
}

} // namespace wembrix::app
