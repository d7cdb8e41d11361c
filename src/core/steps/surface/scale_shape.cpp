// Makes shapes move more or less at full weight.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/shape_list.h"

namespace wembrix {

namespace {

struct ScaleShapeSettings {
    enum class Keys : uint8_t { follow, stay };
    std::vector<std::string> shapes;
    double factor = 1;
    Keys keys = Keys::follow;
    std::vector<std::string> surfaces;
};

void scale_shape(MorphTarget& shape, float factor) {
    for (Vec3f& by : shape.positions.edit()) {
        by *= factor;
    }
    for (Shared<Vec3f>* values : {&shape.normals, &shape.tangents}) {
        for (size_t i = 0; i < values->size(); ++i) {
            values->edit()[i] *= factor;
        }
    }
    for (Attribute& attribute : shape.attributes) {
        for (float& value : attribute.data.edit()) {
            value *= factor;
        }
    }
}

Result<StepResult> scaled_shapes(const StepContext& context, const ScaleShapeSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    size_t scaled = 0;
    double before = 0;
    for (const ShapedMesh& one : shaped_meshes(context.scene, settings.surfaces)) {
        const Mesh& mesh = context.scene.meshes[one.mesh];
        const std::vector<char> chosen = chosen_shapes(mesh, settings.shapes);
        std::vector<ShapeRow> rows = shape_rows(mesh);
        for (size_t s = 0; s < rows.size(); ++s) {
            if (chosen[s] == 0) {
                continue;
            }
            before = std::max(before, reach_mm(rows[s].shape));
            scale_shape(rows[s].shape, static_cast<float>(settings.factor));
            rows[s].weight[0].second = settings.keys == ScaleShapeSettings::Keys::follow ? 1 / settings.factor : 1;
            ++scaled;
        }
        set_shapes(result.scene, one.mesh, std::move(rows));
    }
    result.account = scaled == 0 ? Text("no shape fits")
                                 : phrase("{} × {:g}: {:.3g} mm became {:.3g} mm at full weight",
                                          counted(scaled, "shape"), settings.factor, before, before * settings.factor);
    return result;
}

} // namespace

StepKind scale_shape_step() {
    return make_step<ScaleShapeSettings>(
        {"scale_shape", "Scale shapes",
         "A shape whose full weight is not its full expression gets the size it should have.", StepSubject::surface},
        {list<&ScaleShapeSettings::shapes>("shapes", "Shapes", "Which ones").naming(NameOf::shape).items(1),
         number<&ScaleShapeSettings::factor>("factor", "Factor", "Times as far")
             .unit("×")
             .above(0)
             .needed()
             .starting(1.0),
         choice<&ScaleShapeSettings::keys>(
             "keys", "Weights and keys", {"follow", "stay"},
             "Divided, so that every clip looks as it did, or left, so that it moves more")
             .starting("follow"),
         list<&ScaleShapeSettings::surfaces>("surfaces", "Surfaces", "Which surfaces; empty: all with shapes")
             .naming(NameOf::surface)},
        scaled_shapes);
}

} // namespace wembrix
