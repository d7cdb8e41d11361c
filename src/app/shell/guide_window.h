// The user guide, as it stands in docs/guide, with a field that searches in it.
#pragma once

#include <QDialog>
#include <vector>

class QLineEdit;
class QListWidget;
class QPushButton;
class QTextBrowser;

namespace wembrix::app {

class GuideWindow : public QDialog {
    Q_OBJECT
  public:
    explicit GuideWindow(QWidget* parent = nullptr);
    /// "joints" shows docs/guide/joints.md; "joints#build" its heading of that name.
    void show_page(const QString& page);
    [[nodiscard]] QString text() const;
    /// All pages, in the order in which they are listed.
    [[nodiscard]] QStringList pages() const;

  private:
    void list_pages();
    void list_hits(const QString& words);
    void open(const QString& page, const QString& heading, const QString& words);
    void go_to(const QString& heading);
    void mark(const QString& words);

    QLineEdit* search_;
    QListWidget* list_;
    QPushButton* back_;
    QTextBrowser* browser_;
    QString shown_;               ///< "joints#build"
    std::vector<QString> before_; ///< what was shown before it
};

} // namespace wembrix::app
