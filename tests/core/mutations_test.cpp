// One thing of a right delivery is damaged: the arrival check fails for each, and names it.
#include "core/delivery/arrival_check.h"
#include "core/destination/conform.h"
#include "core/measure/comparison/compare_scenes.h"
#include "core/scene/visit.h"
#include "small_scenes.h"
#include "through_a_file.h"

#include <algorithm>
#include <functional>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

Attribute numbers(const char* name, int width, size_t vertices, float seed) {
    std::vector<float> data;
    for (size_t i = 0; i < vertices * static_cast<size_t>(width); ++i) {
        data.push_back(std::fmod(seed + 0.03125F * static_cast<float>(i), 1.0F));
    }
    return {name, width, std::move(data)};
}

/// A small character with everything that a surface, a material and a node can have.
Scene rich() {
    Scene scene = tower({"root", "spine", "neck", "head"});
    Mesh& mesh = scene.meshes[0];
    const size_t vertices = mesh.point_count();
    mesh.attributes = {numbers("TEXCOORD_0", 2, vertices, 0.1F),
                       numbers("TEXCOORD_1", 2, vertices, 0.4F),
                       numbers("COLOR_0", 4, vertices, 0.2F),
                       numbers("_WETNESS", 1, vertices, 0.5F),
                       {"_ZONE", 1, std::vector<float>(vertices, 300), {NumberFormat::Kind::unsigned_shorts}}};
    mesh.tangents = std::vector<Vec4f>(vertices, Vec4f(1, 0, 0, 1));
    mesh.primitives[0].has_tangents = true;
    mesh.primitives[0].attributes = {"TEXCOORD_0", "TEXCOORD_1", "COLOR_0", "_WETNESS", "_ZONE"};
    mesh.primitives[0].carried.extras = R"({"lod":1})";
    // Two primitives with a material each.
    Primitive second = mesh.primitives[0];
    Primitive& first = mesh.primitives[0];
    first.point_count = first.index_count = 6;
    second.first_point = second.first_index = 6;
    second.point_count = second.index_count = static_cast<uint32_t>(vertices - 6);
    second.material = 1;
    first.material = 0;
    mesh.primitives.push_back(second);
    for (const char* name : {"smile", "blink"}) {
        MorphTarget shape;
        shape.name = name;
        shape.points = std::vector<uint32_t>{1, 2, 7};
        shape.positions = std::vector<Vec3f>{{0.1F, 0, 0}, {0, name[0] == 's' ? 0.2F : 0.3F, 0}, {0, 0, 0.1F}};
        shape.normals = std::vector<Vec3f>{{0, 0.1F, 0}, {0, 0.1F, 0}, {0.2F, 0, 0}};
        shape.tangents = std::vector<Vec3f>{{0, 0.1F, 0}, {0, 0, 0.3F}, {0, 0.2F, 0}};
        shape.has_normals = shape.has_tangents = true;
        shape.attributes = {{"COLOR_0", 4, std::vector<float>(12, 0.125F)},
                            {"TEXCOORD_1", 2, std::vector<float>{0, 0.5F, 0.25F, 0, 0, 0.125F}}};
        mesh.shapes.push_back(shape);
    }
    mesh.shape_weights = {0.25F, 0};
    Node& surface = scene.nodes.back();
    surface.carried.extras = R"({"part":"body"})";
    // Several weights a vertex.
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> joints;
    std::vector<float> weights;
    for (size_t v = 0; v < vertices; ++v) {
        const auto own = static_cast<uint16_t>(v / 3);
        joints.insert(joints.end(), {own, static_cast<uint16_t>(own == 3 ? 2 : own + 1)});
        weights.insert(weights.end(), {0.75F, 0.25F});
        offsets.push_back(static_cast<uint32_t>(joints.size()));
    }
    surface.influences = {std::move(offsets), std::move(joints), std::move(weights)};
    for (const char* name : {"plumage", "beak"}) {
        Material material;
        material.name = name;
        material.base_colour = {0.5, 0.25, 0.125, 1};
        material.roughness = 0.75;
        material.metalness = 0.25;
        material.base_colour_texture.texture = 0;
        material.normal_texture.texture = 1;
        material.normal_texture.coordinates = 1;
        material.normal_texture.scale = {2, 2};
        material.emission = {0.1, 0, 0};
        scene.materials.push_back(material);
    }
    scene.materials[1].double_sided = true;
    for (const uint8_t seed : {uint8_t{1}, uint8_t{2}}) {
        Image image;
        image.name = seed == 1 ? "colour" : "normals";
        image.mime = "image/png";
        image.bytes = std::vector<uint8_t>{0x89, 'P', 'N', 'G', seed, 7, 8, 9};
        scene.images.push_back(image);
    }
    Sampler sampler;
    sampler.wrap_u = Wrap::clamp;
    scene.samplers = {sampler};
    scene.textures = {{"", 0, 0, {}}, {"", 1, 0, {}}};
    const auto add = [&](const char* name, int parent) -> Node& {
        Node node;
        node.name = name;
        node.parent = parent;
        node.rest.translation = Vec3(0.1, 0.2, 0.3);
        node.identity = 2000 + static_cast<int64_t>(scene.nodes.size());
        scene.nodes.push_back(node);
        return scene.nodes.back();
    };
    add("hand_point", 2);
    Camera camera;
    camera.name = "viewer";
    camera.field_of_view = 0.6;
    camera.near_m = 0.1;
    camera.far_m = 50;
    scene.cameras = {camera};
    Light light;
    light.name = "lamp";
    light.intensity = 600;
    light.range_m = 4;
    scene.lights = {light};
    add("eye", -1).camera = 0;
    add("shine", -1).light = 0;
    classify_nodes(scene);
    return scene;
}

