#include "session/library.h"
#include "style/language.h"

#include "core/base/files.h"

#include <QDir>
#include <QFileInfo>
#include <QSettings>
#include <QStandardPaths>
#include <algorithm>
#include <optional>

namespace wembrix::app {

namespace {

QString library_folder() {
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/destinations");
}

constexpr int most_recent = 8;

} // namespace

std::vector<Destination> library_destinations() {
    std::vector<Destination> all = built_in_destinations();
    for (const QFileInfo& file :
         QDir(library_folder()).entryInfoList({QStringLiteral("*.json")}, QDir::Files, QDir::Name)) {
        Result<Destination> one = read_destination(file.absoluteFilePath().toStdString());
        if (!one) {
            continue;
        }
        const auto same =
            std::find_if(all.begin(), all.end(), [&](const Destination& other) { return other.name == one->name; });
        if (same != all.end()) {
            *same = one.take();
        } else {
            all.push_back(one.take());
        }
    }
    return all;
}

QString save_to_library(const Destination& destination) {
    QDir().mkpath(library_folder());
    const std::string file =
        library_folder().toStdString() + "/" + file_name_safe(destination.name) + ".destination.json";
    const Outcome done = replace_file(file, destination_to_json(destination).dump(2) + "\n");
    return done ? QString() : localized(done.problem().sentence());
}

std::optional<Destination> from_library(const std::string& name) {
    for (Destination& destination : library_destinations()) {
        if (destination.name == name) {
            return destination;
        }
    }
    return std::nullopt;
}

QString team_folder() {
    return QSettings().value(QStringLiteral("teamFolder")).toString();
}

void choose_team_folder(const QString& folder) {
    QSettings().setValue(QStringLiteral("teamFolder"), folder.trimmed());
}

QStringList recent_jobs() {
    QStringList jobs = QSettings().value(QStringLiteral("recentJobs")).toStringList();
    jobs.erase(std::remove_if(jobs.begin(), jobs.end(), [](const QString& job) { return !QFileInfo::exists(job); }),
               jobs.end());
    return jobs;
}

void add_recent_job(const QString& path) {
    QStringList jobs = recent_jobs();
    jobs.removeAll(path);
    jobs.prepend(path);
    while (jobs.size() > most_recent) {
        jobs.removeLast();
    }
    QSettings().setValue(QStringLiteral("recentJobs"), jobs);
}

} // namespace wembrix::app
