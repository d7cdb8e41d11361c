// The live hand-over without its socket: what may be said, what is handed over, and how a file is posed.
#include "core/delivery/reader_claims.h"
#include "core/live/hand_over.h"
#include "core/live/listener_messages.h"
#include "core/live/posed_file.h"
#include "core/live/program_messages.h"
#include "core/measure/scene/bounds.h"
#include "random_rig.h"
#include "small_scenes.h"

#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;

template <typename Message> Message heard(const std::string& text) {
    Result<ListenerMessage> message = listener_message(text);
    EXPECT_TRUE(message.ok()) << (message.ok() ? "" : message.problem().sentence());
    const Message* found = message ? std::get_if<Message>(&*message) : nullptr;
    EXPECT_NE(found, nullptr) << text;
    return found == nullptr ? Message() : *found;
}

TEST(ListenerMessages, AreReadAsTheyWereSaid) {
    const auto hello = heard<ListenerHello>(
        R"({"message":"hello","version":1,"token":"t","name":"page","project":"marsh","destination":"Tidewater runtime",
            "takes":["model","prop"],"has":["c1"],"poses":false})");
    EXPECT_EQ(hello.token, "t");
    EXPECT_EQ(hello.name, "page");
    EXPECT_EQ(hello.project, "marsh");
    EXPECT_EQ(hello.destination, "Tidewater runtime");
    EXPECT_EQ(hello.takes, (std::vector<std::string>{"model", "prop"}));
    EXPECT_EQ(hello.has, (std::vector<std::string>{"c1"}));
    EXPECT_FALSE(hello.poses);
    const auto more = heard<ListenerMore>(R"({"message":"more","file":3.0,"from":524288})");
    EXPECT_EQ(more.file, 3U) << "some write every number with a point";
    EXPECT_EQ(more.from, 524288U);
    const auto made = heard<ListenerMade>(R"({"message":"made","file":2,"made":{"bones":[]}})");
    EXPECT_TRUE(made.made.is_object());
    const auto posed = heard<ListenerPosed>(R"({"message":"posed","ask":7,"places":[[1,2,3],null,[1,2]]})");
    ASSERT_EQ(posed.places.size(), 3U);
    EXPECT_EQ(posed.places[0], Vec3(1, 2, 3));
    EXPECT_FALSE(posed.places[1].allFinite());
    EXPECT_FALSE(posed.places[2].allFinite());
    EXPECT_EQ(heard<ListenerHello>("{\"message\":\"hello\",\"version\":1,\"name\":\"a\\nb\\u0007c\"}").name, "a b c")
        << "a name is shown in one line";
}

TEST(ListenerMessages, WhatCannotBeUnderstoodIsRefusedInASentence) {
    const std::string long_name(201, 'n');
    for (const std::string& text : std::vector<std::string>{
             "",
             "{",
             "[]",
             "7",
             "{}",
             R"({"message":7})",
             R"({"message":"sing"})",
             R"({"message":"hello","name":"a"})",
             R"({"message":"hello","version":"1","name":"a"})",
             R"({"message":"hello","version":1})",
             R"({"message":"hello","version":1,"name":7})",
             R"({"message":"hello","version":1,"name":")" + long_name + "\"}",
             R"({"message":"hello","version":1,"name":"a","takes":"model"})",
             R"({"message":"hello","version":1,"name":"a","takes":[1]})",
             R"({"message":"hello","version":1,"name":"a","poses":1})",
             R"({"message":"more","file":-1,"from":0})",
             R"({"message":"more","file":1})",
             R"({"message":"more","file":1.5,"from":0})",
             R"({"message":"made"})",
             R"({"message":"made","file":1,"problem":[]})",
             R"({"message":"posed","ask":1})",
             R"({"message":"posed","ask":1,"places":{}})",
             "{\"message\":\"hello\",\"deep\":" + std::string(1000, '[') + std::string(1000, ']') + "}",
             std::string(longest_listener_message + 1, ' ')}) {
        const Result<ListenerMessage> message = listener_message(text);
        ASSERT_FALSE(message.ok()) << text.substr(0, 80);
        EXPECT_FALSE(message.problem().sentence().empty());
    }
    const Result<ListenerMessage> newer = listener_message(R"({"message":"hello","version":2,"name":"a"})");
    ASSERT_FALSE(newer.ok());
    EXPECT_NE(newer.problem().sentence().find("version 2"), std::string::npos) << newer.problem().sentence();
}

