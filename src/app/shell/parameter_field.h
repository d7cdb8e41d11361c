// The widget of one parameter.
#pragma once

#include "core/parameters/parameter.h"

#include <QString>
#include <functional>

class QWidget;

namespace wembrix::app {

struct ParameterField {
    QWidget* widget = nullptr;
    std::function<QString(nlohmann::json&)> read; ///< into an object of parameters; returns what is wrong, or nothing
};

/// A text of the core's as the window shows it.
QString to_qstring(std::string_view view);
/// "Factor (×)"
QString label_of(const Parameter& parameter);

/// For a choice, a flag, a number or a text, filled from `values`; what a flag begins with where nothing is set stands
/// in `starting`. `changed` is called at each edit.
ParameterField make_parameter_field(const Parameter& parameter, const nlohmann::json& values,
                                    const nlohmann::json& starting, QWidget* parent, std::function<void()> changed);

} // namespace wembrix::app
