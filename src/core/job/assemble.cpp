#include "core/job/assemble.h"

#include "core/job/bring_take.h"
#include "core/scene/picture_references.h"
#include "core/scene/visit.h"
#include "core/steps/names.h"

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

void add_takes(Scene& base, const NamedScene& source, int64_t identity) {
    Brought brought = bring_take(base, source.scene);
    for (Clip& clip : brought.clips) {
        clip.take += identity;
    }
    free_names(base.clips, brought.clips);
    base.clips.insert(base.clips.end(), brought.clips.begin(), brought.clips.end());
    const auto note = [&](std::string what) { base.notes.push_back({source.name, std::move(what)}); };
    if (brought.factor != 1) {
        note(fmt::format("counts in another unit than the model: its lengths are taken {:g} times.", brought.factor));
    }
    if (brought.carried) {
        note("rests otherwise than the model: its motion is carried over so that each bone lies where it lay.");
    }
    if (brought.longest_apart > 0.02) {
        note(fmt::format("has bones up to {:.0f} % longer or shorter than the model's; the model keeps its own.",
                         brought.longest_apart * 100));
    }
    if (!brought.left_out.empty()) {
        note(fmt::format("moves {} nodes that the model does not have ({}); their keys are left out.",
                         brought.left_out.size(), some_of(brought.left_out, 12)));
    }
    std::unordered_set<std::string> known;
    for (const Node& node : base.nodes) {
        known.insert(strip_namespace(node.name));
    }
    size_t surfaces = 0;
    for (const int node : surfaces_of(source.scene)) {
        surfaces += known.count(strip_namespace(source.scene.nodes[node].name)) == 0 ? 1 : 0;
    }
    if (surfaces > 0) {
        note(fmt::format("its {} surfaces stay out: it was taken as motion for the model's joints.", surfaces));
    }
}

void add_beside(Scene& base, NamedScene source, int64_t identity) {
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
    const auto append = [](auto& to, auto& from) {
        to.insert(to.end(), std::make_move_iterator(from.begin()), std::make_move_iterator(from.end()));
    };
    append(base.nodes, added.nodes);
    append(base.meshes, added.meshes);
    append(base.curve_sets, added.curve_sets);
    append(base.caches, added.caches);
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
    for (Note& note : added.notes) {
        note.where = source.name + ", " + note.where;
        base.notes.push_back(std::move(note));
    }
    if (!added.carried.extensions.empty()) {
        base.notes.push_back({source.name, "extensions of the file as a whole are kept only from the first source."});
    }
}

} // namespace

Scene assemble(std::vector<NamedScene> sources) {
    if (sources.empty()) {
        return {};
    }
    Scene base = std::move(sources.front().scene);
    for (size_t s = 1; s < sources.size(); ++s) {
        std::unordered_set<std::string> known;
        for (const int joint : joints_of(base)) {
            known.insert(strip_namespace(base.nodes[joint].name));
        }
        const Scene& scene = sources[s].scene;
        size_t matched = 0;
        size_t moving = 0;
        for (const int joint : joints_of(scene)) {
            ++moving;
            matched += known.count(strip_namespace(scene.nodes[joint].name));
        }
        const int64_t identity = static_cast<int64_t>(s) << 32U;
        if (!scene.clips.empty() && matched * 2 >= moving && matched > 0) {
            add_takes(base, sources[s], identity);
        } else {
            add_beside(base, std::move(sources[s]), identity);
        }
    }
    return base;
}

} // namespace wembrix
