// A surface of twenty thousand vertices over three hundred frames, as textures and as points: made, written, and read
// back and held against what was prepared; beside a plain write of as many bytes.
#include "core/base/files.h"
#include "core/delivery/cache_textures.h"
#include "core/delivery/moving_file.h"

#include <benchmark/benchmark.h>
#include <filesystem>

namespace {

using namespace wembrix;

constexpr int across = 200;
constexpr int down = 100;
constexpr int cache_frames = 300;

/// A sheet under two joints, one of which waves.
const Scene& sheet() {
    static const Scene scene = [] {
        Scene made;
        std::vector<Vec3f> points;
        std::vector<uint32_t> indices;
        std::vector<uint32_t> offsets = {0};
        std::vector<uint16_t> joints;
        std::vector<float> weights;
        for (int y = 0; y < down; ++y) {
            for (int x = 0; x < across; ++x) {
                points.emplace_back(0.01F * static_cast<float>(x), 0.01F * static_cast<float>(y), 0);
                const float held = static_cast<float>(x) / across;
                joints.insert(joints.end(), {0, 1});
                weights.insert(weights.end(), {1 - held, held});
                offsets.push_back(static_cast<uint32_t>(joints.size()));
                if (x + 1 < across && y + 1 < down) {
                    const auto at = static_cast<uint32_t>(y * across + x);
                    indices.insert(indices.end(), {at, at + 1, at + across, at + 1, at + across + 1, at + across});
                }
            }
        }
        Mesh mesh;
        mesh.name = "sheet";
        mesh.normals = std::vector<Vec3f>(points.size(), Vec3f(0, 0, 1));
        Primitive part;
        part.point_count = static_cast<uint32_t>(points.size());
        part.index_count = static_cast<uint32_t>(indices.size());
        mesh.positions = std::move(points);
        mesh.indices = std::move(indices);
        mesh.primitives = {part};
        made.meshes = {std::move(mesh)};
        for (const char* name : {"root", "wave", "sheet"}) {
            Node node;
            node.name = name;
            node.identity = static_cast<int64_t>(made.nodes.size()) + 1;
            node.parent = made.nodes.size() == 1 ? 0 : -1;
            node.kind = made.nodes.size() < 2 ? NodeKind::joint : NodeKind::surface;
            made.nodes.push_back(std::move(node));
        }
        Node& surface = made.nodes[2];
        surface.mesh = 0;
        surface.skin = 0;
        surface.influences.offsets = std::move(offsets);
        surface.influences.joints = std::move(joints);
        surface.influences.weights = std::move(weights);
        Skin skin;
        skin.joints = {0, 1};
        skin.inverse_binds = {Mat4(Mat4::Identity()), Mat4(Mat4::Identity())};
        made.skins = {std::move(skin)};
        Clip clip;
        clip.name = "wave";
        clip.seconds = (cache_frames - 1) / 30.0;
        Channel channel;
        channel.node = 1;
        channel.path = Path::rotation;
        channel.width = 4;
        std::vector<float> times;
        std::vector<float> values;
        for (int f = 0; f < cache_frames; ++f) {
            const Quat turn(Eigen::AngleAxisd(std::sin(f * 0.1), Vec3::UnitX()));
            times.push_back(static_cast<float>(f / 30.0));
            for (int k = 0; k < 4; ++k) {
                values.push_back(static_cast<float>(turn.coeffs()[k]));
            }
        }
        channel.times = std::move(times);
        channel.values = std::move(values);
        clip.channels = {std::move(channel)};
        made.clips = {std::move(clip)};
        for (const CacheAs as : {CacheAs::points, CacheAs::textures}) {
            CacheOrder order;
            order.node = 2;
            order.clip = "wave";
            order.as = as;
            made.orders.push_back(order);
        }
        return made;
    }();
    return scene;
}
std::filesystem::path folder() {
    return std::filesystem::temp_directory_path() / "wembrix_cache_bench";
}
void emptied() {
    std::filesystem::remove_all(folder());
    std::filesystem::create_directories(folder());
}

void cache_as_textures(benchmark::State& state) {
    const MovingPart part = texture_parts(sheet()).front();
    const Destination destination = built_in_destinations().front();
    for (auto _ : state) {
        emptied();
        Arrival arrival;
        benchmark::DoNotOptimize(
            write_cache_textures(sheet(), part, destination, {}, folder() / "sheet", arrival).ok());
        state.counters["MB"] = static_cast<double>(arrival.bytes) / 1e6;
    }
}
BENCHMARK(cache_as_textures)->UseRealTime()->Unit(benchmark::kMillisecond);

void cache_as_points(benchmark::State& state) {
    const MovingPart part = cache_parts(sheet()).front();
    const Destination destination = built_in_destinations().front();
    for (auto _ : state) {
        emptied();
        Arrival arrival;
        benchmark::DoNotOptimize(write_part(sheet(), part, destination, {}, folder() / "sheet", arrival).ok());
        state.counters["MB"] = static_cast<double>(arrival.bytes) / 1e6;
    }
}
BENCHMARK(cache_as_points)->UseRealTime()->Unit(benchmark::kMillisecond);

void cache_of_points_checked(benchmark::State& state) {
    const MovingPart part = cache_parts(sheet()).front();
    const Destination destination = built_in_destinations().front();
    emptied();
    Arrival written;
    (void)write_part(sheet(), part, destination, {}, folder() / "sheet", written);
    for (auto _ : state) {
        Arrival arrival;
        benchmark::DoNotOptimize(
            check_part(sheet(), part, destination, {}, folder() / "sheet.usdc", nullptr, arrival).ok());
    }
}
BENCHMARK(cache_of_points_checked)->UseRealTime()->Unit(benchmark::kMillisecond);

void cache_plain_write_of_as_many_bytes(benchmark::State& state) {
    const std::string bytes(size_t{across} * down * cache_frames * 24, 'x');
    for (auto _ : state) {
        emptied();
        benchmark::DoNotOptimize(write_file_whole(folder() / "plain", bytes).ok());
    }
    std::filesystem::remove_all(folder());
}
BENCHMARK(cache_plain_write_of_as_many_bytes)->UseRealTime()->Unit(benchmark::kMillisecond);

} // namespace
