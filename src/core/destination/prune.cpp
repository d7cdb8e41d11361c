#include "core/destination/prune.h"

#include "core/scene/picture_references.h"
#include "core/scene/visit.h"

namespace wembrix {

namespace {

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

void drop_unplaced(Scene& scene) {
    Kept curves(scene.curve_sets.size());
    Kept hulls(scene.hulls.size());
    Kept lights(scene.lights.size());
    Kept cameras(scene.cameras.size());
    const auto use = [](Kept& kept, int place) {
        if (place >= 0) {
            kept.use(static_cast<size_t>(place));
        }
    };
    for (const Node& node : scene.nodes) {
        use(curves, node.curves);
        use(hulls, node.hull);
        use(lights, node.light);
        use(cameras, node.camera);
    }
    curves.apply(scene.curve_sets);
    hulls.apply(scene.hulls);
    lights.apply(scene.lights);
    cameras.apply(scene.cameras);
    const auto renumber = [](const Kept& kept, int& place) {
        place = place < 0 ? -1 : static_cast<int>(kept.place(static_cast<size_t>(place)));
    };
    for (Node& node : scene.nodes) {
        renumber(curves, node.curves);
        renumber(hulls, node.hull);
        renumber(lights, node.light);
        renumber(cameras, node.camera);
    }
    std::erase_if(scene.caches, [&](const PointCache& cache) {
        return cache.surface < 0 || !scene.nodes[static_cast<size_t>(cache.surface)].has_geometry();
    });
}

void drop_not_held(Scene& scene, Contents holds) {
    for (Node& node : scene.nodes) {
        node.camera = has(holds, Content::cameras) ? node.camera : -1;
        node.light = has(holds, Content::lights) ? node.light : -1;
        node.curves = has(holds, Content::curves) ? node.curves : -1;
    }
    if (!has(holds, Content::caches)) {
        scene.caches.clear();
    }
    if (has(holds, Content::carried)) {
        return;
    }
    std::vector<std::string> extras;
    for (const Node& node : scene.nodes) {
        extras.push_back(has(holds, Content::extras) ? node.carried.extras : std::string());
    }
    std::string about = has(holds, Content::about) ? scene.asset.extras : std::string();
    for_each_carried(scene, [](Carried& carried) { carried = {}; });
    scene.asset.extras = std::move(about);
    for (size_t n = 0; n < extras.size(); ++n) {
        scene.nodes[n].carried.extras = std::move(extras[n]);
    }
    scene.extensions_used.clear();
    scene.extensions_required.clear();
}

void drop_unused_materials(Scene& scene) {
    // The primitives of surfaces that nothing places keep no material: they are not written.
    std::vector<char> placed(scene.meshes.size(), 0);
    for (const Node& node : scene.nodes) {
        if (node.mesh >= 0) {
            placed[static_cast<size_t>(node.mesh)] = 1;
        }
    }
    for (size_t m = 0; m < scene.meshes.size(); ++m) {
        for (Primitive& primitive : scene.meshes[m].primitives) {
            if (placed[m] == 0) {
                primitive.material = -1;
                primitive.carried = {};
            }
        }
    }
    Kept materials(scene.materials.size());
    for_material_references(scene, [&](int& place) {
        if (place >= 0) {
            materials.use(static_cast<size_t>(place));
        }
    });
    materials.apply(scene.materials);
    for_material_references(scene, [&](int& place) {
        place = place < 0 ? -1 : static_cast<int>(materials.place(static_cast<size_t>(place)));
    });
    const auto uses = [](Kept& kept) { return [&kept](int& place) { kept.use(static_cast<size_t>(place)); }; };
    const auto moves_to = [](const Kept& kept) {
        return [&kept](int& place) { place = static_cast<int>(kept.place(static_cast<size_t>(place))); };
    };
    Kept textures(scene.textures.size());
    for (Material& material : scene.materials) {
        for_texture_references(material, uses(textures));
    }
    textures.apply(scene.textures);
    for (Material& material : scene.materials) {
        for_texture_references(material, moves_to(textures));
    }
    Kept images(scene.images.size());
    Kept samplers(scene.samplers.size());
    for (Texture& texture : scene.textures) {
        for_image_references(texture, uses(images));
        for_sampler_references(texture, uses(samplers));
    }
    images.apply(scene.images);
    samplers.apply(scene.samplers);
    for (Texture& texture : scene.textures) {
        for_image_references(texture, moves_to(images));
        for_sampler_references(texture, moves_to(samplers));
    }
}

} // namespace wembrix
