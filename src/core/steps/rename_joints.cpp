// Renames joints by ordered rules: a regular expression and what stands in its place.
#include "core/steps/all.h"
#include "core/steps/names.h"
#include "core/steps/parameters.h"

#include <fmt/format.h>
#include <regex>

namespace wembrix {

namespace {

struct Rule {
    std::regex find;
    std::string replace;
};

Result<StepResult> apply(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"rules"});
    std::vector<Rule> rules;
    for (const nlohmann::json& row : parameters.objects("rules")) {
        Parameters rule(row, {"find", "replace"});
        const std::string find = rule.needed_text("find");
        const std::string replace = rule.text("replace", "");
        if (!rule.ok()) {
            Problem problem = rule.problem();
            problem.where = fmt::format("rule {}", rules.size() + 1);
            return problem;
        }
        try {
            rules.push_back({std::regex(find, std::regex::ECMAScript), replace});
        } catch (const std::regex_error&) {
            return Problem{fmt::format("\"{}\" is not a regular expression.", find),
                           fmt::format("rule {}", rules.size() + 1), "", true};
        }
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    StepResult result;
    result.scene = scene;
    size_t renamed = 0;
    std::string example;
    std::vector<std::string> names;
    for (Node& node : result.scene.nodes) {
        if (node.kind == NodeKind::joint) {
            std::string name = node.name;
            constexpr size_t longest = 256; // the matcher recurses once a character
            for (const Rule& rule : rules) {
                if (name.size() > longest) {
                    return Problem{"is longer than 256 characters.", name.substr(0, 40) + "…", ""};
                }
                try {
                    name = std::regex_replace(name, rule.find, rule.replace);
                } catch (const std::regex_error&) {
                    return Problem{"a rule takes too long on this name.", name, "Write the rule more simply."};
                }
            }
            if (name.empty()) {
                return Problem{"the rules leave nothing of the name.", node.name, ""};
            }
            if (name != node.name) {
                if (renamed++ == 0) {
                    example = fmt::format(" ({} → {})", node.name, name);
                }
                node.name = name;
            }
        }
        names.push_back(node.name);
    }
    const std::vector<std::string> doubled = doubled_names(names);
    if (!doubled.empty()) {
        return Problem{fmt::format("two nodes would have the same name: {}.", some_of(doubled)), "",
                       "Change the rules so that all names differ."};
    }
    result.account = renamed == 0 ? "no name fits a rule" : fmt::format("{} joints renamed{}", renamed, example);
    return result;
}

} // namespace

StepKind rename_joints_step() {
    return {"rename_joints",
            "Rename joints",
            "Joints are called what the project calls them, by rules that fit the next version too.",
            true,
            {{"rules", "Rules", StepField::Kind::list, "find → replace, one a line"}},
            [] {
                return nlohmann::json{{"rules", nlohmann::json::array()}};
            },
            apply};
}

} // namespace wembrix
