#include "core/formats/usd/custom_data.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <nlohmann/json.hpp>

namespace wembrix::usd {

namespace {

using Json = nlohmann::json;

/// What no form there holds (null, lists of several kinds) stands under this name, as text: of a dictionary its entries
/// by their names, or, as one text, all that it is of.
constexpr const char* as_json = "wembrixJson";

Json json_of_value(const Value& value);

Json json_of_dictionary(const Dictionary& dictionary) {
    Json object = Json::object();
    for (const Entry& one : dictionary) {
        if (one.name == as_json && one.value.type().kind == Kind::dictionary) {
            for (const Entry& text : one.value.dictionary()) {
                Json said = text.value.as_text() ? Json::parse(*text.value.as_text(), nullptr, false) : Json();
                if (!said.is_discarded()) {
                    object[text.name] = std::move(said);
                }
            }
        } else {
            object[one.name] = json_of_value(one.value);
        }
    }
    return object;
}

Json json_of_value(const Value& value) {
    const Type& type = value.type();
    if (type.kind == Kind::dictionary) {
        return json_of_dictionary(value.dictionary());
    }
    if (type.kind == Kind::none) {
        return nullptr;
    }
    if (!type.is_number()) {
        return type.is_array || value.texts().empty() ? Json(value.texts()) : Json(value.texts().front());
    }
    const bool whole = type.kind == Kind::int32 || type.kind == Kind::uint32 || type.kind == Kind::int64 ||
                       type.kind == Kind::uint64 || type.kind == Kind::uchar;
    Json list = Json::array();
    if (type.kind == Kind::boolean) {
        for (const double one : value.numbers<double>()) {
            list.push_back(one != 0);
        }
    } else if (whole) {
        for (const int64_t one : value.numbers<int64_t>()) {
            list.push_back(one);
        }
    } else {
        for (const double one : value.numbers<double>()) {
            list.push_back(std::isfinite(one) ? Json(one) : Json());
        }
    }
    return !type.is_array && type.width == 1 && !list.empty() ? list.front() : list;
}

/// Beyond what whole numbers with a sign reach.
bool is_huge(const Json& one) {
    return one.is_number_unsigned() && one.get<uint64_t>() > uint64_t{std::numeric_limits<int64_t>::max()};
}

bool fits_int(const Json& one) {
    return one.is_number_integer() && !is_huge(one) && one.get<int64_t>() >= std::numeric_limits<int32_t>::min() &&
           one.get<int64_t>() <= std::numeric_limits<int32_t>::max();
}

Dictionary dictionary_of_json(const Json& object, int depth);

Value value_of_json(const Json& json, int depth) {
    if (json.is_object()) {
        return Value(dictionary_of_json(json, depth + 1));
    }
    if (json.is_string()) {
        return Value::string(json.get<std::string>());
    }
    if (json.is_boolean()) {
        return Value::truth(json.get<bool>());
    }
    if (fits_int(json)) {
        return Value::integer(json.get<int32_t>());
    }
    if (json.is_number_integer() && !is_huge(json)) {
        return Value::of<int64_t>({Kind::int64}, {json.get<int64_t>()});
    }
    if (json.is_number_float()) {
        return Value::number(json.get<double>());
    }
    const auto all = [&](const auto& is) { return json.is_array() && std::all_of(json.begin(), json.end(), is); };
    if (all([](const Json& one) { return one.is_string(); }) && !json.empty()) {
        return Value({Kind::string, Form::scalar, 1, true}, json.get<std::vector<std::string>>());
    }
    if (all(fits_int)) {
        return Value::array<int32_t>({Kind::int32}, json.get<std::vector<int32_t>>());
    }
    if (all([](const Json& one) { return one.is_number_float(); })) {
        return Value::array<double>({Kind::float64}, json.get<std::vector<double>>());
    }
    return {};
}

Dictionary dictionary_of_json(const Json& object, int depth) {
    constexpr int deepest_data = 64;
    Dictionary dictionary;
    Dictionary texts;
    for (const auto& [name, value] : object.items()) {
        if (Value made = depth < deepest_data ? value_of_json(value, depth) : Value(); !made.is_blocked()) {
            dictionary.push_back({name, std::move(made)});
        } else {
            texts.push_back({name, Value::string(value.dump(-1, ' ', false, Json::error_handler_t::replace))});
        }
    }
    if (!texts.empty()) {
        dictionary.push_back({as_json, Value(std::move(texts))});
    }
    return dictionary;
}

} // namespace

std::string json_of(const Dictionary& dictionary) {
    if (dictionary.size() == 1 && dictionary.front().name == as_json && dictionary.front().value.as_text()) {
        const std::string text = *dictionary.front().value.as_text();
        return Json::accept(text) ? text : std::string();
    }
    const Json object = json_of_dictionary(dictionary);
    return object.empty() ? std::string() : object.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Dictionary dictionary_of(const std::string& json) {
    const Json object = Json::parse(json, nullptr, false);
    if (object.is_discarded() || object.is_null()) {
        return {};
    }
    return object.is_object() ? dictionary_of_json(object, 0) : Dictionary{{as_json, Value::string(json)}};
}

} // namespace wembrix::usd
