// Makes everything larger or smaller by one factor: joints, surfaces, shapes, keys, binds.
#include "core/measure/scene/bounds.h"
#include "core/steps/all.h"
#include "core/steps/parameters.h"

#include <fmt/format.h>

namespace wembrix {

namespace {

Result<StepResult> apply(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"factor", "height_m"});
    const std::optional<double> factor = parameters.number("factor");
    const std::optional<double> target = parameters.number("height_m");
    if (factor.has_value() == target.has_value()) {
        parameters.complain("needs either \"factor\" or \"height_m\".");
    }
    const double wanted = factor ? *factor : target.value_or(0);
    if (parameters.ok() && !(wanted > 1e-9 && wanted < 1e9)) {
        parameters.complain(
            fmt::format("\"{}\" is not a size: it must be greater than 0.", factor ? "factor" : "height_m"));
    }
    if (!parameters.ok()) {
        return parameters.problem();
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

StepKind resize_step() {
    return {
        "resize",
        "Resize",
        "A source made in another unit comes out at its true size, all of it at once.",
        true,
        {{"factor", "Factor", StepField::Kind::number, "×"}, {"height_m", "or height", StepField::Kind::number, "m"}},
        [] {
            return nlohmann::json{{"factor", 1.0}};
        },
        apply};
}

} // namespace wembrix
