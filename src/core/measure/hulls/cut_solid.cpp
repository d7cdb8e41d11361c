#include "core/measure/hulls/cut_solid.h"

#include <Eigen/Geometry>
#include <algorithm>
#include <map>
#include <set>

namespace wembrix {

CutSolid CutSolid::box(const Mat3& axes, std::span<const Vec3> points) {
    Vec3 low = Vec3::Constant(1e300);
    Vec3 high = -low;
    for (const Vec3& point : points) {
        const Vec3 at = axes.transpose() * point;
        low = low.cwiseMin(at);
        high = high.cwiseMax(at);
    }
    CutSolid solid;
    for (uint32_t i = 0; i < 8; ++i) {
        solid.points_.push_back(axes * Vec3((i & 1U) != 0 ? high.x() : low.x(), (i & 2U) != 0 ? high.y() : low.y(),
                                            (i & 4U) != 0 ? high.z() : low.z()));
    }
    solid.faces_ = {{0, 4, 6, 2}, {1, 3, 7, 5}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 2, 3, 1}, {4, 5, 7, 6}};
    return solid;
}

void CutSolid::cut(const Vec3& normal, double offset) {
    std::vector<double> beyond;
    double size = 0;
    for (const Vec3& point : points_) {
        beyond.push_back(normal.dot(point) - offset);
        size = std::max(size, std::abs(beyond.back()));
    }
    const double touch = size * 1e-9;
    if (std::none_of(beyond.begin(), beyond.end(), [&](double b) { return b > touch; })) {
        return;
    }
    std::map<std::pair<uint32_t, uint32_t>, uint32_t> cuts; // of an edge, its new point
    const auto cut_point = [&](uint32_t a, uint32_t b) {
        const auto [found, fresh] = cuts.try_emplace(std::minmax(a, b), static_cast<uint32_t>(points_.size()));
        if (fresh) {
            const double share = beyond[a] / (beyond[a] - beyond[b]);
            points_.push_back(points_[a] + share * (points_[b] - points_[a]));
        }
        return found->second;
    };
    std::vector<std::vector<uint32_t>> faces;
    std::map<uint32_t, uint32_t> along; // edges of the new face, against the way of the old ones
    for (const std::vector<uint32_t>& face : faces_) {
        std::vector<uint32_t> kept;
        for (size_t i = 0; i < face.size(); ++i) {
            const uint32_t a = face[i];
            const uint32_t b = face[(i + 1) % face.size()];
            if (beyond[a] <= touch) {
                kept.push_back(a);
            }
            if ((beyond[a] > touch && beyond[b] < -touch) || (beyond[a] < -touch && beyond[b] > touch)) {
                kept.push_back(cut_point(a, b));
            }
        }
        if (kept.size() < 3) {
            continue;
        }
        const auto on_plane = [&](uint32_t p) { return p >= beyond.size() || std::abs(beyond[p]) <= touch; };
        for (size_t i = 0; i < kept.size(); ++i) {
            const uint32_t a = kept[i];
            const uint32_t b = kept[(i + 1) % kept.size()];
            if (on_plane(a) && on_plane(b)) {
                along[b] = a;
            }
        }
        faces.push_back(std::move(kept));
    }
    if (along.size() >= 3) {
        std::vector<uint32_t> ring;
        uint32_t at = along.begin()->first;
        while (ring.size() <= along.size()) {
            ring.push_back(at);
            const auto next = along.find(at);
            if (next == along.end() || next->second == ring.front()) {
                break;
            }
            at = next->second;
        }
        if (ring.size() >= 3) {
            faces.push_back(std::move(ring));
        }
    }
    faces_ = std::move(faces);
}

std::vector<Vec3> CutSolid::corners() const {
    std::set<uint32_t> used;
    for (const std::vector<uint32_t>& face : faces_) {
        used.insert(face.begin(), face.end());
    }
    std::vector<Vec3> corners;
    for (const uint32_t point : used) {
        corners.push_back(points_[point]);
    }
    return corners;
}

ConvexSolid CutSolid::triangulated() const {
    ConvexSolid solid;
    std::map<uint32_t, uint32_t> place;
    const auto corner = [&](uint32_t point) {
        const auto [found, fresh] = place.try_emplace(point, static_cast<uint32_t>(solid.corners.size()));
        if (fresh) {
            solid.corners.push_back(points_[point]);
        }
        return found->second;
    };
    for (const std::vector<uint32_t>& face : faces_) {
        for (size_t i = 2; i < face.size(); ++i) {
            solid.triangles.push_back({corner(face[0]), corner(face[i - 1]), corner(face[i])});
        }
    }
    return solid;
}

} // namespace wembrix
