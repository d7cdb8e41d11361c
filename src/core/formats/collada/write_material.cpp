#include "core/formats/collada/write_parts.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <nlohmann/json.hpp>

namespace wembrix::collada {

namespace {

double screen_of_linear(double value) {
    value = std::max(value, 0.0);
    return value <= 0.0031308 ? value * 12.92 : 1.055 * std::pow(value, 1 / 2.4) - 0.055;
}

const char* wrap_word(Wrap wrap) {
    return wrap == Wrap::clamp ? "CLAMP" : wrap == Wrap::mirror ? "MIRROR" : "WRAP";
}

class MaterialTexts {
  public:
    explicit MaterialTexts(Writing& writing) : writing_(writing) {}

    void run() {
        images();
        effects();
        XmlText& xml = writing_.xml;
        xml.open("library_materials");
        for (size_t m = 0; m < writing_.scene.materials.size(); ++m) {
            const Material& material = writing_.scene.materials[m];
            xml.open("material", {{"id", writing_.material_ids[m]}, {"name", material.name}});
            xml.empty("instance_effect", {{"url", "#" + effect_ids_[m]}});
            xml.close();
        }
        xml.close();
    }

  private:
    void images() {
        const Scene& scene = writing_.scene;
        image_ids_.resize(scene.images.size());
        std::set<std::string> names;
        bool any = false;
        for (size_t i = 0; i < scene.images.size(); ++i) {
            const Image& image = scene.images[i];
            const char* suffix = image.mime == "image/png" ? ".png" : image.mime == "image/jpeg" ? ".jpg" : "";
            if (image.bytes.empty() || *suffix == 0) {
                continue;
            }
            if (!any) {
                writing_.xml.open("library_images");
            }
            any = true;
            image_ids_[i] = own_id(writing_, image.name.empty() ? "image" : image.name, "image");
            const std::string file = writing_.stem + "_" + image_ids_[i] + suffix;
            writing_.files.push_back({file, std::string(image.bytes.begin(), image.bytes.end())});
            writing_.xml.open("image", {{"id", image_ids_[i]}, {"name", image.name}});
            writing_.xml.words("init_from", as_uri(file));
            writing_.xml.close();
        }
        if (any) {
            writing_.xml.close();
        }
    }
    static std::string as_uri(const std::string& file) {
        std::string uri;
        for (const char c : file) {
            const bool is_plain = std::isalnum(static_cast<unsigned char>(c)) != 0 || c == '_' || c == '-' || c == '.';
            uri += is_plain ? std::string(1, c) : fmt::format("%{:02X}", static_cast<unsigned char>(c));
        }
        return uri;
    }

    void effects() {
        XmlText& xml = writing_.xml;
        xml.open("library_effects");
        for (const Material& material : writing_.scene.materials) {
            const std::string name = material.name.empty() ? "material" : material.name;
            writing_.material_ids.push_back(own_id(writing_, name, "material"));
            effect_ids_.push_back(own_id(writing_, name + "-effect", "effect"));
            xml.open("effect", {{"id", effect_ids_.back()}});
            xml.open("profile_COMMON");
            const nlohmann::json own = what_is_own(material);
            xml.open("technique", {{"sid", "common"}});
            xml.open("phong");
            colour_or_texture("emission", material.emission_texture,
                              {material.emission[0], material.emission[1], material.emission[2], 1});
            colour_or_texture("diffuse", material.base_colour_texture, material.base_colour);
            if (material.alpha_mode != AlphaMode::opaque) {
                xml.open("transparent", {{"opaque", "A_ONE"}});
                xml.numbers("color", std::vector<double>{1, 1, 1, material.base_colour[3]});
                xml.close();
            }
            xml.open("shininess");
            const double rough = std::clamp(material.roughness, 0.05, 1.0);
            xml.numbers("float", std::vector<double>{2 / std::pow(rough, 4) - 2});
            xml.close();
            xml.close();
            if (has_image(material.normal_texture)) {
                xml.open("extra");
                xml.open("technique", {{"profile", "normals"}});
                xml.open("bump", {{"bumptype", "NORMALMAP"}});
                texture(material.normal_texture);
                xml.close();
                xml.close();
                xml.close();
            }
            xml.close(); // technique
            xml.open("extra");
            xml.open("technique", {{"profile", "wembrix"}});
            xml.words("material", own.dump());
            xml.close();
            xml.close();
            xml.close(); // profile
            xml.close();
        }
        xml.close();
    }

