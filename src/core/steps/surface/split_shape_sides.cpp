// Makes two shapes of one, for left and right, that add up to it.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/shape_list.h"
#include "core/steps/surface/shape_sides.h"

#include <algorithm>

namespace wembrix {

namespace {

struct SplitShapeSettings {
    std::vector<std::string> shapes;
    double soft_mm = 10;
    std::string left = "_l";
    std::string right = "_r";
    std::vector<std::string> surfaces;
};

/// The left's share of each vertex: 1 on the left, 0 on the right, and across `soft_m` around the middle a cubic that
/// is level at both ends.
std::vector<float> shares_of_left(const SurfaceMirror& mirror, double soft_m) {
    std::vector<float> shares;
    for (const float left : mirror.left_m) {
        const double at = soft_m > 0 ? std::clamp(static_cast<double>(left) / soft_m + 0.5, 0.0, 1.0)
                                     : (left > 0 ? 1.0 : (left < 0 ? 0.0 : 0.5));
        shares.push_back(static_cast<float>(at * at * (3 - 2 * at)));
    }
    return shares;
}

Result<StepResult> apply_split_shape_sides(const StepContext& context, const SplitShapeSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    const Sides sides = find_sides(context.scene);
    std::vector<std::string> split;
    for (const ShapedMesh& one : shaped_meshes(context.scene, settings.surfaces)) {
        const Mesh& mesh = context.scene.meshes[one.mesh];
        const std::vector<char> chosen = chosen_shapes(mesh, settings.shapes);
        const std::vector<float> left =
            shares_of_left(mirror_of_surface(context.scene, one.node, sides, 1e-6), settings.soft_mm / 1000);
        std::vector<float> right;
        for (const float share : left) {
            right.push_back(1 - share);
        }
        std::vector<ShapeRow> rows;
        for (size_t s = 0; s < chosen.size(); ++s) {
            if (chosen[s] == 0) {
                rows.push_back({mesh.shapes[s], {{s, 1.0}}});
                continue;
            }
            split.push_back(mesh.shapes[s].name);
            for (const bool is_left : {true, false}) {
                ShapeRow half{weighted_shape(mesh.shapes[s], is_left ? left : right), {{s, 1.0}}};
                half.shape.name = mesh.shapes[s].name + (is_left ? settings.left : settings.right);
                rows.push_back(std::move(half));
            }
        }
        std::vector<std::string> names;
        for (const ShapeRow& row : rows) {
            names.push_back(row.shape.name);
        }
        if (const std::vector<std::string> doubled = doubled_names(names); !doubled.empty() && !split.empty()) {
            return Problem{phrase("two shapes would be called {}.", some_of(doubled)), "", "Give other endings."};
        }
        set_shapes(result.scene, one.mesh, std::move(rows));
    }
    result.account = split.empty() ? Text("no shape fits")
                                   : phrase("{} became {} and {}", some_of(split, 4), settings.left, settings.right);
    return result;
}

} // namespace

StepKind split_shape_sides_step() {
    return make_step<SplitShapeSettings>(
        {"split_shape_sides", "Split shapes by side",
         "A smile sculpted on both sides becomes two that an animator moves apart; together they are what it was.",
         StepSubject::surface},
        {list<&SplitShapeSettings::shapes>("shapes", "Shapes", "Which ones").naming(NameOf::shape).items(1),
         number<&SplitShapeSettings::soft_mm>("soft_mm", "Soft across",
                                              "How wide the edge between the sides is; 0: sharp")
             .unit("mm")
             .at_least(0)
             .starting(10.0),
         text<&SplitShapeSettings::left>("left", "Left ending", "What stands behind the name of the left one")
             .not_empty(),
         text<&SplitShapeSettings::right>("right", "Right ending", "What stands behind the name of the right one")
             .not_empty(),
         list<&SplitShapeSettings::surfaces>("surfaces", "Surfaces", "Which surfaces; empty: all with shapes")
             .naming(NameOf::surface)},
        apply_split_shape_sides);
}

} // namespace wembrix
