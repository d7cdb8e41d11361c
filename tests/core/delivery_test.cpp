// From Prepared to files and back: claims, atomicity, the manifest, and what must be held.
#include "core/base/files.h"
#include "core/delivery/board.h"
#include "core/delivery/delivery.h"
#include "core/delivery/manifest.h"
#include "core/destination/conform.h"
#include "core/findings/finding.h"
#include "core/formats/format.h"
#include "core/job/job.h"
#include "core/job/replay.h"
#include "core/measure/scene/bounds.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "tansy_scene.h"

#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;

std::vector<Step> mending_card() {
    return {{"leave_behind", {{"kinds", {"camera", "light"}}, {"names", {"set_floor", "*ik_world"}}}},
            {"strip_prefix"},
            {"bake_parent_transforms"},
            {"scale", {{"factor", 0.01}}},
            {"make_root", {{"name", "root"}}},
            {"split_take",
             {{"take", "capture_07"},
              {"clips",
               {{{"name", "stand"}, {"start", 0}, {"end", 40}, {"loop", true}},
                {{"name", "stamp"}, {"start", 600}, {"end", 640}}}}}},
            // Keys on frames: what lies between them has a test of its own (between_frames_test.cpp).
            {"bake"}};
}

const Scene& received() {
    static const Scene scene = [] {
        Scene model = demo::tansy_model();
        Scene take = demo::tansy_market_take();
        for (Clip& clip : take.clips) {
            for (Channel& channel : clip.channels) {
                channel.node = model.find_node(take.nodes[channel.node].name);
            }
        }
        model.clips = take.clips;
        for (size_t i = 0; i < model.nodes.size(); ++i) {
            model.nodes[i].identity = static_cast<int64_t>(i) + 1;
        }
        model.clips[0].take = 1;
        return model;
    }();
    return scene;
}

const Scene& prepared() {
    static const Scene scene = [] {
        const Replay done = replay(std::make_shared<const Scene>(received()), mending_card());
        EXPECT_TRUE(done.problems().empty()) << (done.problems().empty() ? "" : done.problems()[0]);
        return done.prepared();
    }();
    return scene;
}

class Delivering : public ::testing::Test {
  protected:
    void SetUp() override {
        folder = fs::temp_directory_path() /
                 ("wembrix_delivery_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()));
        fs::remove_all(folder);
        request.prepared = &prepared();
        request.destination = built_in_destinations()[0];
        request.destination.joint_names = "^.*$";
        request.job_name = "tansy";
        request.folder = folder;
        request.made_from.card = "one";
        request.made_from.sources = {{"tansy_model.glb", "a"}, {"tansy_market.gltf", "b"}};
    }
    void TearDown() override { fs::remove_all(folder); }

    std::set<std::string> files() const {
        std::set<std::string> names;
        for (const auto& entry : fs::directory_iterator(folder)) {
            names.insert(entry.path().filename().string());
        }
        return names;
    }
    fs::path folder;
    DeliveryRequest request;
};

TEST_F(Delivering, EverythingArrivesAndTheManifestSaysSo) {
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok()) << report.problem().sentence();
    EXPECT_TRUE(report->all_arrived());
    EXPECT_EQ(files(),
              (std::set<std::string>{"delivery.json", "tansy_model.glb", "tansy_stamp.glb", "tansy_stand.glb"}));
    for (const Arrival& arrival : report->arrivals) {
        EXPECT_EQ(arrival.state, CellState::arrived) << arrival.reason;
        EXPECT_GE(arrival.claims.size(), 7U);
        EXPECT_LT(arrival.drift.largest_mm, 0.5);
        EXPECT_GT(arrival.drift.points_compared, 15000U) << "clips are held against the surface too";
    }
    EXPECT_EQ(report->arrivals[1].drift.per_frame_mm.size(), 41U);
    const json manifest = json::parse(*read_file(folder / "delivery.json"));
    EXPECT_EQ(manifest["root"], "root");
    EXPECT_EQ(manifest["faces"], "-Y");
    EXPECT_NEAR(manifest["height_units"].get<double>(), 161.8, 1);
    EXPECT_EQ(manifest["clips"].size(), 2U);
    EXPECT_EQ(manifest["clips"][0]["frames"], 41);
    EXPECT_EQ(manifest["clips"][0]["loop"], true);
    for (const json& file : manifest["files"]) {
        const std::string bytes = *read_file(folder / file["file"].get<std::string>());
        EXPECT_EQ(file["bytes"], bytes.size());
        EXPECT_EQ(file["xxh3_128"], hash_of(bytes));
    }
}

