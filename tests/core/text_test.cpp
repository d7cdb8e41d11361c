// Texts for people: English as a string, and said in another language from what they were made of.
#include "core/base/counted.h"
#include "core/base/result.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/formats/bvh/bvh.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"

#include <gtest/gtest.h>
#include <map>
#include <nlohmann/json.hpp>

namespace wembrix::testing {
namespace {

class German : public Dictionary {
  public:
    std::map<std::string, std::string> phrases;
    [[nodiscard]] std::string phrase(const std::string& id) const override {
        const auto found = phrases.find(id);
        return found == phrases.end() ? "" : found->second;
    }
    [[nodiscard]] std::string count(uint64_t number, const std::string& noun) const override {
        return noun == "joint" ? std::to_string(number) + (number == 1 ? " Gelenk" : " Gelenke") : "";
    }
    [[nodiscard]] char decimal_point() const override { return ','; }
};

TEST(Texts, AreTheEnglishAsAString) {
    const Text text = phrase("“{}” is {:.2f} m off, {} of {}", "pelvis", 0.5, counted(3, "vertex"), size_t(7));
    EXPECT_EQ(text, "“pelvis” is 0.50 m off, 3 vertices of 7");
    EXPECT_EQ(fmt::format("<{}>", text), "<" + std::string(text) + ">");
    EXPECT_EQ(nlohmann::json(text).dump(), nlohmann::json(std::string(text)).dump());
    const std::string plain = text;
    EXPECT_EQ(plain.size(), text.size());
}

TEST(Texts, AreSaidByPatternsWithNumbersInTheirPlaces) {
    German german;
    german.phrases = {{"{} is {:.2f} m off, of {}", "von {2} liegt {0} {1:.2f} m daneben"}};
    const Text text = phrase("{} is {:.2f} m off, of {}", std::string("pelvis"), 0.5, counted(2, "joint"));
    EXPECT_EQ(said(text, german), "von 2 Gelenke liegt pelvis 0,50 m daneben");
    EXPECT_EQ(said(phrase("{} is {:.2f} m off, of {}", std::string("pelvis"), -1e-3, counted(1, "joint")), german),
              "von 1 Gelenk liegt pelvis -0,00 m daneben");
}

TEST(Texts, NamesStayAndWordsAreTranslated) {
    German german;
    german.phrases = {{"left", "links"}, {"{} goes {}", "{} geht nach {}"}};
    EXPECT_EQ(said(phrase("{} goes {}", std::string("left"), "left"), german), "left geht nach links")
        << "a joint may be called like a word";
    const std::string_view label = "left";
    EXPECT_EQ(said(phrase("{} goes {}", std::string("left"), label), german), "left geht nach links");
    EXPECT_EQ(said(Text("left"), german), "links");
    EXPECT_EQ(said(Text("pelvis"), german), "pelvis");
    EXPECT_EQ(said(Text(), german), "");
}

TEST(Texts, PutTogetherTheyAreSaidPieceByPiece) {
    German german;
    german.phrases = {{"has no {}.", "hat kein {}."}, {"Add one.", "Fügen Sie eines hinzu."}, {"roof", "Dach"}};
    const Problem problem{phrase("has no {}.", "roof"), "house.glb", "Add one."};
    EXPECT_EQ(problem.sentence(), "house.glb: has no roof. Add one.");
    EXPECT_EQ(said(problem.sentence(), german), "house.glb: hat kein Dach. Fügen Sie eines hinzu.");
    Text grown = phrase("has no {}.", "roof");
    grown += " ";
    grown += Text("Add one.");
    EXPECT_EQ(said(grown, german), "hat kein Dach. Fügen Sie eines hinzu.");
    EXPECT_EQ(said(std::string("a: ") + phrase("has no {}.", "roof"), german), "a: hat kein Dach.");
    EXPECT_EQ(said(phrase("has no {}.", "roof") + std::string("!"), german), "hat kein Dach.!");
    EXPECT_EQ(said("so: " + counted(2, "joint"), german), "so: 2 Gelenke");
    EXPECT_EQ(said(joined({counted(1, "joint"), Text("roof")}, ", "), german), "1 Gelenk, Dach");
    german.phrases["{} and {} more"] = "{} und {} weitere";
    EXPECT_EQ(said(some_of(std::vector<std::string>{"a", "roof", "c"}, 2), german), "a, roof und 1 weitere");
    EXPECT_EQ(said(some_of(std::vector<Text>{"roof", counted(2, "joint"), "c"}, 2), german),
              "Dach, 2 Gelenke und 1 weitere");
}

TEST(Texts, WhatWasChangedSinceIsEnglish) {
    German german;
    german.phrases = {{"{} left", "{} übrig"}};
    Text text = phrase("{} left", 3);
    EXPECT_EQ(said(text, german), "3 übrig");
    text.insert(0, "only ");
    EXPECT_EQ(said(text, german), "only 3 left");
    text = "roof";
    EXPECT_EQ(said(text, german), "roof");
}

TEST(Texts, AWrongDictionaryGivesTheEnglish) {
    German german;
    const Text text = phrase("{} of {:.1f}", 3, 2.5);
    for (const char* wrong : {"{2} von {0}", "{0", "{x}", "{0} {9}", "{0:.2f}", "{1:.{0}f}", "{0:q}"}) {
        german.phrases["{} of {:.1f}"] = wrong;
        EXPECT_EQ(said(text, german), "3 of 2.5") << wrong;
    }
    const Text nested = phrase("{:.{}f} of {}", 2.5, 2, "roof");
    EXPECT_EQ(said(nested, german), "2.50 of roof") << "places in places are said in English";
    german.phrases["{} of {:.1f}"] = "{{{1:.1f}}}";
    EXPECT_EQ(said(text, german), "{2,5}");
    EXPECT_EQ(said(counted(2, "vertex"), german), "2 vertices");
}

TEST(Texts, FindingsAndStepsSayThemFromWhatTheyWereMadeOf) {
    Scene scene;
    for (const char* name : {"one", "two"}) {
        Node node;
        node.name = name;
        node.kind = NodeKind::joint;
        scene.nodes.push_back(node);
    }
    German german;
    german.phrases = {{"{} have no parent", "ohne Übergeordnetes: {}"},
                      {"{}: an engine keeps one tree.", "{}: ein Baum."}};
    bool is_there = false;
    for (const Finding& finding : look_for_findings({scene, nullptr})) {
        if (finding.id == "several_roots" || finding.message == "2 joints have no parent") {
            is_there = true;
            EXPECT_EQ(said(finding.message, german), "ohne Übergeordnetes: 2 Gelenke");
            EXPECT_EQ(said(finding.reason, german), "one, two: ein Baum.");
        }
    }
    EXPECT_TRUE(is_there);
    german.phrases = {{"there is no joint \"{}\".", "kein Gelenk „{}“."}, {"Name it.", ""}};
    const Result<StepResult> result = apply_step(scene, "insert_joint", {{"under", "three"}, {"name", "x"}});
    ASSERT_FALSE(result.ok());
    EXPECT_NE(result.problem().what.made(), nullptr) << result.problem().what;
}

} // namespace
} // namespace wembrix::testing
