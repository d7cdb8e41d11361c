#include "core/base/file_version.h"
#include "core/base/json_file.h"
#include "core/base/text.h"
#include "core/plan/plan.h"
#include "core/plan/shipped_text.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <set>

namespace wembrix {

using nlohmann::json;

namespace {

constexpr int most_of_a_kind = 200; ///< joints, guides, copies of one chain
constexpr size_t most_chains = 500;
constexpr size_t longest_plan_name = 200;
constexpr std::string_view format_name = "wembrix plan";

const std::array<std::string_view, 3> root_names = {"none", "ground", "origin"};
const std::array<std::string_view, 2> rest_names = {"aligned", "zero"};

/// Reads one object key by key; the first thing that is wrong stays.
class PlanReader {
  public:
    PlanReader(const json& object, std::string where) : object_(object), where_(std::move(where)) {}

    void text(const char* key, std::string& to, bool may_be_empty = true) {
        const json* value = find(key);
        if (value == nullptr) {
            if (!may_be_empty && to.empty()) { // what has a default need not be there
                fail(phrase("has no \"{}\".", key));
            }
            return;
        }
        if (!value->is_string() || value->get_ref<const std::string&>().size() > longest_plan_name ||
            (!may_be_empty && value->get_ref<const std::string&>().empty())) {
            fail(phrase("\"{}\" is not a text{}.", key, may_be_empty ? "" : " with something in it"));
            return;
        }
        to = value->get<std::string>();
    }
    void whole(const char* key, int& to, int least, int most) {
        const json* value = find(key);
        if (value == nullptr) {
            return;
        }
        if (!value->is_number_integer() || *value < least || *value > most) {
            fail(phrase("\"{}\" is not a whole number from {} to {}.", key, least, most));
            return;
        }
        to = value->get<int>();
    }
    void flag(const char* key, bool& to) {
        if (const json* value = find(key)) {
            if (!value->is_boolean()) {
                fail(phrase("\"{}\" is neither true nor false.", key));
                return;
            }
            to = value->get<bool>();
        }
    }
    template <typename Enum, size_t N>
    void one_of(const char* key, Enum& to, const std::array<std::string_view, N>& in) {
        if (const json* value = find(key)) {
            const auto found =
                value->is_string() ? std::find(in.begin(), in.end(), value->get_ref<const std::string&>()) : in.end();
            if (found == in.end()) {
                fail(phrase("\"{}\" is none of {}.", key, fmt::join(in, ", ")));
                return;
            }
            to = static_cast<Enum>(found - in.begin());
        }
    }
    void axis(const char* key, Axis& to) {
        if (const json* value = find(key)) {
            const std::optional<Axis> axis = value->is_string() ? axis_from(value->get<std::string>()) : std::nullopt;
            if (!axis) {
                fail(phrase("\"{}\" is no axis: +X, -Y and so on.", key));
                return;
            }
            to = *axis;
        }
    }
    const json* find(const char* key) {
        known_.insert(key);
        const auto found = object_.find(key);
        return found == object_.end() ? nullptr : &*found;
    }
    void fail(Text what) {
        if (!problem_) {
            problem_ = Problem{std::move(what), where_, ""};
        }
    }
    /// Last: a key that nobody asked for.
    std::optional<Problem> done() {
        for (const auto& [key, value] : object_.items()) {
            if (known_.count(key) == 0) {
                fail(phrase("has a \"{}\", which is not known.", key.substr(0, 60)));
            }
        }
        return problem_;
    }

