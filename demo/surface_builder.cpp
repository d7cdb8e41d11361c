#include "core/math/angles.h"

#include "surface_builder.h"

#include <algorithm>
#include <cmath>

namespace wembrix::demo {

namespace {

Station between(const Station& a, const Station& b, const Station& c, const Station& d, double u) {
    auto curve = [u](auto p0, auto p1, auto p2, auto p3) {
        using Value = decltype(p0);
        return Value((p1 * 2.0 + (p2 - p0) * u + (p0 * 2.0 - p1 * 5.0 + p2 * 4.0 - p3) * (u * u) +
                      (p1 * 3.0 - p0 - p2 * 3.0 + p3) * (u * u * u)) *
                     0.5);
    };
    Station result;
    result.centre = curve(Vec3(a.centre), Vec3(b.centre), Vec3(c.centre), Vec3(d.centre));
    result.across = std::max(1e-4, curve(a.across, b.across, c.across, d.across));
    result.high = std::max(1e-4, curve(a.high, b.high, c.high, d.high));
    return result;
}

} // namespace

std::vector<Station> smooth(const std::vector<Station>& stations, int count) {
    std::vector<Station> fine;
    const int steps = 24;
    const int last = static_cast<int>(stations.size()) - 1;
    auto at = [&](int i) { return stations[std::clamp(i, 0, last)]; };
    for (int i = 0; i < last; ++i) {
        for (int s = 0; s < steps; ++s) {
            fine.push_back(between(at(i - 1), at(i), at(i + 1), at(i + 2), static_cast<double>(s) / steps));
        }
    }
    fine.push_back(stations.back());
    std::vector<double> length(fine.size(), 0);
    for (size_t i = 1; i < fine.size(); ++i) {
        length[i] = length[i - 1] + (fine[i].centre - fine[i - 1].centre).norm();
    }
    std::vector<Station> even;
    size_t k = 0;
    for (int i = 0; i < count; ++i) {
        const double wanted = length.back() * i / (count - 1);
        while (k + 2 < fine.size() && length[k + 1] < wanted) {
            ++k;
        }
        const double span = length[k + 1] - length[k];
        const double u = span > 0 ? std::clamp((wanted - length[k]) / span, 0.0, 1.0) : 0;
        even.push_back({fine[k].centre + (fine[k + 1].centre - fine[k].centre) * u,
                        fine[k].across + (fine[k + 1].across - fine[k].across) * u,
                        fine[k].high + (fine[k + 1].high - fine[k].high) * u});
    }
    return even;
}

size_t Surface::add(const Surface& other) {
    const size_t first = points.size();
    points.insert(points.end(), other.points.begin(), other.points.end());
    for (const auto& triangle : other.triangles) {
        triangles.push_back({static_cast<uint32_t>(triangle[0] + first), static_cast<uint32_t>(triangle[1] + first),
                             static_cast<uint32_t>(triangle[2] + first)});
    }
    return first;
}

std::vector<Vec3> Surface::normals() const {
    std::vector<Vec3> normals(points.size(), Vec3::Zero());
    for (const auto& t : triangles) {
        const Vec3 area = (points[t[1]].place - points[t[0]].place).cross(points[t[2]].place - points[t[0]].place);
        for (const uint32_t corner : t) {
            normals[corner] += area;
        }
    }
    for (Vec3& normal : normals) {
        normal = normal.norm() > 1e-15 ? Vec3(normal.normalized()) : Vec3::UnitY();
    }
    return normals;
}

Surface loft(const std::vector<Station>& stations, const LoftLook& look) {
    Surface surface;
    const int rings = static_cast<int>(stations.size());
    const int around = look.around;
    Vec3 across = look.across_hint;
    for (int r = 0; r < rings; ++r) {
        const Vec3& before = stations[std::max(0, r - 1)].centre;
        const Vec3& after = stations[std::min(rings - 1, r + 1)].centre;
        const Vec3 ahead = (after - before).normalized();
        across = (across - ahead * across.dot(ahead)).normalized();
        const Vec3 up = ahead.cross(across);
        const double along = static_cast<double>(r) / (rings - 1);
        for (int s = 0; s < around; ++s) {
            const double angle = 2 * pi * s / around;
            const Vec3 offset = across * std::cos(angle) * stations[r].across + up * std::sin(angle) * stations[r].high;
            Point point;
            point.centre = stations[r].centre;
            point.place = stations[r].centre + offset;
            if (look.model) {
                const Vec3 outward = offset.norm() > 1e-12 ? Vec3(offset.normalized()) : up;
                point.place = look.model(point.place, outward, along, angle);
            }
            point.along = along;
            point.region = look.region;
            point.colour = look.colour ? look.colour(along, angle) : Vec3::Ones();
            point.holds = look.holds(along, stations[r].centre);
            surface.points.push_back(std::move(point));
        }
    }
    auto at = [&](int r, int s) { return static_cast<uint32_t>(r * around + s % around); };
    for (int r = 0; r + 1 < rings; ++r) {
        for (int s = 0; s < around; ++s) {
            surface.triangles.push_back({at(r, s), at(r, s + 1), at(r + 1, s + 1)});
            surface.triangles.push_back({at(r, s), at(r + 1, s + 1), at(r + 1, s)});
        }
    }
    // Ends: one point in the middle of the first and last ring.
    for (const int r : {0, rings - 1}) {
        Point tip = surface.points[at(r, 0)];
        tip.place = Vec3::Zero();
        for (int s = 0; s < around; ++s) {
            tip.place += surface.points[at(r, s)].place / around;
        }
        const auto place = static_cast<uint32_t>(surface.points.size());
        surface.points.push_back(tip);
        for (int s = 0; s < around; ++s) {
            if (r == 0) {
                surface.triangles.push_back({place, at(r, s + 1), at(r, s)});
            } else {
                surface.triangles.push_back({place, at(r, s), at(r, s + 1)});
            }
        }
    }
    return surface;
}

Surface ball(const Vec3& centre, double radius, int rings, const std::string& region,
             const std::function<Vec3(const Vec3&)>& colour, const Holds& holds) {
    std::vector<Station> stations;
    for (int r = 0; r <= rings; ++r) {
        const double angle = pi * (0.02 + 0.96 * r / rings);
        stations.push_back(
            {centre + Vec3(-std::cos(angle) * radius, 0, 0), std::sin(angle) * radius, std::sin(angle) * radius});
    }
    LoftLook look;
    look.region = region;
    look.around = rings + 4;
    look.across_hint = Vec3::UnitZ();
    look.holds = [&](double, const Vec3&) { return holds; };
    Surface surface = loft(stations, look);
    for (Point& point : surface.points) {
        point.colour = colour((point.place - centre).normalized());
        point.centre = centre;
    }
    return surface;
}

Holds along_chain(double at, const std::vector<std::pair<std::string, double>>& stops, double width, size_t most) {
    Holds holds;
    for (const auto& [joint, stop] : stops) {
        const double far = (at - stop) / width;
        const double weight = std::exp(-far * far * 1.8);
        if (weight > 1e-3) {
            holds.push_back({joint, weight});
        }
    }
    std::sort(holds.begin(), holds.end(), [](const Hold& a, const Hold& b) { return a.weight > b.weight; });
    if (holds.empty()) {
        const auto nearest = std::min_element(stops.begin(), stops.end(), [&](const auto& a, const auto& b) {
            return std::abs(a.second - at) < std::abs(b.second - at);
        });
        holds.push_back({nearest->first, 1});
    }
    holds.resize(std::min(most, holds.size()));
    double sum = 0;
    for (const Hold& hold : holds) {
        sum += hold.weight;
    }
    for (Hold& hold : holds) {
        hold.weight /= sum;
    }
    return holds;
}

double noise(double x, double y) {
    auto corner = [](int64_t i, int64_t k) {
        uint64_t h =
            static_cast<uint64_t>(i) * 0x9E3779B97F4A7C15ULL ^ static_cast<uint64_t>(k) * 0xC2B2AE3D27D4EB4FULL;
        h ^= h >> 29U;
        h *= 0xBF58476D1CE4E5B9ULL;
        h ^= h >> 32U;
        return static_cast<double>(h & 0xFFFFFFU) / static_cast<double>(0x7FFFFF) - 1.0;
    };
    const double fx = std::floor(x);
    const double fy = std::floor(y);
    auto ease = [](double u) { return u * u * (3 - 2 * u); };
    const double u = ease(x - fx);
    const double v = ease(y - fy);
    const auto i = static_cast<int64_t>(fx);
    const auto k = static_cast<int64_t>(fy);
    const double a = corner(i, k) + (corner(i + 1, k) - corner(i, k)) * u;
    const double b = corner(i, k + 1) + (corner(i + 1, k + 1) - corner(i, k + 1)) * u;
    return a + (b - a) * v;
}

} // namespace wembrix::demo
