// Weights, shapes, tangents and OBJ at size, each beside a yardstick of the same run.
#include "core/base/files.h"
#include "core/formats/obj/obj.h"
#include "core/measure/surface/deform.h"
#include "core/measure/surface/tangent_space.h"
#include "core/measure/surface/weight_rows.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/shape_list.h"

#include <benchmark/benchmark.h>
#include <cmath>
#include <cstdlib>
#include <filesystem>
#include <fmt/format.h>

namespace {

using namespace wembrix;

/// A sheet of `side` x `side` quads with coordinates, under a chain of 40 joints, `influences` a vertex.
Scene sheet(size_t side, int influences, float lift = 0) {
    Scene scene;
    Skin skin;
    for (int j = 0; j < 40; ++j) {
        Node node;
        node.name = fmt::format("joint_{}", j);
        node.kind = NodeKind::joint;
        node.parent = j - 1;
        node.rest.translation = j == 0 ? Vec3::Zero() : Vec3(0.025, 0, 0);
        node.identity = j + 1;
        skin.joints.push_back(j);
        skin.inverse_binds.push_back(translating(Vec3(-0.025 * j, 0, 0)));
        scene.nodes.push_back(node);
    }
    std::vector<Vec3f> positions;
    std::vector<Vec3f> normals;
    std::vector<float> coordinates;
    std::vector<uint32_t> indices;
    InfluencesBuilder builder((side + 1) * (side + 1), (side + 1) * (side + 1) * static_cast<size_t>(influences));
    WeightRow row;
    for (size_t y = 0; y <= side; ++y) {
        for (size_t x = 0; x <= side; ++x) {
            const auto u = static_cast<float>(x) / static_cast<float>(side);
            const auto v = static_cast<float>(y) / static_cast<float>(side);
            positions.emplace_back(u, v, 0.05F * std::sin(20 * u) * std::cos(17 * v) + lift);
            normals.emplace_back(Vec3f(0.1F * u, 0.1F * v, 1).normalized());
            coordinates.push_back(u);
            coordinates.push_back(v);
            row.clear();
            for (int k = 0; k < influences; ++k) {
                add_weight(row, static_cast<uint16_t>((x * 40 / (side + 1) + static_cast<size_t>(k)) % 40),
                           1.0 / (1 + k));
            }
            settle_row(row, {});
            builder.add(row);
        }
    }
    const auto stride = static_cast<uint32_t>(side + 1);
    for (uint32_t y = 0; y < side; ++y) {
        for (uint32_t x = 0; x < side; ++x) {
            const uint32_t a = y * stride + x;
            for (const uint32_t corner : {a, a + 1, a + stride + 1, a, a + stride + 1, a + stride}) {
                indices.push_back(corner);
            }
        }
    }
    Mesh mesh;
    mesh.name = "sheet";
    Primitive primitive;
    primitive.point_count = static_cast<uint32_t>(positions.size());
    primitive.index_count = static_cast<uint32_t>(indices.size());
    primitive.attributes = {"TEXCOORD_0"};
    mesh.primitives.push_back(primitive);
    mesh.positions = std::move(positions);
    mesh.normals = std::move(normals);
    mesh.indices = std::move(indices);
    mesh.attributes.push_back({"TEXCOORD_0", 2, std::move(coordinates)});
    Node node;
    node.name = "sheet";
    node.kind = NodeKind::surface;
    node.mesh = 0;
    node.skin = 0;
    node.identity = 1000;
    node.influences = builder.take();
    scene.nodes.push_back(node);
    scene.meshes.push_back(std::move(mesh));
    scene.skins.push_back(skin);
    return scene;
}

const Scene& million() {
    static const Scene scene = sheet(999, 8); // 1 000 000 vertices, 1 996 002 triangles
    return scene;
}
const Scene& hundred_thousand() {
    static const Scene scene = sheet(315, 4); // 99 856 vertices
    return scene;
}

void weights_copy_of_the_same_bytes(benchmark::State& state) {
    const Influences& from = million().nodes.back().influences;
    std::vector<uint32_t> offsets(from.offsets.size());
    std::vector<uint16_t> joints(from.joints.size());
    std::vector<float> weights(from.weights.size());
    for (auto _ : state) {
        std::copy(from.offsets.begin(), from.offsets.end(), offsets.begin());
        std::copy(from.joints.begin(), from.joints.end(), joints.begin());
        std::copy(from.weights.begin(), from.weights.end(), weights.begin());
        benchmark::DoNotOptimize(weights.data());
        benchmark::ClobberMemory();
    }
}
BENCHMARK(weights_copy_of_the_same_bytes)->UseRealTime()->Unit(benchmark::kMillisecond);

void step_on(benchmark::State& state, const Scene& scene, const Step& step) {
    for (auto _ : state) {
        benchmark::DoNotOptimize(apply_step(scene, step).ok());
    }
}
void weights_normalize(benchmark::State& state) {
    step_on(state, million(), {"normalize_weights"});
}
BENCHMARK(weights_normalize)->UseRealTime()->Unit(benchmark::kMillisecond);
void weights_limit_to_the_heaviest_four(benchmark::State& state) {
    step_on(state, million(), {"limit_influences", {{"max_influences", 4}}});
}
BENCHMARK(weights_limit_to_the_heaviest_four)->UseRealTime()->Unit(benchmark::kMillisecond);

void weights_copied_100k_to_100k(benchmark::State& state) {
    Scene scene = hundred_thousand();
    Scene above = sheet(315, 4, 0.002F);
    above.nodes.back().name = "coat";
    above.nodes.back().mesh = 1;
    scene.meshes.push_back(above.meshes[0]);
    scene.nodes.push_back(above.nodes.back());
    step_on(state, scene, {"copy_weights", {{"from", "sheet"}, {"surfaces", {"coat"}}}});
}
BENCHMARK(weights_copied_100k_to_100k)->UseRealTime()->Unit(benchmark::kMillisecond);

/// A closed body of 100 000 vertices around a chain of 60 joints, without weights.
Scene unbound() {
    constexpr uint32_t around = 100;
    constexpr uint32_t rings = 1000;
    constexpr int bones = 60;
    Scene scene;
    for (int j = 0; j <= bones; ++j) {
        Node node;
        node.name = fmt::format("joint_{:02}", j);
        node.kind = NodeKind::joint;
        node.parent = j - 1;
        node.identity = j + 1;
        node.rest.translation = Vec3(0, j == 0 ? 0 : 2.0 / bones, 0);
        scene.nodes.push_back(node);
    }
    Mesh mesh;
    std::vector<Vec3f> places;
    std::vector<uint32_t> indices;
    for (uint32_t r = 0; r < rings; ++r) {
        for (uint32_t a = 0; a < around; ++a) {
            const float angle = 6.2831853F * static_cast<float>(a) / around;
            const float height = 2 * static_cast<float>(r) / (rings - 1);
            const float radius = 0.15F + 0.05F * std::sin(9 * height);
            places.emplace_back(radius * std::cos(angle), height, radius * std::sin(angle));
        }
    }
    const auto at = [](uint32_t r, uint32_t a) { return r * around + a % around; };
    for (uint32_t r = 0; r + 1 < rings; ++r) {
        for (uint32_t a = 0; a < around; ++a) {
            indices.insert(indices.end(), {at(r, a), at(r + 1, a + 1), at(r, a + 1)});
            indices.insert(indices.end(), {at(r, a), at(r + 1, a), at(r + 1, a + 1)});
        }
    }
    for (uint32_t a = 1; a + 1 < around; ++a) {
        indices.insert(indices.end(), {at(0, 0), at(0, a), at(0, a + 1)});
        indices.insert(indices.end(), {at(rings - 1, 0), at(rings - 1, a + 1), at(rings - 1, a)});
    }
    Primitive primitive;
    primitive.point_count = static_cast<uint32_t>(places.size());
    primitive.index_count = static_cast<uint32_t>(indices.size());
    primitive.has_normals = false;
    mesh.primitives.push_back(primitive);
    mesh.positions = std::move(places);
    mesh.indices = std::move(indices);
    scene.meshes.push_back(std::move(mesh));
    Node body;
    body.name = "body";
    body.kind = NodeKind::surface;
    body.mesh = 0;
    body.identity = 1000;
    scene.nodes.push_back(body);
    return scene;
}
void bind(benchmark::State& state, const char* method) {
    step_on(state, unbound(), {"bind_surface", {{"method", method}}});
}
BENCHMARK_CAPTURE(bind, nearest_100k_60, "nearest")->UseRealTime()->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(bind, heat_100k_60, "heat")->UseRealTime()->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(bind, volume_100k_60, "volume")->UseRealTime()->Unit(benchmark::kMillisecond);

void tangents_of_two_million_triangles(benchmark::State& state) {
    const Mesh& mesh = million().meshes[0];
    const std::vector<std::array<uint32_t, 3>> triangles = triangles_of(mesh, mesh.primitives[0]);
    for (auto _ : state) {
        benchmark::DoNotOptimize(
            corner_tangents(mesh.positions.get(), mesh.normals.get(), mesh.attributes[0].data.get(), triangles).size());
    }
}
BENCHMARK(tangents_of_two_million_triangles)->UseRealTime()->Unit(benchmark::kMillisecond);

/// 50 shapes, each of which moves a tenth of the vertices.
Scene shaped() {
    Scene scene = hundred_thousand();
    Mesh& mesh = scene.meshes[0];
    for (size_t s = 0; s < 50; ++s) {
        std::vector<Vec3f> by(mesh.point_count(), Vec3f::Zero());
        for (size_t v = s * 1700; v < s * 1700 + by.size() / 10 && v < by.size(); ++v) {
            by[v] = Vec3f(0, 0, 0.01F);
        }
        mesh.shapes.push_back(sparse_shape(fmt::format("shape_{}", s), by, 1));
    }
    mesh.shape_weights.assign(50, 0.5F);
    return scene;
}
void shapes_copy_of_what_they_move(benchmark::State& state) {
    const Scene scene = shaped();
    size_t moved = 0;
    for (const MorphTarget& shape : scene.meshes[0].shapes) {
        moved += shape.points.size();
    }
    struct Row {
        uint32_t vertex;
        Vec3f by;
    };
    std::vector<Row> from(moved);
    std::vector<Row> to(moved);
    for (auto _ : state) {
        std::copy(from.begin(), from.end(), to.begin());
        benchmark::DoNotOptimize(to.data());
        benchmark::ClobberMemory();
    }
}
BENCHMARK(shapes_copy_of_what_they_move)->UseRealTime()->Unit(benchmark::kMicrosecond);
void shapes_fifty_active(benchmark::State& state) {
    const Scene with = shaped();
    Scene without = with;
    without.meshes[0].shapes.clear();
    without.meshes[0].shape_weights.clear();
    const Scene& scene = state.range(0) != 0 ? with : without;
    Deformer deformer(scene);
    const Pose pose = Poser(scene, nullptr).rest();
    std::vector<Vec3f> points(deformer.point_count());
    for (auto _ : state) {
        deformer.points(pose, points);
        benchmark::DoNotOptimize(points.data());
    }
}
BENCHMARK(shapes_fifty_active)->Arg(0)->Arg(1)->UseRealTime()->Unit(benchmark::kMicrosecond);

const std::filesystem::path& obj_file() {
    static const std::filesystem::path path = [] {
        const std::filesystem::path at = std::filesystem::temp_directory_path() / "wembrix_large.obj";
        Scene scene = sheet(707, 4); // 999 698 triangles
        if (!write_file_whole(at, write_obj(scene, "wembrix_large")->front().bytes)) {
            std::abort();
        }
        return at;
    }();
    return path;
}
void obj_plain_read(benchmark::State& state) {
    const std::filesystem::path& path = obj_file();
    for (auto _ : state) {
        benchmark::DoNotOptimize(read_file(path)->size());
    }
}
BENCHMARK(obj_plain_read)->UseRealTime()->Unit(benchmark::kMillisecond);
void obj_million_triangles(benchmark::State& state) {
    const std::filesystem::path& path = obj_file();
    for (auto _ : state) {
        benchmark::DoNotOptimize(read_obj(path).ok());
    }
}
BENCHMARK(obj_million_triangles)->UseRealTime()->Unit(benchmark::kMillisecond);

} // namespace
