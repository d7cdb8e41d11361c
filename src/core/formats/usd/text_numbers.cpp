#include "core/formats/usd/text_numbers.h"

#include <algorithm>
#include <charconv>
#include <cstring>

namespace wembrix::usd {

namespace {

class Scan {
  public:
    Scan(const Type& type, std::string_view text)
        : type_(type), at_(text.data()), begin_(text.data()), end_(text.data() + text.size()),
          bytes_(std::make_shared<std::vector<std::byte>>()) {}

    std::optional<ScannedNumbers> run() {
        if (!(type_.is_array ? list() : element())) {
            return std::nullopt;
        }
        const std::span<const std::byte> all(*bytes_);
        return ScannedNumbers{Value(type_, bytes_, all), static_cast<size_t>(at_ - begin_)};
    }

  private:
    void skip_blanks() {
        while (at_ < end_) {
            const char c = *at_;
            const std::string_view left(at_, static_cast<size_t>(end_ - at_));
            if (c == ' ' || c == '\n' || c == '\t' || c == '\r') {
                ++at_;
            } else if (c == '#' || left.starts_with("//")) {
                at_ += std::min(left.find('\n'), left.size());
            } else if (left.starts_with("/*")) {
                const size_t close = left.find("*/", 2);
                at_ += close == std::string_view::npos ? left.size() : close + 2;
            } else {
                return;
            }
        }
    }
    bool take(char mark) {
        skip_blanks();
        const bool is_there = at_ < end_ && *at_ == mark;
        at_ += is_there ? 1 : 0;
        return is_there;
    }
    template <typename T> bool number() {
        skip_blanks();
        if (at_ < end_ && *at_ == '+') {
            ++at_;
        }
        T value{};
        const auto [end, wrong] = std::from_chars(at_, end_, value);
        if (wrong == std::errc::result_out_of_range && std::is_floating_point_v<T>) {
            double wide = 0; // smaller than the type can hold is 0, larger is infinite
            std::from_chars(at_, end_, wide);
            value = static_cast<T>(wide);
        } else if (wrong != std::errc()) {
            return false;
        }
        at_ = end;
        // A whole number may be written with a point.
        if constexpr (std::is_integral_v<T>) {
            if (at_ < end_ && *at_ == '.') {
                for (++at_; at_ < end_ && *at_ == '0';) {
                    ++at_;
                }
            }
        }
        put(value);
        return true;
    }
    template <typename T> void put(T value) {
        const size_t before = bytes_->size();
        bytes_->resize(before + sizeof value);
        std::memcpy(bytes_->data() + before, &value, sizeof value);
    }
    bool word(std::string_view text) {
        const bool is_there = std::string_view(at_, static_cast<size_t>(end_ - at_)).starts_with(text);
        at_ += is_there ? text.size() : 0;
        return is_there;
    }
    bool component() {
        switch (type_.kind) {
        case Kind::boolean: {
            skip_blanks();
            const bool yes = word("true") || word("True");
            if (yes || word("false") || word("False")) {
                put(static_cast<uint8_t>(yes ? 1 : 0));
                return true;
            }
            return number<uint8_t>();
        }
        case Kind::uchar:
            return number<uint8_t>();
        case Kind::int32:
            return number<int32_t>();
        case Kind::uint32:
            return number<uint32_t>();
        case Kind::int64:
            return number<int64_t>();
        case Kind::uint64:
            return number<uint64_t>();
        case Kind::half: {
            if (!number<float>()) {
                return false;
            }
            float wide = 0;
            std::memcpy(&wide, bytes_->data() + bytes_->size() - 4, 4);
            bytes_->resize(bytes_->size() - 4);
            put(to_half(wide));
            return true;
        }
        case Kind::float32:
            return number<float>();
        default:
            return number<double>();
        }
    }
    bool tuple(size_t count) {
        if (!take('(')) {
            return false;
        }
        for (size_t c = 0; c < count; ++c) {
            if ((c > 0 && !take(',')) || !component()) {
                return false;
            }
        }
        take(',');
        return take(')');
    }
    bool element() {
        if (type_.form == Form::scalar) {
            return component();
        }
        if (type_.form != Form::matrix) {
            const size_t before = bytes_->size();
            if (!tuple(type_.width)) {
                return false;
            }
            if (type_.form == Form::quaternion) { // the real part stands first in text
                const auto first = bytes_->begin() + static_cast<ptrdiff_t>(before);
                std::rotate(first, first + static_cast<ptrdiff_t>(size_of(type_.kind)), bytes_->end());
            }
            return true;
        }
        const size_t rows = type_.width == 4 ? 2 : type_.width == 9 ? 3 : 4;
        if (!take('(')) {
            return false;
        }
        for (size_t r = 0; r < rows; ++r) {
            if ((r > 0 && !take(',')) || !tuple(rows)) {
                return false;
            }
        }
        take(',');
        return take(')');
    }
    bool list() {
        if (!take('[')) {
            return false;
        }
        if (take(']')) {
            return true;
        }
        do {
            if (take(']')) { // behind a last comma
                return true;
            }
            if (!element()) {
                return false;
            }
        } while (take(','));
        return take(']');
    }

    Type type_;
    const char* at_;
    const char* begin_;
    const char* end_;
    std::shared_ptr<std::vector<std::byte>> bytes_;
};

} // namespace

std::optional<ScannedNumbers> scan_numbers(const Type& type, std::string_view text) {
    return Scan(type, text).run();
}

} // namespace wembrix::usd
