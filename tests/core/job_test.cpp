// The document and its replay: files that come back as they were, sources that assemble, steps that are kept.
#include "core/base/files.h"
#include "core/formats/gltf/gltf.h"
#include "core/job/assemble.h"
#include "core/job/inspect.h"
#include "core/job/job.h"
#include "core/job/job_sources.h"
#include "core/job/replay.h"
#include "core/measure/scene/bounds.h"
#include "random_rig.h"
#include "tansy_scene.h"

#include <filesystem>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;

Job some_job() {
    Job job;
    job.name = "heron";
    job.sources = {"a.glb"};
    job.steps = {{"strip_prefix"}, {"scale", {{"factor", 0.5}}, false}};
    job.destinations = built_in_destinations();
    return job;
}

TEST(JobFile, ComesBackAsItWas) {
    const fs::path file = fs::temp_directory_path() / "wembrix_job_test.wembrix";
    ASSERT_TRUE(write_job(some_job(), file).ok());
    const Result<Job> again = read_job(file);
    ASSERT_TRUE(again.ok()) << again.problem().sentence();
    EXPECT_TRUE(*again == some_job());
    fs::remove(file);
}

TEST(JobFile, NonsenseIsRefused) {
    const json good = job_to_json(some_job());
    const auto refused = [&](const char* key, const json& value) {
        json bad = good;
        bad[key] = value;
        EXPECT_FALSE(job_from_json(bad, "test").ok()) << key << " = " << value;
    };
    refused("format", "another");
    refused("version", 3);
    refused("sources", {1, 2});
    refused("steps", "none");
    refused("steps", {{{"step", "sing"}}});
    refused("destinations", {{{"name", 5}}});
    json twice = good;
    twice["destinations"].push_back(twice["destinations"][0]);
    EXPECT_FALSE(job_from_json(twice, "test").ok());
    EXPECT_FALSE(job_from_json(json::array(), "test").ok());
    EXPECT_FALSE(read_job("/nowhere.wembrix").ok());
}

TEST(NewJob, LeavesTheSetBehind) {
    Job job = new_job({"/x/tansy_model.glb"});
    job.steps = first_steps(demo::tansy_model());
    ASSERT_EQ(job.steps.size(), 1U);
    EXPECT_EQ(job.steps[0].parameters["kinds"], (json{"camera", "light"}));
    EXPECT_EQ(job.steps[0].parameters["names"], (json{"set_floor"}));
    EXPECT_EQ(job.name, "tansy_model");
    EXPECT_EQ(job.destinations.size(), 2U);
    EXPECT_TRUE(first_steps(Scene()).empty());
}

TEST(NewJob, OneLikeAnotherHasItsCardAndDestinationsAndAFamilyOfItsOwn) {
    Job like = some_job();
    give_ids(like);
    like.steps = {{"bring_takes"}, {"strip_prefix"}, {"scale", {{"factor", 0.01}}}};
    like.origin.license = "ours alone";
    like.pictures = {{"model", "mine.png"}};
    like.source_contents = {{"heron.glb", "hash"}};
    const Job job = job_like(like, {"/x/crane.glb", "/x/walk.bvh"});
    EXPECT_EQ(job.name, "crane");
    ASSERT_EQ(job.sources.size(), 2U);
    EXPECT_EQ(job.sources[1].path, "/x/walk.bvh");
    ASSERT_EQ(job.steps.size(), 2U) << "whether takes have to be brought depends on the sources";
    EXPECT_EQ(job.steps[1].parameters["factor"], 0.01);
    EXPECT_EQ(job.destinations, like.destinations);
    EXPECT_EQ(job.poses, like.poses);
    EXPECT_EQ(job.origin.license, "ours alone");
    EXPECT_NE(job.origin.family_id, like.origin.family_id);
    EXPECT_FALSE(job.origin.variant_id.empty());
    EXPECT_TRUE(job.pictures.empty());
    EXPECT_TRUE(job.source_contents.empty());
}

