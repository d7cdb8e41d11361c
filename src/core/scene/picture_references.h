// Where primitives point at materials, materials at textures, and textures at images and samplers: in their fields, and
// in what is carried along.
#pragma once

#include "core/scene/scene.h"

#include <functional>

namespace wembrix {

using EachReference = std::function<void(int& place)>;

/// The place in Scene::materials that a primitive is given, and those that it has in variants; -1 stands for none.
void for_material_references(Primitive& primitive, const EachReference& each);
/// Every place in Scene::textures that a material names; those that are -1 are not given.
void for_texture_references(Material& material, const EachReference& each);
void for_image_references(Texture& texture, const EachReference& each);
void for_sampler_references(Texture& texture, const EachReference& each);

} // namespace wembrix
