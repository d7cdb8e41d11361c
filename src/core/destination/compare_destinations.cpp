#include "core/destination/compare_destinations.h"

#include <set>

namespace wembrix {

namespace {

using nlohmann::json;

std::string said(const json& value) {
    return value.is_null() ? std::string() : value.is_string() ? value.get<std::string>() : value.dump();
}

void compare(const json& first, const json& second, const std::string& prefix, std::vector<SettingDifference>& all) {
    std::set<std::string> keys;
    for (const json* one : {&first, &second}) {
        for (const auto& [key, value] : one->items()) {
            keys.insert(key);
        }
    }
    for (const std::string& key : keys) {
        const json a = first.value(key, json());
        const json b = second.value(key, json());
        if (a == b) {
            continue;
        }
        const bool within = (a.is_object() || a.is_null()) && (b.is_object() || b.is_null()) && key != "contract";
        if (within) {
            compare(a.is_null() ? json::object() : a, b.is_null() ? json::object() : b, prefix + key + ".", all);
        } else {
            all.push_back({prefix + key, key == "contract" ? std::string(a.is_null() ? "none" : "its own") : said(a),
                           key == "contract" ? std::string(b.is_null() ? "none" : "another one") : said(b)});
        }
    }
}

} // namespace

std::vector<SettingDifference> compare_destinations(const Destination& first, const Destination& second) {
    json a = destination_to_json(first);
    json b = destination_to_json(second);
    a.erase("name");
    b.erase("name");
    std::vector<SettingDifference> all;
    compare(a, b, "", all);
    return all;
}

} // namespace wembrix
