// Rules that rename: a regular expression and what stands in its place, one after another; and names given one by one.
#pragma once

#include "core/base/result.h"
#include "core/steps/parameters.h"

#include <map>
#include <regex>
#include <string>
#include <vector>

namespace wembrix {

struct RenameRules {
    struct Rule {
        enum class Kind {
            replace, ///< what `find` finds becomes `replace`; a run of # in it is a number, counted for each other text
            letters, ///< the whole name in `letters`
            sides,   ///< the word for the side becomes `left` or `right`, put `at`
        };
        enum class Letters { lower, upper, first };
        enum class At { end, start, there };
        Kind kind = Kind::replace;
        std::regex find; ///< names it finds nothing in are left alone
        std::string replace;
        Letters letters = Letters::lower;
        std::string left;
        std::string right;
        At at = At::end;
    };
    std::vector<Rule> rules;                  ///< applied in order, each to what the one before made
    std::map<std::string, std::string> names; ///< old name to new; such a name is not touched by the rules

    /// The names after the rules, or why there is none. Numbers are counted in the order of the names.
    [[nodiscard]] std::vector<Result<std::string>> apply(const std::vector<std::string>& all) const;
};

/// Reads "rules" and "names" (an object) of a step's parameters. A rule is {"find", "replace"};
/// {"letters": "lower" | "upper" | "first"}; or {"left", "right", "at": "end" | "start" | "there"}; the last two may
/// have a "find", too.
Result<RenameRules> rename_rules_from(Parameters& parameters, const nlohmann::json& json);

/// What the rules would make of each name, and what is wrong with it.
struct RenameRow {
    std::string before;
    std::string after;
    std::string clash; ///< empty, or why this name cannot be
    [[nodiscard]] bool changed() const { return before != after; }
};
/// `others` are names that stay and may not be met. A clash is an empty name, a name too long to match, or one that
/// stands twice afterwards.
std::vector<RenameRow> preview_rename(const std::vector<std::string>& names, const std::vector<std::string>& others,
                                      const RenameRules& rules);

} // namespace wembrix
