// The list of cuts as text, and what working on the strip and the ladder does to the route card.
#include "core/job/card_edits.h"
#include "core/job/cuts.h"
#include "core/job/source_changes.h"
#include "small_scenes.h"

#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

std::vector<Cut> three() {
    return {{"stand", 0, 168, true, "#4B78A8", ""},
            {"say \"hi\", twice", 170, 200, false, "", "he said: \"loud\"\nand again"},
            {"wade", 220, 396, true, "#2F8A72", "from the left, then right"}};
}

RateOfTake all_at_rate(double rate) {
    return [rate](const std::string&) { return rate; };
}

TEST(Cuts, CsvComesBackAsItWent) {
    const std::string text = cuts_to_csv(three());
    EXPECT_EQ(text.substr(0, text.find('\n')), "name,start,end,loop,colour,note");
    const Result<std::vector<Cut>> back = cuts_from_csv(text, "list");
    ASSERT_TRUE(back.ok()) << back.problem().sentence();
    EXPECT_EQ(*back, three());
}

TEST(Cuts, JsonComesBackAsItWent) {
    const Result<std::vector<Cut>> back = cuts_from_text(cuts_to_json(three()).dump(2), "list");
    ASSERT_TRUE(back.ok()) << back.problem().sentence();
    EXPECT_EQ(*back, three());
    const nlohmann::json under = {{"clips", cuts_to_json(three())}};
    EXPECT_EQ(*cuts_from_json(under, "list"), three());
}

TEST(Cuts, ColumnsInAnyOrderWithSpreadsheetHabits) {
    const Result<std::vector<Cut>> list =
        cuts_from_csv("\xEF\xBB\xBFlast, name ,first\r\n40,rise,0\r\n\r\n80, fall ,40\r\n", "list");
    ASSERT_TRUE(list.ok()) << list.problem().sentence();
    ASSERT_EQ(list->size(), 2U);
    EXPECT_EQ((*list)[1].name, "fall");
    EXPECT_EQ((*list)[1].end, 80);
    EXPECT_FALSE((*list)[1].loop);
    for (const char* yes : {"yes", "TRUE", "1"}) {
        EXPECT_TRUE((*cuts_from_csv(std::string("name,first,last,repeats\na,0,1,") + yes, "l"))[0].loop);
    }
}

TEST(Cuts, BadListsAreRefusedWithTheirRow) {
    const auto why = [](const std::string& text) {
        const Result<std::vector<Cut>> list = cuts_from_text(text, "list.csv");
        EXPECT_FALSE(list.ok()) << text;
        return list.ok() ? "" : list.problem().sentence();
    };
    EXPECT_NE(why("").find("no cuts"), std::string::npos);
    EXPECT_NE(why("name,first\na,0\n").find("no column \"end\""), std::string::npos);
    EXPECT_NE(why("name,first,last\na,0,9\nb,x,9\n").find("row 2"), std::string::npos);
    EXPECT_NE(why("name,first,last\na,0.5,9\n").find("whole frame"), std::string::npos);
    EXPECT_NE(why("name,first,last\n,0,9\n").find("no name"), std::string::npos);
    EXPECT_NE(why("name,first,last,repeats\na,0,9,maybe\n").find("neither yes nor no"), std::string::npos);
    EXPECT_NE(why("name,first,last\n\"a,0,9\n").find("never closed"), std::string::npos);
    EXPECT_NE(why("name,first,last\na,99999999999999999999,9\n").find("whole frame"), std::string::npos);
    EXPECT_NE(why("[{\"name\":\"a\"}]").find("whole frame"), std::string::npos);
    EXPECT_NE(why("[{\"first\":1}]").find("no name"), std::string::npos);
    EXPECT_NE(why("[1e308]").find("no name"), std::string::npos);
    EXPECT_NE(why("{").find("not valid JSON"), std::string::npos);
    EXPECT_NE(why("{}").find("no list"), std::string::npos);
}

