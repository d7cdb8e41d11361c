#include "core/base/files.h"
#include "core/base/text.h"
#include "core/formats/gltf/buffer_builder.h"
#include "core/formats/gltf/draco.h"
#include "core/formats/gltf/gltf.h"
#include "core/formats/gltf/meshopt.h"
#include "core/formats/gltf/read_parts.h"
#include "core/formats/gltf/write_material.h"
#include "core/formats/gltf/write_mesh.h"
#include "core/scene/content.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <map>
#include <set>

namespace wembrix {

namespace gltf {

namespace {

void put_carried(Json& object, const Carried& carried) {
    if (!carried.extras.empty()) {
        object["extras"] = Json::parse(carried.extras);
    }
    if (!carried.extensions.empty()) {
        object["extensions"] = Json::parse(carried.extensions);
    }
}

template <typename Vector> Json list_of(const Vector& vector) {
    Json list = Json::array();
    for (Eigen::Index i = 0; i < vector.size(); ++i) {
        list.push_back(vector[i] + 0.0); // no negative zeros
    }
    return list;
}

/// Whether a surface has directions in whole numbers, which the standard alone does not take.
bool has_narrow_directions(const Json& root) {
    const auto is_narrow = [&](const Json& attributes) {
        return std::any_of(attributes.items().begin(), attributes.items().end(), [&](const auto& one) {
            return (one.key() == "NORMAL" || one.key() == "TANGENT") &&
                   root["accessors"][one.value().template get<size_t>()]["componentType"] != 5126;
        });
    };
    for (const Json& mesh : root.contains("meshes") ? root["meshes"] : Json::array()) {
        for (const Json& primitive : mesh["primitives"]) {
            const Json targets = primitive.value("targets", Json::array());
            if (is_narrow(primitive["attributes"]) || std::any_of(targets.begin(), targets.end(), is_narrow)) {
                return true;
            }
        }
    }
    return false;
}

/// Lists an extension as used, and as one without which the file cannot be read.
void need_extension(Json& root, const char* name) {
    for (const char* list : {"extensionsUsed", "extensionsRequired"}) {
        std::set<std::string> names = root.value(list, std::set<std::string>());
        names.insert(name);
        root[list] = names;
    }
}

/// Every extension named anywhere below `value`.
void collect_extensions(const Json& value, std::set<std::string>& names) {
    if (!value.is_structured()) {
        return;
    }
    for (const auto& [key, child] : value.items()) {
        if (value.is_object() && key == "extensions" && child.is_object()) {
            for (const auto& [name, unused] : child.items()) {
                names.insert(name);
            }
        }
        if (key != "extras") {
            collect_extensions(child, names);
        }
    }
}

/// Lists of numbers that several channels have: each is written once. Those of a baked clip are the very same list.
class SharedAccessors {
  public:
    SharedAccessors(BufferBuilder& buffer, bool with_bounds) : buffer_(buffer), with_bounds_(with_bounds) {}
    int place_of(const Shared<float>& values, int width) {
        const auto [known, fresh] = by_place_.try_emplace({values.data(), width}, 0);
        if (fresh) {
            const auto [alike, is_new] = by_content_.try_emplace({width, values.get()}, 0);
            if (is_new) {
                alike->second = buffer_.add_floats(values.get(), width, BufferBuilder::Use::none, with_bounds_);
            }
            known->second = alike->second;
        }
        return known->second;
    }

  private:
    BufferBuilder& buffer_;
    bool with_bounds_;
    std::map<std::pair<const float*, int>, int> by_place_;
    std::map<std::pair<int, std::vector<float>>, int> by_content_;
};

class GltfWriter {
  public:
    GltfWriter(const Scene& scene, Weights weights) : scene_(scene), weights_(weights) {}

    Json run() {
        root_["asset"] = {{"version", "2.0"}, {"generator", "Wembrix"}};
        if (!scene_.copyright.empty()) {
            root_["asset"]["copyright"] = scene_.copyright;
        }
        put_carried(root_["asset"], scene_.asset);
        put_carried(root_, scene_.carried);
        write_meshes();
        write_nodes();
        write_skins();
        write_clips();
        if (materials_used_) {
            write_materials(scene_, buffer, root_);
        }
        if (!buffer.accessors().empty()) {
            root_["accessors"] = buffer.accessors();
        }
        if (!buffer.views().empty()) {
            root_["bufferViews"] = buffer.views();
        }
        declare_extensions();
        return std::move(root_);
    }

