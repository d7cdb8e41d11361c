// A large character: opening, posing and skinning, each beside a yardstick of the same run.
#include "core/base/files.h"
#include "core/formats/format.h"
#include "core/formats/gltf/gltf.h"
#include "core/measure/surface/deform.h"
#include "large_scene.h"

#include <benchmark/benchmark.h>
#include <cstdlib>
#include <filesystem>
#include <tbb/global_control.h>

namespace {

using namespace wembrix;

/// The file lies where the run against another reader finds it, too.
const std::filesystem::path& file() {
    static const std::filesystem::path path = [] {
        const char* wanted = std::getenv("WEMBRIX_LARGE_FILE");
        const std::filesystem::path at =
            wanted != nullptr ? wanted : std::filesystem::temp_directory_path() / "wembrix_large.glb";
        if (!write_file_whole(at, write_glb(bench::large_scene(), "large")->front().bytes)) {
            std::abort();
        }
        return at;
    }();
    return path;
}

const Scene& large() {
    static const Scene scene = read_scene(file()).take();
    return scene;
}

void large_plain_read(benchmark::State& state) {
    const std::filesystem::path& path = file();
    for (auto _ : state) {
        benchmark::DoNotOptimize(read_file(path)->size());
    }
}
BENCHMARK(large_plain_read)->UseRealTime()->Unit(benchmark::kMillisecond);

void large_open(benchmark::State& state) {
    const std::filesystem::path& path = file();
    for (auto _ : state) {
        benchmark::DoNotOptimize(read_scene(path).ok());
    }
}
BENCHMARK(large_open)->UseRealTime()->Unit(benchmark::kMillisecond);

/// What skinning has to move: a place, four joints and weights, and the offset of its row in; a place out.
struct Moved {
    float in[3];
    uint16_t joints[4];
    float weights[4];
    uint32_t offset;
};

void large_copy_of_the_same_bytes(benchmark::State& state) {
    const size_t count = large().meshes[0].point_count();
    std::vector<Moved> from(count);
    std::vector<Moved> to(count);
    for (auto _ : state) {
        std::copy(from.begin(), from.end(), to.begin());
        benchmark::DoNotOptimize(to.data());
        benchmark::ClobberMemory();
    }
}
BENCHMARK(large_copy_of_the_same_bytes)->UseRealTime()->Unit(benchmark::kMicrosecond);

void large_pose(benchmark::State& state) {
    const Poser poser(large(), large().clips.data());
    Pose pose;
    double seconds = 0;
    for (auto _ : state) {
        poser.at(seconds, pose);
        seconds = seconds > 1.9 ? 0 : seconds + 1 / 30.0;
    }
}
BENCHMARK(large_pose)->UseRealTime()->Unit(benchmark::kMicrosecond);

void large_skin(benchmark::State& state) {
    const tbb::global_control threads(tbb::global_control::max_allowed_parallelism,
                                      static_cast<size_t>(state.range(0)));
    Deformer deformer(large());
    Pose pose;
    Poser(large(), large().clips.data()).at(1, pose);
    std::vector<Vec3f> points(deformer.point_count());
    for (auto _ : state) {
        deformer.points(pose, points);
        benchmark::DoNotOptimize(points.data());
    }
}
BENCHMARK(large_skin)->Arg(1)->Arg(2)->ArgName("threads")->UseRealTime()->Unit(benchmark::kMicrosecond);

} // namespace
