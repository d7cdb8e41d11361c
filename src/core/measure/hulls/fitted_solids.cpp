#include "core/measure/hulls/fitted_solids.h"

#include "core/measure/hulls/convex_hull.h"
#include "core/measure/hulls/main_axes.h"

#include <Eigen/Geometry>
#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <functional>
#include <random>

namespace wembrix {

namespace {

/// Larger by this than what was found: rounding never leaves a point outside.
constexpr double margin = 1e-9;

struct Circle {
    Eigen::Vector2d middle = Eigen::Vector2d::Zero();
    double radius = 0;
    [[nodiscard]] bool holds(const Eigen::Vector2d& p) const { return (p - middle).norm() <= radius * (1 + 1e-10); }
};

Circle circle_through(const Eigen::Vector2d& a, const Eigen::Vector2d& b) {
    return {(a + b) / 2, (a - b).norm() / 2};
}

Circle circle_through(const Eigen::Vector2d& a, const Eigen::Vector2d& b, const Eigen::Vector2d& c) {
    const Eigen::Vector2d ab = b - a;
    const Eigen::Vector2d ac = c - a;
    const double d = 2 * (ab.x() * ac.y() - ab.y() * ac.x());
    if (std::abs(d) < 1e-300) { // in one line: the two that are farthest apart
        Circle widest = circle_through(a, b);
        for (const Circle& other : {circle_through(a, c), circle_through(b, c)}) {
            widest = other.radius > widest.radius ? other : widest;
        }
        return widest;
    }
    const Eigen::Vector2d to((ac.y() * ab.squaredNorm() - ab.y() * ac.squaredNorm()) / d,
                             (ab.x() * ac.squaredNorm() - ac.x() * ab.squaredNorm()) / d);
    return {a + to, to.norm()};
}

/// The smallest circle (Welzl 1991, point by point).
Circle smallest_circle(std::span<const Eigen::Vector2d> p) {
    Circle circle{p[0], 0};
    for (size_t i = 1; i < p.size(); ++i) {
        if (circle.holds(p[i])) {
            continue;
        }
        circle = {p[i], 0};
        for (size_t j = 0; j < i; ++j) {
            if (circle.holds(p[j])) {
                continue;
            }
            circle = circle_through(p[i], p[j]);
            for (size_t k = 0; k < j; ++k) {
                if (!circle.holds(p[k])) {
                    circle = circle_through(p[i], p[j], p[k]);
                }
            }
        }
    }
    return circle;
}

/// What a search works on: few points stand for all of them.
std::vector<Vec3> outermost(std::span<const Vec3> points) {
    constexpr size_t many = 300;
    std::vector<Vec3> corners;
    if (const std::optional<ConvexSolid> hull = convex_hull(points)) {
        corners = hull->corners;
    } else {
        corners.assign(points.begin(), points.end());
    }
    if (corners.size() > many) {
        // The farthest in each of many directions.
        std::vector<char> in(corners.size(), 0);
        for (size_t i = 0; i < many; ++i) {
            const Vec3 way = spread_direction(i, many);
            size_t best = 0;
            for (size_t c = 1; c < corners.size(); ++c) {
                best = way.dot(corners[c]) > way.dot(corners[best]) ? c : best;
            }
            in[best] = 1;
        }
        std::vector<Vec3> kept;
        for (size_t c = 0; c < corners.size(); ++c) {
            if (in[c] != 0) {
                kept.push_back(corners[c]);
            }
        }
        corners = std::move(kept);
    }
    std::shuffle(corners.begin(), corners.end(), std::mt19937(1)); // what the circles' running time rests on
    return corners;
}

FittedSolid box_along(const Mat3& axes, std::span<const Vec3> points) {
    Vec3 low = Vec3::Constant(1e300);
    Vec3 high = -low;
    for (const Vec3& point : points) {
        const Vec3 at = axes.transpose() * point;
        low = low.cwiseMin(at);
        high = high.cwiseMax(at);
    }
    FittedSolid box;
    box.kind = Hull::Kind::box;
    box.axes = axes;
    box.middle = axes * ((low + high) / 2);
    box.half_size = (high - low) / 2;
    return box;
}

/// Points seen along an axis: across it, and how far along.
struct Seen {
    std::vector<Eigen::Vector2d> across;
    std::vector<double> along;
};
Seen seen_along(const Mat3& axes, std::span<const Vec3> points) {
    Seen seen;
    for (const Vec3& point : points) {
        const Vec3 at = axes.transpose() * point;
        seen.across.emplace_back(at.x(), at.z());
        seen.along.push_back(at.y());
    }
    return seen;
}

FittedSolid cylinder_along(const Mat3& axes, std::span<const Vec3> points) {
    const Seen seen = seen_along(axes, points);
    const Circle circle = smallest_circle(seen.across);
    const auto [low, high] = std::minmax_element(seen.along.begin(), seen.along.end());
    FittedSolid solid;
    solid.kind = Hull::Kind::cylinder;
    solid.axes = axes;
    solid.middle = axes * Vec3(circle.middle.x(), (*low + *high) / 2, circle.middle.y());
    solid.half_size = Vec3(circle.radius, (*high - *low) / 2, 0);
    return solid;
}

/// A capsule of that radius about a line; its axis is as short as the points allow.
FittedSolid capsule_about(const Mat3& axes, const Seen& seen, const Eigen::Vector2d& line, double radius) {
    double first = 1e300;
    double last = -1e300;
    for (size_t i = 0; i < seen.along.size(); ++i) {
        const double away = (seen.across[i] - line).norm();
        const double reach = std::sqrt(std::max(0.0, radius * radius - away * away));
        first = std::min(first, seen.along[i] + reach);
        last = std::max(last, seen.along[i] - reach);
    }
    if (first > last) { // one ball is enough, anywhere between
        first = last = (first + last) / 2;
    }
    FittedSolid solid;
    solid.kind = Hull::Kind::capsule;
    solid.axes = axes;
    solid.middle = axes * Vec3(line.x(), (first + last) / 2, line.y());
    solid.half_size = Vec3(radius, (last - first) / 2, 0);
    return solid;
}

FittedSolid capsule_along(const Mat3& axes, std::span<const Vec3> points) {
    const Seen seen = seen_along(axes, points);
    const Circle circle = smallest_circle(seen.across);
    FittedSolid best = capsule_about(axes, seen, circle.middle, circle.radius * (1 + margin));
    // A somewhat thicker one may be shorter by more than it is thicker.
    for (double factor = 1.01; factor < 1.6; factor *= 1.03) {
        const FittedSolid other = capsule_about(axes, seen, circle.middle, circle.radius * factor);
        best = other.volume() < best.volume() ? other : best;
    }
    return best;
}

/// The smallest ball (Badoiu and Clarkson 2003): a middle that goes towards the farthest, by less and less.
FittedSolid ball(std::span<const Vec3> points) {
    Vec3 middle = Vec3::Zero();
    for (const Vec3& point : points) {
        middle += point / static_cast<double>(points.size());
    }
    for (int i = 1; i <= 4000; ++i) {
        const Vec3* farthest = &points[0];
        for (const Vec3& point : points) {
            farthest = (point - middle).squaredNorm() > (*farthest - middle).squaredNorm() ? &point : farthest;
        }
        middle += (*farthest - middle) / (i + 1);
    }
    FittedSolid solid;
    solid.kind = Hull::Kind::sphere;
    solid.middle = middle;
    return solid;
}

/// Turns a solid about until nothing near is smaller.
FittedSolid refined(FittedSolid best, const std::function<FittedSolid(const Mat3&)>& make) {
    std::mt19937 random(7);
    std::normal_distribution<double> normal;
    double reach = 0.3;
    for (int step = 0; step < 250 && reach > 1e-4; ++step) {
        const Vec3 about(normal(random), normal(random), normal(random));
        const double angle = reach * about.norm();
        const Mat3 axes = Eigen::AngleAxisd(angle, about.normalized()).toRotationMatrix() * best.axes;
        const FittedSolid other = make(axes);
        if (other.volume() < best.volume()) {
            best = other;
            reach *= 1.4;
        } else {
            reach *= 0.96;
        }
    }
    return best;
}

std::vector<Mat3> first_axes(std::span<const Vec3> points) {
    const Mat3 main = main_axes(points);
    std::vector<Mat3> axes = {main, Mat3::Identity(), axes_along(main.col(0)), axes_along(main.col(2))};
    constexpr size_t more = 48;
    for (size_t i = 0; i < more / 2; ++i) { // half of the sphere: an axis has no end that is the first
        axes.push_back(axes_along(spread_direction(i, more)));
    }
    return axes;
}

} // namespace

double FittedSolid::volume() const {
    const double r = half_size.x();
    switch (kind) {
    case Hull::Kind::box:
        return 8 * half_size.prod();
    case Hull::Kind::sphere:
        return 4.0 / 3 * M_PI * r * r * r;
    case Hull::Kind::capsule:
        return M_PI * r * r * (2 * half_size.y() + 4.0 / 3 * r);
    case Hull::Kind::cylinder:
        return 2 * M_PI * r * r * half_size.y();
    case Hull::Kind::convex:
        break;
    }
    return 0;
}

double FittedSolid::outside(const Vec3& point) const {
    const Vec3 at = axes.transpose() * (point - middle);
    const double across = std::hypot(at.x(), at.z());
    const double beyond = std::abs(at.y()) - half_size.y();
    switch (kind) {
    case Hull::Kind::box:
        return (at.cwiseAbs() - half_size).maxCoeff();
    case Hull::Kind::sphere:
        return at.norm() - half_size.x();
    case Hull::Kind::capsule:
        return std::hypot(across, std::max(0.0, beyond)) - half_size.x();
    case Hull::Kind::cylinder:
        return std::max(across - half_size.x(), beyond);
    case Hull::Kind::convex:
        break;
    }
    return 0;
}

FittedSolid fit_solid(Hull::Kind kind, std::span<const Vec3> points) {
    const std::vector<Vec3> few = outermost(points);
    FittedSolid solid;
    if (kind == Hull::Kind::sphere) {
        solid = ball(few);
    } else {
        const auto make = [&](const Mat3& axes) {
            return kind == Hull::Kind::box       ? box_along(axes, few)
                   : kind == Hull::Kind::capsule ? capsule_along(axes, few)
                                                 : cylinder_along(axes, few);
        };
        std::vector<FittedSolid> starts;
        for (const Mat3& axes : first_axes(few)) {
            starts.push_back(make(axes));
        }
        std::sort(starts.begin(), starts.end(),
                  [](const FittedSolid& a, const FittedSolid& b) { return a.volume() < b.volume(); });
        for (size_t i = 0; i < 2; ++i) {
            const FittedSolid better = refined(starts[i], make);
            solid = i == 0 || better.volume() < solid.volume() ? better : solid;
        }
    }
    // The few stand for all in the search; what is kept holds them all.
    if (kind == Hull::Kind::box) {
        solid = box_along(solid.axes, points);
        solid.half_size += Vec3::Constant(solid.half_size.maxCoeff() * margin);
        return solid;
    }
    double out = 0;
    for (const Vec3& point : points) {
        out = std::max(out, solid.outside(point));
    }
    const double size = std::max(solid.half_size.x(), solid.half_size.y());
    solid.half_size.x() += out + size * margin;
    if (kind == Hull::Kind::cylinder) {
        solid.half_size.y() += out + size * margin;
    }
    if (kind == Hull::Kind::sphere) {
        solid.half_size = Vec3(solid.half_size.x(), 0, 0);
    }
    return solid;
}

} // namespace wembrix