    BufferBuilder buffer;

  private:
    /// One glTF mesh for each mesh under each set of influences: nodes that show the same under the same share it.
    void write_meshes() {
        mesh_of_node_.assign(scene_.nodes.size(), -1);
        struct Written {
            const Influences* influences;
            int place;
        };
        std::vector<std::vector<Written>> written(scene_.meshes.size());
        std::vector<Json> meshes;
        // In the order of the scene's meshes, whichever node shows them first.
        for (size_t m = 0; m < scene_.meshes.size(); ++m) {
            for (size_t n = 0; n < scene_.nodes.size(); ++n) {
                const Node& node = scene_.nodes[n];
                if (node.mesh != static_cast<int>(m)) {
                    continue;
                }
                const auto known = std::find_if(written[m].begin(), written[m].end(), [&](const Written& one) {
                    return same_content(*one.influences, node.influences);
                });
                if (known != written[m].end()) {
                    mesh_of_node_[n] = known->place;
                    continue;
                }
                Json mesh = write_mesh(scene_.meshes[m], node.influences, buffer, weights_);
                int place = -1;
                if (!mesh["primitives"].empty()) {
                    place = static_cast<int>(meshes.size());
                    meshes.push_back(std::move(mesh));
                    for (const Primitive& primitive : scene_.meshes[m].primitives) {
                        materials_used_ = materials_used_ || primitive.material >= 0;
                    }
                }
                written[m].push_back({&node.influences, place});
                mesh_of_node_[n] = place;
            }
        }
        if (!meshes.empty()) {
            root_["meshes"] = std::move(meshes);
        }
    }

    [[nodiscard]] bool stands_alone(size_t node) const {
        return scene_.nodes[node].skin >= 0 && mesh_of_node_[node] >= 0 && has_children_[node] == 0;
    }

    void write_nodes() {
        const size_t count = scene_.nodes.size();
        has_children_.assign(count, 0);
        for (const Node& node : scene_.nodes) {
            if (node.parent >= 0) {
                has_children_[static_cast<size_t>(node.parent)] = 1;
            }
        }
        std::vector<Json> children(count, Json::array());
        std::vector<size_t> roots;
        for (size_t i = 0; i < count; ++i) {
            const Node& node = scene_.nodes[i];
            // The standard ignores the place of a skinned surface; under a root of its own nobody can mistake it. One
            // that things hang below stays where it places them.
            if (node.parent < 0 || stands_alone(i)) {
                roots.push_back(i);
            } else {
                children[node.parent].push_back(i);
            }
        }
        std::map<int, int> cameras;
        Json nodes = Json::array();
        for (size_t i = 0; i < count; ++i) {
            const Node& node = scene_.nodes[i];
            Json json = {{"name", node.name}};
            if (!stands_alone(i)) {
                if (!node.rest.translation.isZero(0)) {
                    json["translation"] = list_of(node.rest.translation);
                }
                if (!node.rest.rotation.coeffs().isApprox(Quat::Identity().coeffs(), 0)) {
                    // A unit quaternion may be one by a rounding too much, which the standard refuses.
                    json["rotation"] = list_of(node.rest.rotation.coeffs().cwiseMax(-1.0).cwiseMin(1.0).eval());
                }
                if (node.rest.scale != Vec3::Ones()) {
                    json["scale"] = list_of(node.rest.scale);
                }
            }
            if (!children[i].empty()) {
                json["children"] = std::move(children[i]);
            }
            if (mesh_of_node_[i] >= 0) {
                json["mesh"] = mesh_of_node_[i];
                if (node.skin >= 0) {
                    json["skin"] = node.skin;
                }
                if (!node.shape_weights.empty()) {
                    json["weights"] = scene_.rest_shape_weights(static_cast<int>(i));
                }
            }
            if (node.camera >= 0) {
                json["camera"] = cameras.try_emplace(node.camera, static_cast<int>(cameras.size())).first->second;
            }
            put_carried(json, node.carried);
            if (node.light >= 0) {
                json["extensions"][lights_extension]["light"] = node.light;
                lights_used_ = true;
            }
            nodes.push_back(std::move(json));
        }
        if (lights_used_) {
            Json list = Json::array();
            for (const Light& light : scene_.lights) {
                list.push_back(write_light(light));
            }
            root_["extensions"][lights_extension]["lights"] = std::move(list);
        }
        if (!cameras.empty()) {
            Json list = Json::array();
            list.get_ref<Json::array_t&>().resize(cameras.size());
            for (const auto& [from, to] : cameras) {
                list[to] = write_camera(scene_.cameras[from]);
            }
            root_["cameras"] = std::move(list);
        }
        if (nodes.empty()) {
            return;
        }
        root_["nodes"] = std::move(nodes);
        Json scenes = Json::array();
        const size_t scene_count = std::max<size_t>(1, scene_.scenes.size());
        for (size_t s = 0; s < scene_count; ++s) {
            Json json = Json::object();
            if (s < scene_.scenes.size()) {
                if (!scene_.scenes[s].name.empty()) {
                    json["name"] = scene_.scenes[s].name;
                }
                put_carried(json, scene_.scenes[s].carried);
            }
            Json list = Json::array();
            for (const size_t root : roots) {
                if ((scene_.nodes[root].scenes >> std::min<size_t>(s, 63) & 1U) != 0) {
                    list.push_back(root);
                }
            }
            if (!list.empty()) {
                json["nodes"] = std::move(list);
            }
            scenes.push_back(std::move(json));
        }
        root_["scenes"] = std::move(scenes);
        root_["scene"] = scene_.first_scene;
    }

