// COLLADA 1.4.1 ("COLLADA – Digital Asset Schema Release 1.4.1", Khronos, March 2008), in and out.
#pragma once

#include "core/formats/format.h"

#include <filesystem>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

/// Reads into core's conventions by the unit and the up axis that the file says. Images are taken from its folder; no
/// other file and no entity is opened.
Result<Scene> read_collada(const std::filesystem::path& file);
/// The same from memory: images stay behind, with a note each.
Result<Scene> read_collada_bytes(std::string_view bytes, const std::string& name);

/// `space`: the axes and the unit that the scene's numbers are in; the file says them. Fails where its up axis is
/// none that COLLADA has, and on what COLLADA has no place for. Clips go out as a matrix a node and frame.
Result<std::vector<WrittenFile>> write_collada(const Scene& scene, const std::string& stem, const AxisSystem& space);

} // namespace wembrix
