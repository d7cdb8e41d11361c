#include "core/measure/surface/flat_triangles.h"

#include <algorithm>

namespace wembrix {

size_t flat_triangles(const Mesh& mesh) {
    size_t flat = 0;
    for (const Primitive& primitive : mesh.primitives) {
        for (const auto& [a, b, c] : triangles_of(mesh, primitive)) {
            const Vec3 ab = (mesh.positions[b] - mesh.positions[a]).cast<double>();
            const Vec3 ac = (mesh.positions[c] - mesh.positions[a]).cast<double>();
            const double longest = std::max({ab.squaredNorm(), ac.squaredNorm(), (ab - ac).squaredNorm()});
            flat += ab.cross(ac).norm() <= 1e-6 * longest ? 1 : 0;
        }
    }
    return flat;
}

} // namespace wembrix
