// The open job with its undo history. Every change of the job goes through `edit`.
#pragma once

#include "core/job/job.h"

#include <QObject>
#include <QString>
#include <QUndoStack>
#include <functional>

namespace wembrix::app {

class Document : public QObject {
    Q_OBJECT
  public:
    explicit Document(QObject* parent = nullptr);

    [[nodiscard]] const Job& job() const { return job_; }
    [[nodiscard]] const QString& path() const { return path_; }
    /// Relative sources and deliveries count from here.
    [[nodiscard]] std::filesystem::path folder() const;
    [[nodiscard]] bool is_saved() const { return !path_.isEmpty() && undo_.isClean() && !recovered_; }
    [[nodiscard]] bool is_empty() const { return job_.sources.empty(); }
    QUndoStack& undo() { return undo_; }

    Outcome open(const QString& path);
    Outcome save(const QString& path);
    void start(const Job& job); ///< a new job, not saved yet
    /// A job from a recovery file: open under its own path, with changes that are not saved.
    void start_recovered(const Job& job, const QString& path, const QString& folder);
    /// Gives a new job its first steps, as part of making it: nothing to undo.
    void begin_with(const std::vector<Step>& steps);
    /// One undoable change, named for the menu ("Add step Resize"). With `merges_as`, edits of the same kind that
    /// follow one another are one to undo, until the job is saved in between.
    void edit(const QString& what, const std::function<void(Job&)>& change, const QString& merges_as = {});

  Q_SIGNALS:
    void opened(); ///< another job, or the same from its file again: nothing that was read before holds
    void jobChanged();
    void pathChanged();

  private:
    friend class JobEdit;
    void put(const Job& job);

    Job job_;
    QString path_;
    QString folder_;         ///< of a recovered job that has no path
    bool recovered_ = false; ///< and not saved since
    QUndoStack undo_;
};

} // namespace wembrix::app
