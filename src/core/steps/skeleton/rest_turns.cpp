// Gives joints other rest turns while they keep their places and their motion: along the world's axes, or with one axis
// along the bone.
#include "core/math/axes.h"
#include "core/steps/all.h"
#include "core/steps/names.h"
#include "core/steps/parameters.h"
#include "core/steps/skeleton/chosen_joints.h"
#include "core/steps/skeleton/reframe.h"

#include <fmt/format.h>
#include <map>

namespace wembrix {

namespace {

/// Turns the chosen joints to `wanted` (world, one per node); a joint with scale in it is left as it is, and named.
StepResult turned(const Scene& scene, const std::vector<char>& in, const std::vector<Mat3>& wanted) {
    const std::vector<Mat4> world = rest_world(scene);
    Reframing frames = same_frames(scene);
    std::vector<std::string> scaled;
    size_t count = 0;
    double most = 0;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (in[i] == 0) {
            continue;
        }
        const Mat3 linear = linear_of(world[i]);
        if (scales_unevenly(scene, static_cast<int>(i))) {
            scaled.push_back(scene.nodes[i].name);
            continue;
        }
        const Mat3 by = nearest_rotation(linear).transpose() * wanted[i];
        const double angle = Quat(by).angularDistance(Quat::Identity());
        if (angle > 1e-9) {
            frames.correction[i].topLeftCorner<3, 3>() = Quat(by).normalized().toRotationMatrix();
            ++count;
            most = std::max(most, angle);
        }
    }
    Reframed reframed = reframe(scene, frames);
    StepResult result;
    result.scene = std::move(reframed.scene);
    result.account = count == 0 ? "every joint stands so already"
                                : fmt::format("{} joint{} turned, at most by {:.0f}°", count, count == 1 ? "" : "s",
                                              most * 180 / 3.14159265358979323846);
    if (!scaled.empty()) {
        result.could_not.push_back(
            fmt::format("{} has an uneven scale and stays; fold the scale before this step", some_of(scaled)));
    }
    return result;
}

Result<StepResult> apply_freeze(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"joints"});
    const std::vector<std::string> patterns = parameters.texts("joints");
    if (!parameters.ok()) {
        return parameters.problem();
    }
    const ChosenJoints chosen = choose_joints(scene, patterns);
    StepResult result = turned(scene, chosen.in, std::vector<Mat3>(scene.nodes.size(), Mat3::Identity()));
    for (const std::string& missing : what_is_missing(chosen)) {
        result.could_not.push_back(missing);
    }
    return result;
}

/// The turn that brings `bone` onto `along` and `up` as near to `toward` as that allows.
Mat3 aimed(const Vec3& along, const Vec3& toward, Axis bone, Axis up) {
    Vec3 second = toward - toward.dot(along) * along;
    if (second.norm() < 1e-4) {
        // The bone runs along `toward`: whichever axis is farthest from it decides, the same in every replay.
        int farthest = 0;
        along.cwiseAbs().minCoeff(&farthest);
        second = Vec3::Unit(farthest) - along[farthest] * along;
    }
    second.normalize();
    Mat3 from;
    from << direction(bone), direction(up), direction(bone).cross(direction(up));
    Mat3 to;
    to << along, second, along.cross(second);
    return to * from.transpose();
}

/// The joint below that each joint points at, or -1.
std::vector<int> aims_of(const Scene& scene, const std::map<std::string, std::string>& told,
                         std::vector<std::string>& missing) {
    const std::vector<std::vector<int>> below = joints_below(scene);
    const std::vector<int> sizes = tree_sizes(scene);
    std::vector<int> aims(scene.nodes.size(), -1);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        for (const int child : below[i]) {
            if (aims[i] < 0 || sizes[child] > sizes[aims[i]]) {
                aims[i] = child;
            }
        }
    }
    for (const auto& [joint, at] : told) {
        const int from = scene.find_node(joint);
        const int to = scene.find_node(at);
        if (from < 0 || to < 0) {
            missing.push_back(from < 0 ? joint : at);
        } else {
            aims[from] = to;
        }
    }
    return aims;
}

