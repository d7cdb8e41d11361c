#include "core/measure/surface/corner_normals.h"

#include <algorithm>
#include <cmath>
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

namespace wembrix {

std::vector<Vec3f> corner_normals(std::span<const Vec3f> points, std::span<const std::array<uint32_t, 3>> triangles,
                                  std::span<const uint32_t> spot, const NormalRule& rule,
                                  std::span<const uint32_t> island) {
    std::vector<Vec3f> faces(triangles.size());
    std::vector<float> weights(triangles.size() * 3);
    uint32_t spots = 0;
    for (size_t t = 0; t < triangles.size(); ++t) {
        const std::array<uint32_t, 3>& triangle = triangles[t];
        const Vec3 p[3] = {points[triangle[0]].cast<double>(), points[triangle[1]].cast<double>(),
                           points[triangle[2]].cast<double>()};
        const Vec3 across = (p[1] - p[0]).cross(p[2] - p[0]);
        const double length = across.norm();
        faces[t] = length > 0 ? Vec3f((across / length).cast<float>()) : Vec3f(Vec3f::Zero());
        for (size_t c = 0; c < 3; ++c) {
            spots = std::max(spots, spot[triangle.at(c)] + 1);
            const Vec3 a = p[(c + 1) % 3] - p[c];
            const Vec3 b = p[(c + 2) % 3] - p[c];
            weights[3 * t + c] = length <= 0 ? 0.0F
                                 : rule.weight == NormalRule::Weight::area
                                     ? static_cast<float>(length)
                                     : static_cast<float>(std::atan2(a.cross(b).norm(), a.dot(b)));
        }
    }
    std::vector<uint32_t> first(spots + 1, 0);
    for (const std::array<uint32_t, 3>& triangle : triangles) {
        for (const uint32_t point : triangle) {
            ++first[spot[point] + 1];
        }
    }
    for (size_t s = 1; s < first.size(); ++s) {
        first[s] += first[s - 1];
    }
    std::vector<uint32_t> corners(triangles.size() * 3);
    std::vector<uint32_t> next(first.begin(), first.end() - 1);
    for (uint32_t corner = 0; corner < corners.size(); ++corner) {
        corners[next[spot[triangles[corner / 3].at(corner % 3)]]++] = corner;
    }
    constexpr size_t many = 1000;
    const auto least = static_cast<float>(std::cos(rule.hard_degrees / 57.29577951308232) - 1e-6);
    std::vector<Vec3f> normals(corners.size(), Vec3f::Zero());
    tbb::parallel_for(tbb::blocked_range<uint32_t>(0, spots, 1024), [&](const auto& range) {
        for (uint32_t s = range.begin(); s < range.end(); ++s) {
            const std::span<const uint32_t> around(corners.data() + first[s], first[s + 1] - first[s]);
            const bool all = around.size() > many || rule.hard_degrees >= 180;
            for (const uint32_t own : around) {
                const Vec3f& face = faces[own / 3];
                if (all && own != around[0] && island.empty()) {
                    normals[own] = face.isZero(0) ? face : normals[around[0]];
                    continue;
                }
                Vec3 sum = Vec3::Zero();
                for (const uint32_t other : around) {
                    if ((island.empty() || island[own] == island[other]) &&
                        (all || faces[other / 3].dot(face) >= least)) {
                        sum += static_cast<double>(weights[other]) * faces[other / 3].cast<double>();
                    }
                }
                const double length = sum.norm();
                normals[own] = length > 1e-12 ? Vec3f((sum / length).cast<float>()) : face;
            }
        }
    });
    return normals;
}

} // namespace wembrix
