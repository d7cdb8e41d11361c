// Materials by their effects (profile_COMMON), and the images these use.
#include "core/base/files.h"
#include "core/base/text.h"
#include "core/formats/beside.h"
#include "core/formats/collada/read_parts.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <fmt/format.h>
#include <fmt/ranges.h>
#include <nlohmann/json.hpp>

namespace wembrix::collada {

namespace {

/// Colours are those of a screen there, as everybody writes them.
double linear_of_screen(double value) {
    value = std::clamp(value, 0.0, 1e4);
    return value <= 0.04045 ? value / 12.92 : std::pow((value + 0.055) / 1.055, 2.4);
}

class EffectReader {
  public:
    EffectReader(Reading& reading, Element material, const std::map<std::string, size_t>& sets)
        : reading_(reading), material_element_(material), sets_(sets) {}

    Material run() {
        material_.name = name_of(material_element_);
        material_.metalness = 0;
        material_.roughness = 1;
        const Element effect = reading_.document.by_reference(
            material_element_.child("instance_effect").attribute("url").value(), "effect");
        const Element profile = effect.child("profile_COMMON");
        const Element technique = profile.child("technique");
        if (!technique) {
            reading_.note(material_.name, "has no common effect; a plain material stands in.");
            material_.base_colour = {0.6, 0.6, 0.6, 1};
            return std::move(material_);
        }
        for (const Element scope : {effect, profile, technique}) {
            for (const Element param : scope.children("newparam")) {
                params_[param.attribute("sid").value()] = param;
            }
        }
        Element shader;
        for (const Element child : technique.children()) {
            const std::string kind = child.name();
            if (kind == "phong" || kind == "lambert" || kind == "blinn" || kind == "constant") {
                shader = child;
            }
        }
        common(shader);
        for (const Element owner : {technique, profile, effect, material_element_}) {
            for (const Element extra : owner.children("extra")) {
                for (const Element other : extra.children("technique")) {
                    more(other);
                }
            }
        }
        return std::move(material_);
    }

  private:
    void common(Element shader) {
        const bool is_constant = std::strcmp(shader.name(), "constant") == 0;
        double rgba[4] = {1, 1, 1, 1};
        if (colour(shader.child("diffuse"), rgba, &material_.base_colour_texture)) {
            set_base(rgba);
        } else if (is_constant && shader.child("emission")) {
            // Light of its own only: what is seen is the emission.
            set_base(std::array<double, 4>{0, 0, 0, 1}.data());
        }
        double glow[4] = {0, 0, 0, 1};
        if (colour(shader.child("emission"), glow, &material_.emission_texture)) {
            for (size_t c = 0; c < 3; ++c) {
                material_.emission[c] = linear_of_screen(glow[c]);
            }
        }
        transparency(shader);
        double shininess = 0;
        if (number(shader.child("shininess"), shininess) && shininess >= 0) {
            // Of a Blinn-Phong lobe as wide as the microfacets' (Walter et al., Microfacet Models for Refraction,
            // 2007).
            material_.roughness = std::clamp(std::pow(2 / (shininess + 2), 0.25), 0.0, 1.0);
        }
        for (const char* other : {"specular", "ambient", "reflective"}) {
            double value[4] = {0, 0, 0, 1};
            TextureUse texture;
            if (colour(shader.child(other), value, &texture) &&
                (texture.texture >= 0 || value[0] + value[1] + value[2] > 0)) {
                left_.insert(other);
            }
        }
        if (shader.child("index_of_refraction")) {
            left_.insert("index of refraction");
        }
    }
    void set_base(const double* rgba) {
        for (size_t c = 0; c < 3; ++c) {
            material_.base_colour[c] = linear_of_screen(rgba[c]);
        }
    }

