// The user guide, as it stands in docs/guide.
#pragma once

#include <QDialog>

class QListWidget;
class QTextBrowser;

namespace wembrix::app {

class GuideWindow : public QDialog {
    Q_OBJECT
  public:
    explicit GuideWindow(QWidget* parent = nullptr);
    /// "joints" shows docs/guide/joints.md.
    void show_page(const QString& page);
    [[nodiscard]] QString text() const;

  private:
    QListWidget* pages_;
    QTextBrowser* browser_;
};

} // namespace wembrix::app
