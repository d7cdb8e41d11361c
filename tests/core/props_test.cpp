// Props: their own origin or the world's, and several surfaces as one.
#include "core/findings/finding.h"
#include "core/formats/gltf/gltf.h"
#include "core/measure/scene/drift.h"
#include "core/measure/scene/props.h"
#include "core/measure/skeleton/pose.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "small_scenes.h"
#include "step_results.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

using nlohmann::json;

/// A rigid surface of one triangle, 0.2 m large, whose corner lies at `corner` in the node's own space.
int add_prop(Scene& scene, const std::string& name, int parent, const Vec3& at, const Vec3f& corner = Vec3f::Zero()) {
    Mesh mesh;
    mesh.name = name + "_mesh";
    mesh.positions = std::vector<Vec3f>{corner, corner + Vec3f(0.2F, 0, 0), corner + Vec3f(0, 0.2F, 0)};
    mesh.normals = std::vector<Vec3f>(3, Vec3f(0, 0, 1));
    mesh.indices = std::vector<uint32_t>{0, 1, 2};
    Primitive part;
    part.point_count = part.index_count = 3;
    mesh.primitives.push_back(part);
    Node node;
    node.name = name;
    node.parent = parent;
    node.kind = NodeKind::surface;
    node.mesh = static_cast<int>(scene.meshes.size());
    node.rest.translation = at;
    node.identity = 2000 + static_cast<int64_t>(scene.nodes.size());
    scene.meshes.push_back(std::move(mesh));
    scene.nodes.push_back(node);
    return static_cast<int>(scene.nodes.size()) - 1;
}

/// The tower, a lamp that is turned a quarter and stands two metres off, and a parcel whose pivot is far from it.
Scene market() {
    Scene scene = tower({"pelvis", "head"});
    const int lamp = add_prop(scene, "lamp", -1, {2, 0, 1});
    scene.nodes[lamp].rest.rotation = Quat(Eigen::AngleAxisd(1.5707963267948966, Vec3::UnitY()));
    add_prop(scene, "parcel", -1, Vec3::Zero(), {-3, 0.5F, 0});
    return scene;
}

Vec3f corner_of(const Scene& scene, const char* name) {
    Deformer deformer(scene, {scene.find_node(name)});
    std::vector<Vec3f> points(deformer.point_count());
    deformer.points(Poser(scene, nullptr).rest(), points);
    return points.front();
}

TEST(Props, WhatStandsByItselfIsOne) {
    const Scene scene = market();
    const std::vector<Prop> props = props_of(scene);
    ASSERT_EQ(props.size(), 3U);
    EXPECT_EQ(props[0].name, "pelvis");
    EXPECT_EQ(props[0].joints, 2U);
    EXPECT_EQ(props[0].nodes.size(), 3U) << "the skinned surface goes with the joints that hold it";
    EXPECT_EQ(character_among(props), 0);
    EXPECT_EQ(props[1].name, "lamp");
    EXPECT_NEAR(props[1].away_m, 0, 1e-7);
    EXPECT_NEAR(props[2].away_m, (Vec3(-2.8, 0.5, 0)).norm(), 1e-6);
}

TEST(Props, AnOriginFarFromItsPropIsNoted) {
    const Scene scene = market();
    const std::vector<Finding> findings = look_for_findings({scene});
    const auto found =
        std::find_if(findings.begin(), findings.end(), [](const Finding& one) { return one.id == "far_origin"; });
    ASSERT_NE(found, findings.end());
    EXPECT_EQ(found->where, "parcel");
    EXPECT_NE(found->message.find("2.84 m"), std::string::npos) << found->message;
    ASSERT_TRUE(found->step.has_value());
    const Scene mended = done(scene, *found->step).scene;
    EXPECT_NEAR(props_of(mended)[2].away_m, 0, 1e-6);
    for (const Finding& finding : look_for_findings({mended})) {
        EXPECT_NE(finding.id, "far_origin") << finding.message;
    }
}

