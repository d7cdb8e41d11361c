#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/unique_names.h"
#include "core/formats/usd/crate.h"
#include "core/formats/usd/custom_data.h"
#include "core/formats/usd/read_parts.h"
#include "core/formats/usd/text.h"
#include "core/formats/usd/usd.h"
#include "core/scene/place_all.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace wembrix {

namespace usd {

namespace {

/// Prims that place nothing by themselves.
bool is_no_node(const std::string& type) {
    static constexpr std::array<std::string_view, 9> types = {"Material",       "Shader",        "NodeGraph",
                                                              "GeomSubset",     "SkelAnimation", "BlendShape",
                                                              "RenderSettings", "RenderProduct", "RenderVar"};
    return std::find(types.begin(), types.end(), type) != types.end();
}
bool is_group(const std::string& type) {
    return type.empty() || type == "Xform" || type == "Scope" || type == "SkelRoot" || type == "Skeleton";
}

class StageReader {
  public:
    StageReader(const Stage& stage, const std::filesystem::path& folder, const std::string& name)
        : stage_(stage), reading_{stage.layer, folder, name} {}

    Result<Scene> run() {
        for (const std::string& text : stage_.notes) {
            reading_.note(reading_.name, text);
        }
        reading_.scene.beside = stage_.beside;
        reading_.codes_per_second = number("timeCodesPerSecond", number("framesPerSecond", 24));
        if (!(reading_.codes_per_second > 1e-6 && reading_.codes_per_second < 1e9)) {
            reading_.codes_per_second = 24;
        }
        for (const Prim& prim : stage_.layer.prims) {
            first_time(prim);
        }
        for (const Prim& prim : stage_.layer.prims) {
            visit(prim, "/" + prim.name, -1, {}, 0);
        }
        if (reading_.scene.nodes.size() > most_nodes) {
            return Problem{phrase("it has more than {} nodes.", most_nodes), reading_.name, ""};
        }
        bind_meshes(reading_);
        root_curves(reading_);
        read_clips(reading_, std::move(moved_));
        drop_groups();
        finish();
        return std::move(reading_.scene);
    }

  private:
    static constexpr size_t most_nodes = 1'000'000;

    [[nodiscard]] double number(const char* field, double otherwise) const {
        const Value* value = find(stage_.layer.metadata, field);
        return value == nullptr ? otherwise : value->as_number().value_or(otherwise);
    }

    void first_time(const Prim& prim) {
        for (const Property& property : prim.properties) {
            if (!property.samples.empty() && std::isfinite(property.samples.front().time)) {
                const double time = property.samples.front().time;
                reading_.first_time = reading_.has_times ? std::min(reading_.first_time, time) : time;
                reading_.has_times = true;
            }
        }
        for (const Prim& child : prim.children) {
            first_time(child);
        }
    }

    void visit(const Prim& prim, const std::string& path, int parent, Inherited inherited, int depth) {
        if (prim.specifier != Specifier::def || is_no_node(prim.type_name) || depth > deepest ||
            reading_.scene.nodes.size() > most_nodes) {
            return;
        }
        if (const Value* active = find(prim.metadata, "active"); active != nullptr && active->as_number() == 0) {
            reading_.note(path, "is switched off there and left out.");
            return;
        }
        const auto inherit = [&](const char* relation, std::string& to) {
            const std::string target = target_of(prim, relation);
            to = target.empty() ? to : target;
        };
        inherit("skel:skeleton", inherited.skeleton);
        inherit("skel:animationSource", inherited.animation);
        inherit("material:binding", inherited.material);
        if (text_of(prim, "visibility") == "invisible") {
            reading_.note(path, "is hidden there; it is read all the same.");
        }
        if (const std::string purpose = text_of(prim, "purpose").value_or("default");
            purpose == "guide" || purpose == "proxy") {
            reading_.note(path, phrase("is meant as a {} only; it is read all the same.", purpose));
        }
        const auto place = static_cast<int>(reading_.scene.nodes.size());
        Placed at = placed(reading_, prim, path);
        Node node;
        node.name = shown_name(prim);
        node.parent = at.is_free ? -1 : parent;
        node.rest = at.rest;
        const bool is_still = at.channels.empty();
        for (Channel& channel : at.channels) {
            channel.node = place;
            moved_.push_back(std::move(channel));
        }
        if (const Value* data = find(prim.metadata, "customData")) {
            Dictionary own = data->dictionary();
            std::erase_if(own, [](const Entry& one) { return is_own_word(one.name); });
            node.carried.extras = json_of(own);
        }
        const bool is_container = place == 0 && parent < 0 && is_still && at.rest == Transform() && !at.is_free &&
                                  (prim.type_name == "SkelRoot" || prim.type_name == "Xform") && node.carried.empty() &&
                                  path == "/" + metadata_text(stage_.layer.metadata, "defaultPrim");
        groups_.push_back(
            (prim.type_name == "Scope" || prim.type_name == "Skeleton" || prim.type_name.empty() || is_container) &&
                    is_still && at.rest == Transform()
                ? 1
                : 0);
        reading_.scene.nodes.push_back(std::move(node));
        reading_.nodes[path] = place;
        if (prim.type_name == "Mesh") {
            read_mesh(reading_, prim, path, place, inherited);
        } else if (prim.type_name == "BasisCurves") {
            read_curves(reading_, prim, path, place, inherited);
        } else if (prim.type_name == "Skeleton") {
            read_skeleton(reading_, prim, path, place, inherited);
        } else if (!is_group(prim.type_name) && reading_.left.insert(prim.type_name).second) {
            reading_.note(path, phrase("is a “{}”; of those only the place is read.", prim.type_name.substr(0, 60)));
        }
        groups_.resize(reading_.scene.nodes.size(), 0);
        for (const Prim& child : prim.children) {
            visit(child, path + "/" + child.name, place, inherited, depth + 1);
        }
    }

