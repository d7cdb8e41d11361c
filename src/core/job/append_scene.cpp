#include "core/job/append_scene.h"

#include "core/scene/carried_lists.h"
#include "core/scene/picture_references.h"
#include "core/scene/visit.h"

#include <fmt/format.h>
#include <iterator>
#include <unordered_set>

namespace wembrix {

namespace {

std::string free_name(const std::string& wanted, std::unordered_set<std::string>& taken) {
    std::string name = wanted;
    for (int number = 2; !taken.insert(name).second; ++number) {
        name = fmt::format("{}_{}", wanted, number);
    }
    return name;
}

template <typename Item> void free_names(const std::vector<Item>& base, std::vector<Item>& added) {
    std::unordered_set<std::string> taken;
    for (const Item& item : base) {
        taken.insert(item.name);
    }
    for (Item& item : added) {
        item.name = free_name(item.name, taken);
    }
}

} // namespace

void append_clips(Scene& base, std::vector<Clip> clips, int64_t identity) {
    for (Clip& clip : clips) {
        clip.take += identity;
    }
    free_names(base.clips, clips);
    base.clips.insert(base.clips.end(), std::make_move_iterator(clips.begin()), std::make_move_iterator(clips.end()));
}

void append_scene(Scene& base, NamedScene source, int64_t identity) {
    Scene& added = source.scene;
    const auto by = [](size_t count) {
        return [count](int& place) { place = place < 0 ? -1 : place + static_cast<int>(count); };
    };
    free_names(base.nodes, added.nodes);
    free_names(base.meshes, added.meshes);
    free_names(base.curve_sets, added.curve_sets);
    free_names(base.caches, added.caches);
    free_names(base.hulls, added.hulls);
    free_names(base.clips, added.clips);
    for_node_references(added, by(base.nodes.size()));
    for_material_references(added, by(base.materials.size()));
    for (Node& node : added.nodes) {
        by(base.nodes.size())(node.parent);
        by(base.meshes.size())(node.mesh);
        by(base.skins.size())(node.skin);
        by(base.cameras.size())(node.camera);
        by(base.lights.size())(node.light);
        by(base.curve_sets.size())(node.curves);
        by(base.hulls.size())(node.hull);
        node.identity += identity;
        node.scenes = 1;
    }
    for (Clip& clip : added.clips) {
        clip.take += identity;
    }
    for (Material& material : added.materials) {
        for_texture_references(material, by(base.textures.size()));
    }
    for (Texture& texture : added.textures) {
        for_image_references(texture, by(base.images.size()));
        for_sampler_references(texture, by(base.samplers.size()));
    }
    join_carried(base, added, source.name);
    const auto append = [](auto& to, auto& from) {
        to.insert(to.end(), std::make_move_iterator(from.begin()), std::make_move_iterator(from.end()));
    };
    append(base.nodes, added.nodes);
    append(base.meshes, added.meshes);
    append(base.curve_sets, added.curve_sets);
    append(base.caches, added.caches);
    append(base.orders, added.orders);
    append(base.hulls, added.hulls);
    append(base.skins, added.skins);
    append(base.clips, added.clips);
    append(base.materials, added.materials);
    append(base.textures, added.textures);
    append(base.samplers, added.samplers);
    append(base.images, added.images);
    append(base.cameras, added.cameras);
    append(base.lights, added.lights);
    append(base.extensions_used, added.extensions_used);
    append(base.extensions_required, added.extensions_required);
    for (const Note& note : added.notes) {
        base.notes.push_back(note.of_source(source.name));
    }
}

} // namespace wembrix
