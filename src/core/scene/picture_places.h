// Where carried JSON of materials and textures points at: the places of textures, images and samplers.
#pragma once

#include <nlohmann/json.hpp>
#include <string_view>

namespace wembrix {

/// Calls `each` on every "...Texture" object of a material that has an "index", at any depth but in extras.
template <typename Json, typename Each> void for_texture_objects(Json& material, const Each& each) {
    if (!material.is_structured()) {
        return;
    }
    for (auto item = material.begin(); item != material.end(); ++item) {
        const std::string_view key = material.is_object() ? std::string_view(item.key()) : std::string_view();
        if (key == "extras") {
            continue;
        }
        if (item->is_object() && key.size() >= 7 && key.substr(key.size() - 7) == "Texture" &&
            item->contains("index")) {
            each(*item);
        }
        for_texture_objects(*item, each);
    }
}

/// Calls `each` on every value of `key` ("source" or "sampler") of a texture: its own and those of its extensions.
template <typename Json, typename Each> void for_texture_key(Json& texture, const char* key, const Each& each) {
    if (const auto own = texture.find(key); own != texture.end() && own->is_number_unsigned()) {
        each(*own);
    }
    const auto extensions = texture.find("extensions");
    if (extensions == texture.end() || !extensions->is_object()) {
        return;
    }
    for (auto& extension : *extensions) {
        if (extension.is_object()) {
            if (const auto its = extension.find(key); its != extension.end() && its->is_number_unsigned()) {
                each(*its);
            }
        }
    }
}

} // namespace wembrix
