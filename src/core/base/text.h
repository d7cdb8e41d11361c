// Texts for people, kept with how they were made, so that a window can say them in another language. As a string a text
// is English: that is what files, logs and the command line hold.
//
//     Text message = phrase("Weights of {} do not sum to 1", counted(points, "vertex"));
#pragma once

#include <cstdint>
#include <fmt/format.h>
#include <memory>
#include <string>
#include <string_view>
#include <type_traits>
#include <utility>
#include <variant>
#include <vector>

namespace wembrix {

struct TextArgument;

class Text : public std::string {
  public:
    enum class Kind : uint8_t {
        sentence, ///< `id` is a pattern of fmt's form with a place for each argument
        count,    ///< `id` is a noun, the one argument how many there are of it
        joined,   ///< the arguments one behind the other; no `id`
    };
    struct Made {
        std::string english;
        Kind kind = Kind::sentence;
        std::string id;
        std::vector<TextArgument> arguments;
    };

    Text() = default;
    /// A literal: words that a dictionary may have.
    Text(const char* words) : std::string(words) {}
    /// A name, or what is English for good: it is said as it is in every language.
    Text(std::string words) : std::string(std::move(words)), is_verbatim_(true) {}
    Text(std::string english, Kind kind, std::string id, std::vector<TextArgument> arguments);

    /// Null where nothing is known but the English, or it was changed since.
    [[nodiscard]] const Made* made() const { return made_ && made_->english == *this ? made_.get() : nullptr; }

    Text& operator+=(const Text& more);

    [[nodiscard]] bool is_verbatim() const { return is_verbatim_; }

  private:
    std::shared_ptr<const Made> made_;
    bool is_verbatim_ = false;
};

struct TextArgument {
    std::variant<int64_t, uint64_t, double, Text> value;
};

Text joined(Text first, Text second);
// One for each pair, so that none is as good as the string's own.
inline Text operator+(const Text& first, const Text& second) {
    return joined(first, second);
}
inline Text operator+(const Text& first, const char* second) {
    return joined(first, second);
}
inline Text operator+(const char* first, const Text& second) {
    return joined(first, second);
}
inline Text operator+(const Text& first, const std::string& second) {
    return joined(first, second);
}
inline Text operator+(const Text& first, std::string&& second) {
    return joined(first, std::move(second));
}
inline Text operator+(const std::string& first, const Text& second) {
    return joined(first, second);
}
inline Text operator+(std::string&& first, const Text& second) {
    return joined(std::move(first), second);
}

/// "2 joints, 1 surface": with the separator between each two.
Text joined(const std::vector<Text>& parts, const char* separator);

namespace text_detail {

template <typename Value> TextArgument argument(const Value& value) {
    if constexpr (std::is_same_v<Value, Text>) {
        return {value};
    } else if constexpr (std::is_same_v<Value, bool> || std::is_same_v<Value, char>) {
        return {Text(fmt::format("{}", value))};
    } else if constexpr (std::is_integral_v<Value> && std::is_signed_v<Value>) {
        return {static_cast<int64_t>(value)};
    } else if constexpr (std::is_integral_v<Value>) {
        return {static_cast<uint64_t>(value)};
    } else if constexpr (std::is_floating_point_v<Value>) {
        return {static_cast<double>(value)};
    } else if constexpr (std::is_same_v<Value, std::string>) {
        return {Text(value)};
    } else if constexpr (std::is_convertible_v<const Value&, std::string_view>) {
        return {Text(std::string(std::string_view(value)).c_str())}; // a literal, or the label of a row: words
    } else {
        return {Text(fmt::vformat("{}", fmt::make_format_args(value)))};
    }
}

} // namespace text_detail

/// As fmt::format, and kept with the pattern and the arguments. The pattern is a literal: it stands in the dictionaries
/// of other languages.
template <typename... Arguments> Text phrase(fmt::format_string<Arguments...> pattern, Arguments&&... arguments) {
    const fmt::string_view id = pattern;
    return {fmt::vformat(id, fmt::make_format_args(arguments...)), Text::Kind::sentence,
            std::string(id.data(), id.size()),
            std::vector<TextArgument>{text_detail::argument<std::remove_cvref_t<Arguments>>(arguments)...}};
}

/// A language that is not English.
class Dictionary {
  public:
    virtual ~Dictionary() = default;
    /// What is said for a phrase or pattern; empty where the dictionary has nothing.
    [[nodiscard]] virtual std::string phrase(const std::string& id) const = 0;
    /// "3 Gelenke" for 3 and "joint"; empty as above.
    [[nodiscard]] virtual std::string count(uint64_t number, const std::string& noun) const = 0;
    [[nodiscard]] virtual char decimal_point() const { return '.'; }
};
/// The text in that language; in English what the dictionary has nothing for.
std::string said(const Text& text, const Dictionary& in);

} // namespace wembrix

template <> struct fmt::formatter<wembrix::Text> : fmt::formatter<fmt::string_view> {
    template <typename Context> auto format(const wembrix::Text& text, Context& context) const {
        return fmt::formatter<fmt::string_view>::format({text.data(), text.size()}, context);
    }
};
