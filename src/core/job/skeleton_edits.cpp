#include "core/job/skeleton_edits.h"

#include "core/job/card_edits.h"
#include "core/plan/guide_rows.h"
#include "core/plan/planned_skeleton.h"

#include <algorithm>

namespace wembrix {

namespace {

constexpr std::string_view builds = "build_skeleton";
constexpr std::string_view binds = "bind_surface";

} // namespace

int build_place(const Job& job) {
    const auto found =
        std::find_if(job.steps.begin(), job.steps.end(), [](const Step& step) { return step.id == builds; });
    return found == job.steps.end() ? -1 : static_cast<int>(found - job.steps.begin());
}

std::optional<BuildOnCard> build_on_card(const Job& job) {
    const int place = build_place(job);
    if (place < 0) {
        return std::nullopt;
    }
    const nlohmann::json& parameters = job.steps[static_cast<size_t>(place)].parameters;
    Result<Plan> plan = plan_from_json(parameters.value("plan", nlohmann::json()), "");
    Result<std::vector<Guide>> guides = guides_from_json(parameters.value("guides", nlohmann::json::array()), "");
    if (!plan || !guides) {
        return std::nullopt;
    }
    BuildOnCard build = {plan.take(), guides.take(), {}, job.steps[static_cast<size_t>(place)].on};
    if (const auto middle = parameters.find("middle_x_m"); middle != parameters.end() && middle->is_number()) {
        build.middle_x_m = middle->get<double>();
    }
    return build;
}

size_t set_build(Job& job, const BuildOnCard& build) {
    nlohmann::json parameters = {{"plan", plan_to_json(build.plan)}, {"guides", rows_of_guides(build.guides)}};
    if (build.middle_x_m) {
        parameters["middle_x_m"] = *build.middle_x_m;
    }
    const int place = build_place(job);
    if (place < 0) {
        return add_step_at_its_place(job, {std::string(builds), parameters, build.on});
    }
    Step& step = job.steps[static_cast<size_t>(place)];
    step.parameters = std::move(parameters);
    step.on = build.on;
    return static_cast<size_t>(place);
}

size_t set_binding(Job& job, nlohmann::json parameters) {
    const int built = build_place(job);
    // A plan without a root has no joint that only carries: a root that looks like one holds, too.
    const std::optional<BuildOnCard> build = build_on_card(job);
    if (build && build->plan.root == Plan::Root::none && !parameters.contains("joints")) {
        parameters["joints"] = {"*"};
    }
    const auto from = job.steps.begin() + (built + 1);
    const auto found = std::find_if(from, job.steps.end(), [](const Step& step) { return step.id == binds; });
    if (found != job.steps.end()) {
        found->parameters = parameters;
        found->on = true;
        return static_cast<size_t>(found - job.steps.begin());
    }
    const Step step = {std::string(binds), parameters};
    if (built < 0) {
        return add_step_at_its_place(job, step);
    }
    job.steps.insert(from, step);
    return static_cast<size_t>(built) + 1;
}

size_t set_retarget(Job& job, nlohmann::json parameters) {
    if (const std::optional<BuildOnCard> build = build_on_card(job); build && !parameters.contains("limits")) {
        if (const JointLimits limits = limits_of_plan(build->plan); !limits.empty()) {
            parameters["limits"] = joint_limits_to_json(limits);
        }
    }
    const auto found =
        std::find_if(job.steps.begin(), job.steps.end(), [](const Step& step) { return step.id == "retarget"; });
    if (found == job.steps.end()) {
        return add_step_at_its_place(job, {"retarget", parameters});
    }
    found->parameters = parameters;
    found->on = true;
    return static_cast<size_t>(found - job.steps.begin());
}

} // namespace wembrix
