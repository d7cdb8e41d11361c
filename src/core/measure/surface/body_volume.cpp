#include "core/measure/surface/body_volume.h"

#include "core/measure/surface/rest_places.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

namespace wembrix {

namespace {

constexpr double no_end = std::numeric_limits<double>::infinity();

/// Unit directions evenly over half a sphere. (Vogel, A better way to construct the sunflower head, 1979)
std::vector<Vec3> half_sphere(int count) {
    std::vector<Vec3> directions;
    const double golden = std::numbers::pi * (3 - std::sqrt(5.0));
    for (int i = 0; i < count; ++i) {
        const double z = (i + 0.5) / count;
        const double r = std::sqrt(1 - z * z);
        directions.emplace_back(r * std::cos(golden * i), r * std::sin(golden * i), z);
    }
    return directions;
}

/// Two unit vectors across a third.
std::pair<Vec3, Vec3> across(const Vec3& axis) {
    const Vec3 first = axis.unitOrthogonal();
    return {first, axis.cross(first)};
}

std::vector<Vec3> circle(const Vec3& axis, int count, double whole) {
    const auto [u, v] = across(axis);
    std::vector<Vec3> directions;
    for (int i = 0; i < count; ++i) {
        const double angle = whole * i / count;
        directions.emplace_back(std::cos(angle) * u + std::sin(angle) * v);
    }
    return directions;
}

} // namespace

BodyVolume::BodyVolume(const Scene& scene) : BodyVolume(scene, surfaces_of(scene)) {}

BodyVolume::BodyVolume(const Scene& scene, const std::vector<int>& surfaces) {
    for (const int surface : surfaces) {
        const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)];
        const std::vector<Vec3f> places = rest_places(scene, surface);
        const auto first = static_cast<uint32_t>(points_.size());
        points_.insert(points_.end(), places.begin(), places.end());
        for (const Primitive& primitive : mesh.primitives) {
            for (const auto& [a, b, c] : triangles_of(mesh, primitive)) {
                triangles_.push_back({first + a, first + b, first + c});
            }
        }
    }
    for (const Vec3f& point : points_) {
        bounds_.add(point.cast<double>());
    }
    tree_ = std::make_unique<ClosestPoint>(points_, triangles_);
}

std::optional<double> BodyVolume::way_out(const Vec3& from, const Vec3& direction) const {
    const double far = 2 * bounds_.size().norm() + 1e-6;
    const Vec3f start = from.cast<float>();
    // A way along an edge may slip between its two triangles, or count them twice: the ones beside it do not.
    constexpr double beside = 2e-3;
    const auto [u, v] = across(direction);
    for (const Vec3& way : {direction, Vec3(direction + beside * u), Vec3(direction - beside * (u + v))}) {
        const Vec3f end = (from + far * way).cast<float>();
        int depth = 1; // pieces may overlap: out is where as many are left as were entered, and one more
        float begin = 0;
        constexpr int most_crossings = 64;
        for (int i = 0; i < most_crossings; ++i) {
            const std::optional<ClosestPoint::Crossing> next = tree_->first_crossing(start, end, begin);
            if (!next) {
                break;
            }
            depth += next->leaves ? -1 : 1;
            if (depth == 0) {
                return far * static_cast<double>(next->share);
            }
            begin = next->share;
        }
    }
    return std::nullopt;
}

double BodyVolume::chord(const Vec3& at, const Vec3& direction) const {
    const std::optional<double> one = way_out(at, direction);
    const std::optional<double> other = one ? way_out(at, -direction) : std::nullopt;
    return other ? *one + *other : no_end;
}

/// The one with the shortest chord, then better ones around it.
Vec3 BodyVolume::thinnest(const Vec3& at, const std::vector<Vec3>& directions) const {
    Vec3 best = directions.front();
    double least = no_end;
    for (const Vec3& direction : directions) {
        const double length = chord(at, direction);
        if (length < least) {
            least = length;
            best = direction;
        }
    }
    return best;
}

bool BodyVolume::encloses(const Vec3& place) const {
    static const std::vector<Vec3> probes = half_sphere(7);
    const auto in =
        std::count_if(probes.begin(), probes.end(), [&](const Vec3& probe) { return chord(place, probe) < no_end; });
    return in * 2 > static_cast<std::ptrdiff_t>(probes.size());
}

std::optional<Vec3> BodyVolume::inside_near(const Vec3& place) const {
    if (encloses(place)) {
        return place;
    }
    const SurfacePlace nearest = tree_->nearest(place.cast<float>());
    if (nearest.triangle == SurfacePlace::none) {
        return std::nullopt;
    }
    const ClosestPoint::Triangle& t = triangles_[nearest.triangle];
    const Vec3f on =
        nearest.share[0] * points_[t[0]] + nearest.share[1] * points_[t[1]] + nearest.share[2] * points_[t[2]];
    const Vec3 inwards =
        -(points_[t[1]] - points_[t[0]]).cross(points_[t[2]] - points_[t[0]]).cast<double>().normalized();
    const Vec3 start = on.cast<double>() + inwards * (1e-4 * bounds_.size().norm());
    const std::optional<double> through = way_out(start, inwards);
    return through ? std::optional<Vec3>(start + inwards * (*through / 2)) : std::nullopt;
}

