// Turns everything by a typed angle, or so that the character looks along +Z, and sets it on the ground.
#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/steps/all.h"
#include "core/steps/parameters.h"
#include "core/steps/scene/place_all.h"

#include <fmt/format.h>

namespace wembrix {

namespace {

constexpr double degrees = 3.14159265358979323846 / 180;

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
    return Quat(Eigen::AngleAxisd(angle * degrees, direction(axis)));
}

Result<StepResult> apply_turn(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"degrees", "about"});
    const std::optional<double> angle = parameters.number("degrees");
    const std::string about = parameters.text("about", "+Y");
    const std::optional<Axis> axis = axis_from(about);
    if (!angle) {
        parameters.complain("needs \"degrees\".");
    }
    if (!axis) {
        parameters.complain("\"about\" is no axis; it is one of +X, -X, +Y, -Y, +Z, -Z.");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    StepResult result = placed(scene, turn_about(*axis, *angle), Vec3::Zero());
    result.account = fmt::format("everything {:.6g}° about {}", *angle, about);
    return result;
}

Result<StepResult> apply_face_forward(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"looks_along"});
    const std::string given = parameters.text("looks_along", "");
    std::optional<Axis> from;
    if (!given.empty() && given != "guess") {
        from = axis_from(given);
    }
    if (!given.empty() && given != "guess" && (!from || std::abs(direction(*from).y()) > 0.5)) {
        parameters.complain("\"looks_along\" is none of guess, +X, -X, +Z, -Z.");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    std::string reason = "as told";
    if (!from) {
        const std::optional<Facing> facing = facing_of(scene);
        if (!facing) {
            return Problem{"no joint says which side it is on, so that the front cannot be told.", "",
                           "Choose the axis that the character looks along."};
        }
        from = facing->axis;
        reason = facing->reason;
    }
    if (std::abs(direction(*from).y()) > 0.5) {
        return Problem{fmt::format("the character looks along {}: it lies on its back or face.", axis_name(*from)), "",
                       "Turn it upright first."};
    }
    const double angle = -std::atan2(direction(*from).x(), direction(*from).z()) / degrees;
    StepResult result = placed(scene, turn_about(Axis::pos_y, std::round(angle)), Vec3::Zero());
    result.account = *from == Axis::pos_z
                         ? fmt::format("looks along +Z already ({})", reason)
                         : fmt::format("{:.0f}° about up: looked along {} ({})", angle, axis_name(*from), reason);
    return result;
}

Result<StepResult> apply_ground(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"centre"});
    const bool centre = parameters.flag("centre", false);
    if (!parameters.ok()) {
        return parameters.problem();
    }
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
    result.account = fmt::format("lowest point from {:.0f} mm to 0{}", bounds.low.y() * 1000,
                                 centre ? fmt::format(", middle from {:.0f}, {:.0f} mm to the origin",
                                                      bounds.centre().x() * 1000, bounds.centre().z() * 1000)
                                        : "");
    return result;
}

} // namespace

StepKind turn_step() {
    return {"turn",
            "Turn",
            "A source that lies on its face or looks aside is set upright, all of it at once.",
            true,
            {{"degrees", "Angle", StepField::Kind::number, "°"},
             {"about", "About", StepField::Kind::choice, "+X|-X|+Y|-Y|+Z|-Z"}},
            [] {
                return nlohmann::json{{"degrees", 90}, {"about", "+Y"}};
            },
            apply_turn};
}

StepKind face_forward_step() {
    return {"face_forward",
            "Face forward",
            "An engine moves characters the way it thinks they look: along forward, or they walk sideways.",
            true,
            {{"looks_along", "It looks along", StepField::Kind::choice, "guess|+X|-X|+Z|-Z"}},
            [] {
                return nlohmann::json{{"looks_along", "guess"}};
            },
            apply_face_forward};
}

StepKind ground_step() {
    return {"ground",
            "Set on the ground",
            "What floats or sinks in its file floats or sinks in the game.",
            true,
            {{"centre", "Middle", StepField::Kind::flag, "over the origin, too"}},
            [] {
                return nlohmann::json{{"centre", false}};
            },
            apply_ground};
}

} // namespace wembrix
