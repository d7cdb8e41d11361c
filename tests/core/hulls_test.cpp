// Collision hulls: everything is inside, nothing has dents, what is fitted is about as small as can be; and they go out
// as each destination wants them.
#include "core/delivery/ledger.h"
#include "core/destination/conform.h"
#include "core/destination/place_hulls.h"
#include "core/measure/hulls/convex_hull.h"
#include "core/measure/hulls/fitted_solids.h"
#include "core/measure/hulls/hull_facts.h"
#include "core/measure/hulls/main_axes.h"
#include "core/measure/hulls/split_by_concavity.h"
#include "core/measure/surface/rest_places.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "random_skin.h"
#include "through_a_file.h"

#include <Eigen/Geometry>
#include <Eigen/LU>
#include <cmath>
#include <gtest/gtest.h>
#include <map>
#include <random>

namespace wembrix {
namespace {

using testing::random_skin;

/// Points of a lump, longer one way than the others, turned and set somewhere.
std::vector<Vec3> lump(uint32_t seed, size_t count) {
    std::mt19937 random(seed);
    std::normal_distribution<double> normal;
    std::uniform_real_distribution<double> uniform(0.2, 3);
    const Vec3 size(uniform(random), uniform(random), uniform(random));
    const Mat3 turn = Eigen::Quaterniond(normal(random), normal(random), normal(random), normal(random))
                          .normalized()
                          .toRotationMatrix();
    const Vec3 at(normal(random) * 10, normal(random) * 10, normal(random) * 10);
    std::vector<Vec3> points;
    for (size_t i = 0; i < count; ++i) {
        const Vec3 way = Vec3(normal(random), normal(random), normal(random)).normalized();
        const double far = seed % 2 == 0 ? 1 : std::pow(uniform(random) / 3, 0.4);
        points.push_back(at + turn * (size.cwiseProduct(way) * far));
    }
    return points;
}

void expect_solid(const ConvexSolid& solid, std::span<const Vec3> points, double near) {
    for (const Vec3& point : points) {
        ASSERT_LE(solid.outside(point), near);
    }
    for (const Vec3& corner : solid.corners) { // no dents: no corner is outside of any face's plane
        ASSERT_LE(solid.outside(corner), near);
    }
    std::map<std::pair<uint32_t, uint32_t>, int> edges; // closed: each edge once each way
    for (const auto& [a, b, c] : solid.triangles) {
        ++edges[{a, b}];
        ++edges[{b, c}];
        ++edges[{c, a}];
    }
    for (const auto& [edge, count] : edges) {
        ASSERT_EQ(count, 1);
        ASSERT_TRUE(edges.contains({edge.second, edge.first}));
    }
    EXPECT_GT(solid.volume(), 0);
}

TEST(ConvexHull, HoldsAllPointsAndHasNoDents) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(16); ++seed) {
        const std::vector<Vec3> points = lump(seed, 5 + seed * 16);
        const std::optional<ConvexSolid> hull = convex_hull(points);
        ASSERT_TRUE(hull) << seed;
        expect_solid(*hull, points, 1e-9);
    }
}

TEST(ConvexHull, WithFewCornersStillHoldsAllPoints) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(12); ++seed) {
        const std::vector<Vec3> points = lump(seed, 300);
        const double exact = convex_hull(points)->volume();
        double before = 1e300;
        for (const size_t most : {8UL, 16UL, 32UL, 64UL}) {
            const std::optional<ConvexSolid> hull = convex_hull_of_few(points, most);
            ASSERT_TRUE(hull);
            EXPECT_LE(hull->corners.size(), most);
            expect_solid(*hull, points, 1e-6);
            EXPECT_GE(hull->volume(), exact * (1 - 1e-9));
            EXPECT_LE(hull->volume(), before * 1.001) << "more corners follow it more closely";
            before = hull->volume();
        }
        EXPECT_LT(before, exact * 1.25) << seed;
    }
}

TEST(ConvexHull, OfFlatThingsThereIsNone) {
    std::vector<Vec3> points;
    EXPECT_FALSE(convex_hull(points));
    for (int i = 0; i < 40; ++i) {
        points.emplace_back(i % 7, i / 7, 0);
    }
    EXPECT_FALSE(convex_hull(points)) << "a plane";
    EXPECT_FALSE(convex_hull(std::vector<Vec3>(20, Vec3(1, 2, 3)))) << "a point";
    EXPECT_FALSE(convex_hull(std::vector<Vec3>{Vec3(0, 0, 0), Vec3(1, 1, 1), Vec3(2, 2, 2), Vec3(5, 5, 5)}))
        << "a line";
}

