#include "commands.h"

#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "core/steps/step_table.h"

#include <fmt/format.h>

namespace wembrix::cli {

namespace {

nlohmann::json parameters_as_json(const std::vector<Parameter>& parameters) {
    nlohmann::json rows = nlohmann::json::array();
    for (const Parameter& parameter : parameters) {
        nlohmann::json row = {{"key", parameter.key}, {"label", parameter.label}, {"help", parameter.help}};
        if (!parameter.unit_text.empty()) {
            row["unit"] = parameter.unit_text;
        }
        if (!parameter.choices.empty()) {
            row["choices"] = parameter.choices;
        }
        if (!parameter.otherwise.is_null()) {
            row["default"] = parameter.otherwise;
        }
        if (!parameter.columns.empty()) {
            row["columns"] = parameters_as_json(parameter.columns);
        }
        row["needed"] = parameter.is_needed;
        rows.push_back(std::move(row));
    }
    return rows;
}

} // namespace

int list_steps(const StepsOptions& options) {
    if (options.markdown) {
        fmt::print("{}", step_table());
        return all_well;
    }
    nlohmann::json rows = nlohmann::json::array();
    for (const StepKind& kind : step_kinds()) {
        if (options.json) {
            rows.push_back({{"step", kind.id},
                            {"label", kind.label},
                            {"why", kind.why},
                            {"subject", subject_name(kind.subject)},
                            {"parameters", parameters_as_json(kind.parameters)}});
        } else {
            fmt::print("{:<24} {:<10} {}\n", kind.id, subject_name(kind.subject), kind.why);
        }
    }
    if (options.json) {
        fmt::print("{}\n", nlohmann::json{{"steps", rows}}.dump(2));
    }
    return all_well;
}

} // namespace wembrix::cli
