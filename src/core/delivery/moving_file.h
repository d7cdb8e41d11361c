// The files of strands and caches: written frame by frame, read back frame by frame, and held against Prepared and
// against the model of the same delivery.
#pragma once

#include "core/delivery/delivery.h"
#include "core/delivery/moving_parts.h"

#include <filesystem>
#include <string>

namespace wembrix {

/// The destination with the container that its strands and caches go out in.
Destination with_points_container(Destination destination);

/// Writes a part to `path`, to which its container's suffix is added, with the stamp (null: none) where the container
/// has a place for it, and says so in `arrival`.
Outcome write_part(const Scene& prepared, const MovingPart& part, const Destination& destination,
                   const nlohmann::json& stamp, const std::filesystem::path& path, Arrival& arrival);

/// Reads the file and holds it against Prepared: counts, order, widths, roots, size, every point at every frame. Where
/// the strands grow on a surface of `model` (what arrived of the same delivery; or null), their roots have to lie on
/// it, each file read as the engine reads it. `arrival.scene` becomes what arrived, at rest, with the model.
/// `stamp` is what the file has to say of itself; null: anything.
Outcome check_part(const Scene& prepared, const MovingPart& part, const Destination& destination,
                   const nlohmann::json& stamp, const std::filesystem::path& file, const Scene* model,
                   Arrival& arrival);

} // namespace wembrix
