// glTF 2.0 (Khronos Group, The glTF 2.0 Specification): reading and writing.
#pragma once

#include "core/base/result.h"
#include "core/formats/format.h"
#include "core/scene/scene.h"

#include <filesystem>

namespace wembrix {

/// .glb and .gltf with embedded or neighbouring buffers. All accessor component types, normalised integers,
/// sparse accessors, strides, any number of influences, quantised and compressed meshes.
Result<Scene> read_gltf(const std::filesystem::path& file);
/// The same from memory (fuzzing, tests). Neighbouring files are looked up in `folder`.
Result<Scene> read_gltf_bytes(std::string bytes, const std::filesystem::path& folder, const std::string& name);

/// What can be set of a binary file.
std::vector<Parameter> gltf_binary_options();
Result<std::vector<WrittenFile>> write_glb(const Scene& scene, const std::string& stem,
                                           const nlohmann::json& options = nlohmann::json::object());
/// As write_glb, but weights and normals go out as they are, whatever their sum and length: for making sources with
/// faults.
Result<std::vector<WrittenFile>> write_glb_unscaled(const Scene& scene, const std::string& stem);
/// What can be set of a file that is text.
std::vector<Parameter> gltf_text_options();
Result<std::vector<WrittenFile>> write_gltf_beside(const Scene& scene, const std::string& stem,
                                                   const nlohmann::json& options = nlohmann::json::object());
/// As write_gltf_beside, but the buffer is named for what is in it: while files are put in place one by one, the old
/// text still finds the old buffer.
Result<std::vector<WrittenFile>> write_gltf_for_delivery(const Scene& scene, const std::string& stem,
                                                         const nlohmann::json& options = nlohmann::json::object());
Result<std::vector<WrittenFile>> write_gltf_embedded(const Scene& scene, const std::string& stem,
                                                     const nlohmann::json& options = nlohmann::json::object());

} // namespace wembrix
