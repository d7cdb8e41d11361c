#include "core/steps/surface/surface_scope.h"

#include "core/steps/names.h"

#include <algorithm>

namespace wembrix {

std::vector<Parameter> with_surface_scope(std::vector<Parameter> own) {
    own.push_back(
        list<&SurfaceScope::surfaces>("surfaces", "Surfaces", "Which surfaces; empty: all").naming(NameOf::surface));
    return own;
}

std::vector<size_t> meshes_in_scope(const Scene& scene, const SurfaceScope& scope) {
    const NamePatterns patterns(scope.surfaces, scene);
    std::vector<size_t> meshes;
    for (const int surface : surfaces_of(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        const auto mesh = static_cast<size_t>(node.mesh);
        if ((scope.surfaces.empty() || patterns.any_fits(node.name)) &&
            std::find(meshes.begin(), meshes.end(), mesh) == meshes.end()) {
            meshes.push_back(mesh);
        }
    }
    return meshes;
}

} // namespace wembrix
