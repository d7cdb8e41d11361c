// Which vertices of a surface are joined by edges of its triangles, and how far they are from each other along them.
#pragma once

#include "core/scene/mesh.h"

#include <cstdint>
#include <span>
#include <vector>

namespace wembrix {

/// Vertices at the very same place, which a seam of coordinates or normals split, are one spot: they have to move as
/// one. 8 bytes a vertex and 4 for each end of an edge.
struct Neighbours {
    std::vector<uint32_t> spot;    ///< one per vertex: which spot it lies on
    std::vector<uint32_t> first;   ///< one per spot: its first vertex
    std::vector<uint32_t> offsets; ///< spots + 1
    std::vector<uint32_t> to; ///< of spot i the spots that an edge leads to, ascending: [offsets[i], offsets[i + 1])
    [[nodiscard]] size_t spots() const { return first.size(); }
    [[nodiscard]] std::span<const uint32_t> of(size_t i) const {
        return {to.data() + offsets[i], to.data() + offsets[i + 1]};
    }
};
Neighbours neighbours_of(const Mesh& mesh);

/// For each spot the length of the shortest way along edges to one of `from` (spots), metres; infinite where none leads
/// there. Ways longer than `most` are not followed. (Dijkstra, 1959.)
std::vector<double> distances_along(const Mesh& mesh, const Neighbours& neighbours, const std::vector<uint32_t>& from,
                                    double most);

} // namespace wembrix
