// Names that an engine project refuses, or cannot tell apart.
#include "core/base/pattern.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/steps/names.h"
#include "core/steps/rename_rules.h"

#include <algorithm>
#include <functional>
#include <map>

namespace wembrix {

namespace {

std::string lower(const std::string& name) {
    std::string text = name;
    std::transform(text.begin(), text.end(), text.begin(), [](unsigned char c) { return std::tolower(c); });
    return text;
}

std::string bare(const std::string& name) {
    return name.substr(prefix_of(name, ":").size());
}

/// One finding for all groups of joints that `key` cannot tell apart.
std::vector<Finding> groups(const FindingContext& context, std::string (*key)(const std::string&),
                            const std::function<bool(const std::vector<std::string>&)>& counts,
                            const std::string& message, const std::string& reason) {
    std::map<std::string, std::vector<std::string>> same;
    for (const int joint : joints_of(context.scene)) {
        const std::string& name = context.scene.nodes[joint].name;
        same[key(name)].push_back(name);
    }
    Finding finding;
    finding.grade = Grade::look;
    std::vector<std::string> examples;
    for (const auto& [unused, names] : same) {
        if (names.size() > 1 && counts(names)) {
            examples.push_back(names[0] + " and " + names[1]);
            finding.nodes.insert(finding.nodes.end(), names.begin(), names.end());
        }
    }
    if (examples.empty()) {
        return {};
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message = phrase("{} {}", finding.nodes.size(), message);
    finding.reason = phrase("{}: {}", some_of(examples, 2), reason);
    finding.no_step = "which of the two keeps its name is yours to say: rename one on the joint ladder";
    return {finding};
}

/// Rules, each tried alone and with those before it, that make all of these names fit the pattern.
std::optional<nlohmann::json> rules_that_fit(const std::vector<std::string>& names, const Pattern& pattern,
                                             size_t longest) {
    const nlohmann::json candidates = {{{"find", "[^A-Za-z0-9_]+"}, {"replace", "_"}},
                                       {{"find", "^([0-9])"}, {"replace", "j$1"}},
                                       {{"find", "^_+"}, {"replace", ""}}};
    nlohmann::json rules = nlohmann::json::array();
    for (const nlohmann::json& candidate : candidates) {
        rules.push_back(candidate);
        const nlohmann::json json = {{"rules", rules}};
        const Result<RenameRules> made = RenameRules::from_json(json);
        const std::vector<Result<std::string>> after = made->apply(names);
        const bool all = std::all_of(after.begin(), after.end(), [&](const Result<std::string>& now) {
            return now && now->size() <= longest && pattern.matches_whole(*now);
        });
        if (all) {
            return rules;
        }
    }
    return std::nullopt;
}

} // namespace

std::vector<Finding> find_doubled_names(const FindingContext& context) {
    return groups(
        context, bare, [](const std::vector<std::string>&) { return true; },
        "joints share a name once prefixes are off", "an engine tells joints apart by name alone.");
}

std::vector<Finding> find_case_clashes(const FindingContext& context) {
    return groups(
        context, lower, [](const std::vector<std::string>& names) { return names[0] != names[1]; },
        "joint names differ only in capitals", "some engines and file systems take them for the same.");
}

std::vector<Finding> find_illegal_names(const FindingContext& context) {
    if (context.destination == nullptr) {
        return {};
    }
    const Pattern pattern = Pattern::checked(context.destination->joint_names);
    const auto longest = static_cast<size_t>(context.destination->longest_name);
    Finding finding;
    finding.grade = Grade::stop;
    for (const int joint : joints_of(context.scene)) {
        const std::string& name = context.scene.nodes[joint].name;
        // Prefixes have a finding of their own, and go first.
        if (prefix_of(name, ":").empty() && (name.size() > longest || !pattern.matches_whole(name))) {
            finding.nodes.push_back(name);
        }
    }
    if (finding.nodes.empty()) {
        return {};
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message = phrase("{} joint name{} {} does not take", finding.nodes.size(),
                             finding.nodes.size() == 1 ? "" : "s", context.destination->name);
    finding.reason = phrase("{}: names there fit the pattern {} and have at most {} characters", some_of(finding.nodes),
                            context.destination->joint_names, longest);
    if (const std::optional<nlohmann::json> rules = rules_that_fit(finding.nodes, pattern, longest)) {
        finding.step = Step{"rename_joints", {{"rules", *rules}}};
    } else {
        finding.no_step = "no simple rule makes them fit; write one at the Joints station";
    }
    return {finding};
}

} // namespace wembrix
