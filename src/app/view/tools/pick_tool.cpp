#include "view/tools/pick_tool.h"

#include "view/scene_marks.h"

namespace wembrix::app {

bool PickTool::click(const Frame& frame, const ViewInput& input) {
    if (input.button != Qt::LeftButton || selection_ == nullptr || !frame.shown.joints) {
        return false;
    }
    constexpr double reach = 9;
    const PosedScene& posed = *frame.scenes.posed();
    const int node = joint_at(joint_marks(frame.projection, posed), input.place, reach);
    const int64_t identity = node < 0 ? 0 : posed.scene().nodes[node].identity;
    if ((input.modifiers & (Qt::ControlModifier | Qt::ShiftModifier)) != 0) {
        selection_->toggle(identity);
    } else {
        selection_->choose(identity);
    }
    return true;
}

} // namespace wembrix::app
