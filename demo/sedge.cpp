#include "sedge.h"

#include "core/plan/planned_skeleton.h"
#include "tansy_rig.h"
#include "tansy_surface.h"

#include <array>
#include <string>

namespace wembrix::demo {

namespace {

/// Heights of Tansy and of Sedge: legs, body, neck and head each have a measure of their own.
constexpr std::array<std::pair<double, double>, 6> heights = {
    {{0, 0}, {0.40, 0.21}, {0.66, 0.36}, {0.95, 0.60}, {1.44, 0.84}, {1.66, 1.02}}};

double height_of(double y) {
    size_t i = 1;
    while (i + 1 < heights.size() && y > heights.at(i).first) {
        ++i;
    }
    // A cubic with the slopes of Catmull and Rom between the two marks; straight on outside.
    const auto slope = [&](size_t k) {
        const auto& before = heights.at(k == 0 ? 0 : k - 1);
        const auto& after = heights.at(k + 1 == heights.size() ? k : k + 1);
        return (after.second - before.second) / (after.first - before.first);
    };
    const auto& [y0, h0] = heights.at(i - 1);
    const auto& [y1, h1] = heights.at(i);
    const double width = y1 - y0;
    const double t = (y - y0) / width;
    if (t < 0) {
        return h0 + (y - y0) * slope(i - 1);
    }
    if (t > 1) {
        return h1 + (y - y1) * slope(i);
    }
    const double s = 1 - t;
    return (1 + 2 * t) * s * s * h0 + t * s * s * width * slope(i - 1) + t * t * (3 - 2 * t) * h1 -
           t * t * s * width * slope(i);
}

/// "tansy_body" is "sedge_body" here.
std::string sedge_name(const std::string& tansy) {
    return "sedge_" + tansy.substr(tansy.find('_') + 1);
}

Mesh mesh_of(const DemoMesh& from, Scene& scene) {
    Mesh mesh;
    mesh.name = sedge_name(from.name);
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<float> colours;
    std::vector<uint32_t> indices;
    for (const DemoPart& from_part : from.primitives) {
        Surface surface = from_part.surface;
        for (Point& point : surface.points) {
            point.place = tansy_to_sedge(point.place);
        }
        Primitive part;
        part.first_point = static_cast<uint32_t>(positions.size());
        part.first_index = static_cast<uint32_t>(indices.size());
        part.point_count = static_cast<uint32_t>(surface.points.size());
        part.index_count = static_cast<uint32_t>(surface.triangles.size() * 3);
        part.attributes = {"COLOR_0"};
        part.material = static_cast<int>(scene.materials.size());
        Material material;
        material.name = "sedge_" + from_part.material;
        material.metalness = 0;
        material.roughness = from_part.material == "beak" || from_part.material == "eye" ? 0.35 : 0.85;
        scene.materials.push_back(material);
        const std::vector<Vec3> outward = surface.normals();
        for (size_t i = 0; i < surface.points.size(); ++i) {
            positions.push_back(surface.points[i].place.cast<float>());
            normals.push_back(outward[i].cast<float>().normalized());
            // Reed brown where the heron is grey.
            const Vec3 brown = surface.points[i].colour.cwiseProduct(Vec3(1.15, 0.86, 0.55)).cwiseMin(1);
            for (int c = 0; c < 3; ++c) {
                colours.push_back(static_cast<float>(brown[c]));
            }
        }
        for (const auto& triangle : surface.triangles) {
            for (const uint32_t corner : triangle) {
                indices.push_back(part.first_point + corner);
            }
        }
        mesh.primitives.push_back(std::move(part));
    }
    mesh.positions = std::move(positions);
    mesh.normals = std::move(normals);
    mesh.indices = std::move(indices);
    mesh.attributes.push_back({"COLOR_0", 3, std::move(colours)});
    return mesh;
}

} // namespace

Vec3 tansy_to_sedge(const Vec3& place) {
    return {0.82 * place.x(), height_of(place.y()), 0.72 * place.z()};
}

Scene sedge_surface() {
    Scene scene;
    scene.copyright = "Made up for Wembrix";
    for (const DemoMesh& from : tansy_meshes()) {
        if (from.name == "post_bag") {
            continue;
        }
        Node node;
        node.name = sedge_name(from.name);
        node.kind = NodeKind::surface;
        node.identity = static_cast<int64_t>(scene.nodes.size()) + 1;
        node.mesh = static_cast<int>(scene.meshes.size());
        scene.meshes.push_back(mesh_of(from, scene));
        scene.nodes.push_back(std::move(node));
    }
    return scene;
}

std::vector<Guide> sedge_guides() {
    std::vector<Guide> guides;
    const auto add = [&](const std::string& chain, Side side, const std::vector<Vec3>& places, int copy = 1) {
        for (size_t i = 0; i < places.size(); ++i) {
            guides.push_back({{chain, copy, static_cast<int>(i) + 1, side}, tansy_to_sedge(places[i]), true});
        }
    };
    const auto places = [](const std::vector<std::string>& joints) {
        std::vector<Vec3> all;
        for (const std::string& joint : joints) {
            all.push_back(place_of(joint));
        }
        return all;
    };
    add("spine", Side::middle, places({"pelvis", "spine_b"}));
    add("neck", Side::middle, places({"neck_1", "neck_2", "neck_4", "neck_6"}));
    add("head", Side::middle, places({"head", "beak_tip"}));
    add("wing", Side::left,
        places({"LeftWing_Shoulder", "LeftWing_Arm", "LeftWing_Hand", "LeftWing_Quill", "LeftWing_Tip"}));
    add("leg", Side::left, places({"LeftLeg_Hip", "LeftLeg_Shank", "LeftLeg_Tarsus", "LeftLeg_Foot"}));
    const Vec3 foot = place_of("LeftLeg_Foot");
    guides.push_back({{"leg", 1, 5, Side::left}, tansy_to_sedge(foot + Vec3(0, -0.015, 0.015)), true});
    int copy = 1;
    for (const std::string name : {"Inner", "Middle", "Outer"}) {
        const Vec3 first = place_of("LeftToe_" + name + "_1");
        const Vec3 second = place_of("LeftToe_" + name + "_2");
        add("toe", Side::left, {first, second, second + 0.8 * (second - first)}, copy++);
    }
    const Vec3 tail = place_of("tail_2");
    add("tail", Side::middle, {place_of("tail_1"), tail, tail + 0.7 * (tail - place_of("tail_1"))});
    return guides;
}

} // namespace wembrix::demo
