#include "core/formats/obj/obj_text.h"

#include <array>
#include <charconv>
#include <cmath>

namespace wembrix::obj {

namespace {

bool is_blank(char c) {
    return c == ' ' || c == '\t' || c == '\r';
}

/// Powers of ten that a double holds exactly: a product or quotient of two exact numbers is rounded once. (Clinger, How
/// to Read Floating Point Numbers Accurately, 1990)
constexpr std::array<double, 23> tens = {1e0,  1e1,  1e2,  1e3,  1e4,  1e5,  1e6,  1e7,  1e8,  1e9,  1e10, 1e11,
                                         1e12, 1e13, 1e14, 1e15, 1e16, 1e17, 1e18, 1e19, 1e20, 1e21, 1e22};

} // namespace

void Lines::skip_blanks() {
    while (at_ < end_) {
        if (is_blank(*at_)) {
            ++at_;
        } else if (*at_ == '\\' && at_ + 1 < end_ &&
                   (at_[1] == '\n' || (at_[1] == '\r' && at_ + 2 < end_ && at_[2] == '\n'))) {
            at_ += at_[1] == '\n' ? 2 : 3;
            ++line_;
        } else {
            return;
        }
    }
}

void Lines::skip_line() {
    while (true) {
        skip_blanks();
        if (at_ >= end_ || *at_ == '\n') {
            return;
        }
        ++at_;
    }
}

std::string_view Lines::next_line() {
    while (at_ < end_) {
        if (line_ > 0) {
            skip_line();
            if (at_ >= end_) {
                return {};
            }
            ++at_; // the line's end
        }
        ++line_;
        skip_blanks();
        if (at_ < end_ && *at_ != '\n' && *at_ != '#') {
            return word();
        }
    }
    return {};
}

std::string_view Lines::word() {
    skip_blanks();
    const char* begin = at_;
    while (at_ < end_ && *at_ != '\n' && !is_blank(*at_) && *at_ != '\\') {
        ++at_;
    }
    if (at_ == begin && at_ < end_ && *at_ == '\\') { // a backslash that ends no line is a part of a name
        ++at_;
        while (at_ < end_ && *at_ != '\n' && !is_blank(*at_)) {
            ++at_;
        }
    }
    return {begin, static_cast<size_t>(at_ - begin)};
}

std::string_view Lines::rest() {
    skip_blanks();
    const char* begin = at_;
    while (at_ < end_ && *at_ != '\n') {
        ++at_;
    }
    const char* last = at_;
    while (last > begin && is_blank(last[-1])) {
        --last;
    }
    return {begin, static_cast<size_t>(last - begin)};
}

bool Lines::number(double& value) {
    skip_blanks();
    const char* at = at_;
    const bool minus = at < end_ && *at == '-';
    at += at < end_ && (*at == '-' || *at == '+') ? 1 : 0;
    uint64_t digits = 0;
    int count = 0;
    int exponent = 0;
    bool any = false;
    const auto take = [&](bool behind_point) {
        while (at < end_ && *at >= '0' && *at <= '9') {
            any = true;
            if (count < 18) {
                digits = digits * 10 + static_cast<uint64_t>(*at - '0');
                count += digits > 0 ? 1 : 0;
                exponent -= behind_point ? 1 : 0;
            } else {
                count = 99; // more than fits: the slow way
                exponent += behind_point ? 0 : 1;
            }
            ++at;
        }
    };
    take(false);
    if (at < end_ && *at == '.') {
        ++at;
        take(true);
    }
    if (any && at < end_ && (*at == 'e' || *at == 'E')) {
        int power = 0;
        const char* from = at + 1 + (at + 1 < end_ && at[1] == '+' ? 1 : 0);
        const auto [end, error] = std::from_chars(from, end_, power);
        if (error == std::errc() && std::abs(power) < 100000) {
            exponent += power;
            at = end;
        }
    }
    const bool ends = at == end_ || is_blank(*at) || *at == '\n' || *at == '\\';
    if (!any || !ends) {
        const auto [end, error] =
            std::from_chars(at_ + (at_ < end_ && *at_ == '+' ? 1 : 0), end_, value); // "nan", "inf"
        const bool whole = end == end_ || is_blank(*end) || *end == '\n' || *end == '\\';
        if (error != std::errc() || end == at_ || !whole) {
            return false;
        }
        at_ = end;
        return true;
    }
    if (count <= 18 && digits < (1ULL << 53U) && exponent >= -22 && exponent <= 22) {
        const auto whole = static_cast<double>(digits);
        value = exponent < 0 ? whole / tens.at(static_cast<size_t>(-exponent))
                             : whole * tens.at(static_cast<size_t>(exponent));
        value = minus ? -value : value;
    } else {
        const char* from = at_ + (*at_ == '+' ? 1 : 0);
        const auto [end, error] = std::from_chars(from, at, value);
        if (error == std::errc::result_out_of_range) {
            value = exponent > 0 ? (minus ? -1e308 : 1e308) : 0.0;
        } else if (error != std::errc() || end != at) {
            return false;
        }
    }
    at_ = at;
    return true;
}

bool Lines::corner(int64_t (&indices)[3], bool& broken) {
    skip_blanks();
    broken = false;
    indices[0] = indices[1] = indices[2] = 0;
    if (at_ >= end_ || *at_ == '\n' || *at_ == '#') {
        return false;
    }
    for (size_t part = 0; part < 3; ++part) {
        if (at_ < end_ && *at_ != '/') {
            const bool minus = *at_ == '-';
            const char* from = at_ + (minus ? 1 : 0);
            int64_t value = 0;
            const char* at = from;
            for (; at < end_ && *at >= '0' && *at <= '9' && at - from < 18; ++at) {
                value = value * 10 + (*at - '0');
            }
            if (at == from && !(part > 0 && (is_blank(*at_) || *at_ == '\n'))) {
                broken = true;
                return true;
            }
            indices[part] = minus ? -value : value;
            at_ = at;
        }
        if (at_ >= end_ || *at_ != '/') {
            break;
        }
        ++at_;
    }
    broken = at_ < end_ && !is_blank(*at_) && *at_ != '\n' && *at_ != '\\' && *at_ != '#';
    return true;
}

} // namespace wembrix::obj
