// Files of version 1, as they were written then, open and become version 2.
#include "core/base/files.h"
#include "core/base/json_file.h"
#include "core/delivery/manifest.h"
#include "core/destination/destination.h"
#include "core/job/cuts.h"
#include "core/job/job.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "first_manifest.h"

#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

using nlohmann::json;
namespace fs = std::filesystem;

fs::path kept(const std::string& name) {
    return fs::path(WEMBRIX_SOURCE) / "tests/data/version_1" / name;
}

TEST(Version1, JobsOpenAndAreWrittenAsVersion2) {
    for (const char* name : {"tansy.wembrix", "tansy_first_look.wembrix", "market_props.wembrix"}) {
        const Result<Job> job = read_job(kept(name));
        ASSERT_TRUE(job.ok()) << name << ": " << job.problem().sentence();
        for (const Step& step : job->steps) {
            const StepKind* kind = step_kind(step.id);
            ASSERT_NE(kind, nullptr) << step.id;
            const std::optional<Problem> wrong = check_parameters(kind->parameters, step.parameters);
            EXPECT_FALSE(wrong) << step.id << ": " << (wrong ? wrong->sentence() : "");
        }
        const json written = job_to_json(*job);
        EXPECT_EQ(written["version"], 2);
        const Result<Job> again = job_from_json(written, name);
        ASSERT_TRUE(again.ok());
        EXPECT_EQ(*again, *job);
    }
}

TEST(Version1, TheDemoJobIsTheOneThatTheDemoMakerWritesNow) {
    const Result<Job> job = read_job(kept("tansy.wembrix"));
    ASSERT_TRUE(job.ok());
    EXPECT_EQ(job->steps[2].id, "bake_parent_transforms");
    EXPECT_EQ(job->steps[4].parameters, json({{"name", "root"}, {"position", "ground"}}));
    EXPECT_EQ(job->steps.back().parameters["clips"][1],
              json({{"name", "wade"}, {"start", 220}, {"end", 396}, {"loop", true}, {"colour", "#2F8A72"}}));
    std::vector<Destination> then = built_in_destinations();
    for (Destination& destination : then) {
        destination.points_container.clear(); // strands and caches came later
    }
    EXPECT_EQ(job->destinations, then);
}

TEST(Version1, ACardOfAVersionToComeIsRefused) {
    const json steps = json::array({{{"step", "fold_holders"}}});
    for (const json& version : {json(3), json("two"), json(1.5)}) {
        const Result<std::vector<Step>> card = card_from_json({{"version", version}, {"steps", steps}}, "a card");
        ASSERT_FALSE(card.ok()) << version;
        EXPECT_NE(card.problem().sentence().find("a card"), std::string::npos);
    }
    for (const json& card :
         {json{{"steps", steps}}, json{{"version", 1}, {"steps", steps}}, json{{"version", 2}, {"steps", steps}}}) {
        const Result<std::vector<Step>> read = card_from_json(card, "a card");
        ASSERT_TRUE(read.ok()) << card;
        EXPECT_EQ(read->front().id, "bake_parent_transforms");
    }
}