TEST(Assemble, ATakeFindsItsJointsWhateverTheirPrefix) {
    Scene model = demo::tansy_model();
    Scene take = demo::tansy_market_take();
    for (Node& node : take.nodes) {
        node.name = "elsewhere:" + node.name.substr(node.name.rfind(':') + 1);
    }
    const size_t channels = take.clips[0].channels.size();
    const Scene both = assemble({{"model", model}, {"take", take}});
    ASSERT_EQ(both.clips.size(), 1U);
    EXPECT_EQ(both.nodes.size(), model.nodes.size());
    EXPECT_EQ(both.clips[0].channels.size(), channels) << "shape weights find their surfaces too";
}

TEST(Assemble, WhatTheModelLacksIsSaid) {
    Scene take = demo::tansy_market_take();
    take.nodes[static_cast<size_t>(take.find_node("market:tansy_rig:head"))].name = "rig:second_head";
    const Scene both = assemble({{"model", demo::tansy_model()}, {"take", take}});
    ASSERT_FALSE(both.notes.empty());
    EXPECT_NE(both.notes.back().what.find("second_head"), std::string::npos);
}

TEST(Assemble, AnotherThingIsPutBesideWhole) {
    Scene prop = random_rig(3, {});
    const Scene model = demo::tansy_model();
    const Scene both = assemble({{"model", model}, {"prop", prop}});
    EXPECT_EQ(both.nodes.size(), model.nodes.size() + prop.nodes.size());
    EXPECT_EQ(both.meshes.size(), model.meshes.size() + prop.meshes.size());
    std::set<std::string> names;
    for (const Node& node : both.nodes) {
        EXPECT_TRUE(names.insert(node.name).second) << node.name;
    }
    const Result<std::vector<WrittenFile>> written = write_glb(both, "both");
    ASSERT_TRUE(written.ok());
    EXPECT_TRUE(read_gltf_bytes(written->front().bytes, {}, "both").ok());
}

TEST(ReplayCard, KeepsWhatComesBeforeTheEditAndRunsPastWhatDoesNotFit) {
    const auto received = std::make_shared<const Scene>(demo::tansy_model());
    std::vector<Step> card = {{"strip_prefix"}, {"scale", {{"factor", 0.01}}}, {"make_root", {{"name", "root"}}}};
    const Replay first = replay(received, card);
    ASSERT_TRUE(first.problems().empty());
    card[2].parameters["name"] = "trunk";
    const Replay second = replay_again(first, card);
    EXPECT_EQ(second.outcomes[1].scene, first.outcomes[1].scene) << "steps before the edit are not run again";
    EXPECT_NE(second.outcomes[2].scene, first.outcomes[2].scene);
    card.insert(card.begin() + 1, Step{"split_take", {{"take", "gone"}, {"clips", json::array()}}});
    const Replay third = replay_again(second, card);
    ASSERT_EQ(third.problems().size(), 1U);
    EXPECT_NE(third.problems()[0].find("gone"), std::string::npos);
    EXPECT_EQ(root_joints(third.prepared()).size(), 1U) << "the steps after it still ran";
    card[2].on = false;
    EXPECT_GT(height_m(replay(received, card).prepared()), 100);
}

TEST(ReplayCard, MeasuresTheDriftOfEachStep) {
    const Scene scene = read_gltf_bytes(write_glb(demo::tansy_model(), "tansy")->front().bytes, {}, "tansy").take();
    Replay done =
        replay(std::make_shared<const Scene>(scene), {{"bake_parent_transforms"}, {"scale", {{"factor", 0.01}}}});
    measure_replay(done);
    for (const StepOutcome& outcome : done.outcomes) {
        ASSERT_TRUE(outcome.drift.has_value());
        EXPECT_GT(outcome.drift->points_compared, 10000U);
    }
    EXPECT_LT(done.outcomes[1].drift->largest_mm, 1.62e-5 * 1000);
    EXPECT_LT(done.outcomes[0].drift->largest_mm, 162e-5 * 1000);
}

