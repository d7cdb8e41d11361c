#include "core/formats/gltf/write_material.h"

#include "core/formats/gltf/read_parts.h"
#include "core/formats/gltf/typed_values.h"

#include <map>

namespace wembrix::gltf {

namespace {

void put_use(Given& to, const char* key, const TextureUse& use, const char* strength_key = nullptr,
             double strength = 1) {
    if (use.texture < 0) {
        return;
    }
    Given object(use.carried);
    object.at("index") = use.texture;
    object.number("texCoord", use.coordinates, 0);
    if (strength_key != nullptr) {
        object.number(strength_key, strength, 1);
    }
    const TextureUse plain;
    if (use.offset != plain.offset || use.rotation != plain.rotation || use.scale != plain.scale) {
        Given transform{Carried{}};
        transform.numbers("offset", use.offset, plain.offset);
        transform.number("rotation", use.rotation, 0);
        transform.numbers("scale", use.scale, plain.scale);
        object.at("extensions")["KHR_texture_transform"] = transform.take();
    }
    to.at(key) = object.take();
}

Json write_material(const Material& material) {
    const Material plain;
    Given to(material.carried);
    to.text("name", material.name);
    Given surface(material.carried_surface);
    surface.numbers("baseColorFactor", material.base_colour, plain.base_colour);
    surface.number("metallicFactor", material.metalness, plain.metalness);
    surface.number("roughnessFactor", material.roughness, plain.roughness);
    put_use(surface, "baseColorTexture", material.base_colour_texture);
    put_use(surface, "metallicRoughnessTexture", material.metalness_roughness_texture);
    if (Json block = surface.take(); !block.empty()) {
        to.at("pbrMetallicRoughness") = std::move(block);
    }
    put_use(to, "normalTexture", material.normal_texture, "scale", material.normal_scale);
    put_use(to, "occlusionTexture", material.occlusion_texture, "strength", material.occlusion_strength);
    put_use(to, "emissiveTexture", material.emission_texture);
    to.numbers("emissiveFactor", material.emission, plain.emission);
    to.choice("alphaMode", {"OPAQUE", "MASK", "BLEND"}, static_cast<int>(material.alpha_mode), 0);
    to.number("alphaCutoff", material.alpha_cutoff, plain.alpha_cutoff);
    to.flag("doubleSided", material.double_sided, false);
    return to.take();
}

double wrap_number(Wrap wrap) {
    return wrap == Wrap::clamp ? 33071 : wrap == Wrap::mirror ? 33648 : 10497;
}

double filter_number(Filter filter, Filter between) {
    if (filter == Filter::any) {
        return 0;
    }
    const int linear = filter == Filter::linear ? 1 : 0;
    return between == Filter::any ? 9728 + linear : between == Filter::nearest ? 9984 + linear : 9986 + linear;
}

Json write_sampler(const Sampler& sampler) {
    Given to(sampler.carried);
    to.text("name", sampler.name);
    to.number("wrapS", wrap_number(sampler.wrap_u), 10497);
    to.number("wrapT", wrap_number(sampler.wrap_v), 10497);
    to.number("magFilter", filter_number(sampler.magnified, Filter::any), 0);
    to.number("minFilter", filter_number(sampler.minified, sampler.between_levels), 0);
    return to.take();
}

} // namespace

void write_materials(const Scene& scene, BufferBuilder& buffer, Json& root) {
    const auto put = [&](const char* key, Json list) {
        if (!list.empty()) {
            root[key] = std::move(list);
        }
    };
    Json materials = Json::array();
    for (const Material& material : scene.materials) {
        materials.push_back(write_material(material));
    }
    Json images = Json::array();
    std::map<const uint8_t*, int> views; // images that share their bytes share them in the file
    for (const Image& image : scene.images) {
        const auto [view, fresh] = views.try_emplace(image.bytes.data(), 0);
        if (fresh) {
            view->second = buffer.add_bytes(reinterpret_cast<const char*>(image.bytes.data()), image.bytes.size());
        }
        Given to(image.carried);
        to.text("name", image.name);
        to.at("mimeType") = image.mime;
        to.at("bufferView") = view->second;
        images.push_back(to.take());
    }
    Json textures = Json::array();
    for (const Texture& texture : scene.textures) {
        Given to(texture.carried);
        to.text("name", texture.name);
        const bool is_webp =
            texture.image >= 0 && scene.images[static_cast<size_t>(texture.image)].mime == "image/webp";
        to.number("source", is_webp ? -1 : texture.image, -1);
        to.number("sampler", texture.sampler, -1);
        textures.push_back(to.take());
        if (is_webp) {
            textures.back()["extensions"][webp_extension]["source"] = texture.image;
        }
    }
    Json samplers = Json::array();
    for (const Sampler& sampler : scene.samplers) {
        samplers.push_back(write_sampler(sampler));
    }
    put("materials", std::move(materials));
    put("images", std::move(images));
    put("textures", std::move(textures));
    put("samplers", std::move(samplers));
}

Json write_camera(const Camera& camera) {
    const bool perspective = camera.kind == Camera::Kind::perspective;
    Given to(camera.carried);
    to.text("name", camera.name);
    to.at("type") = perspective ? "perspective" : "orthographic";
    Given values{Carried{}};
    if (perspective) {
        values.at("yfov") = Given::as_json(camera.field_of_view);
        values.number("aspectRatio", camera.aspect, 0);
        values.number("zfar", camera.far_m, 0);
    } else {
        values.at("xmag") = Given::as_json(camera.half_width_m);
        values.at("ymag") = Given::as_json(camera.half_height_m);
        values.at("zfar") = Given::as_json(camera.far_m);
    }
    values.at("znear") = Given::as_json(camera.near_m);
    to.at(perspective ? "perspective" : "orthographic") = values.take();
    return to.take();
}

Json write_light(const Light& light) {
    const Light plain;
    Given to(light.carried);
    to.text("name", light.name);
    to.at("type") = light.kind == Light::Kind::directional ? "directional"
                    : light.kind == Light::Kind::spot      ? "spot"
                                                           : "point";
    to.numbers("color", light.colour, plain.colour);
    to.number("intensity", light.intensity, 1);
    to.number("range", light.range_m, 0);
    if (light.kind == Light::Kind::spot) {
        Given spot{Carried{}};
        spot.number("innerConeAngle", light.inner_angle, 0);
        spot.number("outerConeAngle", light.outer_angle, plain.outer_angle);
        to.at("spot") = spot.take();
    }
    return to.take();
}

} // namespace wembrix::gltf