TEST(Cuts, WhatStaysAtHomeIsAColumnOfItsOwn) {
    std::vector<Cut> list = three();
    list[1].deliver = false;
    const std::string text = cuts_to_csv(list);
    EXPECT_EQ(text.substr(0, text.find('\n')), "name,start,end,loop,colour,note,deliver");
    EXPECT_EQ(*cuts_from_csv(text, "list"), list);
    EXPECT_EQ(*cuts_from_json(cuts_to_json(list), "list"), list);
    EXPECT_FALSE(cuts_from_csv("name,first,last,deliver\na,0,9,perhaps\n", "list").ok());
}

TEST(Cuts, SecondsBecomeTheTakesFrames) {
    const std::string text = "name,from_s,to_s\nrise,0,1.5\nfall,1.5,2.49\n";
    const Result<std::vector<Cut>> list = cuts_from_text(text, "list", all_at_rate(30));
    ASSERT_TRUE(list.ok()) << list.problem().sentence();
    EXPECT_EQ((*list)[0].end, 45);
    EXPECT_EQ((*list)[1].start, 45);
    EXPECT_EQ((*list)[1].end, 75);
    EXPECT_EQ((*cuts_from_text(R"([{"name":"rise","from_s":0.5,"to_s":1}])", "list", all_at_rate(24)))[0].start, 12);
    const Result<std::vector<Cut>> unknown = cuts_from_text(text, "list");
    ASSERT_FALSE(unknown.ok());
    EXPECT_NE(unknown.problem().sentence().find("in seconds"), std::string::npos);
    EXPECT_FALSE(cuts_from_text("name,from_s,to_s\nrise,0,1e300\n", "list", all_at_rate(30)).ok());
    EXPECT_FALSE(cuts_from_text("name,from_s\nrise,0\n", "list", all_at_rate(30)).ok());
}

TEST(Cuts, AListOfSeveralTakesNamesThem) {
    std::vector<Cut> cuts = three();
    cuts[0].take = "monday, early";
    cuts[1].take = "tuesday";
    cuts[2].take = "monday, early";
    const std::string text = cuts_to_csv(cuts);
    EXPECT_EQ(text.substr(0, text.find('\n')), "name,start,end,loop,colour,note,take");
    EXPECT_EQ(*cuts_from_csv(text, "list"), cuts);
    EXPECT_EQ(*cuts_from_json(cuts_to_json(cuts), "list"), cuts);
    const auto takes = cuts_by_take(cuts, "else");
    ASSERT_EQ(takes.size(), 2U);
    EXPECT_EQ(takes[0].first, "monday, early");
    EXPECT_EQ(takes[0].second, (std::vector<Cut>{three()[0], three()[2]})) << "what a step has says no take";
    EXPECT_EQ(takes[1].first, "tuesday");
    EXPECT_EQ(cuts_by_take(three(), "else")[0].first, "else");
    EXPECT_TRUE(cuts_by_take({}, "else").empty());
    // Seconds become the frames of each take's own rate.
    const RateOfTake rates = [](const std::string& take) {
        return take == "slow" ? 24.0 : take == "fast" ? 60.0 : 0.0;
    };
    const auto list = cuts_from_csv("take,name,from_s,to_s\nslow,a,1,2\nfast,b,1,2\n", "list", rates);
    ASSERT_TRUE(list.ok());
    EXPECT_EQ(list->at(0).start, 24);
    EXPECT_EQ(list->at(1).end, 120);
    const auto unknown = cuts_from_csv("take,name,from_s,to_s\nnone,a,1,2\n", "list", rates);
    ASSERT_FALSE(unknown.ok());
    EXPECT_NE(unknown.problem().sentence().find("row 1"), std::string::npos);
}

