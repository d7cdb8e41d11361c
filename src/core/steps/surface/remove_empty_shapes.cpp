// Takes away shapes that move nothing, with their weights and keys.
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/shape_list.h"

#include <algorithm>

namespace wembrix {

namespace {

/// A shape may move no vertex and be there for its colours or coordinates.
bool changes_an_attribute(const MorphTarget& shape) {
    return std::any_of(shape.attributes.begin(), shape.attributes.end(), [](const Attribute& attribute) {
        return std::any_of(attribute.data.begin(), attribute.data.end(), [](float by) { return by != 0; });
    });
}

struct EmptySettings {
    double below_mm = 0;
};

Result<StepResult> apply_remove_empty_shapes(const StepContext& context, const EmptySettings& settings) {
    const Scene& scene = context.scene;
    const double below = settings.below_mm;
    StepResult result;
    result.scene = scene;
    std::vector<std::string> dropped;
    for (size_t m = 0; m < result.scene.meshes.size(); ++m) {
        const Mesh& mesh = context.scene.meshes[m];
        std::vector<ShapeRow> kept;
        for (ShapeRow& row : shape_rows(mesh)) {
            const MorphTarget& shape = row.shape;
            if (reach_mm(shape) > below || !shape.normals.empty() || changes_an_attribute(shape)) {
                kept.push_back(std::move(row));
            } else {
                dropped.push_back(shape.name);
            }
        }
        if (kept.size() < mesh.shapes.size()) {
            set_shapes(result.scene, m, std::move(kept));
        }
    }
    result.account =
        dropped.empty() ? "every shape moves something"
                        : phrase("{} gone: {} moved nothing", some_of(dropped, 4), dropped.size() == 1 ? "it" : "they");
    return result;
}

} // namespace

StepKind remove_empty_shapes_step() {
    return make_step<EmptySettings>(
        {"remove_empty_shapes", "Remove empty shapes",
         "A shape that moves nothing costs memory in the engine, and somebody will wonder why its slider is dead.",
         StepSubject::surface},
        {number<&EmptySettings::below_mm>("below_mm", "Moves at most",
                                          "Shapes that move no vertex farther than that go, with their keys")
             .unit("mm")
             .at_least(0)},
        apply_remove_empty_shapes);
}

} // namespace wembrix
