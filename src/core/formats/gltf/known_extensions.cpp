#include "core/formats/gltf/known_extensions.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <vector>

namespace wembrix::gltf {

namespace {

using Becomes = KnownExtension::Becomes;

constexpr std::array known = {
    KnownExtension{"KHR_animation_pointer", Becomes::left_out, false, "moves values of materials, lights and cameras"},
    KnownExtension{"KHR_draco_mesh_compression", Becomes::decoded, true, "packed geometry"},
    KnownExtension{"KHR_lights_punctual", Becomes::read, true, "lights, and which node has which"},
    KnownExtension{"KHR_materials_anisotropy", Becomes::carried, true, "of a material; names textures"},
    KnownExtension{"KHR_materials_clearcoat", Becomes::carried, true, "of a material; names textures"},
    KnownExtension{"KHR_materials_diffuse_transmission", Becomes::carried, true, "of a material; names textures"},
    KnownExtension{"KHR_materials_dispersion", Becomes::carried, true, "of a material"},
    KnownExtension{"KHR_materials_emissive_strength", Becomes::carried, true, "of a material"},
    KnownExtension{"KHR_materials_ior", Becomes::carried, true, "of a material"},
    KnownExtension{"KHR_materials_iridescence", Becomes::carried, true, "of a material; names textures"},
    KnownExtension{"KHR_materials_pbrSpecularGlossiness", Becomes::carried, true, "of a material; names textures"},
    KnownExtension{"KHR_materials_sheen", Becomes::carried, true, "of a material; names textures"},
    KnownExtension{"KHR_materials_specular", Becomes::carried, true, "of a material; names textures"},
    KnownExtension{"KHR_materials_transmission", Becomes::carried, true, "of a material; names textures"},
    KnownExtension{"KHR_materials_unlit", Becomes::carried, true, "of a material"},
    KnownExtension{"KHR_materials_variants", Becomes::carried, true,
                   "materials by variant; names materials and variants"},
    KnownExtension{"KHR_materials_volume", Becomes::carried, true, "of a material; names textures"},
    KnownExtension{"KHR_mesh_quantization", Becomes::decoded, true, "small numbers in surfaces"},
    KnownExtension{"KHR_node_visibility", Becomes::carried, false, "whether a node is seen"},
    KnownExtension{"KHR_texture_basisu", Becomes::carried, true, "another image of a texture; names an image"},
    KnownExtension{"KHR_texture_transform", Becomes::read, true, "where a texture lies on its coordinates"},
    KnownExtension{"KHR_xmp_json_ld", Becomes::carried, false, "facts about the file or a piece; names a packet"},
    KnownExtension{"EXT_lights_image_based", Becomes::left_out, false, "light from pictures around the scene"},
    KnownExtension{"EXT_mesh_gpu_instancing", Becomes::decoded, true, "one surface at many places, each a node then"},
    KnownExtension{"EXT_meshopt_compression", Becomes::decoded, true, "packed data"},
    KnownExtension{"EXT_texture_avif", Becomes::carried, true, "another image of a texture; names an image"},
    KnownExtension{"EXT_texture_webp", Becomes::carried, true,
                   "another image of a texture, names an image; read where it is the only one"},
};

bool ends_with(std::string_view key, std::string_view ending) {
    return key.size() >= ending.size() &&
           std::equal(ending.begin(), ending.end(), key.end() - static_cast<std::ptrdiff_t>(ending.size()),
                      [](char a, char b) { return a == std::tolower(static_cast<unsigned char>(b)); });
}

bool is_path(const nlohmann::json& value) {
    return value.is_string() && value.get_ref<const std::string&>().starts_with('/');
}

/// A whole number or a path at any depth; `textures` lets pass what stands in an object called "...Texture".
bool may_point(const nlohmann::json& whole, bool textures) {
    std::vector<const nlohmann::json*> open = {&whole};
    while (!open.empty()) {
        const nlohmann::json& at = *open.back();
        open.pop_back();
        if (at.is_number_integer() || is_path(at)) {
            return true;
        }
        if (at.is_object()) {
            for (const auto& [key, value] : at.items()) {
                if (!textures || !value.is_object() || !key.ends_with("Texture")) {
                    open.push_back(&value);
                }
            }
        } else if (at.is_array()) {
            for (const nlohmann::json& value : at) {
                open.push_back(&value);
            }
        }
    }
    return false;
}

bool is_place(const nlohmann::json& value) {
    return value.is_number_unsigned() ||
           (value.is_array() && !value.empty() &&
            std::all_of(value.begin(), value.end(), [](const auto& one) { return one.is_number_unsigned(); }));
}

} // namespace

std::span<const KnownExtension> known_extensions() {
    return known;
}

const KnownExtension* known_extension(std::string_view name) {
    const auto* found = std::find_if(known.begin(), known.end(), [&](const auto& row) { return row.name == name; });
    return found == known.end() ? nullptr : found;
}

bool can_be_carried(std::string_view name, const nlohmann::json& value, Owner owner) {
    if (const KnownExtension* row = known_extension(name)) {
        return row->becomes == Becomes::carried;
    }
    if (owner == Owner::texture && value.is_object() && value.size() == 1 && value.contains("source")) {
        return true; // yet another kind of image: the same key in all of them
    }
    return !may_point(value, owner == Owner::material);
}

std::string place_in_extras(const nlohmann::json& extras) {
    constexpr std::array<std::string_view, 12> endings = {"node",    "nodes", "joint", "joints",   "mesh",   "material",
                                                          "texture", "image", "index", "accessor", "camera", "skin"};
    std::vector<const nlohmann::json*> open = {&extras};
    while (!open.empty()) {
        const nlohmann::json& at = *open.back();
        open.pop_back();
        if (at.is_object()) {
            for (const auto& [key, value] : at.items()) {
                if (is_place(value) && std::any_of(endings.begin(), endings.end(),
                                                   [&, &name = key](auto ending) { return ends_with(name, ending); })) {
                    return key;
                }
                open.push_back(&value);
            }
        } else if (at.is_array()) {
            for (const nlohmann::json& value : at) {
                open.push_back(&value);
            }
        }
    }
    return {};
}

} // namespace wembrix::gltf