    void write_skins() {
        Json skins = Json::array();
        const std::vector<int> roots = root_joints(scene_);
        for (const Skin& skin : scene_.skins) {
            std::vector<float> binds;
            for (const Mat4& bind : skin.inverse_binds) {
                for (int e = 0; e < 16; ++e) {
                    binds.push_back(static_cast<float>(bind.data()[e]));
                }
            }
            Json json = {{"joints", skin.joints},
                         {"inverseBindMatrices", buffer.add_floats(binds, 16, BufferBuilder::Use::none, false)}};
            if (!skin.name.empty()) {
                json["name"] = skin.name;
            }
            if (roots.size() == 1) {
                json["skeleton"] = roots.front();
            }
            put_carried(json, skin.carried);
            skins.push_back(std::move(json));
        }
        if (!skins.empty()) {
            root_["skins"] = std::move(skins);
        }
    }

    void write_clips() {
        Json animations = Json::array();
        for (const Clip& clip : scene_.clips) {
            SharedAccessors inputs(buffer, true);
            SharedAccessors outputs(buffer, false);
            Json channels = Json::array();
            Json samplers = Json::array();
            for (const Channel& channel : clip.channels) {
                const bool has_mesh = mesh_of_node_[static_cast<size_t>(channel.node)] >= 0;
                if (channel.times.empty() ||
                    (channel.path != Path::weights && stands_alone(static_cast<size_t>(channel.node))) ||
                    (channel.path == Path::weights && !has_mesh)) {
                    continue;
                }
                const int width = channel.path == Path::weights ? 1 : channel.width;
                const bool one_key = channel.times.size() == 1; // which many have alike
                Json sampler = {{"input", inputs.place_of(channel.times, 1)},
                                {"output", one_key ? outputs.place_of(channel.values, width)
                                                   : buffer.add_floats(channel.values.get(), width,
                                                                       BufferBuilder::Use::none, false)}};
                if (channel.interpolation != Interpolation::linear) {
                    sampler["interpolation"] = channel.interpolation == Interpolation::step ? "STEP" : "CUBICSPLINE";
                }
                constexpr const char* paths[] = {"translation", "rotation", "scale", "weights"};
                Json json = {{"sampler", samplers.size()},
                             {"target", {{"node", channel.node}, {"path", paths[static_cast<int>(channel.path)]}}}};
                put_carried(json, channel.carried);
                samplers.push_back(std::move(sampler));
                channels.push_back(std::move(json));
            }
            if (channels.empty()) {
                continue;
            }
            Json json = {{"name", clip.name}, {"channels", std::move(channels)}, {"samplers", std::move(samplers)}};
            put_carried(json, clip.carried);
            animations.push_back(std::move(json));
        }
        if (!animations.empty()) {
            root_["animations"] = std::move(animations);
        }
    }

