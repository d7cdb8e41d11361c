// Colours over a surface's texture coordinates: strands whose roots lie on one colour are one clump.
#pragma once

#include "core/measure/strands/strand_surface.h"

#include <cstdint>
#include <vector>

namespace wembrix {

struct ClumpMap {
    uint32_t width = 0; ///< pixels
    uint32_t height = 0;
    std::vector<uint32_t> colours; ///< row by row from the top; 0: no clump there

    /// The colour under a place of the surface, by its first texture coordinates, which repeat beyond 0 to 1; 0 where
    /// it has none. Precondition: width * height colours.
    [[nodiscard]] uint32_t at(const StrandSurface& surface, const CurveRoot& root) const;
    [[nodiscard]] size_t distinct() const; ///< colours that are clumps
};

/// Whether a surface has coordinates that a map can lie on.
bool has_coordinates(const Mesh& mesh);

} // namespace wembrix