TEST(ProgramMessages, AreJsonThatHoldsWhatTheySay) {
    LivePose pose;
    pose.clip = "stand";
    pose.seconds = 0.5;
    Transform joint;
    joint.translation = {1, 2, 3};
    pose.joints = {joint, joint};
    pose.weights = {0.25F};
    json said = json::parse(pose_message(pose));
    EXPECT_EQ(said["joints"][1], json({1.0, 2.0, 3.0, 0.0, 0.0, 0.0, 1.0, 1.0, 1.0, 1.0}));
    EXPECT_EQ(said["weights"][0], 0.25);
    EXPECT_FALSE(said.contains("ask"));
    pose.ask = 4;
    pose.about = {1};
    said = json::parse(pose_message(pose));
    EXPECT_EQ(said["ask"], 4);
    EXPECT_EQ(said["about"], json({1}));
    EXPECT_EQ(json::parse(refused_message("no \xff bytes"))["message"], "refused") << "whatever a name holds";
    EXPECT_EQ(json::parse(welcome_message("tansy", "Tidewater runtime"))["version"], live_version);
}

TEST(PosedFile, GivesEachJointInItsParentsSpaceAndWhereItIs) {
    for (uint32_t seed = 1; seed <= share_of_seeds(12); ++seed) {
        const auto scene = std::make_shared<const Scene>(random_rig(seed, options_for(seed)));
        PosedFile file(scene);
        std::mt19937 random(seed);
        const double seconds = scene->clips.empty() ? 0 : scene->clips.front().seconds;
        for (int i = 0; i < 8; ++i) {
            const double at = std::uniform_real_distribution<double>(0, std::max(seconds, 1e-6))(random);
            const LivePose pose = file.at(at);
            Pose wanted;
            const Poser poser(*scene, scene->clips.empty() ? nullptr : &scene->clips.front());
            poser.at(std::min(at, seconds), wanted);
            const std::vector<int> joints = joints_of(*scene);
            ASSERT_EQ(pose.joints.size(), joints.size()) << seed;
            for (size_t j = 0; j < joints.size(); ++j) {
                const auto node = static_cast<size_t>(joints[j]);
                const int parent = scene->nodes[node].parent;
                const Mat4 above = parent < 0 ? Mat4(Mat4::Identity()) : wanted.world[static_cast<size_t>(parent)];
                const Mat4 apart = above * pose.joints[j].matrix() - wanted.world[node];
                EXPECT_LT(apart.cwiseAbs().maxCoeff(), 1e-9) << seed << " " << scene->nodes[node].name;
                EXPECT_LT((file.places({j})[0] - wanted.world[node].block<3, 1>(0, 3)).norm(), 1e-9);
            }
        }
        EXPECT_EQ(file.at(seconds + 100).seconds, seconds) << "held at its end";
    }
}

class HandingOver : public ::testing::Test {
  protected:
    HandingOver()
        : folder(fs::temp_directory_path() /
                 ("wembrix_live_" + std::string(::testing::UnitTest::GetInstance()->current_test_info()->name()))) {
        fs::remove_all(folder);
        scene = tower({"root", "spine", "neck"});
        add_nod(scene, "nod", 1, 0.3, true, 31);
        add_nod(scene, "bow", 2, 0.4, true, 31);
        request.delivery.prepared = &scene;
        request.delivery.destination = built_in_destinations()[1];
        request.delivery.job_name = "tower";
        request.delivery.folder = folder / "first";
    }
    ~HandingOver() override { fs::remove_all(folder); }

    fs::path folder;
    Scene scene;
    HandOverRequest request;
};

TEST_F(HandingOver, IsWhatADeliveryWouldMake) {
    const Result<HandOver> made = hand_over(request);
    ASSERT_TRUE(made.ok()) << made.problem().sentence();
    EXPECT_TRUE(made->held.empty()) << made->held.front();
    ASSERT_EQ(made->files.size(), 3U);
    EXPECT_EQ(made->files[0].deliverable, "model") << "before the clips that move it";
    // The same contents as the board has for a delivery into the project's folder.
    DeliveryRequest own = request.delivery;
    own.folder = folder / "own";
    const Result<DeliveryReport> delivered = deliver(own);
    ASSERT_TRUE(delivered.ok());
    ASSERT_EQ(delivered->arrivals.size(), 3U);
    for (size_t i = 0; i < 3; ++i) {
        EXPECT_EQ(made->files[i].content, delivered->arrivals[i].content);
        EXPECT_EQ(made->files[i].file_name, delivered->arrivals[i].files.front());
        EXPECT_EQ(made->files[i].bytes, fs::file_size(made->files[i].file));
    }
}

