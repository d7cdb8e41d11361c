// The set of coordinates by which a surface's vertices find their pixels in the textures that it is cached as.
#pragma once

#include "core/scene/scene.h"

#include <string>

namespace wembrix {

/// Where the pixels of so many vertices are: frame after frame from the top, each `rows` high.
struct TextureLayout {
    uint32_t width = 0;
    uint32_t rows = 0; ///< a frame
};
TextureLayout texture_layout(size_t vertices);

/// The set's name on a surface of Prepared: the first that is free there.
std::string pixel_coordinates_of(const Scene& prepared, int node);

/// Adds the set to each surface that is cached as textures: the middle of each vertex's pixel in the block of one
/// frame, (column + 0.5) / width and (row + 0.5) / rows. In frame f of n it is at (u, (f + v) / n), rows from the top.
void add_pixel_coordinates(Scene& scene);

} // namespace wembrix
