#include "view/layers/point_layer.h"

#include "view/scene_marks.h"

namespace wembrix::app {

void PointLayer::paint_before(QPainter& painter, const Frame& frame) {
    if (frame.shown.joints) {
        draw_points(painter, frame.projection, *frame.scenes.posed(), frame.selection);
    }
}

} // namespace wembrix::app