    void declare_extensions() {
        // An extension of the file itself goes out only with something that uses it.
        std::set<std::string> used;
        for (const auto& [key, value] : root_.items()) {
            if (key != "extensions") {
                collect_extensions(value, used);
            }
        }
        if (const auto own = root_.find("extensions"); own != root_.end()) {
            if (!materials_used_) {
                own->erase("KHR_materials_variants");
            }
            for (const auto& [name, unused] : own->items()) {
                used.insert(name);
            }
            if (own->empty()) {
                root_.erase("extensions");
            }
        }
        if (!used.empty()) {
            root_["extensionsUsed"] = used;
        }
        Json required = Json::array();
        for (const std::string& name : scene_.extensions_required) {
            if (used.count(name) != 0) {
                required.push_back(name);
            }
        }
        if (!required.empty()) {
            root_["extensionsRequired"] = std::move(required);
        }
    }

    const Scene& scene_;
    Weights weights_;
    Json root_ = Json::object();
    std::vector<int> mesh_of_node_;
    std::vector<char> has_children_; ///< its place among the written ones, or -1
    bool materials_used_ = false;
    bool lights_used_ = false;
};

std::string word(uint32_t value) {
    std::string bytes(4, '\0');
    std::memcpy(bytes.data(), &value, 4);
    return bytes;
}

struct Written {
    Json root;
    std::string bytes;
    size_t unpacked = 0; ///< bytes of a second buffer that nothing fills: where packed views say that they would stand

