// The words of a .usda file.
#pragma once

#include <cstdint>
#include <string>
#include <string_view>

namespace wembrix::usd {

class Tokens {
  public:
    enum class Kind : uint8_t {
        end,
        word,   ///< a name or keyword, with ':' and '.' inside: "primvars:st.timeSamples"
        number, ///< also inf, -inf and nan
        string,
        asset, ///< @…@
        path,  ///< <…>
        mark,  ///< one of = ( ) [ ] { } , ; : &
        broken ///< nothing that a file may hold
    };
    struct Token {
        Kind kind = Kind::end;
        std::string_view text; ///< of a word, a mark or a number as it stands
        std::string value;     ///< of a string, an asset or a path, without its quotes and escapes
    };

    explicit Tokens(std::string_view text) : text_(text) { next(); }
    [[nodiscard]] const Token& now() const { return now_; }
    [[nodiscard]] size_t line() const { return line_; } ///< that the token began in
    void next();
    [[nodiscard]] bool is(char mark) const { return now_.kind == Kind::mark && now_.text[0] == mark; }
    [[nodiscard]] bool is_word(std::string_view word) const { return now_.kind == Kind::word && now_.text == word; }
    /// Goes on where it is that mark.
    bool take(char mark) {
        const bool is_there = is(mark);
        if (is_there) {
            next();
        }
        return is_there;
    }
    bool take_word(std::string_view word) {
        const bool is_there = is_word(word);
        if (is_there) {
            next();
        }
        return is_there;
    }
    /// What has not been read yet, from the token that is now there; to go over numbers without making tokens of them.
    [[nodiscard]] std::string_view from_here() const { return text_.substr(begin_); }
    /// Goes on `count` bytes behind the beginning of the token that is now there.
    void skip(size_t count);

  private:
    void skip_blanks();
    void read_string(char quote);
    void read_asset();

    std::string_view text_;
    size_t at_ = 0;
    size_t begin_ = 0; ///< of the token that is now there
    size_t counted_ = 0;
    size_t line_ = 1;
    Token now_;
};

} // namespace wembrix::usd
