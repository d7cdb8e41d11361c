#include "core/plan/planned_skeleton.h"

#include "core/base/json_file.h"
#include "core/base/text.h"
#include "core/math/aim.h"
#include "core/math/transform.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <map>
#include <set>
#include <tuple>

namespace wembrix {

namespace {

constexpr double shortest_bone_m = 1e-5;

std::string replaced(std::string text, std::string_view token, const std::string& by) {
    for (size_t at = text.find(token); at != std::string::npos; at = text.find(token, at + by.size())) {
        text.replace(at, token.size(), by);
    }
    return text;
}

class Planner {
  public:
    Planner(const Plan& plan, const Guides& guides, double ground_y)
        : plan_(plan), guides_(guides), ground_y_(ground_y) {}

    Result<std::vector<PlannedJoint>> run() {
        add_root();
        for (size_t c = 0; c < plan_.chains.size(); ++c) {
            const PlanChain& chain = plan_.chains[c];
            for (const Side side : sides_of(chain)) {
                for (int copy = 1; copy <= chain.copies; ++copy) {
                    add_chain(static_cast<int>(c), copy, side);
                    if (!problem_.what.empty()) {
                        return problem_;
                    }
                }
            }
        }
        std::set<std::string> names;
        for (const PlannedJoint& joint : joints_) {
            if (joint.name.empty() || !names.insert(joint.name).second) {
                return Problem{joint.name.empty() ? "a joint has no name."
                                                  : phrase("two joints would be called “{}”.", joint.name),
                               phrase("plan “{}”", plan_.name), "Give the chains other names for their joints."};
            }
        }
        return branch_by_branch();
    }

  private:
    /// Every joint right before all below it, as files that nest them have it.
    [[nodiscard]] std::vector<PlannedJoint> branch_by_branch() const {
        std::vector<std::vector<int>> below(joints_.size());
        std::vector<int> open;
        for (size_t i = joints_.size(); i-- > 0;) {
            (joints_[i].parent < 0 ? open : below[static_cast<size_t>(joints_[i].parent)])
                .push_back(static_cast<int>(i));
        }
        std::vector<int> place(joints_.size(), -1);
        std::vector<PlannedJoint> sorted;
        while (!open.empty()) {
            const auto next = static_cast<size_t>(open.back());
            open.pop_back();
            place[next] = static_cast<int>(sorted.size());
            sorted.push_back(joints_[next]);
            if (sorted.back().parent >= 0) {
                sorted.back().parent = place[static_cast<size_t>(sorted.back().parent)];
            }
            open.insert(open.end(), below[next].begin(), below[next].end());
        }
        return sorted;
    }

    static std::vector<Side> sides_of(const PlanChain& chain) {
        return chain.both_sides ? std::vector<Side>{Side::left, Side::right} : std::vector<Side>{Side::middle};
    }

    void add_root() {
        if (plan_.root == Plan::Root::none) {
            return;
        }
        PlannedJoint root;
        root.name = plan_.root_name;
        if (plan_.root == Plan::Root::ground) {
            const Vec3 below = guides_.all.empty() ? Vec3(Vec3::Zero()) : guides_.all.front().at;
            root.at = {below.x(), ground_y_, below.z()};
        }
        joints_.push_back(root);
    }

    [[nodiscard]] std::string name_of(const PlanChain& chain, int copy, Side side, int number) const {
        const auto place = static_cast<size_t>(number) - 1;
        std::string name = place < chain.names.size() ? chain.names[place] : chain.joint_name;
        name = replaced(name, "{chain}", chain.name);
        name = replaced(name, "{copy}", std::to_string(copy));
        name = replaced(name, "{number}", std::to_string(number));
        return replaced(name, "{side}",
                        side == Side::left    ? plan_.left
                        : side == Side::right ? plan_.right
                                              : std::string());
    }

