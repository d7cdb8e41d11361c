// Drift over the frames of a clip, with the limit and the frame that is shown.
#pragma once

#include "session/clock.h"

#include <QWidget>
#include <vector>

namespace wembrix::app {

class DriftCurve : public QWidget {
    Q_OBJECT
  public:
    explicit DriftCurve(Clock& clock, QWidget* parent = nullptr);
    void show_drift(const std::vector<float>& per_frame_mm, double limit_mm);
    [[nodiscard]] size_t frames() const { return values_.size(); }

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

  private:
    void go_to(double x);
    Clock& clock_;
    std::vector<float> values_;
    double limit_ = 0;
};

} // namespace wembrix::app
