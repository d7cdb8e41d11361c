// Gives joints other rest rotations while they keep their places and their motion: along the world's axes, or with one
// axis along the bone.
#include "core/base/text.h"
#include "core/math/aim.h"
#include "core/math/angles.h"
#include "core/math/axes.h"
#include "core/steps/names.h"
#include "core/steps/skeleton/chosen_joints.h"
#include "core/steps/skeleton/reframe.h"
#include "core/steps/step_kind.h"

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
                                : phrase("{} joint{} turned, at most by {:.0f}°", count, count == 1 ? "" : "s",
                                         most * degrees_per_radian);
    if (!scaled.empty()) {
        result.could_not.push_back(
            phrase("{} has an uneven scale and stays; fold the scale before this step", some_of(scaled)));
    }
    return result;
}

struct ZeroSettings {
    std::vector<std::string> joints;
};

Result<StepResult> apply_zero_rest_rotations(const StepContext& context, const ZeroSettings& settings) {
    const Scene& scene = context.scene;
    const ChosenJoints chosen = choose_joints(scene, settings.joints);
    StepResult result = turned(scene, chosen.in, std::vector<Mat3>(scene.nodes.size(), Mat3::Identity()));
    for (const std::string& missing : what_is_missing(chosen)) {
        result.could_not.push_back(missing);
    }
    return result;
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

struct AlignSettings {
    std::vector<std::string> joints;
    Axis bone = Axis::pos_y;
    Axis up = Axis::pos_z;
    Axis toward = Axis::pos_z;
    std::map<std::string, std::string> at;
};

/// Axes by name, in the order of Axis.
const std::vector<std::string> axis_names = {"+X", "-X", "+Y", "-Y", "+Z", "-Z"};

Result<StepResult> apply_align_bone_axes(const StepContext& context, const AlignSettings& settings) {
    const Scene& scene = context.scene;
    const auto& [patterns, bone, up, toward, told] = settings;
    if (std::abs(direction(bone).dot(direction(up))) > 0.5) {
        return malformed("\"bone\" and \"up\" are the same axis.");
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
            wanted[i] = aimed_rotation(bone_m.normalized(), direction(toward), bone, up);
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
        result.could_not.push_back(phrase("there is no joint {} any more", some_of(missing)));
    }
    return result;
}

} // namespace

StepKind zero_rest_rotations_step() {
    return make_step<ZeroSettings>(
        {"zero_rest_rotations", "Zero rest rotations",
         "With every joint along the world's axes at rest, poses and motion can be read and shared as plain rotations.",
         StepSubject::skeleton},
        {list<&ZeroSettings::joints>("joints", "Joints",
                                     "Names with * and ?; all where it is not set. Along the world's axes at rest")
             .naming(NameOf::joint)
             .typed_as("names, * allowed; none: all")},
        apply_zero_rest_rotations);
}

StepKind align_bone_axes_step() {
    return make_step<AlignSettings>(
        {"align_bone_axes", "Align bone axes",
         "Rigs in the engine rotate joints about one axis along the bone; here every joint gets it.",
         StepSubject::skeleton},
        {choice<&AlignSettings::bone>("bone", "Along the bone", axis_names, "The axis along the bone").starting("+Y"),
         choice<&AlignSettings::up>("up", "Second axis", axis_names, "The second axis").starting("+Z"),
         choice<&AlignSettings::toward>("toward", "Second axis looks to", axis_names,
                                        "Where the second axis looks in the world")
             .starting("+Z"),
         list<&AlignSettings::joints>("joints", "Joints", "Names with * and ?; all where it is not set")
             .naming(NameOf::joint)
             .typed_as("names, * allowed; none: all"),
         pairs<&AlignSettings::at>("at", "Points at",
                                   "Joints and the joint below that each points at, else the one with the largest "
                                   "branch. The end of a chain points on")
             .naming(NameOf::joint)
             .with_values_naming(NameOf::joint)
             .typed_as("joint → joint below, where it has several")},
        apply_align_bone_axes);
}

} // namespace wembrix
