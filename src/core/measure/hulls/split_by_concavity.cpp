#include "core/measure/hulls/split_by_concavity.h"

#include "core/measure/hulls/convex_hull.h"
#include "core/measure/hulls/fitted_solids.h"
#include "core/measure/hulls/main_axes.h"

#include <algorithm>
#include <cmath>
#include <optional>

namespace wembrix {

namespace {

using Corner3 = std::array<Vec3, 3>;

struct Part {
    std::vector<Corner3> triangles;
    double gap = 0; ///< between it and its hull
    struct Cut {
        std::vector<Corner3> below, above;
        double gaps[2] = {0, 0};
        double gain = 0;
    };
    std::optional<Cut> best; ///< nothing: none makes it smaller
};

std::vector<Vec3> corners_of(const std::vector<Corner3>& triangles) {
    std::vector<Vec3> corners;
    corners.reserve(triangles.size() * 3);
    for (const Corner3& triangle : triangles) {
        corners.insert(corners.end(), triangle.begin(), triangle.end());
    }
    return corners;
}

/// The farthest corners in so many directions: they stand for all where only the hull's size and form count.
std::vector<Vec3> farthest_of(const std::vector<Corner3>& triangles) {
    std::vector<Vec3> corners = corners_of(triangles);
    constexpr size_t directions = 48;
    if (corners.size() <= directions) {
        return corners;
    }
    std::vector<size_t> best;
    for (size_t i = 0; i < directions; ++i) {
        const Vec3 way = spread_direction(i, directions);
        size_t farthest = 0;
        double most = -1e300;
        for (size_t c = 0; c < corners.size(); ++c) {
            const double far = way.dot(corners[c]);
            farthest = far > most ? c : farthest;
            most = std::max(most, far);
        }
        best.push_back(farthest);
    }
    std::sort(best.begin(), best.end());
    best.erase(std::unique(best.begin(), best.end()), best.end());
    std::vector<Vec3> kept;
    for (const size_t c : best) {
        kept.push_back(corners[c]);
    }
    return kept;
}

/// How far a surface is from its hull: of each face its area times the way along its normal until that leaves the hull.
/// Of many faces every so many stand for all.
double gap_of(const std::vector<Corner3>& triangles) {
    const std::optional<ConvexSolid> hull = convex_hull(farthest_of(triangles));
    if (!hull) {
        return 0; // flat: nothing can follow it more closely
    }
    struct Plane {
        Vec3 normal;
        double offset;
    };
    std::vector<Plane> planes;
    for (const auto& [a, b, c] : hull->triangles) {
        const Vec3 normal =
            (hull->corners[b] - hull->corners[a]).cross(hull->corners[c] - hull->corners[a]).normalized();
        const bool known = std::any_of(planes.begin(), planes.end(),
                                       [&](const Plane& other) { return other.normal.dot(normal) > 1 - 5e-3; });
        if (!known) { // one that leans by a few degrees tells nearly the same
            planes.push_back({normal, normal.dot(hull->corners[a])});
        }
    }
    constexpr size_t most = 160;
    const size_t every = 1 + triangles.size() / most;
    double gap = 0;
    for (size_t t = 0; t < triangles.size(); t += every) {
        const Corner3& triangle = triangles[t];
        const Vec3 face = (triangle[1] - triangle[0]).cross(triangle[2] - triangle[0]);
        const double area = face.norm() / 2;
        if (!(area > 0)) {
            continue;
        }
        const Vec3 way = face / (2 * area);
        const Vec3 from = (triangle[0] + triangle[1] + triangle[2]) / 3;
        double out = 1e300;
        for (const Plane& plane : planes) {
            const double speed = plane.normal.dot(way);
            if (speed > 1e-9) {
                out = std::min(out, std::max(0.0, plane.offset - plane.normal.dot(from)) / speed);
            }
        }
        gap += out < 1e300 ? area * out * static_cast<double>(every) : 0;
    }
    return gap;
}

/// Where along an axis a cut may go: through corners, which is where things meet, and evenly between.
std::vector<double> offsets_along(const Vec3& axis, const std::vector<Vec3>& corners) {
    std::vector<double> at;
    at.reserve(corners.size());
    for (const Vec3& corner : corners) {
        at.push_back(axis.dot(corner));
    }
    std::sort(at.begin(), at.end());
    const double low = at.front();
    const double size = at.back() - low;
    std::vector<double> distinct;
    for (const double one : at) {
        if (one > low + size * 0.01 && one < low + size * 0.99 &&
            (distinct.empty() || one > distinct.back() + size * 0.01)) {
            distinct.push_back(one);
        }
    }
    std::vector<double> offsets;
    constexpr size_t most = 6;
    for (size_t i = 0; i < std::min(most, distinct.size()); ++i) {
        offsets.push_back(distinct[i * distinct.size() / std::min(most, distinct.size())]);
    }
    constexpr int even = 4;
    for (int i = 1; i < even; ++i) {
        offsets.push_back(low + size * i / even);
    }
    return offsets;
}

/// The side of a triangle where along . x <= offset, as triangles.
void clip(const Corner3& triangle, const Vec3& along, double offset, std::vector<Corner3>& out) {
    std::vector<Vec3> ring;
    for (size_t i = 0; i < 3; ++i) {
        const Vec3& a = triangle.at(i);
        const Vec3& b = triangle.at((i + 1) % 3);
        const double at_a = along.dot(a) - offset;
        const double at_b = along.dot(b) - offset;
        if (at_a <= 0) {
            ring.push_back(a);
        }
        if ((at_a < 0 && at_b > 0) || (at_a > 0 && at_b < 0)) {
            ring.push_back(a + at_a / (at_a - at_b) * (b - a));
        }
    }
    for (size_t i = 2; i < ring.size(); ++i) {
        out.push_back({ring[0], ring[i - 1], ring[i]});
    }
}

/// `own`: axes of the whole thing; what is made of boxes is cut along them, other parts along their main axes.
void find_cut(Part& part, const Mat3& own) {
    const std::vector<Vec3> corners = corners_of(part.triangles);
    const Mat3 main = main_axes(corners);
    for (int i = 0; i < 6; ++i) {
        const Vec3 axis = i < 3 ? own.col(i) : main.col(i - 3);
        if (i >= 3 && (own.transpose() * axis).cwiseAbs().maxCoeff() > 0.98) {
            continue; // cut that way already
        }
        for (const double offset : offsets_along(axis, corners)) {
            Part::Cut cut;
            for (const Corner3& triangle : part.triangles) {
                clip(triangle, axis, offset, cut.below);
                clip(triangle, -axis, -offset, cut.above);
            }
            if (cut.below.empty() || cut.above.empty()) {
                continue;
            }
            cut.gaps[0] = gap_of(cut.below);
            cut.gaps[1] = gap_of(cut.above);
            cut.gain = part.gap - cut.gaps[0] - cut.gaps[1];
            if (cut.gain > 0 && (!part.best || cut.gain > part.best->gain)) {
                part.best = std::move(cut);
            }
        }
    }
}

} // namespace

std::vector<std::vector<Vec3>> split_by_concavity(std::span<const Vec3> points,
                                                  std::span<const std::array<uint32_t, 3>> triangles, size_t most,
                                                  double least_gain) {
    if (triangles.empty()) {
        return {};
    }
    Part whole;
    for (const auto& [a, b, c] : triangles) {
        whole.triangles.push_back({points[a], points[b], points[c]});
    }
    whole.gap = most > 1 ? gap_of(whole.triangles) : 0;
    const double least = whole.gap * least_gain;
    std::vector<Part> parts;
    parts.push_back(std::move(whole));
    if (parts[0].gap <= 0) {
        return {corners_of(parts[0].triangles)};
    }
    const Mat3 own = fit_solid(Hull::Kind::box, points).axes;
    find_cut(parts[0], own);
    while (parts.size() < most) {
        const auto next = std::max_element(parts.begin(), parts.end(), [](const Part& a, const Part& b) {
            return (a.best ? a.best->gain : 0) < (b.best ? b.best->gain : 0);
        });
        if (!next->best || next->best->gain < least || next->best->gain <= 0) {
            break;
        }
        Part::Cut cut = std::move(*next->best);
        Part halves[2];
        for (int side = 0; side < 2; ++side) {
            halves[side].triangles = side == 0 ? std::move(cut.below) : std::move(cut.above);
            halves[side].gap = cut.gaps[side];
            if (parts.size() + 1 < most && halves[side].gap >= least) { // a cut gains no more than there is
                find_cut(halves[side], own);
            }
        }
        *next = std::move(halves[0]);
        parts.push_back(std::move(halves[1]));
    }
    std::vector<std::vector<Vec3>> result;
    result.reserve(parts.size());
    for (const Part& part : parts) {
        result.push_back(corners_of(part.triangles));
    }
    return result;
}

} // namespace wembrix
