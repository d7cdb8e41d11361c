#include "core/scene/carried_lists.h"

#include "core/base/text.h"
#include "core/scene/visit.h"

#include <nlohmann/json.hpp>

namespace wembrix {

namespace {

using nlohmann::json;

json object_in(const std::string& text) {
    json object = text.empty() ? json::object() : json::parse(text, nullptr, false);
    return object.is_object() ? object : json::object();
}

std::string text_of_object(const json& object) {
    return object.empty() ? std::string() : object.dump();
}

/// The list under extensions[extension][key]; empty where there is none.
json list_in(const json& extensions, const char* extension, const char* key) {
    const auto found = extensions.find(extension);
    if (found == extensions.end() || !found->is_object() || !found->contains(key) || !found->at(key).is_array()) {
        return json::array();
    }
    return found->at(key);
}

bool same_name(const json& a, const json& b) {
    return a.is_object() && b.is_object() && a.contains("name") && b.contains("name") && a["name"] == b["name"];
}

/// Variants of `added` in the list of `base`; gives each one's place there.
std::vector<size_t> join_variants(json& base, const json& added) {
    std::vector<size_t> places;
    for (const json& variant : added) {
        size_t place = 0;
        while (place < base.size() && !same_name(base[place], variant)) {
            ++place;
        }
        if (place == base.size()) {
            base.push_back(variant);
        }
        places.push_back(place);
    }
    return places;
}

void renumber_variants(Scene& scene, const std::vector<size_t>& places) {
    for (Mesh& mesh : scene.meshes) {
        for (Primitive& primitive : mesh.primitives) {
            if (primitive.carried.extensions.find(variants_extension) == std::string::npos) {
                continue;
            }
            json extensions = object_in(primitive.carried.extensions);
            for_each_mapping(extensions, [&](json& mapping) {
                for (json& variant : mapping["variants"]) {
                    if (variant.is_number_unsigned() && variant.get<size_t>() < places.size()) {
                        variant = places[variant.get<size_t>()];
                    }
                }
            });
            primitive.carried.extensions = extensions.dump();
        }
    }
}

void renumber_packets(Scene& scene, size_t first) {
    for_each_carried(scene, [&](Carried& carried) {
        if (carried.extensions.find(packets_extension) == std::string::npos) {
            return;
        }
        json extensions = object_in(carried.extensions);
        json& its = extensions[packets_extension];
        if (its.is_object() && its.contains("packet") && its["packet"].is_number_unsigned()) {
            its["packet"] = its["packet"].get<size_t>() + first;
            carried.extensions = extensions.dump();
        }
    });
}

/// Keys that `base` has not are added; gives the keys that both have with other values.
std::vector<std::string> join_objects(json& base, const json& added) {
    std::vector<std::string> other;
    for (const auto& [key, value] : added.items()) {
        const auto found = base.find(key);
        if (found == base.end()) {
            base[key] = value;
        } else if (*found != value) {
            other.push_back(key);
        }
    }
    return other;
}

class Joining {
  public:
    Joining(Scene& base, const std::string& name) : base_(base), name_(name) {}

    void extras(std::string& into, const std::string& added, const char* of) {
        if (added.empty() || added == into) {
            return;
        }
        json its = json::parse(added, nullptr, false);
        json first = into.empty() ? json::object() : json::parse(into, nullptr, false);
        if (into.empty()) {
            into = added;
        } else if (!its.is_object() || !first.is_object()) {
            say(phrase("extras of {} are kept only from the first source.", of));
        } else {
            said_of_keys(join_objects(first, its), phrase("extras of {}", of));
            into = text_of_object(first);
        }
    }

    void extensions(std::string& into, json added, const char* of) {
        json first = object_in(into);
        said_of_keys(join_objects(first, added), phrase("extensions of {}", of));
        into = text_of_object(first);
    }

    void say(Text what) { base_.notes.push_back({name_, std::move(what)}); }

  private:
    void said_of_keys(const std::vector<std::string>& keys, const std::string& of) {
        for (const std::string& key : keys) {
            say(phrase("{}: \"{}\" is kept only from the first source.", of, key.substr(0, 60)));
        }
    }
    Scene& base_;
    const std::string& name_;
};

} // namespace

void for_each_mapping(json& extensions, const std::function<void(json&)>& visit) {
    const auto found = extensions.is_object() ? extensions.find(variants_extension) : extensions.end();
    if (found == extensions.end() || !found->is_object() || !found->contains("mappings")) {
        return;
    }
    for (json& mapping : (*found)["mappings"]) {
        if (mapping.is_object()) {
            visit(mapping);
        }
    }
}

void join_carried(Scene& base, Scene& added, const std::string& name) {
    json first = object_in(base.carried.extensions);
    json its = object_in(added.carried.extensions);

    json variants = list_in(first, variants_extension, "variants");
    renumber_variants(added, join_variants(variants, list_in(its, variants_extension, "variants")));
    if (!variants.empty()) {
        first[variants_extension]["variants"] = variants;
    }
    its.erase(variants_extension);

    json packets = list_in(first, packets_extension, "packets");
    const json more = list_in(its, packets_extension, "packets");
    if (!more.empty()) {
        added.carried.extensions.clear(); // the list itself, which names no packet
        renumber_packets(added, packets.size());
        packets.insert(packets.end(), more.begin(), more.end());
        first[packets_extension]["packets"] = packets;
    }
    its.erase(packets_extension);
    base.carried.extensions = text_of_object(first);

    Joining joining(base, name);
    joining.extensions(base.carried.extensions, std::move(its), "the file");
    joining.extras(base.carried.extras, added.carried.extras, "the file");
    joining.extensions(base.asset.extensions, object_in(added.asset.extensions), "the asset");
    joining.extras(base.asset.extras, added.asset.extras, "the asset");
    if (added.scenes.size() > 1) {
        joining.say(phrase("its {} scenes are one with the first source's.", added.scenes.size()));
    }
    if (!added.scenes.empty() && (base.scenes.empty() || !added.scenes[0].carried.empty())) {
        base.scenes.resize(std::max<size_t>(1, base.scenes.size()));
        joining.extensions(base.scenes[0].carried.extensions, object_in(added.scenes[0].carried.extensions),
                           "the scene");
        joining.extras(base.scenes[0].carried.extras, added.scenes[0].carried.extras, "the scene");
    }
    if (!added.copyright.empty() && base.copyright.find(added.copyright) == std::string::npos) {
        base.copyright += (base.copyright.empty() ? "" : "; ") + added.copyright;
    }
}

} // namespace wembrix
