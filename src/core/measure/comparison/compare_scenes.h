// Everything that one scene holds against another one: nodes, rest transforms, surfaces with all their data, shapes,
// materials, cameras, lights, and what is carried along. Motion is compared by drift (measure/scene/drift.h).
#pragma once

#include "core/measure/comparison/claim.h"
#include "core/scene/scene.h"

#include <vector>

namespace wembrix {

/// One claim a subject, each with what differs; subjects that neither scene has anything of are left out. Nodes are
/// paired by name. Arrays have to be equal number for number; transforms, which are written in float, to a millionth.
std::vector<Claim> compare_scenes(const Scene& expected, const Scene& actual);

/// How many of those claims compared something.
bool compared_anything(const std::vector<Claim>& claims);

} // namespace wembrix
