#include "core/measure/skeleton/contract.h"

#include "core/base/counted.h"
#include "core/base/file_version.h"
#include "core/base/json_file.h"
#include "core/base/text.h"
#include "core/math/angles.h"
#include "core/measure/skeleton/pairs.h"

#include <Eigen/LU>
#include <algorithm>
#include <cctype>
#include <cmath>
#include <map>
#include <set>

namespace wembrix {

namespace {

constexpr size_t most_joints = 20000;

/// What is left of a name when the ways of writing it are put aside: its side and its letters.
std::string alike_key(std::string_view name) {
    const size_t colon = name.rfind(':');
    const std::string bare(colon == std::string_view::npos ? name : name.substr(colon + 1));
    const SideWord word = side_word(bare);
    std::string key = word.side == Side::left ? "l|" : word.side == Side::right ? "r|" : "m|";
    std::string digits;
    const auto flush = [&] {
        // "01" and "1" are the same number.
        const size_t first = digits.find_first_not_of('0');
        key += digits.empty() ? "" : first == std::string::npos ? "0" : digits.substr(first);
        digits.clear();
    };
    for (size_t i = 0; i < bare.size(); ++i) {
        const auto c = static_cast<unsigned char>(bare[i]);
        if (word.side != Side::middle && i >= word.at && i < word.at + word.length) {
            continue;
        }
        if (std::isdigit(c) != 0) {
            digits += static_cast<char>(c);
        } else {
            flush();
            if (std::isalpha(c) != 0) {
                key += static_cast<char>(std::tolower(c));
            }
        }
    }
    flush();
    return key;
}

std::vector<Vec3> places_of(const Contract& contract) {
    std::vector<Mat4> world;
    std::vector<Vec3> places;
    for (const ContractJoint& joint : contract.joints) {
        Transform local;
        local.translation = joint.place;
        local.rotation = joint.turn;
        const int parent = contract.find(joint.parent);
        world.push_back(parent < 0 ? local.matrix() : Mat4(world[parent] * local.matrix()));
        places.push_back(world.back().topRightCorner<3, 1>());
    }
    return places;
}

class Matcher {
  public:
    Matcher(const Scene& scene, const Contract& contract)
        : scene_(scene), contract_(contract), taken_(scene.nodes.size(), 0), match_(contract.joints.size(), -1),
          how_(contract.joints.size(), ContractMatch::How::name) {}

    std::vector<ContractMatch> run() {
        by_key([](std::string_view name) { return std::string(name); }, ContractMatch::How::name);
        by_key(alike_key, ContractMatch::How::alike);
        by_branch_and_place();
        std::vector<ContractMatch> matches;
        for (size_t c = 0; c < match_.size(); ++c) {
            if (match_[c] >= 0) {
                matches.push_back({match_[c], contract_.joints[c].name, how_[c]});
            }
        }
        return matches;
    }

  private:
    template <typename Key> void by_key(Key key, ContractMatch::How how) {
        // Only where one name on either side has the key: two would be a guess.
        std::map<std::string, std::vector<int>> ours;
        std::map<std::string, std::vector<int>> theirs;
        for (const int joint : joints_of(scene_)) {
            if (taken_[joint] == 0) {
                ours[key(scene_.nodes[joint].name)].push_back(joint);
            }
        }
        for (size_t c = 0; c < match_.size(); ++c) {
            if (match_[c] < 0) {
                theirs[key(contract_.joints[c].name)].push_back(static_cast<int>(c));
            }
        }
        for (const auto& [name, list] : theirs) {
            const auto found = ours.find(name);
            if (list.size() == 1 && found != ours.end() && found->second.size() == 1) {
                take(list[0], found->second[0], how);
            }
        }
    }

    void take(int theirs, int ours, ContractMatch::How how) {
        match_[theirs] = ours;
        how_[theirs] = how;
        taken_[ours] = 1;
    }

