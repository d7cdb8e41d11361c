// The joints that a plan makes of its guides.
#pragma once

#include "core/measure/skeleton/contract.h"
#include "core/plan/guides.h"

namespace wembrix {

struct PlannedJoint {
    std::string name;
    int parent = -1;                  ///< among the joints, before it; -1: the root of all
    Vec3 at = Vec3::Zero();           ///< world, metres
    Mat3 rotation = Mat3::Identity(); ///< world
    std::string role;                 ///< of its chain; empty of the joint that carries the motion
    int chain = -1;                   ///< of the plan; -1: the joint that carries the motion
    int copy = 1;
    Side side = Side::middle;
    int number = 0; ///< in its chain, from 1
    bool is_twist = false;
    bool is_tip = false;
};

/// One hierarchy, parents first. A chain's joints point along their bones; the second axis starts out towards the front
/// where the chain stands upright, else upwards, and goes along from bone to bone by the shortest way: a chain in a
/// plane bends about one axis. Left and right are mirror images: the same angle about the third axis bends both alike.
/// The joint that carries the motion stands on `ground_y`, and is turned as the world. A Problem for two joints of one
/// name and for a bone shorter than 0.01 mm.
Result<std::vector<PlannedJoint>> planned_skeleton(const Plan& plan, const Guides& guides, double ground_y);

/// How far its joints may turn, by name. What is said of a chain on both sides is the left one's: on the right the
/// angles about the bone and the second axis count the other way round.
JointLimits limits_of_plan(const Plan& plan);

/// Names and parents, to hold a skeleton against: a plan says nothing of lengths.
Contract contract_of_plan(const Plan& plan);
/// A contract's file, or a plan's.
Result<Contract> contract_or_plan(const std::filesystem::path& file);

/// What there is to measure of fitted guides: a chain and how long its bones are together, metres.
struct ChainLength {
    std::string chain; ///< "leg, left"
    double length_m = 0;
};
std::vector<ChainLength> chain_lengths(const Plan& plan, const Guides& guides);

/// The plan of a skeleton that is there: a chain for each row of joints up to the next branch, both sides in one where
/// names and places answer each other. Its guides stand as the joints do. A Problem where there are no joints or
/// several roots.
Result<Plan> plan_of_skeleton(const Scene& scene, const std::string& name);

} // namespace wembrix
