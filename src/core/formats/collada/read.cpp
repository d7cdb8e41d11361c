#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/base/text.h"
#include "core/formats/collada/collada.h"
#include "core/formats/collada/read_parts.h"
#include "core/formats/unique_names.h"
#include "core/scene/place_all.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <cstring>
#include <nlohmann/json.hpp>

namespace wembrix {

namespace collada {

namespace {

class FileReader {
  public:
    FileReader(Document& document, std::filesystem::path folder, std::string name, size_t bytes)
        : reading_{document, std::move(folder), std::move(name), 500'000 + bytes * 2}, controllers_(reading_) {}

    Result<Scene> run() {
        Element shown = reading_.document.by_reference(
            reading_.document.root().child("scene").child("instance_visual_scene").attribute("url").value(),
            "visual_scene");
        const Element library = reading_.document.root().child("library_visual_scenes");
        if (!shown) {
            shown = library.child("visual_scene");
        }
        for (const Element other : library.children("visual_scene")) {
            if (other != shown) {
                reading_.note(name_of(other), "is another scene of the file than the one it shows; it is left out.");
            }
        }
        if (!nodes(shown)) {
            return Problem{phrase("it has more than {} nodes.", most_nodes), reading_.name, ""};
        }
        for (const Instance& instance : instances_) {
            if (std::strcmp(instance.element.name(), "instance_geometry") == 0) {
                controllers_.place(instance.node, instance.element, instance.element.attribute("url").value(),
                                   Element());
            } else {
                controllers_.bind(instance);
            }
        }
        joints_without_skin();
        read_animations(reading_, places_);
        what_is_not_read();
        what_is_left();
        finish(shown);
        return std::move(reading_.scene);
    }

  private:
    static constexpr size_t most_nodes = 200'000;

    struct Waiting {
        Element element;
        int parent = -1;
        int hops = 0; ///< instances of nodes above it
    };

    /// Nodes in the order of the file, parents first. False: there are too many.
    bool nodes(Element shown) {
        std::vector<Waiting> waiting;
        const auto push_children = [&](Element of, int parent, int hops) {
            const size_t first = waiting.size();
            for (const Element child : of.children()) {
                if (std::strcmp(child.name(), "node") == 0) {
                    waiting.push_back({child, parent, hops});
                } else if (std::strcmp(child.name(), "instance_node") == 0) {
                    const std::string url = child.attribute("url").value();
                    const Element other = reading_.document.by_reference(url, "node");
                    if (!other || hops >= 32) {
                        reading_.note_once(url.substr(0, 80), other ? "holds itself; it is left out where it does."
                                                                    : "is no node of this file.");
                    } else {
                        waiting.push_back({other, parent, hops + 1});
                    }
                }
                if (waiting.size() > most_nodes) {
                    return;
                }
            }
            std::reverse(waiting.begin() + static_cast<ptrdiff_t>(first), waiting.end());
        };
        push_children(shown, -1, 0);
        while (!waiting.empty()) {
            const Waiting at = waiting.back();
            waiting.pop_back();
            if (reading_.scene.nodes.size() >= most_nodes || waiting.size() > most_nodes) {
                return false;
            }
            const int node = add_node(at.element, at.parent);
            push_children(at.element, node, at.hops);
        }
        return true;
    }

    int add_node(Element element, int parent) {
        const auto place = static_cast<int>(reading_.scene.nodes.size());
        Node node;
        node.name = name_of(element);
        node.parent = parent;
        std::vector<PlaceElement> own = place_of(reading_, element);
        const Decomposed at = decompose(matrix_of(own));
        node.rest = at.transform;
        if (at.shear > 1e-4) {
            reading_.note(node.name, "is sheared; its place is taken without that.");
        }
        for (const Element extra : element.children("extra")) {
            for (const Element technique : extra.children("technique")) {
                if (std::strcmp(technique.attribute("profile").value(), "wembrix") == 0) {
                    node.carried.extras = json_in(technique.child("extras"));
                }
            }
        }
        reading_.scene.nodes.push_back(std::move(node));
        reading_.elements.push_back(element);
        places_.push_back(std::move(own));
        int shown = place;
        for (const Element child : element.children()) {
            const std::string kind = child.name();
            if (kind == "instance_camera" || kind == "instance_light") {
                read_optics(reading_, place, child);
            }
            if (kind != "instance_geometry" && kind != "instance_controller") {
                continue;
            }
            if (shown >= 0 && !instances_.empty() && instances_.back().node == shown) {
                // A node shows one surface here: each further one is a node below it.
                Node below;
                below.name = name_of(element);
                below.parent = place;
                shown = static_cast<int>(reading_.scene.nodes.size());
                reading_.scene.nodes.push_back(std::move(below));
                reading_.elements.emplace_back();
                places_.emplace_back();
            }
            instances_.push_back({shown, child});
        }
        return place;
    }

    /// JSON as it stands there; empty where it is none.
    static std::string json_in(Element element) {
        std::string text = element.text().get();
        return nlohmann::json::accept(text) ? text : std::string();
    }

    /// Joints that hold nothing are joints all the same: each tree of them that is under no skin gets one.
    void joints_without_skin() {
        Scene& scene = reading_.scene;
        std::vector<char> held(scene.nodes.size(), 0);
        for (const Skin& skin : scene.skins) {
            for (const int joint : skin.joints) {
                for (int n = joint; n >= 0 && held[static_cast<size_t>(n)] == 0;
                     n = scene.nodes[static_cast<size_t>(n)].parent) {
                    held[static_cast<size_t>(n)] = 1;
                }
            }
        }
        const auto is_joint = [&](size_t n) {
            return std::strcmp(reading_.elements[n].attribute("type").value(), "JOINT") == 0;
        };
        std::vector<int> skin_of(scene.nodes.size(), -1);
        std::vector<Mat4> world;
        for (size_t n = 0; n < scene.nodes.size(); ++n) {
            const int parent = scene.nodes[n].parent;
            if (parent >= 0 && held[static_cast<size_t>(parent)] != 0 && is_joint(static_cast<size_t>(parent))) {
                held[n] = is_joint(n) ? 1 : held[n]; // a tip of a skeleton that holds something
            }
            if (!is_joint(n) || held[n] != 0) {
                continue;
            }
            if (world.empty()) {
                world = rest_world(scene);
            }
            int& skin = skin_of[n];
            skin = parent >= 0 ? skin_of[static_cast<size_t>(parent)] : -1;
            if (skin < 0) {
                skin = static_cast<int>(scene.skins.size());
                scene.skins.emplace_back();
                scene.skins.back().name = scene.nodes[n].name;
            }
            Skin& own = scene.skins[static_cast<size_t>(skin)];
            own.joints.push_back(static_cast<int>(n));
            const Mat4& at = world[n];
            own.inverse_binds.push_back(std::abs(at.determinant()) > 1e-300 ? Mat4(at.inverse())
                                                                            : Mat4(Mat4::Identity()));
        }
    }

    /// What others say in words of their own, and surfaces that no node shows.
    void what_is_left() {
        std::map<std::string, size_t> said; // by profile
        size_t unshown = 0;
        const Element root = reading_.document.root();
        for (Element at = root; at;) {
            const Element owner = at.parent().parent();
            const bool is_of_effect = std::strcmp(owner.name(), "technique") == 0 ||
                                      std::strcmp(owner.name(), "effect") == 0 ||
                                      std::strcmp(owner.name(), "profile_COMMON") == 0; // a normal map is read there
            if (std::strcmp(at.name(), "technique") == 0 && std::strcmp(at.parent().name(), "extra") == 0 &&
                std::strcmp(at.attribute("profile").value(), "wembrix") != 0 &&
                !(is_of_effect && (at.child("bump") || at.child("double_sided")))) {
                ++said[std::string(at.attribute("profile").value()).substr(0, 40)];
            } else if (std::strcmp(at.name(), "geometry") == 0 && !controllers_.has_read(at.attribute("id").value())) {
                ++unshown;
            }
            if (at.first_child()) {
                at = at.first_child();
                continue;
            }
            while (at && at != root && !at.next_sibling()) {
                at = at.parent();
            }
            at = at == root ? Element() : at.next_sibling();
        }
        if (unshown > 0) {
            reading_.note(reading_.name,
                          phrase("no node shows {}; left out.",
                                 unshown == 1 ? "1 of its surfaces" : phrase("{} of its surfaces", unshown)));
        }
        size_t told = 0;
        for (const auto& [profile, count] : said) {
            if (++told > 8) {
                reading_.note(reading_.name, "what further programs say in it stays behind, too.");
                break;
            }
            reading_.note(reading_.name, phrase("what “{}” says in it in words of its own stays behind ({}).", profile,
                                                counted(count, "place")));
        }
    }

    void what_is_not_read() {
        static constexpr std::pair<const char*, const char*> libraries[] = {
            {"library_force_fields", "forces"},          {"library_physics_models", "physics models"},
            {"library_physics_scenes", "physics"},       {"library_physics_materials", "physics materials"},
            {"library_kinematics_models", "kinematics"}, {"library_articulated_systems", "articulated systems"}};
        for (const auto& [library, what] : libraries) {
            if (reading_.document.root().child(library).first_child()) {
                reading_.note(reading_.name, phrase("its {} stay behind.", what));
            }
        }
    }

    void finish(Element /*shown*/) {
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
        unique(scene.clips, "take", "takes");
        for (Mesh& mesh : scene.meshes) {
            unique(mesh.shapes, "shape", "shapes");
        }
        classify_nodes(scene);
        const Element asset = reading_.document.root().child("asset");
        scene.copyright = asset.child("contributor").child("copyright").text().get();
        for (const Element technique : asset.child("extra").children("technique")) {
            if (std::strcmp(technique.attribute("profile").value(), "wembrix") == 0) {
                scene.asset.extras = json_in(technique.child("about"));
            }
        }
        const std::string up = asset.child("up_axis").text().get();
        if (up == "Z_UP") {
            place_all(scene, shortest_turn(Vec3::UnitZ(), Vec3::UnitY()), Vec3::Zero());
        } else if (up == "X_UP") {
            place_all(scene, shortest_turn(Vec3::UnitX(), Vec3::UnitY()), Vec3::Zero());
        } else if (!up.empty() && up != "Y_UP") {
            reading_.note(reading_.name, phrase("says “{}” for the axis that is up; Y is taken.", up.substr(0, 20)));
        }
        double unit = asset.child("unit").attribute("meter").as_double(1);
        if (!(unit > 1e-9 && unit < 1e9)) {
            reading_.note(reading_.name, "says a unit that is none; metres are taken.");
            unit = 1;
        }
        if (unit != 1) {
            scale_all(scene, unit);
        }
    }

    Reading reading_;
    Controllers controllers_;
    std::vector<Instance> instances_;
    std::vector<std::vector<PlaceElement>> places_; ///< of each node
};

Result<Scene> scene_of_bytes(std::string_view bytes, const std::filesystem::path& folder, const std::string& name) {
    const Result<std::shared_ptr<Document>> document = Document::parse(bytes);
    if (!document) {
        Problem problem = document.problem();
        problem.where = name;
        return problem;
    }
    return FileReader(**document, folder, name, bytes.size()).run();
}

} // namespace

} // namespace collada

Result<Scene> read_collada(const std::filesystem::path& file) {
    const std::filesystem::path full = std::filesystem::absolute(file);
    const Result<std::string> bytes = read_file(full);
    if (!bytes) {
        return bytes.problem();
    }
    return collada::scene_of_bytes(*bytes, full.parent_path(), file.stem().string());
}

Result<Scene> read_collada_bytes(std::string_view bytes, const std::string& name) {
    return collada::scene_of_bytes(bytes, {}, name);
}

} // namespace wembrix
