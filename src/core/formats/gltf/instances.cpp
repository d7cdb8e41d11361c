#include "core/formats/gltf/instances.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/gltf/accessor.h"

#include <array>
#include <fmt/format.h>
#include <map>
#include <optional>
#include <set>
#include <vector>

namespace wembrix::gltf {

namespace {

struct PlaceValues {
    const char* attribute;
    const char* key; ///< of a node
    int width;
    std::vector<float> values;
};

/// A channel that moves a node's shapes: the animation, and its place there.
struct WeightChannel {
    size_t animation = 0;
    size_t channel = 0;
};

/// By node.
std::map<uint64_t, std::vector<WeightChannel>> weight_channels_of(Document& document) {
    std::map<uint64_t, std::vector<WeightChannel>> found;
    const Json& animations = array_of(document.root, "animations", "animations");
    for (size_t a = 0; a < animations.size(); ++a) {
        const Json& channels = array_of(animations[a], "channels", phrase("animation {}", a));
        for (size_t c = 0; c < channels.size(); ++c) {
            const auto target = channels[c].find("target");
            if (target != channels[c].end() && target->is_object() && text_of(*target, "path") == "weights") {
                const auto node = target->find("node");
                if (node != target->end() && node->is_number_unsigned()) {
                    found[node->get<uint64_t>()].push_back({a, c});
                }
            }
        }
    }
    return found;
}

/// What is said of the places besides where they are, which no node has.
std::string other_values(const Json& attributes) {
    std::string names;
    for (const auto& [name, accessor] : attributes.items()) {
        if (name != "TRANSLATION" && name != "ROTATION" && name != "SCALE") {
            names += (names.empty() ? "\"" : ", \"") + name.substr(0, 40) + "\"";
        }
    }
    return names;
}

class Instances {
  public:
    Instances(Document& document, Scene& scene)
        : document_(document), scene_(scene), weight_channels_(weight_channels_of(document)) {}

    void unpack(size_t node) {
        const std::string where = fmt::format("node {} \"{}\"", node, text_of(nodes()[node], "name").substr(0, 80));
        const Json extension = nodes()[node]["extensions"][instancing_extension];
        const auto attributes = extension.find("attributes");
        if (attributes == extension.end() || !attributes->is_object() || attributes->empty()) {
            refuse(where, "has places for its surface without where they are.");
        }
        if (nodes()[node].contains("skin")) {
            leave(node, where, "places of a surface that a skin moves are not read");
            return;
        }
        const size_t count = accessor_info(document_, place_of(attributes->begin().value(), where), where).count;
        const std::vector<WeightChannel> keys = weight_channels_[node];
        if (count > most_places || made_ + count * (1 + keys.size()) > most_places) {
            leave(node, where, phrase("{} of its surface are more than are made nodes", counted(count, "place")));
            return;
        }
        made_ += count * (1 + keys.size());
        std::array<PlaceValues, 3> read = {
            {{"TRANSLATION", "translation", 3, {}}, {"ROTATION", "rotation", 4, {}}, {"SCALE", "scale", 3, {}}}};
        for (PlaceValues& part : read) {
            if (const auto accessor = attributes->find(part.attribute); accessor != attributes->end()) {
                part.values = read_floats(document_, place_of(*accessor, where), part.width, where);
                if (part.values.size() != count * static_cast<size_t>(part.width)) {
                    refuse(where, "has places for its surface of different numbers.");
                }
            }
        }
        place(node, count, read, keys);
        std::string said =
            phrase("its surface stood at {} by an extension; each is a node below it now", counted(count, "place"));
        if (const std::string others = other_values(*attributes); !others.empty()) {
            said += ", and what is said of them besides, " + others + ", is left out";
        }
        if (const auto extras = extension.find("extras"); extras != extension.end()) {
            said += ", and the extension's own extras are left out";
        }
        scene_.notes.push_back({where, said + "."});
    }

    /// Takes out what `unpack` gave to others; to be called once, after all of them.
    void finish() {
        std::map<size_t, std::set<size_t>> by_animation;
        for (const WeightChannel& keys : gone_) {
            by_animation[keys.animation].insert(keys.channel);
        }
        for (const auto& [animation, out] : by_animation) {
            Json& channels = document_.root["animations"][animation]["channels"];
            Json kept = Json::array();
            for (size_t c = 0; c < channels.size(); ++c) {
                if (out.count(c) == 0) {
                    kept.push_back(std::move(channels[c]));
                }
            }
            channels = std::move(kept);
        }
    }

  private:
    Json& nodes() { return document_.root["nodes"]; }

    static int64_t place_of(const Json& accessor, const Where& where) {
        if (!accessor.is_number_unsigned() || accessor.get<uint64_t>() > INT64_MAX) {
            refuse(where, "names as its surface's places what is no accessor.");
        }
        return accessor.get<int64_t>();
    }

    void leave(size_t node, const Where& where, const Text& why) {
        forget(nodes()[node]);
        scene_.notes.push_back({where.said(), why + "; the surface stands at the node alone."});
    }

    static void forget(Json& node) {
        node["extensions"].erase(instancing_extension);
        if (node["extensions"].empty()) {
            node.erase("extensions");
        }
    }

    void place(size_t node, size_t count, const std::array<PlaceValues, 3>& read,
               const std::vector<WeightChannel>& keys) {
        forget(nodes()[node]);
        Json shown = Json::object({{"mesh", nodes()[node]["mesh"]}});
        if (nodes()[node].contains("weights")) {
            shown["weights"] = nodes()[node]["weights"];
        }
        const std::string name = text_of(nodes()[node], "name");
        Json children = array_of(nodes()[node], "children", "nodes");
        for (size_t i = 0; i < count; ++i) {
            Json child = shown;
            if (!name.empty()) {
                child["name"] = fmt::format("{}_{}", name, i + 1);
            }
            for (const PlaceValues& part : read) {
                if (!part.values.empty()) {
                    const auto* first = part.values.data() + i * static_cast<size_t>(part.width);
                    child[part.key] = std::vector<float>(first, first + part.width);
                }
            }
            for (const WeightChannel& moved : keys) {
                Json& channels = document_.root["animations"][moved.animation]["channels"];
                Json channel = channels[moved.channel];
                channel["target"]["node"] = nodes().size();
                channels.push_back(std::move(channel));
            }
            children.push_back(nodes().size());
            nodes().push_back(std::move(child));
        }
        Json& parent = nodes()[node];
        parent.erase("mesh");
        parent.erase("weights");
        if (!children.empty()) {
            parent["children"] = std::move(children);
        }
        gone_.insert(gone_.end(), keys.begin(), keys.end());
    }

    Document& document_;
    Scene& scene_;
    size_t made_ = 0;
    std::map<uint64_t, std::vector<WeightChannel>> weight_channels_;
    std::vector<WeightChannel> gone_; ///< each of the places has them now
};

} // namespace

void unpack_instances(Document& document, Scene& scene) {
    const size_t count = array_of(document.root, "nodes", "nodes").size();
    std::optional<Instances> instances;
    for (size_t i = 0; i < count; ++i) {
        const Json& node = document.root["nodes"][i];
        if (!node.is_object() || !node.contains("mesh")) {
            continue;
        }
        const auto extensions = node.find("extensions");
        if (extensions != node.end() && extensions->is_object()) {
            const auto found = extensions->find(instancing_extension);
            if (found != extensions->end() && found->is_object()) {
                if (!instances) {
                    instances.emplace(document, scene);
                }
                instances->unpack(i);
            }
        }
    }
    if (instances) {
        instances->finish();
    }
}

} // namespace wembrix::gltf
