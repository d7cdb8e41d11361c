#include "stall_lid.h"

#include "source_space.h"
#include "surface_builder.h"

#include <cmath>

namespace wembrix::demo {

namespace {

const Vec3 half(0.30, 0.18, 0.22); ///< of the crate
constexpr double board = 0.014;    ///< thick

/// A board: a box of so many cells along each side, so that it has something to bend where it should not.
Surface board_of(const Vec3& middle, const Vec3& reach, const Vec3& tint) {
    constexpr int cells = 6;
    Surface surface;
    for (int side = 0; side < 6; ++side) {
        const int axis = side / 2;
        const double sign = side % 2 == 0 ? 1 : -1;
        const auto first = static_cast<uint32_t>(surface.points.size());
        for (int i = 0; i <= cells; ++i) {
            for (int k = 0; k <= cells; ++k) {
                Point point;
                point.place[axis] = sign * reach[axis];
                point.place[(axis + 1) % 3] = reach[(axis + 1) % 3] * (2.0 * i / cells - 1);
                point.place[(axis + 2) % 3] = reach[(axis + 2) % 3] * (2.0 * k / cells - 1);
                point.place += middle;
                const double grain = 0.12 * noise(point.place.x() * 9 + middle.y() * 31, point.place.z() * 60 + side);
                point.colour = tint * (1 + grain);
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

void put(Scene& scene, const std::string& name, const Surface& surface, int material) {
    Mesh mesh;
    mesh.name = name + "_surface";
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<float> colours;
    std::vector<uint32_t> indices;
    const std::vector<Vec3> outward = surface.normals();
    for (size_t i = 0; i < surface.points.size(); ++i) {
        positions.push_back(surface.points[i].place.cast<float>());
        normals.push_back(outward[i].cast<float>().normalized());
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
    Node node = plain_node(name, -1, NodeKind::surface);
    node.mesh = static_cast<int>(scene.meshes.size());
    scene.meshes.push_back(std::move(mesh));
    scene.nodes.push_back(std::move(node));
}

CurveKey key_at(double frame, double value, Tangent tangent, double in = 0, double out = 0) {
    CurveKey key;
    key.frame = frame;
    key.value = value;
    key.tangent = tangent;
    key.in_slope = in;
    key.out_slope = out;
    return key;
}

} // namespace

Scene stall_lid() {
    Scene scene;
    scene.copyright = "Made up for Wembrix";
    const int wood = add_material(scene, "crate_wood", 0.85);
    const Vec3 dark(0.24, 0.15, 0.08);
    const Vec3 pale(0.34, 0.22, 0.12);
    const Vec3 middle(0, half.y(), 0);
    Surface crate = board_of({0, board, 0}, {half.x(), board, half.z()}, dark);
    for (const double side : {-1.0, 1.0}) {
        crate.add(board_of(middle + Vec3(side * (half.x() - board), 0, 0), {board, half.y(), half.z()}, dark));
        crate.add(board_of(middle + Vec3(0, 0, side * (half.z() - board)), {half.x(), half.y(), board}, dark));
    }
    put(scene, "crate_boards", crate, wood);
    Surface lid = board_of({0, 2 * half.y() + board, 0}, {half.x() + 0.015, board, half.z() + 0.015}, pale);
    lid.add(board_of({0, 2 * half.y() + board, half.z() + 0.03}, {0.05, 0.008, 0.02}, {0.45, 0.05, 0.06})); // a strap
    put(scene, "lid_board", lid, wood);
    return scene;
}

std::vector<Guide> stall_lid_guides() {
    const double top = 2 * half.y() + board;
    const double back = board - half.z();
    return {{{"base", 1, 1, Side::middle}, Vec3(0, board / 2, back), true},
            {{"base", 1, 2, Side::middle}, Vec3(0, half.y(), back), true},
            {{"lid", 1, 1, Side::middle}, Vec3(0, top, back), true},
            {{"lid", 1, 2, Side::middle}, Vec3(0, top, half.z()), true}};
}

KeyLayer swing_of_the_lid() {
    KeyedCurve swing{"lid", Path::rotation, 0, {}};
    // Held shut, opened, a little more by its own weight, let fall, and twice off the rim: sharp there, flat above.
    swing.curve.keys = {key_at(0, 0, Tangent::flat),
                        key_at(6, 0, Tangent::flat),
                        key_at(22, 105, Tangent::smooth),
                        key_at(27, 112, Tangent::flat),
                        key_at(33, 104, Tangent::flat),
                        key_at(44, 0, Tangent::free, -22, 5),
                        key_at(48, 9, Tangent::flat),
                        key_at(52, 0, Tangent::free, -5, 1.5),
                        key_at(54, 1.5, Tangent::flat),
                        key_at(56, 0, Tangent::free, -1.5, 0),
                        key_at(swing_frames - 1, 0, Tangent::flat)};
    swing.curve.after = Beyond::repeated;
    return {swing};
}

} // namespace wembrix::demo
