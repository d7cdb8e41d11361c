// Sources as they are written: an array and the accessor that walks through it.
#pragma once

#include "core/formats/collada/xml_text.h"

#include <string>
#include <vector>

namespace wembrix::collada {

/// Rows of `width` numbers; sixteen named TRANSFORM are matrices.
template <typename Numbers>
void write_source(XmlText& xml, const std::string& id, const Numbers& numbers, size_t width,
                  const std::vector<std::string>& params) {
    xml.open("source", {{"id", id}});
    xml.numbers("float_array", numbers, {{"id", id + "-array"}, {"count", std::to_string(numbers.size())}});
    xml.open("technique_common");
    xml.open("accessor", {{"source", "#" + id + "-array"},
                          {"count", std::to_string(width == 0 ? 0 : numbers.size() / width)},
                          {"stride", std::to_string(width)}});
    for (const std::string& param : params) {
        xml.empty("param", {{"name", param}, {"type", param == "TRANSFORM" ? "float4x4" : "float"}});
    }
    xml.close();
    xml.close();
    xml.close();
}

/// Words without blanks in them: names, or ids of this file.
inline void write_words(XmlText& xml, const std::string& id, const std::vector<std::string>& words, bool is_ids,
                        const char* param) {
    std::string text;
    for (const std::string& word : words) {
        text += (text.empty() ? "" : " ") + word;
    }
    xml.open("source", {{"id", id}});
    xml.words(is_ids ? "IDREF_array" : "Name_array", text,
              {{"id", id + "-array"}, {"count", std::to_string(words.size())}});
    xml.open("technique_common");
    xml.open("accessor", {{"source", "#" + id + "-array"}, {"count", std::to_string(words.size())}, {"stride", "1"}});
    xml.empty("param", {{"name", param}, {"type", is_ids ? "IDREF" : "name"}});
    xml.close();
    xml.close();
    xml.close();
}

} // namespace wembrix::collada
