// Sedge, Tansy's small cousin: a bittern that somebody sculpted and nobody rigged.
#pragma once

#include "core/plan/guides.h"
#include "core/scene/scene.h"

#include <vector>

namespace wembrix::demo {

/// Body and eyes, without joints, in metres, looking along +Z: 1.02 m tall, short in the neck and in the legs.
Scene sedge_surface();
/// Where the guides of the plan “bird” belong in her.
std::vector<Guide> sedge_guides();
/// Where a place in or on Tansy lies in Sedge.
Vec3 tansy_to_sedge(const Vec3& place);

} // namespace wembrix::demo
