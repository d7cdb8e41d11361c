#include "core/scene/hull.h"

#include <array>
#include <cmath>

namespace wembrix {

namespace {

constexpr uint32_t points_around = 16; ///< sides of what is round
constexpr uint32_t rings = 4;          ///< of half a ball, its pole aside

/// Rings about Y, from the top down, closed by a fan at both ends: of each its radius and its height.
HullShell turned(const std::vector<std::pair<double, double>>& profile, const Mat4& frame) {
    HullShell shell;
    const auto put = [&](double x, double y, double z) {
        shell.points.push_back(point_of(frame, Vec3(x, y, z)).cast<float>());
    };
    put(0, profile.front().second, 0);
    for (size_t r = 1; r + 1 < profile.size(); ++r) {
        for (uint32_t i = 0; i < points_around; ++i) {
            const double angle = 2 * M_PI * i / points_around;
            put(profile[r].first * std::cos(angle), profile[r].second, profile[r].first * std::sin(angle));
        }
    }
    put(0, profile.back().second, 0);
    const auto at = [](uint32_t ring, uint32_t i) { return 1 + ring * points_around + i % points_around; };
    const auto last_ring = static_cast<uint32_t>(profile.size() - 3);
    const uint32_t bottom = 1 + (last_ring + 1) * points_around;
    const auto triangle = [&](uint32_t a, uint32_t b, uint32_t c) {
        shell.indices.insert(shell.indices.end(), {a, b, c});
    };
    for (uint32_t i = 0; i < points_around; ++i) {
        triangle(0, at(0, i + 1), at(0, i));
        for (uint32_t r = 0; r < last_ring; ++r) {
            triangle(at(r, i), at(r, i + 1), at(r + 1, i + 1));
            triangle(at(r, i), at(r + 1, i + 1), at(r + 1, i));
        }
        triangle(bottom, at(last_ring, i), at(last_ring, i + 1));
    }
    return shell;
}

/// Half a ball's rings and the middle's, above and below an axis of that half length.
std::vector<std::pair<double, double>> capped(double radius, double half) {
    std::vector<std::pair<double, double>> profile;
    for (uint32_t i = 0; i <= rings; ++i) {
        const double angle = M_PI / 2 * i / rings;
        profile.emplace_back(radius * std::sin(angle), half + radius * std::cos(angle));
    }
    for (uint32_t i = half > 0 ? 0 : 1; i <= rings; ++i) {
        const double angle = M_PI / 2 * i / rings;
        profile.emplace_back(radius * std::cos(angle), -half - radius * std::sin(angle));
    }
    return profile;
}

} // namespace

std::string_view hull_kind_name(Hull::Kind kind) {
    constexpr std::array<std::string_view, 5> names = {"convex", "box", "capsule", "sphere", "cylinder"};
    return names.at(static_cast<size_t>(kind));
}

HullShell shell_of(const Hull& hull) {
    const double radius = hull.half_size.x();
    const double half = hull.half_size.y();
    switch (hull.kind) {
    case Hull::Kind::convex:
        break;
    case Hull::Kind::capsule:
        return turned(capped(radius, half), hull.frame);
    case Hull::Kind::sphere:
        return turned(capped(radius, 0), hull.frame);
    case Hull::Kind::cylinder:
        return turned({{0, half}, {radius, half}, {radius, -half}, {0, -half}}, hull.frame);
    case Hull::Kind::box: {
        HullShell box;
        for (uint32_t i = 0; i < 8; ++i) {
            const Vec3 side((i & 1U) != 0 ? 1 : -1, (i & 2U) != 0 ? 1 : -1, (i & 4U) != 0 ? 1 : -1);
            box.points.push_back(point_of(hull.frame, side.cwiseProduct(hull.half_size)).cast<float>());
        }
        box.indices = {0, 4, 6, 0, 6, 2, 1, 3, 7, 1, 7, 5, 0, 1, 5, 0, 5, 4,
                       2, 6, 7, 2, 7, 3, 0, 2, 3, 0, 3, 1, 4, 5, 7, 4, 7, 6};
        return box;
    }
    }
    return {hull.points.get(), hull.indices.get()};
}

double volume_of(const Hull& hull) {
    const double r = hull.half_size.x();
    switch (hull.kind) {
    case Hull::Kind::box:
        return 8 * hull.half_size.prod();
    case Hull::Kind::sphere:
        return 4.0 / 3 * M_PI * r * r * r;
    case Hull::Kind::capsule:
        return M_PI * r * r * (2 * hull.half_size.y() + 4.0 / 3 * r);
    case Hull::Kind::cylinder:
        return 2 * M_PI * r * r * hull.half_size.y();
    case Hull::Kind::convex:
        break;
    }
    double six = 0;
    for (size_t i = 0; i + 2 < hull.indices.size(); i += 3) {
        const Vec3 from = hull.points[hull.indices[0]].cast<double>();
        const Vec3 a = hull.points[hull.indices[i]].cast<double>() - from;
        const Vec3 b = hull.points[hull.indices[i + 1]].cast<double>() - from;
        const Vec3 c = hull.points[hull.indices[i + 2]].cast<double>() - from;
        six += a.dot(b.cross(c));
    }
    return six / 6;
}

} // namespace wembrix
