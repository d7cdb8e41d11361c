// What follows from the one declaration of a parameter.
#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/formats/format_table.h"
#include "core/steps/names_in_step.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "core/steps/step_table.h"

#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

using nlohmann::json;

struct PaintRow {
    std::string name;
    int coats = 1;
};
struct PaintSettings {
    enum class Finish : uint8_t { matte, gloss };
    std::string colour;
    std::optional<double> metres;
    int layers = 2;
    bool dry = true;
    Finish finish = Finish::gloss;
    std::vector<std::string> tools;
    std::map<std::string, std::string> swaps;
    std::vector<PaintRow> rows;
};

std::vector<Parameter> paint() {
    return {text<&PaintSettings::colour>("colour", "Colour", "Which").needed(),
            number<&PaintSettings::metres>("metres", "Metres", "How many").unit("m").above(0),
            number<&PaintSettings::layers>("layers", "Layers", "How many").between(1, 9).starting(3),
            flag<&PaintSettings::dry>("dry", "Dry", "waits"),
            choice<&PaintSettings::finish>("finish", "Finish", {"matte", "gloss"}, "Which"),
            list<&PaintSettings::tools>("tools", "Tools", "Which").out_of({"brush", "roll"}),
            pairs<&PaintSettings::swaps>("swaps", "Swaps", "Which"),
            rows<&PaintSettings::rows>("rows", "Rows", "row",
                                       {text<&PaintRow::name>("name", "Name", "Which").needed(),
                                        number<&PaintRow::coats>("coats", "Coats", "How many").at_least(1)},
                                       "All of them")};
}

std::string wrong(const json& values) {
    const std::optional<Problem> problem = check_parameters(paint(), values);
    EXPECT_TRUE(!problem || problem->malformed);
    return problem ? problem->sentence() : "";
}

TEST(Parameters, FillTheStructThatTheyWereDeclaredWith) {
    const json values = {{"colour", "teal"},      {"metres", 1.5},
                         {"layers", 4},           {"dry", false},
                         {"finish", "matte"},     {"tools", {"brush"}},
                         {"swaps", {{"a", "b"}}}, {"rows", {{{"name", "x"}, {"coats", 2}}, {{"name", "y"}}}}};
    EXPECT_EQ(wrong(values), "");
    PaintSettings settings;
    fill_settings(paint(), values, &settings);
    EXPECT_EQ(settings.colour, "teal");
    EXPECT_EQ(settings.metres, 1.5);
    EXPECT_EQ(settings.layers, 4);
    EXPECT_FALSE(settings.dry);
    EXPECT_EQ(settings.finish, PaintSettings::Finish::matte);
    EXPECT_EQ(settings.tools, std::vector<std::string>{"brush"});
    EXPECT_EQ(settings.swaps.at("a"), "b");
    ASSERT_EQ(settings.rows.size(), 2U);
    EXPECT_EQ(settings.rows[0].coats, 2);
    EXPECT_EQ(settings.rows[1].coats, 1) << "what the struct begins with";
}

TEST(Parameters, DefaultsAreThoseOfTheStruct) {
    const std::vector<Parameter> all = paint();
    EXPECT_EQ(all[2].otherwise, 2);
    EXPECT_EQ(all[3].otherwise, true);
    EXPECT_EQ(all[4].otherwise, "gloss");
    EXPECT_TRUE(all[1].otherwise.is_null());
    EXPECT_EQ(starting_values(all), json({{"layers", 3}}));
}

TEST(Parameters, WhatIsWrongIsSaidInOneSentence) {
    EXPECT_EQ(wrong(json::object()), "needs \"colour\".");
    EXPECT_EQ(wrong({{"colour", ""}}), "needs \"colour\".");
    EXPECT_EQ(wrong({{"colour", 3}}), "\"colour\" is not a text.");
    EXPECT_EQ(wrong({{"colour", "x"}, {"colr", 1}}), "has no parameter \"colr\".");
    EXPECT_EQ(wrong({{"colour", "x"}, {"metres", 0}}), "\"metres\" is not greater than 0 m.");
    EXPECT_EQ(wrong({{"colour", "x"}, {"layers", 10}}), "\"layers\" is not between 1 and 9.");
    EXPECT_EQ(wrong({{"colour", "x"}, {"layers", 1.5}}), "\"layers\" is not a whole number.");
    EXPECT_EQ(wrong({{"colour", "x"}, {"dry", "no"}}), "\"dry\" is neither true nor false.");
    EXPECT_EQ(wrong({{"colour", "x"}, {"finish", "satin"}}), "\"finish\" is neither \"matte\" nor \"gloss\".");
    EXPECT_EQ(wrong({{"colour", "x"}, {"tools", {"comb"}}}),
              "\"comb\" in \"tools\" is neither \"brush\" nor \"roll\".");
    EXPECT_EQ(wrong({{"colour", "x"}, {"rows", {{{"name", "y"}, {"coats", 0}}}}}),
              "row \"y\": \"coats\" is not at least 1.");
    EXPECT_EQ(wrong({{"colour", "x"}, {"rows", {{{"coats", 1}}}}}), "row 1: needs \"name\".");
    EXPECT_EQ(wrong(json::array()), "the parameters are not an object.");
}

