// Plans, guides and the skeleton that they make.
#include "core/measure/skeleton/contract.h"
#include "core/measure/surface/body_volume.h"
#include "core/plan/guide_rows.h"
#include "core/plan/planned_skeleton.h"
#include "core/plan/suggest_guides.h"
#include "core/steps/step_kind.h"
#include "random_rig.h"
#include "sedge.h"
#include "stall_lid.h"
#include "tubes.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>
#include <set>

namespace wembrix {
namespace {

using nlohmann::json;

Plan shipped(const std::string& name) {
    return plan_called(name).take();
}

/// A body whose guides are known: a shipped plan with other numbers of joints, its guides thrown about.
struct Creature {
    Plan plan;
    std::vector<Guide> placed; ///< of the middle and the left
    double middle_x = 0;
};
Creature random_creature(uint32_t seed) {
    std::mt19937 random(seed);
    Creature creature;
    const std::vector<Plan>& plans = shipped_plans();
    creature.plan = plans[seed % plans.size()];
    for (int i = 0; i < 4; ++i) {
        const std::vector<PlanChain>& chains = creature.plan.chains;
        const std::string chain = chains[random() % chains.size()].name;
        creature.plan = with_joints(creature.plan, chain, static_cast<int>(1 + random() % 8));
    }
    for (PlanChain& chain : creature.plan.chains) {
        chain.twists = random() % 4 == 0 ? static_cast<int>(1 + random() % 2) : 0;
        chain.tip = random() % 5 == 0 && chain.to.empty();
    }
    creature.plan.bone_axis = random() % 2 == 0 ? Axis::pos_y : Axis::neg_x;
    creature.plan.rest = random() % 5 == 0 ? Plan::Rest::zero : Plan::Rest::aligned;
    creature.middle_x = testing::drawn(random, -0.5, 0.5);
    const double size = std::exp(testing::drawn(random, -2, 2));
    for (const PlanChain& chain : creature.plan.chains) {
        for (int copy = 1; copy <= chain.copies; ++copy) {
            const Vec3 step = size * Vec3(testing::drawn(random, -0.1, 0.1), testing::drawn(random, 0.05, 0.2),
                                          testing::drawn(random, -0.1, 0.1));
            Vec3 at = size * Vec3(testing::drawn(random, 0.1, 1), testing::drawn(random, 0.5, 2),
                                  testing::drawn(random, -1, 1));
            for (int point = 1; point <= static_cast<int>(chain.points()); ++point) {
                // What is spread stands on a straight line, evenly: then its joints are known without the curve.
                at += chain.spread_joints > 0
                          ? step
                          : Vec3(size * Vec3(testing::drawn(random, -0.1, 0.1), testing::drawn(random, 0.02, 0.2),
                                             testing::drawn(random, -0.1, 0.1)));
                Guide guide = {{chain.name, copy, point, chain.both_sides ? Side::left : Side::middle},
                               creature.middle_x * Vec3::UnitX() + at,
                               true};
                if (!chain.both_sides) {
                    guide.at.x() = creature.middle_x;
                }
                creature.placed.push_back(guide);
            }
        }
    }
    return creature;
}

Result<StepResult> built(const Creature& creature) {
    Step step{"build_skeleton",
              {{"plan", plan_to_json(creature.plan)},
               {"guides", rows_of_guides(creature.placed)},
               {"middle_x_m", creature.middle_x}}};
    return apply_step(Scene(), step);
}

Vec3 place_in(const Scene& scene, const std::string& name) {
    const int node = scene.find_node(name);
    EXPECT_GE(node, 0) << name;
    return node < 0 ? Vec3(Vec3::Zero()) : point_of(rest_world(scene)[static_cast<size_t>(node)], Vec3::Zero());
}

TEST(Plans, ShippedOnesAreWholeAndComeBackFromTheirFile) {
    const std::set<std::string> wanted = {"biped", "quadruped", "bird", "snake", "hand", "chain", "lid"};
    std::set<std::string> names;
    for (const Plan& plan : shipped_plans()) {
        names.insert(plan.name);
        const Result<Plan> again = plan_from_json(plan_to_json(plan), "again");
        ASSERT_TRUE(again.ok()) << again.problem().sentence();
        EXPECT_EQ(*again, plan) << plan.name;
        const Contract contract = contract_of_plan(plan);
        EXPECT_EQ(contract.joints.size(), joint_count(plan)) << plan.name;
        EXPECT_TRUE(contract.names_only);
        // In every shipped plan a guide stands within the box of its body.
        for (const PlanChain& chain : plan.chains) {
            for (const std::vector<Vec3>& points : chain.guides) {
                for (const Vec3& point : points) {
                    EXPECT_LE(point.cwiseAbs().maxCoeff(), 1.0001) << plan.name << " " << chain.name;
                    EXPECT_GE(point.y(), 0) << plan.name << " " << chain.name;
                }
            }
        }
    }
    EXPECT_EQ(names, wanted);
}

TEST(Plans, WhatIsWrongIsSaidInOneSentence) {
    const json good = plan_to_json(shipped("bird"));
    const auto refused = [&](const std::function<void(json&)>& spoil) {
        json bad = good;
        spoil(bad);
        const Result<Plan> plan = plan_from_json(bad, "plan");
        return plan ? std::string() : plan.problem().sentence();
    };
    EXPECT_EQ(refused([](json&) {}), "");
    EXPECT_NE(refused([](json& p) { p["format"] = "other"; }), "");
    EXPECT_NE(refused([](json& p) { p["chains"] = json::array(); }), "");
    EXPECT_NE(refused([](json& p) { p["chains"][1]["from"] = "tail"; }), "") << "hangs on one that comes later";
    EXPECT_NE(refused([](json& p) { p["chains"][1]["chain"] = "spine"; }), "") << "twice";
    EXPECT_NE(refused([](json& p) { p["chains"][3]["from_joint"] = 99; }), "");
    EXPECT_NE(refused([](json& p) { p["chains"][0]["to"] = "leg"; }), "") << "from the middle to both sides";
    EXPECT_NE(refused([](json& p) { p["chains"][0]["guides"] = "x"; }), "");
    EXPECT_NE(refused([](json& p) { p["chains"][2]["guides"] = json::array({{0, 0, 0}}); }), "") << "no end";
    EXPECT_NE(refused([](json& p) { p["chains"][0]["colour"] = 1; }), "");
    EXPECT_NE(refused([](json& p) { p["left"] = p["right"]; }), "");
    EXPECT_NE(refused([](json& p) { p["up_axis"] = "-Y"; }), "");
    EXPECT_NE(refused([](json& p) { p["version"] = 99; }), "");
    EXPECT_NE(refused([](json& p) { p["root"] = "none", p["chains"][1]["from"] = ""; }), "") << "two roots";
}

TEST(Plans, WhatHasADefaultNeedNotBeThere) {
    const Result<Plan> plan = plan_from_json({{"format", "wembrix plan"},
                                              {"version", 2},
                                              {"name", "stick"},
                                              {"chains", {{{"chain", "stick"}, {"guides", {{0, 0, 0}, {0, 1, 0}}}}}}},
                                             "stick");
    ASSERT_TRUE(plan.ok()) << plan.problem().sentence();
    EXPECT_EQ(plan->root_name, "root");
    EXPECT_EQ(plan->left, "_l");
    EXPECT_EQ(plan->right, "_r");
    EXPECT_FALSE(plan_from_json({{"format", "wembrix plan"}, {"version", 2}, {"chains", json::array()}}, "x").ok())
        << "a name is needed";
}

TEST(Plans, TheNumberOfJointsOfAChainIsChanged) {
    const Plan bird = shipped("bird");
    for (const PlanChain& chain : bird.chains) {
        for (const int joints : {1, 2, 7}) {
            const Plan changed = with_joints(bird, chain.name, joints);
            const Result<Plan> read = plan_from_json(plan_to_json(changed), "changed");
            ASSERT_TRUE(read.ok()) << chain.name << joints << read.problem().sentence();
            EXPECT_EQ(changed.chains[static_cast<size_t>(changed.find(chain.name))].joints(), joints);
            EXPECT_EQ(contract_of_plan(changed).joints.size(), joint_count(changed)) << chain.name;
        }
    }
    // One more joint in a leg leaves the others where they are.
    const Plan longer = with_joints(bird, "leg", 5);
    const std::vector<Vec3>& before = bird.chains[static_cast<size_t>(bird.find("leg"))].guides[0];
    const std::vector<Vec3>& after = longer.chains[static_cast<size_t>(longer.find("leg"))].guides[0];
    for (const Vec3& point : before) {
        EXPECT_NE(std::find(after.begin(), after.end(), point), after.end());
    }
    const Plan legless = with_joints(bird, "leg", 0);
    EXPECT_LT(legless.find("leg"), 0);
    EXPECT_LT(legless.find("toe"), 0) << "what hung on it is gone, too";
    const Plan headless = with_joints(bird, "head", 0);
    EXPECT_TRUE(plan_from_json(plan_to_json(headless), "headless").ok()) << "the neck ends at a guide of its own";
}

TEST(BuildSkeleton, RandomCreaturesGetTheJointsThatTheirGuidesSay) {
    const uint32_t count = testing::seeds() < 60 ? 20 : 200;
    for (uint32_t seed = 0; seed < count; ++seed) {
        SCOPED_TRACE(seed);
        const Creature creature = random_creature(seed);
        const Result<StepResult> result = built(creature);
        ASSERT_TRUE(result.ok()) << result.problem().sentence();
        const Scene& scene = result->scene;
        EXPECT_TRUE(result->could_not.empty()) << result->could_not.front();
        EXPECT_EQ(root_joints(scene).size(), 1U) << "one hierarchy";
        EXPECT_EQ(joints_of(scene).size(), joint_count(creature.plan));
        EXPECT_TRUE(compare_with_contract(scene, contract_of_plan(creature.plan)).empty());
        const std::vector<Mat4> world = rest_world(scene);
        for (const Node& node : scene.nodes) {
            EXPECT_EQ(node.rest.scale, Vec3(Vec3::Ones())) << node.name;
        }
        for (const Guide& guide : creature.placed) {
            const PlanChain& chain = creature.plan.chains[static_cast<size_t>(creature.plan.find(guide.id.chain))];
            const int number = guide.id.point;
            if (chain.spread_joints > 0 || number > chain.joints()) {
                continue;
            }
            std::string name = static_cast<size_t>(number) <= chain.names.size()
                                   ? chain.names[static_cast<size_t>(number) - 1]
                                   : chain.joint_name;
            const auto put = [&](const std::string& token, const std::string& by) {
                for (size_t at = name.find(token); at != std::string::npos; at = name.find(token)) {
                    name.replace(at, token.size(), by);
                }
            };
            put("{chain}", chain.name);
            put("{copy}", std::to_string(guide.id.copy));
            put("{number}", std::to_string(number));
            std::string right = name;
            if (chain.both_sides) {
                right.replace(right.find("{side}"), 6, creature.plan.right);
            }
            put("{side}", chain.both_sides ? creature.plan.left : "");
            const Vec3 at = place_in(scene, name);
            EXPECT_LT((at - guide.at).norm(), 2e-6) << name << ": rows hold thousandths of a millimetre";
            if (chain.both_sides) {
                const Vec3 image = {2 * creature.middle_x - at.x(), at.y(), at.z()};
                EXPECT_LT((place_in(scene, right) - image).norm(), 1e-6) << right;
            }
        }
        // The bone axis points along the bone; where rest rotations are zero, they are.
        const Guides guides = guides_in(creature.plan, creature.placed, Bounds(), creature.middle_x);
        const Result<std::vector<PlannedJoint>> joints = planned_skeleton(creature.plan, guides, 0);
        ASSERT_TRUE(joints.ok());
        for (size_t i = 0; i < joints->size(); ++i) {
            const PlannedJoint& joint = (*joints)[i];
            const int node = scene.find_node(joint.name);
            const Mat3 turned = linear_of(world[static_cast<size_t>(node)]);
            if (creature.plan.rest == Plan::Rest::zero || joint.chain < 0) {
                EXPECT_TRUE(turned.isIdentity(1e-9)) << joint.name;
                continue;
            }
            const int parent = scene.nodes[static_cast<size_t>(node)].parent;
            if (parent >= 0 && joint.number > 1 && !joint.is_twist) {
                const Vec3 bone = (world[static_cast<size_t>(node)] - world[static_cast<size_t>(parent)])
                                      .topRightCorner<3, 1>()
                                      .normalized();
                const Vec3 axis = linear_of(world[static_cast<size_t>(parent)]) * direction(creature.plan.bone_axis);
                EXPECT_GT(axis.dot(bone), 1 - 1e-9) << joint.name;
            }
        }
    }
}

TEST(BuildSkeleton, SpreadJointsStandEvenlyAlongTheirCurve) {
    // Straight: even to the last digit. Bent: as far from each other along the curve, within 1 %.
    const std::vector<Vec3> straight = spread_along({Vec3(0, 0, 0), Vec3(0, 1, 0), Vec3(0, 4, 0)}, 8);
    for (size_t i = 0; i < straight.size(); ++i) {
        EXPECT_NEAR(straight[i].y(), 0.5 * static_cast<double>(i), 1e-3);
    }
    std::vector<Vec3> through;
    for (int i = 0; i <= 6; ++i) {
        through.emplace_back(std::cos(0.3 * i), std::sin(0.3 * i), 0);
    }
    const std::vector<Vec3> bent = spread_along(through, 12);
    for (size_t i = 1; i < bent.size(); ++i) {
        EXPECT_NEAR((bent[i] - bent[i - 1]).norm(), 1.8 / 12, 0.0015);
        EXPECT_NEAR(bent[i].norm(), 1, 0.005) << "on the arc that the guides stand on";
    }
}

TEST(BuildSkeleton, BothSidesBendAlikeAboutTheThirdAxis) {
    const Creature creature = [] {
        Creature biped;
        biped.plan = shipped("biped");
        return biped;
    }();
    Bounds box;
    box.add(Vec3(-1, 0, -0.2));
    box.add(Vec3(1, 1.8, 0.2));
    const Guides guides = guides_in(creature.plan, {}, box, 0);
    const std::vector<PlannedJoint> joints = planned_skeleton(creature.plan, guides, 0).take();
    size_t pairs = 0;
    for (const PlannedJoint& left : joints) {
        for (const PlannedJoint& right : joints) {
            if (left.side != Side::left || right.side != Side::right || left.chain != right.chain ||
                left.copy != right.copy || left.number != right.number) {
                continue;
            }
            ++pairs;
            const Vec3 flip(-1, 1, 1);
            const Vec3 third = direction(creature.plan.bone_axis).cross(direction(creature.plan.up_axis));
            for (const double angle : {0.4, -0.7}) {
                const Mat3 bend = Eigen::AngleAxisd(angle, third).toRotationMatrix();
                const Vec3 at_left = left.rotation * bend * direction(creature.plan.bone_axis);
                const Vec3 at_right = right.rotation * bend * direction(creature.plan.bone_axis);
                EXPECT_LT((at_left.cwiseProduct(flip) - at_right).norm(), 1e-9) << left.name;
            }
        }
    }
    EXPECT_GE(pairs, 20U);
}

TEST(BuildSkeleton, ASceneWithASkeletonIsLeftAlone) {
    Scene scene;
    Node joint;
    joint.name = "hips";
    joint.kind = NodeKind::joint;
    scene.nodes.push_back(joint);
    const Result<StepResult> result =
        apply_step(scene, "build_skeleton", {{"plan", plan_to_json(shipped("chain"))}, {"guides", json::array()}});
    ASSERT_FALSE(result.ok());
    EXPECT_NE(result.problem().sentence().find("skeleton"), std::string::npos);
}

TEST(BuildSkeleton, GuidesThatThePlanDoesNotHaveAndJointsOutsideAreSaid) {
    const Scene tube = testing::tube_scene({{Vec3(0, 0, 0), Vec3(0, 1, 0)}}, 0.1, 24);
    json guides = rows_of_guides({{{"chain", 1, 1, Side::middle}, Vec3(0, 0.1, 0), true},
                                  {{"chain", 1, 2, Side::middle}, Vec3(3, 0.9, 0), true},
                                  {{"horn", 1, 1, Side::middle}, Vec3(0, 0.9, 0), true}});
    const Result<StepResult> result =
        apply_step(tube, "build_skeleton", {{"plan", plan_to_json(shipped("chain"))}, {"guides", guides}});
    ASSERT_TRUE(result.ok()) << result.problem().sentence();
    ASSERT_EQ(result->could_not.size(), 2U);
    EXPECT_NE(result->could_not[0].find("horn"), std::string::npos);
    EXPECT_NE(result->could_not[1].find("4 joints stand outside"), std::string::npos) << result->could_not[1];
}

TEST(BuildSkeleton, APlanTakenOffASkeletonMakesItAgain) {
    const uint32_t count = testing::seeds() < 60 ? 10 : 60;
    for (uint32_t seed = 0; seed < count; ++seed) {
        SCOPED_TRACE(seed);
        Creature creature = random_creature(seed);
        for (PlanChain& chain : creature.plan.chains) {
            chain.twists = 0; // a twist is a branch of its own there
        }
        const Result<StepResult> first = built(creature);
        ASSERT_TRUE(first.ok()) << first.problem().sentence();
        const Result<Plan> taken = plan_of_skeleton(first->scene, "taken");
        if (joints_of(first->scene).size() == 1) {
            EXPECT_FALSE(taken.ok()) << "one joint without a surface has no size";
            continue;
        }
        ASSERT_TRUE(taken.ok()) << taken.problem().sentence();
        ASSERT_TRUE(plan_from_json(plan_to_json(*taken), "taken").ok())
            << plan_from_json(plan_to_json(*taken), "taken").problem().sentence();
        const Guides guides = guides_in(*taken, {}, character_bounds(first->scene), find_sides(first->scene).middle);
        const Result<std::vector<PlannedJoint>> again =
            planned_skeleton(*taken, guides, character_bounds(first->scene).low.y());
        ASSERT_TRUE(again.ok()) << again.problem().sentence();
        ASSERT_EQ(again->size(), joints_of(first->scene).size());
        for (const PlannedJoint& joint : *again) {
            EXPECT_LT((place_in(first->scene, joint.name) - joint.at).norm(), 1e-5) << joint.name;
            const int node = first->scene.find_node(joint.name);
            const int above = joint_above(first->scene, node);
            EXPECT_EQ(above < 0 ? "" : first->scene.nodes[static_cast<size_t>(above)].name,
                      joint.parent < 0 ? "" : (*again)[static_cast<size_t>(joint.parent)].name);
        }
    }
}

TEST(MiddleOfALimb, OfCapsulesAndBentTubesWithinTwoPercentOfTheThickness) {
    const uint32_t count = testing::seeds() < 60 ? 6 : 40;
    for (uint32_t seed = 0; seed < count; ++seed) {
        SCOPED_TRACE(seed);
        std::mt19937 random(seed);
        const double radius = testing::drawn(random, 0.02, 0.2);
        const double bend = seed % 3 == 0 ? 0 : testing::drawn(random, 0.2, 2.0); // radians over the whole length
        const double length = radius * testing::drawn(random, 6, 14);
        std::vector<Vec3> line;
        constexpr int rings = 60;
        const Quat turned = Quat(
            Eigen::AngleAxisd(testing::drawn(random, 0, 3), Vec3(testing::drawn(random, -1, 1), 1, 0.3).normalized()));
        const auto on_line = [&](double s) -> Vec3 {
            const double angle = bend * s;
            const double r = bend > 0 ? length / bend : 0;
            return turned *
                   (bend > 0 ? Vec3(r * (1 - std::cos(angle)), r * std::sin(angle), 0) : Vec3(0, length * s, 0));
        };
        for (int i = 0; i <= rings; ++i) {
            line.push_back(on_line(static_cast<double>(i) / rings));
        }
        const Scene scene = testing::tube_scene({line}, radius, 32);
        const BodyVolume body(scene);
        for (int i = 0; i < 6; ++i) {
            const double s = testing::drawn(random, 0.25, 0.75);
            const Vec3 tangent = (on_line(s + 1e-4) - on_line(s - 1e-4)).normalized();
            const Vec3 aside =
                Quat(Eigen::AngleAxisd(testing::drawn(random, 0, 6.3), tangent)) * tangent.unitOrthogonal();
            // From inside, and from a finger's breadth outside.
            const double off = i % 3 == 2 ? testing::drawn(random, 1.02, 1.2) : testing::drawn(random, 0, 0.9);
            const std::optional<LimbMiddle> middle = body.middle_near(on_line(s) + off * radius * aside);
            ASSERT_TRUE(middle.has_value());
            double nearest = 1e9;
            for (int k = 0; k <= 2000; ++k) {
                nearest = std::min(nearest, (on_line(k / 2000.0) - middle->at).norm());
            }
            EXPECT_LT(nearest, 0.02 * 2 * radius) << "bend " << bend << " at " << s << ", off " << off;
            EXPECT_NEAR(middle->thickness_m, 2 * radius, 0.05 * 2 * radius);
        }
    }
}

TEST(MiddleOfALimb, ThePlaneBetweenTheSidesIsFoundFromTheSurface) {
    for (const double middle : {0.0, 0.37}) {
        const Vec3 at(middle, 0, 0);
        const Scene scene = testing::tube_scene({{at + Vec3(0.2, 0, 0), at + Vec3(0.2, 1, 0.3)},
                                                 {at + Vec3(-0.2, 0, 0), at + Vec3(-0.2, 1, 0.3)},
                                                 {at + Vec3(0, 1, 0.3), at + Vec3(0, 2, 0.1)}},
                                                0.1, 24);
        const BodyVolume::Symmetry symmetry = BodyVolume(scene).symmetry();
        EXPECT_NEAR(symmetry.middle_x, middle, 1e-4);
        EXPECT_LT(symmetry.most_m, 1e-3);
    }
}

TEST(MiddleOfALimb, ASurfaceThatLooksAsideIsSaidToDoSo) {
    Scene sedge = demo::sedge_surface();
    EXPECT_FALSE(BodyVolume(sedge).symmetry().looks_aside);
    for (Node& node : sedge.nodes) {
        node.rest.rotation = Quat(Eigen::AngleAxisd(M_PI / 2, Vec3::UnitY()));
    }
    EXPECT_TRUE(BodyVolume(sedge).symmetry().looks_aside);
    EXPECT_FALSE(BodyVolume(demo::stall_lid()).symmetry().looks_aside) << "alike both ways";
    const Result<StepResult> built =
        apply_step(sedge, "build_skeleton", {{"plan", plan_to_json(plan_called("bird").take())}});
    ASSERT_TRUE(built.ok()) << built.problem().sentence();
    EXPECT_TRUE(std::any_of(built->could_not.begin(), built->could_not.end(),
                            [](const std::string& one) { return one.find("along X") != std::string::npos; }));
    const Result<StepResult> turned = apply_step(sedge, "face_forward", {{"looks_along", "+X"}});
    ASSERT_TRUE(turned.ok()) << turned.problem().sentence();
    EXPECT_FALSE(BodyVolume(turned->scene).symmetry().looks_aside) << "one step mends it";
}

TEST(SuggestedGuides, StandInTheBodyAndNearWhereTheyShould) {
    // A body of tubes made of a plan's own guides, thrown off a little: the suggestion finds back to it.
    const Plan plan = shipped("quadruped");
    Bounds box;
    box.add(Vec3(-0.3, 0, -0.9));
    box.add(Vec3(0.3, 1.1, 0.9));
    const Guides truth = guides_in(plan, {}, box, 0);
    std::vector<std::vector<Vec3>> lines;
    for (const PlanChain& chain : plan.chains) {
        for (const Side side :
             chain.both_sides ? std::vector<Side>{Side::left, Side::right} : std::vector<Side>{Side::middle}) {
            lines.push_back(line_of(plan, truth, chain, 1, side));
        }
    }
    const Scene scene = testing::tube_scene(lines, 0.04, 16);
    const BodyVolume body(scene);
    const SuggestedGuides suggested = suggest_guides(plan, body);
    size_t guides = 0;
    double sum = 0;
    for (const Guide& guide : suggested.placed) {
        ++guides;
        sum += (guide.at - truth.at(guide.id)).norm();
    }
    EXPECT_GE(guides, 15U);
    EXPECT_LT(sum / static_cast<double>(guides), 0.08) << "of a body 1.1 m tall";
    EXPECT_GT(suggested.in_the_middle * 2, guides);
}

} // namespace
} // namespace wembrix
