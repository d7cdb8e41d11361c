// A plan of a skeleton: the chains of joints that a kind of body has, what they are called, and where its guide points
// stand in a body that nobody has fitted yet. A file of its own, so that a team shares it.
#pragma once

#include "core/base/result.h"
#include "core/math/axes.h"
#include "core/measure/skeleton/joint_limits.h"

#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

/// A row of joints, each below the one before. Its guide points are the places that a person fits: one for each joint
/// and one more where the last bone ends, or, where joints are spread, as few as the curve needs.
struct PlanChain {
    std::string name;   ///< unique in the plan: "leg"
    std::string role;   ///< what it is of a body, one of chain_roles()
    std::string from;   ///< the chain that it hangs on; empty: on the root
    int from_joint = 0; ///< which joint of that one, from 1; 0: its last
    std::string to;     ///< the chain whose first guide is where its last bone ends; empty: its own last guide
    bool both_sides = false;
    int copies = 1;        ///< side by side: the toes of a foot
    int spread_joints = 0; ///< so many joints evenly along the curve through its guides; 0: one joint a guide
    int twists = 0;        ///< joints between a joint and the next, for the rotation along the bone
    bool tip = false;      ///< a joint stands where the last bone ends, too
    std::string joint_name = "{chain}_{number}{side}";
    std::vector<std::string> names; ///< of the first joints; the others go by `joint_name`
    std::vector<TurnLimits> limits; ///< of the first joints; the others turn as they like
    /// One list a copy, each of as many points: X from the right (-1) to the left (1) side of the body, Y from the
    /// ground (0) to the top (1), Z from the back (-1) to the front (1); of a chain on both sides the left one.
    std::vector<std::vector<Vec3>> guides;

    [[nodiscard]] size_t points() const { return guides.empty() ? 0 : guides.front().size(); }
    /// Without twists and tip.
    [[nodiscard]] int joints() const;
    bool operator==(const PlanChain& other) const = default;
};

struct Plan {
    enum class Root : uint8_t { none, ground, origin };
    enum class Rest : uint8_t { aligned, zero };
    std::string name;
    Root root = Root::ground; ///< a joint that carries the motion of the whole, on the ground below the first chain
    std::string root_name = "root";
    std::string left = "_l"; ///< side tokens: what {side} becomes
    std::string right = "_r";
    Axis bone_axis = Axis::pos_y; ///< of a joint, along its bone
    Axis up_axis = Axis::pos_z;
    Rest rest = Rest::aligned;     ///< or every joint along the axes of the world
    std::vector<PlanChain> chains; ///< what a chain hangs on comes before it

    [[nodiscard]] int find(std::string_view chain) const; ///< -1 if there is none
    bool operator==(const Plan& other) const = default;
};

/// "spine", "neck", "head", "tail", "leg", "arm", "wing", "digit", "ear", "other".
const std::vector<std::string>& chain_roles();

/// {"format": "wembrix plan", "version": 2, "name": ..., "root": ..., "chains": [...]}; docs/plan-format.md has it
/// whole.
Result<Plan> plan_from_json(const nlohmann::json& json, const std::string& where);
nlohmann::json plan_to_json(const Plan& plan);
Result<Plan> read_plan(const std::filesystem::path& file);
bool is_plan(const nlohmann::json& json);

/// Another number of joints; with 0 the chain is gone, and what hangs on it, unless nothing would be left. A chain with
/// a joint a guide gets guides in the middle of its longest bones, or loses those at which it bends least; one with
/// spread joints keeps its guides. What hangs on a joint that is gone hangs on the last.
Plan with_joints(const Plan& plan, std::string_view chain, int joints);
/// How many joints it makes, the root with them.
size_t joint_count(const Plan& plan);

/// Those that come with Wembrix: biped, quadruped, bird, snake, hand, chain, lid.
const std::vector<Plan>& shipped_plans();
/// A file, or the name of one that comes with Wembrix.
Result<Plan> plan_called(const std::string& file_or_name);

} // namespace wembrix