    void by_branch_and_place() {
        const std::vector<Mat4> world = rest_world(scene_);
        const std::vector<Vec3> wanted = places_of(contract_);
        Vec3 low = Vec3::Constant(1e300);
        Vec3 high = Vec3::Constant(-1e300);
        for (const Vec3& place : wanted) {
            low = low.cwiseMin(place);
            high = high.cwiseMax(place);
        }
        const double near = wanted.empty() ? 0 : 0.05 * (high - low).norm();
        // Parents come first on either side, so that one pass goes down the whole tree.
        for (size_t c = 0; c < match_.size(); ++c) {
            if (match_[c] >= 0) {
                continue;
            }
            const int parent = contract_.find(contract_.joints[c].parent);
            if (parent >= 0 && match_[parent] < 0) {
                continue;
            }
            const int above = parent < 0 ? -1 : match_[parent];
            const Side side = side_word(contract_.joints[c].name).side;
            std::vector<int> left;
            for (const int joint : joints_of(scene_)) {
                if (taken_[joint] == 0 && joint_above(scene_, joint) == above) {
                    left.push_back(joint);
                }
            }
            size_t waiting = 0;
            for (size_t other = 0; other < match_.size(); ++other) {
                waiting += match_[other] < 0 && contract_.joints[other].parent == contract_.joints[c].parent ? 1 : 0;
            }
            if (left.size() == 1 && waiting == 1) {
                take(static_cast<int>(c), left[0], ContractMatch::How::branch);
                continue;
            }
            int best = -1;
            double least = near;
            for (const int joint : left) {
                const Side own = side_word(scene_.nodes[joint].name).side;
                const double apart = (point_of(world[joint], Vec3::Zero()) - wanted[c]).norm();
                if (apart < least && (own == side || own == Side::middle || side == Side::middle)) {
                    least = apart;
                    best = joint;
                }
            }
            if (best >= 0) {
                take(static_cast<int>(c), best, ContractMatch::How::place);
            }
        }
    }

