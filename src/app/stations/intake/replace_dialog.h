// Before a source is replaced: what changes, and which steps no longer fit.
#pragma once

#include "core/job/job_sources.h"

#include <QDialog>
#include <QThreadPool>
#include <memory>

class QLabel;
class QPlainTextEdit;
class QPushButton;

namespace wembrix::app {

class ReplaceDialog : public QDialog {
    Q_OBJECT
  public:
    /// `loaded`: the sources as they are shown now, null when they cannot be.
    ReplaceDialog(const Job& before, const Job& after, size_t source, const std::filesystem::path& folder,
                  std::shared_ptr<const LoadedSources> loaded, QWidget* parent = nullptr);
    ~ReplaceDialog() override;
    [[nodiscard]] bool is_ready() const { return ready_; }

  private:
    void show_change(const SourceChange& change);
    void show_problem(const QString& problem);

    QLabel* summary_;
    QPlainTextEdit* lines_;
    QPushButton* replace_;
    bool ready_ = false;
    QThreadPool worker_; ///< reads the new file and replays the card over it
};

} // namespace wembrix::app