TEST_F(Delivering, TheSameInGivesTheSameBytes) {
    ASSERT_TRUE(deliver(request).ok());
    std::map<std::string, std::string> first;
    for (const std::string& name : files()) {
        first[name] = *read_file(folder / name);
    }
    fs::remove_all(folder);
    ASSERT_TRUE(deliver(request).ok());
    for (const auto& [name, bytes] : first) {
        EXPECT_EQ(bytes, *read_file(folder / name)) << name;
    }
}

TEST_F(Delivering, AClipFileHoldsTheSkeletonAndThatClipOnly) {
    ASSERT_TRUE(deliver(request).ok());
    const Result<Scene> clip = read_scene(folder / "tansy_stand.glb");
    ASSERT_TRUE(clip.ok());
    EXPECT_EQ(clip->clips.size(), 1U);
    EXPECT_TRUE(clip->materials.empty());
    size_t points = 0;
    for (const Mesh& mesh : clip->meshes) {
        points += mesh.point_count();
    }
    EXPECT_LE(points, 2U) << "only what carries shape weights";
    EXPECT_EQ(joints_of(*clip).size(), joints_of(prepared()).size());
    const Result<Scene> model = read_scene(folder / "tansy_model.glb");
    ASSERT_TRUE(model.ok());
    EXPECT_TRUE(model->clips.empty());
    for (const Node& node : model->nodes) {
        EXPECT_LE(node.influences.largest_row(), 4U);
        for (size_t i = 0; i + 1 < node.influences.offsets.size(); ++i) {
            float sum = 0;
            for (uint32_t k = node.influences.offsets[i]; k < node.influences.offsets[i + 1]; ++k) {
                sum += node.influences.weights[k];
            }
            ASSERT_NEAR(sum, 1, 1e-6);
        }
    }
}

TEST_F(Delivering, EveryJointAndShapeIsKeyedAtEveryFrame) {
    for (const double rate : {24.0, 30.0, 60.0}) {
        const Clip& clip = *prepared().find_clip("stamp");
        const Clip baked = bake_clip(prepared(), clip, rate);
        const auto frames = static_cast<size_t>(std::ceil(clip.seconds * rate - 1e-3)) + 1;
        std::set<int> moved;
        for (const Channel& channel : baked.channels) {
            EXPECT_EQ(channel.times.size(), frames);
            EXPECT_EQ(channel.values.size(), frames * static_cast<size_t>(channel.width));
            moved.insert(channel.node);
            for (size_t k = 1; channel.path == Path::rotation && k < frames; ++k) {
                float dot = 0;
                for (size_t c = 0; c < 4; ++c) {
                    dot += channel.values[k * 4 + c] * channel.values[k * 4 - 4 + c];
                }
                ASSERT_GE(dot, 0) << "a turn takes the long way";
            }
        }
        for (const int joint : joints_of(prepared())) {
            EXPECT_EQ(moved.count(joint), 1U);
        }
    }
}

TEST_F(Delivering, SteppedChannelsStayStepped) {
    const Clip baked = bake_clip(prepared(), *prepared().find_clip("stand"), 60);
    const int eye = prepared().find_node("LeftEye");
    bool found = false;
    for (const Channel& channel : baked.channels) {
        if (channel.node == eye && channel.path == Path::rotation) {
            found = true;
            EXPECT_EQ(channel.interpolation, Interpolation::step);
        }
    }
    EXPECT_TRUE(found);
}

TEST_F(Delivering, AFailedClaimHoldsTheFileAndTouchesNothing) {
    ASSERT_TRUE(deliver(request).ok());
    const std::string before = *read_file(folder / "tansy_model.glb");
    request.destination.drift_limit_mm = 0;
    request.destination.influences = 1;
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    EXPECT_FALSE(report->all_arrived());
    for (const Arrival& arrival : report->arrivals) {
        EXPECT_EQ(arrival.state, CellState::held);
        EXPECT_NE(arrival.reason.find("mm"), std::string::npos) << arrival.reason;
    }
    EXPECT_EQ(before, *read_file(folder / "tansy_model.glb"));
}

TEST_F(Delivering, WrongRootsAndNamesAreHeld) {
    request.destination.root = "hips";
    EXPECT_NE(deliver(request)->arrivals[0].reason.find("hips"), std::string::npos);
    request.destination.root = "root";
    request.destination.joint_names = "^[a-z_0-9]*$";
    EXPECT_NE(deliver(request)->arrivals[0].reason.find("does not take"), std::string::npos);
}

