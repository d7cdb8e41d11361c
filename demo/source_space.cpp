#include "core/math/angles.h"

#include "source_space.h"

#include <fmt/format.h>

namespace wembrix::demo {

namespace {

constexpr double centimetres = 100;

} // namespace

Vec3 to_source(const Vec3& place) {
    return {place.x() * centimetres, -place.z() * centimetres, place.y() * centimetres};
}

Vec3 to_source_direction(const Vec3& direction) {
    return {direction.x(), -direction.z(), direction.y()};
}

Quat to_source(const Quat& turn) {
    return {turn.w(), turn.x(), -turn.z(), turn.y()};
}

Quat source_turn() {
    return Quat(Eigen::AngleAxisd(-pi / 2, Vec3::UnitX()));
}

Node plain_node(const std::string& name, int parent, NodeKind kind) {
    Node node;
    node.name = name;
    node.parent = parent;
    node.kind = kind;
    return node;
}

int add_material(Scene& scene, const std::string& name, double roughness, const std::array<double, 3>& colour) {
    Material made;
    made.name = name;
    made.base_colour = {colour[0], colour[1], colour[2], 1};
    made.carried_surface.other = colour == std::array<double, 3>{1, 1, 1} ? R"({"baseColorFactor":[1,1,1,1]})" : "";
    made.metalness = 0;
    made.roughness = roughness;
    scene.materials.push_back(std::move(made));
    return static_cast<int>(scene.materials.size()) - 1;
}

} // namespace wembrix::demo
