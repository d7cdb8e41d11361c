// Builds a skeleton into surfaces that have none: the joints of a plan at guide points that a person fitted.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/surface/body_volume.h"
#include "core/plan/guide_rows.h"
#include "core/plan/planned_skeleton.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"

#include <algorithm>

namespace wembrix {

namespace {

Result<Plan> plan_in(const nlohmann::json& json) {
    return plan_from_json(json, "\"plan\"");
}

struct BuildSettings {
    Plan plan;
    std::vector<GuideRow> guides;
    std::optional<double> middle_x_m;
};

void add_joints(Scene& scene, const std::vector<PlannedJoint>& joints) {
    const auto first = static_cast<int>(scene.nodes.size());
    for (const PlannedJoint& joint : joints) {
        Node node;
        node.name = joint.name;
        node.kind = NodeKind::joint;
        node.parent = joint.parent < 0 ? -1 : first + joint.parent;
        const Mat3 above =
            joint.parent < 0 ? Mat3(Mat3::Identity()) : joints[static_cast<size_t>(joint.parent)].rotation;
        const Vec3 from = joint.parent < 0 ? Vec3(Vec3::Zero()) : joints[static_cast<size_t>(joint.parent)].at;
        node.rest.translation = above.transpose() * (joint.at - from);
        node.rest.rotation = Quat(Mat3(above.transpose() * joint.rotation)).normalized();
        // Its own, and the same in every replay: below all that a source can give.
        node.identity = -1 - static_cast<int64_t>(std::hash<std::string>()(joint.name) >> 1U);
        scene.nodes.push_back(std::move(node));
    }
    // The skeleton first, as files have it.
    std::vector<int> order;
    for (int i = first; i < static_cast<int>(scene.nodes.size()); ++i) {
        order.push_back(i);
    }
    for (int i = 0; i < first; ++i) {
        order.push_back(i);
    }
    reorder_nodes(scene, order);
}

Result<StepResult> apply_build_skeleton(const StepContext& context, const BuildSettings& settings) {
    StepResult result{context.scene, {}, {}};
    const size_t there = joints_of(context.scene).size();
    if (there > 0) {
        return Problem{phrase("there is a skeleton of {} already.", counted(there, "joint")), "",
                       "Leave it behind first: “Leave behind” with its root."};
    }
    const BodyVolume body(context.scene);
    std::vector<Guide> placed;
    for (const GuideRow& row : settings.guides) {
        placed.push_back(guide_from(row));
    }
    const BodyVolume::Symmetry symmetry = body.symmetry();
    const double middle = settings.middle_x_m.value_or(symmetry.middle_x);
    const bool has_sides = std::any_of(settings.plan.chains.begin(), settings.plan.chains.end(),
                                       [](const PlanChain& chain) { return chain.both_sides; });
    const Guides guides = guides_in(settings.plan, placed, body.bounds(), middle);
    std::vector<std::string> unknown;
    for (const Guide& guide : placed) {
        if (guides.find(guide.id) == nullptr) {
            unknown.push_back(guide_label(settings.plan, guide.id));
        }
    }
    const auto by_plan = static_cast<size_t>(
        std::count_if(guides.all.begin(), guides.all.end(), [](const Guide& guide) { return !guide.by_hand; }));
    if (body.empty() && by_plan > 0) {
        return Problem{phrase("{} of {} are not placed, and there is no surface to place them in.", by_plan,
                              counted(guides.all.size(), "guide")),
                       "", "Add the surface to the sources."};
    }
    const double ground = body.empty() ? 0 : body.bounds().low.y();
    const Result<std::vector<PlannedJoint>> joints = planned_skeleton(settings.plan, guides, ground);
    if (!joints) {
        return joints.problem();
    }
    std::vector<std::string> names;
    std::vector<std::string> outside;
    for (const PlannedJoint& joint : *joints) {
        if (context.scene.find_node(joint.name) >= 0) {
            return Problem{phrase("the name “{}” is taken already.", joint.name), "",
                           "Rename what has it first, or give the joints other names in the plan."};
        }
        if (joint.chain >= 0 && !joint.is_tip && !body.empty() && !body.encloses(joint.at)) {
            outside.push_back(joint.name);
        }
    }
    add_joints(result.scene, *joints);
    if (symmetry.looks_aside && has_sides) {
        result.could_not.push_back(
            "the surface looks along X, and left and right are mirrored across X: “Face forward” turns it");
    }
    if (!unknown.empty()) {
        result.could_not.push_back(phrase("the plan has no guide {}", some_of(unknown)));
    }
    if (!outside.empty()) {
        result.could_not.push_back(phrase(
            "{} outside of the surface: {}",
            outside.size() == 1 ? "1 joint stands" : phrase("{} joints stand", outside.size()), some_of(outside)));
    }
    result.account = phrase("{} after the plan “{}”, {} of {} placed{}", counted(joints->size(), "joint"),
                            settings.plan.name, guides.all.size() - by_plan, counted(guides.all.size(), "guide"),
                            by_plan == 0 ? "" : "; the others stand where the plan has them");
    return result;
}

} // namespace

StepKind build_skeleton_step() {
    return make_step<BuildSettings>(
        {"build_skeleton", "Build skeleton",
         "A surface that nobody rigged gets joints: the chains of a plan, at guide points fitted into it.",
         StepSubject::skeleton},
        {object<&BuildSettings::plan, plan_in>("plan", "Plan", "A whole [plan](plan-format.md)")
             .needed()
             .starting(plan_to_json(shipped_plans().front())),
         rows<&BuildSettings::guides>("guides", "Guides", "guide", guide_columns(),
                                      "Where guide points stand. A side that is not there is the mirror image of the "
                                      "other, and all others stand where the plan has them")
             .typed_as("chain, copy, point, side, x y z (m), one per line")
             .starting(nlohmann::json::array()),
         number<&BuildSettings::middle_x_m>("middle_x_m", "Mirror at X",
                                            "The plane between left and right; not set: as the surface says")
             .unit("m")},
        apply_build_skeleton);
}

} // namespace wembrix