TEST(PlaceOrigin, EachAtItsOwnAndTheCharacterStays) {
    Scene scene = market();
    add_nod(scene, "nod", 1, 0.5, false);
    const StepResult placed = done(scene, {"place_origin"});
    EXPECT_LT(corner_of(placed.scene, "lamp").norm(), 1e-6F);
    EXPECT_EQ(placed.scene.nodes[placed.scene.find_node("lamp")].rest.rotation.angularDistance(Quat::Identity()), 0)
        << "its turn is undone";
    EXPECT_LT((corner_of(placed.scene, "parcel") - Vec3f(-3, 0.5F, 0)).norm(), 1e-6F) << "its pivot is there already";
    EXPECT_EQ(corner_of(placed.scene, "tower"), corner_of(scene, "tower"));
    const Drift drift = measure_drift_all(scene, placed.scene, Matching::identity, placed.moved);
    EXPECT_LE(drift.largest_mm, 1e-3) << "what was meant to go went where it was meant to: " << drift.place;
    EXPECT_GT(measure_drift_all(scene, placed.scene, Matching::identity, Moved()).largest_mm, 2000);
    EXPECT_NE(placed.account.find("lamp by 2236 mm"), std::string::npos) << placed.account;
}

TEST(PlaceOrigin, ByTheGroundUnderItOrItsMiddle) {
    const Scene scene = market();
    const Scene ground = done(scene, {"place_origin", {{"props", {"parcel"}}, {"by", "ground"}}}).scene;
    EXPECT_LT((corner_of(ground, "parcel") - Vec3f(-0.1F, 0, 0)).norm(), 1e-6F);
    EXPECT_EQ(corner_of(ground, "lamp"), corner_of(scene, "lamp"));
    const Scene middle = done(scene, {"place_origin", {{"props", {"par*"}}, {"by", "middle"}}}).scene;
    EXPECT_LT((corner_of(middle, "parcel") - Vec3f(-0.1F, -0.1F, 0)).norm(), 1e-6F);
    const Scene turned = done(scene, {"place_origin", {{"props", {"lamp"}}, {"reset_rotation", false}}}).scene;
    EXPECT_NEAR(turned.nodes[turned.find_node("lamp")].rest.rotation.angularDistance(Quat::Identity()), 1.5708, 1e-4);
    EXPECT_LT(corner_of(turned, "lamp").norm(), 1e-6F);
}

TEST(PlaceOrigin, TheWorldsForAllAndNothingMoves) {
    Scene scene = market();
    scene.nodes[scene.find_node("lamp")].rest.scale = Vec3(2, 2, 2);
    const StepResult placed = done(scene, {"place_origin", {{"props", {"*"}}, {"at", "world"}}});
    ASSERT_EQ(placed.could_not.size(), 1U) << "a joint's place belongs to the motion";
    EXPECT_NE(placed.could_not[0].find("pelvis"), std::string::npos);
    for (const char* name : {"lamp", "parcel"}) {
        EXPECT_TRUE(placed.scene.nodes[placed.scene.find_node(name)].rest == Transform{}) << name;
    }
    EXPECT_LE(measure_drift_all(scene, placed.scene, Matching::identity, placed.moved).largest_mm, 1e-3);
    EXPECT_NE(done(placed.scene, {"place_origin", {{"props", {"*"}}, {"at", "world"}}}).account.find("already"),
              std::string::npos);
}

TEST(PlaceOrigin, ARiggedPropGoesWithItsBindsAndKeys) {
    Scene scene = done(tower({"bag", "flap"}), {"rotate", {{"degrees", 30}, {"about", "+Y"}}}).scene;
    scene.nodes[0].rest.translation = Vec3(4, 1, 0);
    scene.skins[0].inverse_binds[0] = rest_world(scene)[0].inverse();
    scene.skins[0].inverse_binds[1] = rest_world(scene)[1].inverse();
    add_nod(scene, "swing", 1, 0.8, true);
    add_nod(scene, "whirl", 0, 0.8, true);
    const StepResult placed = done(scene, {"place_origin", {{"props", {"bag"}}}});
    EXPECT_LT(placed.scene.nodes[0].rest.translation.norm(), 1e-12);
    EXPECT_LE(measure_drift_all(scene, placed.scene, Matching::identity, placed.moved).largest_mm, 2e-3);
    const Mat4 bound = rest_world(placed.scene)[1] * placed.scene.skins[0].inverse_binds[1];
    EXPECT_TRUE(bound.isApprox(Mat4::Identity(), 1e-9));
}

