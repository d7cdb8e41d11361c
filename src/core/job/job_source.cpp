#include "core/job/job_source.h"
#include "core/base/text.h"

#include <array>

namespace wembrix {

std::string_view rest_name(RestOf rest) {
    constexpr std::array<std::string_view, 3> names = {"", "first", "part"};
    return names.at(static_cast<size_t>(rest));
}

nlohmann::json job_source_to_json(const JobSource& source) {
    if (source == JobSource(source.path)) {
        return source.path;
    }
    nlohmann::json json = {{"file", source.path}};
    if (source.role != SourceRole::automatic) {
        json["as"] = role_name(source.role);
    }
    if (source.rest != RestOf::nobody_said) {
        json["rest"] = rest_name(source.rest);
    }
    return json;
}

Result<JobSource> job_source_from_json(const nlohmann::json& json, const std::string& where) {
    if (json.is_string()) {
        return JobSource(json.get<std::string>());
    }
    if (!json.is_object() || !json.contains("file") || !json["file"].is_string()) {
        return Problem{"has a source that is not a path.", where, ""};
    }
    JobSource source(json["file"].get<std::string>());
    for (const auto& [key, value] : json.items()) {
        bool known = key == "file";
        for (const SourceRole role : source_roles) {
            if (key == "as" && value == role_name(role)) {
                source.role = role;
                known = true;
            }
        }
        for (const RestOf rest : {RestOf::first, RestOf::part}) {
            if (key == "rest" && value == rest_name(rest)) {
                source.rest = rest;
                known = true;
            }
        }
        if (!known) {
            return Problem{
                phrase("has a source whose \"{}\" means nothing here.", key), where,
                "\"as\" is automatic, model, part, take, shapes, strands or prop; \"rest\" is first or part."};
        }
    }
    return source;
}

} // namespace wembrix
