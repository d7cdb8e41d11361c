// The rows of the step registry; each is defined in the file of its name.
#pragma once

#include "core/steps/step.h"

namespace wembrix {

StepKind leave_behind_step();
StepKind strip_prefix_step();
StepKind fold_holders_step();
StepKind resize_step();
StepKind turn_step();
StepKind face_forward_step();
StepKind ground_step();
StepKind fold_scale_step();
StepKind place_origin_step();
StepKind join_surfaces_step();
StepKind make_root_step();
StepKind reparent_joints_step();
StepKind insert_joint_step();
StepKind reorder_joints_step();
StepKind set_rest_pose_step();
StepKind freeze_rest_turns_step();
StepKind aim_joints_step();
StepKind add_attachment_step();
StepKind fit_contract_step();
StepKind rename_joints_step();
StepKind rename_parts_step();
StepKind drop_joints_step();
StepKind rescale_weights_step();
StepKind limit_influences_step();
StepKind drop_empty_shapes_step();
StepKind split_take_step();
StepKind bake_step();
StepKind change_rate_step();
StepKind stretch_time_step();
StepKind reverse_step();
StepKind start_at_step();
StepKind close_loop_step();
StepKind take_root_motion_step();
StepKind join_clips_step();
StepKind still_pose_step();
StepKind mirror_clip_step();
StepKind make_additive_step();
StepKind reduce_keys_step();
StepKind describe_clips_step();

} // namespace wembrix