Arrival checked(const Scene& arrived) {
    Arrival arrival;
    check_model(rich(), arrived, any_destination(), arrival);
    return arrival;
}

Node& node_called(Scene& scene, const char* name) {
    return scene.nodes[static_cast<size_t>(scene.find_node(name))];
}

Attribute& attribute(Scene& scene, const char* name) {
    std::vector<Attribute>& all = scene.meshes[0].attributes;
    return *std::find_if(all.begin(), all.end(), [&](const Attribute& one) { return one.name == name; });
}

struct Damage {
    const char* name;
    const char* claim; ///< the claim that has to fail
    void (*damage)(Scene&);
};

void PrintTo(const Damage& damage, std::ostream* out) {
    *out << damage.name;
}

void drop_attribute(Scene& scene, const char* name) {
    std::erase_if(scene.meshes[0].attributes, [&](const Attribute& one) { return one.name == name; });
    for (Primitive& primitive : scene.meshes[0].primitives) {
        std::erase(primitive.attributes, name);
    }
}

const Damage damages[] = {
    {"coordinate_sets_swapped", "Texture coordinates",
     [](Scene& s) { std::swap(attribute(s, "TEXCOORD_0").data, attribute(s, "TEXCOORD_1").data); }},
    {"one_coordinate_moved", "Texture coordinates",
     [](Scene& s) { attribute(s, "TEXCOORD_1").data.edit()[5] += 0.01F; }},
    {"a_coordinate_set_gone", "Texture coordinates", [](Scene& s) { drop_attribute(s, "TEXCOORD_1"); }},
    {"tangent_sign_flipped", "Tangents", [](Scene& s) { s.meshes[0].tangents.edit()[3].w() = -1; }},
    {"tangents_gone", "Tangents",
     [](Scene& s) {
         s.meshes[0].tangents = std::vector<Vec4f>();
         for (Primitive& primitive : s.meshes[0].primitives) {
             primitive.has_tangents = false;
         }
     }},
    {"one_normal_turned", "Normals",
     [](Scene& s) { s.meshes[0].normals.edit()[4] = Vec3f(0, 0.1F, 0.995F).normalized(); }},
    {"normals_gone", "Normals",
     [](Scene& s) {
         s.meshes[0].normals = std::vector<Vec3f>();
         s.meshes[0].tangents = std::vector<Vec4f>();
         for (Primitive& primitive : s.meshes[0].primitives) {
             primitive.has_normals = primitive.has_tangents = false;
         }
     }},
    {"colours_gone", "Vertex colours", [](Scene& s) { drop_attribute(s, "COLOR_0"); }},
    {"one_colour_changed", "Vertex colours", [](Scene& s) { attribute(s, "COLOR_0").data.edit()[9] *= 0.5F; }},
    {"own_attribute_changed", "Further attributes", [](Scene& s) { attribute(s, "_WETNESS").data.edit()[2] = 0.9F; }},
    {"own_attribute_stored_otherwise", "Further attributes", [](Scene& s) { attribute(s, "_ZONE").format = {}; }},
    {"own_attribute_gone", "Further attributes", [](Scene& s) { drop_attribute(s, "_WETNESS"); }},
    {"a_vertex_moved_a_hundredth_of_a_mm", "Vertices", [](Scene& s) { s.meshes[0].positions.edit()[7].x() += 1e-5F; }},
    {"indices_swapped", "Triangles",
     [](Scene& s) { std::swap(s.meshes[0].indices.edit()[0], s.meshes[0].indices.edit()[1]); }},
    {"a_triangle_gone", "Triangles",
     [](Scene& s) {
         Mesh& mesh = s.meshes[0];
         std::vector<uint32_t>& indices = mesh.indices.edit();
         indices.resize(indices.size() - 3);
         mesh.primitives[1].index_count -= 3;
     }},
    {"primitives_swapped_materials", "Material slots",
     [](Scene& s) { std::swap(s.meshes[0].primitives[0].material, s.meshes[0].primitives[1].material); }},
    {"a_primitive_without_material", "Material slots", [](Scene& s) { s.meshes[0].primitives[1].material = -1; }},
    {"base_colour", "Materials", [](Scene& s) { s.materials[0].base_colour[1] = 0.5; }},
    {"roughness", "Materials", [](Scene& s) { s.materials[1].roughness = 0.5; }},
    {"double_sided", "Materials", [](Scene& s) { s.materials[1].double_sided = false; }},
    {"alpha_mode", "Materials", [](Scene& s) { s.materials[0].alpha_mode = AlphaMode::blend; }},
    {"emission", "Materials", [](Scene& s) { s.materials[0].emission[0] = 0.2; }},
    {"texture_slots_swapped", "Materials",
     [](Scene& s) { std::swap(s.materials[0].base_colour_texture.texture, s.materials[0].normal_texture.texture); }},
    {"texture_reads_another_set", "Materials", [](Scene& s) { s.materials[0].normal_texture.coordinates = 0; }},
    {"texture_transform", "Materials",
     [](Scene& s) {
         s.materials[0].normal_texture.scale = {2, 1};
     }},
    {"a_texture_gone", "Materials", [](Scene& s) { s.materials[1].base_colour_texture = {}; }},
    {"one_pixel_changed", "Materials", [](Scene& s) { s.images[1].bytes.edit()[6] ^= 1; }},
    {"sampler_wraps_otherwise", "Materials", [](Scene& s) { s.samplers[0].wrap_u = Wrap::repeat; }},
    {"a_material_renamed", "Material slots", [](Scene& s) { s.materials[0].name = "feathers"; }},
    {"attachment_point_moved_a_tenth_of_a_mm", "Attachment points",
     [](Scene& s) { node_called(s, "hand_point").rest.translation.x() += 1e-4; }},
    {"attachment_point_turned", "Attachment points",
     [](Scene& s) { node_called(s, "hand_point").rest.rotation = Quat(Eigen::AngleAxisd(0.01, Vec3::UnitY())); }},
    {"attachment_point_elsewhere", "Nodes",
     [](Scene& s) { node_called(s, "hand_point").parent = s.find_node("spine"); }},
    {"attachment_point_gone", "Nodes",
     [](Scene& s) {
         std::vector<int> order;
         for (size_t i = 0; i < s.nodes.size(); ++i) {
             if (s.nodes[i].name != "hand_point") {
                 order.push_back(static_cast<int>(i));
             }
         }
         reorder_nodes(s, order);
     }},
    {"a_joint_renamed", "Nodes", [](Scene& s) { node_called(s, "neck").name = "throat"; }},
    {"a_joint_turned_at_rest", "Rest transforms",
     [](Scene& s) { node_called(s, "neck").rest.rotation = Quat(Eigen::AngleAxisd(0.001, Vec3::UnitZ())); }},
    {"a_joint_moved_at_rest", "Rest transforms", [](Scene& s) { node_called(s, "neck").rest.translation.y() += 1e-5; }},
    {"a_joint_scaled_at_rest", "Rest transforms", [](Scene& s) { node_called(s, "head").rest.scale.x() = 1.001; }},
    {"an_inverse_bind", "Skins", [](Scene& s) { s.skins[0].inverse_binds[2](0, 3) += 0.001; }},
    {"joints_of_the_skin_reordered", "Skins",
     [](Scene& s) {
         Skin& skin = s.skins[0];
         std::swap(skin.joints[1], skin.joints[2]);
         std::swap(skin.inverse_binds[1], skin.inverse_binds[2]);
         for (uint16_t& joint : influences_of(s).joints.edit()) {
             joint = joint == 1 ? 2 : joint == 2 ? 1 : joint;
         }
     }},
    {"a_weight", "Weights",
     [](Scene& s) {
         Influences& in = influences_of(s);
         in.weights.edit()[0] = 0.7F;
         in.weights.edit()[1] = 0.3F;
     }},
    {"weights_of_other_joints", "Weights",
     [](Scene& s) { std::swap(influences_of(s).joints.edit()[0], influences_of(s).joints.edit()[1]); }},
    {"a_shape_zeroed", "Shapes",
     [](Scene& s) {
         for (Vec3f& delta : s.meshes[0].shapes[0].positions.edit()) {
             delta.setZero();
         }
     }},
    {"shapes_swapped", "Shapes", [](Scene& s) { std::swap(s.meshes[0].shapes[0], s.meshes[0].shapes[1]); }},
    {"a_shape_renamed", "Shapes", [](Scene& s) { s.meshes[0].shapes[1].name = "wink"; }},
    {"a_shape_gone", "Shapes",
     [](Scene& s) {
         s.meshes[0].shapes.pop_back();
         s.meshes[0].shape_weights.pop_back();
     }},
    {"normals_of_a_shape", "Shapes", [](Scene& s) { s.meshes[0].shapes[0].normals.edit()[1].y() = 0.2F; }},
    {"tangents_of_a_shape", "Shapes", [](Scene& s) { s.meshes[0].shapes[1].tangents.edit()[0].y() = 0.2F; }},
    {"coordinate_of_a_shape", "Shapes", [](Scene& s) { s.meshes[0].shapes[0].attributes[1].data.edit()[2] = 0.5F; }},
    {"colours_of_a_shape_gone", "Shapes",
     [](Scene& s) { s.meshes[0].shapes[1].attributes.erase(s.meshes[0].shapes[1].attributes.begin()); }},
    {"starting_weight_of_a_shape", "Starting weights of shapes", [](Scene& s) { s.meshes[0].shape_weights[0] = 0.5F; }},
    {"extras_of_a_node", "Extras and extensions", [](Scene& s) { node_called(s, "tower").carried.extras = ""; }},
    {"extras_of_a_primitive", "Surfaces", [](Scene& s) { s.meshes[0].primitives[0].carried.extras = R"({"lod":2})"; }},
    {"a_mesh_renamed", "Surfaces", [](Scene& s) { s.meshes[0].name = "other"; }},
    {"camera_far_plane", "Cameras", [](Scene& s) { s.cameras[0].far_m = 500; }},
    {"camera_gone", "Cameras", [](Scene& s) { node_called(s, "eye").camera = -1; }},
    {"light_range", "Lights", [](Scene& s) { s.lights[0].range_m = 400; }},
    {"light_colour", "Lights", [](Scene& s) { s.lights[0].colour[2] = 0.5; }},
};

