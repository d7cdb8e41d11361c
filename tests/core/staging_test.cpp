// Folders that several runs deliver to at a time, and links that somebody planted in them.
#include "core/base/files.h"
#include "core/base/folder_lock.h"
#include "core/delivery/handover.h"
#include "core/delivery/manifest.h"
#include "core/job/job.h"
#include "first_manifest.h"

#include <fstream>
#include <gtest/gtest.h>
#include <set>
#include <thread>
#include <unistd.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

class Staging : public ::testing::Test {
  protected:
    fs::path folder =
        fs::temp_directory_path() /
        ("wembrix_staging_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()));
    void SetUp() override {
        fs::remove_all(folder);
        fs::create_directories(folder);
    }
    void TearDown() override { fs::remove_all(folder); }
    [[nodiscard]] size_t entries() const {
        return static_cast<size_t>(std::distance(fs::directory_iterator(folder), fs::directory_iterator()));
    }
};

TEST_F(Staging, TheFolderOfALiveRunIsNeverSwept) {
    const StagingFolder first(folder);
    ASSERT_FALSE(first.problem());
    ASSERT_TRUE(write_file_whole(first.path() / "half.glb", "half").ok());
    const StagingFolder second(folder);
    ASSERT_FALSE(second.problem());
    EXPECT_NE(first.path(), second.path());
    EXPECT_TRUE(fs::exists(first.path() / "half.glb"));
}

TEST_F(Staging, WhatADeadRunLeftIsSweptWhateverItsNumber) {
    fs::create_directories(folder / ".wembrix-staged-abcdef");
    std::ofstream(folder / ".wembrix-staged-abcdef" / "held") << "";
    std::ofstream(folder / ".wembrix-staged-abcdef" / "half.glb") << "half";
    fs::create_directories(folder / ".wembrix-staged-nobody");
    {
        const StagingFolder staging(folder);
        ASSERT_FALSE(staging.problem());
        EXPECT_EQ(entries(), 1U) << "its own";
    }
    EXPECT_EQ(entries(), 0U);
}

TEST_F(Staging, WhatADeadRunHadComingIsTakenAwayWhereNothingIsToBeWritten) {
    nlohmann::json manifest = {{"format", "wembrix delivery"}, {"version", 2}, {"files", nlohmann::json::array()}};
    manifest["files"].push_back({{"file", "model.gltf"}, {"deliverable", "model"}, {"xxh3_128", hash_of("model")}});
    const auto put = [&](const char* file, const char* bytes) {
        fs::create_directories((folder / file).parent_path());
        std::ofstream(folder / file) << bytes;
    };
    put("model.gltf", "model");
    put("props/lamp_old.bin", "came");
    put("theirs.bin", "changed by somebody");
    note_coming(manifest, "props/lamp_old.bin", hash_of("came"));
    note_coming(manifest, "props/never_came.bin", hash_of("never"));
    note_coming(manifest, "theirs.bin", hash_of("ours"));
    ASSERT_TRUE(write_manifest(manifest, folder).ok());
    sweep_delivery(folder);
    const nlohmann::json now = first_manifest(folder);
    ASSERT_EQ(now["files"].size(), 1U);
    EXPECT_EQ(now["files"][0]["file"], "model.gltf");
    EXPECT_EQ(*read_file(folder / "model.gltf"), "model");
    EXPECT_FALSE(fs::exists(folder / "props"));
    EXPECT_TRUE(fs::exists(folder / "theirs.bin"));
}

TEST_F(Staging, NobodyElseMayLookInto) {
    const StagingFolder staging(folder);
    EXPECT_EQ(fs::status(staging.path()).permissions() & (fs::perms::group_all | fs::perms::others_all),
              fs::perms::none);
}

TEST_F(Staging, ALinkAtOurNameIsNotWrittenThrough) {
    std::ofstream(folder / "precious.txt") << "precious";
    const fs::path target = folder / "model.glb";
    fs::create_symlink(folder / "precious.txt", folder / ("model.glb." + std::to_string(::getpid()) + ".part"));
    ASSERT_TRUE(write_file_whole(target, "new").ok());
    EXPECT_EQ(*read_file(target), "new");
    EXPECT_EQ(*read_file(folder / "precious.txt"), "precious");
    fs::remove(target);
    fs::create_symlink(folder / "precious.txt", target);
    ASSERT_TRUE(write_file_whole(target, "newer").ok());
    EXPECT_EQ(*read_file(folder / "precious.txt"), "precious");
    EXPECT_FALSE(fs::is_symlink(target));
}

TEST_F(Staging, AJobThatIsALinkStaysOne) {
    fs::create_directories(folder / "project");
    std::ofstream(folder / "project" / "real.wembrix") << "{}";
    fs::create_symlink(folder / "project" / "real.wembrix", folder / "job.wembrix");
    Job job;
    job.name = "heron";
    ASSERT_TRUE(write_job(job, folder / "job.wembrix").ok());
    EXPECT_TRUE(fs::is_symlink(folder / "job.wembrix"));
    EXPECT_EQ(read_job(folder / "project" / "real.wembrix")->name, "heron");
}

TEST_F(Staging, OneAtATimeChangesTheManifest) {
    constexpr int runs = 8;
    std::vector<std::thread> at_once;
    for (int n = 0; n < runs; ++n) {
        at_once.emplace_back([&, n] {
            const Result<FolderLock> lock = FolderLock::wait(folder);
            ASSERT_TRUE(lock.ok());
            nlohmann::json manifest = first_manifest(folder);
            std::this_thread::sleep_for(std::chrono::milliseconds(5));
            note_coming(manifest, "clip_" + std::to_string(n) + ".glb", "0");
            ASSERT_TRUE(write_manifest(manifest, folder).ok());
        });
    }
    for (std::thread& run : at_once) {
        run.join();
    }
    EXPECT_EQ(first_manifest(folder)["files"].size(), static_cast<size_t>(runs));
    EXPECT_EQ(entries(), 1U) << "no lock is left";
}

TEST_F(Staging, WaitingForAnotherRunEndsWithAWord) {
    const Result<FolderLock> first = FolderLock::wait(folder);
    ASSERT_TRUE(first.ok());
    const Result<FolderLock> second = FolderLock::wait(folder, 0.05);
    ASSERT_FALSE(second.ok());
    EXPECT_NE(second.problem().sentence().find("another delivery"), std::string::npos);
}

TEST_F(Staging, AFolderThatCannotBeWrittenToSaysSo) {
    const StagingFolder staging(folder / "is_not_there");
    ASSERT_TRUE(staging.problem());
    EXPECT_NE(staging.problem()->sentence().find("cannot be written"), std::string::npos);
}

} // namespace
} // namespace wembrix::testing
