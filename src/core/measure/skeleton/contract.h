// A contract: a reference skeleton that deliveries must match, joint for joint; how a scene differs from it, and which
// joints of the scene are meant by its names.
#pragma once

#include "core/base/result.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace wembrix {

struct ContractJoint {
    std::string name;
    std::string parent;        ///< empty for the root
    Vec3 place = Vec3::Zero(); ///< under its parent, metres
    Quat turn = Quat::Identity();
    bool operator==(const ContractJoint& other) const;
};

struct Contract {
    std::string name;
    std::vector<ContractJoint> joints; ///< parents first, in the order that files list them
    bool names_only = false;           ///< lengths and rest rotations are not held against it
    bool operator==(const Contract& other) const = default;
    [[nodiscard]] int find(std::string_view joint) const; ///< -1 if there is none
};

/// The joints of a scene at rest. Holders between joints are folded in.
Contract contract_of(const Scene& scene, const std::string& name);

/// {"format": "wembrix contract", "version": 1, "name": ..., "joints": [{"name", "parent", "translation_m",
/// "rotation_xyzw"}]}, and "names_only": true where it is so
Result<Contract> contract_from_json(const nlohmann::json& json, const std::string& where);
nlohmann::json contract_to_json(const Contract& contract);
Result<Contract> read_contract(const std::filesystem::path& file);

struct ContractDifference {
    enum class Kind { missing, extra, parent, order, length, turn };
    Kind kind = Kind::missing;
    std::string joint;
    Text sentence; ///< with the numbers
};
struct ContractTolerance {
    double length_m = 0.001;
    double turn_degrees = 0.5;
};
/// By name. Missing joints first, then extra ones, then what is unlike of those that both have; nothing: it matches.
std::vector<ContractDifference> compare_with_contract(const Scene& scene, const Contract& contract,
                                                      const ContractTolerance& tolerance = {});

struct ContractMatch {
    int joint = -1; ///< node of the scene
    std::string to; ///< joint of the contract
    enum class How { name, alike, branch, place } how = How::name;
};
std::string_view how_name(ContractMatch::How how);
/// One joint of the scene for as many of the contract's as can be told: by the same name; by a name that is alike
/// (prefix, capitals, separators and the form of side words aside); by branch, where one joint on either side is left
/// below a matched one; by place, the nearest within 5 % of the height among those below a matched one.
std::vector<ContractMatch> propose_matches(const Scene& scene, const Contract& contract);

} // namespace wembrix
