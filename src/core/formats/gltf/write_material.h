// Materials with what they use, cameras and lights, as glTF JSON.
#pragma once

#include "core/formats/gltf/buffer_builder.h"
#include "core/scene/scene.h"

namespace wembrix::gltf {

/// "materials", "images", "textures" and "samplers" of `root`; empty lists are left out.
void write_materials(const Scene& scene, BufferBuilder& buffer, Json& root);
Json write_camera(const Camera& camera);
Json write_light(const Light& light);

} // namespace wembrix::gltf
