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
        std::regex find;
        std::string replace;
    };
    std::vector<Rule> rules;                  ///< applied in order, each to what the one before made
    std::map<std::string, std::string> names; ///< old name to new; such a name is not touched by the rules

    /// The name after the rules, or why there is none.
    [[nodiscard]] Result<std::string> apply(const std::string& name) const;
};

/// Reads "rules" (a list of {"find", "replace"}) and "names" (an object) of a step's parameters.
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
