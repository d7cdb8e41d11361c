#include "core/base/pattern.h"
#include "core/base/text.h"

#include <cassert>
#include <re2/re2.h>
#include <vector>

namespace wembrix {

namespace {

std::shared_ptr<const RE2> compiled(const std::string& expression) {
    RE2::Options options;
    options.set_log_errors(false);
    return std::make_shared<const RE2>(expression, options);
}

bool is_digit(char c) {
    return c >= '0' && c <= '9';
}

/// `groups[0]` is all that was found. A group that there is not stands for nothing.
void expand(std::string_view replacement, const std::vector<re2::StringPiece>& groups, std::string& out) {
    const auto put = [&](size_t group) {
        if (group < groups.size()) {
            out.append(groups[group].data(), groups[group].size());
        }
    };
    for (size_t i = 0; i < replacement.size(); ++i) {
        const char next = i + 1 < replacement.size() ? replacement[i + 1] : '\0';
        if (replacement[i] != '$' || (next != '$' && next != '&' && !is_digit(next))) {
            out += replacement[i];
            continue;
        }
        ++i;
        if (next == '$') {
            out += '$';
        } else if (next == '&') {
            put(0);
        } else {
            size_t group = static_cast<size_t>(next - '0');
            if (i + 1 < replacement.size() && is_digit(replacement[i + 1]) &&
                group * 10 + static_cast<size_t>(replacement[i + 1] - '0') < groups.size()) {
                group = group * 10 + static_cast<size_t>(replacement[++i] - '0');
            }
            put(group);
        }
    }
}

/// Bytes of the letter that begins at `at`.
size_t letter_length(std::string_view text, size_t at) {
    size_t length = 1;
    while (at + length < text.size() && (static_cast<unsigned char>(text[at + length]) & 0xC0U) == 0x80U) {
        ++length;
    }
    return length;
}

} // namespace

Result<Pattern> Pattern::compile(const std::string& expression) {
    std::shared_ptr<const RE2> made = compiled(expression);
    if (!made->ok()) {
        return Problem{
            phrase("\"{}\" is not a regular expression that can be used: {}.", expression.substr(0, 80), made->error()),
            "", "Look-ahead, look-behind and references back are not known."};
    }
    return Pattern(std::move(made));
}

Pattern Pattern::checked(const std::string& expression) {
    std::shared_ptr<const RE2> made = compiled(expression);
    assert(made->ok());
    return Pattern(std::move(made));
}

bool Pattern::matches_whole(std::string_view text) const {
    return RE2::FullMatch(re2::StringPiece(text.data(), text.size()), *expression_);
}

bool Pattern::is_found_in(std::string_view text) const {
    return RE2::PartialMatch(re2::StringPiece(text.data(), text.size()), *expression_);
}

std::string Pattern::replace_all(std::string_view text, std::string_view replacement) const {
    const re2::StringPiece whole(text.data(), text.size());
    std::vector<re2::StringPiece> groups(static_cast<size_t>(expression_->NumberOfCapturingGroups()) + 1);
    std::string out;
    size_t at = 0;
    while (at <= text.size() && expression_->Match(whole, at, text.size(), RE2::UNANCHORED, groups.data(),
                                                   static_cast<int>(groups.size()))) {
        const auto first = static_cast<size_t>(groups[0].data() - whole.data());
        out.append(text.substr(at, first - at));
        expand(replacement, groups, out);
        at = first + groups[0].size();
        if (groups[0].empty()) {
            const size_t step = at < text.size() ? letter_length(text, at) : 1;
            out.append(text.substr(std::min(at, text.size()), step));
            at += step;
        }
    }
    if (at < text.size()) {
        out.append(text.substr(at));
    }
    return out;
}

} // namespace wembrix
