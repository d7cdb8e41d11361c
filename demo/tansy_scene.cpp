#include "tansy_scene.h"

#include "source_space.h"
#include "tansy_rig.h"
#include "tansy_surface.h"
#include "tansy_take.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <map>
#include <set>

namespace wembrix::demo {

namespace {

const std::string prefix = "market:tansy_rig:";

struct Rig {
    Scene scene;
    std::map<std::string, int> joints; ///< bare name to node
};

Rig rig_scene() {
    Rig rig;
    Node holder = plain_node(prefix + "holder", -1, NodeKind::parent_transform);
    holder.rest.rotation = source_turn();
    rig.scene.nodes.push_back(holder);
    for (const RigJoint& row : tansy_joints()) {
        const int parent = row.parent.empty() ? 0 : rig.joints.at(row.parent);
        Node node = plain_node(prefix + row.name, parent, NodeKind::joint);
        node.rest.translation = to_source(row.parent.empty() ? row.place : Vec3(row.place - place_of(row.parent)));
        rig.joints[row.name] = static_cast<int>(rig.scene.nodes.size());
        rig.scene.nodes.push_back(std::move(node));
    }
    Skin skin;
    skin.name = prefix + "skin";
    for (const RigJoint& row : tansy_joints()) {
        skin.joints.push_back(rig.joints.at(row.name));
        skin.inverse_binds.push_back(translating(-to_source(row.place)));
    }
    rig.scene.skins.push_back(std::move(skin));
    return rig;
}

Mesh mesh_of(const DemoMesh& from, const Rig& rig, Scene& scene, Influences& influences) {
    Mesh mesh;
    mesh.name = prefix + from.name;
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<float> colours;
    std::vector<uint32_t> indices;
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> joints;
    std::vector<float> weights;
    std::map<std::string, uint16_t> places;
    for (const RigJoint& row : tansy_joints()) {
        places[row.name] = static_cast<uint16_t>(rig.joints.at(row.name) - 1);
    }
    for (const DemoPart& from_part : from.primitives) {
        Primitive part;
        part.first_point = static_cast<uint32_t>(positions.size());
        part.first_index = static_cast<uint32_t>(indices.size());
        part.point_count = static_cast<uint32_t>(from_part.surface.points.size());
        part.index_count = static_cast<uint32_t>(from_part.surface.triangles.size() * 3);
        part.attributes = {"COLOR_0"};
        part.material = add_material(scene, from_part.material,
                                     from_part.material == "beak" || from_part.material == "eye" ? 0.35 : 0.85);
        const std::vector<Vec3> outward = from_part.surface.normals();
        for (size_t i = 0; i < from_part.surface.points.size(); ++i) {
            const Point& point = from_part.surface.points[i];
            positions.push_back(to_source(point.place).cast<float>());
            Vec3f normal = to_source_direction(outward[i]).cast<float>().normalized();
            if (from.name == "post_bag" && point.place.y() < 0.83) {
                normal *= 0.6F; // a fault that packing or averaging normals leaves
            }
            normals.push_back(normal);
            for (int c = 0; c < 3; ++c) {
                colours.push_back(static_cast<float>(point.colour[c]));
            }
            // Here and there the sum is not 1: a fault that painting weights by hand leaves.
            const double sum = point.region == "wing" && point.along > 0.3 && point.along < 0.4 ? 0.96 : 1.0;
            // And a slip of the brush: a toe holds a little of her back.
            const bool is_stray =
                point.region == "body" && point.along > 0.30 && point.along < 0.33 && outward[i].y() > 0.85;
            constexpr double stray = 0.08;
            for (const Hold& hold : point.holds) {
                joints.push_back(places.at(hold.joint));
                weights.push_back(static_cast<float>(hold.weight * sum * (is_stray ? 1 - stray : 1)));
            }
            if (is_stray) {
                joints.push_back(places.at("LeftToe_Middle_2"));
                weights.push_back(static_cast<float>(stray));
            }
            offsets.push_back(static_cast<uint32_t>(joints.size()));
        }
        for (const auto& triangle : from_part.surface.triangles) {
            for (const uint32_t corner : triangle) {
                indices.push_back(part.first_point + corner);
            }
        }
        mesh.primitives.push_back(std::move(part));
    }
    for (const DemoShape& from_shape : from.shapes) {
        MorphTarget shape;
        shape.name = from_shape.name;
        std::vector<uint32_t> points;
        std::vector<Vec3f> differences;
        for (size_t i = 0; i < from_shape.differences.size(); ++i) {
            if (!from_shape.differences[i].isZero(0)) {
                points.push_back(static_cast<uint32_t>(i));
                differences.push_back(to_source(from_shape.differences[i]).cast<float>());
            }
        }
        shape.points = std::move(points);
        shape.positions = std::move(differences);
        mesh.shapes.push_back(std::move(shape));
    }
    mesh.positions = std::move(positions);
    mesh.normals = std::move(normals);
    mesh.indices = std::move(indices);
    mesh.attributes.push_back({"COLOR_0", 3, std::move(colours)});
    influences = {std::move(offsets), std::move(joints), std::move(weights)};
    return mesh;
}

/// The planks of the stall, in metres: somebody set the scene up around her.
Mesh floor_mesh(Scene& scene) {
    Mesh mesh;
    mesh.name = "set_floor";
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<uint32_t> indices;
    for (int k = 0; k < 8; ++k) {
        const float x = -240.0F + 60.0F * static_cast<float>(k);
        const auto first = static_cast<uint32_t>(positions.size());
        for (const auto& [dx, dz] : {std::pair{1.0F, -240.0F}, {1.0F, 240.0F}, {59.0F, 240.0F}, {59.0F, -240.0F}}) {
            positions.emplace_back(x + dx, -4.0F, dz);
            normals.emplace_back(0, 1, 0);
        }
        indices.insert(indices.end(), {first, first + 1, first + 2, first, first + 2, first + 3});
    }
    Primitive part;
    part.point_count = static_cast<uint32_t>(positions.size());
    part.index_count = static_cast<uint32_t>(indices.size());
    part.material = add_material(scene, "planks", 0.9, {0.30, 0.24, 0.18});
    mesh.primitives.push_back(part);
    mesh.positions = std::move(positions);
    mesh.normals = std::move(normals);
    mesh.indices = std::move(indices);
    return mesh;
}

void add_set(Scene& scene) {
    Node floor = plain_node("set_floor", -1, NodeKind::surface);
    floor.mesh = static_cast<int>(scene.meshes.size());
    scene.meshes.push_back(floor_mesh(scene));
    scene.nodes.push_back(floor);
    Node lamp = plain_node("key_lamp", -1, NodeKind::light);
    lamp.rest.translation = Vec3(220, 310, 180);
    lamp.light = 0;
    scene.nodes.push_back(lamp);
    Light stall;
    stall.name = "stall lamp";
    stall.colour = {1, 0.86, 0.62};
    stall.intensity = 600;
    scene.lights.push_back(stall);
    Node viewer = plain_node("viewer", -1, NodeKind::camera);
    viewer.rest.translation = Vec3(260, 130, 320);
    viewer.rest.rotation = Quat(Eigen::AngleAxisd(0.68, Vec3::UnitY()));
    viewer.camera = 0;
    Camera camera;
    camera.name = "viewer";
    camera.field_of_view = 0.6;
    camera.near_m = 1; // in the file's centimetres, as all else here
    camera.far_m = 2000;
    scene.cameras.push_back(camera);
    scene.nodes.push_back(viewer);
}

} // namespace

Scene tansy_model() {
    Rig rig = rig_scene();
    Scene& scene = rig.scene;
    scene.copyright = "Made up for Wembrix";
    for (const DemoMesh& from : tansy_meshes()) {
        Node node = plain_node(prefix + from.name, 0, NodeKind::surface);
        node.mesh = static_cast<int>(scene.meshes.size());
        node.skin = 0;
        scene.meshes.push_back(mesh_of(from, rig, scene, node.influences));
        scene.nodes.push_back(std::move(node));
    }
    for (Mesh& mesh : scene.meshes) {
        mesh.name = mesh.name.substr(prefix.size()) + "_surface";
    }
    add_set(scene);
    return scene;
}

Scene tansy_market_take() {
    Rig rig = rig_scene();
    Scene& scene = rig.scene;
    Clip take;
    take.name = "capture_07";
    take.rate = take_rate;
    take.seconds = (take_frames - 1) / take_rate;
    std::vector<TakePose> poses;
    poses.reserve(take_frames);
    for (int f = 0; f < take_frames; ++f) {
        poses.push_back(tansy_at(f));
    }
    auto times_every = [](int step) {
        std::vector<float> times;
        for (int f = 0; f < take_frames; f += step) {
            times.push_back(static_cast<float>(f / take_rate));
        }
        if ((take_frames - 1) % step != 0) {
            times.push_back(static_cast<float>((take_frames - 1) / take_rate));
        }
        return times;
    };
    const Shared<float> times(times_every(1));
    for (const auto& [name, unused] : poses.front().turns) {
        Channel channel;
        channel.node = rig.joints.at(name);
        channel.path = Path::rotation;
        channel.width = 4;
        std::vector<float> values;
        if (name.rfind("crest_", 0) == 0) {
            // The plumes were keyed by hand: few keys with smooth tangents.
            const int step = 4;
            const std::vector<float> sparse = times_every(step);
            channel.interpolation = Interpolation::cubic;
            for (const float time : sparse) {
                const double f = time * take_rate;
                const Quat before = to_source(tansy_at(f - 0.5).turns.at(name));
                const Quat at = to_source(tansy_at(f).turns.at(name));
                const Quat after = to_source(tansy_at(f + 0.5).turns.at(name));
                const Eigen::Vector4d slope = (after.coeffs() - before.coeffs()) * take_rate;
                for (const Eigen::Vector4d& four : {slope, Eigen::Vector4d(at.coeffs()), slope}) {
                    for (int k = 0; k < 4; ++k) {
                        values.push_back(static_cast<float>(four[k]));
                    }
                }
            }
            channel.times = sparse;
        } else {
            channel.interpolation = name.find("Eye") != std::string::npos ? Interpolation::step : Interpolation::linear;
            Quat last = Quat::Identity();
            for (const TakePose& pose : poses) {
                Quat at = to_source(pose.turns.at(name));
                if (at.dot(last) < 0) {
                    at.coeffs() *= -1;
                }
                last = at;
                for (int k = 0; k < 4; ++k) {
                    values.push_back(static_cast<float>(at.coeffs()[k]));
                }
            }
            channel.times = times;
        }
        channel.values = std::move(values);
        take.channels.push_back(std::move(channel));
    }
    for (const auto& [name, unused] : poses.front().places) {
        Channel channel;
        channel.node = rig.joints.at(name);
        std::vector<float> values;
        for (const TakePose& pose : poses) {
            const Vec3 at = to_source(pose.places.at(name));
            for (int k = 0; k < 3; ++k) {
                values.push_back(static_cast<float>(at[k]));
            }
        }
        channel.times = times;
        channel.values = std::move(values);
        take.channels.push_back(std::move(channel));
    }
    for (const DemoMesh& from : tansy_meshes()) {
        if (from.shapes.empty()) {
            continue;
        }
        Mesh carrier;
        carrier.name = from.name + "_shapes";
        carrier.positions = std::vector<Vec3f>{Vec3f::Zero()};
        carrier.indices = std::vector<uint32_t>{0};
        Primitive part;
        part.point_count = part.index_count = 1;
        part.topology = Topology::points;
        part.has_normals = false;
        carrier.primitives.push_back(part);
        Channel channel;
        channel.node = static_cast<int>(scene.nodes.size());
        channel.path = Path::weights;
        channel.width = static_cast<int>(from.shapes.size());
        std::vector<float> values;
        for (const TakePose& pose : poses) {
            for (const DemoShape& shape : from.shapes) {
                const auto found = pose.shapes.find(shape.name);
                values.push_back(found == pose.shapes.end() ? 0.0F : static_cast<float>(found->second));
            }
        }
        for (const DemoShape& shape : from.shapes) {
            MorphTarget empty;
            empty.name = shape.name;
            carrier.shapes.push_back(std::move(empty));
        }
        channel.times = times;
        channel.values = std::move(values);
        take.channels.push_back(std::move(channel));
        Node node = plain_node(prefix + from.name, 0, NodeKind::surface);
        node.mesh = static_cast<int>(scene.meshes.size());
        scene.meshes.push_back(std::move(carrier));
        scene.nodes.push_back(std::move(node));
    }
    scene.clips.push_back(std::move(take));
    return scene;
}

} // namespace wembrix::demo
