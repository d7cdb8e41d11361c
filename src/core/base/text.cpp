#include "core/base/text.h"

#include <algorithm>
#include <charconv>

namespace wembrix {

Text::Text(std::string english, Kind kind, std::string id, std::vector<TextArgument> arguments)
    : std::string(english),
      made_(std::make_shared<const Made>(Made{std::move(english), kind, std::move(id), std::move(arguments)})) {}

Text& Text::operator+=(const Text& more) {
    return *this = joined(*this, more);
}

Text joined(Text first, Text second) {
    if (first.empty() || second.empty()) {
        return first.empty() ? second : first;
    }
    std::string english = static_cast<const std::string&>(first) + static_cast<const std::string&>(second);
    return {std::move(english), Text::Kind::joined, {}, {{std::move(first)}, {std::move(second)}}};
}

Text joined(const std::vector<Text>& parts, const char* separator) {
    std::string english;
    std::vector<TextArgument> arguments;
    for (const Text& part : parts) {
        if (!arguments.empty()) {
            english += separator;
            arguments.push_back({Text(std::string(separator))});
        }
        english += part;
        arguments.push_back({part});
    }
    return {std::move(english), Text::Kind::joined, {}, std::move(arguments)};
}

namespace {

/// "{:.3f}" of a value, with the decimal point of the language.
std::string value_said(const TextArgument& argument, const std::string& spec, const Dictionary& in) {
    const auto number = [&](auto value) { return fmt::format(fmt::runtime("{" + spec + "}"), value); };
    if (const auto* whole = std::get_if<int64_t>(&argument.value)) {
        return number(*whole);
    }
    if (const auto* natural = std::get_if<uint64_t>(&argument.value)) {
        return number(*natural);
    }
    if (const auto* real = std::get_if<double>(&argument.value)) {
        std::string words = number(*real);
        std::replace(words.begin(), words.end(), '.', in.decimal_point());
        return words;
    }
    const Text& text = std::get<Text>(argument.value);
    return number(said(text, in));
}

/// The pattern with the arguments in its places; nothing where it names one that is not there.
std::string filled(const std::string& pattern, const std::vector<TextArgument>& arguments, const Dictionary& in) {
    std::string words;
    size_t next = 0;
    for (size_t i = 0; i < pattern.size(); ++i) {
        const char c = pattern[i];
        const bool is_twice = i + 1 < pattern.size() && pattern[i + 1] == c;
        if ((c == '{' || c == '}') && is_twice) {
            words += c;
            ++i;
            continue;
        }
        if (c != '{') {
            words += c;
            continue;
        }
        const size_t end = pattern.find('}', i);
        if (end == std::string::npos) {
            return {};
        }
        const std::string place = pattern.substr(i + 1, end - i - 1);
        const size_t colon = std::min(place.find(':'), place.size());
        size_t which = next;
        if (colon > 0) {
            const auto read = std::from_chars(place.data(), place.data() + colon, which);
            if (read.ec != std::errc() || read.ptr != place.data() + colon) {
                return {};
            }
        } else {
            ++next;
        }
        if (which >= arguments.size()) {
            return {};
        }
        words += value_said(arguments[which], place.substr(colon), in);
        i = end;
    }
    return words;
}

} // namespace

std::string said(const Text& text, const Dictionary& in) {
    const Text::Made* made = text.made();
    if (made == nullptr) {
        const std::string words = text.empty() || text.is_verbatim() ? std::string() : in.phrase(text);
        return words.empty() ? static_cast<const std::string&>(text) : words;
    }
    if (made->kind == Text::Kind::joined) {
        std::string words;
        for (const TextArgument& part : made->arguments) {
            words += value_said(part, {}, in);
        }
        return words;
    }
    if (made->kind == Text::Kind::count) {
        const std::string words = in.count(std::get<uint64_t>(made->arguments.front().value), made->id);
        return words.empty() ? made->english : words;
    }
    const std::string pattern = in.phrase(made->id);
    try {
        const std::string words = filled(pattern.empty() ? made->id : pattern, made->arguments, in);
        return words.empty() ? made->english : words;
    } catch (const fmt::format_error&) {
        return made->english; // a place asks for what its argument cannot be
    }
}

} // namespace wembrix
