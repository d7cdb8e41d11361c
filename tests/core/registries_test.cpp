// Formats and kinds of deliverables: all that is known of them stands in their rows.
#include "core/base/files.h"
#include "core/delivery/delivery.h"
#include "core/delivery/handover.h"
#include "core/destination/file_space.h"
#include "core/formats/format.h"
#include "core/measure/scene/drift.h"
#include "random_rig.h"
#include "small_scenes.h"

#include <fmt/format.h>
#include <gtest/gtest.h>
#include <set>

namespace wembrix::testing {
namespace {

TEST(Formats, EveryRowIsCompleteAndWritesNoMoreThanItReads) {
    std::set<std::string_view> ids;
    for (const Format& format : formats()) {
        EXPECT_TRUE(ids.insert(format.id).second) << format.id;
        ASSERT_FALSE(format.suffixes.empty()) << format.id;
        EXPECT_EQ(format.suffix().front(), '.') << format.id;
        EXPECT_NE(format.read, nullptr) << format.id;
        EXPECT_EQ(format.is_read_only(), format.writes == 0) << format.id;
        EXPECT_EQ(format.reads & format.writes, format.writes) << format.id << ": what is written is read back";
        EXPECT_EQ(format_with_id(format.id), &format);
    }
    EXPECT_EQ(format_of_file("walk.GLB"), format_with_id("glb"));
    EXPECT_EQ(format_of_file("walk.txt"), nullptr);
    EXPECT_EQ(what_is_read(), "Wembrix reads .glb, .gltf, .usdc, .usd, .usda, .dae, .bvh and .obj.");
    EXPECT_NE(read_scene("walk.txt").problem().sentence().find(what_is_read()), std::string::npos);
}

TEST(Formats, WhatAContainerCannotHoldIsNotPlanned) {
    Scene scene = tower({"root", "arm"});
    add_nod(scene, "nod", 1, 0.5, true);
    CacheOrder shapes;
    shapes.node = scene.find_node("tower");
    shapes.clip = "nod";
    shapes.as = CacheAs::shapes;
    scene.orders = {shapes};
    add_nod(scene, "stance", 1, 0.1, false, 2);
    scene.materials.emplace_back().name = "slate";
    scene.meshes[0].primitives[0].material = 0;
    scene.hulls.emplace_back();
    scene.hulls[0].kind = Hull::Kind::box;
    scene.hulls[0].half_size = {1, 1, 1};
    Node& hull = scene.nodes.emplace_back();
    hull.name = "hull";
    hull.hull = 0;
    hull.kind = NodeKind::hull;
    hull.identity = 900;
    Destination destination = built_in_destinations().front();
    for (const FileKind& kind : file_kinds()) {
        destination.deliverables.emplace_back(kind.id);
    }
    for (const Format& format : formats()) {
        destination.container = format.id;
        const Result<std::vector<Deliverable>> plan = plan_deliverables(scene, destination, "tower");
        if (format.is_read_only()) {
            EXPECT_FALSE(plan.ok()) << format.id << ": refused with a sentence";
            continue;
        }
        ASSERT_TRUE(plan.ok());
        for (const DeliverableKind& kind : deliverable_kinds()) {
            const bool planned =
                std::any_of(plan->begin(), plan->end(), [&](const Deliverable& one) { return one.kind == &kind; });
            // Of kinds with a container of their own there is nothing in this scene.
            EXPECT_EQ(planned, kind.make == nullptr && has_all(format.writes, kind.needs))
                << format.id << " " << kind.id;
        }
    }
}

TEST(DeliverableKinds, IdsNameTheKindAndTheThing) {
    const Deliverable clip{&clip_kind(), "wade: slow", "x"};
    EXPECT_EQ(clip.id(), "clip:wade: slow");
    EXPECT_EQ(kind_of_deliverable(clip.id()), &clip_kind());
    EXPECT_EQ(name_in_id(clip.id()), "wade: slow");
    EXPECT_EQ(kind_of_deliverable("model"), &model_kind());
    EXPECT_EQ(name_in_id("model"), "");
    EXPECT_EQ(kind_of_deliverable("sculpture"), nullptr);
    for (const DeliverableKind& kind : deliverable_kinds()) {
        EXPECT_TRUE(kind.plan != nullptr && kind.content != nullptr && kind.facts != nullptr && kind.size != nullptr)
            << kind.id;
        EXPECT_EQ(kind.conform != nullptr && kind.check != nullptr, kind.make == nullptr) << kind.id;
        EXPECT_EQ(kind.make == nullptr, kind.check_file == nullptr) << kind.id;
        EXPECT_EQ(kind.manifest_list.empty(), kind.manifest_row == nullptr) << kind.id;
    }
}

TEST(FileSpace, ThereAndBackMovesNothing) {
    AxisSystem space;
    space.up = Axis::pos_z;
    space.forward = Axis::neg_y;
    space.unit_m = 0.01;
    for (uint32_t seed = 1; seed <= share_of_seeds(20); ++seed) {
        const Scene scene = random_rig(seed, options_for(seed));
        const Scene there = to_space(scene, space);
        const Scene back = from_space(there, space);
        const Drift drift = measure_drift_all(scene, back, Matching::identity, Mat4::Identity());
        EXPECT_LE(drift.largest_mm, allowed_mm(scene)) << "seed " << seed << " at " << drift.place;
        EXPECT_GT(drift.points_compared, 0U);
        // As a step is measured: the whole is where the system says.
        const Drift moved = measure_drift_all(scene, there, Matching::identity, space.from_core());
        EXPECT_LE(moved.largest_mm, allowed_mm(there)) << "seed " << seed << " at " << moved.place;
    }
}

TEST(FileSpace, StandardFormatsKeepCoresOwn) {
    Destination destination = built_in_destinations().front();
    destination.axes.handedness = Handedness::left;
    for (const Format& format : formats()) {
        EXPECT_EQ(file_space(format, destination).is_core(), format.space == FileSpace::standard) << format.id;
    }
    Format free = formats().front();
    free.space = FileSpace::destination;
    EXPECT_EQ(file_space(free, destination).up, destination.axes.up);
    EXPECT_EQ(file_space(free, destination).handedness, Handedness::right);
}

TEST(FileSpace, AFileThatSaysItsAxesIsReadByThemAndTheWayForwardByTheDestination) {
    Scene scene = random_rig(4, options_for(4));
    scene.clips.resize(1);
    const std::filesystem::path folder =
        std::filesystem::temp_directory_path() / fmt::format("wembrix_axes_{}", ::getpid());
    std::filesystem::create_directories(folder);
    Destination destination = built_in_destinations().front();
    for (const Format& format : formats()) {
        for (const auto& [up, forward] : {std::pair(Axis::pos_z, Axis::neg_y), std::pair(Axis::pos_z, Axis::pos_x),
                                          std::pair(Axis::pos_y, Axis::neg_z), std::pair(Axis::pos_y, Axis::pos_x)}) {
            if (format.space != FileSpace::stated) {
                continue;
            }
            destination.axes = {up, forward, 0.01, Handedness::right};
            const AxisSystem space = file_space(format, destination);
            const Result<std::vector<WrittenFile>> files = format.write(to_space(scene, space), "rig", {}, space);
            ASSERT_TRUE(files.ok()) << files.problem().sentence();
            const std::filesystem::path file = folder / files->front().name;
            ASSERT_TRUE(write_file_whole(file, files->front().bytes).ok());
            const Result<Scene> read = read_delivered(format, file, destination);
            ASSERT_TRUE(read.ok()) << read.problem().sentence();
            const Drift drift = measure_drift_all(scene, *read, Matching::name, Mat4::Identity());
            EXPECT_LE(drift.largest_mm, allowed_mm(scene) * 10) << format.id << " at " << drift.place;
            EXPECT_GT(drift.points_compared, 0U);
        }
    }
    std::filesystem::remove_all(folder);
}

TEST(Handedness, ALeftHandedEngineShowsTheSideTheOtherWay) {
    Destination destination;
    destination.name = "left";
    destination.axes = {Axis::pos_y, Axis::pos_z, 1, Handedness::right};
    EXPECT_EQ(destination.axis_here(Axis::pos_x), "+X");
    destination.axes.handedness = Handedness::left;
    EXPECT_EQ(destination.axis_here(Axis::pos_x), "-X");
    EXPECT_EQ(destination.axis_here(Axis::pos_z), "+Z");
    EXPECT_LT(linear_of(destination.axes.from_core()).determinant(), 0);
    const Result<Destination> back = destination_from_json(destination_to_json(destination), "file");
    ASSERT_TRUE(back.ok());
    EXPECT_EQ(back->axes.handedness, Handedness::left);
    nlohmann::json json = destination_to_json(destination);
    json["handedness"] = "both";
    EXPECT_FALSE(destination_from_json(json, "file").ok());
}

} // namespace
} // namespace wembrix::testing
