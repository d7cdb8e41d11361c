// Regular expressions in time that is linear in the text, whatever the expression: no look-ahead, no look-behind and no
// references back (RE2).
#pragma once

#include "core/base/result.h"

#include <memory>
#include <string>
#include <string_view>

namespace re2 {
class RE2;
}

namespace wembrix {

class Pattern {
  public:
    /// Texts are UTF-8. The Problem says what is wrong with the expression or is not supported in it.
    static Result<Pattern> compile(const std::string& expression);
    /// Precondition: compile(expression) is known to succeed.
    static Pattern checked(const std::string& expression);

    [[nodiscard]] bool matches_whole(std::string_view text) const;
    [[nodiscard]] bool is_found_in(std::string_view text) const;
    /// Every place where it is found, replaced: $1 to $99 stand for groups, $& for all that was found, $$ for a dollar.
    [[nodiscard]] std::string replace_all(std::string_view text, std::string_view replacement) const;

  private:
    explicit Pattern(std::shared_ptr<const re2::RE2> expression) : expression_(std::move(expression)) {}
    std::shared_ptr<const re2::RE2> expression_;
};

} // namespace wembrix
