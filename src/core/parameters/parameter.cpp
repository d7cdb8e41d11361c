#include "core/parameters/parameter.h"
#include "core/base/text.h"

#include <algorithm>
#include <cassert>
#include <fmt/format.h>

namespace wembrix {

namespace {

using nlohmann::json;
using Kind = Parameter::Kind;

std::optional<Problem> wrong(Text what) {
    return malformed(std::move(what));
}

/// "neither "a", "b" nor "c""
std::string none_of(const std::vector<std::string>& choices) {
    std::string text = choices.size() > 1 ? "neither" : "not";
    for (size_t i = 0; i < choices.size(); ++i) {
        text += fmt::format("{}\"{}\"", i == 0 ? " " : i + 1 == choices.size() ? " nor " : ", ", choices[i]);
    }
    return text;
}

bool is_choice(const std::vector<std::string>& choices, const json& value) {
    return value.is_string() && std::find(choices.begin(), choices.end(), value.get<std::string>()) != choices.end();
}

std::optional<Problem> check_number(const Parameter& parameter, const json& value) {
    if (!value.is_number() || !std::isfinite(value.get<double>())) {
        return wrong(phrase("\"{}\" is not a number.", parameter.key));
    }
    const double number = value.get<double>();
    if (parameter.kind == Kind::whole && (number != std::floor(number) || std::abs(number) > 1e9)) {
        return wrong(phrase("\"{}\" is not a whole number.", parameter.key));
    }
    const bool too_small = parameter.least_is_outside ? number <= parameter.least : number < parameter.least;
    if (!too_small && number <= parameter.most) {
        return std::nullopt;
    }
    const Text unit = parameter.unit_text.empty() ? "" : phrase(" {}", parameter.unit_text);
    if (std::isinf(parameter.most)) {
        return wrong(phrase("\"{}\" is not {} {:g}{}.", parameter.key,
                            parameter.least_is_outside ? "greater than" : "at least", parameter.least, unit));
    }
    return wrong(
        phrase("\"{}\" is not between {:g} and {:g}{}.", parameter.key, parameter.least, parameter.most, unit));
}

/// A hash as hash_of gives it: nothing that could lead out of a folder.
bool is_hash(const std::string& text) {
    return text.size() == 32 && text.find_first_not_of("0123456789abcdef") == std::string::npos;
}

std::optional<Problem> check_list(const Parameter& parameter, const json& value) {
    if (!value.is_array()) {
        return wrong(phrase("\"{}\" is not a list.", parameter.key));
    }
    for (const json& item : value) {
        if (!item.is_string()) {
            return wrong(phrase("\"{}\" holds something that is not a text.", parameter.key));
        }
        if (parameter.holds_data && !is_hash(item.get<std::string>())) {
            return wrong(phrase("\"{}\" holds something that is not 32 hexadecimal digits.", parameter.key));
        }
        if (!parameter.choices.empty() && !is_choice(parameter.choices, item)) {
            return wrong(
                phrase("\"{}\" in \"{}\" is {}.", item.get<std::string>(), parameter.key, none_of(parameter.choices)));
        }
    }
    if (value.size() < parameter.least_items) {
        return wrong(phrase("needs {} \"{}\" or more.", parameter.least_items, parameter.key));
    }
    return std::nullopt;
}

std::optional<Problem> check_pairs(const Parameter& parameter, const json& value) {
    if (!value.is_object()) {
        return wrong(phrase("\"{}\" is not an object of texts.", parameter.key));
    }
    for (const auto& [name, text] : value.items()) {
        if (!text.is_string() || (!parameter.may_be_empty && text.get<std::string>().empty())) {
            return wrong(phrase("\"{}\" in \"{}\" is not set to a text.", name, parameter.key));
        }
    }
    return std::nullopt;
}

std::optional<Problem> check_rows(const Parameter& parameter, const json& value) {
    if (!value.is_array()) {
        return wrong(phrase("\"{}\" is not a list of objects.", parameter.key));
    }
    for (size_t i = 0; i < value.size(); ++i) {
        if (!value[i].is_object()) {
            return wrong(phrase("\"{}\" is not a list of objects.", parameter.key));
        }
        if (std::optional<Problem> problem = check_parameters(parameter.columns, value[i])) {
            const auto name = value[i].find("name");
            const bool named = name != value[i].end() && name->is_string() && !name->get<std::string>().empty();
            const Text row = named ? phrase("{} \"{}\"", parameter.row_word, name->get<std::string>())
                                   : phrase("{} {}", parameter.row_word, i + 1);
            problem->where = problem->where.empty() ? row : row + ", " + problem->where;
            return problem;
        }
    }
    return std::nullopt;
}

std::optional<Problem> check_value(const Parameter& parameter, const json& value) {
    switch (parameter.kind) {
    case Kind::text:
        if (!value.is_string()) {
            return wrong(phrase("\"{}\" is not a text.", parameter.key));
        }
        if (parameter.holds_data && !is_hash(value.get<std::string>())) {
            return wrong(phrase("\"{}\" is not 32 hexadecimal digits.", parameter.key));
        }
        if (!parameter.may_be_empty && value.get<std::string>().empty()) {
            return wrong(parameter.is_needed ? phrase("needs \"{}\".", parameter.key)
                                             : phrase("\"{}\" is empty.", parameter.key));
        }
        return std::nullopt;
    case Kind::number:
    case Kind::whole:
        return check_number(parameter, value);
    case Kind::choice:
        return is_choice(parameter.choices, value)
                   ? std::nullopt
                   : wrong(phrase("\"{}\" is {}.", parameter.key, none_of(parameter.choices)));
    case Kind::flag:
        return value.is_boolean() ? std::nullopt : wrong(phrase("\"{}\" is neither true nor false.", parameter.key));
    case Kind::list:
        return check_list(parameter, value);
    case Kind::pairs:
        return check_pairs(parameter, value);
    case Kind::rows:
        return check_rows(parameter, value);
    case Kind::object:
        return std::nullopt;
    }
    return std::nullopt;
}

/// A value as a person reads it; empty for what is too long for a line.
Text said(const Parameter& parameter, const json& value) {
    if (value.is_boolean()) {
        return value.get<bool>() ? "yes" : "no";
    }
    if (value.is_number()) {
        return fmt::format("{:.6g}{}{}", value.get<double>(), parameter.unit_text.empty() ? "" : " ",
                           parameter.unit_text);
    }
    if (value.is_string()) {
        return value.get<std::string>();
    }
    if (parameter.kind == Kind::list) {
        std::string text;
        for (size_t i = 0; i < value.size() && i < 3; ++i) {
            text += (i == 0 ? "" : ", ") + (value[i].is_string() ? value[i].get<std::string>() : "");
        }
        return value.size() > 3 ? phrase("{} and {} more", text, value.size() - 3) : text;
    }
    if (parameter.kind == Kind::rows || parameter.kind == Kind::pairs) {
        return fmt::format("{}", value.size());
    }
    return {};
}

} // namespace

const Parameter* Parameter::column(std::string_view of) const {
    const auto found = std::find_if(columns.begin(), columns.end(), [&](const Parameter& p) { return p.key == of; });
    return found == columns.end() ? nullptr : &*found;
}

Problem malformed(Text what, std::string where) {
    return {std::move(what), std::move(where), "", true};
}

std::optional<Problem> check_parameters(std::span<const Parameter> parameters, const json& values) {
    if (!values.is_object()) {
        return wrong("the parameters are not an object.");
    }
    for (const auto& [key, value] : values.items()) {
        if (std::none_of(parameters.begin(), parameters.end(),
                         [&, k = &key](const Parameter& p) { return p.key == *k; })) {
            return wrong(phrase("has no parameter \"{}\".", key));
        }
    }
    for (const Parameter& parameter : parameters) {
        const auto found = values.find(std::string(parameter.key));
        if (found == values.end()) {
            if (parameter.is_needed) {
                return wrong(parameter.least_items > 0
                                 ? phrase("needs {} \"{}\" or more.", parameter.least_items, parameter.key)
                                 : phrase("needs \"{}\".", parameter.key));
            }
            continue;
        }
        if (std::optional<Problem> problem = check_value(parameter, *found)) {
            return problem;
        }
        if (parameter.check != nullptr) {
            if (std::optional<Problem> problem = parameter.check(*found)) {
                problem->where = fmt::format("\"{}\"", parameter.key);
                problem->malformed = true;
                return problem;
            }
        }
    }
    return std::nullopt;
}

void fill_settings(std::span<const Parameter> parameters, const json& values, void* settings) {
    for (const Parameter& parameter : parameters) {
        if (const auto found = values.find(std::string(parameter.key)); found != values.end()) {
            parameter.put(settings, *found, parameter);
        }
    }
}

json starting_values(std::span<const Parameter> parameters) {
    json values = json::object();
    for (const Parameter& parameter : parameters) {
        if (!parameter.starting_value.is_null()) {
            values[std::string(parameter.key)] = parameter.starting_value;
        }
    }
    return values;
}

Text summary_of(std::span<const Parameter> parameters, const json& values) {
    Text summary;
    for (const Parameter& parameter : parameters) {
        const auto found = values.find(std::string(parameter.key));
        const std::string value = found == values.end() || parameter.holds_data ? "" : said(parameter, *found);
        if (!value.empty()) {
            summary += phrase("{}{}: {}", summary.empty() ? "" : " · ", parameter.label, value);
        }
    }
    return summary;
}

namespace parameter_detail {

void assign(double& to, const json& value) {
    to = value.get<double>();
}
void assign(std::optional<double>& to, const json& value) {
    to = value.get<double>();
}
void assign(int& to, const json& value) {
    to = static_cast<int>(value.get<double>());
}
void assign(bool& to, const json& value) {
    to = value.get<bool>();
}
void assign(std::optional<bool>& to, const json& value) {
    to = value.get<bool>();
}
void assign(std::string& to, const json& value) {
    to = value.get<std::string>();
}
void assign(std::optional<std::string>& to, const json& value) {
    to = value.get<std::string>();
}
void assign(std::vector<std::string>& to, const json& value) {
    to = value.get<std::vector<std::string>>();
}
void assign(std::map<std::string, std::string>& to, const json& value) {
    to = value.get<std::map<std::string, std::string>>();
}
int choice_of(const json& value, const Parameter& parameter) {
    const auto found = std::find(parameter.choices.begin(), parameter.choices.end(), value.get<std::string>());
    assert(found != parameter.choices.end());
    return static_cast<int>(found - parameter.choices.begin());
}

json value_of(double value) {
    return value;
}
json value_of(int value) {
    return value;
}
json value_of(bool value) {
    return value;
}
json value_of(const std::string& value) {
    return value.empty() ? json() : json(value);
}

} // namespace parameter_detail

} // namespace wembrix
