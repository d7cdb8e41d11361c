// Materials by value, and the textures, images and samplers that they use.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/comparison/subjects.h"
#include "core/scene/picture_references.h"

#include <algorithm>
#include <map>
#include <set>

namespace wembrix {

namespace {

constexpr std::array<std::string_view, 17> material_fields = {"name",
                                                              "base colour",
                                                              "metalness",
                                                              "roughness",
                                                              "scale of the normals",
                                                              "strength of the occlusion",
                                                              "emission",
                                                              "alpha mode",
                                                              "alpha cutoff",
                                                              "double-sided",
                                                              "texture of the base colour",
                                                              "texture of metalness and roughness",
                                                              "texture of the normals",
                                                              "texture of the occlusion",
                                                              "texture of the emission",
                                                              "extras or extensions",
                                                              "extras or extensions of its surface"};
constexpr std::array<std::string_view, 4> texture_fields = {"name", "image", "sampler", "extras or extensions"};
constexpr std::array<std::string_view, 4> image_fields = {"name", "type", "pixels", "extras or extensions"};
constexpr std::array<std::string_view, 7> sampler_fields = {
    "name", "wrap across", "wrap along", "magnifying", "minifying", "between levels", "extras or extensions"};

/// Gives textures, images and samplers that hold the same one number, whichever scene they are in.
class DecodedImages {
  public:
    /// The number of the texture at that place.
    int texture(const Scene& scene, int place) {
        Hasher hash;
        const Texture& texture = scene.textures[static_cast<size_t>(place)];
        add_content(hash, texture.name);
        add_content(hash, texture.carried);
        Texture copy = texture;
        for_image_references(copy, [&](int& at) {
            add_content(hash, scene.images[static_cast<size_t>(at)]);
            at = 0;
        });
        if (texture.sampler >= 0) {
            add_content(hash, scene.samplers[static_cast<size_t>(texture.sampler)]);
        }
        return numbers_.emplace(hash.hex(), static_cast<int>(numbers_.size())).first->second;
    }

    /// The material with such numbers for places, and its own as engines have them, in single precision.
    Material plain(const Scene& scene, Material material) {
        for_texture_references(material, [&](int& place) { place = texture(scene, place); });
        const auto single = [](double& number) { number = static_cast<double>(static_cast<float>(number)); };
        for (double* number : {&material.metalness, &material.roughness, &material.normal_scale,
                               &material.occlusion_strength, &material.alpha_cutoff}) {
            single(*number);
        }
        for (double& number : material.base_colour) {
            single(number);
        }
        for (double& number : material.emission) {
            single(number);
        }
        return material;
    }

  private:
    std::map<std::string, int> numbers_;
};

const Material* material_at(const Scene& scene, int place) {
    return place < 0 ? nullptr : &scene.materials[static_cast<size_t>(place)];
}

std::string name_or_none(const Material* material) {
    return material == nullptr ? "none" : "“" + material->name + "”";
}

/// Which of the pictures behind a material's first unlike texture differs, in words.
Text unlike_picture(const Scene& a, const Scene& b, const TextureUse& x, const TextureUse& y) {
    if (x.coordinates != y.coordinates) {
        return phrase("coordinate set {} and not {}", y.coordinates, x.coordinates);
    }
    if (x.offset != y.offset || x.scale != y.scale || x.rotation != y.rotation) {
        return "another transform";
    }
    if (x.texture < 0 || y.texture < 0) {
        return x.texture < 0 ? "was not there" : "gone";
    }
    const Texture& p = a.textures[static_cast<size_t>(x.texture)];
    const Texture& q = b.textures[static_cast<size_t>(y.texture)];
    if (p.image >= 0 && q.image >= 0) {
        const std::string_view what =
            first_unlike(a.images[static_cast<size_t>(p.image)], b.images[static_cast<size_t>(q.image)], image_fields);
        if (!what.empty()) {
            return phrase("image “{}”: other {}", a.images[static_cast<size_t>(p.image)].name, what);
        }
    }
    if (p.sampler >= 0 && q.sampler >= 0) {
        const std::string_view what = first_unlike(a.samplers[static_cast<size_t>(p.sampler)],
                                                   b.samplers[static_cast<size_t>(q.sampler)], sampler_fields);
        if (!what.empty()) {
            return phrase("other {}", what);
        }
    }
    const std::string_view what = first_unlike(p, q, texture_fields);
    return what.empty() ? "another texture" : phrase("other {}", what);
}

Text unlike_material(const NodePairs& pairs, DecodedImages& pictures, const Material& a, const Material& b) {
    const std::string_view field =
        first_unlike(pictures.plain(pairs.expected(), a), pictures.plain(pairs.actual(), b), material_fields);
    if (field.empty()) {
        return {};
    }
    const std::pair<std::string_view, const TextureUse Material::*> uses[] = {
        {material_fields[10], &Material::base_colour_texture},
        {material_fields[11], &Material::metalness_roughness_texture},
        {material_fields[12], &Material::normal_texture},
        {material_fields[13], &Material::occlusion_texture},
        {material_fields[14], &Material::emission_texture}};
    for (const auto& [name, use] : uses) {
        if (name == field) {
            return phrase("{}: {}", field, unlike_picture(pairs.expected(), pairs.actual(), a.*use, b.*use));
        }
    }
    return phrase("other {}", field);
}

} // namespace

void compare_materials(const NodePairs& pairs, std::vector<Subject>& subjects) {
    Subject slots("Material slots", "primitive");
    Subject materials("Materials", "material");
    DecodedImages pictures;
    std::set<std::pair<const Material*, const Material*>> seen;
    const auto compare = [&](const std::string& where, int x, int y) {
        slots.compared();
        const Material* a = material_at(pairs.expected(), x);
        const Material* b = material_at(pairs.actual(), y);
        if (a == nullptr || b == nullptr || a->name != b->name) {
            if (a != b) {
                slots.differs(where, phrase("has {} and not {}", name_or_none(b), name_or_none(a)));
            }
            return;
        }
        if (seen.insert({a, b}).second) {
            materials.compared();
            if (const std::string how = unlike_material(pairs, pictures, *a, *b); !how.empty()) {
                materials.differs("“" + a->name + "”", how);
            }
        }
    };
    pairs.for_both([&](const Node& x, const Node& y) {
        if (x.mesh < 0 || y.mesh < 0) {
            return;
        }
        const Mesh& a = pairs.expected().meshes[static_cast<size_t>(x.mesh)];
        const Mesh& b = pairs.actual().meshes[static_cast<size_t>(y.mesh)];
        for (size_t p = 0; p < std::min(a.primitives.size(), b.primitives.size()); ++p) {
            compare(phrase("{}, primitive {}", x.name, p), a.primitives[p].material, b.primitives[p].material);
            if (a.primitives[p].carried.extensions != b.primitives[p].carried.extensions) {
                slots.differs(phrase("{}, primitive {}", x.name, p), "other variants or extensions");
            }
        }
    });
    subjects.insert(subjects.end(), {slots, materials});
}

} // namespace wembrix
