#include "core/steps/rename_rules.h"

#include <fmt/format.h>
#include <unordered_map>

namespace wembrix {

namespace {
constexpr size_t longest = 256; // the matcher recurses once a character
}

Result<std::string> RenameRules::apply(const std::string& name) const {
    if (const auto given = names.find(name); given != names.end()) {
        return given->second;
    }
    std::string now = name;
    for (const Rule& rule : rules) {
        if (now.size() > longest) {
            return Problem{"is longer than 256 characters.", now.substr(0, 40) + "…", ""};
        }
        try {
            now = std::regex_replace(now, rule.find, rule.replace);
        } catch (const std::regex_error&) {
            return Problem{"a rule takes too long on this name.", now, "Write the rule more simply."};
        }
    }
    if (now.empty()) {
        return Problem{"the rules leave nothing of the name.", name, ""};
    }
    return now;
}

Result<RenameRules> rename_rules_from(Parameters& parameters, const nlohmann::json& json) {
    RenameRules rules;
    for (const nlohmann::json& row : parameters.objects("rules")) {
        Parameters rule(row, {"find", "replace"});
        const std::string find = rule.needed_text("find");
        const std::string replace = rule.text("replace", "");
        const std::string where = fmt::format("rule {}", rules.rules.size() + 1);
        if (!rule.ok()) {
            Problem problem = rule.problem();
            problem.where = where;
            return problem;
        }
        try {
            rules.rules.push_back({std::regex(find, std::regex::ECMAScript), replace});
        } catch (const std::regex_error&) {
            return Problem{fmt::format("\"{}\" is not a regular expression.", find), where, "", true};
        }
    }
    if (const auto names = json.find("names"); names != json.end()) {
        if (!names->is_object()) {
            parameters.complain("\"names\" is not an object of old names and new.");
        } else {
            for (const auto& [before, after] : names->items()) {
                if (!after.is_string() || after.get<std::string>().empty()) {
                    parameters.complain(fmt::format("the new name of \"{}\" is not a text.", before));
                    break;
                }
                rules.names[before] = after.get<std::string>();
            }
        }
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    return rules;
}

std::vector<RenameRow> preview_rename(const std::vector<std::string>& names, const std::vector<std::string>& others,
                                      const RenameRules& rules) {
    std::vector<RenameRow> rows;
    std::unordered_map<std::string, int> count;
    for (const std::string& name : others) {
        ++count[name];
    }
    for (const std::string& name : names) {
        const Result<std::string> after = rules.apply(name);
        RenameRow row{name, after ? *after : name, after ? "" : after.problem().what};
        ++count[row.after];
        rows.push_back(std::move(row));
    }
    for (RenameRow& row : rows) {
        if (row.clash.empty() && count[row.after] > 1) {
            row.clash = fmt::format("{} would be called “{}”", count[row.after], row.after);
        }
    }
    return rows;
}

} // namespace wembrix
