#include "core/measure/surface/surface_mirror.h"

#include "core/measure/surface/deform.h"
#include "core/measure/surface/nearest_vertex.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

SurfaceMirror mirror_of_surface(const Scene& scene, int node, const Sides& sides, double tolerance_m) {
    Deformer deformer(scene, {node});
    std::vector<Vec3f> points(deformer.point_count());
    std::vector<Vec3f> normals(deformer.point_count());
    Pose rest = Poser(scene, nullptr).rest();
    std::fill(rest.shape_weights.begin(), rest.shape_weights.end(), 0.0F); // a smile at rest makes no other side
    deformer.points_and_normals(rest, points, normals);
    const Vec3f left = sides.left.cast<float>();
    const auto middle = static_cast<float>(sides.middle);
    SurfaceMirror result;
    result.answers.assign(points.size(), SurfaceMirror::none);
    for (const Vec3f& point : points) {
        result.left_m.push_back(point.dot(left) - middle);
    }
    const NearestVertex grid(points, tolerance_m);
    for (size_t v = 0; v < points.size(); ++v) {
        if (std::abs(result.left_m[v]) <= tolerance_m / 2) {
            result.answers[v] = static_cast<uint32_t>(v);
            continue;
        }
        const Vec3f image = points[v] - 2 * result.left_m[v] * left;
        const Vec3f facing = normals[v] - 2 * normals[v].dot(left) * left;
        double best = 1e300;
        grid.each_near(image, [&](uint32_t other, double apart) {
            // Doubles at one place are told apart by their normals.
            const double cost = apart / tolerance_m + 4 * static_cast<double>((normals[other] - facing).norm());
            if (cost < best) {
                best = cost;
                result.answers[v] = other;
            }
        });
        result.unanswered += result.answers[v] == SurfaceMirror::none ? 1 : 0;
    }
    return result;
}

std::vector<int> mirrored_joints(const Scene& scene, const Sides& sides) {
    std::vector<int> joints(scene.nodes.size());
    for (size_t i = 0; i < joints.size(); ++i) {
        joints[i] = static_cast<int>(i);
    }
    for (const JointPair& pair : sides.pairs) {
        joints[static_cast<size_t>(pair.left)] = pair.right;
        joints[static_cast<size_t>(pair.right)] = pair.left;
    }
    return joints;
}

} // namespace wembrix
