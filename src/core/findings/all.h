// The rows of the finding registry; each is defined in the file of its name.
#pragma once

#include "core/findings/finding.h"

namespace wembrix {

std::vector<Finding> find_odd_size(const FindingContext& context);
std::vector<Finding> find_roots(const FindingContext& context);
std::vector<Finding> find_holders(const FindingContext& context);
std::vector<Finding> find_name_prefixes(const FindingContext& context);
std::vector<Finding> find_take_names(const FindingContext& context);
std::vector<Finding> find_doubled_names(const FindingContext& context);
std::vector<Finding> find_case_clashes(const FindingContext& context);
std::vector<Finding> find_illegal_names(const FindingContext& context);
std::vector<Finding> find_unlike_contract(const FindingContext& context);
std::vector<Finding> find_facing(const FindingContext& context);
std::vector<Finding> find_off_ground(const FindingContext& context);
std::vector<Finding> find_far_origins(const FindingContext& context);
std::vector<Finding> find_lone_sides(const FindingContext& context);
std::vector<Finding> find_joint_scales(const FindingContext& context);
std::vector<Finding> find_weight_sums(const FindingContext& context);
std::vector<Finding> find_influences(const FindingContext& context);
std::vector<Finding> find_idle_joints(const FindingContext& context);
std::vector<Finding> find_holding_root(const FindingContext& context);
std::vector<Finding> find_bind_unlike_rest(const FindingContext& context);
std::vector<Finding> find_empty_shapes(const FindingContext& context);
std::vector<Finding> find_missing_normals(const FindingContext& context);
std::vector<Finding> find_flat_triangles(const FindingContext& context);
std::vector<Finding> find_still_clips(const FindingContext& context);
std::vector<Finding> find_stray_keys(const FindingContext& context);
std::vector<Finding> find_jumps(const FindingContext& context);
std::vector<Finding> find_odd_lengths(const FindingContext& context);
std::vector<Finding> find_same_motions(const FindingContext& context);
std::vector<Finding> find_drifting_roots(const FindingContext& context);
std::vector<Finding> find_sliding_feet(const FindingContext& context);
std::vector<Finding> find_open_loops(const FindingContext& context);
std::vector<Finding> find_reader_notes(const FindingContext& context);

/// A name that says nothing about what moves: "capture_07", "Clip (3)".
bool is_meaningless_take_name(std::string_view name);

} // namespace wembrix
