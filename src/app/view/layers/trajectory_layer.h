// The trajectory over the ground of the clip that plays.
#pragma once

#include "core/measure/clips/travel.h"
#include "view/view_layer.h"

namespace wembrix::app {

class TrajectoryLayer : public ViewLayer {
  public:
    /// Null: none. True when it is another one.
    bool set(std::shared_ptr<const Trajectory> trajectory);
    void paint_behind(QPainter& painter, const Frame& frame) override;

  private:
    std::shared_ptr<const Trajectory> trajectory_;
};

} // namespace wembrix::app
