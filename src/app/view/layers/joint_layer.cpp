#include "view/layers/joint_layer.h"

#include "view/scene_marks.h"

namespace wembrix::app {

void JointLayer::paint_before(QPainter& painter, const Frame& frame) {
    if (frame.shown.joints) {
        draw_joints(painter, frame.projection, *frame.scenes.posed(), frame.selection, frame.shown.names);
    }
}

} // namespace wembrix::app
