#include "core/measure/inventory/inventory.h"

#include <algorithm>
#include <array>
#include <map>
#include <nlohmann/json.hpp>
#include <set>
#include <string_view>
#include <tuple>

namespace wembrix {

namespace {

/// Names of the extensions that are carried as the text of a JSON object.
std::vector<std::string> extensions_in(const std::string& text) {
    std::vector<std::string> names;
    const nlohmann::json object = text.empty() ? nlohmann::json() : nlohmann::json::parse(text, nullptr, false);
    if (object.is_object()) {
        for (const auto& [name, value] : object.items()) {
            names.push_back(name);
        }
    }
    return names;
}

class Counting {
  public:
    explicit Counting(const Scene& scene) : scene_(scene) {}

    std::vector<Thing> run() {
        for (const Node& node : scene_.nodes) {
            owner_ = node.identity;
            std::string kind(kind_name(node.kind));
            std::replace(kind.begin(), kind.end(), '_', ' ');
            put(std::move(kind), node.name, 1, "");
            things_.back().is_owner = true;
            carried(node.carried, node.name);
            if (node.mesh >= 0) {
                surface(node, scene_.meshes[static_cast<size_t>(node.mesh)]);
            }
            one_of(node.camera, "camera", node.name);
            one_of(node.light, "light", node.name);
            one_of(node.curves, "curves", node.name);
            if (node.kind != NodeKind::hull) { // else it is said already
                one_of(node.hull, "hull", node.name);
            }
        }
        for (const PointCache& cache : scene_.caches) {
            owner_ = cache.surface < 0 ? 0 : scene_.nodes[static_cast<size_t>(cache.surface)].identity;
            put("cache", cache.name, static_cast<size_t>(cache.frames), cache.name);
        }
        owner_ = 0;
        carried(scene_.carried, "the file");
        if (!scene_.copyright.empty()) {
            put("copyright", scene_.copyright, 1, scene_.copyright);
        }
        for (size_t s = 0; s < scene_.scenes.size(); ++s) {
            if (s > 0) {
                put("scene", scene_.scenes[s].name, 1, std::to_string(s));
            }
            carried(scene_.scenes[s].carried, "scene " + scene_.scenes[s].name);
        }
        skins();
        for (const Clip& clip : scene_.clips) {
            this->clip(clip);
        }
        return std::move(things_);
    }

  private:
    void put(std::string what, std::string name, size_t count, std::string part) {
        things_.push_back({std::move(what), std::move(name), count, owner_, take_, std::move(part), false});
    }

    void one_of(int place, const char* what, const std::string& name) {
        if (place >= 0) {
            put(what, name, 1, what);
        }
    }

    void carried(const Carried& carried, const std::string& name) {
        if (!carried.extras.empty()) {
            put("extras", name, 1, name);
        }
        for (const std::string& extension : extensions_in(carried.extensions)) {
            put("extension", name + ", " + extension, 1, extension);
        }
    }

    /// A skin is the way a surface hangs on joints: it counts as a thing of its own where no surface has it, or where
    /// something is said of it.
    void skins() {
        std::vector<char> used(scene_.skins.size(), 0);
        for (const Node& node : scene_.nodes) {
            if (node.skin >= 0) {
                used[static_cast<size_t>(node.skin)] = 1;
            }
        }
        for (size_t s = 0; s < used.size(); ++s) {
            if (used[s] == 0) {
                put("skin", scene_.skins[s].name, 1, scene_.skins[s].name);
            }
            carried(scene_.skins[s].carried, "skin " + scene_.skins[s].name);
        }
    }

    void surface(const Node& node, const Mesh& mesh) {
        const auto each = [&](const char* what, const char* part, size_t count) {
            if (count > 0) {
                put(what, node.name, count, part);
            }
        };
        bool normals = false;
        bool tangents = false;
        std::set<std::string> materials;
        for (const Primitive& primitive : mesh.primitives) {
            normals = normals || primitive.has_normals;
            tangents = tangents || primitive.has_tangents;
            if (primitive.material >= 0) {
                const Material& material = scene_.materials[static_cast<size_t>(primitive.material)];
                materials.insert(material.name);
                textures(node, material);
            }
        }
        each("vertices", "vertices", mesh.point_count());
        each("normals", "normals", normals ? mesh.point_count() : 0);
        each("tangents", "tangents", tangents ? mesh.point_count() : 0);
        each("weights", "weights", node.influences.empty() ? 0 : mesh.point_count());
        for (const Attribute& one : mesh.attributes) {
            const char* what = one.name.starts_with("TEXCOORD") ? "texture coordinates"
                               : one.name.starts_with("COLOR")  ? "vertex colours"
                                                                : "attribute";
            put(what, node.name + ", " + one.name, mesh.point_count(), one.name);
        }
        for (const MorphTarget& shape : mesh.shapes) {
            put("shape", node.name + "/" + shape.name, 1, shape.name);
        }
        for (const std::string& material : materials) {
            put("material", node.name + ", " + material, 1, material);
        }
        carried(mesh.carried, mesh.name);
    }

