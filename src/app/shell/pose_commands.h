// Poses that are kept with a name, and the one that becomes the rest pose.
#pragma once

#include "session/clock.h"
#include "session/document.h"
#include "session/session.h"

#include <QObject>

class QWidget;

namespace wembrix::app {

class PoseCommands : public QObject {
    Q_OBJECT
  public:
    PoseCommands(Document& document, Session& session, Clock& clock, QWidget* window);

    /// Asks for a name and keeps what Prepared shows now.
    void ask_and_keep();
    void keep(const QString& name);
    /// Takes the stored pose that is shown out of the job.
    void forget();
    /// Puts a step on the card that makes what is shown the rest pose.
    void make_rest_pose();

  private:
    [[nodiscard]] StoredPose shown() const;

    Document& document_;
    Session& session_;
    Clock& clock_;
    QWidget* window_;
};

} // namespace wembrix::app
