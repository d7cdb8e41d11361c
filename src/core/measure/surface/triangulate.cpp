#include "core/measure/surface/triangulate.h"

#include <numeric>

namespace wembrix {

namespace {

/// The normal of a polygon that need not be flat, as long as twice its area. (Newell's method)
Vec3f normal_of(std::span<const Vec3f> corners) {
    Vec3f normal = Vec3f::Zero();
    for (size_t i = 0; i < corners.size(); ++i) {
        const Vec3f a = corners[i] - corners[0];
        const Vec3f b = corners[(i + 1) % corners.size()] - corners[0];
        normal += a.cross(b);
    }
    return normal;
}

float side_of(const Vec3f& a, const Vec3f& b, const Vec3f& c, const Vec3f& normal) {
    return (b - a).cross(c - a).dot(normal);
}

void cut_quad(std::span<const Vec3f> p, std::vector<std::array<uint32_t, 3>>& triangles) {
    const Vec3f normal = normal_of(p);
    const auto sound = [&](size_t from) { // the diagonal from that corner to the one across
        const size_t a = from;
        const size_t b = (from + 1) % 4;
        const size_t c = (from + 2) % 4;
        const size_t d = (from + 3) % 4;
        return side_of(p[a], p[b], p[c], normal) > 0 && side_of(p[a], p[c], p[d], normal) > 0;
    };
    const bool first = sound(0);
    const bool second = sound(1);
    const bool shorter = (p[2] - p[0]).squaredNorm() <= (p[3] - p[1]).squaredNorm();
    if (first == second ? shorter : first) {
        triangles.push_back({0, 1, 2});
        triangles.push_back({0, 2, 3});
    } else {
        triangles.push_back({0, 1, 3});
        triangles.push_back({1, 2, 3});
    }
}

/// Corner `i` of what is left sticks out, and no other corner lies in the triangle that it would be cut off with.
bool is_ear(std::span<const Vec3f> p, const std::vector<uint32_t>& left, size_t i, const Vec3f& normal) {
    const size_t n = left.size();
    const Vec3f& a = p[left[(i + n - 1) % n]];
    const Vec3f& b = p[left[i]];
    const Vec3f& c = p[left[(i + 1) % n]];
    if (side_of(a, b, c, normal) <= 0) {
        return false;
    }
    for (size_t k = 0; k < n; ++k) {
        if (k == i || k == (i + n - 1) % n || k == (i + 1) % n) {
            continue;
        }
        const Vec3f& q = p[left[k]];
        if (q == a || q == b || q == c) {
            continue; // the two ends of a slit lie at one place
        }
        if (side_of(a, b, q, normal) >= 0 && side_of(b, c, q, normal) >= 0 && side_of(c, a, q, normal) >= 0) {
            return false;
        }
    }
    return true;
}

void cut_ears(std::span<const Vec3f> p, std::vector<std::array<uint32_t, 3>>& triangles) {
    const Vec3f normal = normal_of(p);
    std::vector<uint32_t> left(p.size());
    std::iota(left.begin(), left.end(), 0U);
    while (left.size() > 3) {
        size_t best = left.size();
        float shortest = 0;
        for (size_t i = 0; i < left.size(); ++i) {
            const size_t n = left.size();
            const float cut = (p[left[(i + 1) % n]] - p[left[(i + n - 1) % n]]).squaredNorm();
            if ((best == n || cut < shortest) && is_ear(p, left, i, normal)) {
                best = i;
                shortest = cut;
            }
        }
        if (best == left.size()) {
            break;
        }
        const size_t n = left.size();
        triangles.push_back({left[(best + n - 1) % n], left[best], left[(best + 1) % n]});
        left.erase(left.begin() + static_cast<ptrdiff_t>(best));
    }
    for (size_t i = 1; i + 1 < left.size(); ++i) {
        triangles.push_back({left[0], left[i], left[i + 1]});
    }
}

} // namespace

void triangulate_polygon(std::span<const Vec3f> corners, std::vector<std::array<uint32_t, 3>>& triangles) {
    constexpr size_t most = 2000;
    if (corners.size() == 3) {
        triangles.push_back({0, 1, 2});
    } else if (corners.size() == 4) {
        cut_quad(corners, triangles);
    } else if (corners.size() > 4 && corners.size() <= most) {
        cut_ears(corners, triangles);
    } else {
        for (uint32_t i = 1; i + 1 < corners.size(); ++i) {
            triangles.push_back({0, i, i + 1});
        }
    }
}

} // namespace wembrix