    const Scene& scene_;
    const Contract& contract_;
    std::vector<char> taken_;
    std::vector<int> match_;
    std::vector<ContractMatch::How> how_;
};

} // namespace

bool ContractJoint::operator==(const ContractJoint& other) const {
    return name == other.name && parent == other.parent && place == other.place && turn.coeffs() == other.turn.coeffs();
}

int Contract::find(std::string_view joint) const {
    for (size_t i = 0; i < joints.size(); ++i) {
        if (joints[i].name == joint) {
            return static_cast<int>(i);
        }
    }
    return -1;
}

Contract contract_of(const Scene& scene, const std::string& name) {
    Contract contract;
    contract.name = name;
    const std::vector<Mat4> world = rest_world(scene);
    for (const int joint : joints_of(scene)) {
        const int above = joint_above(scene, joint);
        const Transform local =
            decompose(above < 0 ? world[joint] : Mat4(world[above].inverse() * world[joint])).transform;
        contract.joints.push_back({scene.nodes[joint].name, above < 0 ? std::string() : scene.nodes[above].name,
                                   local.translation, local.rotation});
    }
    return contract;
}

nlohmann::json contract_to_json(const Contract& contract) {
    nlohmann::json joints = nlohmann::json::array();
    for (const ContractJoint& joint : contract.joints) {
        const Vec3& p = joint.place;
        const Quat& q = joint.turn;
        joints.push_back({{"name", joint.name},
                          {"parent", joint.parent},
                          {"translation_m", {p.x(), p.y(), p.z()}},
                          {"rotation_xyzw", {q.x(), q.y(), q.z(), q.w()}}});
    }
    nlohmann::json json = {
        {"format", "wembrix contract"}, {"version", file_version}, {"name", contract.name}, {"joints", joints}};
    if (contract.names_only) {
        json["names_only"] = true;
    }
    return json;
}

namespace {
void contract_from_1(nlohmann::json& contract) {
    if (const auto joints = contract.find("joints"); joints != contract.end()) {
        rename_key_in_each(*joints, "place_m", "translation_m");
        rename_key_in_each(*joints, "turn_xyzw", "rotation_xyzw");
    }
}
} // namespace

Result<Contract> contract_from_json(const nlohmann::json& given, const std::string& where) {
    nlohmann::json json = given;
    if (json.is_object()) {
        if (Outcome done = bring_up_to_date(json, where, contract_from_1); !done) {
            return done.problem();
        }
    }
    const auto complain = [&](const Text& what) { return Problem{what, where, ""}; };
    if (!json.is_object() || !json.contains("joints") || !json["joints"].is_array() || !json.contains("name") ||
        !json["name"].is_string()) {
        return complain("is not a contract: it needs \"name\" and a list of \"joints\".");
    }
    if (json["joints"].size() > most_joints) {
        return complain(phrase("has more than {}.", counted(most_joints, "joint")));
    }
    Contract contract;
    contract.name = json["name"].get<std::string>();
    if (const auto names_only = json.find("names_only"); names_only != json.end()) {
        if (!names_only->is_boolean()) {
            return complain("\"names_only\" is neither true nor false.");
        }
        contract.names_only = names_only->get<bool>();
    }
    std::set<std::string> seen;
    for (const nlohmann::json& from : json["joints"]) {
        ContractJoint joint;
        if (!from.is_object() || !from.contains("name") || !from["name"].is_string() ||
            from["name"].get_ref<const std::string&>().empty()) {
            return complain("has a joint without a name.");
        }
        joint.name = from["name"].get<std::string>();
        const auto parent = from.find("parent");
        if (parent != from.end() && !parent->is_string()) {
            return complain(phrase("the parent of \"{}\" is not a name.", joint.name));
        }
        joint.parent = parent == from.end() ? "" : parent->get<std::string>();
        if (!joint.parent.empty() && seen.count(joint.parent) == 0) {
            return complain(
                phrase("\"{}\" hangs on \"{}\", which does not stand before it.", joint.name, joint.parent));
        }
        if (!seen.insert(joint.name).second) {
            return complain(phrase("has two joints \"{}\".", joint.name));
        }
        if (!numbers_from(from, "translation_m", 3, joint.place.data()) ||
            !numbers_from(from, "rotation_xyzw", 4, joint.turn.coeffs().data()) || joint.turn.norm() < 1e-6) {
            return complain(
                phrase("\"{}\" needs three numbers of \"translation_m\" and four of \"rotation_xyzw\".", joint.name));
        }
        joint.turn.normalize();
        contract.joints.push_back(std::move(joint));
    }
    return contract;
}

Result<Contract> read_contract(const std::filesystem::path& file) {
    const Result<nlohmann::json> json = read_json_file(file);
    return json ? contract_from_json(*json, file.string()) : Result<Contract>(json.problem());
}

std::vector<ContractDifference> compare_with_contract(const Scene& scene, const Contract& contract,
                                                      const ContractTolerance& tolerance) {
    using Kind = ContractDifference::Kind;
    const Contract own = contract_of(scene, "");
    std::map<std::string_view, size_t> ours;
    std::map<std::string_view, size_t> theirs;
    for (size_t i = 0; i < own.joints.size(); ++i) {
        ours.emplace(own.joints[i].name, i);
    }
    for (size_t i = 0; i < contract.joints.size(); ++i) {
        theirs.emplace(contract.joints[i].name, i);
    }
    std::vector<ContractDifference> differences;
    for (const ContractJoint& joint : contract.joints) {
        if (ours.count(joint.name) == 0) {
            differences.push_back({Kind::missing, joint.name, phrase("{} is missing", joint.name)});
        }
    }
    for (const ContractJoint& joint : own.joints) {
        if (theirs.count(joint.name) == 0) {
            differences.push_back({Kind::extra, joint.name, phrase("{} is not in the contract", joint.name)});
        }
    }
    const auto named = [](const std::string& name) { return name.empty() ? std::string("nothing") : name; };
    size_t last = 0;
    std::string last_name;
    for (const ContractJoint& joint : own.joints) {
        const auto found = theirs.find(joint.name);
        if (found == theirs.end()) {
            continue;
        }
        const ContractJoint& wanted = contract.joints[found->second];
        if (joint.parent != wanted.parent) {
            differences.push_back({Kind::parent, joint.name,
                                   phrase("{} hangs on {} and should hang on {}", joint.name, named(joint.parent),
                                          named(wanted.parent))});
        }
        if (!last_name.empty() && found->second < last) {
            differences.push_back(
                {Kind::order, joint.name, phrase("{} stands after {} and should stand before", joint.name, last_name)});
        } else {
            last = found->second;
            last_name = joint.name;
        }
        if (contract.names_only) {
            continue;
        }
        const double longer = joint.place.norm() - wanted.place.norm();
        if (joint.parent == wanted.parent && !joint.parent.empty() && std::abs(longer) > tolerance.length_m) {
            differences.push_back({Kind::length, joint.name,
                                   phrase("{} is {:.1f} mm from {} and should be {:.1f} mm", joint.name,
                                          joint.place.norm() * 1000, joint.parent, wanted.place.norm() * 1000)});
        }
        const double turned = joint.turn.angularDistance(wanted.turn) * degrees_per_radian;
        if (joint.parent == wanted.parent && turned > tolerance.turn_degrees) {
            differences.push_back(
                {Kind::turn, joint.name, phrase("{} is turned {:.1f}° from what it should be", joint.name, turned)});
        }
    }
    return differences;
}

std::string_view how_name(ContractMatch::How how) {
    constexpr std::string_view names[] = {"name", "a name that is alike", "branch", "place"};
    return names[static_cast<int>(how)];
}

std::vector<ContractMatch> propose_matches(const Scene& scene, const Contract& contract) {
    return Matcher(scene, contract).run();
}

} // namespace wembrix