TEST(Version1, EveryStepHasTheNamesOfNow) {
    const json card = json::parse(R"({"steps": [
        {"step": "fold_holders"}, {"step": "resize", "factor": 2}, {"step": "turn", "degrees": 90, "about": "+X"},
        {"step": "fold_scale", "stretch": "places"}, {"step": "drop_joints", "holding_nothing": true},
        {"step": "freeze_rest_turns"}, {"step": "aim_joints", "bone": "+Y"}, {"step": "rescale_weights"},
        {"step": "drop_empty_shapes"}, {"step": "join_surfaces", "surfaces": ["a"]},
        {"step": "make_root", "place": "origin"}, {"step": "limit_influences", "most": 8},
        {"step": "add_attachment", "name": "p", "under": "j", "turn_x": 10, "turn_y": 20, "turn_z": 30},
        {"step": "place_origin", "turn": false}, {"step": "close_loop", "clip": "c", "way": "blend"},
        {"step": "take_root_motion", "way": "in_place", "turn": false}, {"step": "change_rate", "rate": 24},
        {"step": "still_pose", "clip": "c", "frame": 1, "name": "n"},
        {"step": "rename_joints", "rules": [{"letters": "lower"}]},
        {"step": "rename_parts", "what": "shapes", "rules": [{"letters": "upper"}]},
        {"step": "describe_clips", "clips": [{"name": "c", "repeats": true}]},
        {"step": "set_rest_pose", "from": "pose",
         "pose": {"hip": {"place_m": [1, 2, 3], "turn_xyzw": [0, 0, 0, 1]}}},
        {"step": "fit_contract", "turns": true, "others": "drop",
         "contract": {"format": "wembrix contract", "version": 1, "name": "n",
                      "joints": [{"name": "hip", "parent": "", "place_m": [1, 2, 3], "turn_xyzw": [0, 0, 0, 1]}]}}]})");
    const Result<std::vector<Step>> steps = card_from_json(card, "card");
    ASSERT_TRUE(steps.ok()) << steps.problem().sentence();
    for (const Step& step : *steps) {
        const std::optional<Problem> wrong = check_parameters(step_kind(step.id)->parameters, step.parameters);
        EXPECT_FALSE(wrong) << step.id << ": " << (wrong ? wrong->sentence() : "");
    }
    EXPECT_EQ((*steps)[12].parameters["rotation_y_deg"], 20);
    EXPECT_EQ((*steps)[15].parameters, json({{"mode", "in_place"}, {"rotation", false}}));
    EXPECT_EQ((*steps)[21].parameters["pose"]["hip"]["translation_m"], json({1, 2, 3}));
    EXPECT_EQ((*steps)[19].id, "rename_surfaces");
    EXPECT_EQ((*steps)[22].parameters["others"], "remove");
    EXPECT_EQ((*steps)[22].parameters["contract"]["joints"][0]["rotation_xyzw"], json({0, 0, 0, 1}));
}

TEST(Version1, DestinationsAndContracts) {
    for (const char* name : {"Lantern_web_view.destination.json", "Tidewater_runtime.destination.json"}) {
        const Result<Destination> destination = read_destination(kept(name));
        ASSERT_TRUE(destination.ok()) << destination.problem().sentence();
        EXPECT_EQ(destination->influences, 4);
        EXPECT_EQ(destination->axes.handedness, Handedness::right);
        EXPECT_EQ(destination_to_json(*destination)["version"], 2);
        EXPECT_FALSE(destination_to_json(*destination).contains("influences"));
    }
    ASSERT_TRUE(read_contract(kept("contract.json")).ok());
}

TEST(Version1, ManifestsKeepTheirRows) {
    const fs::path folder = fs::temp_directory_path() / "wembrix_version_1";
    fs::create_directories(folder);
    json old = read_json_file(kept("delivery.json")).take();
    old["clips"] = json::array({{{"name", "wade"}, {"file", "a.glb"}, {"repeats", true}}});
    ASSERT_TRUE(write_file_whole(folder / "delivery.json", old.dump()).ok());
    const json manifest = first_manifest(folder);
    EXPECT_EQ(manifest["version"], 2);
    EXPECT_EQ(manifest["clips"][0]["loop"], true);
    EXPECT_EQ(rows_of(manifest).size(), 1U) << "what was delivered then is known as ours";
    fs::remove_all(folder);
}

TEST(Version1, ListsOfCuts) {
    const Result<std::string> text = read_file(kept("cuts.csv"));
    ASSERT_TRUE(text.ok());
    const Result<std::vector<Cut>> cuts = cuts_from_text(*text, "cuts.csv");
    ASSERT_TRUE(cuts.ok()) << cuts.problem().sentence();
    ASSERT_EQ(cuts->size(), 5U);
    EXPECT_EQ((*cuts)[1].start, 220);
    EXPECT_EQ((*cuts)[1].end, 396);
    EXPECT_TRUE((*cuts)[1].loop);
    EXPECT_EQ(cuts_to_csv(*cuts).substr(0, 15), "name,start,end,");
}

TEST(Version1, WhatIsNewerIsRefused) {
    json job = job_to_json(read_job(kept("tansy.wembrix")).value());
    job["version"] = 3;
    EXPECT_NE(job_from_json(job, "file").problem().sentence().find("another version"), std::string::npos);
    json destination = destination_to_json(built_in_destinations()[0]);
    destination["version"] = "two";
    EXPECT_FALSE(destination_from_json(destination, "file").ok());
}

} // namespace
} // namespace wembrix::testing
