#include "core/formats/gltf/accessor.h"
#include "core/formats/gltf/read_parts.h"
#include "core/scene/picture_places.h"

#include <fmt/format.h>

namespace wembrix::gltf {

namespace {

std::string mime_of(const std::string& bytes) {
    if (bytes.compare(0, 4, "\x89PNG") == 0) {
        return "image/png";
    }
    if (bytes.compare(0, 3, "\xFF\xD8\xFF") == 0) {
        return "image/jpeg";
    }
    if (bytes.compare(0, 4, "\xABKTX") == 0) {
        return "image/ktx2";
    }
    if (bytes.size() > 12 && bytes.compare(0, 4, "RIFF") == 0 && bytes.compare(8, 4, "WEBP") == 0) {
        return "image/webp";
    }
    return "";
}

void read_image(Document& document, const Json& json, const std::string& where, Scene& scene) {
    Image image;
    image.mime = text_of(json, "mimeType");
    std::string bytes;
    if (json.contains("uri")) {
        bytes = resolve_uri(document, text_of(json, "uri"), where);
        document.source_bytes += bytes.size();
    } else {
        const int64_t view = index_of(json, "bufferView", INT64_MAX, where);
        if (view < 0) {
            refuse(where, "has no data.");
        }
        bytes = std::string(view_bytes(document, view, where));
    }
    document.spend(bytes.size(), where);
    if (const std::string told = mime_of(bytes); !told.empty()) {
        image.mime = told;
    }
    if (image.mime.empty()) {
        refuse(where, "is no picture of a kind that glTF knows.");
    }
    Json rest = json;
    rest.erase("uri");
    rest.erase("bufferView");
    rest.erase("mimeType");
    image.json = dump(rest);
    image.bytes = std::vector<uint8_t>(bytes.begin(), bytes.end());
    scene.images.push_back(std::move(image));
}

} // namespace

void read_materials(Document& document, Scene& scene) {
    const Json& root = document.root;
    const Json& images = array_of(root, "images", "images");
    for (size_t i = 0; i < images.size(); ++i) {
        read_image(document, images[i], fmt::format("image {}", i), scene);
    }
    const Json& samplers = array_of(root, "samplers", "samplers");
    for (const Json& sampler : samplers) {
        scene.samplers.push_back(dump(sampler));
    }
    const Json& textures = array_of(root, "textures", "textures");
    for (size_t i = 0; i < textures.size(); ++i) {
        const std::string where = fmt::format("texture {}", i);
        index_of(textures[i], "source", static_cast<int64_t>(images.size()), where);
        index_of(textures[i], "sampler", static_cast<int64_t>(samplers.size()), where);
        for_texture_key(textures[i], "source", [&](const Json& place) {
            if (place.get<uint64_t>() >= images.size()) {
                refuse(where, "points at an image that is not there.");
            }
        });
        scene.textures.push_back(dump(textures[i]));
    }
    const Json& materials = array_of(root, "materials", "materials");
    for (size_t i = 0; i < materials.size(); ++i) {
        const std::string where = fmt::format("material {}", i);
        if (!materials[i].is_object()) {
            refuse(where, "is not an object.");
        }
        for_texture_objects(materials[i], [&](const Json& object) {
            index_of(object, "index", static_cast<int64_t>(textures.size()), where + ", texture");
        });
        Material material;
        material.name = text_of(materials[i], "name");
        material.json = dump(materials[i]);
        if (const auto surface = materials[i].find("pbrMetallicRoughness");
            surface != materials[i].end() && surface->is_object()) {
            const Json& colour = array_of(*surface, "baseColorFactor", where);
            for (size_t c = 0; c < 4 && c < colour.size(); ++c) {
                material.base_colour[c] = colour[c].is_number() ? colour[c].get<float>() : 1.0F;
            }
        }
        scene.materials.push_back(std::move(material));
    }
}

} // namespace wembrix::gltf
