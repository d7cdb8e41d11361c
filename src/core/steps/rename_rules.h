// Rules that rename: a regular expression and what stands in its place, one after another; and names given one by one.
#pragma once

#include "core/base/result.h"
#include "core/parameters/parameter.h"
#include <map>
#include <memory>
#include <string>
#include <vector>

namespace wembrix {

/// One rule as it is written down: find and replace; or a case for the whole name; or words for the sides.
struct RenameRule {
    std::string find;        ///< regular expression (core/base/pattern.h); names it finds nothing in are left alone
    std::string replace;     ///< with $1 $2 …; a run of # in it is a number, counted for each other text
    std::string letter_case; ///< "lower", "upper", "first"; empty: as they are
    std::string letters;     ///< "latin": every letter in plain Latin ones; empty: as they are
    std::string left;        ///< what the token for the side becomes
    std::string right;
    std::string at = "end"; ///< where it is put: "end", "start", "there"
};

/// The settings of a step that renames.
struct RenameSettings {
    std::vector<RenameRule> rules;
    std::map<std::string, std::string> names; ///< old name to new; such a name is not touched by the rules
};

/// Their declaration, for any settings with those two members.
std::vector<Parameter> rename_rule_columns();
template <typename Settings> std::vector<Parameter> rename_parameters() {
    return {rows<&Settings::rules>(
                "rules", "Rules", "rule", rename_rule_columns(),
                "One after another: `{\"find\": regular expression, \"replace\": text with $1 $2 …}` "
                "(no look-ahead, no references back; a run of `#` in the text is a number of so many "
                "digits, counted for each "
                "other text in order); `{\"left\", \"right\", \"at\"}` for the tokens that say a side; "
                "`{\"case\"}`; `{\"letters\": \"latin\"}` for names of any script in plain Latin letters; "
                "the last three may have a `find`, too")
                .typed_as("find → replace, one per line")
                .starting(nlohmann::json::array()),
            pairs<&Settings::names>("names", "One by one", "Old names and new, which the rules leave alone")
                .not_empty()
                .typed_as("old → new, one per line")};
}

/// Rules ready to be used, in order, each on what the one before made.
class RenameRules {
  public:
    static Result<RenameRules> compile(const std::vector<RenameRule>& rules, std::map<std::string, std::string> names);
    /// From {"rules": [...], "names": {...}}.
    static Result<RenameRules> from_json(const nlohmann::json& json);

    /// The names after the rules, or why there is none. Numbers are counted in the order of the names.
    [[nodiscard]] std::vector<Result<std::string>> apply(const std::vector<std::string>& all) const;
    /// What rules look for and find in none of the names, each on what the one before made.
    [[nodiscard]] std::vector<std::string> idle(const std::vector<std::string>& all) const;
    [[nodiscard]] const std::map<std::string, std::string>& names() const { return names_; }

  private:
    struct Compiled;
    std::shared_ptr<const std::vector<Compiled>> rules_;
    std::map<std::string, std::string> names_;
};

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
