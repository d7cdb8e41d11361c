#include "core/destination/place_hulls.h"
#include "core/base/text.h"

#include <algorithm>
#include <fmt/format.h>
#include <map>
#include <set>
#include <utility>

namespace wembrix {

using nlohmann::json;

namespace {

/// Flat sides, no normals: nobody sees it.
Mesh mesh_of(const Hull& hull, const std::string& name) {
    HullShell shell = shell_of(hull);
    Mesh mesh;
    mesh.name = name;
    Primitive primitive;
    primitive.point_count = static_cast<uint32_t>(shell.points.size());
    primitive.index_count = static_cast<uint32_t>(shell.indices.size());
    primitive.has_normals = false;
    mesh.positions = std::move(shell.points);
    mesh.indices = std::move(shell.indices);
    mesh.primitives.push_back(std::move(primitive));
    return mesh;
}

json data_of(const Hull& hull) {
    json data = {{"kind", hull_kind_name(hull.kind)}};
    if (hull.kind == Hull::Kind::convex) {
        json points = json::array();
        for (const Vec3f& point : hull.points) {
            points.push_back({point.x(), point.y(), point.z()});
        }
        data["points"] = std::move(points);
        data["triangles"] = hull.indices.get();
        return data;
    }
    const Quat rotation(Mat3(hull.frame.topLeftCorner<3, 3>()));
    data["centre"] = {hull.frame(0, 3), hull.frame(1, 3), hull.frame(2, 3)};
    data["rotation_xyzw"] = {rotation.x(), rotation.y(), rotation.z(), rotation.w()};
    if (hull.kind == Hull::Kind::box) {
        data["half_size"] = {hull.half_size.x(), hull.half_size.y(), hull.half_size.z()};
    } else {
        data["radius"] = hull.half_size.x();
        if (hull.kind != Hull::Kind::sphere) {
            data["length"] = 2 * hull.half_size.y(); // of its axis, along Y
        }
    }
    return data;
}

void add_data(Node& node, const Hull& hull) {
    json extras = json::parse(node.carried.extras, nullptr, false);
    if (!extras.is_object()) {
        extras = json::object();
    }
    extras["collision"] = data_of(hull);
    node.carried.extras = extras.dump();
}

} // namespace

Result<std::string> hull_name(const std::string& pattern, const std::string& belongs_to, size_t number,
                              std::string_view kind) {
    std::string name;
    for (size_t i = 0; i < pattern.size();) {
        if (pattern[i] != '{') {
            name += pattern[i++];
            continue;
        }
        const size_t end = pattern.find('}', i);
        const std::string token = end == std::string::npos ? pattern.substr(i) : pattern.substr(i, end - i + 1);
        if (token == "{surface}") {
            name += belongs_to;
        } else if (token == "{number}") {
            name += std::to_string(number);
        } else if (token == "{kind}") {
            name += kind;
        } else {
            return Problem{phrase("the template of hulls has the unknown token {}.", token), "",
                           "There are {surface}, {number} and {kind}."};
        }
        i += token.size();
    }
    return name.empty() ? Result<std::string>(Problem{"the template of hulls is empty.", "", ""})
                        : Result<std::string>(std::move(name));
}

void place_hulls(Scene& scene, const Destination& destination) {
    std::set<std::string> taken;
    for (const Node& node : scene.nodes) {
        if (node.hull < 0) {
            taken.insert(node.name);
        }
    }
    const std::vector<Mat4> world = rest_world(scene);
    std::map<std::string, size_t> numbers;
    std::vector<int> stay;
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        Node& node = scene.nodes[n];
        if (node.hull < 0) {
            stay.push_back(static_cast<int>(n));
            continue;
        }
        Hull hull = std::move(scene.hulls[static_cast<size_t>(std::exchange(node.hull, -1))]);
        if (destination.hulls == HullsAs::left_out) {
            continue; // what it carries beside goes with it
        }
        stay.push_back(static_cast<int>(n));
        const std::string belongs_to = node.parent < 0 ? node.name : scene.nodes[static_cast<size_t>(node.parent)].name;
        size_t& number = numbers[belongs_to];
        std::string name;
        do {
            // A template without a number gives one name: the second is told by its own.
            Result<std::string> made =
                hull_name(destination.hull_names, belongs_to, ++number, hull_kind_name(hull.kind));
            name = made ? made.take() : node.name;
            if (number > 1 && destination.hull_names.find("{number}") == std::string::npos) {
                name += fmt::format("_{}", number);
            }
        } while (taken.contains(name));
        taken.insert(name);
        node.name = name;
        if (destination.hulls == HullsAs::node_data) {
            add_data(node, hull);
            node.kind = node.parent < 0 ? NodeKind::empty : NodeKind::point;
            continue;
        }
        if (destination.hulls == HullsAs::beside) {
            transform_geometry(hull, world[n]);
            node.parent = -1;
            node.rest = {};
        }
        node.kind = NodeKind::surface;
        node.mesh = static_cast<int>(scene.meshes.size());
        scene.meshes.push_back(mesh_of(hull, name));
    }
    scene.hulls.clear();
    reorder_nodes(scene, stay);
}

} // namespace wembrix