    /// Prims that only hold others, and say nothing of where they are, are no nodes: a skeleton's own prim, scopes, and
    /// the one prim that a file has to have.
    void drop_groups() {
        Scene& scene = reading_.scene;
        std::vector<char> holds(scene.nodes.size(), 0);
        for (const Node& node : scene.nodes) {
            if (node.parent >= 0) {
                holds[static_cast<size_t>(node.parent)] = 1;
            }
        }
        for (Node& node : scene.nodes) {
            while (node.parent >= 0 && groups_[static_cast<size_t>(node.parent)] != 0) {
                node.parent = scene.nodes[static_cast<size_t>(node.parent)].parent;
            }
        }
        for (size_t n = 0; n < scene.nodes.size(); ++n) {
            // An empty prim of no type beside others is somebody's mark.
            if (groups_[n] != 0 && scene.nodes[n].has_geometry()) {
                groups_[n] = 0;
            }
        }
        for (const auto& [node, joint] : reading_.merged) {
            groups_[static_cast<size_t>(node)] = 1;
        }
        std::vector<Node> all = scene.nodes;
        std::vector<int> order;
        for (const int n : sorted_order(all)) {
            if (groups_[static_cast<size_t>(n)] == 0) {
                order.push_back(n);
            }
        }
        reorder_nodes(scene, order);
    }

    void finish() {
        Scene& scene = reading_.scene;
        const auto unique = [&](auto& list, const char* fallback, const char* kind) {
            std::vector<std::string*> names;
            for (auto& one : list) {
                names.push_back(&one.name);
            }
            make_names_unique(names, fallback, kind, scene);
        };
        unique(scene.nodes, "node", "nodes");
        unique(scene.meshes, "mesh", "meshes");
        unique(scene.curve_sets, "curves", "curves");
        unique(scene.caches, "cache", "caches");
        unique(scene.clips, "take", "takes");
        for (Mesh& mesh : scene.meshes) {
            unique(mesh.shapes, "shape", "shapes");
        }
        if (const Value* data = find(stage_.layer.metadata, "customLayerData")) {
            Dictionary about;
            for (const Entry& one : data->dictionary()) {
                if (one.name == "copyright" && one.value.as_text()) {
                    scene.copyright = *one.value.as_text();
                } else {
                    about.push_back(one);
                }
            }
            scene.asset.extras = json_of(about);
        }
        classify_nodes(scene);
        const std::string axis = metadata_text(stage_.layer.metadata, "upAxis");
        if (axis == "Z") {
            place_all(scene, shortest_turn(Vec3::UnitZ(), Vec3::UnitY()), Vec3::Zero());
        } else if (!axis.empty() && axis != "Y") {
            reading_.note(reading_.name, phrase("says “{}” for the axis that is up; Y is taken.", axis.substr(0, 20)));
        }
        double unit = number("metersPerUnit", 0.01);
        if (find(stage_.layer.metadata, "metersPerUnit") == nullptr) {
            reading_.note(reading_.name, "says no unit; USD then means centimetres.");
        } else if (!(unit > 1e-9 && unit < 1e9)) {
            reading_.note(reading_.name, "says a unit that is none; metres are taken.");
            unit = 1;
        }
        if (unit != 1) {
            scale_all(scene, unit);
        }
    }

    const Stage& stage_;
    Reading reading_;
    std::vector<char> groups_; ///< of each node: it only holds others
    std::vector<Channel> moved_;
};

Result<Scene> scene_of(Result<Layer> layer, const std::filesystem::path& file, const std::string& name) {
    if (!layer) {
        return layer.problem();
    }
    const Result<Stage> stage = compose(layer.take(), file);
    if (!stage) {
        return stage.problem();
    }
    return StageReader(*stage, file.empty() ? file : file.parent_path(), name).run();
}

} // namespace

Result<Scene> scene_of_layer(Layer layer, const std::string& name) {
    return scene_of(std::move(layer), {}, name);
}

} // namespace usd

Result<Scene> read_usd(const std::filesystem::path& file) {
    const std::filesystem::path full = std::filesystem::absolute(file);
    return usd::scene_of(usd::read_layer(full), full, file.stem().string());
}

Result<Scene> read_usd_bytes(std::string bytes, const std::string& name) {
    auto held = std::make_shared<const std::string>(std::move(bytes));
    return usd::scene_of(usd::is_crate(*held) ? usd::read_crate(held) : usd::read_text(*held), {}, name);
}

} // namespace wembrix
