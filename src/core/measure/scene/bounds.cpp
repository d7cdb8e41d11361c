#include "core/measure/scene/bounds.h"

#include "core/measure/surface/deform.h"

namespace wembrix {

namespace {

void add_surfaces(const Scene& scene, const std::vector<int>& nodes, Bounds& bounds) {
    if (nodes.empty()) {
        return;
    }
    Deformer deformer(scene, nodes);
    const Pose pose = Poser(scene, nullptr).rest();
    std::vector<Vec3f> points(deformer.point_count());
    deformer.points(pose, points);
    for (const Vec3f& point : points) {
        bounds.add(point.cast<double>());
    }
}

void add_joints(const Scene& scene, Bounds& bounds) {
    const std::vector<Mat4> world = rest_world(scene);
    for (const int joint : joints_of(scene)) {
        bounds.add(point_of(world[joint], Vec3::Zero()));
    }
}

} // namespace

Bounds surface_bounds(const Scene& scene, const std::vector<int>& surfaces) {
    Bounds bounds;
    add_surfaces(scene, surfaces, bounds);
    return bounds;
}

Bounds character_bounds(const Scene& scene) {
    std::vector<int> skinned;
    for (const int node : surfaces_of(scene)) {
        if (scene.nodes[node].skin >= 0) {
            skinned.push_back(node);
        }
    }
    Bounds bounds;
    add_surfaces(scene, skinned.empty() ? surfaces_of(scene) : skinned, bounds);
    if (bounds.empty()) {
        add_joints(scene, bounds);
    }
    return bounds;
}

Bounds whole_bounds(const Scene& scene) {
    Bounds bounds;
    add_surfaces(scene, surfaces_of(scene), bounds);
    add_joints(scene, bounds);
    return bounds;
}

double height_m(const Scene& scene) {
    return character_bounds(scene).size().y();
}

} // namespace wembrix
