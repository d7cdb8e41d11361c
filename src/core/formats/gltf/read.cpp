#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/base/text.h"
#include "core/formats/gltf/accessor.h"
#include "core/formats/gltf/draco.h"
#include "core/formats/gltf/gltf.h"
#include "core/formats/gltf/instances.h"
#include "core/formats/gltf/meshopt.h"
#include "core/formats/gltf/read_parts.h"
#include "core/formats/unique_names.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <set>
#include <unordered_map>

namespace wembrix {

namespace gltf {

namespace {

/// An extension that is gone once the file is read: nothing of it has to go out again.
bool is_decoded(const std::string& extension) {
    const KnownExtension* row = known_extension(extension);
    return row != nullptr && row->becomes == KnownExtension::Becomes::decoded;
}

/// Extensions that a file may require and that change nothing this reader relies on.
bool harmless(const std::string& extension) {
    const KnownExtension* row = known_extension(extension);
    return row != nullptr ? row->may_be_required
                          : extension.starts_with("KHR_materials_") || extension.starts_with("KHR_texture_") ||
                                extension.starts_with("EXT_texture_");
}

bool names_buffer_view(const Json& value) {
    std::vector<const Json*> open = {&value};
    while (!open.empty()) {
        const Json& at = *open.back();
        open.pop_back();
        if (at.is_object() && at.contains("bufferView")) {
            return true;
        }
        if (at.is_structured()) {
            for (const Json& child : at) {
                open.push_back(&child);
            }
        }
    }
    return false;
}

template <int N>
bool numbers(const Json& object, const char* key, Eigen::Matrix<double, N, 1>& out, const Where& where) {
    const Json& list = array_of(object, key, where);
    if (!object.contains(key)) {
        return false;
    }
    if (list.size() != N) {
        refuse(where, phrase("\"{}\" has {} numbers where {} are expected.", key, list.size(), N));
    }
    for (int i = 0; i < N; ++i) {
        if (!list[i].is_number() || !std::isfinite(list[i].get<double>())) {
            refuse(where, phrase("\"{}\" holds a value that is not a number.", key));
        }
        out[i] = list[i].get<double>();
    }
    return true;
}

Transform rest_of(const Json& json, const Where& where, Scene& scene) {
    Transform rest;
    Eigen::Matrix<double, 16, 1> matrix;
    if (numbers<16>(json, "matrix", matrix, where)) {
        const Decomposed parts = decompose(Eigen::Map<const Mat4>(matrix.data()));
        if (parts.shear > 1e-5) {
            scene.notes.push_back(
                {where.said(),
                 "has a matrix with shear, which no joint can hold; the nearest rotation and scale stand in."});
        }
        return parts.transform;
    }
    numbers<3>(json, "translation", rest.translation, where);
    numbers<3>(json, "scale", rest.scale, where);
    Eigen::Vector4d turn;
    if (numbers<4>(json, "rotation", turn, where)) {
        if (turn.norm() < 1e-9) {
            scene.notes.push_back({where.said(), "has a rotation of no length; it is taken as none."});
        } else {
            rest.rotation = Quat(turn[3], turn[0], turn[1], turn[2]).normalized();
        }
    }
    return rest;
}

std::vector<int> parents_of(const Json& nodes) {
    const auto count = static_cast<int64_t>(nodes.size());
    std::vector<int> parents(nodes.size(), -1);
    for (size_t i = 0; i < nodes.size(); ++i) {
        const std::string where = fmt::format("node {}", i);
        if (!nodes[i].is_object()) {
            refuse(where, "is not an object.");
        }
        for (const Json& child : array_of(nodes[i], "children", where)) {
            if (!child.is_number_integer() || child.get<int64_t>() < 0 || child.get<int64_t>() >= count) {
                refuse(where, "has a child that does not exist.");
            }
            const auto place = child.get<size_t>();
            if (parents[place] >= 0 || place == i) {
                refuse(fmt::format("node {}", place), "has two parents, or is its own.");
            }
            parents[place] = static_cast<int>(i);
        }
    }
    // One parent each: whatever no root reaches goes round in a circle.
    std::vector<char> reached(nodes.size(), 0);
    for (size_t i = 0; i < nodes.size(); ++i) {
        std::vector<size_t> walked;
        size_t at = i;
        while (reached[at] == 0) {
            reached[at] = 1;
            walked.push_back(at);
            if (parents[at] < 0) {
                break;
            }
            at = static_cast<size_t>(parents[at]);
            if (reached[at] == 1) {
                refuse(fmt::format("node {}", at), "is its own ancestor: the nodes go round in a circle.");
            }
        }
        for (const size_t w : walked) {
            reached[w] = 2;
        }
    }
    return parents;
}

/// A few bytes can place a surface at a great many nodes; all that is measured is measured at each of them.
void refuse_too_many_places(const Json& nodes, const Scene& scene) {
    constexpr size_t always = 4'000'000;
    constexpr size_t times = 16;
    size_t vertices = 0;
    for (const Mesh& mesh : scene.meshes) {
        vertices += mesh.point_count();
    }
    size_t placed = 0;
    for (const Json& node : nodes) {
        const int64_t mesh = index_of(node, "mesh", static_cast<int64_t>(scene.meshes.size()), "nodes");
        placed += mesh < 0 ? 0 : scene.meshes[static_cast<size_t>(mesh)].point_count();
    }
    if (placed > always + vertices * times) {
        refuse("nodes",
               phrase("place {} at {} places in all, far more than there are.", counted(vertices, "vertex"), placed));
    }
}

void read_nodes(Document& document, const std::vector<Influences>& influences, Scene& scene, std::vector<int>& place) {
    const Json& nodes = array_of(document.root, "nodes", "nodes");
    const std::vector<int> parents = parents_of(nodes);
    refuse_too_many_places(nodes, scene);
    const auto meshes = static_cast<int64_t>(scene.meshes.size());
    const auto skins = static_cast<int64_t>(array_of(document.root, "skins", "skins").size());
    for (size_t i = 0; i < nodes.size(); ++i) {
        const Json& json = nodes[i];
        Node node;
        node.name = text_of(json, "name");
        const std::string where = fmt::format("node {} \"{}\"", i, node.name.substr(0, 80));
        node.parent = parents[i];
        node.identity = static_cast<int64_t>(i) + 1;
        node.rest = rest_of(json, where, scene);
        node.mesh = static_cast<int>(index_of(json, "mesh", meshes, where));
        if (node.mesh >= 0) {
            node.influences = influences[static_cast<size_t>(node.mesh)];
        }
        node.light = light_of(json, scene, where);
        node.skin = node.mesh < 0 ? -1 : static_cast<int>(index_of(json, "skin", skins, where));
        node.camera = static_cast<int>(index_of(json, "camera", static_cast<int64_t>(scene.cameras.size()), where));
        if (node.name.empty() && node.mesh >= 0) {
            node.name = scene.meshes[node.mesh].name;
        }
        for (const Json& weight : array_of(json, "weights", where)) {
            node.shape_weights.push_back(weight.is_number() ? weight.get<float>() : 0.0F);
        }
        if (node.mesh >= 0 && scene.meshes[node.mesh].shapes.empty()) {
            node.shape_weights.clear(); // of shapes that were lost on the way, which the surface's own note says
        }
        if (node.mesh >= 0 && node.shape_weights.size() > scene.meshes[node.mesh].shapes.size()) {
            refuse(where, "has more starting weights than its surface has shapes.");
        }
        if (node.camera >= 0) {
            node.kind = NodeKind::camera;
        } else if (node.light >= 0) {
            node.kind = NodeKind::light;
        }
        node.carried = carried_of(json, {lights_extension}, scene, where);
        scene.nodes.push_back(std::move(node));
    }
    const Json& scenes = array_of(document.root, "scenes", "scenes");
    if (!scenes.empty()) {
        for (Node& node : scene.nodes) {
            node.scenes = 0;
        }
        for (size_t s = 0; s < scenes.size(); ++s) {
            const std::string where = fmt::format("scene {}", s);
            scene.scenes.push_back({text_of(scenes[s], "name"), carried_of(scenes[s], {}, scene, where)});
            if (s > 63) {
                scene.notes.push_back({where, "its nodes are listed in scene 63 now: no more than 64 are told apart."});
            }
            for (const Json& root : array_of(scenes[s], "nodes", where)) {
                if (!root.is_number_integer() || root.get<int64_t>() < 0 ||
                    root.get<uint64_t>() >= scene.nodes.size()) {
                    refuse(where, "lists a node that does not exist.");
                }
                scene.nodes[root.get<size_t>()].scenes |= 1ULL << std::min<size_t>(s, 63);
            }
        }
    }
    scene.first_scene = static_cast<int>(
        std::max<int64_t>(0, index_of(document.root, "scene", static_cast<int64_t>(scenes.size()), "scene")));
    const std::vector<int> order = sorted_order(scene.nodes);
    reorder_nodes(scene, order);
    place.assign(order.size(), -1);
    for (size_t i = 0; i < order.size(); ++i) {
        place[order[i]] = static_cast<int>(i);
        Node& node = scene.nodes[i];
        if (node.parent >= 0) {
            node.scenes |= scene.nodes[node.parent].scenes;
        }
    }
}

void read_skins(Document& document, const std::vector<int>& place, Scene& scene) {
    const Json& skins = array_of(document.root, "skins", "skins");
    for (size_t s = 0; s < skins.size(); ++s) {
        Skin skin;
        skin.name = text_of(skins[s], "name");
        const std::string where = fmt::format("skin {} \"{}\"", s, skin.name.substr(0, 80));
        for (const Json& joint : array_of(skins[s], "joints", where)) {
            if (!joint.is_number_integer() || joint.get<int64_t>() < 0 || joint.get<uint64_t>() >= place.size()) {
                refuse(where, "lists a joint that does not exist.");
            }
            skin.joints.push_back(place[joint.get<size_t>()]);
        }
        if (skin.joints.empty()) {
            refuse(where, "has no joints.");
        }
        skin.inverse_binds.assign(skin.joints.size(), Mat4::Identity());
        const int64_t accessor = index_of(skins[s], "inverseBindMatrices", INT64_MAX, where);
        if (accessor >= 0) {
            const std::vector<float> flat = read_floats(document, accessor, 16, where);
            if (flat.size() / 16 < skin.joints.size()) {
                refuse(where,
                       phrase("has {} inverse binds for {}.", flat.size() / 16, counted(skin.joints.size(), "joint")));
            }
            for (size_t j = 0; j < skin.joints.size(); ++j) {
                skin.inverse_binds[j] = Eigen::Map<const Eigen::Matrix4f>(flat.data() + j * 16).cast<double>();
                skin.inverse_binds[j].row(3) = Eigen::RowVector4d(0, 0, 0, 1);
            }
        }
        skin.carried = carried_of(skins[s], {}, scene, where);
        scene.skins.push_back(std::move(skin));
    }
}

void check_influences(Scene& scene) {
    std::set<int> said; // a mesh that several nodes show is told of once
    for (Node& node : scene.nodes) {
        if (node.skin < 0) {
            continue;
        }
        const Mesh& mesh = scene.meshes[node.mesh];
        const size_t joints = scene.skins[node.skin].joints.size();
        for (const uint16_t joint : node.influences.joints) {
            if (joint >= joints) {
                refuse(fmt::format("mesh \"{}\"", mesh.name),
                       phrase("a vertex has weight on joint {}, but its skin has only {}.", joint, joints));
            }
        }
        // A primitive without influences among skinned ones: its points hang on the skin's first joint.
        const Influences& rows = node.influences;
        size_t unheld = 0;
        std::vector<uint32_t> offsets = {0};
        std::vector<uint16_t> holders;
        std::vector<float> weights;
        for (size_t i = 0; i + 1 < rows.offsets.size(); ++i) {
            holders.insert(holders.end(), rows.joints.begin() + rows.offsets[i],
                           rows.joints.begin() + rows.offsets[i + 1]);
            weights.insert(weights.end(), rows.weights.begin() + rows.offsets[i],
                           rows.weights.begin() + rows.offsets[i + 1]);
            if (rows.offsets[i] == rows.offsets[i + 1]) {
                holders.push_back(0);
                weights.push_back(1);
                ++unheld;
            }
            offsets.push_back(static_cast<uint32_t>(holders.size()));
        }
        if (unheld > 0) {
            node.influences = {std::move(offsets), std::move(holders), std::move(weights)};
        }
        if (unheld > 0 && said.insert(node.mesh).second) {
            scene.notes.push_back(
                {phrase("mesh \"{}\"", mesh.name),
                 phrase("{} had no weights; they follow the skin's first joint now.", counted(unheld, "vertex"))});
        }
    }
}

/// What holds of many things is one note.
void gather_notes(std::vector<Note>& notes) {
    std::vector<Note> gathered;
    std::unordered_map<std::string, size_t> place;
    for (Note& note : notes) {
        const auto [found, fresh] = place.try_emplace(note.what, gathered.size());
        if (fresh) {
            gathered.push_back(std::move(note));
        } else {
            gathered[found->second].also.push_back(std::move(note.where));
        }
    }
    notes = std::move(gathered);
}

Scene read_all(Document& document) {
    Scene scene;
    const Json& root = document.root;
    for (const Json& name : array_of(root, "extensionsRequired", "extensionsRequired")) {
        const std::string extension = name.is_string() ? name.get<std::string>() : "";
        if (!harmless(extension)) {
            refuse("extensionsRequired",
                   "the file needs the extension \"" + extension.substr(0, 60) + "\", which Wembrix does not read.");
        }
        if (!is_decoded(extension)) {
            scene.extensions_required.push_back(extension);
        }
    }
    for (const Json& name : array_of(root, "extensionsUsed", "extensionsUsed")) {
        const std::string extension = name.is_string() ? name.get<std::string>() : "";
        if (!is_decoded(extension)) {
            scene.extensions_used.push_back(extension);
        }
    }
    unpack_views(document);
    unpack_primitives(document);
    unpack_instances(document, scene);
    read_materials(document, scene);
    read_cameras(document, scene);
    const size_t meshes = array_of(root, "meshes", "meshes").size();
    std::vector<Influences> influences(meshes);
    for (size_t i = 0; i < meshes; ++i) {
        scene.meshes.push_back(read_mesh(document, i, scene, influences[i]));
    }
    std::vector<std::string*> mesh_names;
    for (Mesh& mesh : scene.meshes) {
        mesh_names.push_back(&mesh.name);
    }
    make_names_unique(mesh_names, "mesh", "meshes", scene);
    std::vector<int> place;
    read_nodes(document, influences, scene, place);
    std::vector<std::string*> names;
    for (Node& node : scene.nodes) {
        names.push_back(&node.name);
    }
    make_names_unique(names, "node", "nodes", scene);
    read_skins(document, place, scene);
    check_influences(scene);
    read_clips(document, place, scene);
    scene.beside = document.beside;
    scene.carried = carried_of(root, {lights_extension}, scene, "file");
    scene.copyright = text_of(root["asset"], "copyright");
    scene.asset = carried_of(root["asset"], {}, scene, "asset");
    classify_nodes(scene);
    gather_notes(scene.notes);
    return scene;
}

} // namespace

Carried carried_of(const Json& object, const std::set<std::string>& taken, Scene& scene, const Where& where,
                   Owner owner) {
    Carried carried;
    if (const auto extras = object.find("extras"); extras != object.end() && !extras->is_null()) {
        carried.extras = dump(*extras);
        if (const std::string key = place_in_extras(*extras); !key.empty()) {
            scene.notes.push_back(
                {where.said(), phrase("\"{}\" in its extras may be a place in the file; it is carried as "
                                      "it is, and things may stand elsewhere.",
                                      key.substr(0, 60))});
        }
    }
    if (const auto extensions = object.find("extensions"); extensions != object.end() && extensions->is_object()) {
        Json kept = Json::object();
        for (const auto& [name, value] : extensions->items()) {
            if (taken.count(name) != 0 || !value.is_object()) {
                continue;
            }
            if (names_buffer_view(value)) {
                scene.notes.push_back({where.said(), "the extension \"" + name.substr(0, 60) +
                                                         "\" holds data of its own and cannot be carried over."});
                continue;
            }
            if (!can_be_carried(name, value, owner)) {
                scene.notes.push_back(
                    {where.said(),
                     phrase("the extension \"{}\" is left out: {}.", name.substr(0, 60),
                            known_extension(name) != nullptr ? known_extension(name)->said
                                                             : "its numbers may point into lists of the file, and it "
                                                               "is not known which")});
                continue;
            }
            kept[name] = value;
        }
        carried.extensions = kept.empty() ? "" : dump(kept);
    }
    return carried;
}

} // namespace gltf

Result<Scene> read_gltf_bytes(std::string bytes, const std::filesystem::path& folder, const std::string& name) {
    try {
        gltf::Document document = gltf::open_document(std::move(bytes), folder);
        return gltf::read_all(document);
    } catch (const gltf::Refused& refused) {
        Problem problem = refused.problem;
        problem.where = problem.where.empty() ? name : name + ", " + problem.where;
        return problem;
    } catch (const nlohmann::json::exception& error) {
        return Problem{"holds a value of another type than glTF says.", name, ""};
    } catch (const std::bad_alloc&) {
        return Problem{"needs more memory than there is.", name, ""};
    }
}

Result<Scene> read_gltf(const std::filesystem::path& file) {
    Result<std::string> bytes = read_file(file);
    if (!bytes) {
        return bytes.problem();
    }
    return read_gltf_bytes(bytes.take(), file.parent_path(), file.filename().string());
}

} // namespace wembrix