TEST(PlaceOrigin, WhatDoesNotFitIsSaid) {
    EXPECT_NE(refused(market(), {"place_origin", {{"props", {"tent"}}}}).find("tent"), std::string::npos);
    EXPECT_NE(refused(market(), {"place_origin", {{"at", "there"}}}).find("\"at\""), std::string::npos);
    EXPECT_NE(refused(market(), {"place_origin", {{"by", "eye"}}}).find("\"by\""), std::string::npos);
    EXPECT_NE(refused(Scene(), {"place_origin"}).find("nothing"), std::string::npos);
    EXPECT_EQ(done(market(), {"place_origin", {{"props", {"lamp", "tent"}}}}).could_not.size(), 1U);
}

TEST(JoinSurfaces, RigidOnesKeepTheirPlaceAndTheirParts) {
    Scene scene = market();
    scene.nodes[scene.find_node("lamp")].rest.scale = Vec3(-1, 1, 1); // a mirrored one is turned the right way out
    const StepResult joined = done(scene, {"merge_surfaces", {{"surfaces", {"lamp", "parcel"}}, {"name", "wares"}}});
    EXPECT_EQ(joined.scene.find_node("parcel"), -1);
    const Node& wares = joined.scene.nodes[joined.scene.find_node("wares")];
    const Mesh& mesh = joined.scene.meshes[wares.mesh];
    EXPECT_EQ(mesh.point_count(), 6U);
    EXPECT_EQ(mesh.primitives.size(), 2U);
    EXPECT_EQ(joined.scene.meshes.size(), 2U) << "what nothing shows any more is gone";
    const Drift drift = measure_drift_all(scene, joined.scene, Matching::identity, joined.moved);
    EXPECT_LE(drift.largest_mm, 1e-3);
    EXPECT_EQ(drift.points_compared, 12U) << "every point of both is held against where it was";
    EXPECT_TRUE(drift.not_compared.empty());
    EXPECT_NE(joined.account.find("2 surfaces into “wares”"), std::string::npos) << joined.account;
}

TEST(JoinSurfaces, APieceThatWentAstrayIsNoticed) {
    const Scene scene = market();
    StepResult joined = done(scene, {"merge_surfaces", {{"surfaces", {"lamp", "parcel"}}}});
    const int lamp = joined.scene.find_node("lamp");
    joined.scene.meshes[joined.scene.nodes[lamp].mesh].positions.edit()[4].x() += 0.01F;
    const Drift drift = measure_drift_all(scene, joined.scene, Matching::identity, joined.moved);
    EXPECT_NEAR(drift.largest_mm, 10, 1e-3);
    EXPECT_EQ(drift.point, 4U);
    EXPECT_EQ(drift.place, "lamp");
}

TEST(JoinSurfaces, ARigidOneBesideABoundOneIsHeldByItsJoint) {
    Scene scene = tower({"pelvis", "head"});
    const int hat = add_prop(scene, "hat", 1, {0, 0.5, 0});
    scene.nodes[hat].rest.scale = Vec3(1, 2, 1);
    add_nod(scene, "nod", 1, 0.9, false);
    const StepResult joined = done(scene, {"merge_surfaces", {{"surfaces", {"tower", "hat"}}}});
    const Drift drift = measure_drift_all(scene, joined.scene, Matching::identity, joined.moved);
    EXPECT_LE(drift.largest_mm, 1e-3);
    EXPECT_EQ(drift.points_compared, 9U);
    const Influences& rows = joined.scene.nodes[joined.scene.find_node("tower")].influences;
    EXPECT_EQ(rows.offsets.size(), 10U);
    EXPECT_EQ(rows.joints[8], 1);
    // and the file says the same
    const Scene back = read_gltf_bytes(write_glb(joined.scene, "t")->front().bytes, {}, "t").take();
    EXPECT_LE(measure_drift_all(scene, back, Matching::name, Moved()).not_compared.size(), 2U);
    EXPECT_EQ(back.meshes.size(), 1U);
    EXPECT_EQ(back.meshes[0].point_count(), 9U);
}

