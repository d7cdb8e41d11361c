// The pieces that the glTF reader is made of.
#pragma once

#include "core/formats/gltf/document.h"
#include "core/formats/gltf/known_extensions.h"
#include "core/scene/scene.h"

#include <set>
#include <string>

namespace wembrix::gltf {

/// `extras` and `extensions` as text, less the extensions that this reader has taken in itself and, with a note, those
/// that cannot be carried.
Carried carried_of(const Json& object, const std::set<std::string>& taken, Scene& scene, const Where& where,
                   Owner owner = Owner::other);

/// `influences` gets what the mesh says of joints, for the nodes that show it.
Mesh read_mesh(Document& document, size_t index, Scene& scene, Influences& influences);
/// `nodes[i]` is the scene's node of file node i; `file_scene.meshes` are read already.
void read_clips(Document& document, const std::vector<int>& nodes, Scene& scene);
void read_materials(Document& document, Scene& scene);

constexpr const char* lights_extension = "KHR_lights_punctual";
constexpr const char* webp_extension = "EXT_texture_webp";
/// Cameras and lights.
void read_cameras(Document& document, Scene& scene);
/// The place of a node's light, or -1.
int light_of(const Json& node, const Scene& scene, const Where& where);

} // namespace wembrix::gltf
