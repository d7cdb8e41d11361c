#include "core/formats/collada/document.h"
#include "core/base/text.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <cstring>
#include <limits>

namespace wembrix::collada {

namespace {

bool is_blank(char c) {
    return c == ' ' || c == '\n' || c == '\t' || c == '\r';
}

/// The next word of a text and what stands behind it.
std::string_view next_word(const char*& at) {
    while (is_blank(*at)) {
        ++at;
    }
    const char* begin = at;
    while (*at != 0 && !is_blank(*at)) {
        ++at;
    }
    return {begin, static_cast<size_t>(at - begin)};
}

bool number_of(std::string_view word, double& value) {
    if (!word.empty() && word.front() == '+') {
        word.remove_prefix(1);
    }
    const auto [end, error] = std::from_chars(word.data(), word.data() + word.size(), value);
    if (error == std::errc::result_out_of_range) {
        value = 0; // too small, or no number that anything could be at
        return true;
    }
    if (error == std::errc() && end == word.data() + word.size()) {
        return true;
    }
    if (word == "INF" || word == "-INF" || word == "NaN") {
        value = word == "NaN"
                    ? std::numeric_limits<double>::quiet_NaN()
                    : std::copysign(std::numeric_limits<double>::infinity(), word.front() == '-' ? -1.0 : 1.0);
        return true;
    }
    return false;
}

size_t count_of_attribute(Element element, const char* name, size_t otherwise) {
    const pugi::xml_attribute attribute = element.attribute(name);
    return attribute ? static_cast<size_t>(attribute.as_ullong(otherwise)) : otherwise;
}

} // namespace

std::vector<double> numbers_in(const char* text) {
    std::vector<double> numbers;
    double value = 0;
    for (std::string_view word = next_word(text); !word.empty() && number_of(word, value); word = next_word(text)) {
        numbers.push_back(value);
    }
    return numbers;
}

std::vector<int64_t> integers_in(const char* text) {
    std::vector<int64_t> numbers;
    for (std::string_view word = next_word(text); !word.empty(); word = next_word(text)) {
        int64_t value = 0;
        const auto [end, error] = std::from_chars(word.data(), word.data() + word.size(), value);
        if (error != std::errc() || end != word.data() + word.size()) {
            break;
        }
        numbers.push_back(value);
    }
    return numbers;
}

std::vector<std::string> words_in(const char* text) {
    std::vector<std::string> words;
    for (std::string_view word = next_word(text); !word.empty(); word = next_word(text)) {
        words.emplace_back(word);
    }
    return words;
}

std::vector<Input> inputs_of(Element element) {
    std::vector<Input> inputs;
    for (const Element one : element.children("input")) {
        inputs.push_back({one.attribute("semantic").value(), one.attribute("source").value(),
                          count_of_attribute(one, "offset", 0), count_of_attribute(one, "set", 0)});
    }
    return inputs;
}

std::string name_of(Element element) {
    for (const char* attribute : {"name", "id", "sid"}) {
        if (const char* value = element.attribute(attribute).value(); *value != 0) {
            return value;
        }
    }
    return {};
}

bool matrix_in(const char* text, Mat4& matrix) {
    const std::vector<double> numbers = numbers_in(text);
    if (numbers.size() < 16 ||
        !std::all_of(numbers.begin(), numbers.end(), [](double n) { return std::isfinite(n); })) {
        return false;
    }
    matrix = Eigen::Map<const Eigen::Matrix<double, 4, 4, Eigen::RowMajor>>(numbers.data());
    return true;
}

Result<std::shared_ptr<Document>> Document::parse(std::string_view bytes) {
    auto made = std::make_shared<Document>();
    const pugi::xml_parse_result parsed =
        made->tree_.load_buffer(bytes.data(), bytes.size(), pugi::parse_default | pugi::parse_trim_pcdata);
    if (!parsed) {
        return Problem{phrase("it is no XML that can be read: {} at byte {}.", parsed.description(), parsed.offset), "",
                       ""};
    }
    made->root_ = made->tree_.child("COLLADA");
    if (!made->root_) {
        return Problem{"it is XML, but no COLLADA.", "", ""};
    }
    // Over the whole tree without a call a level: it may be as deep as the file is long.
    for (Element at = made->root_; at;) {
        if (const char* id = at.attribute("id").value(); *id != 0) {
            made->by_id_.emplace(id, at);
        }
        if (at.first_child()) {
            at = at.first_child();
            continue;
        }
        while (at && at != made->root_ && !at.next_sibling()) {
            at = at.parent();
        }
        at = at == made->root_ ? Element() : at.next_sibling();
    }
    return made;
}

Element Document::by_reference(std::string_view reference) const {
    if (!reference.empty() && reference.front() == '#') {
        reference.remove_prefix(1);
    }
    const auto found = by_id_.find(reference);
    return found == by_id_.end() ? Element() : found->second;
}

Element Document::by_reference(std::string_view reference, const char* name) const {
    const Element found = by_reference(reference);
    return std::strcmp(found.name(), name) == 0 ? found : Element();
}

const Source* Document::source(std::string_view reference) {
    const Element element = by_reference(reference, "source");
    if (!element) {
        return nullptr;
    }
    const auto [place, is_new] = sources_.try_emplace(element.attribute("id").value());
    if (!is_new) {
        return place->second.get();
    }
    const Element accessor = element.child("technique_common").child("accessor");
    Element array = by_reference(accessor.attribute("source").value());
    if (!array || std::strstr(array.name(), "_array") == nullptr) {
        array = Element(); // the one that stands in it, whatever the accessor says
        for (const Element child : element.children()) {
            array = !array && std::strstr(child.name(), "_array") != nullptr ? child : array;
        }
    }
    if (!array) {
        return nullptr;
    }
    auto source = std::make_unique<Source>();
    const std::string kind = array.name();
    std::vector<size_t> taken;
    size_t params = 0;
    for (const Element param : accessor.children("param")) {
        // One without a name is passed over by the standard; where none has a name all are meant.
        const bool is_named = *param.attribute("name").value() != 0;
        size_t wide = std::strcmp(param.attribute("type").value(), "float4x4") == 0 ? 16 : 1;
        for (; wide > 0 && params < 64; --wide, ++params) {
            if (is_named) {
                taken.push_back(params);
                source->params.emplace_back(param.attribute("name").value());
            }
        }
    }
    const size_t stride = std::max<size_t>(1, count_of_attribute(accessor, "stride", std::max<size_t>(1, params)));
    if (taken.empty()) {
        for (size_t p = 0; p < std::min<size_t>(stride, 64); ++p) {
            taken.push_back(p);
        }
    }
    std::erase_if(taken, [&](size_t p) { return p >= stride; });
    const size_t first = count_of_attribute(accessor, "offset", 0);
    source->is_ids = kind == "IDREF_array";
    const bool is_words = kind == "Name_array" || kind == "IDREF_array";
    const std::vector<double> numbers = is_words ? std::vector<double>() : numbers_in(array.text().get());
    const std::vector<std::string> words = is_words ? words_in(array.text().get()) : std::vector<std::string>();
    const size_t there = is_words ? words.size() : numbers.size();
    if (taken.empty() || first > there) {
        return nullptr;
    }
    source->width = taken.size();
    // The last row needs no more than what is taken of it.
    const size_t last = taken.back() + 1;
    const size_t fit = there - first < last ? 0 : (there - first - last) / stride + 1;
    source->rows = std::min(count_of_attribute(accessor, "count", fit), fit);
    for (size_t r = 0; r < source->rows; ++r) {
        for (const size_t p : taken) {
            if (is_words) {
                source->words.push_back(words[first + r * stride + p]);
            } else {
                source->numbers.push_back(numbers[first + r * stride + p]);
            }
        }
    }
    place->second = std::move(source);
    return place->second.get();
}

} // namespace wembrix::collada
