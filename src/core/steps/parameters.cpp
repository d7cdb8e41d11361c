#include "core/steps/parameters.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace wembrix {

Parameters::Parameters(const nlohmann::json& json, std::initializer_list<const char*> known) : json_(json) {
    if (!json.is_object()) {
        complain("the parameters are not an object.");
        return;
    }
    for (const auto& [key, value] : json.items()) {
        if (std::none_of(known.begin(), known.end(), [&, k = &key](const char* name) { return *k == name; })) {
            complain(fmt::format("has no parameter \"{}\".", key));
        }
    }
}

void Parameters::complain(const std::string& what) {
    if (!problem_) {
        problem_ = Problem{what, "", "", true};
    }
}

std::string Parameters::text(const char* key, const std::string& otherwise) {
    const auto found = json_.find(key);
    if (found == json_.end()) {
        return otherwise;
    }
    if (!found->is_string()) {
        complain(fmt::format("\"{}\" is not a text.", key));
        return otherwise;
    }
    return found->get<std::string>();
}

std::string Parameters::needed_text(const char* key) {
    std::string value = text(key, "");
    if (value.empty()) {
        complain(fmt::format("needs \"{}\".", key));
    }
    return value;
}

std::optional<double> Parameters::number(const char* key) {
    const auto found = json_.find(key);
    if (found == json_.end()) {
        return std::nullopt;
    }
    if (!found->is_number() || !std::isfinite(found->get<double>())) {
        complain(fmt::format("\"{}\" is not a number.", key));
        return std::nullopt;
    }
    return found->get<double>();
}

bool Parameters::flag(const char* key, bool otherwise) {
    const auto found = json_.find(key);
    if (found == json_.end()) {
        return otherwise;
    }
    if (!found->is_boolean()) {
        complain(fmt::format("\"{}\" is neither true nor false.", key));
        return otherwise;
    }
    return found->get<bool>();
}

int Parameters::needed_whole(const char* key) {
    const std::optional<double> value = number(key);
    if (!value || *value != std::floor(*value) || std::abs(*value) > 1e9) {
        complain(fmt::format("needs the whole number \"{}\".", key));
        return 0;
    }
    return static_cast<int>(*value);
}

std::vector<std::string> Parameters::texts(const char* key) {
    std::vector<std::string> result;
    const auto found = json_.find(key);
    if (found == json_.end()) {
        return result;
    }
    if (!found->is_array()) {
        complain(fmt::format("\"{}\" is not a list.", key));
        return result;
    }
    for (const nlohmann::json& value : *found) {
        if (!value.is_string()) {
            complain(fmt::format("\"{}\" holds something that is not a text.", key));
            return result;
        }
        result.push_back(value.get<std::string>());
    }
    return result;
}

std::map<std::string, std::string> Parameters::pairs(const char* key) {
    std::map<std::string, std::string> result;
    const auto found = json_.find(key);
    if (found == json_.end()) {
        return result;
    }
    if (!found->is_object()) {
        complain(fmt::format("\"{}\" is not an object of names.", key));
        return result;
    }
    for (const auto& [name, value] : found->items()) {
        if (!value.is_string()) {
            complain(fmt::format("\"{}\" in \"{}\" is not a name.", name, key));
            return {};
        }
        result[name] = value.get<std::string>();
    }
    return result;
}

const nlohmann::json& Parameters::objects(const char* key) {
    static const nlohmann::json none = nlohmann::json::array();
    const auto found = json_.find(key);
    if (found == json_.end()) {
        return none;
    }
    if (!found->is_array() ||
        std::any_of(found->begin(), found->end(), [](const nlohmann::json& value) { return !value.is_object(); })) {
        complain(fmt::format("\"{}\" is not a list of objects.", key));
        return none;
    }
    return *found;
}

} // namespace wembrix
