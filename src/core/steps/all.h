// The rows of the step registry; each is defined in the file of its name.
#pragma once

#include "core/steps/step.h"

namespace wembrix {

StepKind leave_behind_step();
StepKind strip_prefix_step();
StepKind fold_holders_step();
StepKind resize_step();
StepKind make_root_step();
StepKind rename_joints_step();
StepKind rename_parts_step();
StepKind drop_joints_step();
StepKind rescale_weights_step();
StepKind limit_influences_step();
StepKind drop_empty_shapes_step();
StepKind split_take_step();

} // namespace wembrix
