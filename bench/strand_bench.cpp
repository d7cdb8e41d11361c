// A hundred thousand strands of sixteen points: grown, and carried along by the surface that they grow on; beside a
// plain copy of as many points.
#include "core/measure/strands/grow.h"
#include "core/measure/strands/strand_deform.h"
#include "core/steps/step_kind.h"
#include "tansy_scene.h"

#include <benchmark/benchmark.h>

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
    const Guides guides = {curves.guide_roots.get(), curves.guide_counts.get(), curves.guide_points.get()};
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

} // namespace
