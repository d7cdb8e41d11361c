// What goes out point by point: strands as they stand, and caches of strands and surfaces over frames.
#pragma once

#include "core/destination/destination.h"
#include "core/formats/moving_points.h"
#include "core/scene/scene.h"

#include <optional>
#include <string>
#include <vector>

namespace wembrix {

/// One file's worth: strands at rest, a source's own cache, or the frames of a clip as the route card asks for them.
struct MovingPart {
    std::string name;                ///< "crest", "crest/shake_off": tells it from others of its kind
    int node = -1;                   ///< of Prepared
    const PointCache* own = nullptr; ///< its frames are there already
    CacheOrder order;                ///< else these; `clip` is empty where it stands still
    /// What stands for {part} and {clip} in its file's name.
    std::string part, clip;
};
/// Each set of strands, as it stands.
std::vector<MovingPart> strand_parts(const Scene& prepared);
/// Everything over frames. What is asked for twice is there once, as it was asked for last.
std::vector<MovingPart> cache_parts(const Scene& prepared);

/// Those that were asked for in one way.
std::vector<MovingPart> ordered_parts(const Scene& prepared, CacheAs as);

/// Where its points are at each of its frames: world, metres, core's axes. Prepared must outlive it.
MovingPoints frames_of(const Scene& prepared, const MovingPart& part, const Destination& destination);

/// The part alone, in world space at rest: one node at the top, its materials without their textures. Strands whose
/// surface is not there keep their roots, and the surface's name in the node's extras ("rootSurface").
Scene alone(const Scene& prepared, const MovingPart& part);

void transform_all(const Mat4& matrix, std::vector<Vec3f>& points);

/// How large its file will be, near enough to decide by.
uint64_t likely_bytes(const Scene& prepared, const MovingPart& part, const Destination& destination);

} // namespace wembrix
