#include "core/steps/step.h"

#include "core/steps/all.h"

#include <algorithm>
#include <array>

namespace wembrix {

std::span<const StepKind> step_kinds() {
    static const std::array rows = {leave_behind_step(),      strip_prefix_step(),    fold_holders_step(),
                                    fold_scale_step(),        resize_step(),          turn_step(),
                                    face_forward_step(),      ground_step(),          place_origin_step(),
                                    make_root_step(),         drop_joints_step(),     reparent_joints_step(),
                                    insert_joint_step(),      reorder_joints_step(),  set_rest_pose_step(),
                                    freeze_rest_turns_step(), aim_joints_step(),      rename_joints_step(),
                                    add_attachment_step(),    fit_contract_step(),    rename_parts_step(),
                                    join_surfaces_step(),     rescale_weights_step(), limit_influences_step(),
                                    drop_empty_shapes_step(), split_take_step(),      bake_step(),
                                    change_rate_step(),       stretch_time_step(),    reverse_step(),
                                    start_at_step(),          close_loop_step(),      take_root_motion_step(),
                                    join_clips_step(),        still_pose_step(),      mirror_clip_step(),
                                    make_additive_step(),     reduce_keys_step(),     describe_clips_step()};
    return rows;
}

const StepKind* step_kind(std::string_view id) {
    const std::span<const StepKind> rows = step_kinds();
    const auto found = std::find_if(rows.begin(), rows.end(), [&](const StepKind& row) { return row.id == id; });
    return found == rows.end() ? nullptr : &*found;
}

Result<StepResult> apply_step(const Scene& scene, const Step& step) {
    const StepKind* kind = step_kind(step.id);
    if (kind == nullptr) {
        return Problem{"there is no step \"" + step.id.substr(0, 60) + "\".", "route card", ""};
    }
    Result<StepResult> result = kind->apply(scene, step.parameters);
    if (!result) {
        Problem problem = result.problem();
        problem.where = problem.where.empty() ? step.id : step.id + ", " + problem.where;
        return problem;
    }
    return result;
}

Result<Step> step_from_json(const nlohmann::json& json) {
    if (!json.is_object() || !json.contains("step") || !json["step"].is_string()) {
        return Problem{"a step does not say what it is: it needs \"step\".", "route card", ""};
    }
    Step step;
    step.id = json["step"].get<std::string>();
    if (step_kind(step.id) == nullptr) {
        return Problem{"there is no step \"" + step.id.substr(0, 60) + "\".", "route card", ""};
    }
    for (const auto& [key, value] : json.items()) {
        if (key == "off") {
            step.on = !(value.is_boolean() && value.get<bool>());
        } else if (key != "step") {
            step.parameters[key] = value;
        }
    }
    return step;
}

nlohmann::json step_to_json(const Step& step) {
    nlohmann::json json = step.parameters;
    json["step"] = step.id;
    if (!step.on) {
        json["off"] = true;
    }
    return json;
}

Result<std::vector<Step>> card_from_json(const nlohmann::json& json, const std::string& where) {
    if (!json.is_object() || !json.contains("steps") || !json["steps"].is_array()) {
        return Problem{"is not a route card: it has no list \"steps\".", where, ""};
    }
    std::vector<Step> steps;
    for (const nlohmann::json& row : json["steps"]) {
        Result<Step> step = step_from_json(row);
        if (!step) {
            return Problem{step.problem().what, where, ""};
        }
        steps.push_back(step.take());
    }
    return steps;
}

} // namespace wembrix
