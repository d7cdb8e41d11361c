// Material slots: in order, merged, given looks, or none; the faces stay the faces.
#include "core/measure/scene/drift.h"
#include "core/measure/surface/surface_facts.h"
#include "core/steps/step_kind.h"
#include "small_scenes.h"
#include "step_results.h"
#include "tansy_scene.h"
#include "valid_scene.h"

#include <gtest/gtest.h>
#include <map>

namespace wembrix::testing {
namespace {

Scene tansy_with_slots() {
    Scene scene = demo::tansy_model();
    scene.clips = demo::tansy_market_take().clips;
    return scene;
}

/// The slots of the first surface by the names of their materials.
std::vector<std::string> slots_of(const Scene& scene, int surface) {
    std::vector<std::string> names;
    for (const SlotFacts& slot : slot_facts(scene)) {
        if (slot.node == surface) {
            names.push_back(slot.material < 0 ? "" : scene.materials[static_cast<size_t>(slot.material)].name);
        }
    }
    return names;
}

int body(const Scene& scene) {
    for (const int surface : surfaces_of(scene)) {
        if (scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)].primitives.size() > 2) {
            return surface;
        }
    }
    return -1;
}

/// Triangles by material, as a multiset of places: what faces have which material, whatever the order.
std::map<std::string, double> areas(const Scene& scene) {
    std::map<std::string, double> by;
    for (const Mesh& mesh : scene.meshes) {
        for (const Primitive& primitive : mesh.primitives) {
            const std::string name =
                primitive.material < 0 ? "" : scene.materials[static_cast<size_t>(primitive.material)].name;
            for (const std::array<uint32_t, 3>& t : triangles_of(mesh, primitive)) {
                by[name] += static_cast<double>((mesh.positions[t[1]] - mesh.positions[t[0]])
                                                    .cross(mesh.positions[t[2]] - mesh.positions[t[0]])
                                                    .norm());
            }
        }
    }
    return by;
}

void expect_same_areas(const std::map<std::string, double>& a, const std::map<std::string, double>& b) {
    ASSERT_EQ(a.size(), b.size());
    for (const auto& [name, area] : a) {
        ASSERT_TRUE(b.contains(name)) << name;
        EXPECT_NEAR(area, b.at(name), 1e-6 * area) << name;
    }
}

TEST(Slots, AreOrderedWithWeightsShapesAndKeysInPlace) {
    const Scene scene = tansy_with_slots();
    const std::vector<std::string> before = slots_of(scene, body(scene));
    ASSERT_GT(before.size(), 2U);
    const StepResult result = done(scene, {"order_slots", {{"materials", {before.back(), before[1]}}}});
    const std::vector<std::string> after = slots_of(result.scene, body(scene));
    EXPECT_EQ(after[0], before.back());
    EXPECT_EQ(after[1], before[1]);
    EXPECT_EQ(after[2], before[0]);
    EXPECT_EQ(what_is_not_valid(result.scene), "");
    expect_same_areas(areas(scene), areas(result.scene));
    // The same faces in every frame, wherever their vertices stand in the list now.
    for (const Clip& clip : scene.clips) {
        Deformer was(scene, {body(scene)});
        Deformer is(result.scene, {body(scene)});
        std::vector<Vec3f> a(was.point_count());
        std::vector<Vec3f> b(is.point_count());
        Pose pose;
        Poser(scene, &clip).at(clip.seconds / 3, pose);
        was.points(pose, a);
        is.points(pose, b);
        Vec3 sum = Vec3::Zero();
        for (size_t v = 0; v < a.size(); ++v) {
            sum += a[v].cast<double>() - b[v].cast<double>();
        }
        EXPECT_LT(sum.norm() / static_cast<double>(a.size()), 1e-4);
        EXPECT_GT((a[0] - b[0]).norm(), 0) << "they do stand elsewhere";
    }
    const StepResult back = done(result.scene, {"order_slots", {{"materials", before}}});
    EXPECT_EQ(slots_of(back.scene, body(scene)), before);
    EXPECT_EQ(back.scene.meshes[0].positions.get(), scene.meshes[0].positions.get()) << "there and back";
}

TEST(Slots, OfOneMaterialBecomeOne) {
    Scene scene = tansy_with_slots();
    Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(body(scene))].mesh)];
    scene.materials.push_back(scene.materials[static_cast<size_t>(mesh.primitives[0].material)]);
    mesh.primitives[2].material = static_cast<int>(scene.materials.size()) - 1; // its twin, under the same name
    const size_t slots = mesh.primitives.size();
    const StepResult result = done(scene, {"merge_slots"});
    EXPECT_EQ(slots_of(result.scene, body(scene)).size(), slots - 1);
    EXPECT_TRUE(result.could_not.empty());
    EXPECT_EQ(what_is_not_valid(result.scene), "");
    expect_same_areas(areas(scene), areas(result.scene));
    scene.materials.back().roughness = 0.123;
    EXPECT_EQ(done(scene, {"merge_slots"}).could_not.size(), 1U) << "one look is lost";
    EXPECT_EQ(done(result.scene, {"merge_slots"}).account, "every material and every slot is there once");
}

TEST(Materials, GetTheLooksThatAreSet) {
    const Scene scene = tansy_with_slots();
    const std::string name = scene.materials[0].name;
    const StepResult result = done(scene, {"set_material",
                                           {{"materials", {name}},
                                            {"base_colour", "#FF8000"},
                                            {"roughness", 0.25},
                                            {"alpha", "mask"},
                                            {"cutoff", 0.4},
                                            {"double_sided", true}}});
    const Material& material = result.scene.materials[0];
    EXPECT_NEAR(material.base_colour[0], 1, 1e-9);
    EXPECT_NEAR(material.base_colour[1], 0.21586, 1e-4) << "half as shown is a fifth in light";
    EXPECT_EQ(material.base_colour[2], 0);
    EXPECT_EQ(material.roughness, 0.25);
    EXPECT_EQ(material.metalness, scene.materials[0].metalness);
    EXPECT_EQ(material.alpha_mode, AlphaMode::mask);
    EXPECT_TRUE(material.double_sided);
    EXPECT_EQ(result.scene.materials[1].roughness, scene.materials[1].roughness);
    EXPECT_FALSE(apply_step(scene, {"set_material", {{"materials", {name}}, {"base_colour", "red"}}}).ok());
    const StepResult none = done(scene, {"no_materials"});
    for (const SlotFacts& slot : slot_facts(none.scene)) {
        EXPECT_EQ(slot.material, -1);
    }
    EXPECT_EQ(slot_facts(none.scene).size(), slot_facts(scene).size()) << "the slots stay";
}

} // namespace
} // namespace wembrix::testing
