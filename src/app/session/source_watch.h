// Watches the files of the sources, and says what changed once they are read anew.
#pragma once

#include "session/document.h"
#include "session/session.h"

#include <QFileSystemWatcher>
#include <QObject>
#include <QStringList>
#include <QTimer>

namespace wembrix::app {

class SourceWatch : public QObject {
    Q_OBJECT
  public:
    SourceWatch(Document& document, Session& session, QObject* parent = nullptr);

    /// What the last change on disk was, in lines; empty until there was one.
    [[nodiscard]] const QStringList& news() const { return news_; }

  Q_SIGNALS:
    void changed();

  private:
    void follow();
    void look();
    void compare();

    Document& document_;
    Session& session_;
    QFileSystemWatcher watcher_;
    QTimer settle_;
    std::shared_ptr<const SessionState> before_; ///< as it was when a file changed
    QStringList touched_;
    QStringList news_;
};

} // namespace wembrix::app
