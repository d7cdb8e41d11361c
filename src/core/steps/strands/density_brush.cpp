#include "core/steps/strands/density_brush.h"

#include "core/measure/strands/strand_surface.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <cstring>

namespace wembrix {

namespace {
constexpr std::string_view density_magic = "WBXDENS1";
} // namespace

std::string density_to_bytes(const std::vector<float>& density) {
    std::string bytes(density_magic);
    const auto count = static_cast<uint32_t>(density.size());
    bytes.resize(density_magic.size() + sizeof count + density.size() * sizeof(float));
    std::memcpy(bytes.data() + density_magic.size(), &count, sizeof count);
    if (!density.empty()) {
        std::memcpy(bytes.data() + density_magic.size() + sizeof count, density.data(), density.size() * sizeof(float));
    }
    return bytes;
}

Result<std::vector<float>> density_from_bytes(const std::string& bytes) {
    uint32_t count = 0;
    constexpr size_t head = density_magic.size() + sizeof count;
    if (bytes.size() < head || !std::string_view(bytes).starts_with(density_magic)) {
        return Problem{"what should be a painted density is something else.", "", ""};
    }
    std::memcpy(&count, bytes.data() + density_magic.size(), sizeof count);
    if (bytes.size() - head != uint64_t{count} * sizeof(float)) {
        return Problem{"a painted density is cut off.", "", ""};
    }
    std::vector<float> density(count);
    if (count > 0) { // an empty vector has no place to copy to
        std::memcpy(density.data(), bytes.data() + head, bytes.size() - head);
    }
    if (!std::all_of(density.begin(), density.end(), [](float one) { return one >= 0 && one <= 1; })) {
        return Problem{"a painted density is not from 0 to 1.", "", ""};
    }
    return density;
}

std::vector<float> density_of_region(const Scene& scene, int surface, int strands) {
    const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)];
    std::vector<float> density(mesh.point_count(), 0);
    const int set = strands < 0 ? -1 : scene.nodes[static_cast<size_t>(strands)].curves;
    if (set < 0 || scene.curve_sets[static_cast<size_t>(set)].surface != surface) {
        return density;
    }
    const Shared<float>& region = scene.curve_sets[static_cast<size_t>(set)].region;
    const Neighbours neighbours = neighbours_of(mesh);
    std::vector<uint32_t> faces(neighbours.spots(), 0);
    std::vector<float> sums(neighbours.spots(), 0);
    const std::vector<std::array<uint32_t, 3>> triangles = strand_triangles(mesh);
    for (size_t t = 0; t < std::min(triangles.size(), region.size()); ++t) {
        for (const uint32_t v : triangles[t]) {
            ++faces[neighbours.spot[v]];
            sums[neighbours.spot[v]] += region[t];
        }
    }
    for (size_t v = 0; v < density.size(); ++v) {
        const uint32_t spot = neighbours.spot[v];
        density[v] = faces[spot] == 0 ? 0 : std::min(1.F, sums[spot] / static_cast<float>(faces[spot]));
    }
    return density;
}

DensityBrush::DensityBrush(std::shared_ptr<const Scene> scene, int surface, std::vector<float> density)
    : scene_(std::move(scene)), surface_(surface), density_(std::move(density)) {
    const Mesh& mesh = scene_->meshes[static_cast<size_t>(scene_->nodes[static_cast<size_t>(surface)].mesh)];
    assert(density_.size() == mesh.point_count());
    neighbours_ = neighbours_of(mesh);
    doubles_ = doubles_of(neighbours_);
}

float DensityBrush::wanted(const BrushSettings& settings, uint32_t vertex, double share) const {
    const auto now = static_cast<double>(density_[vertex]);
    const double then = brushed(settings, now, share, [&] {
        double sum = 0;
        size_t count = 0;
        for (const uint32_t other : neighbours_.of(neighbours_.spot[vertex])) {
            sum += static_cast<double>(density_[neighbours_.first[other]]);
            ++count;
        }
        return count == 0 ? now : sum / static_cast<double>(count);
    });
    return static_cast<float>(std::clamp(then, 0.0, 1.0));
}

std::vector<uint32_t> DensityBrush::dab(const BrushSettings& settings, const Dab& dab, std::span<const Vec3f> points,
                                        std::span<const Vec3f> normals) {
    std::vector<std::pair<uint32_t, double>> shares = reached(settings, dab, neighbours_, doubles_, points, normals);
    if (settings.mirrored) {
        if (!mirror_) {
            mirror_ = std::make_shared<const SurfaceMirror>(
                mirror_of_surface(*scene_, surface_, find_sides(*scene_), settings.radius_m * 0.05));
        }
        std::vector<std::pair<uint32_t, double>> answers;
        for (const auto& [vertex, share] : shares) {
            if (const uint32_t answer = mirror_->answers[vertex]; answer != SurfaceMirror::none && answer != vertex) {
                answers.emplace_back(answer, share);
            }
        }
        // What both reach is painted once, by the stronger.
        shares.insert(shares.end(), answers.begin(), answers.end());
        std::sort(shares.begin(), shares.end(), [](const auto& a, const auto& b) {
            return a.first != b.first ? a.first < b.first : a.second > b.second;
        });
        shares.erase(
            std::unique(shares.begin(), shares.end(), [](const auto& a, const auto& b) { return a.first == b.first; }),
            shares.end());
    }
    std::vector<float> then; // told before any is changed: smoothing looks around
    for (const auto& [vertex, share] : shares) {
        then.push_back(wanted(settings, vertex, share));
    }
    std::vector<uint32_t> touched;
    for (size_t i = 0; i < shares.size(); ++i) {
        float& now = density_[shares[i].first];
        if (std::abs(now - then[i]) > 1e-6F) {
            now = then[i];
            touched.push_back(shares[i].first);
        }
    }
    changed_ = changed_ || !touched.empty();
    return touched;
}

} // namespace wembrix
