// A point cache: where the vertices of a surface are at each frame.
#pragma once

#include "core/scene/mesh.h"

namespace wembrix {

struct PointCache {
    std::string name;
    int surface = -1; ///< node of the surface
    double rate = 30; ///< frames per second
    int frames = 0;
    Shared<Vec3f> positions; ///< metres, frame after frame, as many a frame as the surface has vertices; in its space
    Shared<Vec3f> normals;   ///< unit, as many; or empty
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.surface, s.rate, s.frames, s.positions, s.normals, s.carried);
    }
};

void transform_geometry(PointCache& cache, const Mat4& matrix);

} // namespace wembrix
