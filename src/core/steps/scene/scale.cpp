// Makes everything larger or smaller by one factor: joints, surfaces, shapes, keys, binds.
#include "core/measure/scene/bounds.h"
#include "core/steps/step_kind.h"

#include <fmt/format.h>

namespace wembrix {

namespace {

struct ScaleSettings {
    std::optional<double> factor;
    std::optional<double> height_m;
};

Result<StepResult> scaled_scene(const StepContext& context, const ScaleSettings& settings) {
    const Scene& scene = context.scene;
    const auto& [factor, target] = settings;
    if (factor.has_value() == target.has_value()) {
        return malformed("needs either \"factor\" or \"height_m\".");
    }
    const double before = height_m(scene);
    if (target && before <= 0) {
        return Problem{"nothing has a height yet.", "", "Use \"factor\"."};
    }
    const double k = factor ? *factor : *target / before;
    StepResult result;
    result.scene = scene;
    result.moved = scaling(k);
    for (Node& node : result.scene.nodes) {
        node.rest.translation *= k;
    }
    for (Mesh& mesh : result.scene.meshes) {
        transform_mesh(mesh, result.moved.all);
    }
    for (Skin& skin : result.scene.skins) {
        for (Mat4& bind : skin.inverse_binds) {
            bind.topRightCorner<3, 1>() *= k;
        }
    }
    for (Clip& clip : result.scene.clips) {
        for (Channel& channel : clip.channels) {
            if (channel.path == Path::translation) {
                for (float& value : channel.values.edit()) {
                    value = static_cast<float>(value * k);
                }
            }
        }
    }
    result.account = fmt::format("× {:.6g}: {:.3g} m became {:.3g} m tall", k, before, before * k);
    return result;
}

} // namespace

StepKind scale_step() {
    return make_step<ScaleSettings>(
        {"scale", "Scale", "A source made in another unit comes out at its true size, all of it at once.",
         StepSubject::scene},
        {number<&ScaleSettings::factor>("factor", "Factor", "Times as large; either this or the height")
             .unit("×")
             .above(0)
             .starting(1.0),
         number<&ScaleSettings::height_m>("height_m", "or height", "How tall the character is to be")
             .unit("m")
             .above(0)},
        scaled_scene);
}

} // namespace wembrix