/// Two towers' surfaces on one skeleton, each with a skin of its own and one shape.
Scene two_coats(const char* first_shape, const char* second_shape) {
    Scene scene = tower({"pelvis", "head"});
    scene.skins.push_back(scene.skins[0]);
    std::swap(scene.skins[1].joints[0], scene.skins[1].joints[1]);
    std::swap(scene.skins[1].inverse_binds[0], scene.skins[1].inverse_binds[1]);
    scene.meshes.push_back(scene.meshes[0]);
    Node coat = scene.nodes[2];
    coat.name = "coat";
    coat.mesh = coat.skin = 1;
    coat.identity = 1001;
    scene.nodes.push_back(coat);
    for (uint16_t& joint : influences_of(scene, 1).joints.edit()) {
        joint = static_cast<uint16_t>(1 - joint);
    }
    int place = 0;
    for (const char* name : {first_shape, second_shape}) {
        MorphTarget shape;
        shape.name = name;
        shape.points = std::vector<uint32_t>{1, 4};
        shape.positions = std::vector<Vec3f>(2, Vec3f(0, 0, 0.1F));
        scene.meshes[place++].shapes.push_back(shape);
    }
    return scene;
}

Channel weight_keys(int node, std::vector<float> times, std::vector<float> values) {
    Channel channel;
    channel.node = node;
    channel.path = Path::weights;
    channel.width = 1;
    channel.times = std::move(times);
    channel.values = std::move(values);
    return channel;
}

TEST(JoinSurfaces, ShapesThatMoveInStepBecomeOne) {
    Scene scene = two_coats("puff", "puff");
    add_nod(scene, "nod", 1, 0.9, false);
    for (const int node : {2, 3}) {
        scene.clips[0].channels.push_back(weight_keys(node, {0, 1}, {0, 1}));
    }
    const StepResult joined = done(scene, {"merge_surfaces", {{"surfaces", {"*"}}}});
    const Mesh& mesh = joined.scene.meshes[0];
    ASSERT_EQ(mesh.shapes.size(), 1U);
    EXPECT_EQ(mesh.shapes[0].points.get(), (std::vector<uint32_t>{1, 4, 7, 10}));
    EXPECT_LE(measure_drift_all(scene, joined.scene, Matching::identity, joined.moved).largest_mm, 1e-3);
    EXPECT_TRUE(joined.could_not.empty());
}

TEST(JoinSurfaces, WhatAShapeDoesToColoursIsJoinedToo) {
    Scene scene = two_coats("rinse", "rinse");
    const auto colour = [&](int mesh, int width, float by) {
        Mesh& one = scene.meshes[mesh];
        const size_t vertices = one.point_count();
        one.attributes = {{"COLOR_0", width, std::vector<float>(vertices * static_cast<size_t>(width), 1.0F)}};
        one.primitives[0].attributes = {"COLOR_0"};
        one.shapes[0].attributes = {{"COLOR_0", width, std::vector<float>(2 * static_cast<size_t>(width), by)}};
    };
    colour(1, 4, -0.5F);
    const auto shape_of = [](const Scene& of) -> const MorphTarget& { return of.meshes[0].shapes[0]; };
    const StepResult one_sided = done(scene, {"merge_surfaces", {{"surfaces", {"*"}}}});
    std::vector<float> expected(8, 0.0F);
    expected.insert(expected.end(), 8, -0.5F);
    ASSERT_EQ(shape_of(one_sided.scene).attributes.size(), 1U);
    EXPECT_EQ(shape_of(one_sided.scene).attributes[0].data.get(), expected);
    colour(0, 3, 0.25F);
    const StepResult both = done(scene, {"merge_surfaces", {{"surfaces", {"*"}}}});
    std::fill_n(expected.begin(), 3, 0.25F);
    std::fill_n(expected.begin() + 4, 3, 0.25F);
    ASSERT_EQ(shape_of(both.scene).attributes.size(), 1U);
    EXPECT_EQ(shape_of(both.scene).attributes[0].data.get(), expected) << "a colour's fourth number is not changed";
    EXPECT_EQ(both.scene.meshes[0].attributes[0].width, 4);
}

