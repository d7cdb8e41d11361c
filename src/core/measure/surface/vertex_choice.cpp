#include "core/measure/surface/vertex_choice.h"

#include <optional>

namespace wembrix {

namespace {

std::set<uint32_t> spots_of(const Neighbours& neighbours, const VertexChoice& chosen) {
    std::set<uint32_t> spots;
    for (const uint32_t vertex : chosen) {
        spots.insert(neighbours.spot[vertex]);
    }
    return spots;
}

VertexChoice vertices_of(const Neighbours& neighbours, const std::set<uint32_t>& spots) {
    VertexChoice vertices;
    for (uint32_t v = 0; v < neighbours.spot.size(); ++v) {
        if (spots.contains(neighbours.spot[v])) {
            vertices.insert(vertices.end(), v);
        }
    }
    return vertices;
}

} // namespace

VertexChoice grown(const Neighbours& neighbours, const VertexChoice& chosen) {
    const std::set<uint32_t> before = spots_of(neighbours, chosen);
    std::set<uint32_t> spots = before;
    for (const uint32_t spot : before) {
        spots.insert(neighbours.of(spot).begin(), neighbours.of(spot).end());
    }
    return vertices_of(neighbours, spots);
}

VertexChoice shrunk(const Neighbours& neighbours, const VertexChoice& chosen) {
    const std::set<uint32_t> before = spots_of(neighbours, chosen);
    std::set<uint32_t> spots;
    for (const uint32_t spot : before) {
        bool inside = true;
        for (const uint32_t next : neighbours.of(spot)) {
            inside = inside && before.contains(next);
        }
        if (inside) {
            spots.insert(spot);
        }
    }
    return vertices_of(neighbours, spots);
}

VertexChoice looped(const Mesh& mesh, const Neighbours& neighbours, const VertexChoice& chosen) {
    const std::set<uint32_t> before = spots_of(neighbours, chosen);
    std::set<uint32_t> spots = before;
    const auto place = [&](uint32_t spot) { return mesh.positions[neighbours.first[spot]]; };
    const auto straightest = [&](uint32_t from, uint32_t at) {
        std::optional<uint32_t> best;
        const Vec3f along = (place(at) - place(from)).normalized();
        float least = 0.5F; // of the turn's cosine
        for (const uint32_t next : neighbours.of(at)) {
            const float cosine = along.dot((place(next) - place(at)).normalized());
            if (next != from && cosine > least) {
                least = cosine;
                best = next;
            }
        }
        return best;
    };
    for (const uint32_t from : before) {
        for (const uint32_t at : neighbours.of(from)) {
            if (!before.contains(at)) {
                continue;
            }
            uint32_t last = from;
            uint32_t now = at;
            while (const std::optional<uint32_t> next = straightest(last, now)) {
                if (!spots.insert(*next).second) {
                    break;
                }
                last = now;
                now = *next;
            }
        }
    }
    return vertices_of(neighbours, spots);
}

} // namespace wembrix
