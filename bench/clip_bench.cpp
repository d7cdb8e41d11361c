// A take of 36 000 frames of 200 joints: baked, its energy and still places, poses searched through; beside one plain
// pass over the same number of joint transforms.
#include "core/measure/clips/baked.h"
#include "core/measure/clips/motion.h"
#include "core/measure/skeleton/pose_distance.h"
#include "core/retarget/retarget_clip.h"
#include "core/steps/step_kind.h"
#include "large_scene.h"
#include "tansy_scene.h"

#include <benchmark/benchmark.h>

namespace {

using namespace wembrix;

constexpr int frames = 36000;

const Scene& long_take() {
    static const Scene scene = [] { return bench::large_scene(frames, 1); }();
    return scene;
}

void clip_plain_pass_over_the_transforms(benchmark::State& state) {
    const size_t count = static_cast<size_t>(frames) * joints_of(long_take()).size();
    std::vector<Transform> from(count);
    std::vector<Transform> to(count);
    for (auto _ : state) {
        std::copy(from.begin(), from.end(), to.begin());
        benchmark::DoNotOptimize(to.data());
        benchmark::ClobberMemory();
    }
}
BENCHMARK(clip_plain_pass_over_the_transforms)->UseRealTime()->Unit(benchmark::kMillisecond);

void clip_bake(benchmark::State& state) {
    const Clip& clip = long_take().clips[0];
    for (auto _ : state) {
        // Half a frame aside, so that no key is only copied.
        benchmark::DoNotOptimize(bake_tracks(clip, clip.rate, 0.5 / clip.rate, frames).tracks.size());
    }
}
BENCHMARK(clip_bake)->UseRealTime()->Unit(benchmark::kMillisecond);

void clip_retarget(benchmark::State& state) {
    // Onto the same skeleton under the same names: the work is that of any other body.
    JointMap map;
    for (const int joint : joints_of(long_take())) {
        const std::string& name = long_take().nodes[static_cast<size_t>(joint)].name;
        map.pairs.push_back({{name}, {name}, map.pairs.empty() ? MapPair::Role::pelvis : MapPair::Role::none, "name"});
    }
    const Retargeter retargeter(long_take(), long_take(), map, {});
    for (auto _ : state) {
        benchmark::DoNotOptimize(retargeter.run(long_take().clips[0]).channels.size());
    }
}
BENCHMARK(clip_retarget)->UseRealTime()->Unit(benchmark::kMillisecond);

/// The demo's bird with its feet, which stand and are planted: twice a plain bake of the same, and retargeted.
const Scene& walked_take() {
    static const Scene scene = demo::tansy_market_take();
    return scene;
}
void clip_bake_of_a_bird(benchmark::State& state) {
    const Clip& clip = walked_take().clips[0];
    for (auto _ : state) {
        benchmark::DoNotOptimize(bake_tracks(clip, clip.rate, 0.5 / clip.rate, clip.frames()).tracks.size());
    }
}
BENCHMARK(clip_bake_of_a_bird)->UseRealTime()->Unit(benchmark::kMillisecond);

void clip_retarget_of_a_bird(benchmark::State& state) {
    RetargetOptions options;
    options.plant_feet = state.range(0) != 0;
    const Retargeter retargeter(walked_take(), walked_take(), propose_map(walked_take(), walked_take(), "itself"),
                                options);
    for (auto _ : state) {
        benchmark::DoNotOptimize(retargeter.run(walked_take().clips[0]).channels.size());
    }
}
BENCHMARK(clip_retarget_of_a_bird)->Arg(0)->Arg(1)->UseRealTime()->Unit(benchmark::kMillisecond);

/// One joint of the two hundred keyed on top of the whole take: what each edit by hand costs.
void clip_hand_keys_of_one_joint(benchmark::State& state) {
    const Scene& scene = long_take();
    const std::string joint = scene.nodes[static_cast<size_t>(joints_of(scene).back())].name;
    nlohmann::json keys = nlohmann::json::array();
    for (int k = 0; k < 100; ++k) {
        keys.push_back({{"frame", k * 300}, {"value", k % 7}});
    }
    const nlohmann::json parameters = {
        {"clip", scene.clips[0].name},
        {"keys", {{"curves", {{{"of", joint}, {"what", "rotation_x_deg"}, {"keys", keys}}}}}}};
    for ([[maybe_unused]] auto _ : state) {
        benchmark::DoNotOptimize(apply_step(scene, "hand_keys", parameters)->scene.clips[0].channels.size());
    }
}
BENCHMARK(clip_hand_keys_of_one_joint)->UseRealTime()->Unit(benchmark::kMillisecond);

void clip_energy_and_still_places(benchmark::State& state) {
    const Clip& clip = long_take().clips[0];
    for (auto _ : state) {
        const std::vector<float> energy = motion_energy(long_take(), clip, clip.rate);
        benchmark::DoNotOptimize(still_places(energy, still_threshold(energy), 15).size());
    }
}
BENCHMARK(clip_energy_and_still_places)->UseRealTime()->Unit(benchmark::kMillisecond);

void clip_table_of_poses(benchmark::State& state) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(PoseTable(long_take(), long_take().clips[0], 30).frames());
    }
}
BENCHMARK(clip_table_of_poses)->UseRealTime()->Unit(benchmark::kMillisecond);

void clip_search_of_one_pose(benchmark::State& state) {
    const PoseTable table(long_take(), long_take().clips[0], 30);
    std::vector<float> apart(static_cast<size_t>(table.frames()));
    int frame = 0;
    for (auto _ : state) {
        table.distances_from(frame, apart);
        frame = (frame + 977) % table.frames();
        benchmark::DoNotOptimize(apart.data());
    }
}
BENCHMARK(clip_search_of_one_pose)->UseRealTime()->Unit(benchmark::kMillisecond);

} // namespace