    void textures(const Node& node, const Material& material) {
        const std::pair<const char*, const TextureUse*> uses[] = {
            {"base colour", &material.base_colour_texture},
            {"metalness and roughness", &material.metalness_roughness_texture},
            {"normals", &material.normal_texture},
            {"occlusion", &material.occlusion_texture},
            {"emission", &material.emission_texture}};
        for (const auto& [slot, use] : uses) {
            if (use->texture >= 0) {
                put("texture", node.name + ", " + material.name + ", " + slot, 1, material.name + "/" + slot);
            }
        }
    }

    void clip(const Clip& clip) {
        constexpr std::array<const char*, 4> paths = {"translation keys", "rotation keys", "scale keys",
                                                      "keys of shapes"};
        take_ = clip.take;
        owner_ = 0;
        put("take", clip.name, 1, "");
        things_.back().is_owner = true;
        for (const Channel& channel : clip.channels) {
            const Node& node = scene_.nodes[static_cast<size_t>(channel.node)];
            owner_ = node.identity;
            const char* what = paths.at(static_cast<size_t>(channel.path));
            put(what, clip.name + ", " + node.name, channel.times.size(), what);
        }
        take_ = 0;
        owner_ = 0;
    }

    const Scene& scene_;
    std::vector<Thing> things_;
    int64_t owner_ = 0;
    int64_t take_ = 0;
};

/// Surfaces that were joined into another one answer for it.
std::map<int64_t, int64_t> joined_into(const Scene& scene) {
    std::map<int64_t, int64_t> into;
    for (const Node& node : scene.nodes) {
        for (const Piece& piece : node.pieces) {
            into[piece.identity] = node.identity;
        }
    }
    return into;
}

using ThingGroup = std::tuple<int64_t, int64_t, std::string>; // owner, take, what

ThingGroup group_of(const Thing& thing) {
    return {thing.owner, thing.take, thing.what};
}

} // namespace

std::vector<Thing> inventory_of(const Scene& scene) {
    return Counting(scene).run();
}

std::vector<Thing> left_between(const Scene& before, const Scene& after) {
    const std::map<int64_t, int64_t> into = joined_into(after);
    std::set<int64_t> nodes;
    std::set<int64_t> takes;
    std::map<ThingGroup, std::set<std::string>> there;
    for (const Thing& thing : inventory_of(after)) {
        if (thing.is_owner) {
            (thing.take != 0 ? takes : nodes).insert(thing.take != 0 ? thing.take : thing.owner);
        }
        there[group_of(thing)].insert(thing.part);
    }
    std::vector<Thing> things = inventory_of(before);
    std::map<ThingGroup, std::set<std::string>> were;
    for (const Thing& thing : things) {
        were[group_of(thing)].insert(thing.part);
    }
    std::vector<Thing> left;
    std::set<std::tuple<int64_t, int64_t, std::string, std::string>> told;
    for (Thing& thing : things) {
        const auto joined = into.find(thing.owner);
        const bool is_joined = joined != into.end() && joined->second != thing.owner;
        const bool is_there = nodes.count(thing.owner) > 0 || is_joined;
        if (thing.is_owner) {
            if (thing.take != 0 ? takes.count(thing.take) > 0 : is_there) {
                continue;
            }
        } else if ((thing.owner != 0 && !is_there) || (thing.take != 0 && takes.count(thing.take) == 0)) {
            continue; // it went with its node or its take
        } else {
            const ThingGroup group(is_joined ? joined->second : thing.owner, thing.take, thing.what);
            const auto found = there.find(group);
            const size_t kept = found == there.end() ? 0 : found->second.size();
            const bool same_part = found != there.end() && found->second.count(thing.part) > 0;
            if (same_part || kept >= were[group_of(thing)].size()) {
                continue;
            }
        }
        if (told.insert({thing.owner, thing.take, thing.what, thing.part}).second) {
            left.push_back(std::move(thing));
        }
    }
    return left;
}

} // namespace wembrix
