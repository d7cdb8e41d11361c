// One mesh as glTF JSON, its numbers in the buffer.
#pragma once

#include "core/formats/gltf/buffer_builder.h"
#include "core/scene/mesh.h"

namespace wembrix::gltf {

enum class Weights { sum_to_one, as_they_are };

/// Parts without points are left out.
Json write_mesh(const Mesh& mesh, const Influences& influences, BufferBuilder& buffer, Weights weights);

} // namespace wembrix::gltf
