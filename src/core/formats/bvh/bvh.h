// BVH: one skeleton and one motion as text (Meredith and Maddock, Motion Capture File Formats Explained, 2001).
#pragma once

#include "core/base/result.h"
#include "core/formats/format.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <string>
#include <string_view>

namespace wembrix {

/// Joints at their OFFSETs without turns, and the motion as one clip with the file's name. Channels in any order, three
/// or six a joint or none. End sites become joints called NAME_end, those without a length none. A BVH says no unit:
/// its numbers are taken for metres. Where a joint has both an OFFSET and channels of place, the channels say the place
/// itself, unless their first frame lies nearer nothing than the OFFSET: then they are added to it.
Result<Scene> read_bvh(const std::filesystem::path& file);
Result<Scene> read_bvh_text(std::string_view text, const std::string& name);

/// What can be set of a file: the order of the axes that rotations are written about, and the decimals of its numbers.
std::vector<Parameter> bvh_options();

/// The joints below the one root and the first clip, at its rate; without a clip one frame of the rest pose. BVH has no
/// scale, no surfaces and no rest rotations: scale is
/// refused, the turns at rest are in the motion. Places in metres.
Result<std::vector<WrittenFile>> write_bvh(const Scene& scene, const std::string& stem,
                                           const nlohmann::json& options = nlohmann::json::object());

} // namespace wembrix
