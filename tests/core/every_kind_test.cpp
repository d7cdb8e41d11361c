// Every kind of thing that a scene can hold, through every operation that must not overlook one.
#include "core/base/hasher.h"
#include "core/delivery/made_from.h"
#include "core/destination/prune.h"
#include "core/formats/gltf/gltf.h"
#include "core/job/assemble.h"
#include "core/measure/scene/drift.h"
#include "core/scene/content.h"
#include "core/scene/place_all.h"
#include "core/scene/visit.h"
#include "every_kind.h"
#include "small_scenes.h"
#include "step_results.h"

#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

std::string hash_of_kind(const auto& geometry) {
    Hasher hash;
    add_content(hash, geometry);
    return hash.hex();
}

/// One hash for each geometry, as the visitor gives them.
std::vector<std::string> geometry_hashes(const Scene& scene) {
    std::vector<std::string> hashes;
    for_each_geometry(scene, [&](const auto& geometry) { hashes.push_back(hash_of_kind(geometry)); });
    return hashes;
}

TEST(EveryKind, TheProbeHasOneOfEach) {
    const Scene scene = every_kind();
    // Each list of the scene is filled: one that is added to it without a probe fails here.
    std::apply(
        [](const auto&... field) {
            const auto filled = [](const auto& list) {
                using Type = std::decay_t<decltype(list)>;
                if constexpr (content_detail::IsList<Type>::value) {
                    if constexpr (ListsItsFields<const typename Type::value_type>) {
                        EXPECT_FALSE(list.empty()) << typeid(Type).name();
                    }
                }
            };
            (filled(field), ...);
        },
        Scene::fields(scene));
}

TEST(EveryKind, IsTransformed) {
    const Scene scene = every_kind();
    Scene larger = scene;
    scale_all(larger, 2);
    Scene turned = scene;
    place_all(turned, Quat(Eigen::AngleAxisd(1, Vec3::UnitX())), Vec3(1, 2, 3));
    const std::vector<std::string> before = geometry_hashes(scene);
    const std::vector<std::string> after = geometry_hashes(larger);
    ASSERT_EQ(before.size(), after.size());
    for (size_t i = 0; i < before.size(); ++i) {
        EXPECT_NE(before[i], after[i]) << "geometry " << i << " is not scaled";
    }
    EXPECT_FLOAT_EQ(larger.curve_sets[0].points[1].y(), 4);
    EXPECT_FLOAT_EQ(larger.curve_sets[0].widths[0], 0.2F);
    EXPECT_FLOAT_EQ(larger.caches[0].positions[2].y(), 2 * scene.caches[0].positions[2].y());
    EXPECT_DOUBLE_EQ(larger.hulls[0].half_size.x(), 1);
    EXPECT_DOUBLE_EQ(larger.hulls[0].frame(1, 3), 2);
    // Placed: what its joints place is carried in its data, with its cache; what a node places goes with the node.
    EXPECT_NE(hash_of_kind(scene.meshes[0]), hash_of_kind(turned.meshes[0]));
    EXPECT_NE(hash_of_kind(scene.caches[0]), hash_of_kind(turned.caches[0]));
    const std::vector<Mat4> was = rest_world(scene);
    const std::vector<Mat4> is = rest_world(turned);
    for (const char* name : {"crest", "solid", "eye", "shine"}) {
        const int node = scene.find_node(name);
        EXPECT_GT((was[node] - is[node]).cwiseAbs().maxCoeff(), 0.1) << name;
    }
}

TEST(EveryKind, NodesUnderATurnedParentAreBakedWithAllTheyCarry) {
    Scene scene = every_kind();
    Node parent;
    parent.name = "holder";
    parent.rest.scale = Vec3(0.5, 0.5, 0.5);
    parent.identity = 3000;
    scene.nodes.push_back(parent);
    const int at = static_cast<int>(scene.nodes.size()) - 1;
    scene.nodes[scene.find_node("crest")].parent = at;
    reorder_nodes(scene, sorted_order(scene.nodes));
    classify_nodes(scene);
    const Scene baked = done(scene, {"bake_parent_transforms"}).scene;
    const int before = scene.find_node("crest");
    const int after = baked.find_node("crest");
    const Vec3 was = point_of(rest_world(scene)[before], scene.curve_sets[0].points[1].cast<double>());
    const Vec3 is = point_of(rest_world(baked)[after], baked.curve_sets[0].points[1].cast<double>());
    EXPECT_LT((was - is).norm(), 1e-6);
}

TEST(EveryKind, ReferencesFollowRenumberedNodes) {
    const Scene scene = every_kind();
    std::vector<int> order(scene.nodes.size());
    for (size_t i = 0; i < order.size(); ++i) {
        order[i] = static_cast<int>(i);
    }
    // What stands at the top changes places; parents stay before children.
    std::stable_partition(order.begin(), order.end(), [&](int node) {
        return scene.nodes[node].parent < 0 && scene.nodes[node].kind != NodeKind::joint;
    });
    Scene moved = scene;
    reorder_nodes(moved, order);
    const auto names = [](const Scene& of) {
        std::vector<std::string> all;
        Scene copy = of;
        for_node_references(
            copy, [&](int& node) { all.push_back(node < 0 ? "-" : of.nodes[static_cast<size_t>(node)].name); });
        return all;
    };
    EXPECT_NE(scene.nodes[0].name, moved.nodes[0].name);
    EXPECT_EQ(names(scene), names(moved));
    // Without the surface, what spoke of it speaks of nothing.
    std::erase(order, scene.find_node("tower"));
    Scene without = scene;
    reorder_nodes(without, order);
    EXPECT_EQ(without.curve_sets[0].surface, -1);
    EXPECT_TRUE(without.caches.empty());
}

