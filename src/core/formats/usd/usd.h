// USD: scenes as text (.usda) or binary crate (.usdc), by the core specification and the schemas of geometry, skeletons
// and preview materials that come with it.
#pragma once

#include "core/base/result.h"
#include "core/formats/format.h"
#include "core/formats/moving_points.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <string>
#include <vector>

namespace wembrix {

/// Text or crate, whatever its suffix says. Its unit and its up axis are brought into core's. Each prim that places
/// something is a node; joints hang where their Skeleton does; the animations that skeletons are bound to and what else
/// moves are one clip, animations beside them one each. Faces of more than three corners become triangles; points that
/// have several coordinates or normals come once more behind the others. Points over time are caches. What it has
/// beyond that is a note.
Result<Scene> read_usd(const std::filesystem::path& file);
/// The same of bytes that lie nowhere: no other file is opened.
Result<Scene> read_usd_bytes(std::string bytes, const std::string& name);

/// The scene below one prim with the stem's name. `space` says the up axis and the unit that its numbers are in.
/// Joints and their motion stand in one Skeleton for each of their trees' parents, surfaces as meshes of triangles
/// under it, images beside. A scene that says of one joint two bind poses is refused: a Skeleton has one.
Result<std::vector<WrittenFile>> write_usd(const Scene& scene, const std::string& stem, const AxisSystem& space,
                                           bool as_text);

/// A crate whose one moving part has its points, and what they span, at each frame; beside that the scene at rest.
/// Images are not written.
Outcome write_moving_usd(const Scene& scene, const MovingPoints& points, const std::filesystem::path& file,
                         const AxisSystem& space);
/// A file that was written so, and that nobody shortens as long as it is open: frames are looked at where they lie.
Result<MovingFile> open_moving_usd(const std::filesystem::path& file);

} // namespace wembrix
