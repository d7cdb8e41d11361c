// A clip goes out with all that it moves, in the hierarchy that moves it: lids and doors, attachment points, what hangs
// under an animated node that is no joint.
#include "core/delivery/arrival_check.h"
#include "core/destination/conform.h"
#include "core/measure/skeleton/pose.h"
#include "small_scenes.h"
#include "through_a_file.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace wembrix::testing {
namespace {

Node node_under(Scene& scene, const char* name, int parent, const Vec3& at) {
    Node node;
    node.name = name;
    node.parent = parent;
    node.rest.translation = at;
    node.identity = 3000 + static_cast<int64_t>(scene.nodes.size());
    return node;
}

int put(Scene& scene, const char* name, int parent, const Vec3& at, int mesh = -1) {
    Node node = node_under(scene, name, parent, at);
    node.mesh = mesh;
    scene.nodes.push_back(node);
    return static_cast<int>(scene.nodes.size()) - 1;
}

Channel moving(int node, const Vec3& from, const Vec3& to, double seconds) {
    Channel channel;
    channel.node = node;
    channel.path = Path::translation;
    channel.times = std::vector<float>{0, static_cast<float>(seconds)};
    std::vector<float> values;
    for (const Vec3& at : {from, to}) {
        for (int k = 0; k < 3; ++k) {
            values.push_back(static_cast<float>(at[k]));
        }
    }
    channel.values = std::move(values);
    return channel;
}

Channel turning(int node, double angle, double seconds) {
    Channel channel;
    channel.node = node;
    channel.path = Path::rotation;
    channel.width = 4;
    channel.times = std::vector<float>{0, static_cast<float>(seconds)};
    const Eigen::Vector4f end = Quat(Eigen::AngleAxisd(angle, Vec3::UnitZ())).coeffs().cast<float>();
    channel.values = std::vector<float>{0, 0, 0, 1, end[0], end[1], end[2], end[3]};
    return channel;
}

/// A tower on a cart that drives three metres, a chest whose lid turns, a point on the top joint that slides.
Scene cart() {
    Scene scene = tower({"root", "arm"});
    Mesh plate = scene.meshes[0];
    plate.name = "plate";
    scene.meshes.push_back(plate);
    const int wheels = put(scene, "cart", -1, Vec3(0, 0.5, 0));
    const int chest = put(scene, "chest", -1, Vec3(2, 0, 0), 1);
    put(scene, "lid", chest, Vec3(0, 1, 0), 1);
    put(scene, "knob", 1, Vec3(0, 0.2, 0));
    // The skeleton stands on the cart, which is no joint.
    std::vector<int> order = {wheels};
    for (int i = 0; i < static_cast<int>(scene.nodes.size()); ++i) {
        if (i != wheels) {
            order.push_back(i);
        }
    }
    scene.nodes[0].parent = wheels;
    reorder_nodes(scene, order);
    classify_nodes(scene);
    Clip& clip = add_nod(scene, "drive", scene.find_node("arm"), 0.5, true);
    clip.channels.push_back(moving(scene.find_node("cart"), Vec3(0, 0.5, 0), Vec3(3, 0.5, 0), clip.seconds));
    clip.channels.push_back(turning(scene.find_node("lid"), 1.2, clip.seconds));
    clip.channels.push_back(moving(scene.find_node("knob"), Vec3(0, 0.2, 0), Vec3(0, 0.6, 0), clip.seconds));
    return scene;
}

Vec3 place_of(const Scene& scene, const char* name, double seconds) {
    Pose pose;
    Poser(scene, scene.clips.data()).at(seconds, pose);
    return pose.world[static_cast<size_t>(scene.find_node(name))].topRightCorner<3, 1>();
}

Arrival checked(const Scene& prepared, const Scene& clip_file) {
    const Destination destination = any_destination();
    const Scene model = through_a_file(conform_model(prepared, destination).scene);
    Arrival arrival;
    check_clip(prepared, prepared.clips[0], clip_file, model, destination, arrival);
    return arrival;
}

TEST(ClipHierarchy, WhatTheClipMovesIsInItsFile) {
    const Scene prepared = cart();
    const Scene arrived = through_a_file(conform_clip(prepared, prepared.clips[0], any_destination()).scene);
    ASSERT_EQ(arrived.clips.size(), 1U);
    for (const char* name : {"cart", "root", "arm", "lid", "knob"}) {
        ASSERT_GE(arrived.find_node(name), 0) << name;
        for (const double at : {0.0, 0.5, 1.0}) {
            EXPECT_LT((place_of(arrived, name, at) - place_of(prepared, name, at)).norm(), 1e-5)
                << name << " at " << at;
        }
    }
    EXPECT_GE(arrived.find_node("chest"), 0) << "what the lid hangs on stands in the file, too";
    const Arrival arrival = checked(prepared, arrived);
    const auto drift = std::find_if(arrival.claims.begin(), arrival.claims.end(),
                                    [](const Claim& claim) { return claim.name == "Drift"; });
    ASSERT_NE(drift, arrival.claims.end());
    EXPECT_TRUE(drift->pass) << drift->detail;
    EXPECT_EQ(arrival.state, CellState::arrived) << arrival.reason;
}

TEST(ClipHierarchy, TheCheckUsesTheFilesOwnHierarchy) {
    const Scene prepared = cart();
    // The file loses the cart above the root: three metres of travel.
    Scene lost = conform_clip(prepared, prepared.clips[0], any_destination()).scene;
    lost.nodes[static_cast<size_t>(lost.find_node("root"))].parent = -1;
    const Arrival arrival = checked(prepared, through_a_file(lost));
    EXPECT_EQ(arrival.state, CellState::held);
    EXPECT_GT(arrival.drift.largest_mm, 2000);
    // The lid does not turn.
    Scene still = conform_clip(prepared, prepared.clips[0], any_destination()).scene;
    const int lid = still.find_node("lid");
    std::erase_if(still.clips[0].channels, [&](const Channel& channel) { return channel.node == lid; });
    EXPECT_EQ(checked(prepared, through_a_file(still)).state, CellState::held);
}

TEST(ClipHierarchy, AThingWithoutJointsMovesToo) {
    Scene door = cart();
    std::vector<int> order;
    for (const char* name : {"chest", "lid"}) {
        order.push_back(door.find_node(name));
    }
    reorder_nodes(door, order);
    door.skins.clear();
    classify_nodes(door);
    ASSERT_EQ(door.clips[0].channels.size(), 1U);
    const Scene arrived = through_a_file(conform_clip(door, door.clips[0], any_destination()).scene);
    const Arrival arrival = checked(door, arrived);
    const auto length = std::find_if(arrival.claims.begin(), arrival.claims.end(),
                                     [](const Claim& claim) { return claim.name == "Clip length"; });
    ASSERT_NE(length, arrival.claims.end());
    EXPECT_TRUE(length->pass) << length->detail;
    EXPECT_LT(arrival.drift.largest_mm, 0.01);
}

} // namespace
} // namespace wembrix::testing
