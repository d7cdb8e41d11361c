// What a step's window shows of its parameters, and what it makes of what is typed there.
#include "core/steps/step_kind.h"
#include "drawn_parameters.h"
#include "random_rig.h"
#include "shell/step_dialog.h"
#include "shell/step_text.h"

#include <gtest/gtest.h>

namespace wembrix::app {
namespace {

using nlohmann::json;

/// A value that says what holds anyway need not be typed.
json without_what_holds_anyway(const StepKind& kind, json values) {
    for (const Parameter& parameter : kind.parameters) {
        const auto found = values.find(std::string(parameter.key));
        if (found != values.end() && (*found == parameter.otherwise || *found == "" || *found == false)) {
            values.erase(found);
        }
    }
    return values;
}

/// A rule that is none of find, case or tokens of a side cannot be shown in a line, and no step takes it.
bool has_no_such_rule(const Parameter& parameter, const json& value) {
    return parameter.column("replace") == nullptr || std::all_of(value.begin(), value.end(), [](const json& row) {
               return !row.is_object() || row.contains("case") || row.value("find", "") != "" || row.contains("left");
           });
}

TEST(StepText, WhatIsShownIsReadBackAsItWas) {
    const Scene scene = testing::random_rig(3, testing::options_for(3));
    size_t shown = 0;
    for (uint32_t seed = 1; seed <= 40; ++seed) {
        testing::Drawing draw(seed, scene);
        for (const StepKind& kind : step_kinds()) {
            const json values = draw.all(kind.parameters);
            json typed = json::object();
            for (const Parameter& parameter : kind.parameters) {
                const auto found = values.find(std::string(parameter.key));
                if (found == values.end() || !parameter.is_shown || !has_no_such_rule(parameter, *found)) {
                    continue;
                }
                const QString text = parameter_text(values, parameter);
                const QString wrong = set_parameter(typed, parameter, text);
                EXPECT_TRUE(wrong.isEmpty()) << std::string(kind.id) << " " << std::string(parameter.key) << " “"
                                             << text.toStdString() << "”: " << wrong.toStdString();
                EXPECT_EQ(parameter_text(typed, parameter), text) << text.toStdString();
                ++shown;
            }
        }
    }
    EXPECT_GT(shown, 1000U);
}

TEST(StepText, AnEmptyFieldTakesTheParameterAway) {
    const Scene scene = testing::random_rig(5, testing::options_for(5));
    for (const StepKind& kind : step_kinds()) {
        json values = testing::Drawing(9, scene).all(kind.parameters);
        for (const Parameter& parameter : kind.parameters) {
            if (parameter.is_shown && parameter.kind != Parameter::Kind::flag &&
                parameter.kind != Parameter::Kind::rows) {
                EXPECT_TRUE(set_parameter(values, parameter, QString()).isEmpty()) << std::string(kind.id);
                EXPECT_FALSE(values.contains(std::string(parameter.key))) << std::string(parameter.key);
            }
        }
    }
}

TEST(StepText, NumbersAreReadWithPointOrComma) {
    json values = json::object();
    const Parameter& factor = *step_kind("scale")->parameter("factor");
    for (const auto& [text, number] :
         {std::pair{"2", 2.0}, std::pair{" 2.5 ", 2.5}, std::pair{"0,25", 0.25}, std::pair{"1e-2", 0.01}}) {
        EXPECT_TRUE(set_parameter(values, factor, QString::fromUtf8(text)).isEmpty()) << text;
        EXPECT_EQ(values["factor"], number) << text;
    }
    for (const char* text : {"two", "1 2", "1.2.3", "nan", "inf", "0x10"}) {
        EXPECT_FALSE(set_parameter(values, factor, QString::fromUtf8(text)).isEmpty()) << text;
    }
}

TEST(StepDialogs, ShowAndGiveBackAnyParameters) {
    const auto scene = std::make_shared<const Scene>(testing::random_rig(3, testing::options_for(3)));
    size_t same = 0;
    size_t all = 0;
    for (uint32_t seed = 1; seed <= 3; ++seed) {
        testing::Drawing draw(seed * 31, *scene);
        for (const StepKind& kind : step_kinds()) {
            const Step step{std::string(kind.id), draw.all(kind.parameters)};
            if (check_parameters(kind.parameters, step.parameters)) {
                continue; // no window would be opened on it
            }
            const StepDialog dialog(step, {nullptr, nullptr});
            ++all;
            const json was = without_what_holds_anyway(kind, step.parameters);
            const json is = without_what_holds_anyway(kind, dialog.step().parameters);
            for (const auto& [key, value] : was.items()) {
                const Parameter* parameter = kind.parameter(key);
                if (parameter != nullptr && !is_lines(parameter->kind)) {
                    EXPECT_EQ(is.value(key, json()), value) << step.id << " " << key;
                }
            }
            same += is == was ? 1 : 0;
        }
    }
    EXPECT_GT(same * 2, all) << "most come back whole; choices that were not set stand on what holds";
}

} // namespace
} // namespace wembrix::app
