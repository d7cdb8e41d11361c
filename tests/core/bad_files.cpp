#include "bad_files.h"

#include "core/formats/gltf/document.h"
#include "core/formats/gltf/gltf.h"
#include "random_rig.h"

#include <cstring>
#include <functional>
#include <limits>
#include <nlohmann/json.hpp>

namespace wembrix::testing {

namespace {

using nlohmann::json;

std::string number(uint32_t value) {
    std::string bytes(4, '\0');
    std::memcpy(bytes.data(), &value, 4);
    return bytes;
}

std::string changed(const std::function<void(json&)>& change) {
    json root = json::parse(good_file());
    change(root);
    return root.dump();
}

/// Puts a value into the buffer behind an accessor.
void poke(json& root, size_t accessor, size_t element_bytes_offset, float value) {
    std::string uri = root["buffers"][0]["uri"].get<std::string>();
    const size_t comma = uri.find(',');
    std::string bytes = gltf::decode_base64(std::string_view(uri).substr(comma + 1), "test");
    const json& view = root["bufferViews"][root["accessors"][accessor]["bufferView"].get<size_t>()];
    std::memcpy(bytes.data() + view.value("byteOffset", 0) + element_bytes_offset, &value, 4);
    root["buffers"][0]["uri"] = uri.substr(0, comma + 1) + gltf::base64(bytes);
}

} // namespace

std::string good_file() {
    static const std::string bytes = [] {
        RigOptions options;
        options.holders = Holders::even;
        return write_gltf_embedded(random_rig(7, options), "good")->front().bytes;
    }();
    return bytes;
}

std::vector<BadFile> bad_files() {
    std::vector<BadFile> files;
    const auto add = [&](const std::string& name, const std::string& bytes) { files.push_back({name, bytes}); };
    const auto edit = [&](const std::string& name, const std::function<void(json&)>& change) {
        add(name, changed(change));
    };
    RigOptions options;
    const std::string glb = write_glb(random_rig(7, options), "good")->front().bytes;

    add("empty", "");
    add("not_json", "this is no scene");
    add("half_json", good_file().substr(0, good_file().size() / 3));
    add("json_array", "[1,2,3]");
    add("only_magic", "glTF");
    add("magic_and_version", "glTF" + number(2));
    for (const size_t part : {13, 19, 21, 200, 2000}) {
        add("cut_at_" + std::to_string(part), glb.substr(0, part));
    }
    add("cut_in_buffer", glb.substr(0, glb.size() - 100));
    add("version_1", glb.substr(0, 4) + number(1) + glb.substr(8));
    add("length_too_long", glb.substr(0, 8) + number(0xFFFFFFFF) + glb.substr(12));
    add("chunk_too_long", glb.substr(0, 12) + number(0xFFFFFFF0) + glb.substr(16));
    add("no_json_chunk", glb.substr(0, 16) + "ABCD" + glb.substr(20));
    add("deep_json",
        "{\"asset\":{\"version\":\"2.0\"},\"extras\":" + std::string(100000, '[') + std::string(100000, ']') + "}");
    add("deep_objects", [] {
        std::string text = R"({"asset":{"version":"2.0"},"extras":)";
        for (int i = 0; i < 50000; ++i) {
            text += "{\"a\":";
        }
        return text;
    }());
    add("bad_utf8", "{\"asset\":{\"version\":\"2.0\"},\"nodes\":[{\"name\":\"\xFF\xFE\"}]}");
    edit("no_asset", [](json& root) { root.erase("asset"); });
    edit("asset_is_text", [](json& root) { root["asset"] = "2.0"; });
    edit("version_3", [](json& root) { root["asset"]["version"] = "3.0"; });
    edit("nodes_is_number", [](json& root) { root["nodes"] = 4; });
    edit("node_is_null", [](json& root) { root["nodes"][0] = nullptr; });
    edit("node_is_number", [](json& root) { root["nodes"][0] = 7; });
    edit("accessor_count_billions", [](json& root) { root["accessors"][0]["count"] = 4000000000U; });
    edit("accessor_count_trillions", [](json& root) { root["accessors"][0]["count"] = 4000000000000ULL; });
    edit("accessor_count_negative", [](json& root) { root["accessors"][0]["count"] = -1; });
    edit("accessor_count_half", [](json& root) { root["accessors"][0]["count"] = 1.5; });
    edit("zeros_by_the_billion", [](json& root) {
        root["accessors"][0].erase("bufferView");
        root["accessors"][0]["count"] = 2000000000U;
    });
    edit("accessor_type_unknown", [](json& root) { root["accessors"][0]["type"] = "VEC9"; });
    edit("accessor_component_unknown", [](json& root) { root["accessors"][0]["componentType"] = 5124; });
    edit("accessor_wrong_width", [](json& root) { root["accessors"][0]["type"] = "VEC2"; });
    edit("accessor_offset_beyond", [](json& root) { root["accessors"][0]["byteOffset"] = 1 << 30; });
    edit("view_beyond_buffer", [](json& root) { root["bufferViews"][0]["byteLength"] = 1 << 30; });
    edit("view_offset_huge", [](json& root) { root["bufferViews"][0]["byteOffset"] = 0xFFFFFFFFFFFFULL; });
    edit("view_names_no_buffer", [](json& root) { root["bufferViews"][0]["buffer"] = 9; });
    edit("stride_too_small", [](json& root) { root["bufferViews"][0]["byteStride"] = 2; });
    edit("buffer_longer_than_data", [](json& root) { root["buffers"][0]["byteLength"] = 1 << 28; });
    edit("buffer_without_data", [](json& root) { root["buffers"][0].erase("uri"); });
    edit("buffer_not_base64",
         [](json& root) { root["buffers"][0]["uri"] = "data:application/octet-stream;base64,***"; });
    edit("buffer_remote", [](json& root) { root["buffers"][0]["uri"] = "https://example.org/model.bin"; });
    edit("buffer_file_address", [](json& root) { root["buffers"][0]["uri"] = "file:///etc/passwd"; });
    edit("buffer_outside", [](json& root) { root["buffers"][0]["uri"] = "../../../../etc/passwd"; });
    edit("buffer_outside_percent", [](json& root) { root["buffers"][0]["uri"] = "%2e%2e/%2e%2e/etc/passwd"; });
    edit("buffer_absolute", [](json& root) { root["buffers"][0]["uri"] = "/etc/passwd"; });
    edit("buffer_broken_percent", [](json& root) { root["buffers"][0]["uri"] = "a%2"; });
    edit("buffer_missing_file", [](json& root) { root["buffers"][0]["uri"] = "not_there.bin"; });
    edit("image_remote", [](json& root) { root["images"] = json::array({{{"uri", "http://example.org/a.png"}}}); });
    edit("image_outside", [](json& root) { root["images"] = json::array({{{"uri", "../a.png"}}}); });
    edit("texture_beyond", [](json& root) { root["textures"] = json::array({{{"source", 3}}}); });
    edit("material_texture_beyond", [](json& root) {
        root["materials"] = json::parse(R"([{"pbrMetallicRoughness":{"baseColorTexture":{"index":5}}}])");
    });
    edit("child_beyond", [](json& root) { root["nodes"][0]["children"] = {9999}; });
    edit("child_negative", [](json& root) { root["nodes"][0]["children"] = {-1}; });
    edit("two_parents", [](json& root) {
        root["nodes"].push_back({{"name", "thief"}, {"children", root["nodes"][0]["children"]}});
    });
    add("cycle", R"({"asset":{"version":"2.0"},"nodes":[{"children":[1]},{"children":[2]},{"children":[0]}]})");
    add("own_child", R"({"asset":{"version":"2.0"},"nodes":[{"children":[0]}]})");
    edit("mesh_beyond", [](json& root) { root["nodes"][0]["mesh"] = 77; });
    edit("skin_beyond", [](json& root) {
        for (json& node : root["nodes"]) {
            if (node.contains("skin")) {
                node["skin"] = 77;
            }
        }
    });
    edit("skin_joint_beyond", [](json& root) { root["skins"][0]["joints"][0] = 5000; });
    edit("skin_without_joints", [](json& root) { root["skins"][0]["joints"] = json::array(); });
    edit("skin_few_joints",
         [](json& root) { root["skins"][0]["joints"] = json::array({root["skins"][0]["joints"][0]}); });
    edit("binds_too_few",
         [](json& root) { root["accessors"][root["skins"][0]["inverseBindMatrices"].get<size_t>()]["count"] = 1; });
    edit("matrix_short", [](json& root) { root["nodes"][0]["matrix"] = {1, 2, 3}; });
    edit("translation_text", [](json& root) { root["nodes"][0]["translation"] = {"a", "b", "c"}; });
    edit("index_beyond", [](json& root) { root["meshes"][0]["primitives"][0]["attributes"]["POSITION"] = 99999; });
    edit("indices_are_floats", [](json& root) {
        root["meshes"][0]["primitives"][0]["indices"] = root["meshes"][0]["primitives"][0]["attributes"]["POSITION"];
    });
    edit("joints_without_weights",
         [](json& root) { root["meshes"][0]["primitives"][0]["attributes"].erase("WEIGHTS_0"); });
    edit("joints_are_floats", [](json& root) {
        json& attributes = root["meshes"][0]["primitives"][0]["attributes"];
        attributes["JOINTS_0"] = attributes["WEIGHTS_0"];
    });
    edit("topology_unknown", [](json& root) { root["meshes"][0]["primitives"][0]["mode"] = 12; });
    edit("primitive_without_attributes", [](json& root) { root["meshes"][0]["primitives"][0].erase("attributes"); });
    edit("more_weights_than_shapes", [](json& root) {
        json& mesh = root["meshes"][0];
        mesh["primitives"][0]["targets"] = {{{"POSITION", mesh["primitives"][0]["attributes"]["POSITION"]}}};
        mesh["weights"] = std::vector<int>(500, 1);
    });
    edit("position_not_a_number", [](json& root) {
        poke(root, root["meshes"][0]["primitives"][0]["attributes"]["POSITION"].get<size_t>(), 4,
             std::numeric_limits<float>::quiet_NaN());
    });
    edit("key_endless", [](json& root) {
        poke(root, root["animations"][0]["samplers"][0]["output"].get<size_t>(), 0,
             std::numeric_limits<float>::infinity());
    });
    edit("keys_backwards",
         [](json& root) { poke(root, root["animations"][0]["samplers"][0]["input"].get<size_t>(), 0, 500.0F); });
    edit("keys_far_away", [](json& root) {
        json& accessor = root["accessors"][root["animations"][0]["samplers"][0]["input"].get<size_t>()];
        poke(root, root["animations"][0]["samplers"][0]["input"].get<size_t>(),
             (accessor["count"].get<size_t>() - 1) * 4, 1e30F);
    });
    edit("sampler_beyond", [](json& root) { root["animations"][0]["channels"][0]["sampler"] = 999; });
    edit("channel_without_target", [](json& root) { root["animations"][0]["channels"][0].erase("target"); });
    edit("interpolation_unknown", [](json& root) { root["animations"][0]["samplers"][0]["interpolation"] = "BOUNCE"; });
    edit("too_few_values", [](json& root) {
        root["accessors"][root["animations"][0]["samplers"][0]["output"].get<size_t>()]["count"] = 1;
    });
    edit("needs_unknown_extension", [](json& root) { root["extensionsRequired"] = {"EXT_nobody_knows"}; });
    edit("sparse_beyond", [](json& root) {
        root["accessors"][0]["sparse"] = {
            {"count", 4}, {"indices", {{"bufferView", 0}, {"componentType", 5125}}}, {"values", {{"bufferView", 0}}}};
    });
    edit("sparse_count_billions", [](json& root) {
        root["accessors"][0]["sparse"] = {{"count", 3000000000U},
                                          {"indices", {{"bufferView", 0}, {"componentType", 5125}}},
                                          {"values", {{"bufferView", 0}}}};
    });
    edit("sparse_empty", [](json& root) { root["accessors"][0]["sparse"] = {{"count", 1}}; });
    edit("scene_lists_nobody", [](json& root) { root["scenes"][0]["nodes"] = {12345}; });
    edit("same_data_a_thousand_times", [](json& root) {
        json& primitives = root["meshes"][0]["primitives"];
        const json first = primitives[0];
        // Every part asks for its points anew: the attributes differ in a name that means nothing.
        for (int i = 0; i < 200000; ++i) {
            json part = {{"attributes",
                          {{"POSITION", first["attributes"]["POSITION"]},
                           {"_N" + std::to_string(i), first["attributes"]["POSITION"]}}}};
            primitives.push_back(std::move(part));
        }
    });
    return files;
}

} // namespace wembrix::testing