/// The best of many tries, each along a direction drawn by chance.
double best_of_tries(Hull::Kind kind, const std::vector<Vec3>& points, int tries) {
    std::mt19937 random(99);
    std::normal_distribution<double> normal;
    double best = 1e300;
    const size_t count = points.size();
    const double* from = points[0].data();
    std::vector<double> seen(count * 3); // plain numbers: this is all that takes time here
    for (int i = 0; i < tries; ++i) {
        const Mat3 axes = Eigen::Quaterniond(normal(random), normal(random), normal(random), normal(random))
                              .normalized()
                              .toRotationMatrix();
        const double* a = axes.data();
        double low[3] = {1e300, 1e300, 1e300};
        double high[3] = {-1e300, -1e300, -1e300};
        for (size_t p = 0; p < count; ++p) {
            for (size_t k = 0; k < 3; ++k) {
                const double along =
                    a[k * 3] * from[p * 3] + a[k * 3 + 1] * from[p * 3 + 1] + a[k * 3 + 2] * from[p * 3 + 2];
                seen[p * 3 + k] = along;
                low[k] = along < low[k] ? along : low[k];
                high[k] = along > high[k] ? along : high[k];
            }
        }
        if (kind == Hull::Kind::box) {
            best = std::min(best, (high[0] - low[0]) * (high[1] - low[1]) * (high[2] - low[2]));
            continue;
        }
        // About the middle of the box: the thinnest that holds all.
        double square = 0;
        for (size_t p = 0; p < count; ++p) {
            const double x = seen[p * 3] - (low[0] + high[0]) / 2;
            const double z = seen[p * 3 + 2] - (low[2] + high[2]) / 2;
            seen[p * 3] = x * x + z * z;
            square = seen[p * 3] > square ? seen[p * 3] : square;
        }
        double first = 1e300;
        double last = -1e300;
        for (size_t p = 0; p < count; ++p) {
            const double reach = std::sqrt(square - seen[p * 3]);
            first = std::min(first, seen[p * 3 + 1] + reach);
            last = std::max(last, seen[p * 3 + 1] - reach);
        }
        best = std::min(best, M_PI * square * (std::max(0.0, last - first) + 4.0 / 3 * std::sqrt(square)));
    }
    return best;
}

TEST(FittedSolids, HoldAllPointsAndAreAsSmallAsTheBestOfTenThousandTries) {
    for (uint32_t seed = 0; seed < 3; ++seed) {
        const std::vector<Vec3> points = lump(seed, 40);
        for (const Hull::Kind kind : {Hull::Kind::box, Hull::Kind::sphere, Hull::Kind::capsule, Hull::Kind::cylinder}) {
            const FittedSolid solid = fit_solid(kind, points);
            for (const Vec3& point : points) {
                ASSERT_LE(solid.outside(point), 1e-9);
            }
            EXPECT_NEAR((solid.axes.transpose() * solid.axes - Mat3::Identity()).norm(), 0, 1e-9);
            EXPECT_GT(solid.axes.determinant(), 0);
            if (kind == Hull::Kind::box || kind == Hull::Kind::capsule) {
                EXPECT_LE(solid.volume(), best_of_tries(kind, points, 10000) * 1.05)
                    << hull_kind_name(kind) << " " << seed;
            }
        }
    }
}

TEST(FittedSolids, KnownSolidsAreFoundAgain) {
    const Mat3 turn = Eigen::AngleAxisd(0.7, Vec3(1, 2, 3).normalized()).toRotationMatrix();
    const Vec3 at(3, -2, 5);
    std::vector<Vec3> box;
    std::vector<Vec3> tube;
    std::vector<Vec3> ball;
    for (int i = 0; i < 8; ++i) {
        box.push_back(at + turn * Vec3((i & 1) != 0 ? 2 : -2, (i & 2) != 0 ? 0.5 : -0.5, (i & 4) != 0 ? 1 : -1));
    }
    for (int i = 0; i < 64; ++i) {
        const double angle = 2 * M_PI * i / 64;
        for (const double y : {-2.0, 2.0}) {
            tube.push_back(at + turn * Vec3(0.5 * std::cos(angle), y, 0.5 * std::sin(angle)));
        }
        for (int j = 0; j <= 32; ++j) {
            const double up = M_PI * j / 32;
            ball.push_back(at +
                           1.5 * Vec3(std::sin(up) * std::cos(angle), std::cos(up), std::sin(up) * std::sin(angle)));
        }
    }
    EXPECT_NEAR(fit_solid(Hull::Kind::box, box).volume(), 8, 0.01);
    EXPECT_NEAR(fit_solid(Hull::Kind::cylinder, tube).volume(), M_PI * 0.25 * 4, 0.03);
    EXPECT_NEAR(fit_solid(Hull::Kind::sphere, ball).half_size.x(), 1.5, 0.005);
}