TEST(Inspecting, SaysWhatIsThereInStableKeys) {
    const json facts = inspect_scene(demo::tansy_model());
    for (const char* key : {"joints", "roots", "height_m", "facing", "meshes", "clips", "findings", "others"}) {
        EXPECT_TRUE(facts.contains(key)) << key;
    }
    EXPECT_EQ(facts["roots"].size(), 2U);
    EXPECT_EQ(facts["joints"][0]["parent"], json());
    EXPECT_EQ(facts["meshes"][0]["max_influences"], 7);
    EXPECT_EQ(facts["meshes"][0]["shapes"].size(), 5U);
}

TEST(Files, WholeOrNotAtAll) {
    const fs::path file = fs::temp_directory_path() / "wembrix_whole.txt";
    ASSERT_TRUE(write_file_whole(file, "first").ok());
    ASSERT_TRUE(write_file_whole(file, "second").ok());
    EXPECT_EQ(*read_file(file), "second");
    EXPECT_FALSE(write_file_whole("/nowhere/at/all.txt", "x").ok());
    EXPECT_FALSE(read_file("/dev/zero").ok());
    EXPECT_EQ(file_name_safe("a b/../c"), "a_b____c");
    fs::remove(file);
}

TEST(Jobs, AJobOfAStrangerDeliversIntoItsOwnFolder) {
    const auto with = [](const char* folder) {
        nlohmann::json json = job_to_json(Job());
        json["deliveries"] = folder;
        return job_from_json(json, "x.wembrix");
    };
    for (const char* folder : {"../../x", "..", "a/../../b", "./../x"}) {
        const Result<Job> job = with(folder);
        ASSERT_FALSE(job.ok()) << folder;
        EXPECT_NE(job.problem().sentence().find("outside"), std::string::npos);
    }
    for (const char* folder : {"deliveries", "a/../b", "/srv/game/characters", "..hidden"}) {
        EXPECT_TRUE(with(folder).ok()) << folder;
    }
}

TEST(JobSources, PathsAreToldFromWhereTheJobIs) {
    EXPECT_EQ(path_from("a.glb", "/jobs", "/jobs"), "a.glb");
    EXPECT_EQ(path_from("../a.glb", "/jobs", "/jobs"), "../a.glb") << "as somebody wrote it";
    EXPECT_EQ(path_from("/jobs/in/a.glb", "/jobs", "/jobs"), "in/a.glb");
    EXPECT_EQ(path_from("/else/a.glb", "/jobs", "/jobs"), "/else/a.glb");
    EXPECT_EQ(path_from("a.glb", "/jobs", "/jobs/in"), "/jobs/a.glb");
    EXPECT_EQ(path_from("in/a.glb", "/jobs", "/jobs/in"), "a.glb");
    EXPECT_EQ(path_from("../a.glb", "/jobs/in", "/jobs"), "a.glb");
    EXPECT_EQ(path_from("..a/b.glb", "/jobs", "/jobs/"), "..a/b.glb") << "a name that begins with dots";
    Job job;
    job.sources = {"a.glb", "/else/b.glb"};
    job.source_contents = {{"a.glb", "1"}, {"/else/b.glb", "2"}};
    job.pictures = {{"model", "own.png"}};
    const Job before = job;
    rebase_paths(job, "/jobs", "/else");
    EXPECT_EQ(job.sources, (std::vector<JobSource>{"/jobs/a.glb", "b.glb"}));
    EXPECT_EQ(job.source_contents.at("b.glb"), "2");
    EXPECT_EQ(job.pictures.at("model"), "/jobs/own.png");
    rebase_paths(job, "/else", "/jobs");
    EXPECT_EQ(job, before);
}

} // namespace
} // namespace wembrix::testing
