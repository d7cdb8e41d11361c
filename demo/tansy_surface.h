// Tansy's surfaces: body, eyes, post bag, and their shapes.
#pragma once

#include "surface_builder.h"

#include <string>
#include <vector>

namespace wembrix::demo {

struct DemoPart {
    std::string material;
    Surface surface;
};

struct DemoShape {
    std::string name;
    std::vector<Vec3> differences; ///< one a point, over all parts
};

struct DemoMesh {
    std::string name;
    std::vector<DemoPart> primitives;
    std::vector<DemoShape> shapes;
};

std::vector<DemoMesh> tansy_meshes();

} // namespace wembrix::demo
