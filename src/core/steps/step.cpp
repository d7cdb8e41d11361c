#include "core/steps/step.h"

#include "core/base/file_version.h"
#include "core/base/text.h"
#include "core/steps/names_in_step.h"
#include "core/steps/step_kind.h"
#include "core/steps/version_1.h"

#include <algorithm>

namespace wembrix {

namespace {
Problem unknown(const std::string& id) {
    return {"there is no step \"" + id.substr(0, 60) + "\".", "route card", ""};
}
} // namespace

Result<const std::string*> step_array(const StepContext& context, const std::string& name) {
    const auto held = context.data == nullptr ? StepData::const_iterator() : context.data->find(name);
    if (context.data == nullptr || held == context.data->end()) {
        return Problem{phrase("the array {} is not there, or not as it was written.", name), "",
                       "It lies in the folder beside the job, which is called as the job with .data behind it."};
    }
    return held->second.get();
}

Result<StepResult> apply_step(const StepContext& given, const Step& step) {
    StepContext context = given;
    context.data = &step.data;
    const StepKind* kind = step_kind(step.id);
    if (kind == nullptr) {
        return unknown(step.id);
    }
    const std::optional<Problem> wrong = check_parameters(kind->parameters, step.parameters);
    Result<StepResult> result = wrong ? Result<StepResult>(*wrong) : kind->apply(*kind, context, step.parameters);
    if (!result) {
        Problem problem = result.problem();
        problem.where = problem.where.empty() ? step.id : step.id + ", " + problem.where;
        return problem;
    }
    for (const std::string& name : names_of_nothing(context, step)) {
        const bool said = std::any_of(result->could_not.begin(), result->could_not.end(),
                                      [&](const std::string& what) { return what.find(name) != std::string::npos; });
        if (!said) {
            result->could_not.push_back("nothing is called " + name);
        }
        result->unmatched.push_back(name);
    }
    return result;
}

Result<StepResult> apply_step(const Scene& scene, const Step& step) {
    return apply_step(StepContext{scene}, step);
}

Result<StepResult> apply_step(const Scene& scene, std::string_view id, const nlohmann::json& parameters) {
    return apply_step(scene, Step{std::string{id}, parameters});
}

Result<Step> step_from_json(const nlohmann::json& json) {
    if (!json.is_object() || !json.contains("step") || !json["step"].is_string()) {
        return Problem{"a step does not say what it is: it needs \"step\".", "route card", ""};
    }
    Step step;
    for (const auto& [key, value] : json.items()) {
        if (key == "step") {
            step.id = value.get<std::string>();
        } else if (key == "off") {
            step.on = !(value.is_boolean() && value.get<bool>());
        } else {
            step.parameters[key] = value;
        }
    }
    migrate_step(step);
    if (step_kind(step.id) == nullptr) {
        return unknown(step.id);
    }
    return step;
}

nlohmann::json step_to_json(const Step& step) {
    nlohmann::json json = step.parameters;
    json["step"] = step.id;
    if (!step.on) {
        json["off"] = true;
    }
    return json;
}

Result<std::vector<Step>> card_from_json(const nlohmann::json& json, const std::string& where) {
    if (!json.is_object() || !json.contains("steps") || !json["steps"].is_array()) {
        return Problem{"is not a route card: it has no list \"steps\".", where, ""};
    }
    if (json.contains("version")) { // what a version 1 file called steps and keys is read step by step
        nlohmann::json head = {{"version", json["version"]}};
        if (Outcome known = bring_up_to_date(head, where, [](nlohmann::json&) {}); !known) {
            return known.problem();
        }
    }
    std::vector<Step> steps;
    for (const nlohmann::json& row : json["steps"]) {
        Result<Step> step = step_from_json(row);
        if (!step) {
            return Problem{step.problem().what, where, ""};
        }
        steps.push_back(step.take());
    }
    return steps;
}

} // namespace wembrix
