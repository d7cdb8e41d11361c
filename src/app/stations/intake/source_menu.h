// What can be done with a source: found again, replaced, taken out; what it is taken as; whose rest pose holds.
#pragma once

#include "session/document.h"
#include "session/session.h"

#include <QObject>

class QMenu;
class QWidget;

namespace wembrix::app {

class SourceMenu : public QObject {
    Q_OBJECT
  public:
    SourceMenu(Document& document, Session& session, QWidget* parent);

    /// Fills a menu for the source at that place of the job.
    void fill(QMenu& menu, size_t source);

    /// Looks in a folder, and beside the job and its other sources, for every file that is gone; what was found, or why
    /// nothing was.
    QString find_again(const QString& folder);
    /// Shows what would change and, if that is accepted, takes the file instead.
    void replace(size_t source, const QString& file);
    void remove(size_t source);
    void set_role(size_t source, SourceRole role);
    void set_rest(size_t source, RestOf rest);

  Q_SIGNALS:
    void said(const QString& what);

  private:
    void ask_where();
    void ask_for_file(size_t source);

    Document& document_;
    Session& session_;
    QWidget* parent_;
};

} // namespace wembrix::app
