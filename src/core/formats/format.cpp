#include "core/formats/format.h"

#include "core/formats/bvh/bvh.h"
#include "core/formats/gltf/gltf.h"

#include <algorithm>
#include <array>

namespace wembrix {

namespace {
constexpr std::array<Format, 4> rows = {{
    {"glb", "glTF 2.0, one binary file", ".glb", true, read_gltf, write_glb},
    {"gltf", "glTF 2.0, text with its buffer beside it", ".gltf", true, read_gltf, write_gltf_for_delivery},
    {"gltf_embedded", "glTF 2.0, text with its buffer inside", ".gltf", true, read_gltf, write_gltf_embedded},
    {"bvh", "BVH, joints and motion as text", ".bvh", false, read_bvh, write_bvh},
}};
} // namespace

std::span<const Format> formats() {
    return rows;
}

const Format* format_with_id(std::string_view id) {
    const auto* found = std::find_if(rows.begin(), rows.end(), [&](const Format& row) { return row.id == id; });
    return found == rows.end() ? nullptr : found;
}

Result<Scene> read_scene(const std::filesystem::path& file) {
    std::string suffix = file.extension().string();
    std::transform(suffix.begin(), suffix.end(), suffix.begin(), [](unsigned char c) { return std::tolower(c); });
    for (const Format& row : rows) {
        if (row.suffix == suffix && row.read != nullptr) {
            return row.read(file);
        }
    }
    return Problem{"no reader for files that end in \"" + suffix + "\".", file.string(),
                   "Wembrix reads .glb, .gltf and .bvh."};
}

} // namespace wembrix