TEST(SplitByConcavity, AHollowThingIsFollowedMoreCloselyByMorePieces) {
    // A crate without a lid: a floor and four walls, each a thin box.
    std::vector<Vec3> points;
    std::vector<std::array<uint32_t, 3>> triangles;
    const auto add_box = [&](const Vec3& low, const Vec3& high) {
        const auto first = static_cast<uint32_t>(points.size());
        for (int i = 0; i < 8; ++i) {
            points.emplace_back((i & 1) != 0 ? high.x() : low.x(), (i & 2) != 0 ? high.y() : low.y(),
                                (i & 4) != 0 ? high.z() : low.z());
        }
        for (const std::array<uint32_t, 3>& triangle : {std::array<uint32_t, 3>{0, 4, 6},
                                                        {0, 6, 2},
                                                        {1, 3, 7},
                                                        {1, 7, 5},
                                                        {0, 1, 5},
                                                        {0, 5, 4},
                                                        {2, 6, 7},
                                                        {2, 7, 3},
                                                        {0, 2, 3},
                                                        {0, 3, 1},
                                                        {4, 5, 7},
                                                        {4, 7, 6}}) {
            triangles.push_back({first + triangle[0], first + triangle[1], first + triangle[2]});
        }
    };
    add_box({0, 0, 0}, {1, 0.05, 1});
    add_box({0, 0, 0}, {0.05, 1, 1});
    add_box({0.95, 0, 0}, {1, 1, 1});
    add_box({0, 0, 0}, {1, 1, 0.05});
    add_box({0, 0, 0.95}, {1, 1, 1});
    double before = 1e300;
    for (const size_t most : {1UL, 2UL, 4UL, 8UL, 16UL}) {
        const std::vector<std::vector<Vec3>> parts = split_by_concavity(points, triangles, most);
        EXPECT_LE(parts.size(), most);
        double volume = 0;
        std::vector<ConvexSolid> hulls;
        for (const std::vector<Vec3>& part : parts) {
            const std::optional<ConvexSolid> hull = convex_hull(part);
            ASSERT_TRUE(hull);
            volume += hull->volume();
            hulls.push_back(*hull);
        }
        EXPECT_LT(volume, before + 1e-9);
        before = volume;
        for (const Vec3& point : points) {
            EXPECT_TRUE(std::any_of(hulls.begin(), hulls.end(),
                                    [&](const ConvexSolid& hull) { return hull.outside(point) <= 1e-5; }));
        }
    }
    EXPECT_LT(before, 0.45) << "the crate has 1 within, and its walls 0.23";
    std::vector<std::array<uint32_t, 3>> solid(triangles.begin(), triangles.begin() + 12);
    EXPECT_EQ(split_by_concavity(points, solid, 8).size(), 1U) << "what has no dents stays whole";
}

size_t hulls_of(const Scene& scene) {
    return static_cast<size_t>(
        std::count_if(scene.nodes.begin(), scene.nodes.end(), [](const Node& node) { return node.hull >= 0; }));
}

Scene with_hulls(const Scene& scene, const nlohmann::json& parameters) {
    const Result<StepResult> result = apply_step(scene, "make_hulls", parameters);
    EXPECT_TRUE(result.ok());
    return result ? result->scene : scene;
}

