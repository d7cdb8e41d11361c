#include "core/steps/surface/hull_adjustment.h"

#include "core/math/angles.h"
#include "core/math/axis_turns.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace wembrix {

namespace {

constexpr RotationOrder hull_turn = {2, 1, 0};
constexpr double thinnest_m = 1e-4; ///< from the middle to a side

/// Whether it has a radius in place of X and Z.
bool is_round(Hull::Kind kind) {
    return kind != Hull::Kind::box && kind != Hull::Kind::convex;
}

} // namespace

HullAdjustment HullAdjustment::then(const HullAdjustment& next) const {
    return {move_m + turn * next.move_m, (turn * next.turn).normalized(), grow_m + next.grow_m};
}

HullAdjustment adjustment_from(const Vec3& move_mm, const Vec3& turn_deg, const Vec3& grow_mm) {
    const Vec3 angles = turn_deg.reverse() * radians_per_degree;
    return {move_mm / 1000, turn_of(angles, hull_turn), grow_mm / 1000};
}

HullAdjustment adjustment_from_row(const nlohmann::json& row) {
    const auto three = [&](const char* key, const char* unit) {
        Vec3 values = Vec3::Zero();
        for (int k = 0; k < 3; ++k) {
            values[k] = row.value(fmt::format("{}_{}_{}", key, "xyz"[k], unit), 0.0);
        }
        return values;
    };
    return adjustment_from(three("move", "mm"), three("turn", "deg"), three("grow", "mm"));
}

nlohmann::json row_of_adjustment(const std::string& hull, const HullAdjustment& by) {
    nlohmann::json row = {{"hull", hull}};
    const auto put = [&](const char* key, const char* unit, const Vec3& values) {
        for (int k = 0; k < 3; ++k) {
            const double rounded = std::round(values[k] * 1e6) / 1e6;
            if (rounded != 0) {
                row[fmt::format("{}_{}_{}", key, "xyz"[k], unit)] = rounded;
            }
        }
    };
    put("move", "mm", by.move_m * 1000);
    put("turn", "deg", angles_of(by.turn, hull_turn, Vec3::Zero()).reverse() * degrees_per_radian);
    put("grow", "mm", by.grow_m * 1000);
    return row;
}

Mat4 axes_of(const Hull& hull) {
    if (hull.kind != Hull::Kind::convex) {
        return hull.frame;
    }
    Eigen::AlignedBox3d box;
    for (const Vec3f& point : hull.points.get()) {
        box.extend(point.cast<double>());
    }
    return box.isEmpty() ? Mat4(Mat4::Identity()) : translating(box.center());
}

Vec3 extent_of(const Hull& hull) {
    const Vec3& half = hull.half_size;
    switch (hull.kind) {
    case Hull::Kind::box:
        return half;
    case Hull::Kind::sphere:
        return Vec3::Constant(half.x());
    case Hull::Kind::capsule:
        return {half.x(), half.y() + half.x(), half.x()};
    case Hull::Kind::cylinder:
        return {half.x(), half.y(), half.x()};
    case Hull::Kind::convex:
        break;
    }
    Eigen::AlignedBox3d box;
    for (const Vec3f& point : hull.points.get()) {
        box.extend(point.cast<double>());
    }
    return box.isEmpty() ? Vec3(Vec3::Zero()) : Vec3(box.sizes() / 2);
}

Hull adjusted(const Hull& hull, const HullAdjustment& by, double unit_m) {
    Hull changed = hull;
    const double least = thinnest_m / unit_m;
    const Vec3 grow = by.grow_m / unit_m;
    Mat4 moved = translating(by.move_m / unit_m);
    moved.topLeftCorner<3, 3>() = by.turn.normalized().toRotationMatrix();
    const Mat4 axes = axes_of(hull);
    if (hull.kind == Hull::Kind::convex) {
        const Vec3 extent = extent_of(hull);
        Mat4 whole = axes * moved;
        for (int k = 0; k < 3; ++k) {
            whole.col(k) *= extent[k] > 0 ? std::max(least, extent[k] + grow[k]) / extent[k] : 1;
        }
        whole = whole * axes.inverse();
        std::vector<Vec3f> points = hull.points.get();
        for (Vec3f& point : points) {
            point = point_of(whole, point.cast<double>()).cast<float>();
        }
        changed.points = std::move(points);
        return changed;
    }
    changed.frame = axes * moved;
    changed.half_size += grow;
    if (!is_round(hull.kind)) {
        changed.half_size = changed.half_size.cwiseMax(least);
        return changed;
    }
    const bool has_length = hull.kind != Hull::Kind::sphere;
    changed.half_size = {std::max(least, changed.half_size.x()),
                         has_length ? std::max(hull.kind == Hull::Kind::capsule ? 0 : least, changed.half_size.y()) : 0,
                         0};
    return changed;
}

HullAdjustment side_pulled(Hull::Kind kind, const HullSide& side, double by_m) {
    HullAdjustment pulled;
    const bool grows_as_a_whole = kind == Hull::Kind::sphere || (is_round(kind) && side.axis != 1);
    if (grows_as_a_whole) {
        pulled.grow_m.x() = by_m;
        return pulled;
    }
    pulled.grow_m[side.axis] = by_m / 2;
    pulled.move_m[side.axis] = side.sign * by_m / 2;
    return pulled;
}

} // namespace wembrix
