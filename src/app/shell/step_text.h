// Step parameters as a person types them, and back. No widgets.
#pragma once

#include "core/steps/step.h"

#include <QString>
#include <nlohmann/json.hpp>

namespace wembrix::app {

/// The parameter as text: rules as "find → replace" lines, cuts as "name, first, last,
/// repeats, colour" lines.
QString parameter_text(const nlohmann::json& parameters, const StepField& field);

/// Whether it is edited as lines.
bool is_lines(StepField::Kind kind);

/// Puts typed text into the parameters; an empty text takes the parameter away. Returns what is wrong, or nothing.
QString set_parameter(nlohmann::json& parameters, const StepField& field, const QString& text);

} // namespace wembrix::app
