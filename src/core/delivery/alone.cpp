#include "core/delivery/alone.h"

#include "core/base/text.h"
#include "core/delivery/point_claims.h"
#include "core/destination/conform.h"
#include "core/destination/prune.h"
#include "core/measure/comparison/compare_scenes.h"
#include "core/measure/scene/props.h"

#include <algorithm>
#include <cassert>
#include <fmt/format.h>
#include <set>

namespace wembrix {

namespace {

/// Claims of all that a scene holds, and how far any point is from its place.
void check_parts(const Scene& should, const Scene& arrived, const Destination& destination, Arrival& arrival) {
    for (Claim& claim : compare_scenes(should, arrived)) {
        arrival.claims.push_back(std::move(claim));
    }
    DriftRequest request;
    request.should = &should;
    request.is = &arrived;
    request.matching = Matching::name;
    arrival.drift = measure_drift(request);
    Claim claim{"Drift", phrase("at most {:g} mm", destination.drift_limit_mm),
                phrase("{:.4f} mm", arrival.drift.largest_mm),
                arrival.drift.largest_mm <= destination.drift_limit_mm && arrival.drift.not_compared.empty() &&
                    arrival.drift.points_compared > 0,
                ""};
    claim.detail = claim.pass ? "" : "something stands elsewhere, or did not arrive";
    arrival.claims.push_back(std::move(claim));
    arrival.scene = std::make_shared<const Scene>(arrived);
    settle_state(arrival);
}

} // namespace

namespace {

/// Drops what no node names, and counts the names of what stays anew.
template <typename Thing> void keep_used(std::vector<Node>& nodes, int Node::*name, std::vector<Thing>& things) {
    std::vector<int> place(things.size(), -1);
    std::vector<Thing> used;
    for (Node& node : nodes) {
        if (node.*name >= 0) {
            int& at = place[static_cast<size_t>(node.*name)];
            if (at < 0) {
                at = static_cast<int>(used.size());
                used.push_back(std::move(things[static_cast<size_t>(node.*name)]));
            }
            node.*name = at;
        }
    }
    things = std::move(used);
}

struct NamedProp {
    std::string name;
    std::vector<int> nodes;
};

std::vector<NamedProp> named_props(const Scene& prepared) {
    std::vector<NamedProp> found;
    std::set<std::string> taken;
    for (const Prop& prop : props_of(prepared)) {
        std::vector<std::string> surfaces;
        for (const int n : prop.nodes) {
            if (const Node& node = prepared.nodes[static_cast<size_t>(n)]; node.mesh >= 0) {
                surfaces.push_back(node.name);
            }
        }
        if (surfaces.empty()) {
            continue;
        }
        const std::string& own = surfaces.size() == 1 ? surfaces.front() : prop.name;
        NamedProp named{own.empty() ? "prop" : own, prop.nodes};
        for (int number = 2; !taken.insert(named.name).second; ++number) {
            named.name = fmt::format("{}_{}", own, number);
        }
        found.push_back(std::move(named));
    }
    return found;
}

} // namespace

std::vector<std::string> names_of_props(const Scene& prepared) {
    std::vector<std::string> names;
    for (const NamedProp& prop : named_props(prepared)) {
        names.push_back(prop.name);
    }
    return names;
}

Scene prop_alone(const Scene& prepared, const std::string& name) {
    const std::vector<NamedProp> props = named_props(prepared);
    const auto found = std::find_if(props.begin(), props.end(), [&](const NamedProp& one) { return one.name == name; });
    assert(found != props.end());
    Scene alone = prepared;
    alone.clips.clear();
    alone.caches.clear();
    alone.orders.clear();
    reorder_nodes(alone, found->nodes);
    keep_used(alone.nodes, &Node::mesh, alone.meshes);
    keep_used(alone.nodes, &Node::skin, alone.skins); // those of other props list joints that are gone
    drop_unplaced(alone);
    drop_unused_materials(alone);
    return alone;
}

Conformed conform_hulls(const Scene& prepared, const Destination& destination) {
    Scene hulls = prepared;
    hulls.clips.clear();
    hulls.caches.clear();
    hulls.orders.clear();
    const std::vector<Mat4> world = rest_world(prepared);
    std::vector<int> stay;
    for (size_t n = 0; n < hulls.nodes.size(); ++n) {
        Node& node = hulls.nodes[n];
        if (node.hull < 0) {
            continue;
        }
        stay.push_back(static_cast<int>(n));
        node.carried = {};
    }
    // What they belong to gives them their names and places, and stays behind then.
    Destination beside = destination;
    beside.hulls = HullsAs::beside;
    Conformed result = conform_model(hulls, beside);
    std::vector<int> those;
    for (const int n : stay) {
        const int there = result.scene.find_identity(prepared.nodes[static_cast<size_t>(n)].identity);
        if (there >= 0) {
            those.push_back(there);
        }
    }
    std::sort(those.begin(), those.end());
    reorder_nodes(result.scene, those);
    result.scene.skins.clear();
    keep_used(result.scene.nodes, &Node::mesh, result.scene.meshes);
    drop_unplaced(result.scene);
    drop_unused_materials(result.scene);
    result.account.clear();
    return result;
}

void check_hulls(const Scene& prepared, const Scene& arrived, const Destination& destination, Arrival& arrival) {
    check_parts(conform_hulls(prepared, destination).scene, arrived, destination, arrival);
}

Scene swatches(const Scene& prepared) {
    Scene scene = prepared;
    scene.clips.clear();
    scene.caches.clear();
    scene.orders.clear();
    std::vector<char> used(scene.materials.size(), 0);
    for (const Node& node : scene.nodes) {
        if (node.mesh < 0) {
            continue;
        }
        for (const Primitive& primitive : scene.meshes[static_cast<size_t>(node.mesh)].primitives) {
            if (primitive.material >= 0) {
                used[static_cast<size_t>(primitive.material)] = 1;
            }
        }
    }
    scene.nodes.clear();
    scene.meshes.clear();
    scene.skins.clear();
    scene.curve_sets.clear();
    scene.hulls.clear();
    scene.cameras.clear();
    scene.lights.clear();
    scene.scenes.clear();
    scene.first_scene = 0;
    scene.carried = {};
    constexpr float side = 0.1F;
    for (size_t m = 0; m < used.size(); ++m) {
        if (used[m] == 0) {
            continue;
        }
        const float left = 1.2F * side * static_cast<float>(scene.nodes.size());
        Mesh mesh;
        mesh.name = scene.materials[m].name.empty() ? fmt::format("material_{}", m) : scene.materials[m].name;
        mesh.positions = std::vector<Vec3f>{{left, 0, 0}, {left + side, 0, 0}, {left + side, side, 0}, {left, side, 0}};
        mesh.normals = std::vector<Vec3f>(4, Vec3f::UnitZ());
        mesh.attributes = {{"TEXCOORD_0", 2, std::vector<float>{0, 1, 1, 1, 1, 0, 0, 0}},
                           {"TEXCOORD_1", 2, std::vector<float>{0, 1, 1, 1, 1, 0, 0, 0}}};
        mesh.indices = std::vector<uint32_t>{0, 1, 2, 0, 2, 3};
        Primitive primitive;
        primitive.point_count = 4;
        primitive.index_count = 6;
        primitive.material = static_cast<int>(m);
        primitive.attributes = {"TEXCOORD_0", "TEXCOORD_1"};
        mesh.primitives = {primitive};
        Node node;
        node.name = mesh.name;
        node.mesh = static_cast<int>(scene.meshes.size());
        node.kind = NodeKind::surface;
        node.identity = static_cast<int64_t>(m) + 1;
        scene.meshes.push_back(std::move(mesh));
        scene.nodes.push_back(std::move(node));
    }
    drop_unused_materials(scene);
    return scene;
}

void check_swatches(const Scene& prepared, const Scene& arrived, const Destination& destination, Arrival& arrival) {
    check_parts(conform_model(swatches(prepared), destination).scene, arrived, destination, arrival);
}

} // namespace wembrix
