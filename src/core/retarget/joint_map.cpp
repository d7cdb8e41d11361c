#include "core/retarget/joint_map.h"

#include "core/base/file_version.h"
#include "core/base/json_file.h"
#include "core/base/text.h"
#include "core/measure/skeleton/contract.h"
#include "core/retarget/body_chains.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <fmt/format.h>
#include <map>
#include <set>

namespace wembrix {

using nlohmann::json;

namespace {

constexpr std::string_view map_format = "wembrix map";
constexpr size_t most_pairs = 20000;
const std::array<std::string_view, 6> role_names = {"none", "root", "pelvis", "foot", "hand", "prop"};

bool read_names(const json& value, std::vector<std::string>& names) {
    if (!value.is_array() || value.empty() || value.size() > most_pairs) {
        return false;
    }
    for (const json& one : value) {
        if (!one.is_string() || one.get_ref<const std::string&>().empty()) {
            return false;
        }
        names.push_back(one.get<std::string>());
    }
    return true;
}

class Proposer {
  public:
    Proposer(const Scene& source, const Scene& target)
        : source_(source), target_(target), from_(body_of(source)), to_(body_of(target)) {
        const Contract wanted = contract_of(source, "");
        for (const ContractMatch& match : propose_matches(target, wanted)) {
            // Places are of two bodies: they say nothing here.
            if (match.how == ContractMatch::How::name || match.how == ContractMatch::How::alike) {
                by_name_[match.joint] = source.find_node(match.to);
            }
        }
    }

    JointMap run(const std::string& name) {
        map_.name = name;
        if (from_.root >= 0 && to_.root >= 0) {
            add({from_.root}, {to_.root}, MapPair::Role::root);
        }
        if (from_.pelvis >= 0 && to_.pelvis >= 0) {
            add({from_.pelvis}, {to_.pelvis}, MapPair::Role::pelvis);
        }
        for (const BodyChain& chain : to_.chains) {
            if (const BodyChain* other = answer(chain)) {
                add_chain(chain, *other);
            }
        }
        // What is no chain of a body, and has the same name.
        for (const auto& [target, source] : by_name_) {
            if (!is_in(done_target_, target) && !is_in(done_source_, source) && is_of_body(target_, to_, target) &&
                is_of_body(source_, from_, source)) {
                add({source}, {target}, MapPair::Role::none);
            }
        }
        return std::move(map_);
    }

  private:
    /// Helpers that stand beside the body move by themselves: their motion is no rotation of a bone.
    static bool is_of_body(const Scene& scene, const Body& body, int joint) {
        const int top = body.root >= 0 ? body.root : body.pelvis;
        return joint == top || (top >= 0 && is_above(scene, top, joint));
    }
    static bool is_in(const std::set<int>& set, int node) { return set.count(node) > 0; }

    [[nodiscard]] const BodyChain* answer(const BodyChain& chain) const {
        const BodyChain* other = from_.find(chain.role, chain.side, chain.order);
        if (other == nullptr || chain.role != "digit") {
            return other;
        }
        // Toes answer toes: as many on both, below feet that answer each other.
        const auto count = [](const Body& body, const BodyChain& of, const Scene& scene) {
            return std::count_if(body.chains.begin(), body.chains.end(), [&](const BodyChain& one) {
                return one.role == of.role && one.joints.size() == of.joints.size() &&
                       joint_above(scene, one.joints.front()) == joint_above(scene, of.joints.front());
            });
        };
        const auto is_foot = [](const Body& body, int joint) {
            return std::any_of(body.chains.begin(), body.chains.end(), [&](const BodyChain& one) {
                return one.role == "leg" && !one.joints.empty() && one.joints.back() == joint;
            });
        };
        for (const BodyChain& one : from_.chains) {
            if (one.role == "digit" && one.side == chain.side && one.order == chain.order &&
                one.joints.size() == chain.joints.size() &&
                is_foot(from_, joint_above(source_, one.joints.front())) ==
                    is_foot(to_, joint_above(target_, chain.joints.front()))) {
                return count(from_, one, source_) == count(to_, chain, target_) ? &one : nullptr;
            }
        }
        return nullptr;
    }

