// Makes the shape of the other side.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/shape_list.h"
#include "core/steps/surface/shape_sides.h"

#include <algorithm>

namespace wembrix {

namespace {

struct MirrorShapeSettings {
    std::vector<std::string> shapes;
    double tolerance_mm = 1;
    std::vector<std::string> surfaces;
};

Result<StepResult> apply_mirror_shape(const StepContext& context, const MirrorShapeSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    const Sides sides = find_sides(context.scene);
    std::vector<std::string> made;
    std::vector<std::string> sideless;
    size_t unanswered = 0;
    for (const ShapedMesh& one : shaped_meshes(context.scene, settings.surfaces)) {
        const Mesh& mesh = context.scene.meshes[one.mesh];
        const std::vector<char> chosen = chosen_shapes(mesh, settings.shapes);
        const SurfaceMirror mirror = mirror_of_surface(context.scene, one.node, sides, settings.tolerance_mm / 1000);
        const Mat3 to_world = mesh_to_world(context.scene, one.node);
        std::vector<ShapeRow> rows = shape_rows(mesh);
        for (size_t s = 0; s < chosen.size(); ++s) {
            if (chosen[s] == 0) {
                continue;
            }
            const std::string name = other_side(mesh.shapes[s].name);
            if (name.empty()) {
                sideless.push_back(mesh.shapes[s].name);
                continue;
            }
            MorphTarget other = mirrored_shape(mesh.shapes[s], mirror, sides, to_world, unanswered);
            other.name = name;
            made.push_back(name);
            const auto there =
                std::find_if(rows.begin(), rows.end(), [&](const ShapeRow& row) { return row.shape.name == name; });
            if (there != rows.end()) {
                there->shape = std::move(other); // its keys stay
            } else {
                rows.push_back({std::move(other), {}});
            }
        }
        set_shapes(result.scene, one.mesh, std::move(rows));
    }
    result.account = made.empty() ? Text("no shape with a side in its name fits")
                                  : phrase("{} made from the other side", some_of(made, 4));
    if (!sideless.empty()) {
        result.could_not.push_back(phrase("{} has no side in its name", some_of(sideless)));
    }
    if (unanswered > 0) {
        result.could_not.push_back(phrase("{} of them have nothing within {:g} mm of their place on the other side",
                                          counted(unanswered, "vertex"), settings.tolerance_mm));
    }
    return result;
}

} // namespace

StepKind mirror_shape_step() {
    return make_step<MirrorShapeSettings>(
        {"mirror_shape", "Mirror shapes", "One eyelid is sculpted, the other one follows.", StepSubject::surface},
        {list<&MirrorShapeSettings::shapes>(
             "shapes", "Shapes", "Those of one side; each gives the one of the same name with the other side's word")
             .naming(NameOf::shape)
             .items(1),
         number<&MirrorShapeSettings::tolerance_mm>(
             "tolerance_mm", "Tolerance", "How far a vertex may be from the mirror image of the one it answers")
             .unit("mm")
             .above(0)
             .starting(1.0),
         list<&MirrorShapeSettings::surfaces>("surfaces", "Surfaces", "Which surfaces; empty: all with shapes")
             .naming(NameOf::surface)},
        apply_mirror_shape);
}

} // namespace wembrix
