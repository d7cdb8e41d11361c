// A hundred thousand strands of sixteen points: grown, and carried along by the surface that they grow on; beside a
// plain copy of as many points.
#include "core/base/files.h"
#include "core/formats/usd/usd.h"
#include "core/measure/strands/grow.h"
#include "core/measure/strands/strand_deform.h"
#include "core/steps/step_kind.h"
#include "tansy_scene.h"

#include <benchmark/benchmark.h>
#include <filesystem>

namespace {

using namespace wembrix;

constexpr int strands = 100000;
constexpr int points = 16;

void strands_plain_copy_of_the_points(benchmark::State& state) {
    const std::vector<Vec3f> from(static_cast<size_t>(strands) * points, Vec3f(1, 2, 3));
    std::vector<Vec3f> to(from.size());
    for (auto _ : state) {
        std::copy(from.begin(), from.end(), to.begin());
        benchmark::DoNotOptimize(to.data());
        benchmark::ClobberMemory();
    }
}
BENCHMARK(strands_plain_copy_of_the_points)->UseRealTime()->Unit(benchmark::kMillisecond);

/// The demo's bird with its take, a region over her body and guides on it.
const Scene& furred() {
    static const Scene scene = [] {
        Scene made = demo::tansy_model();
        const std::string body = made.nodes[static_cast<size_t>(surfaces_of(made)[0])].name;
        for (const Step& step : {Step{"strand_region", {{"name", "fur"}, {"surface", body}}},
                                 Step{"strand_guides", {{"spread", 12}, {"length_mm", 5000}}},
                                 Step{"grow_strands", {{"count", strands}, {"points", points}, {"trimmed", false}}},
                                 Step{"bind_strands"}}) {
            made = apply_step(made, step)->scene;
        }
        return made;
    }();
    return scene;
}

void strands_grown(benchmark::State& state) {
    const Scene& scene = furred();
    const CurveSet& curves = scene.curve_sets[0];
    const StrandSurface surface(scene, curves.surface);
    const StrandGuides guides = {curves.guide_roots.get(), curves.guide_counts.get(), curves.guide_points.get()};
    Growth growth;
    growth.count = strands;
    growth.points = points;
    growth.clumps = state.range(0) != 0 ? 200 : 0;
    growth.clump = 0.6;
    growth.noise_m = state.range(0) != 0 ? 0.2 : 0;
    growth.trimmed = state.range(0) != 0;
    for (auto _ : state) {
        benchmark::DoNotOptimize(grow_strands(surface, curves.region.get(), guides, growth).points.data());
    }
}
BENCHMARK(strands_grown)->Arg(0)->Arg(1)->UseRealTime()->Unit(benchmark::kMillisecond);

/// One frame of a bake.
void strands_carried(benchmark::State& state) {
    Scene scene = furred();
    scene.curve_sets[0].follow = static_cast<StrandFollow>(state.range(0));
    StrandDeformer deformer(scene, static_cast<int>(scene.nodes.size()) - 1);
    const Poser poser(scene, nullptr);
    const Pose pose = poser.rest();
    std::vector<Vec3f> out(deformer.point_count());
    for (auto _ : state) {
        deformer.points(pose, out);
        benchmark::DoNotOptimize(out.data());
        benchmark::ClobberMemory();
    }
}
BENCHMARK(strands_carried)->DenseRange(1, 3)->UseRealTime()->Unit(benchmark::kMillisecond);

/// Ten frames of them as a crate: written to a file, and opened; beside the same bytes plainly.
const Scene& baked() {
    static const Scene scene = [] {
        constexpr int frames = 10;
        Scene made;
        CurveSet curves = furred().curve_sets[0];
        curves.surface = -1;
        curves.roots = {};
        PointCache cache;
        cache.name = "fur";
        cache.surface = 0;
        cache.frames = frames;
        std::vector<Vec3f> all;
        all.reserve(curves.points.size() * frames);
        for (int f = 0; f < frames; ++f) {
            for (const Vec3f& point : curves.points) {
                all.push_back(point + Vec3f(0, 0.001F * static_cast<float>(f), 0));
            }
        }
        cache.positions = std::move(all);
        Node node;
        node.name = "fur";
        node.kind = NodeKind::surface;
        node.curves = 0;
        made.nodes = {std::move(node)};
        made.curve_sets = {std::move(curves)};
        made.caches = {std::move(cache)};
        return made;
    }();
    return scene;
}
std::filesystem::path crate_file() {
    return std::filesystem::temp_directory_path() / "wembrix_bench.usdc";
}
void strands_crate_written(benchmark::State& state) {
    (void)baked();
    for (auto _ : state) {
        const auto files = write_usd(baked(), "fur", {}, false);
        benchmark::DoNotOptimize(write_file_whole(crate_file(), files->front().bytes).ok());
    }
}
BENCHMARK(strands_crate_written)->UseRealTime()->Unit(benchmark::kMillisecond);

/// The same as deliveries write it: frame by frame into the file.
void strands_crate_written_by_frames(benchmark::State& state) {
    Scene still = baked();
    const PointCache cache = still.caches[0];
    still.caches.clear();
    MovingPoints moving;
    moving.node = 0;
    moving.rate = cache.rate;
    moving.frames = cache.frames;
    const size_t points = cache.positions.size() / static_cast<size_t>(cache.frames);
    moving.at = [&](int frame, std::vector<Vec3f>& out, std::vector<Vec3f>&) -> Outcome {
        const auto first = cache.positions.begin() + static_cast<ptrdiff_t>(points * static_cast<size_t>(frame));
        out.assign(first, first + static_cast<ptrdiff_t>(points));
        return Done{};
    };
    for (auto _ : state) {
        std::filesystem::remove(crate_file());
        benchmark::DoNotOptimize(write_moving_usd(still, moving, crate_file(), {}).ok());
    }
}
BENCHMARK(strands_crate_written_by_frames)->UseRealTime()->Unit(benchmark::kMillisecond);

void strands_plain_write_of_the_crate(benchmark::State& state) {
    const std::string bytes = write_usd(baked(), "fur", {}, false)->front().bytes;
    for (auto _ : state) {
        benchmark::DoNotOptimize(write_file_whole(crate_file(), bytes).ok());
    }
}
BENCHMARK(strands_plain_write_of_the_crate)->UseRealTime()->Unit(benchmark::kMillisecond);

void strands_crate_opened(benchmark::State& state) {
    (void)write_file_whole(crate_file(), write_usd(baked(), "fur", {}, false)->front().bytes);
    for (auto _ : state) {
        benchmark::DoNotOptimize(read_usd(crate_file())->caches.size());
    }
}
BENCHMARK(strands_crate_opened)->UseRealTime()->Unit(benchmark::kMillisecond);

void strands_plain_read_of_the_crate(benchmark::State& state) {
    (void)write_file_whole(crate_file(), write_usd(baked(), "fur", {}, false)->front().bytes);
    for (auto _ : state) {
        benchmark::DoNotOptimize(read_file(crate_file())->size());
    }
    std::filesystem::remove(crate_file());
}
BENCHMARK(strands_plain_read_of_the_crate)->UseRealTime()->Unit(benchmark::kMillisecond);

} // namespace
