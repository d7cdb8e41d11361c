// The arrays beside a job, and what an edit holds of it.
#include "core/base/files.h"
#include "core/job/job_data.h"
#include "core/job/job_patch.h"
#include "core/steps/step_data.h"

#include <filesystem>
#include <gtest/gtest.h>
#include <random>

namespace wembrix {
namespace {

namespace fs = std::filesystem;

class JobData : public ::testing::Test {
  protected:
    void SetUp() override {
        const auto* info = ::testing::UnitTest::GetInstance()->current_test_info();
        folder = fs::temp_directory_path() / (std::string("wembrix_job_data_") + info->name());
        fs::remove_all(folder);
        fs::create_directories(folder);
    }
    void TearDown() override { fs::remove_all(folder); }
    static Step painted(const std::string& stroke) {
        Step step{"paint_weights", {{"surface", "body"}}};
        step.parameters["painted_on"] = keep_data(step, "the surface");
        step.parameters["strokes"] = {keep_data(step, stroke)};
        return step;
    }
    [[nodiscard]] size_t files(const fs::path& in) const {
        std::error_code none;
        return static_cast<size_t>(std::distance(fs::directory_iterator(in, none), fs::directory_iterator()));
    }
    fs::path folder;
};

TEST_F(JobData, ArraysComeBackWithTheJobAndGoWithItWhereverItIsSaved) {
    Job job;
    job.steps = {painted("one"), painted("two")};
    ASSERT_TRUE(write_job(job, folder / "a.wembrix").ok());
    EXPECT_EQ(files(folder / "a.wembrix.data"), 3U) << "the surface is there once";
    Result<Job> read = read_job(folder / "a.wembrix");
    ASSERT_TRUE(read.ok());
    EXPECT_EQ(*read, job);
    EXPECT_EQ(*read->steps[1].data.at(hash_of("two")), "two");
    ASSERT_TRUE(write_job(*read, folder / "b.wembrix").ok());
    fs::remove_all(folder / "a.wembrix.data");
    EXPECT_EQ(read_job(folder / "b.wembrix")->steps[0].data.size(), 2U);
    EXPECT_TRUE(read_job(folder / "a.wembrix")->steps[0].data.empty()) << "the job is read all the same";
}

TEST_F(JobData, WhatNoStepNeedsIsTakenAwayAndNothingElse) {
    Job job;
    job.steps = {painted("one")};
    const fs::path file = folder / "a.wembrix";
    ASSERT_TRUE(write_job(job, file).ok());
    ASSERT_TRUE(write_file_whole(folder / "a.wembrix.data" / "notes.txt", "somebody's").ok());
    job.steps = {painted("two")};
    ASSERT_TRUE(write_job(job, file).ok());
    EXPECT_EQ(files(folder / "a.wembrix.data"), 3U);
    EXPECT_FALSE(fs::exists(folder / "a.wembrix.data" / (hash_of("one") + ".array")));
    job.steps.clear();
    ASSERT_TRUE(write_job(job, file).ok());
    EXPECT_EQ(files(folder / "a.wembrix.data"), 1U) << "what is not ours stays";
    fs::remove(folder / "a.wembrix.data" / "notes.txt");
    job.steps = {painted("three")};
    ASSERT_TRUE(write_job(job, file).ok());
    job.steps.clear();
    ASSERT_TRUE(write_job(job, file).ok());
    EXPECT_FALSE(fs::exists(folder / "a.wembrix.data")) << "no empty folder is left";
}

TEST_F(JobData, AnArrayThatIsNotWhatItsNameSaysIsNotTaken) {
    Job job;
    job.steps = {painted("one")};
    const fs::path file = folder / "a.wembrix";
    ASSERT_TRUE(write_job(job, file).ok());
    ASSERT_TRUE(write_file_whole(folder / "a.wembrix.data" / (hash_of("one") + ".array"), "eno").ok());
    const Result<Job> read = read_job(file);
    ASSERT_TRUE(read.ok());
    EXPECT_FALSE(read->steps[0].data.contains(hash_of("one")));
    // The job is saved again: what cannot be read is not thrown away for it.
    ASSERT_TRUE(write_job(*read, file).ok());
    EXPECT_TRUE(fs::exists(folder / "a.wembrix.data" / (hash_of("one") + ".array")));
}

TEST_F(JobData, AStepLetsGoOfWhatItNamesNoMore) {
    Step step = painted("one");
    step.parameters["strokes"] = nlohmann::json::array();
    drop_unused_data(step);
    EXPECT_EQ(step.data.size(), 1U);
}

TEST(JobPatch, HoldsWhatChangedAndLeadsBothWays) {
    std::mt19937 random(5);
    for (int round = 0; round < 400; ++round) {
        Job before;
        for (size_t i = 0; i < random() % 8; ++i) {
            before.steps.push_back({"scale", {{"factor", static_cast<double>(random() % 4)}}});
        }
        Job after = before;
        for (size_t i = 0; i < 1 + random() % 3; ++i) {
            switch (random() % 6) {
            case 0:
                after.steps.insert(after.steps.begin() + static_cast<ptrdiff_t>(random() % (after.steps.size() + 1)),
                                   {"ground"});
                break;
            case 1:
                if (!after.steps.empty()) {
                    after.steps.erase(after.steps.begin() + static_cast<ptrdiff_t>(random() % after.steps.size()));
                }
                break;
            case 2:
                after.name += "x";
                break;
            case 3:
                after.sources.emplace_back("a.glb");
                break;
            case 4:
                after.destinations.emplace_back();
                break;
            default:
                after.poses["lift"] = {};
            }
        }
        const JobPatch patch(before, after);
        EXPECT_EQ(patch.is_empty(), before == after);
        Job job = before;
        patch.redo(job);
        ASSERT_EQ(job, after) << round;
        patch.undo(job);
        ASSERT_EQ(job, before) << round;
    }
    Job many;
    for (int i = 0; i < 50; ++i) {
        many.steps.push_back({"scale", {{"factor", i}}});
    }
    Job one = many;
    one.steps[20].on = false;
    EXPECT_EQ(JobPatch(many, one).steps_held(), 2U) << "the step before and after, not the card";
}

} // namespace
} // namespace wembrix