TEST(Cuts, RangesThatASourceNamesAreFound) {
    Clip take;
    take.rate = 30;
    take.seconds = 10;
    const auto found = [&](const std::string& extras) {
        take.carried.extras = extras;
        return ranges_inside(take);
    };
    EXPECT_TRUE(found("").empty());
    EXPECT_TRUE(found("{\"clips\": 7, \"other\": [1, 2]}").empty());
    const std::vector<Cut> rows =
        found(R"({"clips": [{"name": "stand", "first": 0, "last": 90, "repeats": true, "note": "calm"},
                             {"name": "wade", "from_s": 3, "to_s": 6.5},
                             {"name": "beyond", "first": 90, "last": 301},
                             {"name": "stand", "first": 1, "last": 2},
                             {"name": "backwards", "first": 20, "last": 10}]})");
    ASSERT_EQ(rows.size(), 2U) << "what is not within the take, or named twice, is left out";
    EXPECT_EQ(rows[0].name, "stand");
    EXPECT_TRUE(rows[0].loop);
    EXPECT_EQ(rows[0].note, "calm");
    EXPECT_EQ(rows[1].start, 90);
    EXPECT_EQ(rows[1].end, 195);
    const std::vector<Cut> named =
        found(R"({"ranges": {"lift": {"start": 30, "end": 60}, "drop": {"start": 2, "end": 4}}})");
    ASSERT_EQ(named.size(), 2U);
    EXPECT_EQ(named[0].name, "drop") << "2 to 4 lie within the ten seconds: seconds";
    EXPECT_EQ(named[0].end, 120);
    EXPECT_EQ(named[1].end, 60) << "30 to 60 do not: frames";
    EXPECT_TRUE(found(std::string(2000, '[') + std::string(2000, ']')).empty());
}

TEST(Cuts, AStepAndBack) {
    const Step step = split_step("capture_07", three());
    EXPECT_EQ(cuts_of(step), three());
    EXPECT_TRUE(cuts_of({"scale"}).empty());
    EXPECT_EQ(free_clip_name({{"clip_1", 0, 1, false, "", ""}}), "clip_2");
    EXPECT_NE(clip_colour(0), clip_colour(1));
    EXPECT_EQ(clip_colour(0), clip_colour(8));
}

TEST(CardEdits, CutsAddChangeAndTakeOffTheirStep) {
    Job job;
    set_cuts(job, "take", {});
    EXPECT_TRUE(job.steps.empty());
    set_cuts(job, "take", three());
    ASSERT_EQ(job.steps.size(), 1U);
    set_cuts(job, "other", three());
    EXPECT_EQ(job.steps.size(), 2U);
    EXPECT_EQ(split_place(job, "other"), 1);
    set_cuts(job, "take", {three()[0]});
    EXPECT_EQ(cuts_of(job.steps[0]).size(), 1U);
    set_cuts(job, "take", {});
    ASSERT_EQ(job.steps.size(), 1U);
    EXPECT_EQ(split_place(job, "take"), -1);
    EXPECT_EQ(split_place(job, "other"), 0);
}

TEST(CardEdits, StepsForTheSkeletonGoBeforeTheCuts) {
    Job job;
    set_cuts(job, "take", three());
    add_step_at_its_place(job, {"make_root"});
    add_step_at_its_place(job, {"leave_behind"});
    ASSERT_EQ(job.steps.size(), 3U);
    EXPECT_EQ(job.steps[0].id, "make_root");
    EXPECT_EQ(job.steps[1].id, "split_take");
}

class OnTheLadder : public ::testing::Test {
  protected:
    Replay run() { return replay(std::make_shared<const Scene>(scene), job.steps); }
    Scene scene = tower({"rig:Root", "rig:Left_A", "rig:Left_B"});
    Job job;
};

TEST_F(OnTheLadder, ANewNameGoesIntoTheStepThatRenames) {
    job.steps = {{"strip_prefix"},
                 {"rename_joints", {{"rules", {{{"find", "^Left_"}, {"replace", "l_"}}}}}},
                 {"scale", {{"factor", 1.0}}}};
    rename_one(job, run(), 2, "spine");
    ASSERT_EQ(job.steps.size(), 3U);
    EXPECT_EQ(job.steps[1].parameters["names"]["Left_A"], "spine");
    const Replay after = run();
    EXPECT_GE(after.prepared().find_node("spine"), 0);
    EXPECT_GE(after.prepared().find_node("l_B"), 0) << "the rule still works on the others";
    rename_one(job, after, 2, "back");
    EXPECT_EQ(job.steps[1].parameters["names"].size(), 1U) << "renamed again, not twice";
    EXPECT_GE(run().prepared().find_node("back"), 0);
}

