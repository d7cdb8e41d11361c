// Text of an XML file, element by element.
#pragma once

#include <charconv>
#include <initializer_list>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wembrix::collada {

class XmlText {
  public:
    using Attributes = std::initializer_list<std::pair<const char*, std::string>>;
    XmlText() : text_("<?xml version=\"1.0\" encoding=\"utf-8\"?>\n") {}

    void open(const char* name, Attributes attributes = {}) {
        begin(name, attributes);
        text_ += ">\n";
        open_.push_back(name);
    }
    void close() {
        const std::string name = open_.back();
        open_.pop_back();
        indent();
        text_ += "</" + name + ">\n";
    }
    /// An element without content.
    void empty(const char* name, Attributes attributes = {}) {
        begin(name, attributes);
        text_ += "/>\n";
    }
    /// An element with words in it.
    void words(const char* name, std::string_view words, Attributes attributes = {}) {
        begin(name, attributes);
        text_ += '>';
        escape(words);
        end(name);
    }
    /// An element with numbers in it, each in the fewest digits that give it back.
    template <typename Numbers> void numbers(const char* name, const Numbers& numbers, Attributes attributes = {}) {
        begin(name, attributes);
        text_ += '>';
        bool is_first = true;
        for (const auto& number : numbers) {
            if (!is_first) {
                text_ += ' ';
            }
            is_first = false;
            char digits[40];
            const auto [last, error] = std::to_chars(digits, digits + sizeof digits, number);
            text_.append(digits, static_cast<size_t>(last - digits));
        }
        end(name);
    }
    std::string take() { return std::move(text_); }

  private:
    void indent() { text_.append(open_.size() * 2, ' '); }
    void begin(const char* name, const Attributes& attributes) {
        indent();
        text_ += '<';
        text_ += name;
        for (const auto& [key, value] : attributes) {
            text_ += ' ';
            text_ += key;
            text_ += "=\"";
            escape(value);
            text_ += '"';
        }
    }
    void end(const char* name) {
        text_ += "</";
        text_ += name;
        text_ += ">\n";
    }
    void escape(std::string_view words) {
        for (const char c : words) {
            switch (c) {
            case '&':
                text_ += "&amp;";
                break;
            case '<':
                text_ += "&lt;";
                break;
            case '>':
                text_ += "&gt;";
                break;
            case '"':
                text_ += "&quot;";
                break;
            default: // of what stands below a blank XML has three alone, and attributes none of them
                text_ += static_cast<unsigned char>(c) < 0x20 ? '_' : c;
            }
        }
    }

    std::string text_;
    std::vector<std::string> open_;
};

} // namespace wembrix::collada
