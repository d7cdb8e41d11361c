// What has happened outside the window, under the header until it is read.
#pragma once

#include <QStringList>
#include <QWidget>

class QLabel;

namespace wembrix::app {

class NewsLine : public QWidget {
    Q_OBJECT
  public:
    explicit NewsLine(QWidget* parent = nullptr);
    /// Shows the sentences; hides itself when there are none.
    void show_news(const QStringList& sentences);

  private:
    QLabel* text_;
};

} // namespace wembrix::app
