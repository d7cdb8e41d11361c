#include "view/layers/joint_layer.h"

#include "view/scene_marks.h"

namespace wembrix::app {

void JointLayer::paint_before(QPainter& painter, const Frame& frame) {
    if (frame.shown.joints) {
        // Where the surface's colours say something they are not to be hidden.
        painter.setOpacity(frame.scenes.colours() != nullptr ? 0.35 : 1);
        draw_joints(painter, frame.projection, *frame.scenes.posed(), frame.selection, frame.shown.names);
        painter.setOpacity(1);
    }
}

} // namespace wembrix::app
