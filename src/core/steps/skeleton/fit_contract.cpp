// Makes the skeleton that of a contract: names, parents, order and, if asked, rest rotations; every joint that stays
// keeps its place through every frame. What the contract has no joint for is kept or dropped, weights to the joint
// above.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/skeleton/contract.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/reframe.h"
#include "core/steps/step_kind.h"

#include <algorithm>
#include <set>

namespace wembrix {

namespace {

/// Contract joint -> node, from "matches" where given, else by name.
std::vector<int> paired_nodes(const Scene& scene, const Contract& contract,
                              const std::map<std::string, std::string>& matches, std::vector<std::string>& missing) {
    std::vector<int> nodes(contract.joints.size(), -1);
    std::set<int> taken;
    for (const auto& [joint, to] : matches) {
        const int node = scene.find_node(joint);
        const int place = contract.find(to);
        if (node < 0 || place < 0 || scene.nodes[node].kind != NodeKind::joint) {
            missing.push_back(node < 0 ? joint : to);
        } else if (nodes[place] < 0 && taken.insert(node).second) {
            nodes[place] = node;
        }
    }
    for (size_t c = 0; c < nodes.size(); ++c) {
        const int same = scene.find_node(contract.joints[c].name);
        if (nodes[c] < 0 && same >= 0 && scene.nodes[same].kind == NodeKind::joint && taken.insert(same).second) {
            nodes[c] = same;
        }
    }
    return nodes;
}

/// The nearest node of the contract's above joint `c` that the scene has, or -1.
int wanted_parent(const Contract& contract, const std::vector<int>& nodes, size_t c) {
    for (int above = contract.find(contract.joints[c].parent); above >= 0;
         above = contract.find(contract.joints[above].parent)) {
        if (nodes[above] >= 0) {
            return nodes[above];
        }
    }
    return -1;
}

Result<Contract> contract_in(const nlohmann::json& json) {
    return contract_from_json(json, "\"contract\"");
}

struct FitSettings {
    enum class Others : uint8_t { keep, remove };
    Contract contract;
    std::map<std::string, std::string> matches;
    Others others = Others::keep;
    bool rotations = false;
};

Result<StepResult> apply_fit_contract(const StepContext& context, const FitSettings& settings) {
    const Scene& scene = context.scene;
    const Contract* const contract = &settings.contract;
    const std::map<std::string, std::string>& matches = settings.matches;
    const bool remove_others = settings.others == FitSettings::Others::remove;
    StepResult result;
    std::vector<std::string> missing;
    const std::vector<int> nodes = paired_nodes(scene, *contract, matches, missing);
    if (!missing.empty()) {
        result.could_not.push_back(phrase("there is no joint {} any more", some_of(missing)));
    }
    // Names, parents and turns at once.
    Reframing frames = same_frames(scene);
    Scene named = scene;
    std::vector<Mat3> wanted(scene.nodes.size(), Mat3::Identity());
    const std::vector<Mat4> world = rest_world(scene);
    std::vector<std::string> lacking;
    size_t renamed = 0;
    size_t moved = 0;
    for (size_t c = 0; c < nodes.size(); ++c) {
        if (nodes[c] < 0) {
            lacking.push_back(contract->joints[c].name);
            continue;
        }
        Node& node = named.nodes[nodes[c]];
        renamed += node.name == contract->joints[c].name ? 0 : 1;
        node.name = contract->joints[c].name;
        const int parent = wanted_parent(*contract, nodes, c);
        if (parent >= 0 && frames.parent[nodes[c]] != parent) {
            frames.parent[nodes[c]] = parent;
            ++moved;
        }
        if (settings.rotations) {
            const int above = contract->find(contract->joints[c].parent);
            const Mat3 own = contract->joints[c].turn.toRotationMatrix();
            wanted[nodes[c]] = above >= 0 && nodes[above] >= 0 ? Mat3(wanted[nodes[above]] * own) : own;
            const Mat3 by = nearest_rotation(linear_of(world[nodes[c]])).transpose() * wanted[nodes[c]];
            if (Quat(by).angularDistance(Quat::Identity()) > 1e-9) {
                frames.correction[nodes[c]].topLeftCorner<3, 3>() = Quat(by).normalized().toRotationMatrix();
            }
        }
    }
    std::vector<std::string> names;
    for (size_t i = 0; i < named.nodes.size(); ++i) {
        names.push_back(named.nodes[i].name);
        for (int at = frames.parent[i], steps = 0; at >= 0; at = frames.parent[at]) {
            if (at == static_cast<int>(i) || ++steps > static_cast<int>(named.nodes.size())) {
                return Problem{phrase("\"{}\" would hang on itself.", names.back()), "",
                               "Correct the matches: two joints of one branch are taken for each other."};
            }
        }
    }
    const std::vector<std::string> doubled = doubled_names(names);
    if (!doubled.empty()) {
        return Problem{phrase("two nodes would be called {}.", some_of(doubled)), "",
                       "Match the one that has the name already, or rename it first."};
    }
    std::vector<std::string> extra;
    for (const int joint : joints_of(named)) {
        if (contract->find(named.nodes[joint].name) < 0) {
            extra.push_back(named.nodes[joint].name);
        }
    }
    result.scene = reframe(named, frames).scene;
    std::vector<std::string> order;
    for (const ContractJoint& joint : contract->joints) {
        order.push_back(joint.name);
    }
    const auto then = [&](std::string_view id, const nlohmann::json& parameters) -> Outcome {
        Result<StepResult> done = apply_step(result.scene, id, parameters);
        if (!done) {
            return done.problem();
        }
        result.scene = std::move(done->scene);
        return Done{};
    };
    if (remove_others && !extra.empty()) {
        if (Outcome done = then("remove_joints", {{"names", extra}}); !done) {
            return done.problem();
        }
    }
    if (Outcome done = then("reorder_joints", {{"by", "list"}, {"order", order}}); !done) {
        // Joints that are lacking are no fault of the order.
        return done.problem();
    }
    result.account = phrase("{} of {} of “{}”: {} renamed, {} under another joint", nodes.size() - lacking.size(),
                            counted(nodes.size(), "joint"), contract->name, renamed, moved);
    if (!extra.empty()) {
        result.account += phrase(", {} {}", extra.size(), remove_others ? "others removed" : "others kept");
    }
    if (!lacking.empty()) {
        result.could_not.push_back(phrase("{} is in the contract and not here", some_of(lacking)));
    }
    return result;
}

} // namespace

StepKind fit_contract_step() {
    return make_step<FitSettings>(
        {"fit_contract", "Fit a contract",
         "Characters that share one skeleton share motion; this one becomes that skeleton, joint for joint.",
         StepSubject::skeleton},
        {object<&FitSettings::contract, contract_in>(
             "contract", "Contract", "A whole [contract](destination-format.md#contracts). Lengths stay as they are")
             .needed()
             .starting(contract_to_json({"empty", {}})),
         pairs<&FitSettings::matches>("matches", "Matches",
                                      "Joints and what the contract calls them; the others are matched by name")
             .naming(NameOf::joint)
             .typed_as("joint here → joint of the contract, one per line")
             .starting(nlohmann::json::object()),
         choice<&FitSettings::others>("others", "Other joints", {"keep", "remove"}, "What the contract does not have")
             .starting("keep"),
         flag<&FitSettings::rotations>("rotations", "Rest rotations", "as in the contract")},
        apply_fit_contract);
}

} // namespace wembrix
