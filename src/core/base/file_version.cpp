#include "core/base/file_version.h"

namespace wembrix {

Outcome bring_up_to_date(nlohmann::json& object, const std::string& where, void (*from_1)(nlohmann::json& object)) {
    const auto found = object.find("version");
    const nlohmann::json version = found == object.end() ? nlohmann::json(1) : *found;
    if (!version.is_number_integer() || version.get<int64_t>() < 1 || version.get<int64_t>() > file_version) {
        return Problem{"was made by another version of Wembrix.", where, "Open it with the newest one."};
    }
    if (version.get<int64_t>() == 1) {
        from_1(object);
    }
    object["version"] = file_version;
    return Done{};
}

void rename_key(nlohmann::json& object, std::string_view from, std::string_view to) {
    if (!object.is_object() || object.contains(std::string(to))) {
        return;
    }
    if (const auto found = object.find(std::string(from)); found != object.end()) {
        nlohmann::json value = std::move(*found);
        object.erase(found);
        object[std::string(to)] = std::move(value);
    }
}

void rename_key_in_each(nlohmann::json& items, std::string_view from, std::string_view to) {
    if (items.is_structured()) {
        for (nlohmann::json& item : items) {
            rename_key(item, from, to);
        }
    }
}

} // namespace wembrix