    void add_chain(const BodyChain& to, const BodyChain& from) {
        std::vector<int> target = to.joints;
        std::vector<int> source = from.joints;
        const MapPair::Role end = to.role == "leg"   ? MapPair::Role::foot
                                  : to.role == "arm" ? MapPair::Role::hand
                                                     : MapPair::Role::none;
        // Where names answer each other all along, they say it.
        const bool named = std::all_of(target.begin(), target.end(), [&](int joint) {
            const auto found = by_name_.find(joint);
            return found != by_name_.end() && std::find(source.begin(), source.end(), found->second) != source.end();
        });
        if (named) {
            for (const int joint : target) {
                const bool last = joint == target.back();
                add({by_name_.at(joint)}, {joint}, last ? end : MapPair::Role::none);
            }
            return;
        }
        if (source.size() == target.size()) {
            for (size_t i = 0; i < target.size(); ++i) {
                const bool last = i + 1 == target.size();
                add({source[i]}, {target[i]}, last ? end : MapPair::Role::none);
            }
            return;
        }
        // Twist joints share the rotation about the bone that they divide: bone answers bone.
        const std::vector<std::vector<int>> source_bones = bones_with_twists(source_, source);
        const std::vector<std::vector<int>> target_bones = bones_with_twists(target_, target);
        if (source_bones.size() == target_bones.size()) {
            for (size_t i = 0; i < target_bones.size(); ++i) {
                add(source_bones[i], target_bones[i], i + 1 == target_bones.size() ? end : MapPair::Role::none);
            }
            return;
        }
        // A hand has fingers; what ends without, as a wing does, is one row to its end.
        const bool ends_alike =
            end == MapPair::Role::foot || (end == MapPair::Role::hand && has_joints_below(source_, source.back()) &&
                                           has_joints_below(target_, target.back()));
        if (ends_alike && source.size() > 1 && target.size() > 1) {
            add({source.back()}, {target.back()}, end);
            source.pop_back();
            target.pop_back();
        }
        if (source.size() == 1 && target.size() > 1) {
            target.resize(1);
        }
        add(source, target, MapPair::Role::none);
    }

    static bool has_joints_below(const Scene& scene, int joint) {
        return std::any_of(scene.nodes.begin(), scene.nodes.end(),
                           [&](const Node& node) { return node.kind == NodeKind::joint && node.parent == joint; });
    }
    /// Each joint that bends, and behind it those that only divide its bone: their names say so.
    static std::vector<std::vector<int>> bones_with_twists(const Scene& scene, const std::vector<int>& chain) {
        std::vector<std::vector<int>> bones;
        for (const int joint : chain) {
            if (bones.empty() || !is_twist_name(scene.nodes[static_cast<size_t>(joint)].name)) {
                bones.emplace_back();
            }
            bones.back().push_back(joint);
        }
        return bones;
    }

    void add(const std::vector<int>& source, const std::vector<int>& target, MapPair::Role role) {
        MapPair pair;
        for (const int joint : source) {
            if (!done_source_.insert(joint).second) {
                return;
            }
            pair.source.push_back(source_.nodes[static_cast<size_t>(joint)].name);
        }
        for (const int joint : target) {
            if (!done_target_.insert(joint).second) {
                return;
            }
            pair.target.push_back(target_.nodes[static_cast<size_t>(joint)].name);
        }
        pair.role = role;
        const auto named = target.size() == 1 ? by_name_.find(target.front()) : by_name_.end();
        pair.how = source.size() != target.size()                               ? "spread"
                   : named != by_name_.end() && named->second == source.front() ? "name"
                                                                                : "role";
        map_.pairs.push_back(std::move(pair));
    }