TEST(Parameters, OneLineSaysWhatIsSet) {
    EXPECT_EQ(summary_of(paint(), {{"colour", "teal"}, {"metres", 2}, {"tools", {"brush", "roll"}}}),
              "Colour: teal · Metres: 2 m · Tools: brush, roll");
    EXPECT_EQ(summary_of(paint(), json::object()), "");
}

TEST(Parameters, RandomValuesAreCheckedOrFilledAndNeverMore) {
    // Whatever stands under a key: either it is refused, or it can be put into the struct.
    const json samples[] = {nullptr,
                            true,
                            -1,
                            0,
                            1e300,
                            2.5,
                            "",
                            "matte",
                            "brush",
                            json::array(),
                            {"brush"},
                            {{"a", "b"}},
                            {{{"name", "x"}}},
                            {{{"name", 3}}},
                            json::array({1, 2}),
                            json::object()};
    for (const Parameter& parameter : paint()) {
        for (const json& sample : samples) {
            json values = {{"colour", "x"}};
            values[std::string(parameter.key)] = sample;
            if (!check_parameters(paint(), values)) {
                PaintSettings settings;
                fill_settings(paint(), values, &settings);
            }
        }
    }
}

TEST(NamesInSteps, AreFollowedWhereverTheyAreDeclared) {
    std::vector<Step> steps = {{"remove_joints", {{"names", {"arm"}}, {"to", "arm"}}},
                               {"reparent_joints", {{"under", {{"arm", "spine"}}}}},
                               {"extract_root_motion", {{"from", "arm"}}},
                               {"reparent_joints", {{"under", {{"hand", "arm"}}}}},
                               {"align_bone_axes", {{"at", {{"arm", "hand"}, {"spine", "arm"}}}}},
                               {"leave_behind", {{"names", {"arm", "prop"}}}},
                               {"bring_takes", {{"joints", {{"Arm_01", "arm"}}}}},
                               {"rename_surfaces", {{"names", {{"arm", "x"}}}}}};
    follow_names(steps, 0, NameOf::joint, {{"arm", "upper_arm"}});
    EXPECT_EQ(steps[0].parameters["names"][0], "upper_arm");
    EXPECT_EQ(steps[0].parameters["to"], "upper_arm");
    EXPECT_TRUE(steps[1].parameters["under"].contains("upper_arm"));
    EXPECT_EQ(steps[2].parameters["from"], "upper_arm");
    EXPECT_EQ(steps[3].parameters["under"]["hand"], "upper_arm") << "what something hangs on, too";
    EXPECT_EQ(steps[4].parameters["at"], json({{"upper_arm", "hand"}, {"spine", "upper_arm"}}));
    EXPECT_EQ(steps[5].parameters["names"], json({"upper_arm", "prop"}));
    EXPECT_EQ(steps[6].parameters["joints"], json({{"Arm_01", "upper_arm"}}));
    EXPECT_TRUE(steps[7].parameters["names"].contains("arm")) << "that is a surface";
    EXPECT_EQ(names_in(steps[2], NameOf::joint), std::vector<std::string>{"upper_arm"});
}

TEST(StepTable, TheDocumentationHasTheOneThatTheStepsGive) {
    const Result<std::string> page = read_file(std::filesystem::path(WEMBRIX_SOURCE) / "docs/cli.md");
    ASSERT_TRUE(page.ok());
    EXPECT_NE(page->find("\n" + step_table() + "<!-- end of steps -->"), std::string::npos)
        << "run docs/make-tables.sh";
}

TEST(FormatTable, TheGuideHasTheOneThatTheFormatsGive) {
    const Result<std::string> page = read_file(std::filesystem::path(WEMBRIX_SOURCE) / "docs/guide/formats.md");
    ASSERT_TRUE(page.ok());
    EXPECT_NE(page->find("\n" + format_table() + "<!-- end of formats -->"), std::string::npos)
        << "run docs/make-tables.sh";
}

TEST(Words, WhatIsCountedIsInTheSingularOrPlural) {
    EXPECT_EQ(counted(1, "joint"), "1 joint");
    EXPECT_EQ(counted(size_t{0}, "joint"), "0 joints");
    EXPECT_EQ(counted(2, "vertex"), "2 vertices");
    EXPECT_EQ(counted(3, "key"), "3 keys");
    EXPECT_EQ(counted(3, "property"), "3 properties");
}

} // namespace
} // namespace wembrix::testing
