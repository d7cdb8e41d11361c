#include "core/scene/own_meshes.h"

#include <fmt/format.h>
#include <set>

namespace wembrix {

void own_meshes(Scene& scene, Meshes which) {
    std::set<int> seen;
    std::set<int> skinned;
    for (const Node& node : scene.nodes) {
        if (node.mesh >= 0 && node.skin >= 0) {
            skinned.insert(node.mesh);
        }
    }
    for (Node& node : scene.nodes) {
        if (which == Meshes::skinned && skinned.count(node.mesh) == 0) {
            continue;
        }
        if (node.mesh < 0 || seen.insert(node.mesh).second) {
            continue;
        }
        Mesh copy = scene.meshes[node.mesh];
        std::set<std::string> names;
        for (const Mesh& mesh : scene.meshes) {
            names.insert(mesh.name);
        }
        std::string name;
        int number = 2;
        do {
            name = fmt::format("{}_{}", copy.name, number++);
        } while (names.count(name) != 0);
        copy.name = name;
        node.mesh = static_cast<int>(scene.meshes.size());
        scene.meshes.push_back(std::move(copy));
    }
}

} // namespace wembrix