    /// `transparent` times `transparency`, by one of the two ways that the standard names.
    void transparency(Element shader) {
        const Element transparent = shader.child("transparent");
        double factor = 1;
        const bool has_factor = number(shader.child("transparency"), factor);
        if (!transparent && !has_factor) {
            return;
        }
        double rgba[4] = {1, 1, 1, 1};
        TextureUse texture;
        colour(transparent, rgba, &texture);
        const std::string opaque = transparent.attribute("opaque").value();
        const bool by_colour = opaque == "RGB_ZERO" || opaque == "RGB_ONE";
        double amount = factor * (by_colour ? 0.2126 * rgba[0] + 0.7152 * rgba[1] + 0.0722 * rgba[2] : rgba[3]);
        if (opaque == "RGB_ZERO" || opaque == "A_ZERO") {
            amount = 1 - amount;
        }
        if (!(amount >= 0 && amount <= 1)) {
            return;
        }
        if (amount == 0 && texture.texture < 0) {
            reading_.note(material_.name,
                          "is wholly transparent by what it says, which is often written for none at all; it is taken "
                          "for opaque.");
            return;
        }
        if (texture.texture >= 0 || amount < 1) {
            material_.base_colour[3] = amount;
            material_.alpha_mode = AlphaMode::blend;
        }
    }

    /// What the common profile has no place for: what this program writes, and textures that many programs put here.
    void more(Element technique) {
        if (std::strcmp(technique.attribute("profile").value(), "wembrix") == 0) {
            own(technique.child("material").text().get());
            return;
        }
        if (const Element bump = technique.child("bump"); bump && material_.normal_texture.texture < 0) {
            double unused[4] = {};
            colour(bump, unused, &material_.normal_texture);
        }
        if (const Element sides = technique.child("double_sided")) {
            material_.double_sided = sides.text().as_int() == 1;
        }
    }
    void own(const char* text) {
        const nlohmann::json said = nlohmann::json::parse(text, nullptr, false);
        if (!said.is_object()) {
            return;
        }
        const auto number_in = [](const nlohmann::json& of, const char* key, double& to) {
            if (const auto found = of.find(key); found != of.end() && found->is_number()) {
                to = found->get<double>();
            }
        };
        left_.clear();
        number_in(said, "metalness", material_.metalness);
        number_in(said, "roughness", material_.roughness);
        number_in(said, "normalScale", material_.normal_scale);
        number_in(said, "occlusionStrength", material_.occlusion_strength);
        number_in(said, "alphaCutoff", material_.alpha_cutoff);
        const auto numbers_of = [&](const char* key, auto& to) {
            const auto found = said.find(key);
            if (found == said.end() || !found->is_array() || found->size() != to.size()) {
                return;
            }
            for (size_t c = 0; c < to.size(); ++c) {
                to[c] = (*found)[c].is_number() ? (*found)[c].get<double>() : to[c];
            }
        };
        numbers_of("baseColour", material_.base_colour);
        numbers_of("emission", material_.emission);
        const std::string mode =
            said.contains("alphaMode") && said["alphaMode"].is_string() ? said["alphaMode"].get<std::string>() : "";
        material_.alpha_mode = mode == "mask"    ? AlphaMode::mask
                               : mode == "blend" ? AlphaMode::blend
                                                 : AlphaMode::opaque;
        material_.double_sided = said.contains("doubleSided") && said["doubleSided"] == true;
        const auto textures = said.find("textures");
        if (textures == said.end() || !textures->is_object()) {
            return;
        }
        const std::pair<const char*, TextureUse*> uses[] = {
            {"baseColour", &material_.base_colour_texture},
            {"metalnessRoughness", &material_.metalness_roughness_texture},
            {"normal", &material_.normal_texture},
            {"occlusion", &material_.occlusion_texture},
            {"emission", &material_.emission_texture}};
        for (const auto& [name, use] : uses) {
            const auto found = textures->find(name);
            if (found == textures->end() || !found->is_object()) {
                continue;
            }
            if (found->contains("sampler") && (*found)["sampler"].is_string()) {
                use->texture = texture_of((*found)["sampler"].get<std::string>());
            }
            double set = use->coordinates;
            number_in(*found, "coordinates", set);
            use->coordinates = set >= 0 && set < 64 ? static_cast<int>(set) : 0;
            number_in(*found, "rotation", use->rotation);
            for (const auto& [key, to] : {std::pair{"offset", &use->offset}, std::pair{"scale", &use->scale}}) {
                const auto pair = found->find(key);
                for (size_t c = 0; pair != found->end() && pair->is_array() && pair->size() == 2 && c < 2; ++c) {
                    (*to)[c] = (*pair)[c].is_number() ? (*pair)[c].get<double>() : (*to)[c];
                }
            }
        }
    }

