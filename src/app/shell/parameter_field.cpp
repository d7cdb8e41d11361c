#include "shell/parameter_field.h"
#include "style/language.h"

#include "shell/step_text.h"

#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>
#include <algorithm>

namespace wembrix::app {

namespace {

bool starts_ticked(const Parameter& flag, const nlohmann::json& starting) {
    const auto found = starting.find(std::string(flag.key));
    const nlohmann::json& value = found == starting.end() ? flag.otherwise : *found;
    return value.is_boolean() && value.get<bool>();
}

} // namespace

QString to_qstring(std::string_view view) {
    return QString::fromUtf8(view.data(), static_cast<qsizetype>(view.size()));
}

QString label_of(const Parameter& parameter) {
    const QString label = localized(parameter.label);
    return parameter.unit_text.empty() ? label : label + QStringLiteral(" (%1)").arg(localized(parameter.unit_text));
}

ParameterField make_parameter_field(const Parameter& parameter, const nlohmann::json& values,
                                    const nlohmann::json& starting, QWidget* parent, std::function<void()> changed) {
    const QString now = parameter_text(values, parameter);
    if (parameter.kind == Parameter::Kind::choice) {
        const QString otherwise = parameter.otherwise.is_string()
                                      ? QString::fromStdString(parameter.otherwise.get<std::string>())
                                      : QString();
        auto* box = new QComboBox(parent);
        for (const std::string& choice : parameter.choices) {
            const QString value = QString::fromStdString(choice);
            box->addItem(localized(QString(value).replace(QLatin1Char('_'), QLatin1Char(' ')).toStdString()), value);
        }
        box->setCurrentIndex(std::max(0, box->findData(now.isEmpty() ? otherwise : now)));
        QObject::connect(box, &QComboBox::currentTextChanged, box, std::move(changed));
        return {box, [box, parameter](nlohmann::json& to) {
                    return set_parameter(to, parameter, box->currentData().toString());
                }};
    }
    if (parameter.kind == Parameter::Kind::flag) {
        auto* tick = new QCheckBox(localized(parameter.help), parent);
        const bool said = values.contains(std::string(parameter.key));
        tick->setChecked(said ? now == QStringLiteral("yes") : starts_ticked(parameter, starting));
        QObject::connect(tick, &QCheckBox::toggled, tick, std::move(changed));
        return {tick, [tick, parameter](nlohmann::json& to) {
                    return set_parameter(to, parameter, tick->isChecked() ? QStringLiteral("yes") : QString());
                }};
    }
    auto* line = new QLineEdit(now, parent);
    line->setPlaceholderText(parameter.form.empty() && parameter.otherwise.is_number()
                                 ? QString::number(parameter.otherwise.get<double>())
                                 : localized(parameter.form));
    QObject::connect(line, &QLineEdit::textChanged, line, std::move(changed));
    return {line, [line, parameter](nlohmann::json& to) { return set_parameter(to, parameter, line->text()); }};
}

} // namespace wembrix::app
