// Motion of one body on another: itself, a twin, and bodies of other proportions.
#include "core/job/assemble.h"
#include "core/math/two_bones.h"
#include "core/measure/skeleton/joint_limits.h"
#include "core/measure/skeleton/pose.h"
#include "core/plan/guide_rows.h"
#include "core/plan/planned_skeleton.h"
#include "core/retarget/retarget_report.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "sedge.h"
#include "tansy_scene.h"

#include <cmath>
#include <gtest/gtest.h>
#include <map>
#include <random>

namespace wembrix {
namespace {

Vec3 rest_place(const Scene& scene, const std::string& joint) {
    const int node = scene.find_node(joint);
    EXPECT_GE(node, 0) << joint;
    return point_of(rest_world(scene)[static_cast<size_t>(std::max(0, node))], Vec3::Zero());
}

/// Two legs, a spine, arms and a head, of these proportions; 1.6 m tall or so before `size`.
struct BodyShape {
    double size = 1;
    double thigh = 0.42;
    double shin = 0.42;
    double hips = 0.1;
    int spine = 4;
    int neck = 2;
    double arms_down = 0; ///< degrees
    std::string prefix;
    bool other_names = false;
    double toes_out = 0; ///< radians, of the feet at rest
    int arm_twists = 0;
};
Scene body(const BodyShape& shape) {
    Plan plan = plan_called("biped").take();
    for (const char* gone : {"thumb", "finger"}) {
        plan = with_joints(plan, gone, 0);
    }
    plan = with_joints(with_joints(plan, "spine", shape.spine), "neck", shape.neck);
    plan.chains[static_cast<size_t>(plan.find("arm"))].twists = shape.arm_twists;
    if (shape.other_names) {
        for (PlanChain& chain : plan.chains) {
            chain.names.clear();
            chain.joint_name = "{side}B_" + chain.name.substr(0, 1) + "{number}";
        }
        plan.left = "Left";
        plan.right = "Right";
        plan.root_name = "mover";
        plan.bone_axis = Axis::pos_x;
    }
    std::vector<Guide> guides;
    const double leg = shape.thigh + shape.shin + 0.08;
    const auto add = [&](const char* chain, int point, Side side, const Vec3& at) {
        guides.push_back({{chain, 1, point, side}, at * shape.size, true});
    };
    add("spine", 1, Side::middle, {0, leg + 0.02, 0});
    add("spine", 2, Side::middle, {0, leg + 0.25, -0.02});
    add("neck", 1, Side::middle, {0, leg + 0.5, -0.02});
    add("head", 1, Side::middle, {0, leg + 0.6, 0});
    add("head", 2, Side::middle, {0, leg + 0.8, 0.02});
    const double down = shape.arms_down * M_PI / 180;
    const Vec3 along(std::cos(down), -std::sin(down), 0);
    const Vec3 shoulder(0.16, leg + 0.44, 0);
    add("arm", 1, Side::left, {0.03, leg + 0.44, 0});
    add("arm", 2, Side::left, shoulder);
    add("arm", 3, Side::left, shoulder + 0.28 * along + Vec3(0, 0, -0.01));
    add("arm", 4, Side::left, shoulder + 0.53 * along);
    add("arm", 5, Side::left, shoulder + 0.62 * along);
    add("leg", 1, Side::left, {shape.hips, leg, 0});
    add("leg", 2, Side::left, {shape.hips, leg - shape.thigh, 0.02});
    add("leg", 3, Side::left, {shape.hips, 0.08, 0});
    const Vec3 toe(std::sin(shape.toes_out), 0, std::cos(shape.toes_out));
    add("leg", 4, Side::left, Vec3(shape.hips, 0.02, 0) + 0.12 * toe);
    add("leg", 5, Side::left, Vec3(shape.hips, 0.01, 0) + 0.2 * toe);
    const Result<StepResult> built =
        apply_step(Scene(), "build_skeleton",
                   {{"plan", plan_to_json(plan)}, {"guides", rows_of_guides(guides)}, {"middle_x_m", 0}});
    EXPECT_TRUE(built.ok()) << built.problem().sentence();
    Scene scene = built->scene;
    for (Node& node : scene.nodes) {
        node.name = shape.prefix + node.name;
    }
    return scene;
}

/// A walk whose feet stand still: the hips go on evenly, each foot in turn stands and swings. Solved in the plane of
/// each leg, frame by frame.
Clip walk(const Scene& scene, const BodyShape& shape, int frames = 60) {
    Clip clip;
    clip.name = "walk";
    clip.rate = 30;
    clip.seconds = (frames - 1) / clip.rate;
    std::vector<float> times;
    for (int f = 0; f < frames; ++f) {
        times.push_back(static_cast<float>(f / clip.rate));
    }
    const double size = shape.size;
    const double step = 0.36 * (shape.thigh + shape.shin) * size; // from one stand to the next
    constexpr int period = 30;                                    // frames from stand to stand of one foot
    const auto key = [&](const std::string& joint, const std::function<Quat(int)>& turn) {
        const int node = scene.find_node(shape.prefix + joint);
        EXPECT_GE(node, 0) << joint;
        std::vector<float> values;
        for (int f = 0; f < frames; ++f) {
            const Quat q = turn(f).normalized();
            for (int c = 0; c < 4; ++c) {
                values.push_back(static_cast<float>(q.coeffs()[c]));
            }
        }
        clip.channels.push_back({node, Path::rotation, Interpolation::linear, 4, times, std::move(values), {}});
    };
    const std::vector<Mat4> rest = rest_world(scene);
    const auto rest_turn = [&](const std::string& joint) {
        return Quat(nearest_rotation(linear_of(rest[static_cast<size_t>(scene.find_node(shape.prefix + joint))])));
    };
    const double drop = 0.04 * size;
    const auto hip_at = [&](int f) -> double { return step * 2 * f / period; };
    const auto place_key = [&](const std::string& joint, const std::function<Vec3(int)>& moved) {
        const int node = scene.find_node(shape.prefix + joint);
        const int parent = scene.nodes[static_cast<size_t>(node)].parent;
        const Mat4 above = parent < 0 ? Mat4(Mat4::Identity()) : rest[static_cast<size_t>(parent)];
        const Mat3 back = linear_of(above).transpose();
        std::vector<float> values;
        for (int f = 0; f < frames; ++f) {
            const Vec3 at = scene.nodes[static_cast<size_t>(node)].rest.translation + back * moved(f);
            for (int c = 0; c < 3; ++c) {
                values.push_back(static_cast<float>(at[c]));
            }
        }
        clip.channels.push_back({node, Path::translation, Interpolation::linear, 3, times, std::move(values), {}});
    };
    place_key("pelvis", [&](int f) { return Vec3(0, -drop + 0.01 * size * std::sin(0.4 * f), hip_at(f)); });
    for (const std::string side : {"_l", "_r"}) {
        const Vec3 hip = rest_place(scene, shape.prefix + "thigh" + side);
        const Vec3 knee = rest_place(scene, shape.prefix + "shin" + side);
        const Vec3 foot = rest_place(scene, shape.prefix + "foot" + side);
        const double a = (knee - hip).norm();
        const double b = (foot - knee).norm();
        const auto angle = [](const Vec3& v) { return std::atan2(v.z(), -v.y()); };
        const double rest_thigh = angle(knee - hip);
        const double rest_shin = angle(foot - knee);
        const int offset = side == "_l" ? 0 : period / 2;
        // The angles of both bones that lead to the foot's place.
        const auto solve = [&](int f) {
            const int at = f + offset + period;
            const int stride = at / period;
            const double phase = static_cast<double>(at % period) / period; // stands in its first 60 %
            const double stands_at = (stride - 1) * 2 * step - 2 * step * offset / period + step * 0.6;
            double z = stands_at;
            double y = 0;
            if (phase > 0.6) {
                const double t = (phase - 0.6) / 0.4;
                z += 2 * step * t * t * (3 - 2 * t);
                y = 0.08 * size * std::sin(M_PI * t);
            }
            const Vec3 now_hip = hip + Vec3(0, -drop + 0.01 * size * std::sin(0.4 * f), hip_at(f));
            const Vec3 way(0, foot.y() + y - now_hip.y(), foot.z() + z - now_hip.z());
            const double d = std::min(way.norm(), (a + b) * 0.9995);
            const double at_hip = std::acos(std::clamp((a * a + d * d - b * b) / (2 * a * d), -1.0, 1.0));
            const double thigh = angle(way) + at_hip;
            const Vec3 bent(0, -a * std::cos(thigh), a * std::sin(thigh));
            return std::pair(thigh - rest_thigh, angle(way.normalized() * d - bent) - rest_shin);
        };
        const Quat thigh_rest = rest_turn("thigh" + side);
        const Quat shin_rest = rest_turn("shin" + side);
        const Quat foot_rest = rest_turn("foot" + side);
        const Quat pelvis = rest_turn("pelvis");
        // About -X a bone that hangs down swings forward.
        const auto about = [](double radians) { return Quat(Eigen::AngleAxisd(-radians, Vec3::UnitX())); };
        key("thigh" + side, [&](int f) { return pelvis.conjugate() * about(solve(f).first) * thigh_rest; });
        key("shin" + side, [&](int f) {
            return (about(solve(f).first) * thigh_rest).conjugate() * about(solve(f).second) * shin_rest;
        });
        key("foot" + side, [&](int f) { return (about(solve(f).second) * shin_rest).conjugate() * foot_rest; });
        const std::string arm = "upper_arm" + side;
        const Quat clavicle = rest_turn("clavicle" + side);
        const Quat arm_rest = rest_turn(arm);
        key(arm, [&](int f) {
            const double swing = 0.6 * std::sin(2 * M_PI * (f + offset) / period);
            return clavicle.conjugate() * Quat(Eigen::AngleAxisd(swing, Vec3(0.3, 1, 0.2).normalized())) * arm_rest;
        });
    }
    const Quat neck_rest = rest_turn("neck");
    const int above = scene.nodes[static_cast<size_t>(scene.find_node(shape.prefix + "neck"))].parent;
    const Quat under(nearest_rotation(linear_of(rest[static_cast<size_t>(above)])));
    key("neck", [&](int f) {
        return under.conjugate() * Quat(Eigen::AngleAxisd(0.4 * std::sin(0.2 * f), Vec3(0.2, 1, 0).normalized())) *
               neck_rest;
    });
    return clip;
}

/// The farthest that any joint of the map is from where it should be.
double apart(const Retargeter& retargeter, const Scene& source, const Clip& clip, const Scene& target, const Clip& made,
             double factor) {
    Pose was;
    Pose is;
    const Poser from(source, &clip);
    const Poser to(target, &made);
    double worst = 0;
    for (int f = 0; f < clip.frames(); ++f) {
        from.at(f / clip.rate, was);
        to.at(f / clip.rate, is);
        for (const Retargeter::Link& link : retargeter.links()) {
            const Vec3 a = point_of(was.world[static_cast<size_t>(link.source)], Vec3::Zero()) * factor;
            const Vec3 b = point_of(is.world[static_cast<size_t>(link.target)], Vec3::Zero());
            worst = std::max(worst, (a - b).norm());
        }
    }
    return worst;
}

TEST(TwoBones, ReachWhatTheyCanAndBendInTheirPlane) {
    for (uint32_t seed = 0; seed < testing::share_of_seeds(300); ++seed) {
        std::mt19937 random(seed);
        const auto place = [&] {
            return Vec3(testing::drawn(random, -1, 1), testing::drawn(random, -1, 1), testing::drawn(random, -1, 1));
        };
        const Vec3 first = place();
        const Vec3 second = place();
        const Vec3 end = place();
        const double upper = (second - first).norm();
        const double lower = (end - second).norm();
        const double straight = 0.98 * (upper + lower);
        const double far = testing::drawn(random, std::abs(upper - lower) * 1.01 + 1e-6, straight);
        const Vec3 to = first + far * place().normalized();
        const TwoBones bones = two_bones_to(first, second, end, to, Vec3::UnitX(), straight);
        const Vec3 bent = second + bones.lower * (end - second);
        const Vec3 knee = first + bones.upper * (second - first);
        const Vec3 reached = first + bones.upper * (bent - first);
        EXPECT_LT((reached - to).norm(), 1e-9) << seed;
        EXPECT_NEAR((knee - first).norm(), upper, 1e-12);
        EXPECT_NEAR((reached - knee).norm(), lower, 1e-12);
        // Too far: as long as they are, and towards it.
        const Vec3 beyond = first + 3 * (upper + lower) * place().normalized();
        const TwoBones stretched = two_bones_to(first, second, end, beyond, Vec3::UnitX(), straight);
        const Vec3 tip = first + stretched.upper * (second + stretched.lower * (end - second) - first);
        EXPECT_GT((tip - first).norm(), straight);
        EXPECT_LT((tip - first).norm(), upper + lower);
        EXPECT_LT((tip - first).normalized().cross((beyond - first).normalized()).norm(), 1e-9);
    }
    const TwoBones still = two_bones_to({0, 1, 0}, {0, 0.5, 0.1}, {0, 0, 0}, {0, 0, 0}, Vec3::UnitX(), 2);
    EXPECT_LT(still.upper.angularDistance(Quat::Identity()), 1e-9);
    EXPECT_LT(still.lower.angularDistance(Quat::Identity()), 1e-9);
}

TEST(BodyChains, AreToldFromHowASkeletonHangsWhateverItsNamesAre) {
    struct Expected {
        const char* plan;
        size_t legs, leg_joints, arms, digits;
        bool neck;
    };
    for (const Expected& expected : {Expected{"biped", 2, 3, 2, 12, true}, Expected{"quadruped", 4, 4, 0, 0, true},
                                     Expected{"bird", 2, 4, 2, 6, true}, Expected{"snake", 0, 0, 0, 0, false}}) {
        SCOPED_TRACE(expected.plan);
        const Plan plan = plan_called(expected.plan).take();
        Bounds box;
        box.add(Vec3(-0.5, 0, -0.8));
        box.add(Vec3(0.5, 1.2, 0.8));
        const Result<StepResult> built = apply_step(Scene(), "build_skeleton",
                                                    {{"plan", plan_to_json(plan)},
                                                     {"guides", rows_of_guides(guides_in(plan, {}, box, 0).all)},
                                                     {"middle_x_m", 0}});
        ASSERT_TRUE(built.ok()) << built.problem().sentence();
        Scene scene = built->scene;
        const int pelvis = scene.find_node("pelvis");
        for (size_t n = 0; n < scene.nodes.size(); ++n) {
            scene.nodes[n].name = "b" + std::to_string(n * 7 % 101); // no name says anything
        }
        const Body body = body_of(scene);
        if (expected.legs > 0) {
            EXPECT_EQ(body.pelvis, pelvis);
            EXPECT_GE(body.root, 0);
        }
        const auto count = [&](const char* role) {
            return static_cast<size_t>(std::count_if(body.chains.begin(), body.chains.end(),
                                                     [&](const BodyChain& chain) { return chain.role == role; }));
        };
        EXPECT_EQ(count("leg"), expected.legs);
        EXPECT_EQ(count("arm"), expected.arms);
        EXPECT_EQ(count("digit"), expected.digits);
        EXPECT_EQ(count("neck") > 0, expected.neck);
        for (const BodyChain& chain : body.chains) {
            if (chain.role != "leg") {
                continue;
            }
            EXPECT_EQ(chain.joints.size(), expected.leg_joints);
            const double x = point_of(rest_world(scene)[static_cast<size_t>(chain.joints.back())], Vec3::Zero()).x();
            EXPECT_EQ(chain.side, x > 0 ? Side::left : Side::right);
            EXPECT_NE(body.find("leg", chain.side == Side::left ? Side::right : Side::left, chain.order), nullptr);
        }
    }
}

TEST(Retarget, OntoItselfItIsTheSame) {
    const Scene tansy = demo::tansy_market_take();
    ASSERT_FALSE(tansy.clips.empty());
    const JointMap map = propose_map(tansy, tansy, "self");
    const Retargeter retargeter(tansy, tansy, map, {});
    EXPECT_TRUE(retargeter.missing().empty());
    EXPECT_GT(retargeter.links().size(), 45U) << "nearly all of 63 joints";
    EXPECT_NEAR(retargeter.path_factor(), 1, 1e-9);
    Clip clip = tansy.clips[0];
    clip.seconds = std::min(clip.seconds, 14.0); // the stand and the wading
    const Clip made = retargeter.run(clip);
    EXPECT_LT(apart(retargeter, tansy, clip, tansy, made, 1), 1e-5 * retargeter.source_body().height_m);
    const BodyShape shape;
    const Scene walker = body(shape);
    const Retargeter on_walker(walker, walker, propose_map(walker, walker, "self"), {});
    const Clip steps = walk(walker, shape);
    EXPECT_LT(apart(on_walker, walker, steps, walker, on_walker.run(steps), 1), 1e-5);
}

TEST(Retarget, OntoATwinOfAnotherSizeItIsTheScaledMotion) {
    const BodyShape shape;
    const Scene walker = body(shape);
    const Clip clip = walk(walker, shape);
    for (const double size : {0.4, 2.5}) {
        BodyShape other = shape;
        other.size = size;
        const Scene twin = body(other);
        const Retargeter retargeter(walker, twin, propose_map(walker, twin, "twin"), {});
        EXPECT_NEAR(retargeter.path_factor(), size, 1e-5);
        EXPECT_LT(apart(retargeter, walker, clip, twin, retargeter.run(clip), size), 2e-5 * size);
    }
}

TEST(Retarget, TheWalkOfTheTestStands) {
    // What the tests below go by: its feet stand still, and are found to.
    const BodyShape shape;
    const Scene walker = body(shape);
    const Clip clip = walk(walker, shape);
    const int foot = walker.find_node("foot_l");
    const std::vector<Contact> stands = contacts_of(walker, clip, {foot}, 1.7);
    ASSERT_GE(stands.size(), 2U);
    for (const Contact& stand : stands) {
        EXPECT_LT(stand.slide_mm, 25) << "frames " << stand.first << " to " << stand.last;
        EXPECT_GT(stand.last - stand.first, 8);
    }
}

TEST(Retarget, OnRandomBodiesFeetStandAndNoBoneChanges) {
    const uint32_t count = testing::seeds() < 60 ? 15 : 200;
    double over = 0;
    double mean = 0;
    double worst_direction = 0;
    for (uint32_t seed = 0; seed < count; ++seed) {
        SCOPED_TRACE(seed);
        std::mt19937 random(seed);
        BodyShape from;
        from.thigh = testing::drawn(random, 0.3, 0.5);
        from.shin = testing::drawn(random, 0.3, 0.5);
        from.prefix = seed % 3 == 0 ? "scene:actor:" : "";
        const Scene source = body(from);
        const Clip clip = walk(source, from);
        BodyShape to;
        to.size = std::exp(testing::drawn(random, -1, 1));
        to.thigh = testing::drawn(random, 0.2, 0.6);
        to.shin = testing::drawn(random, 0.2, 0.6);
        to.hips = testing::drawn(random, 0.06, 0.18);
        to.spine = 2 + static_cast<int>(random() % 6);
        to.neck = 1 + static_cast<int>(random() % 4);
        to.arms_down = testing::drawn(random, 0, 70);
        to.other_names = seed % 2 == 1;
        to.toes_out = testing::drawn(random, -0.2, 0.4);
        const Scene target = body(to);
        const JointMap map = propose_map(source, target, "pairs");
        const Retargeter retargeter(source, target, map, {});
        EXPECT_TRUE(retargeter.missing().empty());
        EXPECT_EQ(std::count_if(map.pairs.begin(), map.pairs.end(),
                                [](const MapPair& pair) { return pair.role == MapPair::Role::foot; }),
                  2);
        EXPECT_EQ(retargeter.links().size(), joints_of(target).size()) << "every joint has its answer";
        const Clip made = retargeter.run(clip);
        const RetargetReport report = report_on(retargeter, source, clip, target, made);
        EXPECT_LT(report.longest_change_m, 1e-6 * to.size);
        EXPECT_GE(report.stands, 4U);
        EXPECT_LT(report.over_mm, 1) << report.slide_joint << " at frame " << report.slide_frame;
        over = std::max(over, report.over_mm);
        mean += report.directions.front().mean_degrees / count;
        worst_direction = std::max(worst_direction, report.directions.front().worst_degrees);
        // Sides are not taken for each other.
        for (const Retargeter::Link& link : retargeter.links()) {
            const double a = point_of(rest_world(source)[static_cast<size_t>(link.source)], Vec3::Zero()).x();
            const double b = point_of(rest_world(target)[static_cast<size_t>(link.target)], Vec3::Zero()).x();
            EXPECT_GE(a * b, -1e-12) << target.nodes[static_cast<size_t>(link.target)].name;
        }
    }
    RecordProperty("slide_over_mm", std::to_string(over));
    RecordProperty("worst_bone_mean_degrees", std::to_string(mean));
    RecordProperty("worst_bone_degrees", std::to_string(worst_direction));
}

/// Both hands led to places in the world, frame by frame, while the pelvis sways.
Clip hands_led(const Scene& scene, int frames, const std::function<Vec3(int, bool left)>& place,
               const std::function<Vec3(int)>& sway) {
    Clip clip;
    clip.name = "hands";
    clip.rate = 30;
    clip.seconds = (frames - 1) / clip.rate;
    const std::vector<Mat4> rest = rest_world(scene);
    const auto node = [&](const std::string& name) { return scene.find_node(name); };
    const auto at = [&](int n) { return point_of(rest[static_cast<size_t>(n)], Vec3::Zero()); };
    const auto turn = [&](int n) { return Quat(nearest_rotation(linear_of(rest[static_cast<size_t>(n)]))); };
    std::vector<float> times;
    for (int f = 0; f < frames; ++f) {
        times.push_back(static_cast<float>(f / clip.rate));
    }
    std::map<int, std::vector<float>> turns;
    std::vector<float> pelvis;
    const int hips = node("pelvis");
    for (int f = 0; f < frames; ++f) {
        const int above_hips = scene.nodes[static_cast<size_t>(hips)].parent;
        const Mat3 back =
            above_hips < 0 ? Mat3(Mat3::Identity()) : Mat3(turn(above_hips).toRotationMatrix().transpose());
        const Vec3 moved = scene.nodes[static_cast<size_t>(hips)].rest.translation + back * sway(f);
        pelvis.insert(pelvis.end(),
                      {static_cast<float>(moved.x()), static_cast<float>(moved.y()), static_cast<float>(moved.z())});
        for (const bool left : {true, false}) {
            const std::string side = left ? "_l" : "_r";
            const int upper = node("upper_arm" + side);
            const int fore = node("forearm" + side);
            const int hand = node("hand" + side);
            const TwoBones bones = two_bones_to(at(upper) + sway(f), at(fore) + sway(f), at(hand) + sway(f),
                                                place(f, left), Vec3::UnitY(), 10);
            const Quat now_upper = bones.upper * turn(upper);
            const Quat now_fore = bones.upper * bones.lower * turn(fore);
            const std::pair<int, Quat> keyed[] = {
                {upper, turn(scene.nodes[static_cast<size_t>(upper)].parent).conjugate() * now_upper},
                {fore, now_upper.conjugate() * now_fore}};
            for (const auto& [joint, q] : keyed) {
                for (int c = 0; c < 4; ++c) {
                    turns[joint].push_back(static_cast<float>(q.coeffs()[c]));
                }
            }
        }
    }
    for (auto& [joint, values] : turns) {
        clip.channels.push_back({joint, Path::rotation, Interpolation::linear, 4, times, std::move(values), {}});
    }
    clip.channels.push_back({hips, Path::translation, Interpolation::linear, 3, times, std::move(pelvis), {}});
    return clip;
}

TEST(Retarget, HandsStayAtEachOtherAndWhereTheyAreStillIfAsked) {
    const BodyShape from;
    const Scene source = body(from);
    const double chest = rest_place(source, "upper_arm_l").y() - 0.05;
    const auto sway = [](int f) { return Vec3(0.06 * std::sin(0.12 * f), 0, 0.05 * std::cos(0.1 * f) - 0.05); };
    // First both together before the chest, going up and down; then the left one on a wall, the right one waving.
    const auto place = [&](int f, bool left) {
        const double side = left ? 1 : -1;
        const double t = std::clamp((f - 45) / 15.0, 0.0, 1.0);
        const Vec3 together(side * 0.02, chest + 0.12 * std::sin(0.3 * f), 0.3);
        const Vec3 apart = left ? Vec3(0.4, chest, 0.25) : Vec3(-0.35, chest + 0.2 * std::sin(0.35 * f), 0.2);
        return Vec3(together + t * t * (3 - 2 * t) * (apart - together));
    };
    const Clip clip = hands_led(source, 110, place, sway);
    int differ = 0;
    const uint32_t bodies = testing::seeds() < 60 ? 5 : 25;
    for (uint32_t seed = 0; seed < bodies; ++seed) {
        SCOPED_TRACE(seed);
        std::mt19937 random(seed);
        BodyShape to;
        to.size = std::exp(testing::drawn(random, -0.7, 0.7));
        to.thigh = testing::drawn(random, 0.35, 0.5);
        to.shin = testing::drawn(random, 0.35, 0.5);
        to.arms_down = testing::drawn(random, 0, 60);
        to.other_names = seed % 2 == 1;
        const Scene target = body(to);
        const JointMap map = propose_map(source, target, "hands");
        EXPECT_EQ(std::count_if(map.pairs.begin(), map.pairs.end(),
                                [](const MapPair& pair) { return pair.role == MapPair::Role::hand; }),
                  2);
        RetargetOptions options;
        options.keep_hands = true;
        const Retargeter retargeter(source, target, map, options);
        std::vector<HandHold> holds;
        const Clip made = retargeter.run(clip, &holds);
        const RetargetReport kept = report_on(retargeter, source, clip, target, made, holds);
        const auto any = [&](bool world, int frame) {
            return std::any_of(holds.begin(), holds.end(), [&](const HandHold& hold) {
                return (hold.on_link < 0) == world && hold.first <= frame && frame <= hold.last;
            });
        };
        EXPECT_TRUE(any(false, 25)) << "at each other";
        EXPECT_TRUE(any(true, 90)) << "on the wall";
        EXPECT_LT(kept.hand_off_mm, 1 * to.size) << kept.hand_joint << " at frame " << kept.hand_frame;
        EXPECT_LT(kept.longest_change_m, 1e-6 * to.size);
        // The same holds, where nothing keeps them: the test would see it.
        const Retargeter free(source, target, map, {});
        const RetargetReport loose = report_on(free, source, clip, target, free.run(clip), holds);
        differ += loose.hand_off_mm > 5 * to.size ? 1 : 0;
    }
    EXPECT_GT(differ, static_cast<int>(bodies / 2))
        << "bodies whose arms happen to fit their legs like the source's need no help";
}

TEST(Retarget, AHandStaysAtAPropThatHasAPathOfItsOwn) {
    const auto with_crate = [](const BodyShape& shape) {
        Scene scene = body(shape);
        Node crate;
        crate.name = "crate";
        crate.kind = NodeKind::joint;
        crate.parent = 0;
        crate.identity = 900;
        crate.rest.translation = shape.size * Vec3(0.2, 1.1, 0.3);
        scene.nodes.push_back(crate);
        return scene;
    };
    const BodyShape from;
    const Scene source = with_crate(from);
    const auto crate_at = [](int f) { return Vec3(0.2, 1.1 + 0.05 * std::sin(0.2 * f), 0.3); };
    const auto place = [&](int f, bool left) {
        return left ? Vec3(crate_at(f) + Vec3(0.02, 0.03, 0)) : Vec3(-0.4, 0.9 + 0.1 * std::sin(0.5 * f), 0.1);
    };
    Clip clip = hands_led(source, 80, place, [](int f) { return Vec3(0.05 * std::sin(0.15 * f), 0, 0); });
    std::vector<float> times;
    std::vector<float> path;
    for (int f = 0; f < 80; ++f) {
        times.push_back(static_cast<float>(f / 30.0));
        for (int c = 0; c < 3; ++c) {
            path.push_back(static_cast<float>(crate_at(f)[c]));
        }
    }
    const int crate = source.find_node("crate");
    clip.channels.push_back({crate, Path::translation, Interpolation::linear, 3, times, path, {}});
    BodyShape to;
    to.size = 0.6;
    to.arms_down = 30;
    const Scene target = with_crate(to);
    JointMap map = propose_map(source, target, "crate");
    std::erase_if(map.pairs, [](const MapPair& pair) { return pair.target == std::vector<std::string>{"crate"}; });
    map.pairs.push_back({{"crate"}, {"crate"}, MapPair::Role::prop, "hand"});
    // It comes back from its file with its roles.
    const Result<JointMap> again = map_from_json(map_to_json(map), "map");
    ASSERT_TRUE(again.ok()) << again.problem().sentence();
    EXPECT_EQ(*again, map);
    RetargetOptions options;
    options.keep_hands = true;
    const Retargeter retargeter(source, target, map, options);
    std::vector<HandHold> holds;
    const Clip made = retargeter.run(clip, &holds);
    const RetargetReport report = report_on(retargeter, source, clip, target, made, holds);
    const auto at_crate = std::find_if(holds.begin(), holds.end(), [&](const HandHold& hold) {
        return hold.on_link >= 0 && retargeter.links()[static_cast<size_t>(hold.on_link)].role == MapPair::Role::prop;
    });
    ASSERT_NE(at_crate, holds.end());
    EXPECT_GT(at_crate->last - at_crate->first, 60);
    EXPECT_LT(report.hand_off_mm, 1);
    EXPECT_LT(report.longest_change_m, 1e-6);
}

TEST(Retarget, TwistJointsTakeTheirShareOfWhatTheNextJointTwists) {
    const Scene source = body({});
    BodyShape with_twists;
    with_twists.arm_twists = 3;
    const Scene target = body(with_twists);
    ASSERT_GT(joints_of(target).size(), joints_of(source).size() + 10);
    // The hand turns about the forearm's bone by 80 degrees, and bends by 30.
    Clip clip;
    clip.name = "turns";
    clip.rate = 30;
    clip.seconds = 1;
    const int hand = source.find_node("hand_l");
    const Node& node = source.nodes[static_cast<size_t>(hand)];
    const Vec3 bone = node.rest.translation.normalized();
    const Quat twist(Eigen::AngleAxisd(80 * M_PI / 180, bone));
    const Quat bend(Eigen::AngleAxisd(30 * M_PI / 180, bone.unitOrthogonal()));
    const Quat at_end = bend * twist * node.rest.rotation;
    std::vector<float> values;
    for (const Quat& q : {node.rest.rotation, at_end}) {
        for (int c = 0; c < 4; ++c) {
            values.push_back(static_cast<float>(q.coeffs()[c]));
        }
    }
    clip.channels.push_back(
        {hand, Path::rotation, Interpolation::linear, 4, std::vector<float>{0, 1}, std::move(values), {}});
    const Retargeter retargeter(source, target, propose_map(source, target, "twists"), {});
    const Clip made = retargeter.run(clip);
    Pose pose;
    Poser(target, &made).at(1, pose);
    size_t seen = 0;
    for (size_t n = 0; n < target.nodes.size(); ++n) {
        const Node& one = target.nodes[n];
        if (!is_twist_name(one.name)) {
            continue;
        }
        const double turned = one.rest.rotation.angularDistance(pose.local[n].rotation) * 180 / M_PI;
        const std::string& above = target.nodes[static_cast<size_t>(one.parent)].name;
        if (above != "forearm_l") {
            EXPECT_LT(turned, 1e-3) << one.name << ": nothing twists there";
            continue;
        }
        ++seen;
        const Vec3 whole = target.nodes[static_cast<size_t>(target.find_node("hand_l"))].rest.translation;
        const double share = one.rest.translation.norm() / whole.norm();
        EXPECT_NEAR(turned, 80 * share, 0.01) << one.name;
    }
    EXPECT_EQ(seen, 3U);
}

TEST(Retarget, ASlopeOfTheTakesGroundIsMeasuredAndKept) {
    const BodyShape shape;
    const Scene walker = body(shape);
    Clip level = walk(walker, shape, 90);
    BodyShape to;
    to.size = 0.5;
    const Scene small = body(to);
    const Retargeter retargeter(walker, small, propose_map(walker, small, "walk"), {});
    const RetargetReport flat = report_on(retargeter, walker, level, small, retargeter.run(level));
    EXPECT_LT(flat.ground_rise_mm, 8);
    // The whole rises slowly by 20 mm: what it stands on is higher each time.
    Clip raised = level;
    raised.channels.push_back({0,
                               Path::translation,
                               Interpolation::linear,
                               3,
                               std::vector<float>{0, static_cast<float>(level.seconds)},
                               std::vector<float>{0, 0, 0, 0, 0.02F, 0},
                               {}});
    const Clip made = retargeter.run(raised);
    const RetargetReport report = report_on(retargeter, walker, raised, small, made);
    EXPECT_GT(report.ground_rise_mm, 5 + flat.ground_rise_mm / 2);
    EXPECT_LT(report.over_mm, 1);
}

TEST(JointLimits, OfAPlanComeByNameAndMirroredAndAreMeasured) {
    const Plan plan = plan_called("biped").take();
    const JointLimits limits = limits_of_plan(plan);
    ASSERT_EQ(limits.count("shin_l"), 1U);
    ASSERT_EQ(limits.count("forearm_r"), 1U);
    EXPECT_EQ(limits.at("shin_l").degrees[0], limits.at("shin_r").degrees[0]) << "about the third axis both bend alike";
    EXPECT_EQ(limits.at("forearm_l").degrees[2]->first, -limits.at("forearm_r").degrees[2]->second);
    const Result<JointLimits> again = joint_limits_from_json(joint_limits_to_json(limits), "limits");
    ASSERT_TRUE(again.ok());
    EXPECT_EQ(*again, limits);
    const Result<Plan> back = plan_from_json(plan_to_json(plan), "plan");
    ASSERT_TRUE(back.ok());
    EXPECT_EQ(*back, plan);
    for (const char* wrong : {"[]", R"({"shin_l": {"w": [0, 1]}})", R"({"shin_l": {"x": [5, 1]}})",
                              R"({"shin_l": {"x": [0]}})", R"({"shin_l": 3})", R"({"shin_l": {"x": [-900, 1]}})"}) {
        EXPECT_FALSE(joint_limits_from_json(nlohmann::json::parse(wrong), "limits").ok()) << wrong;
    }
    // The knee of the walk bends backwards: within its limits; the other way it is beyond them by what is said.
    const BodyShape shape;
    const Scene walker = body(shape);
    EXPECT_EQ(beyond_limits(walker, walk(walker, shape), limits).joints, 0U);
    Clip wrong;
    wrong.rate = 30;
    wrong.seconds = 1;
    const int shin = walker.find_node("shin_r");
    const Quat& rest = walker.nodes[static_cast<size_t>(shin)].rest.rotation;
    std::vector<float> values;
    for (const double degrees : {0.0, 65.0}) {
        const Quat q = rest * Quat(Eigen::AngleAxisd(degrees * M_PI / 180, Vec3::UnitX()));
        for (int c = 0; c < 4; ++c) {
            values.push_back(static_cast<float>(q.coeffs()[c]));
        }
    }
    wrong.channels.push_back(
        {shin, Path::rotation, Interpolation::linear, 4, std::vector<float>{0, 1}, std::move(values), {}});
    const BeyondLimits beyond = beyond_limits(walker, wrong, limits);
    EXPECT_EQ(beyond.joints, 1U);
    EXPECT_EQ(beyond.joint, "shin_r");
    EXPECT_EQ(beyond.frame, 30);
    EXPECT_NEAR(beyond.degrees, 65 - limits.at("shin_r").degrees[0]->second, 0.01);
}

TEST(Retarget, LimitsOfAJointThatIsNotHereAreSaidToHoldNothing) {
    const BodyShape shape;
    NamedScene source{"walk.glb", body(shape)};
    source.scene.clips = {walk(source.scene, shape)};
    BodyShape other;
    other.size = 0.8;
    other.other_names = true;
    const std::vector<NamedScene> sources = {{"body.glb", body(other)}, source};
    const Scene target = assemble(sources);
    ASSERT_EQ(target.fits.back().role, SourceRole::take) << "motion of another body";
    const auto put_on = [&](const char* joint) {
        const nlohmann::json limits = {{joint, {{"x", {-160, 15}}}}};
        return apply_step(StepContext{target, {}, {}, sources},
                          Step{"retarget", {{"sources", {"walk.glb"}}, {"limits", limits}}})
            .take();
    };
    const StepResult known = put_on("LeftB_l2");
    EXPECT_TRUE(known.could_not.empty());
    EXPECT_NE(known.account.find("limits"), std::string::npos) << known.account;
    const StepResult unknown = put_on("fin_l");
    ASSERT_EQ(unknown.could_not.size(), 1U);
    EXPECT_NE(unknown.could_not[0].find("fin_l"), std::string::npos) << unknown.could_not[0];
    EXPECT_EQ(unknown.account.find("limits"), std::string::npos) << "and nothing is claimed of them";
    ASSERT_EQ(unknown.scene.clips.size(), 1U) << "the motion is there";
}

TEST(Retarget, ThereAndBackItIsNearWhatItWas) {
    const BodyShape shape;
    const Scene walker = body(shape);
    const Clip clip = walk(walker, shape);
    BodyShape other;
    other.size = 0.7;
    other.thigh = 0.36;
    other.shin = 0.46;
    other.arms_down = 45;
    other.other_names = true;
    const Scene stout = body(other);
    const Retargeter there(walker, stout, propose_map(walker, stout, "there"), {});
    const Clip on_other = there.run(clip);
    const Retargeter back(stout, walker, propose_map(stout, walker, "back"), {});
    const Clip again = back.run(on_other);
    // Bones point where they did: the legs within 3 degrees in the mean, all others within 0.1.
    Pose was;
    Pose is;
    const Poser first(walker, &clip);
    const Poser second(walker, &again);
    std::map<std::string, double> mean;
    for (int f = 0; f < clip.frames(); ++f) {
        first.at(f / clip.rate, was);
        second.at(f / clip.rate, is);
        for (const int joint : joints_of(walker)) {
            const int parent = walker.nodes[static_cast<size_t>(joint)].parent;
            if (parent <= 0) {
                continue;
            }
            const auto bone = [&](const Pose& pose) {
                return Vec3((pose.world[static_cast<size_t>(joint)] - pose.world[static_cast<size_t>(parent)])
                                .topRightCorner<3, 1>());
            };
            const Vec3 a = bone(was);
            const Vec3 b = bone(is);
            mean[walker.nodes[static_cast<size_t>(parent)].name] +=
                std::atan2(a.cross(b).norm(), a.dot(b)) * 180 / M_PI / clip.frames();
        }
    }
    for (const auto& [bone, degrees] : mean) {
        const bool is_leg = bone.rfind("thigh", 0) == 0 || bone.rfind("shin", 0) == 0;
        EXPECT_LT(degrees, is_leg ? 3 : 0.1) << bone;
    }
}

TEST(Retarget, TansysTakeOnSedge) {
    const Scene take = demo::tansy_market_take();
    const Result<StepResult> built = apply_step(demo::sedge_surface(), "build_skeleton",
                                                {{"plan", plan_to_json(plan_called("bird").take())},
                                                 {"guides", rows_of_guides(demo::sedge_guides())},
                                                 {"middle_x_m", 0}});
    ASSERT_TRUE(built.ok());
    const Scene& sedge = built->scene;
    const JointMap map = propose_map(take, sedge, "tansy");
    for (const char* joint : {"pelvis", "spine_4", "neck_1", "head", "wing_1_l", "wing_4_r", "leg_1_l", "leg_2_l",
                              "leg_4_l", "leg_4_r", "toe_1_1_l", "toe_3_2_r", "tail_1"}) {
        EXPECT_NE(map.of_target(joint), nullptr) << joint;
    }
    EXPECT_EQ(map.of_target("leg_2_l")->source, std::vector<std::string>{"market:tansy_rig:LeftLeg_Shank"});
    EXPECT_EQ(map.of_target("leg_4_r")->role, MapPair::Role::foot);
    EXPECT_EQ(map.of_target("toe_2_1_l")->source, std::vector<std::string>{"market:tansy_rig:LeftToe_Middle_1"});
    EXPECT_EQ(map.of_target("wing_2_l")->how, "spread");
    const Result<JointMap> again = map_from_json(map_to_json(map), "again");
    ASSERT_TRUE(again.ok());
    EXPECT_EQ(*again, map);
    const Retargeter retargeter(take, sedge, map, {});
    Clip clip = take.clips[0];
    const bool is_watched = testing::seeds() < 60; // by the sanitizers: the stand and half of the wading are enough
    clip.seconds = is_watched ? 10 : clip.seconds;
    const Clip made = retargeter.run(clip);
    const RetargetReport report = report_on(retargeter, take, clip, sedge, made);
    EXPECT_LT(report.longest_change_m, 1e-6);
    EXPECT_GE(report.stands, is_watched ? 4U : 8U);
    EXPECT_LT(report.over_mm, 1) << report.slide_joint << " at " << report.slide_frame;
    EXPECT_LT(report.below_ground_mm, 2) << report.below_frame;
    EXPECT_LT(report.directions.front().worst_degrees, 25);
}

} // namespace
} // namespace wembrix