    /// False: the element says neither.
    bool colour(Element element, double (&rgba)[4], TextureUse* texture) {
        if (const Element value = element.child("color")) {
            const std::vector<double> numbers = numbers_in(value.text().get());
            for (size_t c = 0; c < std::min<size_t>(numbers.size(), 4); ++c) {
                rgba[c] = std::isfinite(numbers[c]) ? numbers[c] : 0;
            }
            return numbers.size() >= 3;
        }
        if (const Element use = element.child("texture")) {
            texture->texture = texture_of(use.attribute("texture").value());
            const auto set = sets_.find(use.attribute("texcoord").value());
            texture->coordinates = set == sets_.end() ? 0 : static_cast<int>(set->second);
            return true;
        }
        return false;
    }
    bool number(Element element, double& value) {
        const std::vector<double> numbers = numbers_in(element.child("float").text().get());
        if (numbers.empty() || !std::isfinite(numbers[0])) {
            return false;
        }
        value = numbers[0];
        return true;
    }

    static Wrap wrap_in(Element element) {
        const std::string word = element.text().get();
        return word == "CLAMP" || word == "BORDER" || word == "NONE" ? Wrap::clamp
               : word == "MIRROR"                                    ? Wrap::mirror
                                                                     : Wrap::repeat;
    }
    /// A sampler's sid, or an image's id at once, as some write it.
    int texture_of(const std::string& sid) {
        Wrap across = Wrap::repeat;
        Wrap down = Wrap::repeat;
        std::string image = sid;
        std::string name;
        if (const auto param = params_.find(sid); param != params_.end()) {
            const Element sampler = param->second.child("sampler2D");
            across = wrap_in(sampler.child("wrap_s"));
            down = wrap_in(sampler.child("wrap_t"));
            name = sampler.child("extra").child("technique").child("texture").attribute("name").value();
            const auto surface = params_.find(sampler.child("source").text().get());
            if (surface != params_.end()) {
                image = surface->second.child("surface").child("init_from").text().get();
            } else if (const Element instance = sampler.child("instance_image")) {
                image = instance.attribute("url").value();
            }
        }
        const std::string key =
            fmt::format("{} {} {} {}", static_cast<int>(across), static_cast<int>(down), image, name);
        if (const auto known = reading_.textures.find(key); known != reading_.textures.end()) {
            return known->second;
        }
        int& place = reading_.textures[key];
        place = -1;
        const int of = image_of(image);
        if (of < 0) {
            return -1;
        }
        Scene& scene = reading_.scene;
        Texture texture;
        texture.name = name.empty() ? scene.images[static_cast<size_t>(of)].name : name;
        texture.image = of;
        for (size_t s = 0; s < scene.samplers.size(); ++s) {
            if (scene.samplers[s].wrap_u == across && scene.samplers[s].wrap_v == down) {
                texture.sampler = static_cast<int>(s);
            }
        }
        if (texture.sampler < 0 && (across != Wrap::repeat || down != Wrap::repeat)) {
            texture.sampler = static_cast<int>(scene.samplers.size());
            Sampler sampler;
            sampler.wrap_u = across;
            sampler.wrap_v = down;
            scene.samplers.push_back(std::move(sampler));
        }
        place = static_cast<int>(scene.textures.size());
        scene.textures.push_back(std::move(texture));
        return place;
    }
    int image_of(const std::string& id) {
        if (const auto known = reading_.images.find(id); known != reading_.images.end()) {
            return known->second;
        }
        int& place = reading_.images[id];
        place = -1;
        const Element element = reading_.document.by_reference(id, "image");
        const Element from = element.child("init_from");
        std::string file = from.child("ref") ? from.child("ref").text().get() : from.text().get();
        if (file.empty()) {
            reading_.note(material_.name, phrase("its image “{}” names no file.", id.substr(0, 80)));
            return -1;
        }
        file = plain_path(file);
        const std::filesystem::path found =
            reading_.folder.empty() ? std::filesystem::path() : find_beside(reading_.folder, file);
        if (found.empty()) {
            reading_.note(material_.name,
                          phrase("the image “{}” is not there; it was sought beside the file.", file.substr(0, 200)));
            return -1;
        }
        const Result<std::string> bytes = read_file(found);
        Image image;
        image.mime = bytes ? image_type(*bytes) : "";
        if (image.mime.empty()) {
            reading_.note(material_.name, phrase("the image “{}” is no PNG and no JPEG.", file.substr(0, 200)));
            return -1;
        }
        const std::string name = element.attribute("name").value();
        image.name = name.empty() ? found.stem().string() : name;
        image.bytes = std::vector<uint8_t>(bytes->begin(), bytes->end());
        place = static_cast<int>(reading_.scene.images.size());
        reading_.scene.images.push_back(std::move(image));
        reading_.scene.beside.push_back(found);
        return place;
    }
    /// A URI of a file as its path: "file:///a%20b.png" is "/a b.png".
    static std::string plain_path(std::string_view uri) {
        if (uri.starts_with("file://")) {
            uri.remove_prefix(7);
        }
        std::string path;
        for (size_t i = 0; i < uri.size(); ++i) {
            const auto digit = [&](size_t at) {
                const char c = uri[at];
                return c >= '0' && c <= '9' ? c - '0' : (c | 32) >= 'a' && (c | 32) <= 'f' ? (c | 32) - 'a' + 10 : -1;
            };
            if (uri[i] == '%' && i + 2 < uri.size() && digit(i + 1) >= 0 && digit(i + 2) >= 0) {
                path += static_cast<char>(digit(i + 1) * 16 + digit(i + 2));
                i += 2;
            } else {
                path += uri[i];
            }
        }
        return path;
    }

