#include "core/job/assemble.h"

#include "core/scene/picture_places.h"
#include "core/steps/names.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>
#include <unordered_map>
#include <unordered_set>

namespace wembrix {

namespace {

using nlohmann::json;

std::string bare(const std::string& name) {
    return name.substr(prefix_of(name, ":").size());
}

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

void shift_key(json& texture, const char* key, size_t by) {
    for_texture_key(texture, key, [&](json& place) { place = place.get<size_t>() + by; });
}

void add_takes(Scene& base, const NamedScene& source, int64_t identity) {
    std::unordered_map<std::string, int> places;
    for (size_t i = 0; i < base.nodes.size(); ++i) {
        places.emplace(bare(base.nodes[i].name), static_cast<int>(i));
    }
    std::unordered_set<std::string> lost;
    std::vector<Clip> clips = source.scene.clips;
    for (Clip& clip : clips) {
        clip.take += identity;
        for (Channel& channel : clip.channels) {
            const Node& from = source.scene.nodes[channel.node];
            const auto found = places.find(bare(from.name));
            channel.node = found == places.end() ? -1 : found->second;
            if (channel.node >= 0 && channel.path == Path::weights) {
                const Node& to = base.nodes[channel.node];
                const bool fits = to.mesh >= 0 && static_cast<int>(base.meshes[to.mesh].shapes.size()) == channel.width;
                channel.node = fits ? channel.node : -1;
            }
            if (channel.node < 0) {
                lost.insert(from.name);
            }
        }
        std::erase_if(clip.channels, [](const Channel& channel) { return channel.node < 0; });
    }
    free_names(base.clips, clips);
    base.clips.insert(base.clips.end(), clips.begin(), clips.end());
    if (!lost.empty()) {
        base.notes.push_back(
            {source.name,
             fmt::format("moves {} nodes that the model does not have (\"{}\" is one); their keys are left out.",
                         lost.size(), *lost.begin())});
    }
    size_t surfaces = 0;
    for (const int node : surfaces_of(source.scene)) {
        surfaces += places.count(bare(source.scene.nodes[node].name)) == 0 ? 1 : 0;
    }
    if (surfaces > 0) {
        base.notes.push_back(
            {source.name,
             fmt::format("its {} surfaces stay out: it was taken as motion for the model's joints.", surfaces)});
    }
}

void add_beside(Scene& base, NamedScene source, int64_t identity) {
    Scene& added = source.scene;
    const auto nodes = static_cast<int>(base.nodes.size());
    const auto meshes = static_cast<int>(base.meshes.size());
    const auto skins = static_cast<int>(base.skins.size());
    const auto materials = static_cast<int>(base.materials.size());
    const auto cameras = static_cast<int>(base.cameras.size());
    free_names(base.nodes, added.nodes);
    free_names(base.meshes, added.meshes);
    free_names(base.clips, added.clips);
    for (Node& node : added.nodes) {
        node.parent = node.parent < 0 ? -1 : node.parent + nodes;
        node.mesh = node.mesh < 0 ? -1 : node.mesh + meshes;
        node.skin = node.skin < 0 ? -1 : node.skin + skins;
        node.camera = node.camera < 0 ? -1 : node.camera + cameras;
        node.identity += identity;
        node.scenes = 1;
        base.nodes.push_back(std::move(node));
    }
    for (Mesh& mesh : added.meshes) {
        for (Part& part : mesh.parts) {
            part.material = part.material < 0 ? -1 : part.material + materials;
        }
        base.meshes.push_back(std::move(mesh));
    }
    for (Skin& skin : added.skins) {
        for (int& joint : skin.joints) {
            joint += nodes;
        }
        base.skins.push_back(std::move(skin));
    }
    for (Clip& clip : added.clips) {
        clip.take += identity;
        for (Channel& channel : clip.channels) {
            channel.node += nodes;
        }
        base.clips.push_back(std::move(clip));
    }
    for (Material& material : added.materials) {
        json object = json::parse(material.json);
        for_texture_objects(object,
                            [&](json& place) { place["index"] = place["index"].get<size_t>() + base.textures.size(); });
        material.json = object.dump();
        base.materials.push_back(std::move(material));
    }
    for (std::string& texture : added.textures) {
        json object = json::parse(texture);
        shift_key(object, "source", base.images.size());
        shift_key(object, "sampler", base.samplers.size());
        texture = object.dump();
    }
    auto append = [](auto& to, auto& from) { to.insert(to.end(), from.begin(), from.end()); };
    append(base.textures, added.textures);
    append(base.samplers, added.samplers);
    append(base.images, added.images);
    append(base.cameras, added.cameras);
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
            known.insert(bare(base.nodes[joint].name));
        }
        const Scene& scene = sources[s].scene;
        size_t matched = 0;
        size_t moving = 0;
        for (const int joint : joints_of(scene)) {
            ++moving;
            matched += known.count(bare(scene.nodes[joint].name));
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
