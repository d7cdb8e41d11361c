// A small glTF file put together by hand, its buffer within it.
#pragma once

#include "core/formats/gltf/document.h"
#include "core/formats/gltf/gltf.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace wembrix::testing {

/// Puts together a text glTF with one buffer, by hand.
class Sheet {
  public:
    nlohmann::json root = {{"asset", {{"version", "2.0"}}}};

    template <typename T> int view(const std::vector<T>& values, int stride = 0) {
        bytes_.resize((bytes_.size() + 7) / 8 * 8, '\0');
        nlohmann::json row = {{"buffer", 0}, {"byteOffset", bytes_.size()}, {"byteLength", values.size() * sizeof(T)}};
        if (stride > 0) {
            row["byteStride"] = stride;
        }
        bytes_.append(reinterpret_cast<const char*>(values.data()), values.size() * sizeof(T));
        root["bufferViews"].push_back(row);
        return static_cast<int>(root["bufferViews"].size()) - 1;
    }
    int accessor(int view, int component, const std::string& type, size_t count, bool normalised = false,
                 size_t offset = 0) {
        nlohmann::json row = {{"componentType", component}, {"type", type}, {"count", count}};
        if (view >= 0) {
            row["bufferView"] = view;
        }
        if (normalised) {
            row["normalized"] = true;
        }
        if (offset > 0) {
            row["byteOffset"] = offset;
        }
        root["accessors"].push_back(row);
        return static_cast<int>(root["accessors"].size()) - 1;
    }
    template <typename T>
    int numbers(const std::vector<T>& values, int component, const std::string& type, size_t width,
                bool normalised = false) {
        return accessor(view(values), component, type, values.size() / width, normalised);
    }
    int floats(const std::vector<float>& values, const std::string& type, size_t width) {
        return numbers(values, 5126, type, width);
    }

    std::string text() {
        nlohmann::json whole = root;
        whole["buffers"] = nlohmann::json::array(
            {{{"byteLength", bytes_.size()}, {"uri", "data:application/octet-stream;base64," + gltf::base64(bytes_)}}});
        return whole.dump();
    }
    Scene read() {
        Result<Scene> scene = read_gltf_bytes(text(), {}, "sheet");
        EXPECT_TRUE(scene.ok()) << (scene.ok() ? "" : scene.problem().sentence());
        return scene.ok() ? scene.take() : Scene();
    }

  private:
    std::string bytes_;
};

inline Sheet triangle() {
    Sheet sheet;
    sheet.root["nodes"] = nlohmann::json::array({{{"mesh", 0}}});
    const int position = sheet.floats({0, 0, 0, 1, 0, 0, 0, 1, 0}, "VEC3", 3);
    sheet.root["meshes"] =
        nlohmann::json::array({{{"primitives", nlohmann::json::array({{{"attributes", {{"POSITION", position}}}}})}}});
    return sheet;
}

inline nlohmann::json& attributes(Sheet& sheet) {
    return sheet.root["meshes"][0]["primitives"][0]["attributes"];
}

} // namespace wembrix::testing