TEST_F(Delivering, AnOpenStopHoldsEverything) {
    request.prepared = &received();
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    for (const Arrival& arrival : report->arrivals) {
        EXPECT_EQ(arrival.state, CellState::held);
        EXPECT_NE(arrival.reason.find("161"), std::string::npos) << arrival.reason;
    }
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json"})) << "only why it is held";
    request.prepared = &prepared();
    request.card_problems = {"resize: no"};
    EXPECT_EQ(deliver(request)->arrivals[0].state, CellState::held);
}

TEST_F(Delivering, AnAcceptedStopGoesOutAndEveryDeliverySaysSo) {
    request.destination.joint_names = "^[a-z_0-9]*$"; // some of the demo's names have capitals
    Scene scene = prepared();
    const std::vector<Finding> findings = look_for_findings({scene, &request.destination});
    const auto names = std::find_if(findings.begin(), findings.end(),
                                    [](const Finding& finding) { return finding.id == "illegal_name"; });
    ASSERT_NE(names, findings.end());
    EXPECT_EQ(deliver(request)->arrivals[0].state, CellState::held);
    scene = apply_step(scene, accepting(*names, "the importer was told"))->scene;
    request.prepared = &scene;
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    EXPECT_TRUE(report->all_arrived()) << report->arrivals[0].reason;
    ASSERT_EQ(report->accepted.size(), 1U);
    const std::vector<Claim>& claims = report->arrivals[0].claims;
    const auto claim =
        std::find_if(claims.begin(), claims.end(), [](const Claim& one) { return one.name == "Joint names"; });
    ASSERT_NE(claim, claims.end());
    EXPECT_FALSE(claim->pass) << "what does not fit is not said to fit";
    EXPECT_EQ(claim->accepted, "the importer was told");
    const json manifest = json::parse(*read_file(folder / "delivery.json"));
    ASSERT_EQ(manifest["accepted"].size(), 1U);
    EXPECT_EQ(manifest["accepted"][0]["note"], "the importer was told");
    EXPECT_EQ(manifest["accepted"][0]["finding"], "illegal_name");
}

TEST_F(Delivering, OnlyOurOwnFilesAreReplaced) {
    fs::create_directories(folder);
    std::ofstream(folder / "tansy_stand.glb") << "somebody's work";
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    EXPECT_FALSE(report->all_arrived());
    EXPECT_EQ(*read_file(folder / "tansy_stand.glb"), "somebody's work");
    EXPECT_TRUE(fs::exists(folder / "tansy_model.glb"));
    const json manifest = json::parse(*read_file(folder / "delivery.json"));
    EXPECT_EQ(manifest["files"].size(), 2U);
}

TEST_F(Delivering, FilesOfClipsThatAreGoneAreRemovedIfUntouched) {
    ASSERT_TRUE(deliver(request).ok());
    Scene fewer = prepared();
    fewer.clips.erase(fewer.clips.begin());
    request.prepared = &fewer;
    std::ofstream(folder / "notes.txt") << "mine";
    ASSERT_TRUE(deliver(request).ok());
    EXPECT_EQ(files(), (std::set<std::string>{"delivery.json", "notes.txt", "tansy_model.glb", "tansy_stamp.glb"}));
}

TEST_F(Delivering, StoppingLeavesWholeFilesOnly) {
    int asked = 0;
    request.stop = [&] { return ++asked > 2; };
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    EXPECT_TRUE(report->stopped);
    for (const std::string& name : files()) {
        EXPECT_TRUE(name == "delivery.json" || read_scene(folder / name).ok()) << name;
    }
    EXPECT_EQ(files().count("tansy_stamp.glb"), 0U);
}

TEST_F(Delivering, CheckingAgainFindsWhatSomebodyChanged) {
    ASSERT_TRUE(deliver(request).ok());
    const std::vector<Deliverable> plan = plan_deliverables(prepared(), request.destination, "tansy").take();
    const Result<Arrival> good = check_again(request, plan[1]);
    ASSERT_TRUE(good.ok()) << good.problem().sentence();
    EXPECT_EQ(good->state, CellState::arrived) << good->reason;
    fs::copy_file(folder / "tansy_stamp.glb", folder / "tansy_stand.glb", fs::copy_options::overwrite_existing);
    EXPECT_EQ(check_again(request, plan[1])->state, CellState::held);
    std::ofstream(folder / "tansy_stand.glb") << "glTF";
    EXPECT_FALSE(check_again(request, plan[1]).ok());
}

TEST_F(Delivering, EveryContainerArrives) {
    for (const char* container : {"gltf", "gltf_embedded"}) {
        fs::remove_all(folder);
        request.destination.container = container;
        const Result<DeliveryReport> report = deliver(request);
        ASSERT_TRUE(report.ok()) << report.problem().sentence();
        EXPECT_TRUE(report->all_arrived()) << container;
    }
}