TEST_F(OnTheLadder, WhereALaterStepMadeTheNameAnewStepIsNeeded) {
    job.steps = {{"rename_joints", {{"rules", {{{"find", "Left_"}, {"replace", ""}}}}}}, {"strip_prefix"}};
    rename_one(job, run(), 2, "spine");
    ASSERT_EQ(job.steps.size(), 3U);
    EXPECT_EQ(job.steps[2].parameters["names"]["A"], "spine");
    EXPECT_GE(run().prepared().find_node("spine"), 0);
}

TEST_F(OnTheLadder, TheSameNameChangesNothing) {
    rename_one(job, run(), 2, "rig:Left_A");
    rename_one(job, run(), 77, "nobody");
    EXPECT_TRUE(job.steps.empty());
}

TEST_F(OnTheLadder, RulesGatherInOneStep) {
    add_rename_rule(job, {{"find", "^rig:"}, {"replace", ""}});
    add_rename_rule(job, {{"find", "Left_(.)"}, {"replace", "$1_l"}});
    ASSERT_EQ(job.steps.size(), 1U);
    EXPECT_EQ(job.steps[0].parameters["rules"].size(), 2U);
    EXPECT_GE(run().prepared().find_node("A_l"), 0);
    rename_one(job, run(), 2, "one");
    add_rename_rule(job, {{"find", "^one$"}, {"replace", "two"}});
    EXPECT_EQ(job.steps.size(), 2U) << "names given one by one are not touched by rules of the same step";
    EXPECT_GE(run().prepared().find_node("two"), 0);
}

TEST_F(OnTheLadder, DroppedJointsGatherInOneStep) {
    drop_by_name(job, {"rig:Left_B"});
    drop_by_name(job, {"rig:Left_A"});
    ASSERT_EQ(job.steps.size(), 1U);
    EXPECT_EQ(joints_of(run().prepared()).size(), 1U);
}

TEST(SourceChanges, AreToldInWords) {
    Scene before = tower({"root", "a", "b"});
    add_nod(before, "nod", 1, 0.5, true);
    EXPECT_TRUE(describe_changes(before, before).empty());
    const auto told = [&](const Scene& after, const std::string& words) {
        for (const std::string& line : describe_changes(before, after)) {
            if (line.find(words) != std::string::npos) {
                return true;
            }
        }
        return false;
    };
    Scene after = tower({"root", "a", "b", "c"});
    after.clips = before.clips;
    EXPECT_TRUE(told(after, "1 joint more (c)"));
    EXPECT_TRUE(told(after, "tower has 12 vertices, it had 9"));
    after = before;
    after.meshes[0].positions.edit()[3].x() += 0.002F;
    EXPECT_TRUE(told(after, "1 vertex of tower moved, at most 2 mm"));
    after = before;
    after.nodes[2].rest.translation.y() = 1.1;
    EXPECT_TRUE(told(after, "1 joint rests in another place"));
    after = before;
    after.clips[0].name = "shake";
    EXPECT_TRUE(told(after, "1 take more (shake)"));
    EXPECT_TRUE(told(after, "1 take less (nod)"));
    after = before;
    after.clips[0].channels[0].values.edit()[5] += 0.1F;
    EXPECT_TRUE(told(after, "“nod” moves otherwise"));
    after = before;
    after.clips[0].seconds += 1;
    EXPECT_TRUE(told(after, "“nod” has 61 frames, it had 31"));
    after = before;
    MorphTarget shape;
    shape.name = "puff";
    after.meshes[0].shapes = {shape};
    EXPECT_TRUE(told(after, "1 shape more (puff)"));
    after = before;
    influences_of(after).weights.edit()[0] = 0.5F;
    EXPECT_TRUE(told(after, "weights of tower changed"));
}

} // namespace
} // namespace wembrix::testing
