#include "core/steps/rename_rules.h"

#include "core/measure/skeleton/pairs.h"

#include <cctype>
#include <fmt/format.h>
#include <unordered_map>

namespace wembrix {

namespace {

constexpr size_t longest = 256; // the matcher recurses once a character

using Rule = RenameRules::Rule;

std::string in_letters(std::string name, Rule::Letters letters) {
    for (size_t i = 0; i < name.size(); ++i) {
        const auto c = static_cast<unsigned char>(name[i]);
        const bool begins = i == 0 || std::isalnum(static_cast<unsigned char>(name[i - 1])) == 0;
        const bool upper = letters == Rule::Letters::upper || (letters == Rule::Letters::first && begins);
        name[i] = static_cast<char>(upper ? std::toupper(c) : letters == Rule::Letters::first ? c : std::tolower(c));
    }
    return name;
}

/// A separator that has lost its neighbour goes.
std::string tidied(const std::string& name) {
    std::string tidy;
    for (const char c : name) {
        const bool separator = c == '_' || c == '-' || c == '.' || c == ' ';
        if (!separator || (!tidy.empty() && tidy.back() != c)) {
            tidy += c;
        }
    }
    while (!tidy.empty() && (tidy.back() == '_' || tidy.back() == '-' || tidy.back() == '.' || tidy.back() == ' ')) {
        tidy.pop_back();
    }
    return tidy;
}

std::string with_side_word(const std::string& name, const Rule& rule) {
    const SideWord word = side_word(name);
    if (word.side == Side::middle) {
        return name;
    }
    const std::string& now = word.side == Side::left ? rule.left : rule.right;
    const std::string before = name.substr(0, word.at);
    const std::string after = name.substr(word.at + word.length);
    if (rule.at == Rule::At::there) {
        return before + now + after;
    }
    const std::string rest = tidied(before + after);
    return rule.at == Rule::At::end ? rest + now : now + rest;
}

/// "finger_##" with 3 is "finger_03".
std::string numbered(const std::string& name, int number) {
    const size_t from = name.find('#');
    const size_t to = std::min(name.find_first_not_of('#', from), name.size());
    return name.substr(0, from) + fmt::format("{:0{}}", number, to - from) + name.substr(to);
}

/// One name after one rule. `counts` holds how often each numbered text has come.
Result<std::string> after_rule(const std::string& name, const Rule& rule, std::map<std::string, int>& counts) {
    if (name.size() > longest) {
        return Problem{"is longer than 256 characters.", name.substr(0, 40) + "…", ""};
    }
    try {
        if (!std::regex_search(name, rule.find)) {
            return name;
        }
        if (rule.kind == Rule::Kind::letters) {
            return in_letters(name, rule.letters);
        }
        if (rule.kind == Rule::Kind::sides) {
            return with_side_word(name, rule);
        }
        const std::string now = std::regex_replace(name, rule.find, rule.replace);
        return rule.replace.find('#') != std::string::npos && now.find('#') != std::string::npos
                   ? numbered(now, ++counts[now])
                   : now;
    } catch (const std::regex_error&) {
        return Problem{"a rule takes too long on this name.", name, "Write the rule more simply."};
    }
}

} // namespace

std::vector<Result<std::string>> RenameRules::apply(const std::vector<std::string>& all) const {
    std::vector<Result<std::string>> after;
    after.reserve(all.size());
    std::vector<std::map<std::string, int>> counts(rules.size());
    for (const std::string& name : all) {
        if (const auto given = names.find(name); given != names.end()) {
            after.emplace_back(given->second);
            continue;
        }
        Result<std::string> now = name;
        for (size_t r = 0; r < rules.size() && now; ++r) {
            now = after_rule(*now, rules[r], counts[r]);
        }
        if (now && now->empty()) {
            now = Problem{"the rules leave nothing of the name.", name, ""};
        }
        after.push_back(std::move(now));
    }
    return after;
}

namespace {

Result<Rule> rule_from(const nlohmann::json& row) {
    Parameters parameters(row, {"find", "replace", "letters", "left", "right", "at"});
    Rule rule;
    const bool letters = row.contains("letters");
    const bool sides = row.contains("left") || row.contains("right");
    const std::string find = letters || sides ? parameters.text("find", "") : parameters.needed_text("find");
    rule.replace = parameters.text("replace", "");
    rule.kind = letters ? Rule::Kind::letters : sides ? Rule::Kind::sides : Rule::Kind::replace;
    if (letters) {
        const std::string which = parameters.text("letters", "");
        if (which != "lower" && which != "upper" && which != "first") {
            parameters.complain("\"letters\" is none of lower, upper, first.");
        }
        rule.letters = which == "upper"   ? Rule::Letters::upper
                       : which == "first" ? Rule::Letters::first
                                          : Rule::Letters::lower;
    }
    if (sides) {
        rule.left = parameters.needed_text("left");
        rule.right = parameters.needed_text("right");
        const std::string at = parameters.text("at", "end");
        if (at != "end" && at != "start" && at != "there") {
            parameters.complain("\"at\" is none of end, start, there.");
        }
        rule.at = at == "start" ? Rule::At::start : at == "there" ? Rule::At::there : Rule::At::end;
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    try {
        rule.find = std::regex(find, std::regex::ECMAScript);
    } catch (const std::regex_error&) {
        return Problem{fmt::format("\"{}\" is not a regular expression.", find), "", "", true};
    }
    return rule;
}

} // namespace

Result<RenameRules> rename_rules_from(Parameters& parameters, const nlohmann::json& json) {
    RenameRules rules;
    for (const nlohmann::json& row : parameters.objects("rules")) {
        Result<Rule> rule = rule_from(row);
        if (!rule) {
            Problem problem = rule.problem();
            problem.where = fmt::format("rule {}", rules.rules.size() + 1);
            return problem;
        }
        rules.rules.push_back(rule.take());
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
    const std::vector<Result<std::string>> all = rules.apply(names);
    for (size_t i = 0; i < names.size(); ++i) {
        const Result<std::string>& after = all[i];
        RenameRow row{names[i], after ? *after : names[i], after ? "" : after.problem().what};
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