TEST(Destinations, ReadBackAsWrittenAndRefuseNonsense) {
    for (const Destination& destination : built_in_destinations()) {
        const Result<Destination> again = destination_from_json(destination_to_json(destination), "test");
        ASSERT_TRUE(again.ok()) << again.problem().sentence();
        EXPECT_TRUE(*again == destination);
    }
    const json good = destination_to_json(built_in_destinations()[0]);
    const auto refused = [&](const char* key, const json& value) {
        json bad = good;
        bad[key] = value;
        const Result<Destination> result = destination_from_json(bad, "test");
        EXPECT_FALSE(result.ok()) << key << " = " << value;
    };
    refused("unit_m", 0);
    refused("unit_m", "cm");
    refused("up", "Z");
    refused("forward", "+Z");
    refused("influences", 0);
    refused("rate", -1);
    refused("container", "zip");
    refused("joint_names", "(");
    refused("model_file", "{where}");
    refused("clip_file", "../{clip}");
    refused("colour", "red");
    refused("name", "");
}

TEST(Destinations, AxesAndUnitsAreRightHanded) {
    for (const Destination& destination : built_in_destinations()) {
        const Mat3 turn = linear_of(destination.axes.from_core()) * destination.axes.unit_m;
        EXPECT_NEAR(turn.determinant(), 1, 1e-12);
        EXPECT_TRUE((turn * turn.transpose()).isApprox(Mat3::Identity()));
    }
    const Destination tidewater = built_in_destinations()[0];
    EXPECT_EQ(tidewater.axis_here(Axis::pos_z), "-Y");
    EXPECT_EQ(tidewater.axis_here(Axis::pos_y), "+Z");
    EXPECT_EQ(tidewater.in_units(1.62), "162.0 u");
}

TEST(Planning, FileNamesThatClashAreRefused) {
    Scene scene = prepared();
    scene.clips[1].name = "STAND";
    EXPECT_FALSE(plan_deliverables(scene, built_in_destinations()[0], "tansy").ok());
    EXPECT_FALSE(plan_deliverables(Scene(), built_in_destinations()[0], "tansy").ok());
}

TEST(SharedFolder, DestinationsWhoseFoldersFallTogetherAreRefused) {
    std::vector<Destination> destinations = built_in_destinations();
    EXPECT_FALSE(shared_folder(destinations));
    for (const char* name : {"Lantern_web_view", "lantern web view", "Lantern/web view"}) {
        destinations = built_in_destinations();
        destinations.push_back(destinations[1]);
        destinations.back().name = name;
        const std::optional<Problem> problem = shared_folder(destinations);
        ASSERT_TRUE(problem) << name;
        EXPECT_EQ(problem->where, name);
        EXPECT_NE(problem->sentence().find("Lantern web view"), std::string::npos) << problem->sentence();
    }
}

TEST_F(Delivering, LeanFilesArriveWithinTheLimitAndSayHowMuchSmallerTheyAre) {
    request.destination.numbers = Numbers::rounded;
    request.destination.clip_keys = ClipKeys::fewest;
    request.destination.format_options = {{"glb", {{"compression", "meshopt"}}}};
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report) << report.problem().sentence();
    ASSERT_EQ(report->arrivals.size(), 3U);
    for (const Arrival& arrival : report->arrivals) {
        EXPECT_EQ(arrival.state, CellState::arrived) << arrival.deliverable.id() << ": " << arrival.reason;
        EXPECT_LT(arrival.bytes * 2, arrival.plain_bytes) << arrival.deliverable.id();
        EXPECT_LE(arrival.drift.largest_mm, request.destination.drift_limit_mm);
        EXPECT_GT(arrival.drift.largest_mm, 0.001) << "what is rounded has moved";
    }
    for (const BoardCell& cell : read_board(request).cells) {
        EXPECT_EQ(cell.state, CellState::arrived);
        EXPECT_GT(cell.plain_bytes, cell.bytes) << "kept in the manifest";
    }
    // As plain files they are as large as was said.
    DeliveryRequest plain = request;
    plain.destination = request.destination.plain();
    plain.folder = folder / "plain";
    const Result<DeliveryReport> other = deliver(plain);
    ASSERT_TRUE(other);
    for (size_t i = 0; i < other->arrivals.size(); ++i) {
        EXPECT_EQ(other->arrivals[i].plain_bytes, 0U);
        EXPECT_NEAR(static_cast<double>(other->arrivals[i].bytes), static_cast<double>(report->arrivals[i].plain_bytes),
                    8);
    }
}

} // namespace
} // namespace wembrix::testing
