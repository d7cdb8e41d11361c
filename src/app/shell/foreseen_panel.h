// What a destination would make of the job, beside what it makes of it as it is kept: told while it is edited.
#pragma once

#include "core/delivery/foreseen.h"

#include <QLabel>
#include <QThreadPool>
#include <QTimer>
#include <memory>

namespace wembrix::app {

class ForeseenPanel : public QLabel {
    Q_OBJECT
  public:
    explicit ForeseenPanel(std::shared_ptr<const Scene> prepared, QWidget* parent = nullptr);
    ~ForeseenPanel() override;
    /// Worked out beside the window, a moment after the last call; the newest wins.
    void show_change(const Destination& before, const Destination& now);
    [[nodiscard]] bool is_at_work() const { return wait_.isActive() || done_ != asked_; }

  private:
    void work();
    std::shared_ptr<const Scene> prepared_;
    Destination before_, now_;
    QThreadPool pool_;
    QTimer wait_;
    int asked_ = 0;
    int done_ = 0;
};

} // namespace wembrix::app
