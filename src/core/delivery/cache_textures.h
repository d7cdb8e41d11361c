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

/// PATH_positions.exr, PATH_normals.exr and PATH.json, which says the stamp (null: none). Numbers are in the axes and
/// the unit that the engine project counts in. A Problem where the images would be larger than engines take.
Outcome write_cache_textures(const Scene& prepared, const MovingPart& part, const Destination& destination,
                             const nlohmann::json& stamp, const std::filesystem::path& path, Arrival& arrival);
/// Reads them back, puts every frame together from pixels, coordinates and description, and holds it against Prepared.
/// `stamp` is what the description has to say; null: anything.
Outcome check_cache_textures(const Scene& prepared, const MovingPart& part, const Destination& destination,
                             const nlohmann::json& stamp, const std::filesystem::path& description, const Scene* model,
                             Arrival& arrival);
/// The stamp in a description; null where it is none, or says none.
nlohmann::json stamp_of_cache_textures(const std::filesystem::path& description);

} // namespace wembrix