TEST(MakeHulls, ASetForEachJointHoldsWhatTheJointHolds) {
    for (uint32_t seed = 0; seed < 4; ++seed) {
        const Scene scene = random_skin(seed);
        for (const char* shape : {"convex", "box", "sphere", "capsule", "cylinder"}) {
            const Scene made =
                with_hulls(scene, {{"from", "joints"}, {"shape", shape}, {"above_weight", 0.4}, {"max_vertices", 24}});
            ASSERT_GT(hulls_of(made), 2U) << shape;
            const std::vector<Mat4> world = rest_world(made);
            const int body = surfaces_of(made)[0];
            const std::vector<Vec3f> places = rest_places(made, body);
            const Node& surface = made.nodes[static_cast<size_t>(body)];
            for (const Node& node : made.nodes) {
                if (node.hull < 0) {
                    continue;
                }
                EXPECT_EQ(node.kind, NodeKind::hull);
                ASSERT_GE(node.parent, 0);
                ASSERT_EQ(made.nodes[static_cast<size_t>(node.parent)].kind, NodeKind::joint);
                const Hull& hull = made.hulls[static_cast<size_t>(node.hull)];
                if (hull.kind == Hull::Kind::convex) {
                    EXPECT_LE(hull.points.size(), 24U);
                }
                // Every triangle that the joint holds alone above the weight is inside.
                const Mat4 inverse = world[static_cast<size_t>(node.parent)].inverse();
                std::vector<Vec3> shell;
                const HullShell flat = shell_of(hull);
                for (const Vec3f& point : flat.points) {
                    shell.push_back(point.cast<double>());
                }
                FittedSolid solid;
                solid.kind = hull.kind;
                solid.axes = hull.frame.topLeftCorner<3, 3>();
                solid.middle = hull.frame.topRightCorner<3, 1>();
                solid.half_size = hull.half_size;
                const std::optional<ConvexSolid> convex =
                    hull.kind == Hull::Kind::convex ? convex_hull(shell) : std::nullopt;
                const std::vector<int>& joints = made.skins[static_cast<size_t>(surface.skin)].joints;
                const auto holds = [&](uint32_t vertex) {
                    WeightRow row;
                    read_row(surface.influences, vertex, row);
                    for (const Weight& one : row) {
                        if (joints[one.joint] == node.parent && one.weight >= 0.4) {
                            return true;
                        }
                    }
                    return false;
                };
                const Mesh& mesh = made.meshes[static_cast<size_t>(surface.mesh)];
                for (const auto& triangle : triangles_of(mesh, mesh.primitives[0])) {
                    if (!holds(triangle[0]) || !holds(triangle[1]) || !holds(triangle[2])) {
                        continue;
                    }
                    for (const uint32_t vertex : triangle) {
                        const Vec3 at = point_of(inverse, places[vertex].cast<double>());
                        ASSERT_LE(convex ? convex->outside(at) : solid.outside(at), 1e-5) << shape << " " << seed;
                    }
                }
            }
        }
    }
}

TEST(MakeHulls, TheMeasureSaysWhatTheyAre) {
    const Scene made = with_hulls(random_skin(3), {{"from", "surfaces"}, {"shape", "box"}});
    const std::vector<HullFacts> facts = hull_facts(made);
    ASSERT_EQ(facts.size(), 1U);
    const Hull& hull = made.hulls[0];
    EXPECT_NEAR(facts[0].volume_m3, 8 * hull.half_size.prod(), 1e-9);
    EXPECT_GT(facts[0].stands_out_m, 0) << "corners of a box are away from what is round";
    EXPECT_EQ(facts[0].corners, 8U);
    Scene scaled = made;
    for (Node& node : scaled.nodes) {
        if (node.parent < 0) {
            node.rest.scale *= 2;
            node.rest.translation *= 2;
        }
    }
    EXPECT_NEAR(hull_facts(scaled)[0].volume_m3, facts[0].volume_m3 * 8, 1e-6) << "it scales with what it belongs to";
}

TEST(MakeHulls, ShellsAreClosedAndSeenFromOutside) {
    for (const Hull::Kind kind : {Hull::Kind::box, Hull::Kind::capsule, Hull::Kind::sphere, Hull::Kind::cylinder}) {
        Hull hull;
        hull.kind = kind;
        hull.half_size = kind == Hull::Kind::box ? Vec3(1, 2, 3) : Vec3(0.5, 1, 0);
        const HullShell shell = shell_of(hull);
        ConvexSolid solid;
        for (const Vec3f& point : shell.points) {
            solid.corners.push_back(point.cast<double>());
        }
        for (size_t i = 0; i < shell.indices.size(); i += 3) {
            solid.triangles.push_back({shell.indices[i], shell.indices[i + 1], shell.indices[i + 2]});
        }
        expect_solid(solid, {}, 1e-6);
        EXPECT_LE(solid.volume(), volume_of(hull) * 1.0001);
        EXPECT_GE(solid.volume(), volume_of(hull) * 0.9);
    }
}

