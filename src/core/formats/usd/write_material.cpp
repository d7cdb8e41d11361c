#include "core/formats/usd/write_parts.h"

#include <cmath>
#include <fmt/format.h>

namespace wembrix::usd {

namespace {

class MaterialWriter {
  public:
    MaterialWriter(Writing& writing, std::vector<std::string>& image_files, const Material& material, std::string path)
        : writing_(writing), image_files_(image_files), material_(material), path_(std::move(path)) {}

    void fill(Prim& prim) {
        Prim surface = shader("surface", "UsdPreviewSurface");
        const std::array<double, 4>& base = material_.base_colour;
        if (!feed(surface, "inputs:diffuseColor", "color3f", material_.base_colour_texture, "base_colour", "rgb",
                  {base[0], base[1], base[2], 1}, "sRGB")) {
            surface.properties.push_back(
                attribute("inputs:diffuseColor", "color3f", colour(base[0], base[1], base[2])));
        }
        const std::array<double, 3>& glow = material_.emission;
        if (!feed(surface, "inputs:emissiveColor", "color3f", material_.emission_texture, "emission", "rgb",
                  {glow[0], glow[1], glow[2], 1}, "sRGB")) {
            surface.properties.push_back(
                attribute("inputs:emissiveColor", "color3f", colour(glow[0], glow[1], glow[2])));
        }
        const TextureUse& packed = material_.metalness_roughness_texture;
        if (feed(surface, "inputs:roughness", "float", packed, "metalness_roughness", "g",
                 {1, material_.roughness, material_.metalness, 1}, "raw")) {
            connect(surface, "inputs:metallic", "float", "metalness_roughness", "b");
        } else {
            surface.properties.push_back(attribute("inputs:metallic", "float", single(material_.metalness)));
            surface.properties.push_back(attribute("inputs:roughness", "float", single(material_.roughness)));
        }
        if (feed(surface, "inputs:normal", "normal3f", material_.normal_texture, "normal", "rgb", {2, 2, 2, 1},
                 "raw")) {
            shaders_.back().properties.push_back(attribute("inputs:bias", "float4", four(-1, -1, -1, 0)));
        }
        feed(surface, "inputs:occlusion", "float", material_.occlusion_texture, "occlusion", "r", {1, 1, 1, 1}, "raw");
        if (material_.alpha_mode != AlphaMode::opaque) {
            if (material_.base_colour_texture.texture >= 0 && has("base_colour")) {
                connect(surface, "inputs:opacity", "float", "base_colour", "a");
            } else {
                surface.properties.push_back(attribute("inputs:opacity", "float", single(base[3])));
            }
            if (material_.alpha_mode == AlphaMode::mask) {
                surface.properties.push_back(
                    attribute("inputs:opacityThreshold", "float", single(material_.alpha_cutoff)));
            }
        }
        surface.properties.push_back(attribute("outputs:surface", "token", {}));
        surface.properties.back().has_value = false;
        Property output = attribute("outputs:surface", "token", {});
        output.has_value = false;
        output.connections.is_explicit = true;
        output.connections.items = {path_ + "/surface.outputs:surface"};
        prim.properties.push_back(std::move(output));
        prim.children.push_back(std::move(surface));
        for (Prim& one : shaders_) {
            prim.children.push_back(std::move(one));
        }
    }

  private:
    static Value single(double value) { return Value::of<float>({Kind::float32}, {static_cast<float>(value)}); }
    static Value colour(double r, double g, double b) {
        return Value::of<float>({Kind::float32, Form::vector, 3},
                                {static_cast<float>(r), static_cast<float>(g), static_cast<float>(b)});
    }
    static Value two(double x, double y) {
        return Value::of<float>({Kind::float32, Form::vector, 2}, {static_cast<float>(x), static_cast<float>(y)});
    }
    static Value four(double r, double g, double b, double a) {
        return Value::of<float>({Kind::float32, Form::vector, 4}, {static_cast<float>(r), static_cast<float>(g),
                                                                   static_cast<float>(b), static_cast<float>(a)});
    }
    static Prim shader(const std::string& name, const char* id) {
        Prim prim;
        prim.name = name;
        prim.type_name = "Shader";
        prim.properties.push_back(uniform("info:id", "token", Value::token(id)));
        return prim;
    }
    [[nodiscard]] bool has(const std::string& name) const {
        for (const Prim& one : shaders_) {
            if (one.name == name) {
                return true;
            }
        }
        return false;
    }
    void connect(Prim& to, const std::string& input, const char* type, const std::string& from,
                 const std::string& output) {
        Property property = attribute(input, type, {});
        property.has_value = false;
        property.connections.is_explicit = true;
        property.connections.items = {path_ + "/" + from + ".outputs:" + output};
        to.properties.push_back(std::move(property));
    }

