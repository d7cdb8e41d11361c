// One thing of a right clip's file is damaged: the arrival check fails for each, and names it.
#include "core/delivery/arrival_check.h"
#include "core/destination/conform.h"
#include "small_scenes.h"
#include "through_a_file.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <stdexcept>

namespace wembrix::testing {
namespace {

/// A walker with a shape that a clip moves and a point that slides in its hand.
Scene acting() {
    Scene scene = walker();
    const std::vector<Mat4> world = rest_world(scene);
    for (const char* leg : {"thigh_l", "foot_l", "thigh_r", "foot_r"}) { // bones, though no vertex follows them
        const int node = scene.find_node(leg);
        scene.skins[0].joints.push_back(node);
        scene.skins[0].inverse_binds.push_back(world[static_cast<size_t>(node)].inverse());
    }
    Mesh& mesh = scene.meshes[0];
    for (const char* name : {"smile", "blink"}) {
        MorphTarget shape;
        shape.name = name;
        shape.points = std::vector<uint32_t>{0, 4};
        shape.positions = std::vector<Vec3f>{{0.1F, 0, 0}, {0, name[0] == 's' ? 0.2F : 0.1F, 0}};
        mesh.shapes.push_back(shape);
    }
    Node point;
    point.name = "hand_point";
    point.parent = scene.find_node("neck");
    point.rest.translation = Vec3(0.1, 0.2, 0);
    point.identity = 4000;
    scene.nodes.push_back(point);
    Clip& clip = scene.clips[0];
    const auto key = [&](const char* node, Path path, int width, std::vector<float> values) {
        Channel channel;
        channel.node = scene.find_node(node);
        channel.path = path;
        channel.width = width;
        channel.times = std::vector<float>{0, static_cast<float>(clip.seconds)};
        channel.values = std::move(values);
        clip.channels.push_back(channel);
    };
    key("tower", Path::weights, 2, {0, 1, 1, 0});
    key("hand_point", Path::translation, 3, {0.1F, 0.2F, 0, 0.1F, 0.6F, 0});
    classify_nodes(scene);
    return scene;
}

Arrival checked_clip(const Scene& clip_file) {
    const Scene prepared = acting();
    Destination destination = any_destination();
    destination.root = "hips";
    destination.drift_limit_mm = 0.05;
    const Scene model = through_a_file(conform_model(prepared, destination).scene);
    Arrival arrival;
    check_clip(prepared, prepared.clips[0], clip_file, model, destination, arrival);
    return arrival;
}

Scene right_file() {
    const Scene prepared = acting();
    return through_a_file(conform_clip(prepared, prepared.clips[0], any_destination()).scene);
}

Channel& channel_of(Scene& scene, const char* node, Path path) {
    const int place = scene.find_node(node);
    for (Channel& channel : scene.clips[0].channels) {
        if (channel.node == place && channel.path == path) {
            return channel;
        }
    }
    throw std::logic_error(std::string("the clip has no such keys of ") + node);
}

void drop_channel(Scene& scene, const char* node, Path path) {
    const int place = scene.find_node(node);
    std::erase_if(scene.clips[0].channels,
                  [&](const Channel& channel) { return channel.node == place && channel.path == path; });
}

/// Every key holds what the one before it held.
void delay(Channel& channel) {
    std::vector<float>& values = channel.values.edit();
    std::rotate(values.rbegin(), values.rbegin() + channel.width, values.rend());
    std::copy_n(values.begin() + channel.width, channel.width, values.begin());
}

struct ClipDamage {
    const char* name;
    const char* claim;
    void (*damage)(Scene&);
};

void PrintTo(const ClipDamage& damage, std::ostream* out) {
    *out << damage.name;
}

const ClipDamage clip_damages[] = {
    {"shifted_by_one_frame", "Drift",
     [](Scene& s) {
         for (Channel& channel : s.clips[0].channels) {
             delay(channel);
         }
     }},
    {"one_joint_late_by_a_frame", "Motion of nodes", [](Scene& s) { delay(channel_of(s, "thigh_l", Path::rotation)); }},
    {"one_key_of_one_joint", "Motion of nodes",
     [](Scene& s) {
         std::vector<float>& v = channel_of(s, "thigh_r", Path::rotation).values.edit();
         const Quat turned = Quat(v[43], v[40], v[41], v[42]) * Quat(Eigen::AngleAxisd(0.01, Vec3::UnitX()));
         std::copy_n(turned.coeffs().cast<float>().eval().data(), 4, &v[40]);
     }},
    {"a_rotation_gone", "Drift", [](Scene& s) { drop_channel(s, "neck", Path::rotation); }},
    {"a_leaf_turned_at_one_frame", "Motion of nodes",
     [](Scene& s) {
         std::vector<float>& v = channel_of(s, "foot_l", Path::rotation).values.edit();
         const Quat turned = Quat(v[43], v[40], v[41], v[42]) * Quat(Eigen::AngleAxisd(0.001, Vec3::UnitY()));
         std::copy_n(turned.coeffs().cast<float>().eval().data(), 4, &v[40]);
     }},
    {"travel_gone", "Drift", [](Scene& s) { drop_channel(s, "hips", Path::translation); }},
    {"motion_of_the_point_gone", "Motion of nodes", [](Scene& s) { drop_channel(s, "hand_point", Path::translation); }},
    {"shape_weights_gone", "Shapes moved", [](Scene& s) { drop_channel(s, "tower", Path::weights); }},
    {"shape_weights_swapped", "Drift",
     [](Scene& s) {
         std::vector<float>& v = channel_of(s, "tower", Path::weights).values.edit();
         for (size_t i = 0; i + 1 < v.size(); i += 2) {
             std::swap(v[i], v[i + 1]);
         }
     }},
    {"a_joint_scaled", "Drift",
     [](Scene& s) {
         for (float& v : channel_of(s, "spine", Path::scale).values.edit()) {
             v = 1.01F;
         }
     }},
    {"another_name", "Clip length", [](Scene& s) { s.clips[0].name = "run"; }},
    {"a_frame_too_long", "Clip length",
     [](Scene& s) {
         for (Channel& channel : s.clips[0].channels) {
             std::vector<float>& times = channel.times.edit();
             times.push_back(times.back() + 1 / 30.0F);
             std::vector<float>& values = channel.values.edit();
             values.insert(values.end(), values.end() - channel.width, values.end());
         }
         s.clips[0].seconds += 1 / 30.0;
     }},
    {"no_clip", "Clip length", [](Scene& s) { s.clips.clear(); }},
    {"a_joint_renamed", "Joints, in order",
     [](Scene& s) { s.nodes[static_cast<size_t>(s.find_node("foot_l"))].name = "left_foot"; }},
    {"a_joint_under_another", "Joints, in order",
     [](Scene& s) { s.nodes[static_cast<size_t>(s.find_node("foot_l"))].parent = s.find_node("hips"); }},
    {"joints_reordered", "Joints, in order",
     [](Scene& s) {
         std::vector<int> order;
         for (size_t i = 0; i < s.nodes.size(); ++i) {
             order.push_back(static_cast<int>(i));
         }
         std::swap(order[static_cast<size_t>(s.find_node("thigh_l"))],
                   order[static_cast<size_t>(s.find_node("thigh_r"))]);
         reorder_nodes(s, sorted_order(s.nodes));
         reorder_nodes(s, order);
     }},
    {"a_rest_that_places_a_still_joint", "Drift",
     [](Scene& s) {
         drop_channel(s, "thigh_r", Path::translation);
         s.nodes[static_cast<size_t>(s.find_node("thigh_r"))].rest.translation.x() += 0.002;
     }},
};

TEST(ClipMutations, WhatIsNotDamagedArrives) {
    const Arrival arrival = checked_clip(right_file());
    EXPECT_EQ(arrival.state, CellState::arrived) << arrival.reason;
    EXPECT_EQ(checked_clip(through_a_file(right_file())).state, CellState::arrived);
    EXPECT_GT(arrival.drift.points_compared, 0U);
}

class ClipMutations : public ::testing::TestWithParam<ClipDamage> {};

TEST_P(ClipMutations, IsSeenAndNamed) {
    Scene arrived = right_file();
    GetParam().damage(arrived);
    const Arrival arrival = checked_clip(through_a_file(arrived));
    EXPECT_EQ(arrival.state, CellState::held);
    const auto claim = std::find_if(arrival.claims.begin(), arrival.claims.end(),
                                    [&](const Claim& one) { return one.name == GetParam().claim; });
    ASSERT_NE(claim, arrival.claims.end());
    EXPECT_FALSE(claim->pass);
    EXPECT_FALSE(claim->detail.empty());
}

INSTANTIATE_TEST_SUITE_P(All, ClipMutations, ::testing::ValuesIn(clip_damages),
                         [](const auto& one) { return std::string(one.param.name); });

} // namespace
} // namespace wembrix::testing
