#include "core/steps/rename_rules.h"

#include "core/base/latin.h"
#include "core/base/pattern.h"
#include "core/base/text.h"
#include "core/measure/skeleton/pairs.h"

#include <algorithm>
#include <cctype>
#include <fmt/format.h>
#include <iterator>
#include <unordered_map>

namespace wembrix {

struct RenameRules::Compiled {
    RenameRule rule;
    Pattern find;
};

namespace {

std::string in_case(std::string name, const std::string& letters) {
    for (size_t i = 0; i < name.size(); ++i) {
        const auto c = static_cast<unsigned char>(name[i]);
        const bool begins = i == 0 || std::isalnum(static_cast<unsigned char>(name[i - 1])) == 0;
        const bool upper = letters == "upper" || (letters == "first" && begins);
        name[i] = static_cast<char>(upper ? std::toupper(c) : letters == "first" ? c : std::tolower(c));
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

std::string with_side_word(const std::string& name, const RenameRule& rule) {
    const SideWord word = side_word(name);
    if (word.side == Side::middle) {
        return name;
    }
    const std::string& now = word.side == Side::left ? rule.left : rule.right;
    const std::string before = name.substr(0, word.at);
    const std::string after = name.substr(word.at + word.length);
    if (rule.at == "there") {
        return before + now + after;
    }
    const std::string rest = tidied(before + after);
    return rule.at == "end" ? rest + now : now + rest;
}

/// "finger_##" with 3 is "finger_03".
std::string numbered(const std::string& name, int number) {
    const size_t from = name.find('#');
    const size_t to = std::min(name.find_first_not_of('#', from), name.size());
    return name.substr(0, from) + fmt::format("{:0{}}", number, to - from) + name.substr(to);
}

/// One name after one rule. `counts` holds how often each numbered text has come.
std::string after_rule(const std::string& name, const RenameRule& rule, const Pattern& find,
                       std::map<std::string, int>& counts) {
    if (!find.is_found_in(name)) {
        return name;
    }
    if (!rule.letters.empty()) {
        return in_latin(name);
    }
    if (!rule.letter_case.empty()) {
        return in_case(name, rule.letter_case);
    }
    if (!rule.left.empty()) {
        return with_side_word(name, rule);
    }
    const std::string now = find.replace_all(name, rule.replace);
    return rule.replace.find('#') != std::string::npos && now.find('#') != std::string::npos
               ? numbered(now, ++counts[now])
               : now;
}

} // namespace

std::vector<Result<std::string>> RenameRules::apply(const std::vector<std::string>& all) const {
    std::vector<Result<std::string>> after;
    after.reserve(all.size());
    std::vector<std::map<std::string, int>> counts(rules_->size());
    for (const std::string& name : all) {
        if (const auto given = names_.find(name); given != names_.end()) {
            after.emplace_back(given->second);
            continue;
        }
        std::string now = name;
        for (size_t r = 0; r < rules_->size(); ++r) {
            now = after_rule(now, (*rules_)[r].rule, (*rules_)[r].find, counts[r]);
        }
        if (now.empty()) {
            after.emplace_back(Problem{"the rules leave nothing of the name.", name, ""});
        } else {
            after.emplace_back(std::move(now));
        }
    }
    return after;
}

std::vector<std::string> RenameRules::idle(const std::vector<std::string>& all) const {
    std::vector<std::string> idle;
    std::vector<std::map<std::string, int>> counts(rules_->size());
    std::vector<std::string> names;
    std::copy_if(all.begin(), all.end(), std::back_inserter(names),
                 [&](const std::string& name) { return names_.count(name) == 0; });
    for (size_t r = 0; r < rules_->size(); ++r) {
        const Compiled& one = (*rules_)[r];
        bool found = false;
        for (std::string& name : names) {
            found = found || one.find.is_found_in(name);
            name = after_rule(name, one.rule, one.find, counts[r]);
        }
        if (!found) {
            idle.push_back(one.rule.find);
        }
    }
    return idle;
}

std::vector<Parameter> rename_rule_columns() {
    return {text<&RenameRule::find>("find", "Find", "Regular expression"),
            text<&RenameRule::replace>("replace", "Replace", "What stands in its place"),
            choice<&RenameRule::letter_case>("case", "Case", {"lower", "upper", "first"}, "Of the whole name"),
            choice<&RenameRule::letters>("letters", "Letters", {"latin"}, "Any script in plain Latin letters"),
            text<&RenameRule::left>("left", "Left", "Token of the left side").not_empty(),
            text<&RenameRule::right>("right", "Right", "Token of the right side").not_empty(),
            choice<&RenameRule::at>("at", "At", {"end", "start", "there"}, "Where the token goes")};
}

Result<RenameRules> RenameRules::compile(const std::vector<RenameRule>& rules,
                                         std::map<std::string, std::string> names) {
    std::vector<Compiled> compiled;
    for (const RenameRule& rule : rules) {
        const std::string where = fmt::format("rule {}", compiled.size() + 1);
        const bool sides = !rule.left.empty() || !rule.right.empty();
        if (sides && (rule.left.empty() || rule.right.empty())) {
            return malformed(phrase("needs \"{}\".", rule.left.empty() ? "left" : "right"), where);
        }
        if (!sides && rule.letter_case.empty() && rule.letters.empty() && rule.find.empty()) {
            return malformed("needs \"find\".", where);
        }
        Result<Pattern> find = Pattern::compile(rule.find);
        if (!find) {
            Problem problem = find.problem();
            problem.where = where;
            return problem;
        }
        compiled.push_back({rule, find.take()});
    }
    RenameRules ready;
    ready.rules_ = std::make_shared<const std::vector<Compiled>>(std::move(compiled));
    ready.names_ = std::move(names);
    return ready;
}

Result<RenameRules> RenameRules::from_json(const nlohmann::json& json) {
    const std::vector<Parameter> parameters = rename_parameters<RenameSettings>();
    if (std::optional<Problem> wrong = check_parameters(parameters, json)) {
        return *wrong;
    }
    RenameSettings settings;
    fill_settings(parameters, json, &settings);
    return compile(settings.rules, settings.names);
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
            row.clash = phrase("{} would be called “{}”", count[row.after], row.after);
        }
    }
    return rows;
}

} // namespace wembrix
