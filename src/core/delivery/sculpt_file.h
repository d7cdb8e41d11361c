// One surface as it stands in a pose, as a file for a sculptor: what comes back is a source for "Add a shape" or "Add a
// corrective".
#pragma once

#include "core/base/result.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <string>

namespace wembrix {

struct SculptRequest {
    const Scene* scene = nullptr;
    std::string surface; ///< empty: the only one that is skinned or has shapes
    std::string clip;    ///< empty: at rest
    int frame = 0;       ///< of the clip, at its own rate
};
struct SculptFile {
    std::string surface;
    size_t vertices = 0;
};
/// Writes an OBJ (metres, Y up; no slots, so that vertices keep their order) whole and reads it back. A Problem, and no
/// file, where a vertex came back elsewhere or at another place in the order.
Result<SculptFile> write_sculpt_file(const SculptRequest& request, const std::filesystem::path& file);

} // namespace wembrix
