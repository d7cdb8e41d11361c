// What stands where there is nothing yet: what would fill the place, and the two commands that do.
#pragma once

#include <QWidget>

namespace wembrix::app {

class EmptyOffer : public QWidget {
    Q_OBJECT
  public:
    explicit EmptyOffer(const QString& words, QWidget* parent = nullptr);

  Q_SIGNALS:
    void filesAsked();
    void demoAsked();
};

} // namespace wembrix::app
