// A card of twelve steps on 200 joints, 20 clips of 300 frames and 100 000 points, beside one pass of skinning them
// all.
#include "core/job/replay.h"
#include "core/measure/surface/deform.h"
#include "large_scene.h"

#include <benchmark/benchmark.h>
#include <cstdlib>

namespace {

using namespace wembrix;

std::shared_ptr<const Scene> received() {
    static const auto scene = std::make_shared<const Scene>(bench::large_scene(300));
    return scene;
}

std::vector<Step> card(const std::string& last_name) {
    return {{"rotate", {{"degrees", 90}, {"about", "+Y"}}},
            {"scale", {{"factor", 0.9}}},
            {"ground"},
            {"bake_joint_scale"},
            {"make_root", {{"name", "root"}}},
            {"reparent_joints", {{"under", {{"joint_040", "joint_020"}}}}},
            {"insert_joint", {{"name", "between"}, {"under", "joint_020"}, {"above", {"joint_021"}}}},
            {"reorder_joints", {{"by", "name"}}},
            {"align_bone_axes"},
            {"normalize_weights"},
            {"rename_joints", {{"rules", {{{"find", "^joint_(.*)$"}, {"replace", "j$1"}}}}}},
            {"add_attachment", {{"name", last_name}, {"under", "j050"}}}};
}

Replay replayed(const std::string& last_name, const Replay* before) {
    Replay replay = before ? replay_again(*before, card(last_name)) : wembrix::replay(received(), card(last_name));
    if (!replay.problems().empty()) {
        std::abort();
    }
    return replay;
}

void card_yardstick_skin_all_frames(benchmark::State& state) {
    Deformer deformer(*received());
    std::vector<Vec3f> points(deformer.point_count());
    Pose pose;
    for (auto _ : state) {
        for (const Clip& clip : received()->clips) {
            const Poser poser(*received(), &clip);
            for (int f = 0; f < clip.frames(); ++f) {
                poser.at(f / clip.rate, pose);
                deformer.points(pose, points);
            }
        }
        benchmark::DoNotOptimize(points.data());
    }
}
BENCHMARK(card_yardstick_skin_all_frames)->UseRealTime()->Unit(benchmark::kMillisecond);

void card_replay(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(replayed("point", nullptr).outcomes.size());
    }
}
BENCHMARK(card_replay)->UseRealTime()->Unit(benchmark::kMillisecond);

void card_edit_the_last_step(benchmark::State& state) {
    const Replay before = replayed("point", nullptr);
    for (auto _ : state) {
        benchmark::DoNotOptimize(replayed("other_point", &before).outcomes.size());
    }
}
BENCHMARK(card_edit_the_last_step)->UseRealTime()->Unit(benchmark::kMillisecond);

void card_drift_all_frames(benchmark::State& state) {
    const Replay all = replayed("point", nullptr);
    for (auto _ : state) {
        benchmark::DoNotOptimize(
            measure_drift_all(*received(), all.prepared(), Matching::identity, all.moved()).largest_mm);
    }
}
BENCHMARK(card_drift_all_frames)->UseRealTime()->Unit(benchmark::kMillisecond);

} // namespace
