#include "core/findings/finding.h"

#include "core/findings/all.h"

#include <algorithm>
#include <array>
#include <tbb/parallel_for.h>
#include <tbb/partitioner.h>

namespace wembrix {

std::string_view grade_name(Grade grade) {
    constexpr std::array<std::string_view, 3> names = {"stop", "look", "note"};
    return names.at(static_cast<size_t>(grade));
}

std::span<const FindingKind> finding_kinds() {
    static constexpr std::array<FindingKind, 31> rows = {{
        {"size", find_odd_size, Station::intake},
        {"facing", find_facing, Station::intake},
        {"off_ground", find_off_ground, Station::intake},
        {"far_origin", find_far_origins, Station::intake},
        {"roots", find_roots, Station::joints},
        {"holder", find_holders, Station::intake},
        {"name_prefix", find_name_prefixes, Station::joints},
        {"doubled_name", find_doubled_names, Station::joints},
        {"illegal_name", find_illegal_names, Station::joints},
        {"case_clash", find_case_clashes, Station::joints},
        {"contract", find_unlike_contract, Station::joints},
        {"lone_side", find_lone_sides, Station::joints},
        {"joint_scale", find_joint_scales, Station::joints},
        {"bind_pose", find_bind_unlike_rest, Station::joints},
        {"holding_root", find_holding_root, Station::joints},
        {"idle_joints", find_idle_joints, Station::joints},
        {"weight_sum", find_weight_sums, Station::intake},
        {"influences", find_influences, Station::intake},
        {"empty_shape", find_empty_shapes, Station::intake},
        {"missing_normals", find_missing_normals, Station::intake},
        {"flat_triangles", find_flat_triangles, Station::intake},
        {"take_name", find_take_names, Station::takes},
        {"still_clip", find_still_clips, Station::takes},
        {"stray_keys", find_stray_keys, Station::takes},
        {"open_loop", find_open_loops, Station::takes},
        {"creeping_loop", find_drifting_roots, Station::takes},
        {"jump", find_jumps, Station::takes},
        {"odd_length", find_odd_lengths, Station::takes},
        {"same_motion", find_same_motions, Station::takes},
        {"sliding_foot", find_sliding_feet, Station::takes},
        {"reader", find_reader_notes, Station::intake},
    }};
    return rows;
}

std::vector<Finding> look_for_findings(const FindingContext& context) {
    // Side by side, since some go over every frame; in their order, whichever is done first.
    const std::span<const FindingKind> kinds = finding_kinds();
    std::vector<std::vector<Finding>> found(kinds.size());
    tbb::parallel_for(
        size_t{0}, kinds.size(), [&](size_t k) { found[k] = kinds[k].look(context); }, tbb::simple_partitioner());
    std::vector<Finding> all;
    for (size_t k = 0; k < kinds.size(); ++k) {
        for (Finding& finding : found[k]) {
            finding.id = kinds[k].id;
            finding.station = kinds[k].station;
            all.push_back(std::move(finding));
        }
    }
    std::stable_sort(all.begin(), all.end(), [](const Finding& a, const Finding& b) { return a.grade < b.grade; });
    return all;
}

} // namespace wembrix