TEST(EveryKind, IsCounted) {
    const SceneCounts counts = wembrix::counts_of(every_kind());
    EXPECT_EQ(counts.surfaces, 1U);
    EXPECT_EQ(counts.vertices, 6U);
    EXPECT_EQ(counts.curve_sets, 1U);
    EXPECT_EQ(counts.curves, 2U);
    EXPECT_EQ(counts.caches, 1U);
    EXPECT_EQ(counts.cached_frames, 2U);
    EXPECT_EQ(counts.hulls, 1U);
    EXPECT_EQ(counts.cameras, 1U);
    EXPECT_EQ(counts.lights, 1U);
    EXPECT_EQ(counts.materials, 1U);
}

TEST(EveryKind, WhatNothingPlacesIsPruned) {
    Scene scene = every_kind();
    drop_unplaced(scene);
    drop_unused_materials(scene);
    EXPECT_EQ(geometry_hashes(scene), geometry_hashes(every_kind())) << "all of it is placed";
    for (const char* name : {"crest", "solid", "eye", "shine", "tower"}) {
        Node& node = scene.nodes[scene.find_node(name)];
        node.mesh = node.skin = node.curves = node.hull = node.camera = node.light = -1;
    }
    drop_unplaced(scene);
    drop_unused_materials(scene);
    EXPECT_TRUE(scene.curve_sets.empty() && scene.hulls.empty() && scene.caches.empty());
    EXPECT_TRUE(scene.cameras.empty() && scene.lights.empty());
    EXPECT_TRUE(scene.materials.empty() && scene.textures.empty() && scene.images.empty() && scene.samplers.empty());
}

TEST(EveryKind, StandsBesideAnotherSourceWithItsReferences) {
    NamedScene model{"model.glb", every_kind()};
    NamedScene prop{"prop.glb", every_kind()};
    prop.scene.clips.clear();
    for (Node& node : prop.scene.nodes) {
        node.name = "other_" + node.name;
    }
    const size_t nodes = model.scene.nodes.size();
    const Scene both = assemble({model, prop});
    ASSERT_EQ(both.curve_sets.size(), 2U);
    EXPECT_EQ(both.curve_sets[1].surface, both.find_node("other_tower"));
    EXPECT_EQ(both.curve_sets[1].material, 1);
    EXPECT_EQ(both.caches[1].surface, both.find_node("other_tower"));
    EXPECT_EQ(both.nodes[both.find_node("other_crest")].curves, 1);
    EXPECT_EQ(both.nodes[both.find_node("other_solid")].hull, 1);
    EXPECT_EQ(both.nodes[both.find_node("other_shine")].light, 1);
    EXPECT_EQ(both.nodes[both.find_node("other_eye")].camera, 1);
    EXPECT_EQ(both.materials[1].base_colour_texture.texture, 1);
    EXPECT_EQ(both.textures[1].image, 1);
    EXPECT_EQ(both.nodes.size(), nodes * 2);
}

TEST(EveryKind, MaterialsCamerasAndLightsComeBackFromAFile) {
    const Scene scene = every_kind();
    const Scene back = read_gltf_bytes(write_glb(scene, "probe")->front().bytes, {}, "probe").take();
    EXPECT_TRUE(same_content(scene.materials, back.materials));
    EXPECT_TRUE(same_content(scene.textures, back.textures));
    EXPECT_TRUE(same_content(scene.samplers, back.samplers));
    EXPECT_TRUE(same_content(scene.cameras, back.cameras));
    EXPECT_TRUE(same_content(scene.lights, back.lights));
    EXPECT_EQ(back.nodes[back.find_node("shine")].kind, NodeKind::light);
}

/// A value that is not the one it was.
template <typename T> void change(T& value) {
    if constexpr (ListsItsFields<T>) {
        std::apply([](auto& first, auto&...) { change(first); }, T::fields(value));
    } else if constexpr (std::is_base_of_v<std::string, T>) {
        value += "x";
    } else if constexpr (content_detail::IsShared<T>::value) {
        auto& items = value.edit();
        items.push_back(items.empty() ? typename std::decay_t<decltype(items)>::value_type{} : items.back());
    } else if constexpr (content_detail::IsList<T>::value) {
        if constexpr (requires { value.emplace_back(); }) {
            value.emplace_back();
        } else {
            change(value[0]);
        }
    } else if constexpr (std::is_same_v<T, bool>) {
        value = !value;
    } else if constexpr (std::is_enum_v<T>) {
        value = static_cast<T>(static_cast<int>(value) + 1);
    } else if constexpr (std::is_arithmetic_v<T>) {
        value = static_cast<T>(value + 1);
    } else if constexpr (std::is_same_v<T, Transform>) {
        value.translation.x() += 1;
    } else {
        value.data()[0] += 1;
    }
}