  private:
    const json& object_;
    std::string where_;
    std::set<std::string> known_;
    std::optional<Problem> problem_;
};

bool read_points(const json& list, std::vector<Vec3>& points) {
    if (!list.is_array() || list.empty() || list.size() > most_of_a_kind) {
        return false;
    }
    for (const json& point : list) {
        if (!point.is_array() || point.size() != 3) {
            return false;
        }
        Vec3 at;
        for (size_t i = 0; i < 3; ++i) {
            if (!point[i].is_number()) {
                return false;
            }
            at[static_cast<Eigen::Index>(i)] = point[i].get<double>();
        }
        if (!at.allFinite() || at.cwiseAbs().maxCoeff() > 100) {
            return false;
        }
        points.push_back(at);
    }
    return true;
}

/// [[x, y, z], ...], or one such list for each copy.
bool read_guides(const json& value, PlanChain& chain) {
    if (!value.is_array() || value.empty() || !value[0].is_array() || value[0].empty()) {
        return false;
    }
    const bool one_list = value[0][0].is_number();
    if ((!one_list && value.size() != static_cast<size_t>(chain.copies)) || (one_list && chain.copies != 1)) {
        return false;
    }
    chain.guides.assign(static_cast<size_t>(chain.copies), {});
    for (size_t copy = 0; copy < chain.guides.size(); ++copy) {
        if (!read_points(one_list ? value : value[copy], chain.guides[copy]) ||
            chain.guides[copy].size() != chain.guides[0].size()) {
            return false;
        }
    }
    return true;
}

std::optional<Problem> read_chain(const json& object, const std::string& where, PlanChain& chain) {
    PlanReader reader(object, where);
    reader.text("chain", chain.name, false);
    chain.role = "other";
    reader.text("role", chain.role);
    if (std::find(chain_roles().begin(), chain_roles().end(), chain.role) == chain_roles().end()) {
        reader.fail(phrase("\"role\" is none of {}.", fmt::join(chain_roles(), ", ")));
    }
    reader.text("from", chain.from);
    reader.whole("from_joint", chain.from_joint, 0, most_of_a_kind);
    reader.text("to", chain.to);
    reader.flag("both_sides", chain.both_sides);
    reader.whole("copies", chain.copies, 1, most_of_a_kind);
    reader.whole("spread_joints", chain.spread_joints, 0, most_of_a_kind);
    reader.whole("twists", chain.twists, 0, 8);
    reader.flag("tip", chain.tip);
    reader.text("joint_name", chain.joint_name, true);
    if (const json* names = reader.find("names")) {
        if (!names->is_array() || names->size() > most_of_a_kind ||
            !std::all_of(names->begin(), names->end(), [](const json& name) {
                return name.is_string() && !name.get_ref<const std::string&>().empty() &&
                       name.get_ref<const std::string&>().size() <= longest_plan_name;
            })) {
            reader.fail("\"names\" is not a list of names.");
        } else {
            chain.names = names->get<std::vector<std::string>>();
        }
    }
    if (const json* limits = reader.find("limits_deg")) {
        if (!limits->is_array() || limits->size() > most_of_a_kind) {
            reader.fail("\"limits_deg\" is not a list, one a joint.");
        } else {
            for (const json& of : *limits) {
                const Result<TurnLimits> one =
                    of.is_null() ? Result<TurnLimits>(TurnLimits()) : turn_limits_from_json(of, where + ", limits_deg");
                if (!one) {
                    return one.problem();
                }
                chain.limits.push_back(*one);
            }
        }
    }
    const json* guides = reader.find("guides");
    if (guides == nullptr || !read_guides(*guides, chain)) {
        reader.fail("\"guides\" is not one list of points [x, y, z] a copy, all of one length.");
    } else if (chain.points() < (chain.to.empty() ? 2U : 1U)) {
        reader.fail("has too few guides: one for a joint, and one where the last bone ends.");
    }
    return reader.done();
}

/// What the chains say of each other.
std::optional<Problem> check_chains(const Plan& plan, const std::string& where) {
    std::set<std::string> before;
    size_t tops = 0;
    for (const PlanChain& chain : plan.chains) {
        const std::string at = fmt::format("{}, chain \"{}\"", where, chain.name);
        if (!chain.from.empty() && before.count(chain.from) == 0) {
            return Problem{phrase("hangs on \"{}\", which is no chain before it.", chain.from), at, ""};
        }
        if (!before.insert(chain.name).second) {
            return Problem{"is there twice.", at, ""};
        }
        tops += chain.from.empty() ? 1 : 0;
        if (!chain.from.empty()) {
            const PlanChain& from = plan.chains[static_cast<size_t>(plan.find(chain.from))];
            if (chain.from_joint > from.joints()) {
                return Problem{
                    phrase("hangs on joint {} of \"{}\", which has {}.", chain.from_joint, from.name, from.joints()),
                    at, ""};
            }
            if (from.copies > 1) {
                return Problem{phrase("hangs on \"{}\", of which there are {}.", from.name, from.copies), at, ""};
            }
            if (from.both_sides && !chain.both_sides) {
                return Problem{phrase("hangs on \"{}\", which is on both sides, and is on one.", from.name), at, ""};
            }
        }
        if (!chain.to.empty()) {
            const int to = plan.find(chain.to);
            if (to < 0 || chain.to == chain.name || chain.copies > 1 ||
                (plan.chains[static_cast<size_t>(to)].both_sides && !chain.both_sides)) {
                return Problem{phrase("cannot end where \"{}\" begins.", chain.to), at, ""};
            }
        }
    }
    if (tops == 0 || (tops > 1 && plan.root == Plan::Root::none)) {
        return Problem{tops == 0 ? "has no chain that hangs on nothing."
                                 : phrase("has {} chains that hang on nothing, and no root above them.", tops),
                       where, ""};
    }
    return std::nullopt;
}

json point_json(const Vec3& point) {
    const auto rounded = [](double value) { return std::round(value * 1e6) / 1e6; };
    return {rounded(point.x()), rounded(point.y()), rounded(point.z())};
}

} // namespace

bool is_plan(const json& json) {
    return json.is_object() && json.value("format", nlohmann::json()) == format_name;
}

Result<Plan> plan_from_json(const json& given, const std::string& where) {
    if (!is_plan(given)) {
        return Problem{"is not a plan of a skeleton.", where, ""};
    }
    json object = given;
    if (Outcome done = bring_up_to_date(object, where, [](json&) {}); !done) {
        return done.problem();
    }
    Plan plan;
    PlanReader reader(object, where);
    reader.find("format");
    reader.find("version");
    reader.text("name", plan.name, false);
    reader.one_of("root", plan.root, root_names);
    reader.text("root_name", plan.root_name, false);
    reader.text("left", plan.left, false);
    reader.text("right", plan.right, false);
    reader.axis("bone_axis", plan.bone_axis);
    reader.axis("up_axis", plan.up_axis);
    reader.one_of("rest_rotations", plan.rest, rest_names);
    if (plan.left == plan.right) {
        reader.fail("both sides have one token.");
    }
    if (std::abs(direction(plan.bone_axis).dot(direction(plan.up_axis))) > 0.5) {
        reader.fail("\"bone_axis\" and \"up_axis\" are the same axis.");
    }
    const json* chains = reader.find("chains");
    if (chains == nullptr || !chains->is_array() || chains->empty() || chains->size() > most_chains) {
        reader.fail("\"chains\" is not a list of chains.");
    }
    if (std::optional<Problem> problem = reader.done()) {
        return *problem;
    }
    for (size_t i = 0; i < chains->size(); ++i) {
        PlanChain chain;
        const std::string at = fmt::format("{}, chain {}", where, i + 1);
        if (!(*chains)[i].is_object()) {
            return Problem{"is no object.", at, ""};
        }
        if (std::optional<Problem> problem = read_chain((*chains)[i], at, chain)) {
            return *problem;
        }
        plan.chains.push_back(std::move(chain));
    }
    if (std::optional<Problem> problem = check_chains(plan, where)) {
        return *problem;
    }
    constexpr size_t most_joints = 20000;
    if (joint_count(plan) > most_joints) {
        return Problem{phrase("makes more than {} joints.", most_joints), where, ""};
    }
    return plan;
}

json plan_to_json(const Plan& plan) {
    json object = {{"format", format_name},
                   {"version", file_version},
                   {"name", plan.name},
                   {"root", root_names.at(static_cast<size_t>(plan.root))},
                   {"root_name", plan.root_name},
                   {"left", plan.left},
                   {"right", plan.right},
                   {"bone_axis", axis_name(plan.bone_axis)},
                   {"up_axis", axis_name(plan.up_axis)},
                   {"rest_rotations", rest_names.at(static_cast<size_t>(plan.rest))},
                   {"chains", json::array()}};
    const PlanChain usual;
    for (const PlanChain& chain : plan.chains) {
        json row = {{"chain", chain.name}, {"role", chain.role}};
        const auto unless = [&](const char* key, const auto& value, const auto& otherwise) {
            if (value != otherwise) {
                row[key] = value;
            }
        };
        unless("from", chain.from, usual.from);
        unless("from_joint", chain.from_joint, usual.from_joint);
        unless("to", chain.to, usual.to);
        unless("both_sides", chain.both_sides, usual.both_sides);
        unless("copies", chain.copies, usual.copies);
        unless("spread_joints", chain.spread_joints, usual.spread_joints);
        unless("twists", chain.twists, usual.twists);
        unless("tip", chain.tip, usual.tip);
        unless("joint_name", chain.joint_name, usual.joint_name);
        unless("names", chain.names, usual.names);
        if (!chain.limits.empty()) {
            json& limits = row["limits_deg"] = json::array();
            for (const TurnLimits& of : chain.limits) {
                limits.push_back(of.any() ? turn_limits_to_json(of) : json());
            }
        }
        json lists = json::array();
        for (const std::vector<Vec3>& points : chain.guides) {
            json list = json::array();
            for (const Vec3& point : points) {
                list.push_back(point_json(point));
            }
            lists.push_back(std::move(list));
        }
        row["guides"] = chain.copies == 1 ? lists[0] : lists;
        object["chains"].push_back(std::move(row));
    }
    return object;
}

Result<Plan> read_plan(const std::filesystem::path& file) {
    const Result<json> object = read_json_file(file);
    if (!object) {
        return object.problem();
    }
    return plan_from_json(*object, file.filename().string());
}

const std::vector<Plan>& shipped_plans() {
    static const std::vector<Plan> plans = [] {
        std::vector<Plan> all;
        for (const char* text : shipped_plan_texts()) {
            all.push_back(plan_from_json(parse_json(text, "plan").take(), "plan").take());
        }
        return all;
    }();
    return plans;
}

Result<Plan> plan_called(const std::string& file_or_name) {
    for (const Plan& plan : shipped_plans()) {
        if (plan.name == file_or_name) {
            return plan;
        }
    }
    return read_plan(file_or_name);
}

} // namespace wembrix