TEST_F(HandingOver, TheColourOfASpanGoesAlong) {
    scene.clips[0].colour = "#2F8A72";
    const Result<HandOver> made = hand_over(request);
    ASSERT_TRUE(made.ok()) << made.problem().sentence();
    ASSERT_EQ(made->files.size(), 3U);
    EXPECT_EQ(made->files[0].colour, "") << "a model has none";
    EXPECT_EQ(made->files[1].colour, "#2F8A72");
    LiveFile told;
    told.colour = made->files[1].colour;
    EXPECT_NE(file_message(told).find(R"("colour":"#2F8A72")"), std::string::npos);
    EXPECT_EQ(file_message({}).find("colour"), std::string::npos);
}

TEST_F(HandingOver, MakesOnlyWhatChanged) {
    const Result<HandOver> first = hand_over(request);
    ASSERT_TRUE(first.ok());
    for (const HandedFile& file : first->files) {
        request.has.insert(file.content);
    }
    request.delivery.folder = folder / "second";
    const Result<HandOver> again = hand_over(request);
    ASSERT_TRUE(again.ok());
    EXPECT_TRUE(again->files.empty());
    EXPECT_EQ(again->contents, first->contents) << "what the listener is to have is said all the same";
    scene.clips[1].name = "curtsey";
    request.delivery.folder = folder / "third";
    const Result<HandOver> changed = hand_over(request);
    ASSERT_TRUE(changed.ok());
    ASSERT_EQ(changed->files.size(), 1U);
    EXPECT_EQ(changed->files[0].deliverable, "clip:curtsey");
}

TEST_F(HandingOver, GoesInOnePieceAndUnpackedWhereverFilesWouldLie) {
    request.delivery.destination.container = "gltf";
    request.delivery.destination.format_options["glb"]["compression"] = "meshopt";
    request.delivery.destination.folder = "/nowhere/at/all/game";
    request.delivery.destination.longest_path = 10;
    request.delivery.destination.file_names = "^[a-z]{1,12}$";
    request.takes = {"model"};
    const Result<HandOver> made = hand_over(request);
    ASSERT_TRUE(made.ok()) << made.problem().sentence();
    ASSERT_EQ(made->files.size(), 1U) << "clips were not asked for";
    EXPECT_EQ(made->files[0].file.extension(), ".glb");
    EXPECT_FALSE(fs::exists("/nowhere"));
}

TEST_F(HandingOver, WhatHoldsADeliveryHoldsIt) {
    request.delivery.destination.joint_names = "^[a-z]$";
    const Result<HandOver> made = hand_over(request);
    ASSERT_TRUE(made.ok());
    EXPECT_TRUE(made->files.empty());
    ASSERT_EQ(made->held.size(), 3U);
    EXPECT_NE(made->held[0].find("model"), std::string::npos);
}

TEST_F(HandingOver, AnAnswerIsHeldAgainstTheVeryFile) {
    const Result<HandOver> made = hand_over(request);
    ASSERT_TRUE(made.ok());
    const Scene& model = *made->files[0].as_read;
    json answer = {{"bones", json::array()}, {"clips", json::array()}, {"shapes", 0}};
    const std::vector<Mat4> world = rest_world(model);
    for (const int joint : joints_of(model)) {
        const Vec3 at = world[static_cast<size_t>(joint)].block<3, 1>(0, 3);
        answer["bones"].push_back({at.x(), at.y(), at.z()});
    }
    const Bounds bounds = whole_bounds(model);
    answer["bounds"] = {{bounds.low.x(), bounds.low.y(), bounds.low.z()},
                        {bounds.high.x(), bounds.high.y(), bounds.high.z()}};
    const auto passes = [&](const json& said) {
        const std::vector<Claim> claims = claims_of_reader("page", model, said);
        return std::all_of(claims.begin(), claims.end(), [](const Claim& claim) { return claim.pass; });
    };
    EXPECT_EQ(claims_of_reader("page", model, answer).front().name, "page: joints");
    EXPECT_TRUE(passes(answer));
    json moved = answer;
    moved["bones"][1][1] = 1.01;
    EXPECT_FALSE(passes(moved)) << "a joint a centimetre elsewhere";
    json hundredfold = answer;
    for (json& corner : hundredfold["bounds"]) {
        for (json& value : corner) {
            value = value.get<double>() * 100;
        }
    }
    EXPECT_FALSE(passes(hundredfold)) << "an engine that takes another unit";
}

} // namespace
} // namespace wembrix::testing
