// What stands where there is nothing yet: what would fill the place, and the commands that do.
#pragma once

#include <QWidget>

namespace wembrix::app {

class EmptyOffer : public QWidget {
    Q_OBJECT
  public:
    explicit EmptyOffer(const QString& words, QWidget* parent = nullptr);
    /// The other ways in besides: a folder of takes, and a first delivery that is gone through step by step.
    void offer_all_ways();

  Q_SIGNALS:
    void filesAsked();
    void demoAsked();
    void folderAsked();
    void lessonAsked();
};

} // namespace wembrix::app
