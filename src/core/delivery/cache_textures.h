// A cache as textures: for each frame of a clip, how far every vertex is from where it rests, and its normal, one pixel
// a vertex, in OpenEXR images with a description beside them. The model has a set of coordinates that leads to the
// pixels.
#pragma once

#include "core/delivery/delivery.h"
#include "core/delivery/moving_parts.h"

#include <filesystem>
#include <string>

namespace wembrix {

/// Caches that were asked for as textures.
std::vector<MovingPart> texture_parts(const Scene& prepared);

/// STEM_positions.exr, STEM_normals.exr and STEM.json into the folder. Numbers are in the axes and the unit that the
/// engine project counts in. A Problem where the images would be larger than engines take.
Outcome write_cache_textures(const Scene& prepared, const MovingPart& part, const Destination& destination,
                             const std::string& stem, const std::filesystem::path& folder, Arrival& arrival);
/// Reads them back, puts every frame together from pixels, coordinates and description, and holds it against Prepared.
Outcome check_cache_textures(const Scene& prepared, const MovingPart& part, const Destination& destination,
                             const std::filesystem::path& description, const Scene* model, Arrival& arrival);

} // namespace wembrix
