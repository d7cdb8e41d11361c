#include "core/base/text.h"
#include "core/formats/gltf/accessor.h"
#include "core/formats/gltf/read_parts.h"
#include "core/formats/gltf/typed_values.h"
#include "core/scene/picture_references.h"

#include <algorithm>
#include <filesystem>
#include <fmt/format.h>
#include <optional>

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

/// What a texture says of a WebP image; null where it says nothing.
const Json* webp_of(const Json& texture) {
    const auto extensions = texture.is_object() ? texture.find("extensions") : texture.end();
    if (!texture.is_object() || extensions == texture.end() || !extensions->is_object()) {
        return nullptr;
    }
    const auto found = extensions->find(webp_extension);
    return found != extensions->end() && found->is_object() ? &*found : nullptr;
}

/// The bytes that an image's address means. One whose file is not where it says is sought by its name below the folder
/// of the source; nothing, and a note, where there is none.
std::shared_ptr<const std::string> bytes_at(Document& document, const std::string& uri, const std::string& where,
                                            Scene& scene) {
    const std::optional<std::string> name = file_named(document, uri, where);
    std::error_code none;
    if (!name || std::filesystem::exists(document.folder / *name, none)) {
        return resolve_uri(document, uri, where);
    }
    const std::string said = name->substr(0, 120);
    const std::optional<std::string> other = same_name_below(document, *name);
    if (!other) {
        scene.notes.push_back({where, phrase("points at \"{}\", which is not there, and no file of that name lies "
                                             "in the source's folder or below it; its materials go without it. Put "
                                             "it there, or ask for it.",
                                             said)});
        return nullptr;
    }
    scene.notes.push_back({where, phrase("points at \"{}\", which is not there; \"{}\" was taken, which is called "
                                         "the same.",
                                         said, *other)});
    return file_bytes(document, *other, where);
}

/// Images of one file or one view share their bytes. Empty for one that is missing.
Shared<uint8_t> image_bytes(Document& document, const Json& json, const std::string& where, Scene& scene) {
    const auto unpacked = [&](std::string_view bytes) {
        document.spend(bytes.size(), where);
        return Shared<uint8_t>(std::vector<uint8_t>(bytes.begin(), bytes.end()));
    };
    if (json.contains("uri")) {
        const std::shared_ptr<const std::string> bytes = bytes_at(document, text_of(json, "uri"), where, scene);
        if (bytes == nullptr) {
            return {};
        }
        if (bytes.use_count() == 1) {
            return unpacked(*bytes); // embedded: of nobody else
        }
        const auto [known, fresh] = document.pictures_of_files.try_emplace(bytes.get());
        return fresh ? known->second = unpacked(*bytes) : known->second;
    }
    const int64_t view = index_of(json, "bufferView", INT64_MAX, where);
    if (view < 0) {
        refuse(where, "has no data.");
    }
    const auto [known, fresh] = document.pictures_of_views.try_emplace(view);
    return fresh ? known->second = unpacked(view_bytes(document, view, where)) : known->second;
}

void read_image(Document& document, const Json& json, const std::string& where, Scene& scene) {
    Image image;
    image.mime = text_of(json, "mimeType");
    image.bytes = image_bytes(document, json, where, scene);
    const bool missing = image.bytes.empty() && json.contains("uri");
    const auto first = std::min<size_t>(image.bytes.size(), 16);
    if (const std::string told = mime_of(std::string(image.bytes.begin(), image.bytes.begin() + first));
        !told.empty()) {
        image.mime = told;
    }
    if (image.mime.empty() && !missing) {
        refuse(where, "is no picture of a kind that glTF knows.");
    }
    Json rest = json;
    rest.erase("uri");
    rest.erase("bufferView");
    rest.erase("mimeType");
    Taken taken(rest, where);
    taken.text("name", image.name);
    image.carried = taken.carried({}, scene);
    scene.images.push_back(std::move(image));
}

constexpr const char* transform_extension = "KHR_texture_transform";

TextureUse read_use(Taken& material, const char* key, size_t textures, const char* strength_key, double* strength,
                    Scene& scene) {
    TextureUse use;
    const Json object = material.object(key);
    if (object.is_null()) {
        return use;
    }
    Taken taken(object, material.where() + ", texture");
    use.texture = taken.index("index", textures);
    if (use.texture < 0) {
        refuse(taken.where(), "does not say which: it has no \"index\".");
    }
    double coordinates = 0;
    taken.number("texCoord", coordinates);
    if (strength != nullptr) {
        taken.number(strength_key, *strength);
    }
    std::set<std::string> known;
    if (const auto extensions = object.find("extensions");
        extensions != object.end() && extensions->is_object() && extensions->contains(transform_extension)) {
        const Json& transform = (*extensions)[transform_extension];
        // What it says beyond these four goes on as it came, with all of it.
        const bool plain = transform.is_object() &&
                           std::all_of(transform.items().begin(), transform.items().end(), [](const auto& item) {
                               return item.key() == "offset" || item.key() == "rotation" || item.key() == "scale" ||
                                      item.key() == "texCoord";
                           });
        if (plain) {
            Taken values(transform, taken.where());
            values.numbers("offset", use.offset);
            values.number("rotation", use.rotation);
            values.numbers("scale", use.scale);
            values.number("texCoord", coordinates);
            known.insert(transform_extension);
        }
    }
    use.coordinates = static_cast<int>(coordinates);
    use.carried = taken.carried(known, scene);
    return use;
}

