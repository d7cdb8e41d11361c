// Opening, saving and starting jobs, with what is asked and said on the way.
#pragma once

#include "session/document.h"
#include "session/session.h"

#include <QObject>

class QMenu;
class QWidget;

namespace wembrix::app {

class JobFiles : public QObject {
    Q_OBJECT
  public:
    /// `window` is what the questions stand before.
    JobFiles(Document& document, Session& session, QWidget* window);

    /// Opens a job, brings files into the one that is open, or starts one with them. Says what went wrong, or nothing.
    QString open_paths(const QStringList& paths);
    bool save();
    bool save_as();
    /// Asks for the names of family and variant; or saves another variant of the family, and goes on with that one.
    void ask_for_origin();
    /// Gives the job these names, with ids where it has none yet.
    void set_origin(const Origin& origin);
    /// Saves the job as another variant beside it and opens that one; what went wrong, or nothing.
    QString save_variant(const QString& name, const QString& path);
    /// Asks about changes that are not saved, if there are any.
    bool may_lose_changes();
    void ask_for_job();
    void ask_for_files(); ///< a new job from them
    /// Asks for a job that is the template, and for files.
    void ask_for_template();
    /// A new job for these files with the template's card and destinations; what went wrong, or nothing.
    QString start_like(const QString& job, const QStringList& files);
    /// Into the job that is open, or a new one where there is none.
    void ask_to_bring_in();
    void ask_for_folder(); ///< of takes: all files of it that can be read
    /// Makes the demo jobs in the person's own folder, and opens one.
    void open_demo(const QString& job = QStringLiteral("tansy.wembrix"));
    void fill_recent(QMenu* menu);
    /// Says what went wrong in a message; nothing for an empty text.
    void report(const QString& problem);

  Q_SIGNALS:
    void demoBegun();

  private:
    /// What the card gets by itself once sources are read.
    void add_steps_for_sources();

    Document& document_;
    Session& session_;
    QWidget* window_;
    enum class Awaits : uint8_t { nothing, first_steps, imported };
    Awaits awaits_ = Awaits::nothing; ///< what the card gets when the sources that were given are read
};

} // namespace wembrix::app
