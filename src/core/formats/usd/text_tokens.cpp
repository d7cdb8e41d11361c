#include "core/formats/usd/text_tokens.h"

#include <algorithm>
#include <charconv>

namespace wembrix::usd {

namespace {

bool begins_word(char c) {
    return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_' || static_cast<unsigned char>(c) >= 0x80;
}
bool goes_on(char c) {
    return begins_word(c) || (c >= '0' && c <= '9');
}

} // namespace

void Tokens::skip_blanks() {
    while (at_ < text_.size()) {
        const char c = text_[at_];
        if (c == ' ' || c == '\t' || c == '\r' || c == '\n') {
            ++at_;
        } else if (c == '#' || text_.substr(at_, 2) == "//") {
            at_ = std::min(text_.find('\n', at_), text_.size());
        } else if (text_.substr(at_, 2) == "/*") {
            const size_t end = text_.find("*/", at_ + 2);
            at_ = end == std::string_view::npos ? text_.size() : end + 2;
        } else {
            return;
        }
    }
}

void Tokens::skip(size_t count) {
    at_ = begin_ + count;
    next();
}

void Tokens::next() {
    skip_blanks();
    begin_ = at_;
    line_ += static_cast<size_t>(std::count(text_.begin() + static_cast<ptrdiff_t>(counted_),
                                            text_.begin() + static_cast<ptrdiff_t>(at_), '\n'));
    counted_ = at_;
    now_ = {};
    if (at_ >= text_.size()) {
        return;
    }
    const char c = text_[at_];
    if (begins_word(c)) {
        size_t end = at_ + 1;
        while (end < text_.size() && (goes_on(text_[end]) || ((text_[end] == ':' || text_[end] == '.') &&
                                                              end + 1 < text_.size() && goes_on(text_[end + 1])))) {
            ++end;
        }
        now_ = {Kind::word, text_.substr(at_, end - at_), {}};
        if (now_.text == "inf" || now_.text == "nan") {
            now_.kind = Kind::number;
        }
        at_ = end;
        return;
    }
    if ((c >= '0' && c <= '9') || c == '-' || c == '+' || c == '.') {
        const size_t from = c == '+' ? at_ + 1 : at_;
        double value = 0;
        const auto [end, wrong] = std::from_chars(text_.data() + from, text_.data() + text_.size(), value);
        if (wrong != std::errc::invalid_argument) {
            const auto length = static_cast<size_t>(end - (text_.data() + at_));
            now_ = {Kind::number, text_.substr(from, length - (from - at_)), {}};
            at_ += length;
            return;
        }
    }
    if (c == '"' || c == '\'') {
        read_string(c);
        return;
    }
    if (c == '@') {
        read_asset();
        return;
    }
    if (c == '<') {
        const size_t end = text_.find_first_of(">\n", at_);
        // A property stands behind a prim: between a slash and its name there is one.
        const std::string_view path = text_.substr(at_ + 1, end == std::string_view::npos ? 0 : end - at_ - 1);
        const size_t nameless = path.find("/.");
        const bool is_path =
            nameless == std::string_view::npos || path.substr(nameless, 3) == "/.." /* a path from here */;
        if (end != std::string_view::npos && text_[end] == '>' && is_path) {
            now_ = {Kind::path, text_.substr(at_, end + 1 - at_), std::string(text_.substr(at_ + 1, end - at_ - 1))};
            at_ = end + 1;
            return;
        }
    }
    const bool is_mark = std::string_view("=()[]{},;:&.").find(c) != std::string_view::npos;
    now_ = {is_mark ? Kind::mark : Kind::broken, text_.substr(at_, 1), {}};
    ++at_;
}

void Tokens::read_string(char quote) {
    const std::string three(3, quote);
    const bool is_long = text_.substr(at_, 3) == three;
    size_t at = at_ + (is_long ? 3 : 1);
    std::string value;
    while (at < text_.size()) {
        if (is_long ? text_.substr(at, 3) == three : text_[at] == quote) {
            now_ = {Kind::string, text_.substr(at_, 1), std::move(value)};
            at_ = at + (is_long ? 3 : 1);
            return;
        }
        if (text_[at] == '\n' && !is_long) {
            break;
        }
        if (text_[at] != '\\' || at + 1 >= text_.size()) {
            value += text_[at++];
            continue;
        }
        const char c = text_[at + 1];
        at += 2;
        if (c == 'n') {
            value += '\n';
        } else if (c == 't') {
            value += '\t';
        } else if (c == 'r') {
            value += '\r';
        } else if (c == 'x' || (c >= '0' && c <= '7')) { // two hexadecimal or up to three octal digits
            const size_t from = c == 'x' ? at : at - 1;
            uint32_t code = 0;
            const char* last = text_.data() + std::min(text_.size(), from + (c == 'x' ? 2 : 3));
            const auto [end, wrong] = std::from_chars(text_.data() + from, last, code, c == 'x' ? 16 : 8);
            if (wrong == std::errc() && code != 0) {
                value += static_cast<char>(std::min<uint32_t>(code, 0xFF));
                at = static_cast<size_t>(end - text_.data());
            }
        } else if (c != '\n') {
            value += c;
        }
    }
    now_ = {Kind::broken, text_.substr(at_, 1), {}};
    at_ = text_.size();
}

void Tokens::read_asset() {
    const bool is_long = text_.substr(at_, 3) == "@@@";
    const size_t from = at_ + (is_long ? 3 : 1);
    const size_t end = is_long ? text_.find("@@@", from) : text_.find_first_of("@\n", from);
    if (end == std::string_view::npos || text_[end] != '@') {
        now_ = {Kind::broken, text_.substr(at_, 1), {}};
        at_ = text_.size();
        return;
    }
    std::string value(text_.substr(from, end - from));
    for (size_t escaped = value.find("\\@@@"); is_long && escaped != std::string::npos;
         escaped = value.find("\\@@@", escaped)) {
        value.erase(escaped, 1);
    }
    now_ = {Kind::asset, text_.substr(at_, 1), std::move(value)};
    at_ = end + (is_long ? 3 : 1);
}

} // namespace wembrix::usd
