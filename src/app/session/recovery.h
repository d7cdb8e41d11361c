// A recovery file for the open job: written while there are changes, taken away when they are saved or let go, and
// offered after a crash.
#pragma once

#include "session/document.h"

#include <QObject>
#include <QTimer>
#include <vector>

namespace wembrix::app {

struct Recoverable {
    QString file;   ///< the recovery file
    QString path;   ///< of the job it belongs to; empty for one that was never saved
    QString folder; ///< that relative sources count from
    QString when;   ///< when it was written
    Job job;
};

class Recovery : public QObject {
    Q_OBJECT
  public:
    explicit Recovery(Document& document, QObject* parent = nullptr);

    /// Writes the job if it has changes that are not saved; takes the file away if it has none.
    void keep();
    /// The job is closed on purpose: nothing is to be offered.
    void forget();
    /// Every how many milliseconds it is written; a minute unless told otherwise.
    void set_interval(int milliseconds) { timer_.setInterval(milliseconds); }

    /// What runs that ended without being closed have left.
    [[nodiscard]] static std::vector<Recoverable> left_over();
    static void discard(const Recoverable& recoverable);
    [[nodiscard]] static QString folder();

  private:
    Document& document_;
    QTimer timer_;
    QString file_;
};

} // namespace wembrix::app
