// Gives materials their looks, or takes all materials away.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/scene/image_facts.h"
#include "core/steps/names.h"
#include "core/steps/surface/surface_scope.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <fmt/format.h>
#include <map>
#include <optional>

namespace wembrix {

namespace {

struct MaterialSettings {
    std::vector<std::string> materials;
    std::string base_colour;
    std::optional<double> metalness;
    std::optional<double> roughness;
    std::string emission;
    std::string alpha;
    std::optional<double> opacity;
    std::optional<double> cutoff;
    std::optional<bool> double_sided;
    bool without_images = false;
    std::string base_colour_image, metalness_roughness_image, normal_image, occlusion_image, emission_image;
};

/// Which image of the settings goes where.
struct ImagePlace {
    std::string MaterialSettings::*image;
    TextureUse Material::*use;
    const char* name;
};
constexpr std::array<ImagePlace, 5> image_places = {
    {{&MaterialSettings::base_colour_image, &Material::base_colour_texture, "base_colour"},
     {&MaterialSettings::metalness_roughness_image, &Material::metalness_roughness_texture, "metalness_roughness"},
     {&MaterialSettings::normal_image, &Material::normal_texture, "normal"},
     {&MaterialSettings::occlusion_image, &Material::occlusion_texture, "occlusion"},
     {&MaterialSettings::emission_image, &Material::emission_texture, "emission"}}};

/// "#RRGGBB", as screens show it, in linear parts. (IEC 61966-2-1)
std::optional<std::array<double, 3>> colour_of(const std::string& text) {
    uint32_t value = 0;
    if (text.size() != 7 || text[0] != '#') {
        return std::nullopt;
    }
    const auto [end, error] = std::from_chars(text.data() + 1, text.data() + 7, value, 16);
    if (error != std::errc() || end != text.data() + 7) {
        return std::nullopt;
    }
    const auto linear = [](uint32_t part) {
        const double shown = part / 255.0;
        return shown <= 0.04045 ? shown / 12.92 : std::pow((shown + 0.055) / 1.055, 2.4);
    };
    return std::array<double, 3>{linear(value >> 16U & 255U), linear(value >> 8U & 255U), linear(value & 255U)};
}

std::optional<Problem> check_colour(const nlohmann::json& value) {
    const std::string text = value.is_string() ? value.get<std::string>() : "";
    return text.empty() || colour_of(text) ? std::nullopt : std::optional<Problem>(malformed("a colour is “#RRGGBB”."));
}

void set_looks(Material& material, const MaterialSettings& settings) {
    if (const auto colour = colour_of(settings.base_colour)) {
        std::copy(colour->begin(), colour->end(), material.base_colour.begin());
    }
    if (const auto colour = colour_of(settings.emission)) {
        material.emission = *colour;
    }
    material.metalness = settings.metalness.value_or(material.metalness);
    material.roughness = settings.roughness.value_or(material.roughness);
    material.base_colour[3] = settings.opacity.value_or(material.base_colour[3]);
    material.alpha_cutoff = settings.cutoff.value_or(material.alpha_cutoff);
    material.double_sided = settings.double_sided.value_or(material.double_sided);
    if (!settings.alpha.empty()) {
        material.alpha_mode = settings.alpha == "opaque" ? AlphaMode::opaque
                              : settings.alpha == "mask" ? AlphaMode::mask
                                                         : AlphaMode::blend;
    }
    if (settings.without_images) {
        for (TextureUse* use : {&material.base_colour_texture, &material.metalness_roughness_texture,
                                &material.normal_texture, &material.occlusion_texture, &material.emission_texture}) {
            *use = TextureUse();
        }
    }
}

/// Puts the images into the scene, each once, and gives their textures' places, by hash.
Result<std::map<std::string, int>> put_images(Scene& scene, const StepContext& context,
                                              const MaterialSettings& settings) {
    std::map<std::string, int> textures;
    for (const ImagePlace& place : image_places) {
        const std::string& name = settings.*place.image;
        if (name.empty() || textures.contains(name)) {
            continue;
        }
        const auto held = context.data == nullptr ? StepData::const_iterator() : context.data->find(name);
        if (context.data == nullptr || held == context.data->end()) {
            return Problem{phrase("the image {} is not there, or not as it was taken.", name), "",
                           "It lies in the folder beside the job; choose the file again."};
        }
        const std::string& bytes = *held->second;
        const std::vector<uint8_t> copy(bytes.begin(), bytes.end());
        const std::optional<ImageFacts> facts = image_facts(copy);
        if (!facts) {
            return Problem{phrase("the {} image is neither a PNG nor a JPEG.", place.name), "", ""};
        }
        Image image;
        image.name = fmt::format("{}_{}", settings.materials.front(), place.name);
        image.mime = std::string(facts->mime);
        image.bytes = copy;
        scene.images.push_back(std::move(image));
        Texture texture;
        texture.image = static_cast<int>(scene.images.size()) - 1;
        scene.textures.push_back(std::move(texture));
        textures[name] = static_cast<int>(scene.textures.size()) - 1;
    }
    return textures;
}

/// Slots of these materials that have no texture coordinates: an image cannot lie on them.
size_t without_coordinates(const Scene& scene, const NamePatterns& patterns) {
    size_t slots = 0;
    for (const Mesh& mesh : scene.meshes) {
        for (const Primitive& primitive : mesh.primitives) {
            const bool in = primitive.material >= 0 &&
                            patterns.any_fits(scene.materials[static_cast<size_t>(primitive.material)].name);
            const bool has = std::find(primitive.attributes.begin(), primitive.attributes.end(), "TEXCOORD_0") !=
                             primitive.attributes.end();
            slots += in && !has ? 1 : 0;
        }
    }
    return slots;
}

Result<StepResult> apply_set_material(const StepContext& context, const MaterialSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    const NamePatterns patterns(settings.materials, [&](const std::string& name) {
        return std::any_of(context.scene.materials.begin(), context.scene.materials.end(),
                           [&](const Material& material) { return material.name == name; });
    });
    std::vector<std::string> changed;
    const Result<std::map<std::string, int>> textures = put_images(result.scene, context, settings);
    if (!textures) {
        return textures.problem();
    }
    for (Material& material : result.scene.materials) {
        if (patterns.any_fits(material.name)) {
            set_looks(material, settings);
            for (const ImagePlace& place : image_places) {
                if (!(settings.*place.image).empty()) {
                    material.*place.use = TextureUse();
                    (material.*place.use).texture = textures->at(settings.*place.image);
                }
            }
            changed.push_back(material.name);
        }
    }
    result.account = changed.empty() ? Text("no material fits") : phrase("{} looks as set", some_of(changed, 4));
    if (changed.empty()) {
        result.scene = context.scene; // no image that nothing shows
    } else if (const size_t slots = textures->empty() ? 0 : without_coordinates(result.scene, patterns); slots > 0) {
        result.could_not.push_back(
            phrase("{} without texture coordinates: no image lies on them", counted(slots, "slot")));
    }
    return result;
}

struct NoMaterialsSettings : SurfaceScope {};

Result<StepResult> apply_no_materials(const StepContext& context, const NoMaterialsSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    size_t slots = 0;
    for (const size_t place : meshes_in_scope(context.scene, settings)) {
        for (Primitive& primitive : result.scene.meshes[place].primitives) {
            slots += primitive.material >= 0 ? 1 : 0;
            primitive.material = -1;
        }
    }
    result.account = slots == 0 ? Text("no slot has a material")
                                : phrase("{} without a material; the slots stay", counted(slots, "slot"));
    return result;
}

} // namespace

StepKind set_material_step() {
    return make_step<MaterialSettings>(
        {"set_material", "Set a material",
         "Few plain materials with the right names are all that many an engine project wants of a file.",
         StepSubject::surface},
        {list<&MaterialSettings::materials>("materials", "Materials", "Which ones").naming(NameOf::material).items(1),
         text<&MaterialSettings::base_colour>("base_colour", "Base colour", "“#RRGGBB”; empty: as it is")
             .checked(check_colour),
         number<&MaterialSettings::metalness>("metalness", "Metalness", "0: none, 1: metal").between(0, 1),
         number<&MaterialSettings::roughness>("roughness", "Roughness", "0: a mirror, 1: chalk").between(0, 1),
         text<&MaterialSettings::emission>("emission", "Emission", "“#RRGGBB”; empty: as it is").checked(check_colour),
         text<&MaterialSettings::alpha>("alpha", "Alpha", "How it is seen through; not set: as it is")
             .out_of({"opaque", "mask", "blend"}),
         number<&MaterialSettings::opacity>("opacity", "Opacity", "Of the base colour").between(0, 1),
         number<&MaterialSettings::cutoff>("cutoff", "Cutoff", "What a mask lets through is below it").between(0, 1),
         flag<&MaterialSettings::double_sided>("double_sided", "Double-sided", "Seen from behind as well"),
         text<&MaterialSettings::base_colour_image>("base_colour_image", "Base colour image", "A PNG or JPEG file")
             .naming_image(),
         text<&MaterialSettings::metalness_roughness_image>("metalness_roughness_image", "Metalness, roughness image",
                                                            "Roughness in its green, metalness in its blue")
             .naming_image(),
         text<&MaterialSettings::normal_image>("normal_image", "Normal image", "Bumps in the standard tangent space")
             .naming_image(),
         text<&MaterialSettings::occlusion_image>("occlusion_image", "Occlusion image", "Shade in its red")
             .naming_image(),
         text<&MaterialSettings::emission_image>("emission_image", "Emission image", "Where it glows by itself")
             .naming_image(),
         flag<&MaterialSettings::without_images>("without_images", "Without images", "Its textures stay behind")},
        apply_set_material);
}

StepKind no_materials_step() {
    return make_step<NoMaterialsSettings>(
        {"no_materials", "Without materials",
         "Where the engine project has its own materials, those of the file only get in the way.",
         StepSubject::surface},
        with_surface_scope({}), apply_no_materials);
}

} // namespace wembrix
