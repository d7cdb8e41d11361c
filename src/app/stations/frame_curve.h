// Something measured at each frame of a clip (drift with its limit, a count), and the frame that is shown.
#pragma once

#include "session/clock.h"

#include <QWidget>
#include <vector>

namespace wembrix::app {

class FrameCurve : public QWidget {
    Q_OBJECT
  public:
    explicit FrameCurve(Clock& clock, QWidget* parent = nullptr);
    void show_drift(const std::vector<float>& per_frame_mm, double limit_mm);
    /// How many of something at each `every`th of so many frames; `none` stands there while nothing is known.
    void show_counts(const std::vector<uint32_t>& counts, int every, int frames, const QString& none);
    [[nodiscard]] size_t frames() const { return static_cast<size_t>(frames_); }

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

  private:
    void go_to(double x);
    [[nodiscard]] QString in_words() const; ///< what it shows, for a screen reader
    Clock& clock_;
    std::vector<float> values_;
    int every_ = 1; ///< frames from one value to the next
    int frames_ = 0;
    double limit_ = 0;
    bool counts_ = false;
    QString none_;
};

} // namespace wembrix::app
