#include "core/steps/step_table.h"

#include "core/base/text.h"
#include "core/steps/step_kind.h"

#include <cmath>
#include <fmt/format.h>

namespace wembrix {

namespace {

/// "`position` (`ground` or `origin`; default `ground`): On the ground below the largest tree, or at the origin"
std::string described(const Parameter& parameter) {
    std::vector<std::string> facts;
    const auto fact = [&](std::string text) { facts.push_back(std::move(text)); };
    switch (parameter.kind) {
    case Parameter::Kind::choice:
    case Parameter::Kind::list: {
        std::string choices;
        for (size_t i = 0; i < parameter.choices.size(); ++i) {
            choices += fmt::format("{}`{}`",
                                   i == 0                              ? ""
                                   : i + 1 == parameter.choices.size() ? " or "
                                                                       : ", ",
                                   parameter.choices[i]);
        }
        if (parameter.kind == Parameter::Kind::list) {
            choices = choices.empty() ? "list" : "list of " + choices;
        }
        fact(choices);
        break;
    }
    case Parameter::Kind::pairs:
        fact("object");
        break;
    case Parameter::Kind::object:
        fact("object");
        break;
    case Parameter::Kind::rows: {
        std::string columns;
        for (const Parameter& column : parameter.columns) {
            columns += fmt::format("{}`{}`", columns.empty() ? "" : ", ", column.key);
        }
        fact("list of objects with " + columns);
        break;
    }
    case Parameter::Kind::flag:
        fact("`true` or `false`");
        break;
    default:
        break;
    }
    if (!parameter.unit_text.empty()) {
        fact(std::string(parameter.unit_text));
    }
    if (std::isfinite(parameter.least) && std::isfinite(parameter.most)) {
        fact(fmt::format("{:g} to {:g}", parameter.least, parameter.most));
    }
    if (parameter.is_needed) {
        fact("needed");
    } else if (!parameter.otherwise.is_null()) {
        fact(fmt::format("default `{}`", parameter.otherwise.is_string() ? parameter.otherwise.get<std::string>()
                                                                         : parameter.otherwise.dump()));
    }
    std::string text = fmt::format("`{}`", parameter.key);
    for (size_t i = 0; i < facts.size(); ++i) {
        text += (i == 0 ? " (" : "; ") + facts[i];
    }
    return text + (facts.empty() ? ": " : "): ") + std::string(parameter.help);
}

/// A cell ends at a bar, unless it is written out.
std::string in_cell(const std::string& text) {
    std::string cell;
    for (const char c : text) {
        cell += c == '|' ? std::string("\\|") : std::string(1, c);
    }
    return cell;
}

} // namespace

std::string step_table() {
    std::string table;
    for (const StepSubject subject :
         {StepSubject::scene, StepSubject::skeleton, StepSubject::surface, StepSubject::strands, StepSubject::clips}) {
        table +=
            fmt::format("**{}**\n\n| step | what for | parameters |\n| --- | --- | --- |\n", subject_name(subject));
        for (const StepKind& kind : step_kinds()) {
            if (kind.subject != subject) {
                continue;
            }
            std::string parameters;
            for (const Parameter& parameter : kind.parameters) {
                if (parameter.holds_data) {
                    continue;
                }
                parameters += (parameters.empty() ? "" : "<br>") + in_cell(described(parameter));
            }
            table += fmt::format("| `{}` | {} | {} |\n", kind.id, in_cell(std::string(kind.why)),
                                 parameters.empty() ? "none" : parameters);
        }
        table += "\n";
    }
    return table;
}

} // namespace wembrix
