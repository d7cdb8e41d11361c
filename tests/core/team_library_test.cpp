// Conventions, what a destination makes of a job before it is asked to, and the library that a team shares.
#include "core/base/files.h"
#include "core/delivery/arrival_check.h"
#include "core/delivery/foreseen.h"
#include "core/delivery/made_from.h"
#include "core/destination/conventions.h"
#include "core/destination/team_library.h"
#include "small_scenes.h"
#include "tansy_scene.h"

#include <fstream>
#include <gtest/gtest.h>
#include <map>
#include <set>
#include <thread>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

TEST(Conventions, ACharacterLooksTheRightWayInEach) {
    std::set<std::string> words;
    for (const AxisSystem& axes : conventions()) {
        Destination destination = built_in_destinations()[0];
        destination.reads = AxisSystem();
        follow_convention(destination, axes);
        EXPECT_TRUE(words.insert(convention_words(axes)).second);
        EXPECT_TRUE(axes.valid());
        EXPECT_FALSE(destination.reads);
        // The file's front, as the engine has it once it has read the file.
        const Vec3 front = place_in_engine(Vec3::UnitZ(), destination);
        EXPECT_EQ(nearest_axis(front), axes.forward) << convention_words(axes);
        EXPECT_EQ(nearest_axis(place_in_engine(Vec3::UnitY(), destination)), axes.up) << convention_words(axes);
        const Result<Destination> again = destination_from_json(destination_to_json(destination), "");
        ASSERT_TRUE(again);
        EXPECT_TRUE(*again == destination);
    }
}

std::map<std::string, std::string> rows_of_tansy(const Destination& destination) {
    static const Scene scene = demo::tansy_model();
    std::map<std::string, std::string> rows;
    for (const Foreseen& row : foreseen(scene, destination)) {
        EXPECT_TRUE(rows.emplace(row.what, row.value).second);
        EXPECT_FALSE(row.value.empty()) << row.what;
    }
    return rows;
}

TEST(Foreseen, EachSettingChangesItsOwnRow) {
    Destination plain = built_in_destinations()[0];
    const auto before = rows_of_tansy(plain);
    const auto changed = [&](const Destination& other) {
        std::set<std::string> names;
        for (const auto& [what, value] : rows_of_tansy(other)) {
            if (before.at(what) != value) {
                names.insert(what);
            }
        }
        return names;
    };
    EXPECT_TRUE(changed(plain).empty());
    Destination other = plain;
    other.axes.unit_m *= 10;
    EXPECT_EQ(changed(other), std::set<std::string>{"Height"});
    other = plain;
    other.influences = 2;
    EXPECT_TRUE(changed(other).count("Influences"));
    other = plain;
    other.shapes = 0;
    EXPECT_TRUE(changed(other).count("Shapes") && changed(other).count("Stays behind"));
    other = plain;
    other.numbers = Numbers::rounded;
    EXPECT_EQ(changed(other), std::set<std::string>{"Is altered"});
    other = plain;
    other.longest_name = 3;
    EXPECT_EQ(before.at("Held by") == "nothing", changed(other).count("Held by") > 0) << before.at("Held by");
    other = plain;
    other.deliverables = {"materials"};
    EXPECT_TRUE(changed(other).count("Files") || changed(other).count("Stays behind"));
}

class TeamLibrary : public ::testing::Test {
  protected:
    TeamLibrary()
        : folder(fs::temp_directory_path() /
                 ("wembrix_team_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()))) {
        fs::remove_all(folder);
        fs::create_directories(folder);
    }
    fs::path folder;
    Destination mine = built_in_destinations()[0];
};

TEST_F(TeamLibrary, WhatOneSavesAnotherSeesAsNewer) {
    ASSERT_TRUE(save_to_team(folder, mine));
    EXPECT_EQ(mine.revision, 1);
    Destination theirs = team_destinations(folder).at(0);
    EXPECT_TRUE(theirs == mine);
    EXPECT_FALSE(newer_in_team(folder, mine));
    theirs.influences = 8;
    ASSERT_TRUE(save_to_team(folder, theirs));
    EXPECT_EQ(theirs.revision, 2);
    const std::optional<Destination> newer = newer_in_team(folder, mine);
    ASSERT_TRUE(newer);
    EXPECT_EQ(newer->influences, 8);
    // Mine was changed meanwhile: it does not go over theirs unasked.
    mine.rate = 60;
    const Outcome refused = save_to_team(folder, mine);
    ASSERT_FALSE(refused);
    EXPECT_NE(refused.problem().sentence().find("revision 2"), std::string::npos) << refused.problem().sentence();
    EXPECT_EQ(team_destinations(folder)[0].influences, 8);
    EXPECT_EQ(mine.revision, 1);
    ASSERT_TRUE(save_to_team(folder, mine, true));
    EXPECT_EQ(mine.revision, 3);
    EXPECT_EQ(team_destinations(folder)[0].rate, 60);
    // The same once more is no new revision.
    ASSERT_TRUE(save_to_team(folder, mine));
    EXPECT_EQ(mine.revision, 3);
}

TEST_F(TeamLibrary, TheRevisionMakesNothingStale) {
    Destination other = mine;
    other.revision = 7;
    EXPECT_EQ(hash_of_destination(mine), hash_of_destination(other));
    const Scene scene = demo::tansy_model();
    EXPECT_EQ(content_of_model(scene, mine, "job"), content_of_model(scene, other, "job"));
}

TEST_F(TeamLibrary, AFileOfSomebodyElseStaysAsItIs) {
    const fs::path file = folder / (file_name_safe(mine.name) + ".destination.json");
    std::ofstream(file) << "a shopping list";
    EXPECT_FALSE(save_to_team(folder, mine));
    EXPECT_EQ(*read_file(file), "a shopping list");
    EXPECT_TRUE(team_destinations(folder).empty());
    EXPECT_FALSE(save_to_team(folder / "nowhere", mine));
    EXPECT_TRUE(team_destinations(folder / "nowhere").empty());
    EXPECT_FALSE(newer_in_team(folder, mine));
    EXPECT_FALSE(newer_in_team({}, mine));
}

TEST_F(TeamLibrary, OfTwoAtTheSameTimeOneIsToldAndNoneIsLost) {
    ASSERT_TRUE(save_to_team(folder, mine));
    std::vector<std::thread> all;
    std::atomic<int> saved = 0;
    for (int i = 0; i < 8; ++i) {
        all.emplace_back([&, i] {
            Destination one = mine;
            one.longest_name = 20 + i;
            saved += save_to_team(folder, one) ? 1 : 0;
        });
    }
    for (std::thread& one : all) {
        one.join();
    }
    EXPECT_EQ(saved, 1) << "the first; the others came from an older one";
    EXPECT_EQ(team_destinations(folder).at(0).revision, 2);
}

} // namespace
} // namespace wembrix::testing
