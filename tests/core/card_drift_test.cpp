// Drift that a step was not asked to make: found, graded by the destinations' limits, accepted with a note. And sources
// as files: found again, exchanged, compared.
#include "core/base/files.h"
#include "core/delivery/delivery.h"
#include "core/formats/format.h"
#include "core/job/card_findings.h"
#include "core/job/job_sources.h"
#include "core/measure/scene/bounds.h"
#include "core/steps/step_kind.h"
#include "small_scenes.h"

#include <algorithm>
#include <filesystem>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

Destination strict() {
    Destination destination = built_in_destinations()[1];
    destination.root = "a";
    destination.joint_names = ".*";
    return destination;
}

Replay measured(const Scene& scene, const std::vector<Step>& steps) {
    Replay made = replay(std::make_shared<const Scene>(scene), steps);
    EXPECT_TRUE(made.problems().empty()) << made.problems().front();
    measure_kept_motion(made);
    return made;
}

TEST(CardDrift, ThatNobodyAskedForIsAStopAboveTheLimitAndALookBelow) {
    const Scene scene = under_an_uneven_parent();
    const Replay made = measured(scene, {{"bake_parent_transforms"}});
    ASSERT_TRUE(made.outcomes[0].drift);
    const double drift = made.outcomes[0].drift->largest_mm;
    ASSERT_GT(drift, 50) << "the scene is one in which something is lost";
    const std::vector<Destination> destinations = {strict()};
    const std::vector<Finding> findings = card_findings(made, destinations);
    ASSERT_EQ(findings.size(), 1U);
    EXPECT_EQ(findings[0].grade, Grade::stop);
    EXPECT_EQ(findings[0].clip, "sway");
    EXPECT_GE(findings[0].frame, 0);
    EXPECT_NE(findings[0].reason.find("Lantern web view takes 0.5 mm"), std::string::npos) << findings[0].reason;
    std::vector<Destination> patient = destinations;
    patient[0].drift_limit_mm = drift + 1;
    EXPECT_EQ(card_findings(made, patient)[0].grade, Grade::look);

    // Held until it is accepted with a note, which goes with the delivery.
    const fs::path folder = fs::temp_directory_path() / ("wembrix-drift-" + std::to_string(::getpid()));
    const auto deliver_it = [&](const Replay& card) {
        DeliveryRequest request;
        request.prepared = &card.prepared();
        request.destination = destinations[0];
        request.job_name = "it";
        request.folder = folder;
        request.card_findings = card_findings(card, destinations);
        return deliver(request).take();
    };
    EXPECT_FALSE(deliver_it(made).all_arrived());
    const Replay accepted =
        measured(scene, {{"bake_parent_transforms"}, accepting(findings[0], "seen from afar only")});
    const DeliveryReport report = deliver_it(accepted);
    EXPECT_TRUE(report.all_arrived()) << report.arrivals[0].reason;
    ASSERT_EQ(report.accepted.size(), 1U);
    EXPECT_EQ(report.accepted[0].accepted, "seen from afar only");
    fs::remove_all(folder);
}

TEST(CardDrift, WhatAStepIsAskedToMoveIsNoFinding) {
    Scene scene = tower({"a", "b", "c"});
    add_nod(scene, "nod", 1, 1, true);
    const Replay made = measured(
        scene, {{"remove_joints", {{"names", {"b"}}}}, {"rotate", {{"degrees", 90}}}, {"scale", {{"factor", 2}}}});
    EXPECT_FALSE(made.outcomes[0].drift) << "it is not even measured";
    EXPECT_TRUE(card_findings(made, std::vector<Destination>{strict()}).empty());
}