Material read_material(const Json& json, size_t textures, const std::string& where, Scene& scene) {
    Material material;
    Taken taken(json, where);
    taken.text("name", material.name);
    const Json block = taken.object("pbrMetallicRoughness");
    if (!block.is_null()) {
        Taken surface(block, where);
        surface.numbers("baseColorFactor", material.base_colour);
        surface.number("metallicFactor", material.metalness);
        surface.number("roughnessFactor", material.roughness);
        material.base_colour_texture = read_use(surface, "baseColorTexture", textures, "", nullptr, scene);
        material.metalness_roughness_texture =
            read_use(surface, "metallicRoughnessTexture", textures, "", nullptr, scene);
        material.carried_surface = surface.carried({}, scene, Owner::material);
    }
    material.normal_texture = read_use(taken, "normalTexture", textures, "scale", &material.normal_scale, scene);
    material.occlusion_texture =
        read_use(taken, "occlusionTexture", textures, "strength", &material.occlusion_strength, scene);
    material.emission_texture = read_use(taken, "emissiveTexture", textures, "", nullptr, scene);
    taken.numbers("emissiveFactor", material.emission);
    int mode = 0;
    taken.choice("alphaMode", {"OPAQUE", "MASK", "BLEND"}, mode);
    material.alpha_mode = static_cast<AlphaMode>(mode);
    taken.number("alphaCutoff", material.alpha_cutoff);
    taken.flag("doubleSided", material.double_sided);
    material.carried = taken.carried({}, scene, Owner::material);
    return material;
}

Wrap wrap_of(double number, const std::string& where) {
    if (number != 10497 && number != 33071 && number != 33648) {
        refuse(where, phrase("has the wrap mode {:g}, which glTF does not know.", number));
    }
    return number == 33071 ? Wrap::clamp : number == 33648 ? Wrap::mirror : Wrap::repeat;
}

Sampler read_sampler(const Json& json, const std::string& where, Scene& scene) {
    Sampler sampler;
    Taken taken(json, where);
    taken.text("name", sampler.name);
    double u = 10497;
    double v = 10497;
    taken.number("wrapS", u);
    taken.number("wrapT", v);
    sampler.wrap_u = wrap_of(u, where);
    sampler.wrap_v = wrap_of(v, where);
    double magnified = 0;
    double minified = 0;
    taken.number("magFilter", magnified);
    taken.number("minFilter", minified);
    const auto known = [&](double number, std::initializer_list<int> numbers) {
        if (std::none_of(numbers.begin(), numbers.end(), [&](int one) { return one == number; })) {
            refuse(where, phrase("has the filter {:g}, which glTF does not know.", number));
        }
    };
    known(magnified, {0, 9728, 9729});
    known(minified, {0, 9728, 9729, 9984, 9985, 9986, 9987});
    sampler.magnified = magnified == 9728 ? Filter::nearest : magnified == 9729 ? Filter::linear : Filter::any;
    if (minified != 0) {
        const int number = static_cast<int>(minified);
        sampler.minified = number == 9728 || number == 9984 || number == 9986 ? Filter::nearest : Filter::linear;
        sampler.between_levels = number < 9984 ? Filter::any : number < 9986 ? Filter::nearest : Filter::linear;
    }
    sampler.carried = taken.carried({}, scene);
    return sampler;
}

} // namespace

void read_materials(Document& document, Scene& scene) {
    const Json& root = document.root;
    const Json& images = array_of(root, "images", "images");
    for (size_t i = 0; i < images.size(); ++i) {
        read_image(document, images[i], phrase("image {}", i), scene);
    }
    const Json& samplers = array_of(root, "samplers", "samplers");
    for (size_t i = 0; i < samplers.size(); ++i) {
        scene.samplers.push_back(read_sampler(samplers[i], fmt::format("sampler {}", i), scene));
    }
    const Json& textures = array_of(root, "textures", "textures");
    const auto within = [](size_t limit, const std::string& where) {
        return [limit, where](int& place) {
            if (place < 0 || static_cast<size_t>(place) >= limit) {
                refuse(where, "points at something that is not there.");
            }
        };
    };
    for (size_t i = 0; i < textures.size(); ++i) {
        const std::string where = fmt::format("texture {}", i);
        Texture texture;
        Taken taken(textures[i], where);
        taken.text("name", texture.name);
        texture.image = taken.index("source", images.size());
        std::set<std::string> taken_extensions;
        if (const Json* webp = webp_of(textures[i]); webp != nullptr && texture.image < 0) {
            texture.image = static_cast<int>(index_of(*webp, "source", static_cast<int64_t>(images.size()), where));
            taken_extensions.insert(webp_extension);
        }
        if (texture.image >= 0 && scene.images[static_cast<size_t>(texture.image)].bytes.empty()) {
            texture.image = -1; // missing, which its note says
        }
        texture.sampler = taken.index("sampler", samplers.size());
        texture.carried = taken.carried(taken_extensions, scene, Owner::texture);
        for_image_references(texture, within(images.size(), where));
        for_sampler_references(texture, within(samplers.size(), where));
        scene.textures.push_back(std::move(texture));
    }
    const Json& materials = array_of(root, "materials", "materials");
    for (size_t i = 0; i < materials.size(); ++i) {
        const std::string where = fmt::format("material {}", i);
        if (!materials[i].is_object()) {
            refuse(where, "is not an object.");
        }
        Material material = read_material(materials[i], textures.size(), where, scene);
        for_texture_references(material, within(textures.size(), where + ", texture"));
        scene.materials.push_back(std::move(material));
    }
}

} // namespace wembrix::gltf
