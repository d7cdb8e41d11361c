// Walks through the lines of an OBJ or of its library.
#pragma once

#include <cstdint>
#include <string>
#include <string_view>

namespace wembrix::obj {

/// The words of one line after the other; a line that ends in a backslash goes on in the next.
class Lines {
  public:
    explicit Lines(std::string_view text) : at_(text.data()), end_(text.data() + text.size()) {}

    /// Goes to the next line that has a word and is no comment; its first word, empty at the end of the text.
    std::string_view next_line();
    /// The next word of the line; empty at its end.
    std::string_view word();
    /// What is left of the line, without blanks around it.
    std::string_view rest();
    /// The next word as a number. False where there is none or it is none; the word is then not taken.
    bool number(double& value);
    bool number(float& value) {
        double wide = 0;
        const bool is = number(wide);
        value = static_cast<float>(wide);
        return is;
    }
    /// The next word as up to three indices, `1/2/3`, `1//3`; 0 for those that are not there. False at the line's end;
    /// `broken` where the word is something else.
    bool corner(int64_t (&indices)[3], bool& broken);
    [[nodiscard]] size_t line() const { return line_; }

  private:
    void skip_blanks();
    void skip_line();
    const char* at_;
    const char* end_;
    size_t line_ = 0;
};

} // namespace wembrix::obj
