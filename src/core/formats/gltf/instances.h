// EXT_mesh_gpu_instancing: one surface at many places of a node.
#pragma once

#include "core/formats/gltf/read_parts.h"

namespace wembrix::gltf {

constexpr const char* instancing_extension = "EXT_mesh_gpu_instancing";

/// Makes each place a node below the one that had them, called after it with a number, that shows the surface by
/// itself: the document is as if nobody had used the extension. Keys of the node's shapes go to each of them. What
/// cannot be shown so (places under a skin, more than `most_places`, values of a place beyond where it is) stays behind
/// with a note; `unpack_views` comes first. Refuses places of different numbers.
void unpack_instances(Document& document, Scene& scene);

/// Nodes and keys of shapes that the places of one file may make.
constexpr size_t most_places = 20'000;

} // namespace wembrix::gltf
