// Intake: what came in, what goes out, and what is wrong with it; beside the twin view.
#pragma once

#include "session/document.h"
#include "session/session.h"
#include "view/twin_view.h"

#include <QWidget>

class QTreeWidget;
class QTreeWidgetItem;
class QLabel;

namespace wembrix::app {

class IntakeStation : public QWidget {
    Q_OBJECT
  public:
    IntakeStation(Document& document, Session& session, Camera& camera, Clock& clock, QWidget* parent = nullptr);
    TwinView& twin() { return *twin_; }
    void set_destination(const Destination* destination);

  Q_SIGNALS:
    void filesAsked();
    void demoAsked();

  private:
    void refresh();
    void fill_contents();
    void ticked(QTreeWidgetItem* item, int column);

    Document& document_;
    Session& session_;
    TwinView* twin_;
    QTreeWidget* contents_;
    QLabel* summary_;
    QWidget* empty_;
    std::optional<Destination> destination_;
};

} // namespace wembrix::app
