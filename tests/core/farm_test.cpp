// A run in pieces: what its folder tells, who may take an item, and what the dead leave.
#include "core/base/files.h"
#include "core/base/lease.h"
#include "core/base/process.h"
#include "core/farm/coordinate.h"
#include "core/farm/farm.h"

#include <atomic>
#include <csignal>
#include <fcntl.h>
#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>
#include <set>
#include <sys/stat.h>
#include <thread>
#include <unistd.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

class Farms : public ::testing::Test {
  protected:
    void SetUp() override {
        fs::remove_all(folder);
        fs::create_directories(folder);
        farm.folder = folder / "farm";
        farm.working_folder = folder;
    }
    void TearDown() override { fs::remove_all(folder); }
    /// An item that does what a shell is told.
    void add(const std::string& script, int takes = 1) {
        farm.items.push_back({"item_" + std::to_string(farm.items.size()), takes, {"-c", script}, {}});
    }
    [[nodiscard]] ItemStatus status(int item) const { return status_of(farm).items.at(static_cast<size_t>(item)); }
    [[nodiscard]] FarmRun run() const {
        FarmRun run;
        run.program = "/bin/sh";
        run.look_every_s = 0.02;
        return run;
    }
    fs::path folder = fs::temp_directory_path() /
                      ("wembrix_farm_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()));
    Farm farm;
};

constexpr const char* two_files =
    R"(echo '{"deliveries": [{"deliverables": [{"state": "arrived"}, {"state": "held"}]}]}'; exit 1)";

TEST_F(Farms, AnItemIsRunOnceAndItsFolderTellsWhatBecameOfIt) {
    add(two_files, 3);
    add("echo once >> ran; true");
    ASSERT_TRUE(start_farm(farm).ok());
    EXPECT_EQ(status(0).state, ItemState::waiting);
    EXPECT_TRUE(*run_item(farm, 0, "/bin/sh"));
    EXPECT_EQ(status(0).state, ItemState::done) << "what is held was tried";
    EXPECT_EQ(status(0).arrived, 1);
    EXPECT_EQ(status(0).held, 1);
    EXPECT_EQ(status(0).host, host_name());
    const FarmStatus all = status_of(farm);
    EXPECT_EQ(all.takes, 4);
    EXPECT_EQ(all.takes_done, 3);
    EXPECT_GE(all.seconds_left, 0);
    EXPECT_FALSE(all.is_over());
    EXPECT_TRUE(*run_item(farm, 1, "/bin/sh"));
    EXPECT_FALSE(*run_item(farm, 1, "/bin/sh")) << "it is done";
    EXPECT_EQ(*read_file(folder / "ran"), "once\n");
    EXPECT_FALSE(run_item(farm, 2, "/bin/sh").ok());
    // Read back, it is the same plan; another one may not take its folder.
    ASSERT_TRUE(start_farm(farm).ok());
    EXPECT_EQ(read_farm(farm.folder)->items.size(), 2U);
    add("true");
    const Outcome other = start_farm(farm);
    ASSERT_FALSE(other.ok());
    EXPECT_NE(other.problem().sentence().find("another run"), std::string::npos);
}

TEST_F(Farms, WhatFailsIsTriedAgainAndThenSaysWhy) {
    add("echo first, >&2; echo 'no room left' >&2; exit 2");
    add("test -e there || { touch there; kill -9 $$; }");
    farm.tries = 2;
    ASSERT_TRUE(start_farm(farm).ok());
    // A program that knows no items is told of, and not tried for ever.
    const Result<FarmStatus> ended = run_farm(farm, run());
    ASSERT_FALSE(ended.ok());
    EXPECT_NE(ended.problem().sentence().find("could not be begun"), std::string::npos) << ended.problem().sentence();
    FarmRun elsewhere = run();
    elsewhere.on = "nowhere";
    EXPECT_FALSE(run_farm(farm, elsewhere).ok());
    for (int turn = 0; turn < 2; ++turn) {
        (void)run_item(farm, 0, "/bin/sh");
    }
    EXPECT_EQ(status(0).state, ItemState::failed);
    EXPECT_EQ(status(0).attempts, 2);
    EXPECT_EQ(status(0).problem, "no room left");
    EXPECT_TRUE(*run_item(farm, 1, "/bin/sh"));
    EXPECT_EQ(status(1).state, ItemState::waiting) << "it was killed: once more";
    EXPECT_TRUE(*run_item(farm, 1, "/bin/sh"));
    EXPECT_EQ(status(1).state, ItemState::done);
}

TEST_F(Farms, OnlyOneHasAnItemAtATime) {
    add("echo ran >> ran; sleep 0.3");
    ASSERT_TRUE(start_farm(farm).ok());
    std::vector<std::thread> all;
    std::atomic<int> ran = 0;
    for (int n = 0; n < 6; ++n) {
        all.emplace_back([&] {
            const Result<bool> own = run_item(farm, 0, "/bin/sh");
            ran += own && *own ? 1 : 0;
        });
    }
    for (std::thread& one : all) {
        one.join();
    }
    EXPECT_EQ(ran, 1);
    EXPECT_EQ(*read_file(folder / "ran"), "ran\n");
}

TEST_F(Farms, ALeaseIsOverWhenItsProcessIsGoneWhateverTheClocksSay) {
    const fs::path file = folder / "lease";
    EXPECT_TRUE(Lease::is_over(file)) << "there is none";
    {
        const Lease lease = Lease::create(file);
        ASSERT_TRUE(lease.holds());
        EXPECT_FALSE(Lease::is_over(file, 0));
        EXPECT_FALSE(Lease::create(file).holds()) << "it is somebody's";
    }
    EXPECT_TRUE(Lease::is_over(file)) << "of this machine: the lock tells";
    // Of another machine the file is alive as long as it is renewed, by the file system's own clock.
    std::ofstream(file) << "elsewhere\n";
    EXPECT_FALSE(Lease::is_over(file, 60));
    const auto touch = [&](double seconds_ago) {
        struct timespec now {};
        ::clock_gettime(CLOCK_REALTIME, &now);
        now.tv_sec -= static_cast<time_t>(seconds_ago);
        const std::array<struct timespec, 2> both = {now, now};
        ::utimensat(AT_FDCWD, file.c_str(), both.data(), 0);
    };
    touch(59);
    EXPECT_FALSE(Lease::is_over(file, 60));
    touch(61);
    EXPECT_TRUE(Lease::is_over(file, 60));
    EXPECT_EQ(std::distance(fs::directory_iterator(folder), fs::directory_iterator()), 1)
        << "nothing is left of asking";
}

TEST_F(Farms, AProcessDiesWithTheOneThatStartedIt) {
    const fs::path said = folder / "said";
    const pid_t middle = ::fork();
    if (middle == 0) {
        const pid_t child = start_process("/bin/sh", {"-c", "sleep 30"}, folder, said, folder / "errors");
        std::ofstream(folder / "pid") << child << "\n" << std::flush;
        ::pause();
        ::_exit(0);
    }
    pid_t child = 0;
    for (int turn = 0; turn < 500 && child == 0; ++turn) {
        std::ifstream(folder / "pid") >> child;
        std::this_thread::sleep_for(std::chrono::milliseconds(10));
    }
    ASSERT_GT(child, 0);
    ::kill(middle, SIGKILL);
    (void)how_it_ended(middle, true);
    bool gone = false;
    for (int turn = 0; turn < 500 && !gone; ++turn) {
        // Nobody may wait for it here: it is gone, or waits to be buried.
        std::ifstream stat("/proc/" + std::to_string(child) + "/stat");
        std::string pid;
        std::string name;
        std::string state;
        gone = !(stat >> pid >> name >> state) || state == "Z" || state == "X";
        std::this_thread::sleep_for(std::chrono::milliseconds(10));
    }
    EXPECT_TRUE(gone);
}

TEST_F(Farms, WordsReachAShellAsTheyAre) {
    for (const char* word : {"plain", "two words", "it's", "$(touch planted)", "`x`", "\"quoted\"", "a\\b", ""}) {
        EXPECT_EQ(run_and_hear({"/bin/sh", "-c", "printf %s " + quoted(word)}).out, word);
    }
    EXPECT_EQ(run_and_hear({"there-is-no-such-program"}).code, 127);
}

TEST_F(Farms, PlansOfStrangersAreReadSafely) {
    add("true");
    ASSERT_TRUE(start_farm(farm).ok());
    for (const char* odd :
         {"", "{}", "[]", "{\"format\": \"wembrix farm\"}", "{\"format\": \"wembrix farm\", \"items\": 7}",
          "{\"format\": \"wembrix farm\", \"items\": []}", "{\"format\": \"wembrix farm\", \"items\": [7]}",
          "{\"format\": \"wembrix farm\", \"items\": [{\"name\": 1, \"arguments\": []}]}",
          "{\"format\": \"wembrix farm\", \"items\": [{\"name\": \"x\", \"arguments\": [1]}]}"}) {
        std::ofstream(farm.folder / "farm.json") << odd;
        EXPECT_FALSE(read_farm(farm.folder).ok()) << odd;
    }
    for (const char* odd : {"", "[]", "7", "{\"state\": 3, \"attempts\": \"many\"}", "{\"attempts\": -1e300}"}) {
        std::ofstream(item_file(farm, 0, ".json")) << odd;
        EXPECT_EQ(status(0).state, ItemState::waiting) << odd;
    }
    EXPECT_FALSE(item_of_task(farm, 0, 0).ok());
}

} // namespace
} // namespace wembrix::testing
