// Core's inner loops, each beside a yardstick of the same run: a plain copy of the same bytes.
#include "core/formats/gltf/gltf.h"
#include "core/job/job.h"
#include "core/job/replay.h"
#include "core/measure/scene/drift.h"
#include "tansy_scene.h"

#include <algorithm>
#include <benchmark/benchmark.h>

namespace {

using namespace wembrix;

const Scene& tansy() {
    static const Scene scene = [] {
        Scene model = read_gltf_bytes(write_glb(demo::tansy_model(), "tansy")->front().bytes, {}, "tansy").take();
        Scene take = demo::tansy_market_take();
        for (Channel& channel : take.clips[0].channels) {
            channel.node = model.find_node(take.nodes[channel.node].name);
        }
        model.clips = take.clips;
        return model;
    }();
    return scene;
}

void copy_of_the_points(benchmark::State& state) {
    std::vector<Vec3f> from(Deformer(tansy()).point_count());
    std::vector<Vec3f> to(from.size());
    for (auto _ : state) {
        std::copy(from.begin(), from.end(), to.begin());
        benchmark::DoNotOptimize(to.data());
        benchmark::ClobberMemory();
    }
}
BENCHMARK(copy_of_the_points)->UseRealTime();

void pose_of_one_frame(benchmark::State& state) {
    const Poser poser(tansy(), tansy().clips.data());
    Pose pose;
    double seconds = 0;
    for (auto _ : state) {
        poser.at(seconds, pose);
        seconds = seconds > 29 ? 0 : seconds + 1 / 30.0;
    }
}
BENCHMARK(pose_of_one_frame)->UseRealTime();

void skin_of_one_frame(benchmark::State& state) {
    Deformer deformer(tansy());
    Pose pose;
    Poser(tansy(), tansy().clips.data()).at(10, pose);
    std::vector<Vec3f> points(deformer.point_count());
    for (auto _ : state) {
        deformer.points(pose, points);
        benchmark::DoNotOptimize(points.data());
    }
}
BENCHMARK(skin_of_one_frame)->UseRealTime();

void skin_of_all_frames(benchmark::State& state) {
    Deformer deformer(tansy());
    const Poser poser(tansy(), tansy().clips.data());
    Pose pose;
    std::vector<Vec3f> points(deformer.point_count());
    for (auto _ : state) {
        for (int frame = 0; frame < 900; ++frame) {
            poser.at(frame / 30.0, pose);
            deformer.points(pose, points);
        }
    }
}
BENCHMARK(skin_of_all_frames)->UseRealTime()->Unit(benchmark::kMillisecond);

void drift_over_all_frames(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(measure_drift_all(tansy(), tansy(), Matching::name, Mat4::Identity()).largest_mm);
    }
}
BENCHMARK(drift_over_all_frames)->UseRealTime()->Unit(benchmark::kMillisecond);

void read_of_the_model(benchmark::State& state) {
    const std::string bytes = write_glb(demo::tansy_model(), "tansy")->front().bytes;
    for (auto _ : state) {
        benchmark::DoNotOptimize(read_gltf_bytes(bytes, {}, "tansy").ok());
    }
}
BENCHMARK(read_of_the_model)->UseRealTime()->Unit(benchmark::kMillisecond);

void replay_of_the_mending_card(benchmark::State& state) {
    const auto received = std::make_shared<const Scene>(tansy());
    const std::vector<Step> card = {
        {"strip_prefix"}, {"bake_parent_transforms"}, {"scale", {{"factor", 0.01}}}, {"make_root"}};
    for (auto _ : state) {
        benchmark::DoNotOptimize(replay(received, card).outcomes.size());
    }
}
BENCHMARK(replay_of_the_mending_card)->UseRealTime()->Unit(benchmark::kMillisecond);

} // namespace
