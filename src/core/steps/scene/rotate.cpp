// Turns everything by a typed angle, or so that the character looks along +Z, and sets it on the ground.
#include "core/base/text.h"
#include "core/math/angles.h"
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/scene/place_all.h"
#include "core/steps/step_kind.h"

namespace wembrix {

namespace {

StepResult placed(const Scene& scene, const Quat& turn, const Vec3& move) {
    StepResult result;
    result.scene = scene;
    place_all(result.scene, turn, move);
    result.moved.all = translating(move);
    result.moved.all.topLeftCorner<3, 3>() = turn.toRotationMatrix();
    return result;
}

/// A turn by whole quarters has no rounding in it.
Quat turn_about(Axis axis, double angle) {
    const double quarters = angle / 90;
    if (std::abs(quarters - std::round(quarters)) < 1e-9) {
        const int quarter = ((static_cast<int>(std::lround(quarters)) % 4) + 4) % 4;
        const double half = std::sqrt(0.5);
        const Vec3 along = direction(axis);
        const double w[] = {1, half, 0, half};
        const double v[] = {0, half, 1, -half};
        return {w[quarter], v[quarter] * along.x(), v[quarter] * along.y(), v[quarter] * along.z()};
    }
    return Quat(Eigen::AngleAxisd(angle * radians_per_degree, direction(axis)));
}

struct RotateSettings {
    double degrees = 0;
    Axis about = Axis::pos_y;
};

/// Axes by name, in the order of Axis.
const std::vector<std::string> axes = {"+X", "-X", "+Y", "-Y", "+Z", "-Z"};

Result<StepResult> apply_rotate(const StepContext& context, const RotateSettings& settings) {
    const Scene& scene = context.scene;
    StepResult result = placed(scene, turn_about(settings.about, settings.degrees), Vec3::Zero());
    result.account = phrase("everything {:.6g}° about {}", settings.degrees, axis_name(settings.about));
    return result;
}

struct FacingSettings {
    std::string looks_along = "guess";
};

Result<StepResult> apply_face_forward(const StepContext& context, const FacingSettings& settings) {
    const Scene& scene = context.scene;
    std::optional<Axis> from;
    if (settings.looks_along != "guess") {
        from = axis_from(settings.looks_along);
    }
    std::string reason = "as told";
    if (!from) {
        const std::optional<Facing> facing = guess_facing(scene);
        if (!facing) {
            return Problem{"neither sides nor toes, eyes or the way it goes say where its front is.", "",
                           "Choose the axis that the character looks along."};
        }
        from = facing->axis;
        reason = facing->reason;
    }
    if (std::abs(direction(*from).y()) > 0.5) {
        return Problem{phrase("the character looks along {}: it lies on its back or face.", axis_name(*from)), "",
                       "Turn it upright first."};
    }
    const double angle = -std::atan2(direction(*from).x(), direction(*from).z()) / radians_per_degree;
    StepResult result = placed(scene, turn_about(Axis::pos_y, std::round(angle)), Vec3::Zero());
    result.account = *from == Axis::pos_z
                         ? phrase("looks along +Z already ({})", reason)
                         : phrase("{:.0f}° about up: looked along {} ({})", angle, axis_name(*from), reason);
    return result;
}

struct GroundSettings {
    bool centre = false;
};

Result<StepResult> apply_ground(const StepContext& context, const GroundSettings& settings) {
    const Scene& scene = context.scene;
    const bool centre = settings.centre;
    const Bounds bounds = character_bounds(scene);
    if (bounds.empty()) {
        return Problem{"there is nothing to set on the ground.", "", ""};
    }
    Vec3 move(0, -bounds.low.y(), 0);
    if (centre) {
        move.x() = -bounds.centre().x();
        move.z() = -bounds.centre().z();
    }
    StepResult result = placed(scene, Quat::Identity(), move);
    result.account = phrase("lowest point from {:.0f} mm to 0{}", bounds.low.y() * 1000,
                            centre ? phrase(", middle from {:.0f}, {:.0f} mm to the origin", bounds.centre().x() * 1000,
                                            bounds.centre().z() * 1000)
                                   : "");
    return result;
}

} // namespace

StepKind rotate_step() {
    return make_step<RotateSettings>(
        {"rotate", "Rotate", "A source that lies on its face or looks aside is set upright, all of it at once.",
         StepSubject::scene},
        {number<&RotateSettings::degrees>("degrees", "Angle", "By how much").unit("°").needed().starting(90),
         choice<&RotateSettings::about>("about", "About", axes,
                                        "Joints, keys with their tangents, surfaces, shapes and binds at once")
             .starting("+Y")},
        apply_rotate);
}

StepKind face_forward_step() {
    return make_step<FacingSettings>(
        {"face_forward", "Face forward",
         "An engine moves characters the way it thinks they look: along forward, or they walk sideways.",
         StepSubject::scene},
        {choice<&FacingSettings::looks_along>(
             "looks_along", "It looks along", {"guess", "+X", "-X", "+Z", "-Z"},
             "The axis it looks along now; a guess is made from the joints that say their side")
             .starting("guess")},
        apply_face_forward);
}

StepKind ground_step() {
    return make_step<GroundSettings>(
        {"ground", "Set on the ground", "What floats or sinks in its file floats or sinks in the game.",
         StepSubject::scene},
        {flag<&GroundSettings::centre>("centre", "Middle", "over the origin, too").starting(false)}, apply_ground);
}

} // namespace wembrix
