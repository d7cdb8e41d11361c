// The comparison of two scenes of things that no format of ours writes yet, and of what it must not take for damage.
#include "core/measure/comparison/compare_scenes.h"
#include "every_kind.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

struct SceneDamage {
    const char* name;
    const char* subject; ///< that has to see it
    void (*make)(Scene& scene);
};

const SceneDamage scene_damages[] = {
    {"a_curve_moved", "Curves", [](Scene& s) { s.curve_sets[0].points.edit()[1].y() += 0.0001F; }},
    {"a_curve_shorter", "Curves",
     [](Scene& s) {
         s.curve_sets[0].counts = std::vector<uint32_t>{1, 2};
     }},
    {"a_width_changed", "Curves", [](Scene& s) { s.curve_sets[0].widths.edit()[2] = 0.21F; }},
    {"widths_gone", "Curves", [](Scene& s) { s.curve_sets[0].widths = std::vector<float>(); }},
    {"a_value_of_a_curve_changed", "Curves", [](Scene& s) { s.curve_sets[0].per_curve[0].data.edit()[1] = 1; }},
    {"a_root_elsewhere", "Curves", [](Scene& s) { s.curve_sets[0].roots.edit()[0].triangle = 1; }},
    {"curves_on_no_surface", "Curves", [](Scene& s) { s.curve_sets[0].surface = -1; }},
    {"curves_of_another_material", "Curves", [](Scene& s) { s.curve_sets[0].material = -1; }},
    {"curves_renamed", "Curves", [](Scene& s) { s.curve_sets[0].name = "fronds"; }},
    {"curves_gone", "Curves", [](Scene& s) { s.nodes[s.find_node("crest")].curves = -1; }},
    {"extras_of_curves", "Curves", [](Scene& s) { s.curve_sets[0].carried.extras = "1"; }},
    {"a_hull_of_another_kind", "Hulls", [](Scene& s) { s.hulls[0].kind = Hull::Kind::capsule; }},
    {"a_corner_of_a_hull", "Hulls", [](Scene& s) { s.hulls[0].points.edit()[0].x() = 0.001F; }},
    {"a_triangle_of_a_hull_turned", "Hulls",
     [](Scene& s) { std::swap(s.hulls[0].indices.edit()[0], s.hulls[0].indices.edit()[1]); }},
    {"a_hull_moved", "Hulls", [](Scene& s) { s.hulls[0].frame(0, 3) += 0.001; }},
    {"a_hull_larger", "Hulls", [](Scene& s) { s.hulls[0].half_size.x() *= 1.001; }},
    {"a_hull_gone", "Hulls", [](Scene& s) { s.nodes[s.find_node("solid")].hull = -1; }},
    {"a_vertex_of_a_cache_moved", "Caches", [](Scene& s) { s.caches[0].positions.edit()[3].z() += 0.0001F; }},
    {"normals_of_a_cache_gone", "Caches", [](Scene& s) { s.caches[0].normals = std::vector<Vec3f>(); }},
    {"a_cache_faster", "Caches", [](Scene& s) { s.caches[0].rate = 24; }},
    {"a_frame_of_a_cache_gone", "Caches", [](Scene& s) { s.caches[0].frames = 1; }},
    {"a_cache_of_another_surface", "Caches", [](Scene& s) { s.caches[0].surface = s.find_node("crest"); }},
    {"a_cache_gone", "Caches", [](Scene& s) { s.caches.clear(); }},
    {"a_cache_too_many", "Caches", [](Scene& s) { s.caches.push_back(s.caches[0]); }},
    {"a_camera_wider", "Cameras", [](Scene& s) { s.cameras[0].field_of_view = 0.61; }},
    {"a_camera_gone", "Cameras", [](Scene& s) { s.nodes[s.find_node("eye")].camera = -1; }},
    {"a_light_brighter", "Lights", [](Scene& s) { s.lights[0].intensity = 601; }},
    {"a_light_of_another_kind", "Lights", [](Scene& s) { s.lights[0].kind = Light::Kind::point; }},
};

std::vector<std::string> that_fail(const std::vector<Claim>& claims) {
    std::vector<std::string> names;
    for (const Claim& claim : claims) {
        if (!claim.pass) {
            names.push_back(claim.name);
        }
    }
    return names;
}

class OtherKinds : public ::testing::TestWithParam<SceneDamage> {};

TEST_P(OtherKinds, DamageIsSeenAndNamed) {
    const Scene whole = every_kind();
    Scene damaged = whole;
    GetParam().make(damaged);
    const std::vector<std::string> failed = that_fail(compare_scenes(whole, damaged));
    EXPECT_NE(std::find(failed.begin(), failed.end(), GetParam().subject), failed.end())
        << GetParam().name << " is not seen by " << GetParam().subject;
    const std::vector<std::string> back = that_fail(compare_scenes(damaged, whole));
    EXPECT_NE(std::find(back.begin(), back.end(), GetParam().subject), back.end()) << "nor the other way round";
}

INSTANTIATE_TEST_SUITE_P(All, OtherKinds, ::testing::ValuesIn(scene_damages),
                         [](const auto& one) { return std::string(one.param.name); });

TEST(Comparison, AnotherOrderIsNoDamage) {
    const Scene whole = every_kind();
    EXPECT_TRUE(that_fail(compare_scenes(whole, whole)).empty());
    // The same nodes with the children of each the other way round, and materials in another order.
    Scene other = whole;
    std::vector<int> order = sorted_order(other.nodes);
    std::stable_sort(order.begin(), order.end(), [&](int a, int b) {
        const auto depth = [&](int node) {
            int count = 0;
            for (int at = node; at >= 0; at = other.nodes[static_cast<size_t>(at)].parent) {
                ++count;
            }
            return count;
        };
        return depth(a) != depth(b) ? depth(a) < depth(b) : a > b;
    });
    reorder_nodes(other, order);
    ASSERT_NE(other.nodes[1].name, whole.nodes[1].name);
    Material unused;
    unused.name = "unused";
    other.materials.insert(other.materials.begin(), unused);
    other.meshes[0].primitives[0].material = 1;
    other.curve_sets[0].material = 1;
    EXPECT_EQ(that_fail(compare_scenes(whole, other)), std::vector<std::string>{"Nodes"})
        << "their order, which a reader may count on; the curves' surface and material have other numbers and are the "
           "same";
}

TEST(Comparison, NothingIsNotTheSameAsNothing) {
    EXPECT_FALSE(compared_anything(compare_scenes(Scene(), Scene())));
    EXPECT_TRUE(compared_anything(compare_scenes(every_kind(), every_kind())));
    EXPECT_FALSE(that_fail(compare_scenes(every_kind(), Scene())).empty());
    EXPECT_FALSE(that_fail(compare_scenes(Scene(), every_kind())).empty());
}

} // namespace
} // namespace wembrix::testing
