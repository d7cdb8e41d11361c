// OBJ: surfaces as text, with a library of materials beside it (as described in the appendix “Object Files” of the
// format's first manual, and as programs have written it since).
#pragma once

#include "core/base/result.h"
#include "core/formats/format.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <string>
#include <string_view>

namespace wembrix {

/// Each object is a surface of its own; where a file has none, each group. Vertices keep their order within a material:
/// those that have several coordinates or normals come once more behind the others. Polygons are cut into triangles.
/// Without normals, `s` lines say which faces are smooth; without those there are none. Colours behind a place are the
/// vertex's. The file says no unit and no axes: its numbers are taken for metres, Y up. What it has beyond that is a
/// note.
Result<Scene> read_obj(const std::filesystem::path& file);
/// How much text a core takes at a time.
constexpr size_t obj_block_bytes = size_t(4) << 20U;
/// `folder` is where libraries and images are looked for; empty: nowhere. What comes out is the same for any
/// `block_bytes` above 0.
Result<Scene> read_obj_text(std::string_view text, const std::string& name, const std::filesystem::path& folder = {},
                            size_t block_bytes = obj_block_bytes);

/// Surfaces as they stand at rest, one object each, with the library and images of their materials beside. Numbers as
/// short as they come back the same.
Result<std::vector<WrittenFile>> write_obj(const Scene& scene, const std::string& stem,
                                           const nlohmann::json& options = nlohmann::json::object());

} // namespace wembrix
