// Walks through a BVH word by word.
#pragma once

#include "core/base/text.h"
#include <algorithm>
#include <cctype>
#include <charconv>
#include <cmath>
#include <optional>

#include <string>
#include <string_view>

namespace wembrix::bvh {

/// What is wrong, and where.
struct Bad {
    Text what;
    int line = 0;
};

/// Words of a text, and the lines they stand on.
class Words {
  public:
    explicit Words(std::string_view text) : text_(text) {
        if (text_.starts_with("\xEF\xBB\xBF")) {
            text_.remove_prefix(3); // a mark of UTF-8, which some put before everything
        }
    }

    /// The next word, or nothing at the end.
    std::string_view next() {
        skip();
        const size_t first = at_;
        while (at_ < text_.size() && !is_space(text_[at_])) {
            ++at_;
        }
        return text_.substr(first, at_ - first);
    }
    void to_next_word() { skip(); }
    /// The rest of the line, without the spaces around it.
    std::string_view rest_of_line() {
        const size_t first = at_;
        while (at_ < text_.size() && text_[at_] != '\n') {
            ++at_;
        }
        std::string_view rest = text_.substr(first, at_ - first);
        while (!rest.empty() && is_space(rest.front())) {
            rest.remove_prefix(1);
        }
        while (!rest.empty() && is_space(rest.back())) {
            rest.remove_suffix(1);
        }
        return rest;
    }
    /// A word as a number, with a point or a comma; nothing where it is none.
    std::optional<double> as_number(std::string_view word) {
        std::string text(word.substr(0, 60));
        if (!text.empty() && text.front() == '+') {
            text.erase(0, 1);
        }
        if (const size_t comma = text.find(','); comma != std::string::npos && text.find('.') == std::string::npos) {
            text[comma] = '.';
            has_commas_ = true;
        }
        double value = 0;
        const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
        if (word.size() > 60 || text.empty() || error != std::errc() || end != text.data() + text.size() ||
            !std::isfinite(value) || std::abs(value) > 1e12) {
            return std::nullopt;
        }
        return value;
    }
    double number(const char* of) {
        const std::string_view word = next();
        const std::optional<double> value = as_number(word);
        if (!value) {
            throw Bad{word.empty() ? phrase("the file ends where {} is expected", of)
                                   : phrase("\"{}\" stands where {} is expected", some(word), of),
                      line_};
        }
        return *value;
    }
    /// Some number was written with a comma.
    [[nodiscard]] bool has_commas() const { return has_commas_; }
    void expect(std::string_view wanted) {
        const std::string_view word = next();
        if (!same(word, wanted)) {
            throw Bad{word.empty() ? phrase("the file ends where \"{}\" is expected", wanted)
                                   : phrase("\"{}\" stands where \"{}\" is expected", some(word), wanted),
                      line_};
        }
    }
    [[nodiscard]] int line() const { return line_; }
    [[nodiscard]] size_t left() const { return text_.size() - at_; }
    static bool same(std::string_view a, std::string_view b) {
        return a.size() == b.size() && std::equal(a.begin(), a.end(), b.begin(), [](unsigned char x, unsigned char y) {
                   return std::tolower(x) == std::tolower(y);
               });
    }
    static std::string some(std::string_view word) {
        std::string text(word.substr(0, 40));
        std::replace_if(
            text.begin(), text.end(), [](unsigned char c) { return c < 32 || c > 126; }, '?');
        return text;
    }

  private:
    static bool is_space(char c) { return c == ' ' || c == '\t' || c == '\r' || c == '\n' || c == '\f' || c == '\v'; }
    void skip() {
        while (at_ < text_.size() && is_space(text_[at_])) {
            line_ += text_[at_] == '\n' ? 1 : 0;
            ++at_;
        }
    }

    std::string_view text_;
    size_t at_ = 0;
    int line_ = 1;
    bool has_commas_ = false;
};

} // namespace wembrix::bvh
