// Puts shapes in an order: engines count them by place, and files of one surface have to agree.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/shape_list.h"

#include <algorithm>

namespace wembrix {

namespace {

struct OrderShapesSettings {
    enum class By : uint8_t { list, name };
    By by = By::list;
    std::vector<std::string> shapes;
    std::vector<std::string> surfaces;
};

Result<StepResult> apply_order_shapes(const StepContext& context, const OrderShapesSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    size_t moved = 0;
    for (const ShapedMesh& one : shaped_meshes(context.scene, settings.surfaces)) {
        std::vector<ShapeRow> rows = shape_rows(context.scene.meshes[one.mesh]);
        const auto place = [&](const ShapeRow& row) {
            for (size_t p = 0; p < settings.shapes.size(); ++p) {
                if (row.shape.name == settings.shapes[p] || matches_wildcard(row.shape.name, settings.shapes[p])) {
                    return p;
                }
            }
            return settings.shapes.size();
        };
        std::stable_sort(rows.begin(), rows.end(), [&](const ShapeRow& a, const ShapeRow& b) {
            return settings.by == OrderShapesSettings::By::name ? a.shape.name < b.shape.name : place(a) < place(b);
        });
        size_t here = 0;
        for (size_t i = 0; i < rows.size(); ++i) {
            here += rows[i].weight[0].first == i ? 0 : 1;
        }
        if (here > 0) {
            set_shapes(result.scene, one.mesh, std::move(rows));
            moved += here;
        }
    }
    result.account = moved == 0 ? Text("all shapes stand so already")
                                : phrase("{} at another place in the list", counted(moved, "shape"));
    return result;
}

} // namespace

StepKind order_shapes_step() {
    return make_step<OrderShapesSettings>(
        {"order_shapes", "Order shapes",
         "An engine that counts shapes by place plays the wrong one when two files list them differently.",
         StepSubject::surface},
        {choice<&OrderShapesSettings::by>("by", "By", {"list", "name"},
                                          "The list below, or the letters of their names"),
         list<&OrderShapesSettings::shapes>("shapes", "First",
                                            "Shapes in the order they are to have; others follow as they stood")
             .naming(NameOf::shape),
         list<&OrderShapesSettings::surfaces>("surfaces", "Surfaces", "Which surfaces; empty: all with shapes")
             .naming(NameOf::surface)},
        apply_order_shapes);
}

} // namespace wembrix
