#include "session/document.h"

#include "core/job/job_patch.h"
#include "core/job/job_sources.h"

#include <QFileInfo>
#include <QUndoCommand>

namespace wembrix::app {

/// One edit: what it changed. Edits of the same kind, one right after the other, become one.
class JobEdit : public QUndoCommand {
  public:
    JobEdit(Document& document, const QString& what, const JobPatch& patch, QString kind)
        : QUndoCommand(what), document_(document), patch_(patch), kind_(std::move(kind)), folder_(document.folder()) {}
    void undo() override {
        put([&](Job& job) { patch_.undo(job); });
    }
    void redo() override {
        put([&](Job& job) { patch_.redo(job); });
    }
    /// Anything but -1: the stack asks whether two may become one.
    [[nodiscard]] int id() const override { return kind_.isEmpty() ? -1 : 1; }
    bool mergeWith(const QUndoCommand* later) override {
        const auto* next = static_cast<const JobEdit*>(later);
        if (next->kind_ != kind_) {
            return false;
        }
        const Job& after = document_.job(); // the later one is done already
        if (next->folder_ != folder_) {
            return false; // saved elsewhere in between
        }
        Job before = after;
        next->patch_.undo(before);
        patch_.undo(before);
        patch_ = JobPatch(before, after);
        setObsolete(patch_.is_empty());
        return true;
    }

  private:
    /// On the job as it would be in the folder that the patch's paths count from.
    template <typename Change> void put(const Change& change) {
        Job job = document_.job();
        const std::filesystem::path now = document_.folder();
        if (now != folder_) {
            rebase_paths(job, now, folder_);
        }
        change(job);
        if (now != folder_) {
            rebase_paths(job, folder_, now);
        }
        document_.put(job);
    }

    Document& document_;
    JobPatch patch_;
    QString kind_; ///< empty: it stays by itself
    std::filesystem::path folder_;
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
    const std::filesystem::path to = QFileInfo(full).absolutePath().toStdString();
    rebase_paths(job, folder(), to);
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

void Document::edit(const QString& what, const std::function<void(Job&)>& change, const QString& merges_as) {
    Job after = job_;
    change(after);
    if (!path_.isEmpty()) {
        rebase_paths(after, folder(), folder()); // as it is written
    }
    const JobPatch patch(job_, after);
    if (!patch.is_empty()) {
        undo_.push(new JobEdit(*this, what, patch, merges_as));
    }
}

} // namespace wembrix::app
