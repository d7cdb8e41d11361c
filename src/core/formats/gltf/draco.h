// KHR_draco_mesh_compression: primitives, packed. Packing and unpacking are Draco's; what is packed, and that it comes
// back value by value in the same order, stands here.
#pragma once

#include "core/formats/gltf/document.h"

#include <string>

namespace wembrix::gltf {

constexpr const char* draco_extension = "KHR_draco_mesh_compression";

/// Unpacks every primitive that is packed; its accessors name plain bytes then. One that cannot be unpacked and has
/// plain bytes beside it keeps those; one that has none is refused.
void unpack_primitives(Document& document);

/// Packs the primitives of indexed triangles whose vertices are no other primitive's. `bytes` are those of buffer 0.
/// True where any was packed. Precondition: each view of an accessor has that one alone.
bool pack_primitives(Json& root, std::string& bytes);

} // namespace wembrix::gltf
