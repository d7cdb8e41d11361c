// Plain triangles of what a file strings together.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/scene/vertex_list.h"
#include "core/steps/surface/surface_scope.h"

namespace wembrix {

namespace {

struct TriangulateSettings : SurfaceScope {};

Result<StepResult> apply_triangulate(const StepContext& context, const TriangulateSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    size_t slots = 0;
    for (const size_t place : meshes_in_scope(context.scene, settings)) {
        const Mesh& before = context.scene.meshes[place];
        std::vector<NewVertices> lists;
        size_t here = 0;
        for (const Primitive& primitive : before.primitives) {
            here += primitive.topology > Topology::triangles ? 1 : 0;
            lists.push_back(vertices_of(before, primitive));
        }
        if (here == 0) {
            continue;
        }
        slots += here;
        for (Primitive& primitive : result.scene.meshes[place].primitives) {
            primitive.topology = primitive.topology > Topology::triangles ? Topology::triangles : primitive.topology;
        }
        set_vertices(result.scene, place, lists);
    }
    result.account = slots == 0 ? Text("all faces are plain triangles")
                                : phrase("{} of strips or fans became plain triangles", counted(slots, "slot"));
    return result;
}

} // namespace

StepKind triangulate_step() {
    return make_step<TriangulateSettings>(
        {"triangulate", "Triangulate",
         "Strips and fans become plain triangles, which every engine reads; faces of more corners were divided on "
         "reading, a quad along its shorter diagonal.",
         StepSubject::surface},
        with_surface_scope({}), apply_triangulate);
}

} // namespace wembrix
