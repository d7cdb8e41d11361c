#include "core/base/files.h"
#include "core/formats/gltf/buffer_builder.h"
#include "core/formats/gltf/gltf.h"
#include "core/formats/gltf/read_parts.h"
#include "core/formats/gltf/write_material.h"
#include "core/formats/gltf/write_mesh.h"
#include "core/scene/content.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <fmt/format.h>
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
            std::map<const float*, int> inputs; // channels of a baked clip share one list of times
            Json channels = Json::array();
            Json samplers = Json::array();
            for (const Channel& channel : clip.channels) {
                const bool has_mesh = mesh_of_node_[static_cast<size_t>(channel.node)] >= 0;
                if (channel.times.empty() ||
                    (channel.path != Path::weights && stands_alone(static_cast<size_t>(channel.node))) ||
                    (channel.path == Path::weights && !has_mesh)) {
                    continue;
                }
                auto [input, fresh] = inputs.try_emplace(channel.times.data(), 0);
                if (fresh) {
                    input->second = buffer.add_floats(channel.times.get(), 1, BufferBuilder::Use::none, true);
                }
                const int width = channel.path == Path::weights ? 1 : channel.width;
                Json sampler = {
                    {"input", input->second},
                    {"output", buffer.add_floats(channel.values.get(), width, BufferBuilder::Use::none, false)}};
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
};

Result<Written> write_document(const Scene& scene, const std::string& stem, Weights weights = Weights::sum_to_one) {
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
        if (written.bytes.size() > UINT32_MAX / 2) {
            return Problem{"would be larger than a glTF file can be.", stem, ""};
        }
        return written;
    } catch (const nlohmann::json::exception& error) {
        return Problem{fmt::format("holds something that cannot be written: {}.", error.what()), stem, ""};
    }
}

enum class Buffer { embedded, beside, beside_by_content };

struct TextOptions {
    bool one_line = false;
};

Result<std::vector<WrittenFile>> write_text(const Scene& scene, const std::string& stem, Buffer place,
                                            const nlohmann::json& options) {
    TextOptions settings;
    fill_settings(gltf_text_options(), options, &settings);
    Result<Written> written = write_document(scene, stem);
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
        Json buffer = {{"byteLength", written->bytes.size()}};
        buffer["uri"] = embedded ? "data:application/octet-stream;base64," + base64(written->bytes) : name;
        written->root["buffers"] = Json::array({buffer});
    }
    files.push_back({stem + ".gltf", written->root.dump(settings.one_line ? -1 : 1) + "\n"});
    if (!embedded && !written->bytes.empty()) {
        files.push_back({name, std::move(written->bytes)});
    }
    return files;
}

Result<std::vector<WrittenFile>> write_binary(const Scene& scene, const std::string& stem, Weights weights) {
    Result<Written> written = write_document(scene, stem, weights);
    if (!written) {
        return written.problem();
    }
    const std::string& binary = written->bytes;
    if (!binary.empty()) {
        written->root["buffers"] = Json::array({{{"byteLength", binary.size()}}});
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

std::vector<Parameter> gltf_text_options() {
    return {flag<&gltf::TextOptions::one_line>(
        "one_line", "On one line", "All of the text on one line: smaller, and nothing that a person reads")};
}

Result<std::vector<WrittenFile>> write_glb(const Scene& scene, const std::string& stem) {
    return gltf::write_binary(scene, stem, gltf::Weights::sum_to_one);
}

Result<std::vector<WrittenFile>> write_glb_unscaled(const Scene& scene, const std::string& stem) {
    return gltf::write_binary(scene, stem, gltf::Weights::as_they_are);
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