std::optional<LimbMiddle> BodyVolume::middle_near(const Vec3& place) const {
    if (empty()) {
        return std::nullopt;
    }
    std::optional<Vec3> at = inside_near(place);
    if (!at) {
        return std::nullopt;
    }
    static const std::vector<Vec3> everywhere = half_sphere(160);
    constexpr int rays = 48;
    LimbMiddle middle;
    for (int round = 0; round < 6; ++round) {
        const auto refined = [&](Vec3 direction, double reach, const std::optional<Vec3>& normal) {
            for (double angle = reach; angle > 0.01; angle /= 2) {
                std::vector<Vec3> around = {direction};
                if (normal) {
                    const Vec3 aside = normal->cross(direction);
                    around.emplace_back((direction + angle * aside).normalized());
                    around.emplace_back((direction - angle * aside).normalized());
                } else {
                    for (const Vec3& aside : circle(direction, 6, 2 * std::numbers::pi)) {
                        around.emplace_back((direction + angle * aside).normalized());
                    }
                }
                direction = thinnest(*at, around);
            }
            return direction;
        };
        const Vec3 first = refined(thinnest(*at, everywhere), 0.15, std::nullopt);
        if (chord(*at, first) == no_end) {
            return std::nullopt;
        }
        const Vec3 second = refined(thinnest(*at, circle(first, 36, std::numbers::pi)), 0.08, first);
        const Vec3 along = first.cross(second).normalized();
        // The centroid of the polygon that the rays across end at.
        double area = 0;
        Vec3 sum = Vec3::Zero();
        Vec3 last = Vec3::Zero();
        Vec3 begin = Vec3::Zero();
        bool is_open = false;
        const std::vector<Vec3> directions = circle(along, rays, 2 * std::numbers::pi);
        for (int i = 0; i <= rays && !is_open; ++i) {
            Vec3 end = begin;
            if (i < rays) {
                const Vec3& direction = directions[static_cast<size_t>(i)];
                const std::optional<double> out = way_out(*at, direction);
                is_open = !out;
                end = *at + out.value_or(0) * direction;
            }
            if (i == 0) {
                begin = end;
            } else {
                const double part = (last - *at).cross(end - *at).dot(along) / 2;
                area += part;
                sum += part * (last + end - 2 * *at) / 3;
            }
            last = end;
        }
        if (is_open || !(std::abs(area) > 0)) {
            return middle.thickness_m > 0 ? std::optional<LimbMiddle>(middle) : std::nullopt;
        }
        const Vec3 moved = sum / area;
        middle = {*at + moved, along, 2 * std::sqrt(std::abs(area) / std::numbers::pi)};
        at = middle.at;
        if (moved.norm() < 1e-3 * middle.thickness_m) {
            break;
        }
    }
    return middle;
}

std::vector<double> BodyVolume::mirrored_apart(int axis, double& middle, size_t samples, int rounds) const {
    middle = bounds_.centre()[axis];
    const size_t step = std::max<size_t>(1, points_.size() / samples);
    std::vector<double> apart;
    for (int round = 0; round < rounds; ++round) {
        apart.clear();
        double sum = 0;
        for (size_t i = 0; i < points_.size(); i += step) {
            Vec3f image = points_[i];
            image[axis] = static_cast<float>(2 * middle) - points_[i][axis];
            const SurfacePlace place = tree_->nearest(image);
            const ClosestPoint::Triangle& t = triangles_[place.triangle];
            const float on = place.share[0] * points_[t[0]][axis] + place.share[1] * points_[t[1]][axis] +
                             place.share[2] * points_[t[2]][axis];
            sum += static_cast<double>(points_[i][axis] + on) / 2;
            apart.push_back(place.distance_m);
        }
        const double better = sum / static_cast<double>(apart.size());
        const bool settled = std::abs(better - middle) < 1e-7 * bounds_.size().norm();
        middle = better;
        if (settled) {
            break;
        }
    }
    return apart;
}

BodyVolume::Symmetry BodyVolume::symmetry() const {
    Symmetry found;
    if (empty()) {
        return found;
    }
    const auto mean = [](const std::vector<double>& apart) {
        double sum = 0;
        for (const double one : apart) {
            sum += one;
        }
        return sum / static_cast<double>(apart.size());
    };
    std::vector<double> apart = mirrored_apart(0, found.middle_x, 2000, 12);
    std::sort(apart.begin(), apart.end());
    found.mean_m = mean(apart);
    found.most_m = apart[(apart.size() - 1) * 19 / 20];
    double middle_z = 0;
    const double aside = mean(mirrored_apart(2, middle_z, 300, 3));
    constexpr double much_better = 0.3;
    found.looks_aside = aside < much_better * found.mean_m && found.mean_m > 0.005 * bounds_.size().norm();
    return found;
}

} // namespace wembrix
