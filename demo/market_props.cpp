#include "core/math/angles.h"

#include "market_props.h"

#include "source_space.h"
#include "surface_builder.h"

#include <algorithm>
#include <cmath>

namespace wembrix::demo {

namespace {

constexpr double edge_radius = 0.012;

// Linear colours.
const Vec3 paper(0.50, 0.34, 0.18);
const Vec3 twine(0.78, 0.70, 0.52);
const Vec3 seal(0.45, 0.05, 0.06);
const Vec3 brass(0.55, 0.36, 0.12);
const Vec3 glass(0.95, 0.78, 0.42);
const Vec3 wood(0.22, 0.14, 0.08);

/// A box with rounded edges, wrapped in paper and tied both ways; it stands on the ground at its origin.
Surface parcel(const Vec3& half) {
    constexpr int cells = 14;
    Surface surface;
    for (int side = 0; side < 6; ++side) {
        const int axis = side / 2;
        const double sign = side % 2 == 0 ? 1 : -1;
        const auto first = static_cast<uint32_t>(surface.points.size());
        for (int i = 0; i <= cells; ++i) {
            for (int k = 0; k <= cells; ++k) {
                Vec3 at;
                at[axis] = sign * half[axis];
                at[(axis + 1) % 3] = half[(axis + 1) % 3] * (2.0 * i / cells - 1);
                at[(axis + 2) % 3] = half[(axis + 2) % 3] * (2.0 * k / cells - 1);
                const Vec3 inner =
                    at.cwiseMax(-half + Vec3::Constant(edge_radius)).cwiseMin(half - Vec3::Constant(edge_radius));
                Point point;
                point.place = inner + (at - inner).normalized() * edge_radius;
                const bool tied = std::abs(at.x()) < half.x() * 0.16 || std::abs(at.z()) < half.z() * 0.16;
                const bool sealed = axis == 1 && sign > 0 && std::hypot(at.x(), at.z()) < 0.3 * half.x();
                point.colour = sealed ? seal : tied && std::abs(at.y()) < 2 * half.y() ? twine : paper;
                // Paper is never quite flat; twine pulls it in.
                const double fold = tied ? -0.0025 : 0.0015 * noise(at.x() * 40 + side * 7, at.z() * 40 + at.y() * 31);
                point.place += (at - inner).normalized() * fold + Vec3(0, half.y(), 0);
                surface.points.push_back(point);
            }
        }
        for (int i = 0; i < cells; ++i) {
            for (int k = 0; k < cells; ++k) {
                const uint32_t a = first + static_cast<uint32_t>(i * (cells + 1) + k);
                const uint32_t b = a + cells + 1;
                if (sign > 0) {
                    surface.triangles.push_back({a, b, b + 1});
                    surface.triangles.push_back({a, b + 1, a + 1});
                } else {
                    surface.triangles.push_back({a, b + 1, b});
                    surface.triangles.push_back({a, a + 1, b + 1});
                }
            }
        }
    }
    return surface;
}

Surface turned(const std::vector<Station>& outline, int rings, int around, const Vec3& colour) {
    LoftLook look;
    look.around = around;
    look.colour = [colour](double, double) { return colour; };
    look.holds = [](double, const Vec3&) { return Holds{}; };
    return loft(smooth(outline, rings), look);
}

/// A post with a foot, an arm, and a lantern of brass and glass under a hood.
Surface stall_lamp() {
    Surface lamp = turned({{{0, 0, 0}, 0.16, 0.16},
                           {{0, 0.03, 0}, 0.15, 0.15},
                           {{0, 0.06, 0}, 0.05, 0.05},
                           {{0, 0.12, 0}, 0.028, 0.028},
                           {{0, 1.0, 0}, 0.024, 0.024},
                           {{0, 1.92, 0}, 0.022, 0.022}},
                          40, 20, wood);
    lamp.add(turned({{{0, 1.86, 0}, 0.016, 0.016},
                     {{0, 1.95, 0.06}, 0.016, 0.016},
                     {{0, 1.97, 0.18}, 0.014, 0.014},
                     {{0, 1.94, 0.28}, 0.011, 0.011},
                     {{0, 1.88, 0.30}, 0.009, 0.009}},
                    24, 12, brass));
    lamp.add(turned({{{0, 1.88, 0.30}, 0.012, 0.012},
                     {{0, 1.86, 0.30}, 0.05, 0.05},
                     {{0, 1.80, 0.30}, 0.11, 0.11},
                     {{0, 1.785, 0.30}, 0.112, 0.112},
                     {{0, 1.78, 0.30}, 0.09, 0.09}},
                    18, 24, brass));
    lamp.add(turned({{{0, 1.79, 0.30}, 0.06, 0.06},
                     {{0, 1.74, 0.30}, 0.085, 0.085},
                     {{0, 1.67, 0.30}, 0.085, 0.085},
                     {{0, 1.61, 0.30}, 0.055, 0.055}},
                    20, 24, glass));
    lamp.add(turned({{{0, 1.62, 0.30}, 0.058, 0.058}, {{0, 1.60, 0.30}, 0.062, 0.062}, {{0, 1.585, 0.30}, 0.02, 0.02}},
                    10, 24, brass));
    return lamp;
}

Mesh still_mesh(const std::string& name, const Surface& surface, int material) {
    Mesh mesh;
    mesh.name = name;
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<float> colours;
    std::vector<uint32_t> indices;
    const std::vector<Vec3> outward = surface.normals();
    for (size_t i = 0; i < surface.points.size(); ++i) {
        positions.push_back(to_source(surface.points[i].place).cast<float>());
        normals.push_back(to_source_direction(outward[i]).cast<float>().normalized());
        for (int c = 0; c < 3; ++c) {
            colours.push_back(static_cast<float>(surface.points[i].colour[c]));
        }
    }
    for (const auto& triangle : surface.triangles) {
        indices.insert(indices.end(), triangle.begin(), triangle.end());
    }
    Primitive part;
    part.point_count = static_cast<uint32_t>(positions.size());
    part.index_count = static_cast<uint32_t>(indices.size());
    part.attributes = {"COLOR_0"};
    part.material = material;
    mesh.primitives.push_back(part);
    mesh.positions = std::move(positions);
    mesh.normals = std::move(normals);
    mesh.indices = std::move(indices);
    mesh.attributes.push_back({"COLOR_0", 3, std::move(colours)});
    return mesh;
}

} // namespace

Scene market_props() {
    Scene scene;
    scene.copyright = "Made up for Wembrix";
    const int wrapping = add_material(scene, "wrapping", 0.9);
    const int lantern = add_material(scene, "lantern", 0.4);
    scene.nodes.push_back(plain_node("props_holder", -1, NodeKind::parent_transform));
    scene.nodes.back().rest.rotation = source_turn();
    const auto put = [&](const std::string& name, const Surface& surface, int material, const Vec3& place,
                         double turn) {
        Node node = plain_node(name, 0, NodeKind::surface);
        node.rest.translation = to_source(place);
        node.rest.rotation = to_source(Quat(Eigen::AngleAxisd(turn, Vec3::UnitY())));
        node.mesh = static_cast<int>(scene.meshes.size());
        scene.meshes.push_back(still_mesh(name + "_surface", surface, material));
        scene.nodes.push_back(std::move(node));
    };
    put("parcel_large", parcel({0.21, 0.14, 0.16}), wrapping, {0.85, 0, 0.10}, 0.25);
    put("parcel_small", parcel({0.12, 0.075, 0.10}), wrapping, {0.83, 0.28, 0.11}, -0.35);
    put("parcel_long", parcel({0.09, 0.07, 0.30}), wrapping, {1.22, 0, 0.22}, 2 * pi / 5);
    put("stall_lamp", stall_lamp(), lantern, {-0.95, 0, -0.45}, 0.4);
    return scene;
}

} // namespace wembrix::demo
