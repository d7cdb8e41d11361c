#include "core/measure/hulls/hull_facts.h"

#include "core/measure/hulls/filled_share.h"
#include "core/measure/surface/closest_point.h"
#include "core/measure/surface/rest_places.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <limits>

namespace wembrix {

std::vector<HullFacts> hull_facts(const Scene& scene, const std::function<bool()>& stop) {
    std::vector<HullFacts> facts;
    const bool any =
        std::any_of(scene.nodes.begin(), scene.nodes.end(), [](const Node& node) { return node.hull >= 0; });
    if (!any) {
        return facts;
    }
    std::vector<Vec3f> places;
    std::vector<ClosestPoint::Triangle> triangles;
    std::vector<SolidTriangle> solid;
    for (const int surface : surfaces_of(scene)) {
        const auto first = static_cast<uint32_t>(places.size());
        const std::vector<Vec3f> own = rest_places(scene, surface);
        places.insert(places.end(), own.begin(), own.end());
        const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)];
        for (const Primitive& primitive : mesh.primitives) {
            for (const auto& [a, b, c] : triangles_of(mesh, primitive)) {
                triangles.push_back({first + a, first + b, first + c});
                solid.push_back({{own[a], own[b], own[c]}, surface});
            }
        }
    }
    const ClosestPoint tree(places, triangles);
    const std::vector<Mat4> world = rest_world(scene);
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        if (scene.nodes[n].hull < 0) {
            continue;
        }
        if (stop && stop()) {
            break;
        }
        const Hull& hull = scene.hulls[static_cast<size_t>(scene.nodes[n].hull)];
        HullShell shell = shell_of(hull);
        HullFacts one;
        one.node = static_cast<int>(n);
        one.corners = shell.points.size();
        one.volume_m3 = volume_of(hull) * std::abs(linear_of(world[n]).determinant());
        for (Vec3f& point : shell.points) {
            point = point_of(world[n], point.cast<double>()).cast<float>();
            const SurfacePlace place = tree.nearest(point);
            one.stands_out_m = place.triangle == SurfacePlace::none ? std::numeric_limits<double>::infinity()
                                                                    : std::max(one.stands_out_m, place.distance_m);
        }
        if (const std::optional<double> filled = filled_share(shell, solid)) {
            one.added_m3 = one.volume_m3 * (1 - *filled);
        }
        facts.push_back(one);
    }
    return facts;
}

} // namespace wembrix