    [[nodiscard]] bool has_image(const TextureUse& use) const {
        const int image = use.texture < 0 ? -1 : writing_.scene.textures[static_cast<size_t>(use.texture)].image;
        return image >= 0 && !image_ids_[static_cast<size_t>(image)].empty();
    }
    /// The sampler of a texture, told once an effect.
    std::string sampler(const TextureUse& use, std::set<int>& told) {
        const Texture& texture = writing_.scene.textures[static_cast<size_t>(use.texture)];
        std::string sid = fmt::format("texture_{}", use.texture);
        if (told.insert(use.texture).second) {
            XmlText& xml = writing_.xml;
            xml.open("newparam", {{"sid", sid + "_surface"}});
            xml.open("surface", {{"type", "2D"}});
            xml.words("init_from", image_ids_[static_cast<size_t>(texture.image)]);
            xml.close();
            xml.close();
            xml.open("newparam", {{"sid", sid}});
            xml.open("sampler2D");
            xml.words("source", sid + "_surface");
            const Sampler wraps =
                texture.sampler < 0 ? Sampler() : writing_.scene.samplers[static_cast<size_t>(texture.sampler)];
            xml.words("wrap_s", wrap_word(wraps.wrap_u));
            xml.words("wrap_t", wrap_word(wraps.wrap_v));
            xml.open("extra");
            xml.open("technique", {{"profile", "wembrix"}});
            xml.empty("texture", {{"name", texture.name}});
            xml.close();
            xml.close();
            xml.close();
            xml.close();
        }
        return sid;
    }
    void texture(const TextureUse& use) {
        writing_.xml.empty("texture", {{"texture", fmt::format("texture_{}", use.texture)},
                                       {"texcoord", fmt::format("TEXCOORD_{}", use.coordinates)}});
    }
    void colour_or_texture(const char* name, const TextureUse& use, const std::array<double, 4>& linear) {
        XmlText& xml = writing_.xml;
        xml.open(name);
        if (has_image(use)) {
            texture(use);
        } else {
            xml.numbers("color", std::vector<double>{screen_of_linear(linear[0]), screen_of_linear(linear[1]),
                                                     screen_of_linear(linear[2]), linear[3]});
        }
        xml.close();
    }

    /// What the common profile has no place for; its samplers are written on the way.
    nlohmann::json what_is_own(const Material& material) {
        nlohmann::json own = {{"alphaCutoff", material.alpha_cutoff},
                              {"alphaMode", material.alpha_mode == AlphaMode::mask    ? "mask"
                                            : material.alpha_mode == AlphaMode::blend ? "blend"
                                                                                      : "opaque"},
                              {"baseColour", material.base_colour},
                              {"doubleSided", material.double_sided},
                              {"emission", material.emission},
                              {"metalness", material.metalness},
                              {"normalScale", material.normal_scale},
                              {"occlusionStrength", material.occlusion_strength},
                              {"roughness", material.roughness}};
        std::set<int> told;
        const std::pair<const char*, const TextureUse*> uses[] = {
            {"baseColour", &material.base_colour_texture},
            {"metalnessRoughness", &material.metalness_roughness_texture},
            {"normal", &material.normal_texture},
            {"occlusion", &material.occlusion_texture},
            {"emission", &material.emission_texture}};
        for (const auto& [name, use] : uses) {
            if (has_image(*use)) {
                own["textures"][name] = {{"coordinates", use->coordinates},
                                         {"offset", use->offset},
                                         {"rotation", use->rotation},
                                         {"sampler", sampler(*use, told)},
                                         {"scale", use->scale}};
            }
        }
        return own;
    }

    Writing& writing_;
    std::vector<std::string> image_ids_;
    std::vector<std::string> effect_ids_;
};

} // namespace

void write_materials(Writing& writing) {
    if (!writing.scene.materials.empty()) {
        MaterialTexts(writing).run();
    }
}

} // namespace wembrix::collada
