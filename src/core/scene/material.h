// How surfaces look: materials, the textures and images they use. Each struct lists its fields once, for comparing,
// hashing and testing (content.h).
#pragma once

#include "core/base/shared.h"
#include "core/scene/carried.h"

#include <array>
#include <cstdint>
#include <string>
#include <tuple>

namespace wembrix {

/// A texture as a material uses it.
struct TextureUse {
    int texture = -1;                      ///< place in Scene::textures; -1: none
    int coordinates = 0;                   ///< which set of texture coordinates
    std::array<double, 2> offset = {0, 0}; ///< of the texture coordinates, after scale and rotation
    double rotation = 0;                   ///< radians, counter-clockwise
    std::array<double, 2> scale = {1, 1};
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.texture, s.coordinates, s.offset, s.rotation, s.scale, s.carried);
    }
};

enum class AlphaMode : uint8_t { opaque, mask, blend };

/// Metalness and roughness, as glTF 2.0 (section 3.9) and several engines define them. Colours are linear.
struct Material {
    std::string name;
    std::array<double, 4> base_colour = {1, 1, 1, 1}; ///< RGBA
    double metalness = 1;                             ///< 0 to 1
    double roughness = 1;                             ///< 0 to 1
    double normal_scale = 1;
    double occlusion_strength = 1;
    std::array<double, 3> emission = {0, 0, 0}; ///< RGB
    AlphaMode alpha_mode = AlphaMode::opaque;
    double alpha_cutoff = 0.5; ///< of a mask
    bool double_sided = false;
    TextureUse base_colour_texture;
    TextureUse metalness_roughness_texture; ///< roughness in green, metalness in blue
    TextureUse normal_texture;
    TextureUse occlusion_texture; ///< in red
    TextureUse emission_texture;
    Carried carried;
    Carried carried_surface; ///< of the source's block of metalness and roughness
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.base_colour, s.metalness, s.roughness, s.normal_scale, s.occlusion_strength,
                        s.emission, s.alpha_mode, s.alpha_cutoff, s.double_sided, s.base_colour_texture,
                        s.metalness_roughness_texture, s.normal_texture, s.occlusion_texture, s.emission_texture,
                        s.carried, s.carried_surface);
    }
};

/// An image under a sampler.
struct Texture {
    std::string name;
    int image = -1;   ///< place in Scene::images
    int sampler = -1; ///< place in Scene::samplers
    Carried carried;
    template <typename Self> static auto fields(Self& s) { return std::tie(s.name, s.image, s.sampler, s.carried); }
};

struct Image {
    std::string name;
    std::string mime; ///< "image/png"
    Shared<uint8_t> bytes;
    Carried carried;
    template <typename Self> static auto fields(Self& s) { return std::tie(s.name, s.mime, s.bytes, s.carried); }
};

enum class Wrap : uint8_t { repeat, clamp, mirror };
enum class Filter : uint8_t { any, nearest, linear };

struct Sampler {
    std::string name;
    Wrap wrap_u = Wrap::repeat;
    Wrap wrap_v = Wrap::repeat;
    Filter magnified = Filter::any;
    Filter minified = Filter::any;
    Filter between_levels = Filter::any; ///< any: no smaller levels of the image are asked for
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.wrap_u, s.wrap_v, s.magnified, s.minified, s.between_levels, s.carried);
    }
};

} // namespace wembrix
