// What of a posed scene lies under a place in the pane.
#pragma once

#include "view/posed_scene.h"
#include "view/projection.h"

#include <QPointF>
#include <optional>

namespace wembrix::app {

/// The place on the nearest surface under `at`, in the world, as the scene is posed; nothing where there is none.
std::optional<Vec3> surface_at(const Projection& p, const PosedScene& posed, const QPointF& at);

} // namespace wembrix::app
