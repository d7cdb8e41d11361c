// The live hand-over as a person sees it: who listens, what each was handed, and what it says it made of it.
#pragma once

#include <QDialog>
#include <QUrl>
#include <functional>

class QCheckBox;
class QLabel;
class QPushButton;
class QTreeWidget;

namespace wembrix::app {

class LiveHub;

class LiveWindow : public QDialog {
    Q_OBJECT
  public:
    LiveWindow(LiveHub& hub, std::function<void(const QUrl&)> opener, QWidget* parent = nullptr);

    /// Puts the engine's add-on into a project of it. A sentence says why not; empty: it is there.
    static QString put_addon(const QString& project_folder);

  private:
    void refresh();

    LiveHub& hub_;
    std::function<void(const QUrl&)> opener_;
    QLabel* state_;
    QPushButton* listen_;
    QTreeWidget* tree_;
    QLabel* nobody_;
    QLabel* said_;
    QPushButton* now_;
    QCheckBox* follows_;
    QPushButton* page_;
    QPushButton* addon_;
};

} // namespace wembrix::app