    /// The list of buffers, the first of which is `first`.
    void put_buffers(Json first) {
        first["byteLength"] = bytes.size();
        root["buffers"] = Json::array({std::move(first)});
        if (unpacked > 0) {
            root["buffers"].push_back(
                {{"byteLength", unpacked}, {"extensions", {{meshopt_extension, {{"fallback", true}}}}}});
        }
    }
};

enum class Compression { none, meshopt, draco };
struct GltfOptions {
    Compression compression = Compression::none;
    bool one_line = false;
};

void pack(Written& written, Compression compression) {
    if (compression == Compression::draco && pack_primitives(written.root, written.bytes)) {
        need_extension(written.root, draco_extension);
    }
    if (compression == Compression::meshopt) {
        written.unpacked = pack_views(written.root, written.bytes);
        if (written.unpacked > 0) {
            need_extension(written.root, meshopt_extension);
        }
    }
}

Result<Written> write_document(const Scene& scene, const std::string& stem, Weights weights, Compression compression) {
    for (const Clip& clip : scene.clips) {
        if (clip.start_s != 0) {
            return Problem{"clip \"" + clip.name + "\" is a cut that is not baked yet.", stem, ""};
        }
    }
    try {
        GltfWriter writer(scene, weights);
        Written written;
        written.root = writer.run();
        written.bytes = writer.buffer.bytes();
        written.bytes.resize((written.bytes.size() + 3) / 4 * 4, '\0');
        if (has_narrow_directions(written.root)) {
            need_extension(written.root, "KHR_mesh_quantization");
        }
        for (const Json& texture : written.root.value("textures", Json::array())) {
            if (!texture.contains("source") && texture.contains("extensions") &&
                texture["extensions"].contains(webp_extension)) {
                need_extension(written.root, webp_extension);
            }
        }
        pack(written, compression);
        if (written.bytes.size() > UINT32_MAX / 2) {
            return Problem{"would be larger than a glTF file can be.", stem, ""};
        }
        return written;
    } catch (const nlohmann::json::exception& error) {
        return Problem{phrase("holds something that cannot be written: {}.", error.what()), stem, ""};
    }
}

enum class Buffer { embedded, beside, beside_by_content };

Result<std::vector<WrittenFile>> write_text(const Scene& scene, const std::string& stem, Buffer place,
                                            const nlohmann::json& options) {
    GltfOptions settings;
    fill_settings(gltf_text_options(), options, &settings);
    Result<Written> written = write_document(scene, stem, Weights::sum_to_one, settings.compression);
    if (!written) {
        return written.problem();
    }
    std::vector<WrittenFile> files;
    const bool embedded = place == Buffer::embedded;
    std::string name = stem + ".bin";
    if (place == Buffer::beside_by_content) {
        name = stem + "_" + hash_of(written->bytes).substr(0, 8) + ".bin";
    }
    if (!written->bytes.empty()) {
        written->put_buffers(
            {{"uri", embedded ? "data:application/octet-stream;base64," + base64(written->bytes) : name}});
    }
    files.push_back({stem + ".gltf", written->root.dump(settings.one_line ? -1 : 1) + "\n"});
    if (!embedded && !written->bytes.empty()) {
        files.push_back({name, std::move(written->bytes)});
    }
    return files;
}

Result<std::vector<WrittenFile>> write_binary(const Scene& scene, const std::string& stem, Weights weights,
                                              const nlohmann::json& options) {
    GltfOptions settings;
    fill_settings(gltf_binary_options(), options, &settings);
    Result<Written> written = write_document(scene, stem, weights, settings.compression);
    if (!written) {
        return written.problem();
    }
    const std::string& binary = written->bytes;
    if (!binary.empty()) {
        written->put_buffers(Json::object());
    }
    std::string json = dump(written->root);
    json.resize((json.size() + 3) / 4 * 4, ' ');
    const size_t total = 12 + 8 + json.size() + (binary.empty() ? 0 : 8 + binary.size());
    std::string bytes = "glTF" + word(2) + word(static_cast<uint32_t>(total)) +
                        word(static_cast<uint32_t>(json.size())) + "JSON" + json;
    if (!binary.empty()) {
        bytes += word(static_cast<uint32_t>(binary.size())) + std::string("BIN\0", 4) + binary;
    }
    std::vector<WrittenFile> files;
    files.push_back({stem + ".glb", std::move(bytes)});
    return files;
}

} // namespace

} // namespace gltf

std::vector<Parameter> gltf_binary_options() {
    return {choice<&gltf::GltfOptions::compression>(
        "compression", "Compression", {"none", "meshopt", "draco"},
        "Packs what is in the file; whoever reads it must know the way. It comes back bit by bit: much smaller where "
        "numbers are rounded")};
}

std::vector<Parameter> gltf_text_options() {
    std::vector<Parameter> options = gltf_binary_options();
    options.push_back(flag<&gltf::GltfOptions::one_line>(
        "one_line", "On one line", "All of the text on one line: smaller, and nothing that a person reads"));
    return options;
}

Result<std::vector<WrittenFile>> write_glb(const Scene& scene, const std::string& stem, const nlohmann::json& options) {
    return gltf::write_binary(scene, stem, gltf::Weights::sum_to_one, options);
}

Result<std::vector<WrittenFile>> write_glb_unscaled(const Scene& scene, const std::string& stem) {
    return gltf::write_binary(scene, stem, gltf::Weights::as_they_are, nlohmann::json::object());
}

Result<std::vector<WrittenFile>> write_gltf_beside(const Scene& scene, const std::string& stem,
                                                   const nlohmann::json& options) {
    return gltf::write_text(scene, stem, gltf::Buffer::beside, options);
}

Result<std::vector<WrittenFile>> write_gltf_for_delivery(const Scene& scene, const std::string& stem,
                                                         const nlohmann::json& options) {
    return gltf::write_text(scene, stem, gltf::Buffer::beside_by_content, options);
}

Result<std::vector<WrittenFile>> write_gltf_embedded(const Scene& scene, const std::string& stem,
                                                     const nlohmann::json& options) {
    return gltf::write_text(scene, stem, gltf::Buffer::embedded, options);
}

} // namespace wembrix