    [[nodiscard]] int parent_of(const PlanChain& chain, Side side) const {
        if (chain.from.empty()) {
            return plan_.root == Plan::Root::none ? -1 : 0;
        }
        const int from = plan_.find(chain.from);
        const PlanChain& above = plan_.chains[static_cast<size_t>(from)];
        const int number = chain.from_joint > 0 ? chain.from_joint : above.joints();
        return place_of_.at({from, above.both_sides ? side : Side::middle, number});
    }

    /// Where the joints stand, and where the last bone ends.
    [[nodiscard]] std::vector<Vec3> places_of(const PlanChain& chain, int copy, Side side) const {
        std::vector<Vec3> line = line_of(plan_, guides_, chain, copy, side);
        if (chain.spread_joints > 0) {
            std::vector<Vec3> places = spread_along(line, chain.spread_joints);
            places.push_back(line.back());
            return places;
        }
        return line;
    }

    void add_chain(int c, int copy, Side side) {
        const PlanChain& chain = plan_.chains[static_cast<size_t>(c)];
        const std::vector<Vec3> places = places_of(chain, copy, side);
        int parent = parent_of(chain, side);
        const Vec3 whole = places.back() - places.front();
        Vec3 along = Vec3::UnitY();
        Vec3 up = Vec3::UnitZ();
        for (size_t i = 0; i + 1 < places.size(); ++i) {
            const Vec3 bone = places[i + 1] - places[i];
            const int number = static_cast<int>(i) + 1;
            PlannedJoint joint;
            joint.name = name_of(chain, copy, side, number);
            if (!(bone.norm() > shortest_bone_m)) {
                problem_ = {phrase("the bone of “{}” has no length.", joint.name), phrase("plan “{}”", plan_.name),
                            "Move its guides apart."};
                return;
            }
            const Vec3 next = bone.normalized();
            if (i == 0) {
                // By the whole chain, so that a knee in front or behind does not turn it.
                const bool upright = std::abs(whole.y()) > 0.7 * whole.norm() || whole.norm() < shortest_bone_m;
                up = upright ? Vec3(Vec3::UnitZ()) : Vec3(Vec3::UnitY());
                if (std::abs(up.dot(next)) > 0.99) {
                    up = upright ? Vec3(Vec3::UnitY()) : Vec3(Vec3::UnitZ());
                }
            } else {
                up = shortest_turn(along, next) * up;
            }
            along = next;
            joint.parent = parent;
            joint.at = places[i];
            joint.rotation = plan_.rest == Plan::Rest::zero ? Mat3(Mat3::Identity())
                                                            : aimed_rotation(along, up, plan_.bone_axis, plan_.up_axis);
            joint.role = chain.role;
            joint.chain = c;
            joint.copy = copy;
            joint.side = side;
            joint.number = number;
            parent = static_cast<int>(joints_.size());
            if (copy == 1) {
                place_of_[{c, side, number}] = parent;
            }
            joints_.push_back(joint);
            for (int twist = 1; twist <= chain.twists; ++twist) {
                PlannedJoint between = joint;
                between.name = fmt::format("{}_twist_{}", joint.name, twist);
                // The side stays at the end of the name, where it is sought.
                const std::string& token = side == Side::left ? plan_.left : plan_.right;
                if (side != Side::middle && joint.name.ends_with(token)) {
                    between.name = fmt::format("{}_twist_{}{}", joint.name.substr(0, joint.name.size() - token.size()),
                                               twist, token);
                }
                between.parent = parent;
                between.at = places[i] + bone * (static_cast<double>(twist) / (chain.twists + 1));
                between.is_twist = true;
                joints_.push_back(between);
            }
        }
        if (chain.tip) {
            PlannedJoint tip = joints_[static_cast<size_t>(parent)];
            tip.name = name_of(chain, copy, side, static_cast<int>(places.size()));
            tip.parent = parent;
            tip.at = places.back();
            tip.number = static_cast<int>(places.size());
            tip.is_tip = true;
            joints_.push_back(tip);
        }
    }