Result<StepResult> apply_aim(const Scene& scene, const nlohmann::json& json) {
    Parameters parameters(json, {"joints", "bone", "up", "toward", "at"});
    const std::vector<std::string> patterns = parameters.texts("joints");
    const std::optional<Axis> bone = axis_from(parameters.text("bone", "+Y"));
    const std::optional<Axis> up = axis_from(parameters.text("up", "+Z"));
    const std::optional<Axis> toward = axis_from(parameters.text("toward", "+Z"));
    const std::map<std::string, std::string> told = parameters.pairs("at");
    for (const auto& [key, axis] : {std::pair{"bone", bone}, std::pair{"up", up}, std::pair{"toward", toward}}) {
        if (!axis) {
            parameters.complain(fmt::format("\"{}\" is no axis; it is one of +X, -X, +Y, -Y, +Z, -Z.", key));
        }
    }
    if (bone && up && direction(*bone).cross(direction(*up)).norm() < 0.5) {
        parameters.complain("\"bone\" and \"up\" are the same axis.");
    }
    if (!parameters.ok()) {
        return parameters.problem();
    }
    const ChosenJoints chosen = choose_joints(scene, patterns);
    std::vector<std::string> missing;
    const std::vector<int> aims = aims_of(scene, told, missing);
    const std::vector<Mat4> world = rest_world(scene);
    std::vector<Mat3> wanted(scene.nodes.size(), Mat3::Identity());
    std::vector<char> in = chosen.in;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const int parent = scene.nodes[i].parent;
        const bool parent_turns = parent >= 0 && in[parent] != 0;
        wanted[i] = nearest_rotation(linear_of(world[i]));
        if (in[i] == 0) {
            continue;
        }
        const Vec3 bone_m = aims[i] < 0 ? Vec3::Zero() : Vec3((world[aims[i]] - world[i]).topRightCorner<3, 1>());
        if (bone_m.norm() > 1e-6) {
            wanted[i] = aimed(bone_m.normalized(), direction(*toward), *bone, *up);
        } else if (parent_turns) {
            wanted[i] = wanted[parent]; // an end points on as what it hangs on
        } else {
            in[i] = 0;
        }
    }
    StepResult result = turned(scene, in, wanted);
    for (const std::string& what : what_is_missing(chosen)) {
        result.could_not.push_back(what);
    }
    if (!missing.empty()) {
        result.could_not.push_back(fmt::format("there is no joint {} any more", some_of(missing)));
    }
    return result;
}

} // namespace

StepKind freeze_rest_turns_step() {
    return {"freeze_rest_turns",
            "Freeze rest turns",
            "With every joint along the world's axes at rest, poses and motion can be read and shared as plain turns.",
            true,
            {{"joints", "Joints", StepField::Kind::list, "names, * allowed; none: all"}},
            [] { return nlohmann::json::object(); },
            apply_freeze};
}

StepKind aim_joints_step() {
    return {"aim_joints",
            "Aim joints",
            "Rigs in the engine turn joints about one axis along the bone; here every joint gets it.",
            true,
            {{"bone", "Along the bone", StepField::Kind::choice, "+Y|-Y|+X|-X|+Z|-Z"},
             {"up", "Second axis", StepField::Kind::choice, "+Z|-Z|+X|-X|+Y|-Y"},
             {"toward", "Second axis looks to", StepField::Kind::choice, "+Z|-Z|+X|-X|+Y|-Y"},
             {"joints", "Joints", StepField::Kind::list, "names, * allowed; none: all"},
             {"at", "Points at", StepField::Kind::pairs, "joint → joint below, where it has several"}},
            [] {
                return nlohmann::json{{"bone", "+Y"}, {"up", "+Z"}, {"toward", "+Z"}};
            },
            apply_aim};
}

} // namespace wembrix
