// Materials of the standard preview surface (“UsdPreviewSurface”), with the textures that feed it.
#include "core/base/files.h"
#include "core/base/text.h"
#include "core/formats/beside.h"
#include "core/formats/usd/read_parts.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace wembrix::usd {

namespace {

class MaterialReader {
  public:
    MaterialReader(Reading& reading, const Prim& prim, const std::string& path)
        : reading_(reading), prim_(prim), path_(path) {}

    Material run() {
        material_.name = shown_name(prim_);
        material_.metalness = 0;
        material_.roughness = 0.5;
        material_.base_colour = {0.18, 0.18, 0.18, 1};
        const Prim* surface = shader_of(prim_, "outputs:surface");
        if (surface == nullptr || text_of(*surface, "info:id") != "UsdPreviewSurface") {
            reading_.note(path_, "has no preview surface; a plain material stands in.");
            material_.base_colour = {0.6, 0.6, 0.6, 1};
            return std::move(material_);
        }
        colour(*surface, "inputs:diffuseColor", material_.base_colour.data(), material_.base_colour_texture);
        colour(*surface, "inputs:emissiveColor", material_.emission.data(), material_.emission_texture);
        number(*surface, "inputs:metallic", material_.metalness);
        number(*surface, "inputs:roughness", material_.roughness);
        packed(*surface);
        if (const Prim* texture = shader_of(*surface, "inputs:normal")) {
            use(*texture, material_.normal_texture);
        }
        if (const Prim* texture = shader_of(*surface, "inputs:occlusion")) {
            use(*texture, material_.occlusion_texture);
        }
        opacity(*surface);
        for (const char* other : {"inputs:clearcoat", "inputs:displacement", "inputs:useSpecularWorkflow"}) {
            double value = 0;
            number(*surface, other, value);
            if (value != 0 || shader_of(*surface, other) != nullptr) {
                reading_.note(path_, phrase("its “{}” stays behind.", std::string(other).substr(7)));
            }
        }
        return std::move(material_);
    }

  private:
    /// What an input or output takes its value from; null: from nothing that is there.
    const Prim* shader_of(const Prim& prim, std::string_view input, std::string* output = nullptr) {
        const Property* property = prim.property(input);
        for (int hops = 0; property != nullptr && hops < 16; ++hops) {
            const std::vector<std::string> from = property->connections.list();
            if (from.empty()) {
                return nullptr;
            }
            const Prim* other = reading_.layer.find(prim_path(from.front()));
            const std::string last = last_of_path(from.front());
            const size_t dot = last.find('.');
            if (other == nullptr || dot == std::string::npos) {
                return nullptr;
            }
            if (other->type_name == "Shader") {
                if (output != nullptr) {
                    *output = last.substr(dot + 1);
                }
                return other;
            }
            property = other->property(last.substr(dot + 1)); // through a graph or the material itself
        }
        return nullptr;
    }
    static void number(const Prim& surface, std::string_view input, double& value) {
        if (const Value* given = value_of(surface, input)) {
            const double is = given->as_number().value_or(value);
            value = std::isfinite(is) ? is : value;
        }
    }
    void colour(const Prim& surface, std::string_view input, double* value, TextureUse& texture) {
        if (const Prim* shader = shader_of(surface, input)) {
            if (use(*shader, texture)) {
                const std::vector<float> scale = floats_of(*shader, "inputs:scale");
                for (size_t c = 0; c < 3; ++c) {
                    value[c] = scale.size() == 4 && std::isfinite(scale[c]) ? static_cast<double>(scale[c]) : 1;
                }
                return;
            }
        }
        const std::vector<float> given = floats_of(surface, input);
        for (size_t c = 0; c < 3 && given.size() == 3; ++c) {
            value[c] = std::isfinite(given[c]) ? static_cast<double>(given[c]) : value[c];
        }
    }
    void packed(const Prim& surface) {
        std::string metal_output;
        std::string rough_output;
        const Prim* metal = shader_of(surface, "inputs:metallic", &metal_output);
        const Prim* rough = shader_of(surface, "inputs:roughness", &rough_output);
        if (metal == nullptr && rough == nullptr) {
            return;
        }
        const bool fits = (metal == nullptr || metal_output == "outputs:b") &&
                          (rough == nullptr || rough_output == "outputs:g") &&
                          (metal == nullptr || rough == nullptr || metal == rough);
        if (!fits) {
            reading_.note(path_, "has metalness and roughness in other channels than blue and green of one image; they "
                                 "stay behind.");
            return;
        }
        const Prim& shader = metal != nullptr ? *metal : *rough;
        if (use(shader, material_.metalness_roughness_texture)) {
            const std::vector<float> scale = floats_of(shader, "inputs:scale");
            const auto factor = [&](size_t channel) {
                return scale.size() == 4 && std::isfinite(scale[channel]) ? static_cast<double>(scale[channel]) : 1;
            };
            material_.metalness = metal != nullptr ? factor(2) : material_.metalness;
            material_.roughness = rough != nullptr ? factor(1) : material_.roughness;
        }
    }
    void opacity(const Prim& surface) {
        double threshold = 0;
        number(surface, "inputs:opacityThreshold", threshold);
        number(surface, "inputs:opacity", material_.base_colour[3]);
        const bool from_texture = shader_of(surface, "inputs:opacity") != nullptr;
        material_.base_colour[3] = from_texture ? 1 : material_.base_colour[3];
        if (threshold > 0) {
            material_.alpha_mode = AlphaMode::mask;
            material_.alpha_cutoff = threshold;
        } else if (from_texture || material_.base_colour[3] < 1) {
            material_.alpha_mode = AlphaMode::blend;
        }
    }

