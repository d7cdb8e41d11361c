// Ribbons and tubes that stand for strands in engines that draw none: one for each group of strands that run alike.
#pragma once

#include "core/math/transform.h"

#include <array>
#include <cstdint>
#include <span>
#include <vector>

namespace wembrix {

struct CardShape {
    size_t triangles = 2000; ///< of all of them together, at most
    int segments = 6;        ///< of each, from root to tip
    int sides = 0;           ///< of a tube; 0: ribbons
    double width = 1;        ///< times as wide as the strands lie apart
    int columns = 1;         ///< side by side in the texture: each takes one of them
    /// Of one card.
    [[nodiscard]] size_t triangles_of_one() const {
        const auto rows = static_cast<size_t>(segments);
        return sides == 0 ? 2 * rows : 2 * rows * static_cast<size_t>(sides) + static_cast<size_t>(sides) - 2;
    }
};

/// Strands in the world, metres, the root first.
struct StrandLines {
    std::span<const uint32_t> counts; ///< points of each
    std::span<const Vec3f> points;
    std::span<const float> widths;  ///< one a point, or none
    std::span<const Vec3> outwards; ///< unit, one a strand: the surface's normal at its root; or none
};

/// All cards in one: the same number of vertices each, one card after another, rows from root to tip. A row of a ribbon
/// is two vertices; of a tube `sides` + 1, the last at the first's place with the texture's other edge.
struct StrandCards {
    std::vector<uint32_t> strands; ///< of each card: whose way it takes
    size_t rows = 0;               ///< of each
    size_t row_points = 0;
    std::vector<Vec3f> points; ///< world, metres
    std::vector<Vec3f> normals;
    std::vector<float> coordinates; ///< two a point: across the card's column, and 0 at the root to 1 at the tip
    std::vector<std::array<uint32_t, 3>> triangles;
    size_t unlike = 0;       ///< strands of less than two points: in no card
    double mean_apart_m = 0; ///< how far the strands run beside the ribbons or tubes that stand for them
    double most_apart_m = 0;
};

/// Strands are grouped by where their roots, middles and tips are (Lloyd, Least squares quantization in PCM, 1982, from
/// the farthest ones on), so that two that begin side by side and part are in two cards. A card takes the way of the
/// strand nearest to its group's mean: its root stays on the surface. A ribbon is √3, a tube √2 times as wide each way
/// as its strands are apart (the root of the mean square), which is how wide strands lie that fill it evenly; at least
/// as wide as the strand. It lies flat against the surface, or where it stands up from it along its strands' roots, and
/// turns on its way no more than it bends. The same for the same strands, on any number of threads.
StrandCards cards_of(const StrandLines& strands, const CardShape& shape);

} // namespace wembrix
