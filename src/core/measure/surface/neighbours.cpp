#include "core/measure/surface/neighbours.h"

#include <algorithm>
#include <bit>
#include <limits>
#include <queue>
#include <unordered_map>

namespace wembrix {

namespace {

struct Place {
    std::array<uint32_t, 3> bits;
    bool operator==(const Place&) const = default;
};
struct PlaceHash {
    size_t operator()(const Place& place) const {
        uint64_t h = 0x9E3779B97F4A7C15ULL;
        for (const uint32_t bits : place.bits) {
            h = (h ^ bits) * 0xFF51AFD7ED558CCDULL;
            h ^= h >> 32U;
        }
        return static_cast<size_t>(h);
    }
};

Place place_of(const Vec3f& at) {
    Place place{};
    for (int axis = 0; axis < 3; ++axis) {
        place.bits.at(static_cast<size_t>(axis)) = std::bit_cast<uint32_t>(at[axis] + 0.0F); // -0 is 0
    }
    return place;
}

} // namespace

Neighbours neighbours_of(const Mesh& mesh) {
    Neighbours result;
    std::unordered_map<Place, uint32_t, PlaceHash> spots;
    spots.reserve(mesh.point_count());
    result.spot.reserve(mesh.point_count());
    for (size_t v = 0; v < mesh.point_count(); ++v) {
        const auto [found, fresh] =
            spots.try_emplace(place_of(mesh.positions[v]), static_cast<uint32_t>(result.first.size()));
        if (fresh) {
            result.first.push_back(static_cast<uint32_t>(v));
        }
        result.spot.push_back(found->second);
    }
    std::vector<std::pair<uint32_t, uint32_t>> ends;
    for (const Primitive& primitive : mesh.primitives) {
        for (const std::array<uint32_t, 3>& triangle : triangles_of(mesh, primitive)) {
            for (size_t side = 0; side < 3; ++side) {
                const uint32_t a = result.spot[triangle.at(side)];
                const uint32_t b = result.spot[triangle.at((side + 1) % 3)];
                if (a != b) {
                    ends.emplace_back(a, b);
                    ends.emplace_back(b, a);
                }
            }
        }
    }
    std::sort(ends.begin(), ends.end());
    ends.erase(std::unique(ends.begin(), ends.end()), ends.end());
    result.offsets.assign(result.first.size() + 1, 0);
    result.to.reserve(ends.size());
    for (const auto& [from, to] : ends) {
        ++result.offsets[from + 1];
        result.to.push_back(to);
    }
    for (size_t i = 1; i < result.offsets.size(); ++i) {
        result.offsets[i] += result.offsets[i - 1];
    }
    return result;
}

std::vector<double> distances_along(const Mesh& mesh, const Neighbours& neighbours, const std::vector<uint32_t>& from,
                                    double most) {
    std::vector<double> distance(neighbours.spots(), std::numeric_limits<double>::infinity());
    using Entry = std::pair<double, uint32_t>;
    std::priority_queue<Entry, std::vector<Entry>, std::greater<>> open;
    for (const uint32_t spot : from) {
        distance[spot] = 0;
        open.emplace(0, spot);
    }
    while (!open.empty()) {
        const auto [far, spot] = open.top();
        open.pop();
        if (far > distance[spot]) {
            continue;
        }
        const Vec3f& here = mesh.positions[neighbours.first[spot]];
        for (const uint32_t next : neighbours.of(spot)) {
            const double way = far + static_cast<double>((mesh.positions[neighbours.first[next]] - here).norm());
            if (way < distance[next] && way <= most) {
                distance[next] = way;
                open.emplace(way, next);
            }
        }
    }
    return distance;
}

} // namespace wembrix
