// A step as it stands on a route card: its id and its parameters. What steps there are: step_kind.h.
#pragma once

#include "core/base/result.h"

#include <map>
#include <memory>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace wembrix {

/// Arrays that a person made by hand (painted weights), by a hash of their bytes. Shared by all versions of a step that
/// need them; gone with the last.
using StepData = std::map<std::string, std::shared_ptr<const std::string>>;

/// One row of the route card. Parameters are JSON as they stand in job files and cards.
struct Step {
    std::string id;
    nlohmann::json parameters = nlohmann::json::object();
    bool on = true;
    StepData data{}; ///< what the parameters name by its hash; see step_data.h
    /// The hashes stand in the parameters: what they are of is the same then.
    bool operator==(const Step& other) const {
        return id == other.id && parameters == other.parameters && on == other.on;
    }
};

/// {"step": "scale", "factor": 0.01} and back. "off": true for a step that is switched off. Ids and keys of version 1
/// files are read as what they are called now.
Result<Step> step_from_json(const nlohmann::json& json);
nlohmann::json step_to_json(const Step& step);
/// {"steps": [...]}
Result<std::vector<Step>> card_from_json(const nlohmann::json& json, const std::string& where);

} // namespace wembrix
