#include "session/document.h"

#include "core/job/job_sources.h"

#include <QFileInfo>
#include <QUndoCommand>

namespace wembrix::app {

class JobEdit : public QUndoCommand {
  public:
    JobEdit(Document& document, const QString& what, Job before, Job after)
        : QUndoCommand(what), document_(document), before_(std::move(before)), after_(std::move(after)) {}
    void undo() override { document_.put(before_); }
    void redo() override { document_.put(after_); }

  private:
    Document& document_;
    Job before_;
    Job after_;
};

Document::Document(QObject* parent) : QObject(parent) {
    connect(&undo_, &QUndoStack::cleanChanged, this, &Document::pathChanged);
}

std::filesystem::path Document::folder() const {
    if (path_.isEmpty() && !folder_.isEmpty()) {
        return folder_.toStdString();
    }
    return path_.isEmpty() ? std::filesystem::current_path()
                           : std::filesystem::path(QFileInfo(path_).absolutePath().toStdString());
}

void Document::put(const Job& job) {
    job_ = job;
    Q_EMIT jobChanged();
}

Outcome Document::open(const QString& path) {
    Result<Job> job = read_job(path.toStdString());
    if (!job) {
        return job.problem();
    }
    path_ = QFileInfo(path).absoluteFilePath();
    recovered_ = false;
    undo_.clear();
    Q_EMIT opened();
    put(*job);
    Q_EMIT pathChanged();
    return Done{};
}

Outcome Document::save(const QString& path) {
    const QString full = QFileInfo(path).absoluteFilePath();
    Job job = job_;
    // Paths count from the job's folder, so that both can move together.
    const std::filesystem::path to = QFileInfo(full).absolutePath().toStdString();
    for (auto& [source, role, rest] : job.sources) {
        const std::filesystem::path absolute =
            std::filesystem::path(source).is_absolute() ? std::filesystem::path(source) : folder() / source;
        const std::filesystem::path relative = absolute.lexically_relative(to);
        source = relative.empty() || *relative.begin() == ".." ? absolute.string() : relative.string();
    }
    note_contents(job, to);
    if (Outcome done = write_job(job, full.toStdString()); !done) {
        return done;
    }
    path_ = full;
    recovered_ = false;
    undo_.setClean();
    if (!(job == job_)) {
        put(job);
    }
    Q_EMIT pathChanged();
    return Done{};
}

void Document::start_recovered(const Job& job, const QString& path, const QString& folder) {
    path_ = path;
    folder_ = folder;
    undo_.clear();
    undo_.resetClean();
    recovered_ = true;
    Q_EMIT opened();
    put(job);
    Q_EMIT pathChanged();
}

void Document::start(const Job& job) {
    path_.clear();
    folder_.clear();
    recovered_ = false;
    undo_.clear();
    undo_.resetClean();
    Q_EMIT opened();
    put(job);
    Q_EMIT pathChanged();
}

void Document::begin_with(const std::vector<Step>& steps) {
    Job job = job_;
    job.steps = steps;
    put(job);
}

void Document::edit(const QString& what, const std::function<void(Job&)>& change) {
    Job after = job_;
    change(after);
    if (!(after == job_)) {
        undo_.push(new JobEdit(*this, what, job_, after));
    }
}

} // namespace wembrix::app
