// Step parameters as a person types them, and back. No widgets.
#pragma once

#include "core/parameters/parameter.h"

#include <QString>
#include <nlohmann/json.hpp>

namespace wembrix::app {

/// The parameter as text: rules as "find → replace" lines, cuts as "name, start, end,
/// repeat, colour" lines.
QString parameter_text(const nlohmann::json& parameters, const Parameter& field);

/// Whether it is edited as lines.
bool is_lines(Parameter::Kind kind);

/// Puts typed text into the parameters; an empty text takes the parameter away. Returns what is wrong, or nothing.
QString set_parameter(nlohmann::json& parameters, const Parameter& field, const QString& text);

} // namespace wembrix::app