TEST(HullsAtDelivery, GoOutAsTheDestinationSays) {
    const Scene made = with_hulls(random_skin(5), {{"from", "joints"}, {"shape", "capsule"}, {"above_weight", 0.4}});
    const size_t hulls = hulls_of(made);
    Destination destination;
    destination.hull_names = "col_{surface}_{kind}_{number}";
    const auto named = [](const Scene& scene) {
        std::vector<const Node*> nodes;
        for (const Node& node : scene.nodes) {
            if (node.name.starts_with("col_")) {
                nodes.push_back(&node);
            }
        }
        return nodes;
    };
    const Scene below = conform_model(made, destination).scene;
    ASSERT_EQ(named(below).size(), hulls);
    const std::vector<Mat4> world = rest_world(below);
    for (const Node* node : named(below)) {
        EXPECT_GE(node->mesh, 0);
        ASSERT_GE(node->parent, 0);
        EXPECT_EQ(node->name, "col_" + below.nodes[static_cast<size_t>(node->parent)].name + "_capsule_1");
    }
    EXPECT_TRUE(below.hulls.empty());
    destination.hulls = HullsAs::beside;
    const Scene beside = conform_model(made, destination).scene;
    ASSERT_EQ(named(beside).size(), hulls);
    for (const Node* node : named(beside)) {
        EXPECT_EQ(node->parent, -1);
        // The same places in the world.
        const Node& other = below.nodes[static_cast<size_t>(below.find_node(node->name))];
        const Mat4 at = world[static_cast<size_t>(below.find_node(node->name))];
        const Mesh& a = beside.meshes[static_cast<size_t>(node->mesh)];
        const Mesh& b = below.meshes[static_cast<size_t>(other.mesh)];
        for (size_t v = 0; v < a.point_count(); ++v) {
            EXPECT_LT((a.positions[v].cast<double>() - point_of(at, b.positions[v].cast<double>())).norm(), 1e-5);
        }
    }
    destination.hulls = HullsAs::node_data;
    const Scene data = conform_model(made, destination).scene;
    ASSERT_EQ(named(data).size(), hulls);
    for (const Node* node : named(data)) {
        EXPECT_LT(node->mesh, 0);
        const nlohmann::json extras = nlohmann::json::parse(node->carried.extras);
        EXPECT_EQ(extras["collision"]["kind"], "capsule");
        EXPECT_GT(extras["collision"]["radius"].get<double>(), 0);
    }
    for (const LedgerEntry& entry : destination_ledger(made, destination)) {
        EXPECT_NE(entry.what, "hull") << "it arrives";
    }
    destination.hulls = HullsAs::left_out;
    const Scene out = conform_model(made, destination).scene;
    EXPECT_TRUE(named(out).empty());
    EXPECT_EQ(surfaces_of(out).size(), 1U);
    const Ledger ledger = destination_ledger(made, destination);
    EXPECT_EQ(static_cast<size_t>(std::count_if(ledger.begin(), ledger.end(),
                                                [](const LedgerEntry& entry) { return entry.what == "hull"; })),
              hulls)
        << "and the ledger says so";
}

TEST(HullsAtDelivery, NamesFollowTheTemplateAndNeverTwice) {
    EXPECT_EQ(*hull_name("{surface}-{number}-{kind}", "lid", 3, "box"), "lid-3-box");
    EXPECT_FALSE(hull_name("{clip}", "lid", 1, "box").ok());
    EXPECT_FALSE(hull_name("", "lid", 1, "box").ok());
    Scene made = with_hulls(random_skin(5), {{"from", "joints"}, {"shape", "sphere"}, {"above_weight", 0.4}});
    Destination destination;
    destination.hull_names = "hull";
    const Scene out = conform_model(made, destination).scene;
    std::set<std::string> names;
    for (const Node& node : out.nodes) {
        EXPECT_TRUE(names.insert(node.name).second) << node.name;
    }
    EXPECT_FALSE(destination_from_json({{"name", "a"}, {"hulls", "sideways"}}, "here").ok());
    EXPECT_FALSE(destination_from_json({{"name", "a"}, {"hull_names", "{what}"}}, "here").ok());
    destination.name = "a";
    destination.hulls = HullsAs::beside;
    EXPECT_EQ(*destination_from_json(destination_to_json(destination), "here"), destination);
}

} // namespace
} // namespace wembrix
