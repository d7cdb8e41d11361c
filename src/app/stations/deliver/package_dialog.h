// Makes a package: what was delivered, of this job and of others of its family, as one archive or a folder.
#pragma once

#include "core/delivery/package.h"
#include "session/board_model.h"
#include "session/delivery_runner.h"
#include "session/document.h"
#include "session/session.h"

#include <QDialog>
#include <QThreadPool>
#include <QUrl>
#include <atomic>
#include <functional>
#include <memory>
#include <set>

class QLabel;
class QLineEdit;
class QPushButton;
class QRadioButton;
class QTreeWidget;

namespace wembrix::app {

class PackageDialog : public QDialog {
    Q_OBJECT
  public:
    PackageDialog(Document& document, Session& session, DeliveryRunner& runner, BoardModel& board,
                  std::function<void(const QUrl&)> opener, QWidget* parent = nullptr);
    ~PackageDialog() override;

    /// Another job's file, of which all destinations go in.
    void add_job(const QString& file);
    [[nodiscard]] bool is_at_work() const { return at_work_; }

  private:
    struct Made {
        QString words;
        std::filesystem::path path; ///< empty where nothing was made
        bool whole = false;
    };
    void list(); ///< what can go in, anew
    void refresh();
    void make();
    void show_made(const Made& made);
    [[nodiscard]] std::set<std::string> chosen() const; ///< destinations of this job

    Document& document_;
    Session& session_;
    DeliveryRunner& runner_;
    BoardModel& board_;
    std::function<void(const QUrl&)> opener_;
    QTreeWidget* tree_;
    QPushButton* remove_;
    QLineEdit* name_;
    QRadioButton* archive_;
    QRadioButton* folder_;
    QLineEdit* into_;
    QLineEdit* license_;
    QLineEdit* credits_;
    QLabel* said_;
    QPushButton* show_;
    QPushButton* stop_;
    QPushButton* make_;
    std::vector<std::filesystem::path> others_;
    std::set<std::string> left_out_; ///< destinations that were unticked
    std::filesystem::path made_;
    QThreadPool worker_;
    std::atomic<bool> stopped_ = false;
    bool at_work_ = false;
};

} // namespace wembrix::app
