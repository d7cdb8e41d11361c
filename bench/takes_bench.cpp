// A thousand takes of 300 frames through one card, on one core and on two; and how much memory they hold at most.
#include "core/base/files.h"
#include "core/destination/conform.h"
#include "core/formats/format.h"
#include "core/job/takes_run.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "tansy_scene.h"

#include <benchmark/benchmark.h>
#include <cstdlib>
#include <filesystem>
#include <fmt/format.h>
#include <fstream>
#include <string>
#include <tbb/global_control.h>
#include <unistd.h>

namespace {

using namespace wembrix;
namespace fs = std::filesystem;

/// Thirty parts of Tansy's capture, 300 frames each, and as many links to each as make `count` takes.
fs::path takes_of(size_t count) {
    const fs::path folder = fs::temp_directory_path() / fmt::format("wembrix_bench_{}", ::getpid());
    const fs::path takes = folder / std::to_string(count);
    if (fs::exists(takes)) {
        return takes;
    }
    fs::create_directories(takes);
    const Scene capture = demo::tansy_market_take();
    constexpr size_t parts = 30;
    for (size_t i = 0; i < count; ++i) {
        const fs::path file = takes / fmt::format("take_{:04}.glb", i);
        if (i >= parts) {
            fs::create_hard_link(takes / fmt::format("take_{:04}.glb", i % parts), file);
            continue;
        }
        const int first = static_cast<int>(i) * 20;
        const Result<StepResult> cut =
            apply_step(capture, {"split_take",
                                 {{"take", capture.clips[0].name},
                                  {"clips", {{{"name", "part"}, {"start", first}, {"end", first + 299}}}}}});
        if (!cut) {
            fmt::print(stderr, "{}\n", cut.problem().sentence());
            std::abort();
        }
        Scene part = cut->scene;
        part.clips[0] = bake_clip(part, part.clips[0], 30);
        const Result<std::vector<WrittenFile>> written = format_with_id("glb")->write(part, "part", {}, {});
        if (!written) {
            fmt::print(stderr, "{}\n", written.problem().sentence());
            std::abort();
        }
        if (!write_file_whole(file, written->front().bytes)) {
            std::abort();
        }
    }
    return takes;
}

/// The most memory this process has held since it was last asked, MB.
double peak_mb() {
    std::ifstream status("/proc/self/status");
    double peak = 0;
    for (std::string line; std::getline(status, line);) {
        if (line.rfind("VmHWM:", 0) == 0) {
            peak = std::atof(line.c_str() + 6) / 1024;
        }
    }
    std::ofstream("/proc/self/clear_refs") << "5";
    return peak;
}

void takes_through_one_card(benchmark::State& state) {
    const auto count = static_cast<size_t>(state.range(0));
    const tbb::global_control limit(tbb::global_control::max_allowed_parallelism, static_cast<size_t>(state.range(1)));
    TakesRequest request;
    Scene model = demo::tansy_model();
    for (size_t i = 0; i < model.nodes.size(); ++i) {
        model.nodes[i].identity = static_cast<int64_t>(i) + 1;
    }
    request.model = std::make_shared<const Scene>(model);
    request.steps = {{"leave_behind", {{"kinds", {"camera", "light"}}, {"names", {"set_floor", "*ik_world"}}}},
                     {"strip_prefix"},
                     {"bake_parent_transforms"},
                     {"scale", {{"factor", 0.01}}},
                     {"make_root", {{"name", "root"}}},
                     {"bake", {{"rate", 30}}}};
    request.destination = built_in_destinations()[0];
    request.destination.joint_names = "^.*$";
    request.job_name = "tansy";
    request.takes = *takes_in(takes_of(count));
    request.folder = takes_of(count).parent_path() / "out";
    peak_mb();
    for (auto _ : state) {
        const Result<TakesReport> report = deliver_takes(request);
        if (!report || !report->all_arrived()) {
            fmt::print(stderr, "{}\n", report ? report->rows[0].arrival.reason : report.problem().sentence());
            std::abort();
        }
    }
    state.counters["peak_MB"] = peak_mb();
    state.counters["takes_a_second"] =
        benchmark::Counter(static_cast<double>(count), benchmark::Counter::kIsIterationInvariantRate);
    fs::remove_all(request.folder);
}
// Named by takes and cores. The folder of takes stays until the next start of the machine.
BENCHMARK(takes_through_one_card)
    ->Args({100, 1})
    ->Args({100, 2})
    ->Args({1000, 1})
    ->Args({1000, 2})
    ->Iterations(1)
    ->UseRealTime()
    ->Unit(benchmark::kSecond);

} // namespace
