#include "tubes.h"

#include <array>
#include <cmath>
#include <numbers>

namespace wembrix::testing {

namespace {

struct Ring {
    Vec3 middle;
    Vec3 along;
    double radius;
};

void add_tube(const std::vector<Vec3>& line, double radius, uint32_t around, bool crossed, std::vector<Vec3f>& places,
              std::vector<uint32_t>& indices) {
    std::vector<Ring> rings;
    constexpr int cap = 4;
    const auto tangent = [&](size_t i) {
        const Vec3& before = line[i == 0 ? 0 : i - 1];
        const Vec3& after = line[i + 1 == line.size() ? i : i + 1];
        return Vec3((after - before).normalized());
    };
    for (int k = 1; k <= cap; ++k) {
        const double angle = std::numbers::pi / 2 * k / (cap + 1);
        rings.push_back({line.front() - radius * std::cos(angle) * tangent(0), tangent(0), radius * std::sin(angle)});
    }
    for (size_t i = 0; i < line.size(); ++i) {
        rings.push_back({line[i], tangent(i), radius});
    }
    const size_t last = line.size() - 1;
    for (int k = cap; k >= 1; --k) {
        const double angle = std::numbers::pi / 2 * k / (cap + 1);
        rings.push_back(
            {line.back() + radius * std::cos(angle) * tangent(last), tangent(last), radius * std::sin(angle)});
    }
    const auto first = static_cast<uint32_t>(places.size());
    Vec3 aside = rings.front().along.unitOrthogonal();
    for (const Ring& ring : rings) {
        aside = (aside - aside.dot(ring.along) * ring.along).normalized();
        const Vec3 other = ring.along.cross(aside);
        for (uint32_t a = 0; a < around; ++a) {
            const double angle = 2 * std::numbers::pi * a / around;
            const Vec3 at = ring.middle + ring.radius * (std::cos(angle) * aside + std::sin(angle) * other);
            places.push_back(at.cast<float>());
        }
    }
    const auto bottom = static_cast<uint32_t>(places.size());
    places.push_back((line.front() - radius * tangent(0)).cast<float>());
    places.push_back((line.back() + radius * tangent(last)).cast<float>());
    const auto at = [&](size_t r, uint32_t a) { return first + static_cast<uint32_t>(r) * around + a % around; };
    for (size_t r = 0; r + 1 < rings.size(); ++r) {
        for (uint32_t a = 0; a < around; ++a) {
            const std::array<uint32_t, 4> corners = {at(r, a), at(r, a + 1), at(r + 1, a + 1), at(r + 1, a)};
            if (!crossed) {
                indices.insert(indices.end(), {corners[0], corners[1], corners[2], corners[0], corners[2], corners[3]});
                continue;
            }
            const auto middle = static_cast<uint32_t>(places.size());
            places.emplace_back((places[corners[0]] + places[corners[1]] + places[corners[2]] + places[corners[3]]) /
                                4);
            for (size_t k = 0; k < 4; ++k) {
                indices.insert(indices.end(), {corners.at(k), corners.at((k + 1) % 4), middle});
            }
        }
    }
    for (uint32_t a = 0; a < around; ++a) {
        indices.insert(indices.end(), {bottom, at(0, a + 1), at(0, a)});
        indices.insert(indices.end(), {bottom + 1, at(rings.size() - 1, a), at(rings.size() - 1, a + 1)});
    }
}

} // namespace

Scene tube_scene(const std::vector<std::vector<Vec3>>& lines, double radius, uint32_t around, bool crossed) {
    Scene scene;
    Mesh mesh;
    mesh.name = "tubes";
    std::vector<Vec3f> places;
    std::vector<uint32_t> indices;
    for (const std::vector<Vec3>& line : lines) {
        add_tube(line, radius, around, crossed, places, indices);
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
    body.identity = 1;
    scene.nodes.push_back(std::move(body));
    return scene;
}

} // namespace wembrix::testing