TEST(JoinSurfaces, ShapesThatMoveApartKeepTheirOwnNames) {
    Scene scene = two_coats("puff", "puff");
    add_nod(scene, "nod", 1, 0.9, false);
    scene.clips[0].channels.push_back(weight_keys(2, {0, 1}, {0, 1}));
    scene.clips[0].channels.push_back(weight_keys(3, {0, 0.5F, 1}, {1, 0, 1}));
    const StepResult joined = done(scene, {"merge_surfaces", {{"surfaces", {"*"}}}});
    ASSERT_EQ(joined.scene.meshes[0].shapes.size(), 2U);
    EXPECT_EQ(joined.scene.meshes[0].shapes[1].name, "coat_puff");
    EXPECT_LE(measure_drift_all(scene, joined.scene, Matching::identity, joined.moved).largest_mm, 1e-3);
    EXPECT_EQ(joined.could_not.size(), 1U);
    int channels = 0;
    for (const Channel& channel : joined.scene.clips[0].channels) {
        channels += channel.path == Path::weights ? 1 : 0;
        EXPECT_TRUE(channel.path != Path::weights || channel.width == 2);
    }
    EXPECT_EQ(channels, 1);
}

TEST(JoinSurfaces, BoundElsewhereIsCarriedOverAndBoundApartIsRefused) {
    Scene scene = two_coats("a", "b");
    const Mat4 away = translating(Vec3(0, 5, 0));
    transform_geometry(scene.meshes[1], away);
    for (Mat4& bind : scene.skins[1].inverse_binds) {
        bind = bind * away.inverse();
    }
    const StepResult joined = done(scene, {"merge_surfaces", {{"surfaces", {"*"}}}});
    EXPECT_LE(measure_drift_all(scene, joined.scene, Matching::identity, joined.moved).largest_mm, 2e-3);
    scene.skins[1].inverse_binds[0] = scene.skins[1].inverse_binds[0] * translating(Vec3(0, 0, 1));
    EXPECT_NE(refused(scene, {"merge_surfaces", {{"surfaces", {"*"}}}}).find("another pose"), std::string::npos);
}

TEST(JoinSurfaces, WhatCannotBeOneIsRefusedWithTheReason) {
    Scene scene = market();
    EXPECT_NE(refused(scene, {"merge_surfaces", {{"surfaces", {"lamp"}}}}).find("only surface"), std::string::npos);
    EXPECT_NE(refused(scene, {"merge_surfaces", {{"surfaces", {"tent"}}}}).find("tent"), std::string::npos);
    EXPECT_NE(refused(scene, {"merge_surfaces", {{"surfaces", {"lamp", "tower"}}}}).find("hangs on no joint"),
              std::string::npos);
    EXPECT_NE(refused(scene, {"merge_surfaces", {{"surfaces", {"lamp", "parcel"}}, {"name", "head"}}}).find("taken"),
              std::string::npos);
    EXPECT_NE(refused(scene, {"merge_surfaces"}).find("surfaces"), std::string::npos);
    add_nod(scene, "sway", scene.find_node("parcel"), 0.4, false);
    EXPECT_NE(refused(scene, {"merge_surfaces", {{"surfaces", {"lamp", "parcel"}}}}).find("keep its place"),
              std::string::npos);
}

} // namespace
} // namespace wembrix::testing