    static Wrap wrap_named(const std::string& text) {
        return text == "clamp" || text == "black" ? Wrap::clamp : text == "mirror" ? Wrap::mirror : Wrap::repeat;
    }

    bool use(const Prim& shader, TextureUse& texture) {
        if (text_of(shader, "info:id") != "UsdUVTexture") {
            reading_.note(path_, phrase("is fed by “{}”, which is not read.",
                                        text_of(shader, "info:id").value_or(shader.name).substr(0, 60)));
            return false;
        }
        const std::string file = text_of(shader, "inputs:file").value_or("");
        const Wrap across = wrap_named(text_of(shader, "inputs:wrapS").value_or("repeat"));
        const Wrap down = wrap_named(text_of(shader, "inputs:wrapT").value_or("repeat"));
        texture.texture = texture_of(file, across, down, shader);
        if (texture.texture < 0) {
            return false;
        }
        if (const Prim* coordinates = shader_of(shader, "inputs:st")) {
            if (text_of(*coordinates, "info:id") == "UsdTransform2d") {
                place(*coordinates, texture);
                coordinates = shader_of(*coordinates, "inputs:in");
            }
            if (coordinates != nullptr) {
                const std::string name = text_of(*coordinates, "inputs:varname").value_or("st");
                texture.coordinates = name.back() >= '1' && name.back() <= '9' ? name.back() - '0' : 0;
            }
        }
        return true;
    }
    /// Coordinates count from the top here: scale and rotation about the other corner.
    static void place(const Prim& shader, TextureUse& texture) {
        double degrees = 0;
        number(shader, "inputs:rotation", degrees);
        const std::vector<float> scale = floats_of(shader, "inputs:scale");
        const std::vector<float> move = floats_of(shader, "inputs:translation");
        texture.rotation = degrees * M_PI / 180;
        for (size_t c = 0; c < 2; ++c) {
            texture.scale[c] = scale.size() == 2 ? static_cast<double>(scale[c]) : 1;
        }
        const double x = move.size() == 2 ? static_cast<double>(move[0]) : 0;
        const double y = move.size() == 2 ? static_cast<double>(move[1]) : 0;
        texture.offset = {x + texture.scale[1] * std::sin(texture.rotation),
                          1 - texture.scale[1] * std::cos(texture.rotation) - y};
    }

    int texture_of(const std::string& file, Wrap across, Wrap down, const Prim& shader) {
        const std::string name = own_word(shader, "textureName");
        const std::string key =
            fmt::format("{} {} {} {}", static_cast<int>(across), static_cast<int>(down), file, name);
        if (const auto known = reading_.textures.find(key); known != reading_.textures.end()) {
            return known->second;
        }
        int& place = reading_.textures[key];
        place = -1;
        const int image = image_of(file, own_word(shader, "imageName"));
        if (image < 0) {
            return -1;
        }
        Scene& scene = reading_.scene;
        Texture texture;
        texture.name = name.empty() ? scene.images[static_cast<size_t>(image)].name : name;
        texture.image = image;
        Sampler sampler;
        sampler.wrap_u = across;
        sampler.wrap_v = down;
        for (size_t s = 0; s < scene.samplers.size(); ++s) {
            if (scene.samplers[s].wrap_u == across && scene.samplers[s].wrap_v == down) {
                texture.sampler = static_cast<int>(s);
            }
        }
        if (texture.sampler < 0 && (across != Wrap::repeat || down != Wrap::repeat)) {
            texture.sampler = static_cast<int>(scene.samplers.size());
            scene.samplers.push_back(std::move(sampler));
        }
        place = static_cast<int>(scene.textures.size());
        scene.textures.push_back(std::move(texture));
        return place;
    }
    int image_of(const std::string& file, const std::string& name) {
        if (const auto known = reading_.images.find(file); known != reading_.images.end()) {
            return known->second;
        }
        int& place = reading_.images[file];
        place = -1;
        const std::filesystem::path found = find_beside(reading_.folder, file);
        if (found.empty()) {
            reading_.note(path_,
                          phrase("the image “{}” is not there; it was sought beside the file.", file.substr(0, 200)));
            return -1;
        }
        const Result<std::string> bytes = read_file(found);
        Image image;
        image.mime = bytes ? image_type(*bytes) : "";
        if (image.mime.empty()) {
            reading_.note(path_, phrase("the image “{}” is no PNG and no JPEG.", file.substr(0, 200)));
            return -1;
        }
        image.name = name.empty() ? found.stem().string() : name;
        image.bytes = std::vector<uint8_t>(bytes->begin(), bytes->end());
        place = static_cast<int>(reading_.scene.images.size());
        reading_.scene.images.push_back(std::move(image));
        reading_.scene.beside.push_back(found);
        return place;
    }

    Reading& reading_;
    const Prim& prim_;
    const std::string& path_;
    Material material_;
};

} // namespace

int material_at(Reading& reading, const std::string& path) {
    if (path.empty()) {
        return -1;
    }
    if (const auto known = reading.materials.find(path); known != reading.materials.end()) {
        return known->second;
    }
    int& place = reading.materials[path];
    place = -1;
    const Prim* prim = reading.layer.find(path);
    if (prim == nullptr || prim->type_name != "Material") {
        reading.note(path, "is no material, but something is to have it.");
        return -1;
    }
    Material material = MaterialReader(reading, *prim, path).run();
    place = static_cast<int>(reading.scene.materials.size());
    reading.scene.materials.push_back(std::move(material));
    return place;
}

} // namespace wembrix::usd
