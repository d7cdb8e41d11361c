// The registry of steps: one row each, in the order in which they are offered.
#include "core/steps/step_kind.h"

#include <algorithm>
#include <array>

namespace wembrix {

// A row: the function of that name, with _step behind it, is in the step's own file.
#define WEMBRIX_STEPS(ROW)                                                                                             \
    ROW(leave_behind)                                                                                                  \
    ROW(strip_prefix)                                                                                                  \
    ROW(bake_parent_transforms)                                                                                        \
    ROW(scale)                                                                                                         \
    ROW(rotate)                                                                                                        \
    ROW(face_forward)                                                                                                  \
    ROW(ground)                                                                                                        \
    ROW(place_origin)                                                                                                  \
    ROW(expect_size)                                                                                                   \
    ROW(accept_finding)                                                                                                \
    ROW(build_skeleton)                                                                                                \
    ROW(make_root)                                                                                                     \
    ROW(remove_joints)                                                                                                 \
    ROW(reparent_joints)                                                                                               \
    ROW(insert_joint)                                                                                                  \
    ROW(reorder_joints)                                                                                                \
    ROW(rename_joints)                                                                                                 \
    ROW(bake_joint_scale)                                                                                              \
    ROW(set_rest_pose)                                                                                                 \
    ROW(zero_rest_rotations)                                                                                           \
    ROW(align_bone_axes)                                                                                               \
    ROW(add_attachment)                                                                                                \
    ROW(fit_contract)                                                                                                  \
    ROW(rename_surfaces)                                                                                               \
    ROW(merge_surfaces)                                                                                                \
    ROW(bind_surface)                                                                                                  \
    ROW(normalize_weights)                                                                                             \
    ROW(limit_influences)                                                                                              \
    ROW(prune_weights)                                                                                                 \
    ROW(smooth_weights)                                                                                                \
    ROW(mirror_weights)                                                                                                \
    ROW(transfer_weights)                                                                                              \
    ROW(copy_weights)                                                                                                  \
    ROW(paint_weights)                                                                                                 \
    ROW(rename_shapes)                                                                                                 \
    ROW(order_shapes)                                                                                                  \
    ROW(add_shape)                                                                                                     \
    ROW(corrective)                                                                                                    \
    ROW(mirror_shape)                                                                                                  \
    ROW(split_shape_sides)                                                                                             \
    ROW(join_shapes)                                                                                                   \
    ROW(scale_shape)                                                                                                   \
    ROW(bake_shape)                                                                                                    \
    ROW(remove_empty_shapes)                                                                                           \
    ROW(rename_slots)                                                                                                  \
    ROW(order_slots)                                                                                                   \
    ROW(merge_slots)                                                                                                   \
    ROW(move_faces)                                                                                                    \
    ROW(set_material)                                                                                                  \
    ROW(no_materials)                                                                                                  \
    ROW(recompute_normals)                                                                                             \
    ROW(recompute_tangents)                                                                                            \
    ROW(triangulate)                                                                                                   \
    ROW(weld)                                                                                                          \
    ROW(flip_winding)                                                                                                  \
    ROW(make_hulls)                                                                                                    \
    ROW(adjust_hulls)                                                                                                  \
    ROW(bring_takes)                                                                                                   \
    ROW(retarget)                                                                                                      \
    ROW(rename_clips)                                                                                                  \
    ROW(root_strands)                                                                                                  \
    ROW(strands_from_lines)                                                                                            \
    ROW(set_strand_widths)                                                                                             \
    ROW(strand_region)                                                                                                 \
    ROW(strand_guides)                                                                                                 \
    ROW(grow_strands)                                                                                                  \
    ROW(bind_strands)                                                                                                  \
    ROW(lines_from_strands)                                                                                            \
    ROW(strand_cards)                                                                                                  \
    ROW(cache_strands)                                                                                                 \
    ROW(cache_surface)                                                                                                 \
    ROW(split_take)                                                                                                    \
    ROW(bake)                                                                                                          \
    ROW(change_frame_rate)                                                                                             \
    ROW(stretch_time)                                                                                                  \
    ROW(reverse)                                                                                                       \
    ROW(start_at)                                                                                                      \
    ROW(close_loop)                                                                                                    \
    ROW(extract_root_motion)                                                                                           \
    ROW(join_clips)                                                                                                    \
    ROW(pose_to_clip)                                                                                                  \
    ROW(mirror_clip)                                                                                                   \
    ROW(make_additive)                                                                                                 \
    ROW(reduce_keys)                                                                                                   \
    ROW(hand_keys)                                                                                                     \
    ROW(describe_clips)

#define WEMBRIX_DECLARE(name) StepKind name##_step();
WEMBRIX_STEPS(WEMBRIX_DECLARE)
#undef WEMBRIX_DECLARE

std::span<const StepKind> step_kinds() {
#define WEMBRIX_MAKE(name) name##_step(),
    static const std::array rows = {WEMBRIX_STEPS(WEMBRIX_MAKE)};
#undef WEMBRIX_MAKE
    return rows;
}

const StepKind* step_kind(std::string_view id) {
    const std::span<const StepKind> rows = step_kinds();
    const auto found = std::find_if(rows.begin(), rows.end(), [&](const StepKind& row) { return row.id == id; });
    return found == rows.end() ? nullptr : &*found;
}

const Parameter* StepKind::parameter(std::string_view key) const {
    const auto found =
        std::find_if(parameters.begin(), parameters.end(), [&](const Parameter& p) { return p.key == key; });
    return found == parameters.end() ? nullptr : &*found;
}

bool StepKind::is_by_hand() const {
    return std::any_of(parameters.begin(), parameters.end(),
                       [](const Parameter& p) { return p.holds_data && !p.is_image; });
}

std::string_view subject_name(StepSubject subject) {
    constexpr std::array<std::string_view, 5> names = {"Scene", "Skeleton", "Surface", "Clips", "Strands"};
    return names.at(static_cast<size_t>(subject));
}

} // namespace wembrix
