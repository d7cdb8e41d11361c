// Turns a surface inside out.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/scene/vertex_list.h"
#include "core/steps/surface/surface_scope.h"

#include <numeric>

namespace wembrix {

namespace {

struct FlipSettings : SurfaceScope {
    bool normals = true;
};

Result<StepResult> apply_flip_winding(const StepContext& context, const FlipSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    size_t triangles = 0;
    for (const size_t place : meshes_in_scope(context.scene, settings)) {
        Mesh& mesh = result.scene.meshes[place];
        std::vector<NewVertices> lists;
        for (const Primitive& primitive : mesh.primitives) {
            NewVertices list = vertices_of(mesh, primitive);
            for (size_t i = 0; primitive.topology >= Topology::triangles && i + 2 < list.indices.size(); i += 3) {
                std::swap(list.indices[i + 1], list.indices[i + 2]);
                ++triangles;
            }
            lists.push_back(std::move(list));
        }
        set_vertices(result.scene, place, lists);
        if (!settings.normals) {
            continue;
        }
        for (size_t v = 0; v < mesh.normals.size(); ++v) {
            mesh.normals.edit()[v] *= -1;
        }
        for (size_t v = 0; v < mesh.tangents.size(); ++v) {
            mesh.tangents.edit()[v].w() *= -1; // the way along v stays
        }
        for (MorphTarget& shape : mesh.shapes) {
            for (size_t k = 0; k < shape.normals.size(); ++k) {
                shape.normals.edit()[k] *= -1;
            }
        }
    }
    result.account =
        triangles == 0 ? Text("no triangles there") : phrase("{} wound the other way", counted(triangles, "triangle"));
    return result;
}

} // namespace

StepKind flip_winding_step() {
    return make_step<FlipSettings>(
        {"flip_winding", "Flip winding", "A surface that is wound the wrong way is seen from inside only.",
         StepSubject::surface},
        with_surface_scope(
            {flag<&FlipSettings::normals>("normals", "Normals too", "They point the other way as well")}),
        apply_flip_winding);
}

} // namespace wembrix
