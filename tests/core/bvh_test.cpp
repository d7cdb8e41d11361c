// BVH: read, written, read back, refused.
#include "core/delivery/delivery.h"
#include "core/formats/bvh/bvh.h"
#include "core/math/angles.h"
#include "core/math/axis_turns.h"
#include "core/measure/skeleton/pose.h"
#include "random_rig.h"
#include "small_scenes.h"

#include <algorithm>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <random>

namespace wembrix::testing {
namespace {

const char* const arm = R"(HIERARCHY
ROOT hips
{
  OFFSET 0 0 0
  CHANNELS 6 Xposition Yposition Zposition Zrotation Xrotation Yrotation
  JOINT upper arm
  {
    OFFSET 0 10 0
    CHANNELS 3 Yrotation Xrotation Zrotation
    End Site
    {
      OFFSET 0 5 0
    }
  }
}
MOTION
Frames: 3
Frame Time: 0.0333333
0 90 0 0 0 0 0 0 0
1 90 0 90 0 0 0 90 0
2 90 0 90 0 0 30 90 10
)";

Scene read(const std::string& text) {
    Result<Scene> scene = read_bvh_text(text, "arm");
    EXPECT_TRUE(scene.ok()) << (scene.ok() ? "" : scene.problem().sentence());
    return scene.ok() ? scene.take() : Scene();
}

std::string refused_text(const std::string& text) {
    const Result<Scene> scene = read_bvh_text(text, "arm");
    EXPECT_FALSE(scene.ok());
    return scene.ok() ? "" : scene.problem().sentence();
}

std::string with(std::string text, const std::string& what, const std::string& by) {
    const size_t at = text.find(what);
    EXPECT_NE(at, std::string::npos) << what;
    return text.replace(at, what.size(), by);
}

Vec3 position_in(const Scene& scene, const char* name, int frame) {
    Pose pose;
    Poser(scene, scene.clips.data()).at(frame / scene.clips[0].rate, pose);
    return pose.world[scene.find_node(name)].topRightCorner<3, 1>();
}

TEST(Bvh, JointsOffsetsChannelsAndTheRate) {
    const Scene scene = read(arm);
    ASSERT_EQ(scene.nodes.size(), 3U);
    EXPECT_EQ(scene.nodes[1].name, "upper arm");
    EXPECT_EQ(scene.nodes[2].name, "upper arm_end");
    ASSERT_EQ(scene.clips.size(), 1U);
    EXPECT_EQ(scene.clips[0].name, "arm");
    EXPECT_EQ(scene.clips[0].rate, 30) << "0.0333333 stands for a thirtieth";
    EXPECT_EQ(scene.clips[0].frames(), 3);
    EXPECT_LT((position_in(scene, "upper arm_end", 0) - Vec3(0, 105, 0)).norm(), 1e-9);
    // A quarter about Z lays the arm along -X; a quarter about its own X then turns the rest of it along +Z.
    EXPECT_LT((position_in(scene, "upper arm", 1) - Vec3(-9, 90, 0)).norm(), 1e-4);
    EXPECT_LT((position_in(scene, "upper arm_end", 1) - Vec3(-9, 90, 5)).norm(), 1e-4);
}

TEST(Bvh, FrameTimesStandForTheRateTheyWereRoundedFrom) {
    for (const auto& [text, rate] :
         {std::pair{"0.0333", 30.0}, std::pair{"0.033333", 30.0}, std::pair{"0.0333667", 29.97},
          std::pair{"0.00833333", 120.0}, std::pair{"0.0417083", 23.976}, std::pair{"0.041667", 24.0},
          std::pair{"0.02", 50.0}, std::pair{"0.1", 10.0}}) {
        const Scene scene = read(with(arm, "0.0333333", text));
        EXPECT_NEAR(scene.clips[0].rate, rate, rate * 2e-5) << text;
    }
}

TEST(Bvh, PlacesBesideAnOffsetAreToldByWhatTheyLieNear) {
    const std::string offset = with(arm, "OFFSET 0 0 0", "OFFSET 0 80 0");
    EXPECT_LT((position_in(read(offset), "hips", 0) - Vec3(0, 90, 0)).norm(), 1e-9) << "the place itself";
    const std::string added = with(offset, "0 90 0 0 0 0", "0 10 0 0 0 0");
    EXPECT_LT((position_in(read(added), "hips", 0) - Vec3(0, 90, 0)).norm(), 1e-9) << "added to the offset";
}

TEST(Bvh, AllSixOrdersOfTurns) {
    std::mt19937 random(7);
    for (const char* order : {"XYZ", "XZY", "YXZ", "YZX", "ZXY", "ZYX"}) {
        const RotationOrder axes = *rotation_order_from(order);
        Vec3 before = Vec3::Zero();
        for (int i = 0; i < 400; ++i) {
            Vec3 angles;
            for (int k = 0; k < 3; ++k) {
                angles[k] = (static_cast<double>(random() % 3601) / 10 - 180) * radians_per_degree;
            }
            angles[1] = i % 10 == 0 ? 90 * radians_per_degree : i % 10 == 5 ? -90 * radians_per_degree : angles[1];
            const Quat turn = turn_of(angles, axes);
            const Vec3 told = angles_of(turn, axes, before);
            EXPECT_LT(turn_of(told, axes).angularDistance(turn), 2e-6)
                << order << " " << angles.transpose() / radians_per_degree;
            before = told;
        }
        // In a file, too.
        std::string turns;
        for (const char* axis = order; *axis != 0; ++axis) {
            turns += fmt::format("{}rotation ", *axis);
        }
        const Scene scene = read(with(with(arm, "Yrotation Xrotation Zrotation", turns), "30 90 10", "30 50 10"));
        Pose pose;
        Poser(scene, scene.clips.data()).at(2 / 30.0, pose);
        const Quat wanted = turn_of(Vec3(30, 50, 10) * radians_per_degree, axes);
        EXPECT_LT(pose.local[1].rotation.angularDistance(wanted), 1e-6) << order;
    }
    EXPECT_FALSE(rotation_order_from("XXY"));
    EXPECT_FALSE(rotation_order_from("XY"));
    EXPECT_FALSE(rotation_order_from("ABC"));
}

TEST(Bvh, AMotionThroughTheUprightDoesNotLeap) {
    const RotationOrder axes = *rotation_order_from("ZXY");
    Vec3 before = Vec3::Zero();
    for (int i = 0; i <= 720; ++i) {
        const Vec3 told = angles_of(turn_of(Vec3(i, 0, 0) * radians_per_degree, axes), axes, before);
        EXPECT_LT((told - before).norm(), 1.01 * radians_per_degree) << i;
        before = told;
    }
    EXPECT_NEAR(before[0], 720 * radians_per_degree, 1e-9);
}

TEST(Bvh, WrittenAndReadBackEveryJointIsWhereItWas) {
    for (uint32_t seed = 1; seed <= share_of_seeds(12); ++seed) {
        RigOptions options = options_for(seed);
        options.two_roots = false;
        options.moving_scale = false;
        options.holders = Holders::none;
        Scene scene = random_rig(seed, options);
        for (Node& node : scene.nodes) {
            node.rest.scale = Vec3::Ones();
        }
        for (Clip& clip : scene.clips) {
            std::erase_if(clip.channels, [](const Channel& channel) { return channel.path == Path::scale; });
        }
        constexpr const char* orders[] = {"ZXY", "XYZ", "YZX"};
        const Result<std::vector<WrittenFile>> written =
            write_bvh(scene, "rig", {{"rotation_order", orders[seed % 3]}, {"decimals", 6 + seed % 4}});
        ASSERT_TRUE(written.ok()) << written.problem().sentence();
        const Scene back = read(written->front().bytes);
        EXPECT_EQ(joints_of(back).size(), joints_of(scene).size());
        ASSERT_EQ(back.clips.size(), 1U);
        EXPECT_EQ(back.clips[0].frames(), scene.clips[0].frames());
        Pose was;
        Pose is;
        double worst = 0;
        for (int f = 0; f < back.clips[0].frames(); ++f) {
            Poser(scene, scene.clips.data()).at(f / scene.clips[0].rate, was);
            Poser(back, back.clips.data()).at(f / back.clips[0].rate, is);
            for (const int joint : joints_of(scene)) {
                const int there = back.find_node(scene.nodes[joint].name);
                ASSERT_GE(there, 0) << scene.nodes[joint].name;
                worst = std::max(
                    worst, (was.world[joint].topRightCorner<3, 1>() - is.world[there].topRightCorner<3, 1>()).norm());
            }
        }
        EXPECT_LT(worst, 1e-4) << "seed " << seed;
    }
}

TEST(Bvh, ItsOptionsAreInTheFile) {
    const Scene scene = read(arm);
    const auto written = [&](const nlohmann::json& options) {
        EXPECT_FALSE(check_parameters(bvh_options(), options)) << options;
        return write_bvh(scene, "arm", options)->front().bytes;
    };
    EXPECT_EQ(written(nlohmann::json::object()), written({{"rotation_order", "ZXY"}, {"decimals", 6}}));
    EXPECT_NE(written({{"rotation_order", "YXZ"}}).find("Yrotation Xrotation Zrotation\n"), std::string::npos);
    EXPECT_NE(written({{"decimals", 3}}).find("OFFSET 0.000 10.000 0.000\n"), std::string::npos);
    EXPECT_LT(written({{"decimals", 3}}).size(), written({{"decimals", 9}}).size());
    for (const auto& [options, wrong] : {std::pair<nlohmann::json, const char*>{{{"decimals", 2}}, "between 3 and 9"},
                                         {{{"decimals", 4.5}}, "whole"},
                                         {{{"rotation_order", "XYX"}}, "neither"},
                                         {{{"frames", 3}}, "no parameter"}}) {
        const std::optional<Problem> problem = check_parameters(bvh_options(), options);
        ASSERT_TRUE(problem) << options;
        EXPECT_NE(problem->what.find(wrong), std::string::npos) << problem->what;
    }
}

TEST(Bvh, WhatItCannotHoldIsRefused) {
    Scene scene = tower({"a", "b"});
    scene.nodes[1].rest.scale = Vec3(2, 2, 2);
    EXPECT_NE(write_bvh(scene, "x").problem().sentence().find("scale"), std::string::npos);
    scene = tower({"a", "b"});
    scene.nodes[1].parent = -1;
    EXPECT_NE(write_bvh(scene, "x").problem().sentence().find("2 roots"), std::string::npos);
    EXPECT_FALSE(write_bvh(Scene(), "x").ok());
}

TEST(Bvh, BadFilesGetOneClearSentenceWithTheLine) {
    EXPECT_NE(refused_text(with(arm, "Frames: 3", "Frames: three")).find("no number of frames"), std::string::npos);
    EXPECT_NE(refused_text(std::string(arm) + "\nand more").find("behind the last of 3 frames"), std::string::npos);
    EXPECT_NE(refused_text(with(arm, "Frames: 3", "Frames: 0")).find("no number of frames"), std::string::npos);
    EXPECT_NE(refused_text(with(arm, "CHANNELS 6", "CHANNELS 7")).find("7 channels"), std::string::npos);
    EXPECT_NE(refused_text(with(arm, "CHANNELS 3", "CHANNELS 6")).find("no channel"), std::string::npos);
    EXPECT_NE(refused_text(with(arm, "Yrotation Xrotation", "Yrotation Yrotation")).find("twice"), std::string::npos);
    EXPECT_NE(refused_text(with(arm, "OFFSET 0 10 0", "OFFSET 0 ten 0")).find("line 8"), std::string::npos);
    EXPECT_NE(refused_text(with(arm, "0.0333333", "0")).find("frame time"), std::string::npos);
    EXPECT_NE(refused_text(with(arm, "JOINT", "BONE")).find("BONE"), std::string::npos);
    EXPECT_NE(refused_text("").find("HIERARCHY"), std::string::npos);
    EXPECT_NE(refused_text(std::string(arm).substr(0, 120)).find("ends"), std::string::npos);
    std::string deep = "HIERARCHY\nROOT r\n{\n";
    for (int i = 0; i < 30000; ++i) {
        deep += "JOINT j\n{\n";
    }
    EXPECT_NE(refused_text(deep).find("20000"), std::string::npos);
}

TEST(Bvh, OddSpacingAndLettersAreRead) {
    std::string odd;
    for (const char* c = arm; *c != 0; ++c) {
        odd += *c == '\n' ? std::string(" \t\r\n") : *c == ' ' ? std::string(" ") : std::string(1, *c);
    }
    EXPECT_EQ(read(odd).nodes.size(), 3U);
    std::string spaced = with(arm, "1 90 0 90 0 0 0 90 0", "1\t90   0\n90 0 0\n\n0 90 0");
    EXPECT_LT((position_in(read(spaced), "upper arm", 1) - Vec3(-9, 90, 0)).norm(), 1e-4);
    EXPECT_EQ(read(with(with(arm, "ROOT", "Root"), "MOTION", "Motion")).nodes.size(), 3U);
}

bool says(const Scene& scene, const std::string& words) {
    return std::any_of(scene.notes.begin(), scene.notes.end(),
                       [&](const Note& note) { return note.what.find(words) != std::string::npos; });
}

TEST(Bvh, HabitsOfManyProgramsAreRead) {
    // Numbers with commas, a mark before everything, labels spaced otherwise.
    std::string commas = arm;
    std::replace(commas.begin(), commas.end(), '.', ',');
    const Scene with_commas = read("\xEF\xBB\xBF" + commas);
    EXPECT_DOUBLE_EQ(with_commas.clips[0].rate, 30);
    EXPECT_TRUE(says(with_commas, "written with commas"));
    EXPECT_EQ(read(with(with(arm, "Frames: 3", "Frames:3"), "Frame Time: ", "Frame Time :")).clips[0].frames(), 3);
    // More or fewer frames than are said, and values that are no numbers.
    const Scene fewer = read(with(arm, "Frames: 3", "Frames: 4000000"));
    EXPECT_EQ(fewer.clips[0].frames(), 3);
    EXPECT_TRUE(says(fewer, "3999997 frames more than it holds"));
    const Scene more = read(with(arm, "Frames: 3", "Frames: 2"));
    EXPECT_EQ(more.clips[0].frames(), 2);
    EXPECT_TRUE(says(more, "behind its last frame"));
    for (const char* broken : {"nan", "-1.#IND", "1.#QNAN"}) {
        const Scene held = read(with(arm, "1 90 0 90", fmt::format("1 {} 0 90", broken)));
        EXPECT_LT((position_in(held, "hips", 1) - Vec3(1, 90, 0)).norm(), 1e-4) << "as in the frame before";
        EXPECT_TRUE(says(held, "1 value is no numbers")) << broken;
    }
    // An end with a name and channels of its own that are none; a joint that turns about two axes.
    EXPECT_EQ(read(with(arm, "End Site\n", "End Site hand_tip\n")).nodes.size(), 3U);
    std::string two = with(arm, "CHANNELS 3 Yrotation Xrotation Zrotation", "CHANNELS 2 Yrotation Xrotation");
    for (const char* row : {"0 90 0 0 0 0 0 0 0", "1 90 0 90 0 0 0 90 0", "2 90 0 90 0 0 30 90 10"}) {
        const std::string whole = row;
        two = with(two, whole, whole.substr(0, whole.rfind(' ')));
    }
    const Scene turned = read(two);
    EXPECT_EQ(turned.clips[0].frames(), 3);
    EXPECT_FALSE(says(turned, "behind"));
    EXPECT_EQ(turned.clips[0].channels.size(), 3U);
}

TEST(Bvh, SeveralFiguresInOneFileAreSeveralRoots) {
    const Scene scene = read(with(arm, "MOTION", "ROOT lamp\n{\nOFFSET 5 0 0\nCHANNELS 0\n}\nMOTION"));
    EXPECT_EQ(root_joints(scene).size(), 2U);
    EXPECT_EQ(scene.nodes.back().name, "lamp");
    EXPECT_LT((position_in(scene, "upper arm", 1) - Vec3(-9, 90, 0)).norm(), 1e-4)
        << "the first one's motion is its own";
}

TEST(Bvh, PositionsThatBeginInACrouchAreWhereTheRootIs) {
    std::string text = with(arm, "OFFSET 0 0 0", "OFFSET 0 90 0");
    text = with(text, "0 90 0 0 0 0 0 0 0", "0 40 0 0 0 0 0 0 0"); // it stands at 90 later
    const Scene scene = read(text);
    EXPECT_NEAR(position_in(scene, "hips", 0).y(), 40, 1e-4);
    EXPECT_NEAR(position_in(scene, "hips", 1).y(), 90, 1e-4);
    EXPECT_FALSE(says(scene, "OFFSET"));
}

TEST(Bvh, PositionsThatAreAddedToTheOffsetAre) {
    std::string text = with(arm, "OFFSET 0 0 0", "OFFSET 0 90 0");
    text = with(text, "0 90 0 0 0 0 0 0 0", "0 -50 0 0 0 0 0 0 0");
    text = with(text, "1 90 0 90", "1 0 0 90");
    text = with(text, "2 90 0 90", "2 0 0 90");
    const Scene scene = read(text);
    EXPECT_NEAR(position_in(scene, "hips", 0).y(), 40, 1e-4);
    EXPECT_NEAR(position_in(scene, "hips", 1).y(), 90, 1e-4);
}

TEST(Bvh, WhereTheTakeDoesNotTellItIsSaidWhatIsAssumed) {
    std::string text = with(arm, "OFFSET 0 0 0", "OFFSET 0 90 0");
    for (const char* frame : {"0 90 0 0", "1 90 0 90", "2 90 0 90"}) {
        const std::string crouched = std::string(frame).replace(2, 2, "45");
        text = with(text, frame, crouched);
    }
    EXPECT_TRUE(says(read(text), "OFFSET")) << "neither near 90 nor near 0 at any time";
}

TEST(Bvh, BonesTellOfTheRootToo) {
    // The arm has positions of its own, which keep its length only when they are taken as they are.
    std::string text = with(arm, "OFFSET 0 0 0", "OFFSET 0 90 0");
    text = with(text, "CHANNELS 3 Yrotation", "CHANNELS 6 Xposition Yposition Zposition Yrotation");
    text = with(text, "0 90 0 0 0 0 0 0 0", "0 45 0 0 0 0 0 10 0 0 0 0");
    text = with(text, "1 90 0 90 0 0 0 90 0", "1 45 0 90 0 0 10 0 0 0 90 0");
    text = with(text, "2 90 0 90 0 0 30 90 10", "2 45 0 90 0 0 0 10 0 30 90 10");
    const Scene scene = read(text);
    EXPECT_NEAR(position_in(scene, "hips", 0).y(), 45, 1e-4);
    EXPECT_FALSE(says(scene, "OFFSET"));
}

TEST(Bvh, NamesOfOneByteALetterBecomeUtf8AndAreWritten) {
    const Scene scene = read(with(arm, "upper arm", "Schl\xFCssel"));
    EXPECT_GE(scene.find_node("Schlüssel"), 0);
    EXPECT_TRUE(says(scene, "Latin-1"));
    EXPECT_TRUE(write_bvh(scene, "again").ok());
    EXPECT_GE(read(with(arm, "upper arm", "Schlüssel")).find_node("Schlüssel"), 0);
    EXPECT_FALSE(says(read(with(arm, "upper arm", "Schlüssel")), "Latin-1"));
}

TEST(BvhDelivery, IsInTheAxesAndTheUnitOfTheDestination) {
    Scene scene = tower({"root", "a", "b"});
    add_nod(scene, "nod", 1, 0.4, true);
    DeliveryRequest request;
    request.prepared = &scene;
    request.destination = built_in_destinations()[0]; // Z up, -Y ahead, centimetres
    request.destination.container = "bvh";
    request.job_name = "tower";
    request.folder = std::filesystem::temp_directory_path() / "wembrix_bvh_axes";
    std::filesystem::remove_all(request.folder);
    const Result<DeliveryReport> report = deliver(request);
    ASSERT_TRUE(report.ok());
    for (const Arrival& arrival : report->arrivals) {
        EXPECT_NE(arrival.state, CellState::held) << arrival.reason;
    }
    const Result<Scene> raw = read_bvh(request.folder / "tower_nod.bvh");
    ASSERT_TRUE(raw.ok());
    ASSERT_EQ(raw->clips.size(), 1U);
    Pose pose;
    Poser(*raw, &raw->clips[0]).at(0, pose);
    EXPECT_LT((point_of(pose.world[1], Vec3::Zero()) - Vec3(0, 0, 100)).norm(), 1e-3) << pose.world[1];
    std::filesystem::remove_all(request.folder);
}

} // namespace
} // namespace wembrix::testing
