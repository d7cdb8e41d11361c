#include "core/destination/prune.h"

#include "core/scene/picture_places.h"

#include <nlohmann/json.hpp>

namespace wembrix {

namespace {

using nlohmann::json;

/// True when the file's own extensions speak of textures, images or variants.
bool refers_to_pictures(const json& object) {
    for (const auto& [key, value] : object.items()) {
        const bool named = object.is_object() && (key.find("exture") != std::string::npos ||
                                                  key.find("mage") != std::string::npos || key == "variants");
        if (named || (value.is_structured() && refers_to_pictures(value))) {
            return true;
        }
    }
    return false;
}

bool has_references_of_its_own(const Scene& scene) {
    for (const Mesh& mesh : scene.meshes) {
        for (const Part& part : mesh.parts) {
            if (part.carried.extensions.find("material") != std::string::npos) {
                return true;
            }
        }
    }
    return !scene.carried.extensions.empty() && refers_to_pictures(json::parse(scene.carried.extensions));
}

/// Which of a list stay, and where they then stand.
class Kept {
  public:
    explicit Kept(size_t count) : used_(count, 0), place_(count, 0) {}
    void use(size_t i) { used_.at(i) = 1; }
    template <typename Item> void apply(std::vector<Item>& items) {
        std::vector<Item> kept;
        for (size_t i = 0; i < items.size(); ++i) {
            if (used_[i] != 0) {
                place_[i] = kept.size();
                kept.push_back(std::move(items[i]));
            }
        }
        items = std::move(kept);
    }
    [[nodiscard]] size_t place(size_t i) const { return place_.at(i); }

  private:
    std::vector<char> used_;
    std::vector<size_t> place_;
};

} // namespace

void drop_unused_materials(Scene& scene) {
    if (has_references_of_its_own(scene)) {
        return;
    }
    Kept materials(scene.materials.size());
    for (const Node& node : scene.nodes) {
        if (node.mesh >= 0) {
            for (const Part& part : scene.meshes[node.mesh].parts) {
                if (part.material >= 0) {
                    materials.use(part.material);
                }
            }
        }
    }
    // The parts of surfaces that nothing places keep no material: they are not written.
    materials.apply(scene.materials);
    std::vector<char> placed(scene.meshes.size(), 0);
    for (const Node& node : scene.nodes) {
        if (node.mesh >= 0) {
            placed[node.mesh] = 1;
        }
    }
    for (size_t m = 0; m < scene.meshes.size(); ++m) {
        for (Part& part : scene.meshes[m].parts) {
            part.material = part.material < 0 || placed[m] == 0 ? -1 : static_cast<int>(materials.place(part.material));
        }
    }
    Kept textures(scene.textures.size());
    std::vector<json> surfaces;
    for (const Material& material : scene.materials) {
        surfaces.push_back(json::parse(material.json));
        for_texture_objects(surfaces.back(), [&](json& object) { textures.use(object["index"].get<size_t>()); });
    }
    textures.apply(scene.textures);
    for (size_t i = 0; i < surfaces.size(); ++i) {
        for_texture_objects(surfaces[i],
                            [&](json& object) { object["index"] = textures.place(object["index"].get<size_t>()); });
        scene.materials[i].json = surfaces[i].dump();
    }
    Kept images(scene.images.size());
    Kept samplers(scene.samplers.size());
    std::vector<json> sources;
    for (const std::string& texture : scene.textures) {
        sources.push_back(json::parse(texture));
        for_texture_key(sources.back(), "source", [&](json& place) { images.use(place.get<size_t>()); });
        for_texture_key(sources.back(), "sampler", [&](json& place) { samplers.use(place.get<size_t>()); });
    }
    images.apply(scene.images);
    samplers.apply(scene.samplers);
    for (size_t i = 0; i < sources.size(); ++i) {
        for_texture_key(sources[i], "source", [&](json& place) { place = images.place(place.get<size_t>()); });
        for_texture_key(sources[i], "sampler", [&](json& place) { place = samplers.place(place.get<size_t>()); });
        scene.textures[i] = sources[i].dump();
    }
}

} // namespace wembrix
