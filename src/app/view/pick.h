// What of a posed scene lies under a place in the pane.
#pragma once

#include "view/posed_scene.h"
#include "view/projection.h"

#include <QPointF>
#include <optional>

namespace wembrix::app {

/// What lies under a place: of the vertices that are posed and of the surface that they belong to.
struct SurfaceHit {
    Vec3 at = Vec3::Zero();      ///< in the world, as the scene is posed
    Vec3 normal = Vec3::UnitZ(); ///< of the triangle there, towards the eye
    int node = -1;
    uint32_t vertex = 0; ///< of that surface: the corner of the triangle that is nearest
};
std::optional<SurfaceHit> surface_hit(const Projection& p, const PosedScene& posed, const QPointF& at);

/// The place on the nearest surface under `at`, in the world, as the scene is posed; nothing where there is none.
std::optional<Vec3> surface_at(const Projection& p, const PosedScene& posed, const QPointF& at);

} // namespace wembrix::app
