#include "view/layers/trajectory_layer.h"

#include "view/scene_marks.h"

namespace wembrix::app {

bool TrajectoryLayer::set(std::shared_ptr<const Trajectory> way) {
    const bool other = way != way_;
    way_ = std::move(way);
    return other;
}

void TrajectoryLayer::paint_behind(QPainter& painter, const Frame& frame) {
    if (way_) {
        painter.setRenderHint(QPainter::Antialiasing);
        draw_way(painter, frame.projection, *way_, frame.clock.seconds());
    }
}

} // namespace wembrix::app