TEST(Mutations, WhatIsNotDamagedArrives) {
    const Scene arrived = through_a_file(conform_model(rich(), any_destination()).scene);
    const Arrival arrival = checked(arrived);
    EXPECT_EQ(arrival.state, CellState::arrived) << arrival.reason;
    const Arrival again = checked(through_a_file(arrived));
    EXPECT_EQ(again.state, CellState::arrived) << again.reason;
    EXPECT_GE(std::size(damages), 40U);
    // Each subject had something to compare: no claim here holds because there is nothing.
    for (const Damage& damage : damages) {
        EXPECT_TRUE(std::any_of(arrival.claims.begin(), arrival.claims.end(), [&](const Claim& claim) {
            return claim.name == damage.claim;
        })) << damage.claim;
    }
}

class Mutations : public ::testing::TestWithParam<Damage> {};

TEST_P(Mutations, IsSeenAndNamed) {
    Scene arrived = through_a_file(conform_model(rich(), any_destination()).scene);
    GetParam().damage(arrived);
    const Arrival arrival = checked(through_a_file(arrived));
    EXPECT_EQ(arrival.state, CellState::held);
    const auto claim = std::find_if(arrival.claims.begin(), arrival.claims.end(),
                                    [&](const Claim& one) { return one.name == GetParam().claim; });
    ASSERT_NE(claim, arrival.claims.end());
    EXPECT_FALSE(claim->pass);
    EXPECT_FALSE(claim->detail.empty());
    EXPECT_FALSE(claim->differences.empty());
}

INSTANTIATE_TEST_SUITE_P(All, Mutations, ::testing::ValuesIn(damages),
                         [](const auto& one) { return std::string(one.param.name); });

} // namespace
} // namespace wembrix::testing