    /// A texture that feeds an input. False: there is none, or its image cannot go out.
    bool feed(Prim& surface, const std::string& input, const char* type, const TextureUse& use, const std::string& name,
              const std::string& output, const std::array<double, 4>& scale, const char* space) {
        const Scene& scene = writing_.scene;
        const int image = use.texture < 0 ? -1 : scene.textures[static_cast<size_t>(use.texture)].image;
        if (image < 0 || file_of(image).empty()) {
            return false;
        }
        Prim texture = shader(name, "UsdUVTexture");
        texture.metadata.push_back(
            {"customData",
             Value(Dictionary{{"imageName", Value::string(scene.images[static_cast<size_t>(image)].name)},
                              {"textureName", Value::string(scene.textures[static_cast<size_t>(use.texture)].name)}})});
        texture.properties.push_back(attribute("inputs:file", "asset", Value({Kind::asset}, {"./" + file_of(image)})));
        texture.properties.push_back(attribute("inputs:scale", "float4", four(scale[0], scale[1], scale[2], scale[3])));
        texture.properties.push_back(attribute("inputs:sourceColorSpace", "token", Value::token(space)));
        const int sampler = scene.textures[static_cast<size_t>(use.texture)].sampler;
        const Sampler wraps = sampler < 0 ? Sampler() : scene.samplers[static_cast<size_t>(sampler)];
        texture.properties.push_back(attribute("inputs:wrapS", "token", Value::token(wrap_name(wraps.wrap_u))));
        texture.properties.push_back(attribute("inputs:wrapT", "token", Value::token(wrap_name(wraps.wrap_v))));
        Prim reader = shader(name + "_st", "UsdPrimvarReader_float2");
        reader.properties.push_back(
            attribute("inputs:varname", "string",
                      Value::string(use.coordinates == 0 ? "st" : fmt::format("st{}", use.coordinates))));
        reader.properties.push_back(attribute("outputs:result", "float2", {}));
        reader.properties.back().has_value = false;
        const bool is_placed =
            use.offset != std::array<double, 2>{0, 0} || use.rotation != 0 || use.scale != std::array<double, 2>{1, 1};
        if (is_placed) {
            // Coordinates count from the bottom there: scale and rotation about the other corner.
            Prim place = shader(name + "_place", "UsdTransform2d");
            connect(place, "inputs:in", "float2", reader.name, "result");
            const double up = use.scale[1];
            place.properties.push_back(attribute("inputs:rotation", "float", single(use.rotation * 180 / M_PI)));
            place.properties.push_back(attribute("inputs:scale", "float2", two(use.scale[0], use.scale[1])));
            place.properties.push_back(attribute(
                "inputs:translation", "float2",
                two(use.offset[0] - up * std::sin(use.rotation), 1 - up * std::cos(use.rotation) - use.offset[1])));
            place.properties.push_back(attribute("outputs:result", "float2", {}));
            place.properties.back().has_value = false;
            connect(texture, "inputs:st", "float2", place.name, "result");
            shaders_.push_back(std::move(place));
        } else {
            connect(texture, "inputs:st", "float2", reader.name, "result");
        }
        shaders_.push_back(std::move(reader));
        for (const char* one : {"r", "g", "b", "a"}) {
            texture.properties.push_back(attribute(std::string("outputs:") + one, "float", {}));
            texture.properties.back().has_value = false;
        }
        texture.properties.push_back(attribute("outputs:rgb", "float3", {}));
        texture.properties.back().has_value = false;
        connect(surface, input, type, name, output);
        shaders_.push_back(std::move(texture));
        return true;
    }
    static const char* wrap_name(Wrap wrap) {
        return wrap == Wrap::clamp ? "clamp" : wrap == Wrap::mirror ? "mirror" : "repeat";
    }
    std::string file_of(int image) {
        std::string& file = image_files_[static_cast<size_t>(image)];
        const Image& one = writing_.scene.images[static_cast<size_t>(image)];
        const char* suffix = one.mime == "image/png" ? ".png" : one.mime == "image/jpeg" ? ".jpg" : "";
        if (file.empty() && !one.bytes.empty() && *suffix != 0) {
            std::set<std::string> taken;
            for (const WrittenFile& other : writing_.files) {
                taken.insert(other.name.substr(0, other.name.rfind('.')).substr(writing_.stem.size() + 1));
            }
            file = writing_.stem + "_" + prim_name(one.name.empty() ? "image" : one.name, taken) + suffix;
            writing_.files.push_back({file, std::string(one.bytes.begin(), one.bytes.end())});
        }
        return file;
    }

    Writing& writing_;
    std::vector<std::string>& image_files_;
    const Material& material_;
    std::string path_;
    std::vector<Prim> shaders_;
};

} // namespace

Prim materials_prim(Writing& writing, const std::string& root) {
    Prim scope;
    scope.name = "materials";
    scope.type_name = "Scope";
    std::set<std::string> taken;
    std::vector<std::string> image_files(writing.scene.images.size());
    for (const Material& material : writing.scene.materials) {
        Prim prim;
        prim.name = prim_name(material.name.empty() ? "material" : material.name, taken);
        prim.type_name = "Material";
        if (prim.name != material.name) {
            prim.metadata.push_back({"displayName", Value::string(material.name)});
        }
        const std::string path = root + "/materials/" + prim.name;
        writing.material_paths.push_back(path);
        MaterialWriter(writing, image_files, material, path).fill(prim);
        scope.children.push_back(std::move(prim));
    }
    return scope;
}

} // namespace wembrix::usd