    const Plan& plan_;
    const Guides& guides_;
    double ground_y_;
    std::vector<PlannedJoint> joints_;
    std::map<std::tuple<int, Side, int>, int> place_of_; ///< chain, side, number: place among the joints
    Problem problem_;
};

} // namespace

Result<std::vector<PlannedJoint>> planned_skeleton(const Plan& plan, const Guides& guides, double ground_y) {
    return Planner(plan, guides, ground_y).run();
}

namespace {

/// Its joints in a body that nobody has fitted.
Result<std::vector<PlannedJoint>> unfitted(const Plan& plan) {
    Bounds unit;
    unit.add(Vec3(-1, 0, -1));
    unit.add(Vec3(1, 1, 1));
    return planned_skeleton(plan, guides_in(plan, {}, unit, 0), 0);
}

} // namespace

JointLimits limits_of_plan(const Plan& plan) {
    JointLimits limits;
    const Result<std::vector<PlannedJoint>> joints = unfitted(plan);
    const auto axis_at = [](Axis axis) {
        Eigen::Index at = 0;
        direction(axis).cwiseAbs().maxCoeff(&at);
        return static_cast<size_t>(at);
    };
    for (const PlannedJoint& joint : joints ? *joints : std::vector<PlannedJoint>()) {
        if (joint.chain < 0 || joint.is_twist || joint.is_tip) {
            continue;
        }
        const PlanChain& chain = plan.chains[static_cast<size_t>(joint.chain)];
        const auto number = static_cast<size_t>(joint.number);
        if (number < 1 || number > chain.limits.size() || !chain.limits[number - 1].any()) {
            continue;
        }
        TurnLimits own = chain.limits[number - 1];
        if (joint.side == Side::right) {
            for (const Axis axis : {plan.bone_axis, plan.up_axis}) {
                if (auto& range = own.degrees.at(axis_at(axis))) {
                    range = std::pair(-range->second, -range->first);
                }
            }
        }
        limits[joint.name] = own;
    }
    return limits;
}

Contract contract_of_plan(const Plan& plan) {
    Contract contract;
    contract.name = plan.name;
    contract.names_only = true;
    const Result<std::vector<PlannedJoint>> joints = unfitted(plan);
    if (!joints) {
        return contract; // of a plan that makes nothing
    }
    for (const PlannedJoint& joint : *joints) {
        ContractJoint row;
        row.name = joint.name;
        row.parent = joint.parent < 0 ? "" : (*joints)[static_cast<size_t>(joint.parent)].name;
        const Mat3 above =
            joint.parent < 0 ? Mat3(Mat3::Identity()) : (*joints)[static_cast<size_t>(joint.parent)].rotation;
        const Vec3 from = joint.parent < 0 ? Vec3(Vec3::Zero()) : (*joints)[static_cast<size_t>(joint.parent)].at;
        row.place = above.transpose() * (joint.at - from);
        row.turn = Quat(Mat3(above.transpose() * joint.rotation)).normalized();
        contract.joints.push_back(std::move(row));
    }
    return contract;
}

Result<Contract> contract_or_plan(const std::filesystem::path& file) {
    const Result<nlohmann::json> json = read_json_file(file);
    if (!json) {
        return json.problem();
    }
    if (!is_plan(*json)) {
        return contract_from_json(*json, file.string());
    }
    const Result<Plan> plan = plan_from_json(*json, file.string());
    return plan ? Result<Contract>(contract_of_plan(*plan)) : Result<Contract>(plan.problem());
}

std::vector<ChainLength> chain_lengths(const Plan& plan, const Guides& guides) {
    std::vector<ChainLength> lengths;
    for (const PlanChain& chain : plan.chains) {
        for (int copy = 1; copy <= chain.copies; ++copy) {
            const std::string name = chain.copies > 1 ? fmt::format("{} {}", chain.name, copy) : chain.name;
            for (const Side side :
                 chain.both_sides ? std::vector<Side>{Side::left, Side::right} : std::vector<Side>{Side::middle}) {
                lengths.push_back({side == Side::middle ? name : name + (side == Side::left ? ", left" : ", right"),
                                   length_of(line_of(plan, guides, chain, copy, side))});
            }
        }
    }
    return lengths;
}

} // namespace wembrix
