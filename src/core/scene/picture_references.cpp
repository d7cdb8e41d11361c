#include "core/scene/picture_references.h"

#include "core/scene/carried_lists.h"

#include <nlohmann/json.hpp>
#include <string_view>

namespace wembrix {

namespace {

using nlohmann::json;

void give(json& place, const EachReference& each) {
    int number = place.get<int>();
    each(number);
    place = number;
}

/// Every "...Texture" object that has an "index", at any depth but in extras.
void for_texture_objects(json& object, const EachReference& each) {
    if (!object.is_structured()) {
        return;
    }
    for (auto item = object.begin(); item != object.end(); ++item) {
        const std::string_view key = object.is_object() ? std::string_view(item.key()) : std::string_view();
        if (key == "extras") {
            continue;
        }
        if (item->is_object() && key.size() >= 7 && key.substr(key.size() - 7) == "Texture") {
            if (const auto index = item->find("index"); index != item->end() && index->is_number_unsigned()) {
                give(*index, each);
            }
        }
        for_texture_objects(*item, each);
    }
}

template <typename Visit> void in_json(std::string& text, const Visit& visit) {
    if (text.empty()) {
        return;
    }
    json object = json::parse(text);
    visit(object);
    text = object.dump();
}

void for_key(Texture& texture, const char* key, const EachReference& each) {
    in_json(texture.carried.extensions, [&](json& extensions) {
        for (auto& extension : extensions) {
            if (extension.is_object()) {
                if (const auto its = extension.find(key); its != extension.end() && its->is_number_unsigned()) {
                    give(*its, each);
                }
            }
        }
    });
}

} // namespace

void for_material_references(Primitive& primitive, const EachReference& each) {
    each(primitive.material);
    if (primitive.carried.extensions.find(variants_extension) == std::string::npos) {
        return;
    }
    in_json(primitive.carried.extensions, [&](json& extensions) {
        for_each_mapping(extensions, [&](json& mapping) {
            if (const auto its = mapping.find("material"); its != mapping.end() && its->is_number_unsigned()) {
                give(*its, each);
            }
        });
    });
}

void for_texture_references(Material& material, const EachReference& each) {
    for (TextureUse* use : {&material.base_colour_texture, &material.metalness_roughness_texture,
                            &material.normal_texture, &material.occlusion_texture, &material.emission_texture}) {
        if (use->texture >= 0) {
            each(use->texture);
        }
    }
    for (std::string* text : {&material.carried.extensions, &material.carried_surface.extensions,
                              &material.carried.other, &material.carried_surface.other}) {
        in_json(*text, [&](json& object) { for_texture_objects(object, each); });
    }
}

void for_image_references(Texture& texture, const EachReference& each) {
    if (texture.image >= 0) {
        each(texture.image);
    }
    for_key(texture, "source", each);
}

void for_sampler_references(Texture& texture, const EachReference& each) {
    if (texture.sampler >= 0) {
        each(texture.sampler);
    }
    for_key(texture, "sampler", each);
}

} // namespace wembrix
