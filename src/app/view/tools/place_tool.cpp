#include "view/tools/place_tool.h"

#include "view/pick.h"

namespace wembrix::app {

bool PlaceTool::click(const Frame& frame, const ViewInput& input) {
    if (input.button != Qt::LeftButton) {
        return false;
    }
    if (const std::optional<Vec3> at = surface_at(frame.projection, *frame.scenes.posed(), input.place)) {
        placed_(*at);
    }
    return true;
}

} // namespace wembrix::app
