#include "core/measure/strands/partings.h"

#include <cmath>

namespace wembrix {

namespace {

/// Whether a segment passes through a triangle, from either side; its border counts. (Möller and Trumbore, Fast,
/// Minimum Storage Ray/Triangle Intersection, 1997)
bool passes(const Vec3& a, const Vec3& b, const Vec3& p, const Vec3& q, const Vec3& r) {
    const Vec3 way = b - a;
    const Vec3 e = q - p;
    const Vec3 f = r - p;
    const Vec3 across = way.cross(f);
    const double determinant = e.dot(across);
    if (std::abs(determinant) < 1e-30) {
        return false;
    }
    const Vec3 off = a - p;
    const double u = off.dot(across) / determinant;
    const Vec3 other = off.cross(e);
    const double v = way.dot(other) / determinant;
    const double t = f.dot(other) / determinant;
    constexpr double border = 1e-9;
    return u >= -border && v >= -border && u + v <= 1 + border && t >= 0 && t <= 1;
}

} // namespace

Partings::Partings(const StrandSurface& surface, const std::vector<std::vector<Vec3>>& lines) {
    for (const std::vector<Vec3>& line : lines) {
        for (size_t p = 1; p < line.size(); ++p) {
            pieces_.push_back({line[p - 1], line[p], surface.normal_of(surface.nearest(line[p - 1])),
                               surface.normal_of(surface.nearest(line[p]))});
        }
    }
}

bool Partings::between(const Vec3& a, const Vec3& b) const {
    const double high = (b - a).norm();
    const Vec3 low_corner = a.cwiseMin(b);
    const Vec3 high_corner = a.cwiseMax(b);
    for (const Piece& piece : pieces_) {
        const Vec3 low = piece.from.cwiseMin(piece.to).array() - high;
        const Vec3 top = piece.from.cwiseMax(piece.to).array() + high;
        if ((low.array() > high_corner.array()).any() || (top.array() < low_corner.array()).any()) {
            continue;
        }
        const Vec3 p0 = piece.from - high * piece.from_normal;
        const Vec3 p1 = piece.from + high * piece.from_normal;
        const Vec3 q0 = piece.to - high * piece.to_normal;
        const Vec3 q1 = piece.to + high * piece.to_normal;
        if (passes(a, b, p0, q0, p1) || passes(a, b, q0, q1, p1)) {
            return true;
        }
    }
    return false;
}

Neighbours Partings::without_crossing(const Neighbours& neighbours, const std::vector<Vec3f>& places) const {
    Neighbours kept;
    kept.spot = neighbours.spot;
    kept.first = neighbours.first;
    kept.offsets.push_back(0);
    for (size_t s = 0; s < neighbours.spots(); ++s) {
        const Vec3 from = places[neighbours.first[s]].cast<double>();
        for (const uint32_t to : neighbours.of(s)) {
            if (!between(from, places[neighbours.first[to]].cast<double>())) {
                kept.to.push_back(to);
            }
        }
        kept.offsets.push_back(static_cast<uint32_t>(kept.to.size()));
    }
    return kept;
}

} // namespace wembrix
