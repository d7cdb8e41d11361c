#include "session/recovery.h"

#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/job/job_data.h"

#include <QCoreApplication>
#include <QDateTime>
#include <QDir>
#include <QFileInfo>
#include <QRegularExpression>
#include <QStandardPaths>
#include <cerrno>
#include <csignal>

namespace wembrix::app {

QString Recovery::folder() {
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/recovery");
}

Recovery::Recovery(Document& document, QObject* parent) : QObject(parent), document_(document) {
    timer_.setInterval(60 * 1000);
    connect(&timer_, &QTimer::timeout, this, &Recovery::keep);
    timer_.start();
    connect(&document_, &Document::opened, this, &Recovery::forget);
    connect(&document_, &Document::pathChanged, this, [this] {
        if (document_.is_saved()) {
            forget();
        }
    });
}

void Recovery::keep() {
    if (document_.is_empty() || document_.is_saved()) {
        forget();
        return;
    }
    if (file_.isEmpty()) {
        QDir().mkpath(folder());
        static int number = 0;
        file_ = folder() + QStringLiteral("/%1-%2.recovery").arg(QCoreApplication::applicationPid()).arg(++number);
    }
    const nlohmann::json json = {{"format", "wembrix recovery"},
                                 {"path", document_.path().toStdString()},
                                 {"folder", document_.folder().string()},
                                 {"job", job_to_json(document_.job())}};
    // It is there for the case that something fails: that it cannot be written must not stop the work.
    const std::filesystem::path arrays = data_folder(file_.toStdString());
    static_cast<void>(write_data(document_.job().steps, arrays));
    static_cast<void>(write_file_whole(file_.toStdString(), json.dump(2) + "\n"));
    collect_data(document_.job().steps, arrays);
}

namespace {
void remove_with_arrays(const QString& file) {
    QFile::remove(file);
    collect_data({}, data_folder(file.toStdString()));
}
} // namespace

void Recovery::forget() {
    if (!file_.isEmpty()) {
        remove_with_arrays(file_);
        file_.clear();
    }
}

std::vector<Recoverable> Recovery::left_over() {
    std::vector<Recoverable> found;
    static const QRegularExpression ours(QStringLiteral("^(\\d{1,9})-\\d+\\.recovery$"));
    for (const QFileInfo& file :
         QDir(folder()).entryInfoList({QStringLiteral("*.recovery")}, QDir::Files, QDir::Time)) {
        const QRegularExpressionMatch match = ours.match(file.fileName());
        const bool lives = match.hasMatch() && (::kill(match.captured(1).toInt(), 0) == 0 || errno != ESRCH);
        if (!match.hasMatch() || (lives && match.captured(1).toLongLong() != QCoreApplication::applicationPid())) {
            continue; // another window is at work on it
        }
        if (match.captured(1).toLongLong() == QCoreApplication::applicationPid()) {
            continue;
        }
        const Result<nlohmann::json> json = read_json_file(file.absoluteFilePath().toStdString());
        if (!json || !json->is_object() || json->value("format", nlohmann::json()) != "wembrix recovery" ||
            !json->contains("job")) {
            continue;
        }
        Result<Job> job = job_from_json((*json)["job"], file.fileName().toStdString());
        if (!job) {
            continue;
        }
        read_data(job->steps, data_folder(file.absoluteFilePath().toStdString()));
        const auto text = [&](const char* key) {
            const auto at = json->find(key);
            return at != json->end() && at->is_string() ? QString::fromStdString(at->get<std::string>()) : QString();
        };
        found.push_back({file.absoluteFilePath(), text("path"), text("folder"),
                         file.lastModified().toString(QStringLiteral("yyyy-MM-dd HH:mm")), job.take()});
    }
    return found;
}

void Recovery::discard(const Recoverable& recoverable) {
    remove_with_arrays(recoverable.file);
}

} // namespace wembrix::app
