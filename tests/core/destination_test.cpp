// Destination files: what they say, what is refused, and what is worked out from them.
#include "core/destination/destination.h"
#include "core/destination/file_kinds.h"
#include "core/formats/format.h"
#include "core/formats/gltf/gltf.h"
#include "small_scenes.h"

#include <fstream>
#include <gtest/gtest.h>
#include <sstream>

namespace wembrix::testing {
namespace {

using nlohmann::json;

json with_key(const char* key, const json& value) {
    json destination = destination_to_json(built_in_destinations()[0]);
    destination[key] = value;
    return destination;
}

Destination destination_of(const json& from) {
    Result<Destination> destination = destination_from_json(from, "it");
    EXPECT_TRUE(destination.ok()) << (destination ? "" : destination.problem().sentence());
    return destination ? destination.take() : Destination();
}

TEST(Destinations, ComeBackAsTheyWere) {
    for (Destination destination : built_in_destinations()) {
        EXPECT_TRUE(destination_of(destination_to_json(destination)) == destination);
        destination.container = "bvh";
        destination.axes.handedness = Handedness::left;
        destination.influences = 8;
        destination.rate = 59.94;
        destination.root = "Hips";
        destination.joint_names = "[a-z]+";
        destination.longest_name = 31;
        destination.files["model"] = "{destination}_{job}";
        destination.files["clip"] = "{clip}";
        destination.keep_last = false;
        destination.drift_limit_mm = 0.05;
        destination.format_options = {{"bvh", {{"rotation_order", "YXZ"}, {"decimals", 4}}},
                                      {"gltf", {{"one_line", true}}}};
        const json written = destination_to_json(destination);
        const Destination back = destination_of(written);
        EXPECT_EQ(destination_to_json(back), written);
        EXPECT_EQ(back.axes.handedness, Handedness::left);
        EXPECT_FALSE(back.keep_last);
        EXPECT_EQ(back.options_of("bvh"), destination.format_options["bvh"]);
        EXPECT_EQ(back.options_of("glb"), json::object());
    }
}

TEST(Destinations, WhatIsWrongIsSaidWithItsKey) {
    struct Wrong {
        const char* key;
        json value;
        const char* said;
    };
    const Wrong wrongs[] = {
        {"name", "", "\"name\" is empty"},
        {"name", 3, "no \"name\""},
        {"container", "wav", "no container"},
        {"container", "obj", "no container"}, // it is read only
        {"container", 1, "not a text"},
        {"unit_m", 0, "\"unit_m\""},
        {"unit_m", "1", "\"unit_m\""},
        {"up", "+W", "\"up\" is no axis"},
        {"forward", "+Z", "on one line"},
        {"forward", "-Z", "on one line"},
        {"handedness", "both", "neither"},
        {"max_influences", 0, "from 1 to 64"},
        {"max_influences", 65, "from 1 to 64"},
        {"rate", 0.5, "from 1 to 1000"},
        {"rate", 1001, "from 1 to 1000"},
        {"longest_name", 0, "from 1 to 256"},
        {"drift_limit_mm", -1, "\"drift_limit_mm\""},
        {"keep_last", "yes", "neither true nor false"},
        {"joint_names", "(", "\"joint_names\""},
        {"joint_names", "(?=a)", "\"joint_names\""},
        {"model_file", "{jo}", "unknown token {jo}"},
        {"clip_file", "", "cannot be a file name"},
        {"clip_file", "../{clip}", "cannot be a file name"},
        {"clip_file", "{clip", "unknown token"},
        {"contract", 4, "\"contract\""},
        {"colour", "red", "no setting \"colour\""},
        {"version", 3, "version"},
        {"format_options", 1, "not an object"},
        {"format_options", {{"wav", json::object()}}, "no format \"wav\""},
        {"format_options", {{"bvh", 2}}, "\"bvh\""},
        {"format_options", {{"bvh", {{"decimals", 12}}}}, "between 3 and 9"},
        {"format_options", {{"bvh", {{"rotation_order", "XXY"}}}}, "rotation_order"},
        {"format_options", {{"gltf", {{"one_line", "yes"}}}}, "one_line"},
        {"format_options", {{"glb", {{"one_line", true}}}}, "one_line"},
    };
    for (const Wrong& wrong : wrongs) {
        const Result<Destination> read = destination_from_json(with_key(wrong.key, wrong.value), "it");
        ASSERT_FALSE(read.ok()) << wrong.key << " " << wrong.value;
        EXPECT_NE(read.problem().sentence().find(wrong.said), std::string::npos)
            << wrong.key << " " << wrong.value << ": " << read.problem().sentence();
    }
    for (const json& none : {json(1), json("glb"), json::array(), json(nullptr), json::object()}) {
        EXPECT_FALSE(destination_from_json(none, "it").ok()) << none;
    }
}

TEST(Destinations, ARotationOrderBesideTheOthersIsThatOfTheFormat) {
    EXPECT_EQ(destination_of(with_key("rotation_order", "XYZ")).options_of("bvh"), json({{"rotation_order", "XYZ"}}));
    EXPECT_TRUE(destination_of(with_key("rotation_order", "ZXY")).format_options.empty()) << "as it is by itself";
    json both = with_key("rotation_order", "XYZ");
    both["format_options"] = {{"bvh", {{"rotation_order", "YXZ"}}}};
    EXPECT_EQ(destination_of(both).options_of("bvh")["rotation_order"], "YXZ") << "what is said in the new place holds";
    EXPECT_FALSE(destination_from_json(with_key("rotation_order", "XXX"), "it").ok());
}

TEST(Destinations, LengthsAndAxesAsTheEngineSaysThem) {
    const Destination tidewater = built_in_destinations()[0];
    const Destination lantern = built_in_destinations()[1];
    EXPECT_EQ(tidewater.in_units(1.623), "162.3 u");
    EXPECT_EQ(lantern.in_units(1.623), "1.623 u");
    EXPECT_EQ(lantern.in_units(-12.3), "-12.3 u");
    EXPECT_EQ(tidewater.axis_here(Axis::pos_y), "+Z") << "the sky";
    EXPECT_EQ(tidewater.axis_here(Axis::pos_z), "-Y") << "forward";
    EXPECT_EQ(lantern.axis_here(Axis::neg_x), "-X");
    EXPECT_EQ(tidewater.summary(), "Z up · 1 u = 1 cm · 4 influences");
    Destination inches = lantern;
    inches.axes.unit_m = 0.0254;
    inches.influences = 1;
    EXPECT_EQ(inches.summary(), "Y up · 1 u = 0.0254 m · 1 influence");
}

TEST(Destinations, NamesOfFilesAreFilledInAndSafe) {
    const Destination lantern = built_in_destinations()[1];
    const auto stem = [&](const char* pattern, const char* job, const char* clip) {
        const Result<std::string> made = file_stem(pattern, {"", clip, "", job}, *file_kind("clip"), lantern);
        return made ? *made : "refused: " + made.problem().what;
    };
    EXPECT_EQ(stem("{job}_{clip}", "tansy", "wade"), "tansy_wade");
    EXPECT_EQ(stem("{destination}-{clip}-{clip}", "tansy", "wade"), "Lantern_web_view-wade-wade");
    EXPECT_EQ(stem("plain", "tansy", "wade"), "plain");
    EXPECT_EQ(stem("{clip}", "tansy", "wade|take/2").find('/'), std::string::npos);
    EXPECT_EQ(stem("{clip}", "tansy", "../../etc").find('/'), std::string::npos);
    EXPECT_FALSE(stem("{clip}", "tansy", "").empty());
    EXPECT_EQ(stem(".{clip}", "tansy", "wade").rfind("refused", 0), 0U) << "hidden";
    EXPECT_EQ(stem("{clip}", "tansy", std::string(200, 'a').c_str()).rfind("refused", 0), 0U) << "too long";
}

TEST(Destinations, TwoThatFallIntoOneFolderAreRefused) {
    std::vector<Destination> two = built_in_destinations();
    EXPECT_FALSE(shared_folder(two));
    for (const char* name : {"Tidewater runtime", "Tidewater_runtime", "TIDEWATER runtime", "Tidewater/runtime"}) {
        two[1].name = name;
        const std::optional<Problem> problem = shared_folder(two);
        ASSERT_TRUE(problem) << name;
        EXPECT_NE(problem->sentence().find("Tidewater runtime"), std::string::npos);
    }
    two[1].name = "Tidewater runtime 2";
    EXPECT_FALSE(shared_folder(two));
}

TEST(FormatOptions, TheTableOfTheDocumentationHasThemAll) {
    std::ifstream file(WEMBRIX_SOURCE "/docs/destination-format.md");
    std::stringstream text;
    text << file.rdbuf();
    size_t options = 0;
    for (const Format& format : formats()) {
        for (const Parameter& option : format.options) {
            ++options;
            std::string line;
            bool found = false;
            for (std::istringstream lines(text.str()); std::getline(lines, line);) {
                found = found ||
                        (line.rfind("| `", 0) == 0 && line.find("`" + std::string(format.id) + "`") == 2 &&
                         line.find("`" + std::string(option.key) + "`") != std::string::npos) ||
                        (line.find(", `" + std::string(format.id) + "` |") != std::string::npos &&
                         line.find("`" + std::string(option.key) + "`") != std::string::npos);
            }
            EXPECT_TRUE(found) << format.id << " " << option.key;
        }
    }
    EXPECT_EQ(options, 7U);
}

TEST(FormatOptions, ATextOnOneLineHoldsTheSame) {
    const Scene scene = tower({"root", "spine", "head"});
    for (const char* id : {"gltf", "gltf_embedded"}) {
        const Format& format = *format_with_id(id);
        const std::string plain = format.write(scene, "a", json::object(), {})->front().bytes;
        const std::string lean = format.write(scene, "a", {{"one_line", true}}, {})->front().bytes;
        EXPECT_EQ(std::count(lean.begin(), lean.end(), '\n'), 1) << id;
        EXPECT_GT(std::count(plain.begin(), plain.end(), '\n'), 20) << id;
        EXPECT_EQ(json::parse(lean), json::parse(plain)) << id;
    }
}

} // namespace
} // namespace wembrix::testing
