#include "view/layers/trajectory_layer.h"

#include "view/scene_marks.h"

namespace wembrix::app {

bool TrajectoryLayer::set(std::shared_ptr<const Trajectory> trajectory) {
    const bool other = trajectory != trajectory_;
    trajectory_ = std::move(trajectory);
    return other;
}

void TrajectoryLayer::paint_behind(QPainter& painter, const Frame& frame) {
    if (trajectory_) {
        painter.setRenderHint(QPainter::Antialiasing);
        draw_trajectory(painter, frame.projection, *trajectory_, frame.clock.seconds());
    }
}

} // namespace wembrix::app
