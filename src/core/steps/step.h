// A step as it stands on a route card: its id and its parameters. What steps there are: step_kind.h.
#pragma once

#include "core/base/result.h"

#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace wembrix {

/// One row of the route card. Parameters are JSON as they stand in job files and cards.
struct Step {
    std::string id;
    nlohmann::json parameters = nlohmann::json::object();
    bool on = true;
    bool operator==(const Step& other) const = default;
};

/// {"step": "scale", "factor": 0.01} and back. "off": true for a step that is switched off. Ids and keys of version 1
/// files are read as what they are called now.
Result<Step> step_from_json(const nlohmann::json& json);
nlohmann::json step_to_json(const Step& step);
/// {"steps": [...]}
Result<std::vector<Step>> card_from_json(const nlohmann::json& json, const std::string& where);

} // namespace wembrix
