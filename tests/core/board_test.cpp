// The delivery board: what it says of each file, why, and that it says so again after a restart.
#include "core/base/files.h"
#include "core/delivery/board.h"
#include "core/delivery/manifest.h"
#include "core/job/replay.h"
#include "random_rig.h"

#include <chrono>
#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;

/// A small scene that can be delivered: one root, no holders, two clips of one take.
Scene deliverable_scene() {
    RigOptions options;
    options.holders = Holders::none;
    options.two_roots = false;
    const Scene received = random_rig(7, options);
    const std::string take = received.clips.at(0).name;
    const int last = received.clips.at(0).frames() - 1;
    std::vector<Step> steps = {{"strip_prefix"},
                               {"scale", {{"height_m", 1.6}}},
                               {"make_root", {{"name", "root"}}},
                               {"split_take",
                                {{"take", take},
                                 {"clips",
                                  {{{"name", "rise"}, {"start", 0}, {"end", last / 2}},
                                   {{"name", "fall"}, {"start", last / 2}, {"end", last}}}}}}};
    const Replay done = replay(std::make_shared<const Scene>(received), steps);
    for (const std::string& problem : done.problems()) {
        ADD_FAILURE() << problem;
    }
    return done.prepared();
}

class Board : public ::testing::Test {
  protected:
    void SetUp() override {
        folder = fs::temp_directory_path() /
                 ("wembrix_board_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()));
        fs::remove_all(folder);
        scene = deliverable_scene();
        request.prepared = &scene;
        request.destination = built_in_destinations()[0];
        request.destination.joint_names = ".*";
        request.destination.influences = 8;
        request.destination.drift_limit_mm = 50;
        request.job_name = "rig";
        request.folder = folder;
        request.made_from.card = "card";
        request.made_from.sources = {{"rig.glb", "1"}};
    }
    void TearDown() override { fs::remove_all(folder); }
    void deliver_all() {
        const Result<DeliveryReport> report = deliver(request);
        ASSERT_TRUE(report.ok()) << report.problem().sentence();
        for (const Arrival& arrival : report->arrivals) {
            ASSERT_EQ(arrival.state, CellState::arrived) << arrival.reason;
        }
    }
    BoardCell cell(const std::string& id) const {
        for (BoardCell one : read_board(request).cells) {
            if (one.deliverable.id() == id) {
                return one;
            }
        }
        ADD_FAILURE() << "no cell " << id;
        return {};
    }

    fs::path folder;
    Scene scene;
    DeliveryRequest request;
};

TEST_F(Board, IsNeverThenArrived) {
    EXPECT_EQ(cell("model").state, CellState::never);
    EXPECT_EQ(cell("model").reason, "not delivered yet");
    deliver_all();
    for (const char* id : {"model", "clip:rise", "clip:fall"}) {
        EXPECT_EQ(cell(id).state, CellState::arrived) << id;
        EXPECT_EQ(cell(id).reason, "");
        EXPECT_GT(cell(id).bytes, 100U);
    }
}

TEST_F(Board, OneDeliveredAloneLeavesTheOthersNever) {
    request.only = {"clip:rise"};
    deliver_all();
    EXPECT_EQ(cell("clip:rise").state, CellState::arrived);
    EXPECT_EQ(cell("model").state, CellState::never);
    EXPECT_EQ(cell("clip:fall").state, CellState::never);
}

TEST_F(Board, AnotherCutMakesOnlyThatClipStale) {
    deliver_all();
    for (Clip& clip : scene.clips) {
        if (clip.name == "rise") {
            clip.seconds -= 1 / clip.rate;
        }
    }
    request.made_from.card = "another card";
    EXPECT_EQ(cell("model").state, CellState::arrived);
    EXPECT_EQ(cell("clip:fall").state, CellState::arrived);
    EXPECT_EQ(cell("clip:rise").state, CellState::stale);
    EXPECT_EQ(cell("clip:rise").reason, "the route card changed");
}

TEST_F(Board, AModelChangeMarksTheClipsThatDependOnIt) {
    deliver_all();
    for (Mesh& mesh : scene.meshes) {
        for (Vec3f& position : mesh.positions.edit()) {
            position.x() += 0.001F;
        }
    }
    request.made_from.sources = {{"rig.glb", "2"}};
    EXPECT_EQ(cell("model").state, CellState::stale);
    EXPECT_EQ(cell("model").reason, "rig.glb changed");
    EXPECT_EQ(cell("clip:rise").state, CellState::stale);
    EXPECT_NE(cell("clip:rise").reason.find("the model that this clip moves"), std::string::npos)
        << cell("clip:rise").reason;
}

TEST_F(Board, SourcesThatChangeNothingLeaveTheFilesArrived) {
    deliver_all();
    request.made_from.sources = {{"rig.glb", "saved again with the same content"}};
    EXPECT_EQ(cell("model").state, CellState::arrived);
    EXPECT_EQ(cell("clip:rise").state, CellState::arrived);
}

TEST_F(Board, AChangedByteIsSeenThoughTheTimeIsSetBack) {
    deliver_all();
    const fs::path rise = folder / "rig_rise.glb";
    const auto time = fs::last_write_time(rise);
    std::string bytes = *read_file(rise);
    bytes[bytes.size() / 2] = static_cast<char>(bytes[bytes.size() / 2] ^ 1);
    std::ofstream(rise, std::ios::binary) << bytes;
    fs::last_write_time(rise, time);
    EXPECT_EQ(cell("clip:rise").state, CellState::stale);
    EXPECT_EQ(cell("clip:fall").state, CellState::arrived);
}

TEST_F(Board, TellsSourcesThatCameAndWent) {
    deliver_all();
    scene.copyright = "other";
    request.made_from.sources = {{"other.glb", "1"}};
    EXPECT_EQ(cell("model").reason, "other.glb came in, rig.glb went");
}

TEST_F(Board, ADestinationThatChangedIsTheReason) {
    deliver_all();
    request.destination.rate = 60;
    EXPECT_EQ(cell("model").state, CellState::stale);
    EXPECT_EQ(cell("model").reason, "the destination changed");
}

TEST_F(Board, WhatWasHeldStaysHeldOverARestart) {
    deliver_all();
    request.destination.influences = 1;
    request.destination.drift_limit_mm = 0;
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    EXPECT_EQ(report->arrivals[0].state, CellState::held);
    const BoardCell model = cell("model");
    EXPECT_EQ(model.state, CellState::held);
    EXPECT_EQ(model.reason, report->arrivals[0].reason);
    // What is held is told by its content: another change makes it stale again, and going back makes it arrived.
    request.destination.influences = 2;
    EXPECT_EQ(cell("model").state, CellState::stale);
    request.destination.influences = 8;
    request.destination.drift_limit_mm = 50;
    EXPECT_EQ(cell("model").state, CellState::arrived);
}

TEST_F(Board, AnOpenStopIsHeldAndSaidAfterARestart) {
    request.card_problems = {"resize: no"};
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    EXPECT_EQ(cell("clip:fall").state, CellState::held);
    EXPECT_EQ(cell("clip:fall").reason, "a step does not fit: resize: no");
    request.card_problems.clear();
    deliver_all();
    EXPECT_EQ(cell("clip:fall").state, CellState::arrived);
}

TEST_F(Board, FilesThatWentOrWereTouchedAreTold) {
    deliver_all();
    const fs::path rise = folder / "rig_rise.glb";
    ASSERT_TRUE(fs::exists(rise));
    const std::string bytes = *read_file(rise);
    std::string other = bytes;
    other.back() = static_cast<char>(other.back() + 1);
    // The same size, written later.
    std::ofstream(rise, std::ios::binary) << other;
    fs::last_write_time(rise, fs::file_time_type::clock::now() + std::chrono::seconds(5));
    EXPECT_EQ(cell("clip:rise").state, CellState::stale);
    EXPECT_NE(cell("clip:rise").reason.find("somebody changed"), std::string::npos);
    // Touched, but the same bytes.
    std::ofstream(rise, std::ios::binary) << bytes;
    fs::last_write_time(rise, fs::file_time_type::clock::now() + std::chrono::seconds(5));
    EXPECT_EQ(cell("clip:rise").state, CellState::arrived);
    std::ofstream(rise) << "short";
    EXPECT_EQ(cell("clip:rise").state, CellState::stale);
    fs::remove(rise);
    EXPECT_EQ(cell("clip:rise").state, CellState::never);
    EXPECT_NE(cell("clip:rise").reason.find("is gone"), std::string::npos);
}

TEST_F(Board, ABrokenManifestIsTakenForNone) {
    deliver_all();
    for (const char* text : {"", "{", "[]", R"({"format":"other"})",
                             R"({"format":"wembrix delivery","files":[{"file":"../x","deliverable":"model"},7,null]})",
                             R"({"format":"wembrix delivery","files":[{"file":"rig_model.glb","deliverable":"model",)"
                             R"("bytes":-1,"made_from":7,"content":{}}],"held":[1,{"deliverable":2}]})"}) {
        std::ofstream(folder / "delivery.json") << text;
        EXPECT_NE(cell("model").state, CellState::arrived) << text;
    }
}

TEST_F(Board, FileNamesThatClashAreTheColumnsProblem) {
    scene.clips[1].name = "RISE";
    const BoardColumn column = read_board(request);
    ASSERT_TRUE(column.problem.has_value());
    EXPECT_NE(column.problem->sentence().find("share the file name"), std::string::npos);
    EXPECT_TRUE(column.cells.empty());
}

TEST_F(Board, WhatAKilledRunLeftIsSweptAway) {
    fs::create_directories(folder / ".wembrix-999999999");
    std::ofstream(folder / ".wembrix-999999999" / "half.glb") << "half";
    std::ofstream(folder / "delivery.json.999999999.part") << "half";
    std::ofstream(folder / "mine.part") << "mine";
    deliver_all();
    EXPECT_FALSE(fs::exists(folder / ".wembrix-999999999"));
    EXPECT_FALSE(fs::exists(folder / "delivery.json.999999999.part"));
    EXPECT_TRUE(fs::exists(folder / "mine.part")) << "only what is ours";
}

} // namespace
} // namespace wembrix::testing
