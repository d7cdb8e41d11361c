#include "session/source_watch.h"

#include "style/language.h"

#include <QFileInfo>
#include <algorithm>

namespace wembrix::app {

SourceWatch::SourceWatch(Document& document, Session& session, QObject* parent)
    : QObject(parent), document_(document), session_(session) {
    // Programs write files in several goes: wait until it is quiet.
    settle_.setSingleShot(true);
    settle_.setInterval(300);
    connect(&settle_, &QTimer::timeout, this, &SourceWatch::look);
    connect(&watcher_, &QFileSystemWatcher::fileChanged, this, [this](const QString& path) {
        const QString name = QFileInfo(path).fileName();
        if (!touched_.contains(name)) {
            touched_ << name;
        }
        settle_.start();
    });
    // A file that is replaced by another one is gone for the watcher; its folder tells of the new one.
    connect(&watcher_, &QFileSystemWatcher::directoryChanged, this, [this] {
        if (!touched_.isEmpty()) {
            settle_.start();
        }
    });
    connect(&document_, &Document::opened, this, [this] {
        before_.reset();
        touched_.clear();
        news_.clear();
        Q_EMIT changed();
    });
    connect(&session_, &Session::changed, this, [this] {
        compare();
        follow();
    });
}

void SourceWatch::follow() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!state) {
        return;
    }
    QStringList wanted;
    for (const LoadedSources::Source& source : state->sources->sources) {
        for (const std::filesystem::path& file : source.files) {
            wanted << QString::fromStdString(file.string());
            wanted << QString::fromStdString(file.parent_path().string());
        }
    }
    wanted.removeDuplicates();
    wanted.removeAll(QString());
    const QStringList now = watcher_.files() + watcher_.directories();
    QStringList gone;
    for (const QString& path : now) {
        if (!wanted.contains(path)) {
            gone << path;
        }
    }
    if (!gone.isEmpty()) {
        watcher_.removePaths(gone);
    }
    for (const QString& path : wanted) {
        if (!now.contains(path) && QFileInfo::exists(path)) {
            watcher_.addPath(path);
        }
    }
}

void SourceWatch::look() {
    // Between two states of a file there may be none: wait for it to be there again.
    const std::shared_ptr<const SessionState> state = session_.state();
    if (state) {
        for (const LoadedSources::Source& source : state->sources->sources) {
            for (const std::filesystem::path& file : source.files) {
                if (!std::filesystem::exists(file)) {
                    news_ = {tr("%1 is gone; what was read of it is still shown.")
                                 .arg(QString::fromStdString(file.filename().string()))};
                    Q_EMIT changed();
                    return;
                }
            }
        }
        before_ = state;
    }
    session_.read_again();
}

void SourceWatch::compare() {
    const std::shared_ptr<const SessionState> state = session_.state();
    if (!before_ || !state || state == before_ || state->sources == before_->sources) {
        if (before_ && !session_.problem().isEmpty()) {
            news_ = {
                tr("%1 changed and cannot be read: %2").arg(touched_.join(QStringLiteral(", ")), session_.problem())};
            Q_EMIT changed();
        }
        return;
    }
    if (state->sources->hashes == before_->sources->hashes) {
        before_.reset();
        touched_.clear();
        return; // saved again as it was
    }
    QStringList lines;
    for (const Text& line : state->source_changes) {
        lines << localized(line);
    }
    news_.clear();
    news_ << tr("%1 changed: %2.")
                 .arg(touched_.join(QStringLiteral(", ")),
                      lines.isEmpty() ? tr("nothing that is used here") : lines.join(QStringLiteral("; ")));
    for (const StepOutcome& outcome : state->replay.outcomes) {
        const bool before =
            std::any_of(before_->replay.outcomes.begin(), before_->replay.outcomes.end(),
                        [&](const StepOutcome& old) { return old.step == outcome.step && old.problem; });
        if (outcome.problem && !before) {
            news_ << tr("A step no longer fits: %1").arg(localized(outcome.problem->sentence()));
        }
    }
    if (news_.size() == 1) {
        news_ << tr("The route card was replayed; every step still fits.");
    }
    before_.reset();
    touched_.clear();
    Q_EMIT changed();
}

} // namespace wembrix::app
