#include "core/destination/pixel_coordinates.h"

#include <algorithm>
#include <cstdlib>
#include <fmt/format.h>

namespace wembrix {

namespace {

constexpr uint32_t widest_pixel_image = 4096;

std::string free_set(const Mesh& mesh) {
    int next = 0;
    for (const Attribute& one : mesh.attributes) {
        if (one.name.starts_with("TEXCOORD_")) {
            next = std::max(next, std::atoi(one.name.c_str() + 9) + 1);
        }
    }
    return fmt::format("TEXCOORD_{}", next);
}

} // namespace

TextureLayout texture_layout(size_t vertices) {
    TextureLayout layout;
    layout.rows = static_cast<uint32_t>((vertices + widest_pixel_image - 1) / widest_pixel_image);
    layout.width = layout.rows == 0 ? 0 : static_cast<uint32_t>((vertices + layout.rows - 1) / layout.rows);
    return layout;
}

std::string pixel_coordinates_of(const Scene& prepared, int node) {
    return free_set(prepared.meshes[static_cast<size_t>(prepared.nodes[static_cast<size_t>(node)].mesh)]);
}

void add_pixel_coordinates(Scene& scene) {
    std::vector<int> meshes; // each once, over however many clips and nodes
    for (const CacheOrder& order : scene.orders) {
        const int mesh = order.as == CacheAs::textures ? scene.nodes[static_cast<size_t>(order.node)].mesh : -1;
        if (mesh >= 0 && std::find(meshes.begin(), meshes.end(), mesh) == meshes.end()) {
            meshes.push_back(mesh);
        }
    }
    for (const int place : meshes) {
        Mesh& mesh = scene.meshes[static_cast<size_t>(place)];
        const TextureLayout layout = texture_layout(mesh.point_count());
        std::vector<float> places;
        places.reserve(2 * mesh.point_count());
        for (size_t v = 0; v < mesh.point_count(); ++v) {
            const auto column = static_cast<float>(v % layout.width);
            const auto row = static_cast<float>(v / layout.width);
            places.push_back((column + 0.5F) / static_cast<float>(layout.width));
            places.push_back((row + 0.5F) / static_cast<float>(layout.rows));
        }
        Attribute set;
        set.name = free_set(mesh);
        set.width = 2;
        set.data = std::move(places);
        for (Primitive& part : mesh.primitives) {
            part.attributes.push_back(set.name);
        }
        mesh.attributes.push_back(std::move(set));
    }
}

} // namespace wembrix