class SourcesAsFiles : public ::testing::Test {
  protected:
    fs::path folder = fs::temp_directory_path() / ("wembrix-relink-" + std::to_string(::getpid()));
    Job job;
    void SetUp() override {
        fs::create_directories(folder / "in");
        write("in/model.glb", still_walker());
        write("in/walk.glb", walker());
        job.sources = {"in/model.glb", "in/walk.glb"};
        note_contents(job, folder);
    }
    void TearDown() override { fs::remove_all(folder); }
    void write(const std::string& name, const Scene& scene) const {
        const auto files = format_of_file(name)->write(scene, fs::path(name).stem(), {}, {});
        ASSERT_TRUE(files.ok());
        ASSERT_TRUE(write_file_whole(folder / name, files->front().bytes).ok());
    }
};

TEST_F(SourcesAsFiles, AreFoundAgainByNameAndByContent) {
    EXPECT_TRUE(find_again(job, folder, {}).empty()) << "nothing is gone";
    fs::create_directories(folder / "moved" / "deeper");
    fs::create_directories(folder / ".hidden");
    fs::rename(folder / "in" / "model.glb", folder / "moved" / "deeper" / "model.glb");
    fs::copy(folder / "moved" / "deeper" / "model.glb", folder / ".hidden" / "model.glb");
    fs::rename(folder / "in" / "walk.glb", folder / "moved" / "walk_final.glb");
    const std::vector<FoundAgain> found = find_again(job, folder, {});
    ASSERT_EQ(found.size(), 2U);
    EXPECT_EQ(found[0].path, folder / "moved" / "deeper" / "model.glb");
    EXPECT_FALSE(found[0].by_content);
    EXPECT_EQ(found[1].path, folder / "moved" / "walk_final.glb");
    EXPECT_TRUE(found[1].by_content);
    for (const FoundAgain& one : found) {
        relink(job, one.source, one.path);
    }
    EXPECT_TRUE(load_sources(job.sources, folder)->sources[1].problem.empty());
    // Of two of one name the one with the bytes it had.
    write("in/model.glb", tower({"a", "b"}));
    Job again = job;
    again.sources[0].path = "gone/model.glb";
    again.source_contents = {{"gone/model.glb", hash_of(read_file(folder / "moved" / "deeper" / "model.glb").take())}};
    EXPECT_EQ(find_again(again, folder, {}).at(0).path, folder / "moved" / "deeper" / "model.glb");
}

TEST_F(SourcesAsFiles, AreNamedByPathNameOrNumber) {
    EXPECT_EQ(find_source(job, "in/walk.glb"), 1);
    EXPECT_EQ(find_source(job, "walk.glb"), 1);
    EXPECT_EQ(find_source(job, "2"), 1);
    EXPECT_EQ(find_source(job, "3"), -1);
    job.sources.emplace_back("elsewhere/walk.glb");
    EXPECT_EQ(find_source(job, "walk.glb"), -1) << "two of them";
}

TEST_F(SourcesAsFiles, AnotherVersionSaysWhatChangesAndWhichStepNoLongerFits) {
    Scene next = still_walker();
    for (Node& node : next.nodes) {
        node.name = node.name == "neck" ? "throat" : node.name;
    }
    next.nodes[0].rest.translation.y() += 0.5;
    write("in/model_v2.glb", next);
    job.steps = {{"reparent_joints", {{"under", {{"neck", "hips"}}}}}};
    Job after = job;
    relink(after, 0, folder / "in" / "model_v2.glb");
    const Result<SourceChange> change = compare_sources(job, after, folder);
    ASSERT_TRUE(change.ok()) << change.problem().sentence();
    const auto says = [](const std::vector<Text>& lines, const std::string& words) {
        return std::any_of(lines.begin(), lines.end(),
                           [&](const std::string& line) { return line.find(words) != std::string::npos; });
    };
    EXPECT_TRUE(says(change->changes, "throat"));
    EXPECT_TRUE(says(change->changes, "neck"));
    EXPECT_TRUE(says(change->steps, "reparent_joints"));
    EXPECT_TRUE(compare_sources(job, job, folder)->changes.empty());
}

} // namespace
} // namespace wembrix::testing
