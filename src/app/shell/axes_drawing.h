// The axes, the hand and the unit of a destination as a drawing: a figure that stands on the ground and looks the way a
// character has to look there.
#pragma once

#include "core/math/axes.h"

#include <QWidget>

namespace wembrix::app {

class AxesDrawing : public QWidget {
  public:
    explicit AxesDrawing(QWidget* parent = nullptr);
    /// Precondition: the axes are valid.
    void show_axes(const AxisSystem& axes, double height_m);
    [[nodiscard]] QSize sizeHint() const override { return {250, 210}; }
    /// Where the tip of an axis (0 to 2) is on the widget, for tests and screen readers.
    [[nodiscard]] QPointF tip_of(int axis) const;

  protected:
    void paintEvent(QPaintEvent*) override;

  private:
    /// A place in core's axes, the figure's height being 1, on the widget.
    [[nodiscard]] QPointF at(const Vec3& place) const;
    [[nodiscard]] Vec3 in_core(int axis) const;
    void draw_ground(QPainter& painter) const;
    void draw_figure(QPainter& painter) const;
    void draw_axes(QPainter& painter) const;

    AxisSystem axes_;
    double height_m_ = 1;
};

} // namespace wembrix::app