  public:
    [[nodiscard]] const std::set<std::string>& left() const { return left_; }

  private:
    Reading& reading_;
    Element material_element_;
    const std::map<std::string, size_t>& sets_;
    Material material_;
    std::map<std::string, Element> params_;
    std::set<std::string> left_;
};

} // namespace

int material_at(Reading& reading, std::string_view reference, const std::map<std::string, size_t>& sets) {
    const Element element = reading.document.by_reference(reference, "material");
    if (!element) {
        reading.note_once(std::string(reference.substr(0, 80)), "is no material of this file.");
        return -1;
    }
    // The same material over other coordinates is another one.
    std::string key = element.attribute("id").value();
    for (const auto& [name, set] : sets) {
        key += fmt::format("\n{}\n{}", name, set);
    }
    const auto [place, is_new] = reading.materials.try_emplace(key, -1);
    if (is_new) {
        EffectReader reader(reading, element, sets);
        Material material = reader.run();
        if (!reader.left().empty()) {
            reading.note(material.name, phrase("its {} stay behind: materials are metalness and roughness here.",
                                               fmt::join(reader.left(), ", ")));
        }
        place->second = static_cast<int>(reading.scene.materials.size());
        reading.scene.materials.push_back(std::move(material));
    }
    return place->second;
}

} // namespace wembrix::collada