struct Anything {
    template <typename T> operator T() const;
};
/// How many members an aggregate has, by how many values it can be made of.
template <typename T, typename... Values> constexpr size_t member_count() {
    if constexpr (requires { T{Values{}..., Anything{}}; }) {
        return member_count<T, Values..., Anything>();
    } else {
        return sizeof...(Values);
    }
}

template <typename T> void expect_every_field(const char* name) {
    constexpr size_t fields = std::tuple_size_v<decltype(T::fields(std::declval<T&>()))>;
    size_t marks = 0;
    if constexpr (requires(T & value) { T::marks(value); }) {
        marks = std::tuple_size_v<decltype(T::marks(std::declval<T&>()))>;
    }
    EXPECT_EQ(fields + marks, member_count<T>()) << name << " has a member that is in none of its lists";
    const T plain;
    const std::string before = hash_of_kind(plain);
    EXPECT_TRUE(same_content(plain, T{}));
    [&]<size_t... Places>(std::index_sequence<Places...>) {
        const auto probe = [&](auto place) {
            T changed;
            auto list = T::fields(changed);
            change(std::get<place()>(list));
            EXPECT_NE(before, hash_of_kind(changed)) << name << ", field " << place();
            EXPECT_FALSE(same_content(plain, changed)) << name << ", field " << place();
        };
        (probe(std::integral_constant<size_t, Places>{}), ...);
    }
    (std::make_index_sequence<fields>{});
}

TEST(Fields, NoneIsForgottenByComparingAndHashing) {
    expect_every_field<Carried>("Carried");
    expect_every_field<Influences>("Influences");
    expect_every_field<MorphTarget>("MorphTarget");
    expect_every_field<Attribute>("Attribute");
    expect_every_field<NumberFormat>("NumberFormat");
    expect_every_field<Primitive>("Primitive");
    expect_every_field<Mesh>("Mesh");
    expect_every_field<CurveSet>("CurveSet");
    expect_every_field<PointCache>("PointCache");
    expect_every_field<Hull>("Hull");
    expect_every_field<Node>("Node");
    expect_every_field<Skin>("Skin");
    expect_every_field<Channel>("Channel");
    expect_every_field<Clip>("Clip");
    expect_every_field<TextureUse>("TextureUse");
    expect_every_field<Material>("Material");
    expect_every_field<Texture>("Texture");
    expect_every_field<Image>("Image");
    expect_every_field<Sampler>("Sampler");
    expect_every_field<Camera>("Camera");
    expect_every_field<Light>("Light");
    expect_every_field<Piece>("Piece");
    expect_every_field<Note>("Note");
    expect_every_field<Scene>("Scene");
}

TEST(Influences, OneMeshUnderTwoNodesWithTwoSkinsIsRight) {
    // The second skin lists the joints the other way round: the same mesh, other influences.
    Scene scene = tower({"root", "arm"});
    Skin second = scene.skins[0];
    std::swap(second.joints[0], second.joints[1]);
    std::swap(second.inverse_binds[0], second.inverse_binds[1]);
    scene.skins.push_back(second);
    Node twin = scene.nodes[scene.find_node("tower")];
    twin.name = "twin";
    twin.identity = 1001;
    twin.skin = 1;
    for (uint16_t& joint : twin.influences.joints.edit()) {
        joint = static_cast<uint16_t>(1 - joint);
    }
    scene.nodes.push_back(twin);
    add_nod(scene, "nod", 1, 0.7, true);
    const auto twins_agree = [](const Scene& of, const char* what) {
        Pose pose;
        const Poser poser(of, &of.clips[0]);
        poser.at(0.4, pose);
        Deformer deformer(of);
        std::vector<Vec3f> points(deformer.point_count());
        deformer.points(pose, points);
        ASSERT_EQ(points.size(), 12U) << what;
        for (size_t i = 0; i < 6; ++i) {
            EXPECT_LT((points[i] - points[i + 6]).norm(), 1e-5F) << what << ", vertex " << i;
        }
    };
    twins_agree(scene, "as made");
    twins_agree(read_gltf_bytes(write_glb(scene, "twins")->front().bytes, {}, "twins").take(), "written and read back");
    twins_agree(done(scene, {"limit_influences", {{"max_influences", 1}}}).scene, "limited");
    twins_agree(done(scene, {"reorder_joints", {{"by", "list"}, {"order", {"root", "arm"}}}}).scene, "reordered");
    twins_agree(done(scene, {"insert_joint", {{"name", "mid"}, {"under", "root"}, {"above", {"arm"}}}}).scene,
                "inserted");
    twins_agree(done(scene, {"scale", {{"factor", 0.5}}}).scene, "scaled");
    twins_agree(done(scene, {"rotate", {{"degrees", 30}, {"about", "+X"}}}).scene, "rotated");
}

} // namespace
} // namespace wembrix::testing
