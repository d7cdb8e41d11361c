// EXT_meshopt_compression: the bytes of buffer views, packed. Packing and unpacking are meshoptimizer's; which bytes,
// and in which of its ways, stands here. What is packed unpacks to the very same bytes.
#pragma once

#include "core/formats/gltf/document.h"

#include <string>

namespace wembrix::gltf {

constexpr const char* meshopt_extension = "EXT_meshopt_compression";

/// Unpacks every view that is packed, into buffers of their own; the document is as if nobody had packed it then.
/// Refuses what does not unpack to as many bytes as the view says.
void unpack_views(Document& document);

/// Packs the views of accessors that become smaller by it. `bytes` are those of buffer 0 and become the packed ones.
/// Returns how many bytes a second buffer, which nothing fills, has to say: 0 where nothing was packed.
/// Precondition: each view of an accessor has that one alone.
size_t pack_views(Json& root, std::string& bytes);

} // namespace wembrix::gltf