    const Scene& source_;
    const Scene& target_;
    Body from_;
    Body to_;
    std::map<int, int> by_name_; ///< target to source
    std::set<int> done_source_;
    std::set<int> done_target_;
    JointMap map_;
};

} // namespace

const MapPair* JointMap::of_target(const std::string& joint) const {
    const auto found = std::find_if(pairs.begin(), pairs.end(), [&](const MapPair& pair) {
        return std::find(pair.target.begin(), pair.target.end(), joint) != pair.target.end();
    });
    return found == pairs.end() ? nullptr : &*found;
}

const MapPair* JointMap::of_source(const std::string& joint) const {
    const auto found = std::find_if(pairs.begin(), pairs.end(), [&](const MapPair& pair) {
        return std::find(pair.source.begin(), pair.source.end(), joint) != pair.source.end();
    });
    return found == pairs.end() ? nullptr : &*found;
}

Result<JointMap> map_from_json(const json& given, const std::string& where) {
    if (!given.is_object() || given.value("format", json()) != map_format) {
        return Problem{"is not a map of joints.", where, ""};
    }
    json object = given;
    if (Outcome done = bring_up_to_date(object, where, [](json&) {}); !done) {
        return done.problem();
    }
    JointMap map;
    if (object.contains("name") && object["name"].is_string()) {
        map.name = object["name"].get<std::string>();
    }
    const auto pairs = object.find("pairs");
    if (pairs == object.end() || !pairs->is_array() || pairs->size() > most_pairs) {
        return Problem{"has no list of \"pairs\".", where, ""};
    }
    std::set<std::string> targets;
    for (size_t i = 0; i < pairs->size(); ++i) {
        const json& row = (*pairs)[i];
        const std::string at = fmt::format("{}, pair {}", where, i + 1);
        MapPair pair;
        if (!row.is_object() || !read_names(row.value("source", json()), pair.source) ||
            !read_names(row.value("target", json()), pair.target)) {
            return Problem{"needs names of joints under \"source\" and \"target\".", at, ""};
        }
        const json role = row.value("role", json("none"));
        const auto found = role.is_string() ? std::find(role_names.begin(), role_names.end(), role.get<std::string>())
                                            : role_names.end();
        if (found == role_names.end()) {
            return Problem{phrase("\"role\" is none of {}.", fmt::join(role_names, ", ")), at, ""};
        }
        pair.role = static_cast<MapPair::Role>(found - role_names.begin());
        const json how = row.value("how", json(""));
        pair.how = how.is_string() ? how.get<std::string>() : "";
        for (const std::string& target : pair.target) {
            if (!targets.insert(target).second) {
                return Problem{phrase("“{}” is in two pairs.", target), at, ""};
            }
        }
        map.pairs.push_back(std::move(pair));
    }
    return map;
}

json map_to_json(const JointMap& map) {
    json pairs = json::array();
    for (const MapPair& pair : map.pairs) {
        json row = {{"source", pair.source}, {"target", pair.target}};
        if (pair.role != MapPair::Role::none) {
            row["role"] = role_names.at(static_cast<size_t>(pair.role));
        }
        if (!pair.how.empty()) {
            row["how"] = pair.how;
        }
        pairs.push_back(std::move(row));
    }
    return {{"format", map_format}, {"version", file_version}, {"name", map.name}, {"pairs", pairs}};
}

Result<JointMap> read_map(const std::filesystem::path& file) {
    const Result<json> object = read_json_file(file);
    return object ? map_from_json(*object, file.filename().string()) : Result<JointMap>(object.problem());
}

bool is_twist_name(const std::string& name) {
    std::string low = name;
    std::transform(low.begin(), low.end(), low.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return low.find("twist") != std::string::npos;
}

JointMap propose_map(const Scene& source, const Scene& target, const std::string& name) {
    return Proposer(source, target).run(name);
}

} // namespace wembrix
