#include "core/findings/finding.h"
#include "core/base/text.h"

#include <algorithm>
#include <array>
#include <iterator>
#include <tbb/parallel_for.h>
#include <tbb/partitioner.h>

namespace wembrix {

// Each is defined in the file of its subject.
using Find = std::vector<Finding>(const FindingContext& context);
Find find_odd_size, find_facing, find_off_ground, find_far_origins, find_roots, find_parent_transforms,
    find_name_prefixes, find_doubled_names, find_illegal_names, find_case_clashes, find_unlike_contract,
    find_lone_sides, find_joint_scales, find_bind_unlike_rest, find_weighted_root, find_unweighted_joints,
    find_weight_sums, find_influences, find_empty_shapes, find_missing_normals, find_flat_triangles, find_take_names,
    find_still_clips, find_stray_keys, find_open_loops, find_drifting_roots, find_jumps, find_odd_lengths,
    find_same_motions, find_sliding_feet, find_reader_notes, find_unread_sources, find_unlike_rests, find_lost_motion,
    find_unlike_legs, find_refused_names, find_refused_root, find_many_shapes, find_point_scales, find_unlike_size,
    find_loose_sculpts, find_stray_weights, find_unlike_weights, find_splitting_doubles, find_unheld_vertices,
    find_broken_normals, find_normals_against_winding, find_missing_tangents, find_unexpected_size,
    find_size_unlike_contract, find_sources_of_other_sizes, find_unbound_surfaces, find_strands_unlike_model,
    find_strands_without_roots, find_strands_without_widths, find_strands_through_body, find_caches_without_clip;

std::string_view grade_name(Grade grade) {
    constexpr std::array<std::string_view, 3> names = {"stop", "look", "note"};
    return names.at(static_cast<size_t>(grade));
}

void Finding::point_at(const std::string& of, std::vector<uint32_t> worst_first) {
    constexpr size_t most = 5000;
    surface = of;
    vertices = std::move(worst_first);
    vertices.resize(std::min(vertices.size(), most));
}

std::span<const FindingKind> finding_kinds() {
    static constexpr std::array<FindingKind, 57> rows = {{
        {"unread_source", find_unread_sources, "intake"},
        {"unlike_rest", find_unlike_rests, "intake"},
        {"size", find_odd_size, "intake"},
        {"expected_size", find_unexpected_size, "intake"},
        {"contract_size", find_size_unlike_contract, "intake", true},
        {"source_size", find_sources_of_other_sizes, "intake"},
        {"unlike_size", find_unlike_size, "intake"},
        {"facing", find_facing, "intake"},
        {"off_ground", find_off_ground, "intake"},
        {"far_origin", find_far_origins, "intake"},
        {"roots", find_roots, "joints", true},
        {"refused_root", find_refused_root, "joints", true},
        {"parent_transform", find_parent_transforms, "intake"},
        {"name_prefix", find_name_prefixes, "joints"},
        {"doubled_name", find_doubled_names, "joints"},
        {"illegal_name", find_illegal_names, "joints", true},
        {"refused_name", find_refused_names, "intake", true},
        {"many_shapes", find_many_shapes, "surface", true},
        {"case_clash", find_case_clashes, "joints"},
        {"contract", find_unlike_contract, "joints", true},
        {"lone_side", find_lone_sides, "joints"},
        {"joint_scale", find_joint_scales, "joints"},
        {"point_scale", find_point_scales, "joints"},
        {"bind_pose", find_bind_unlike_rest, "joints"},
        {"weighted_root", find_weighted_root, "surface"},
        {"unweighted_joints", find_unweighted_joints, "joints"},
        {"unbound_surface", find_unbound_surfaces, "surface"},
        {"weight_sum", find_weight_sums, "surface"},
        {"unheld_vertices", find_unheld_vertices, "surface"},
        {"influences", find_influences, "surface", true},
        {"stray_weights", find_stray_weights, "surface"},
        {"unlike_weights", find_unlike_weights, "surface"},
        {"splitting_doubles", find_splitting_doubles, "surface"},
        {"loose_sculpt", find_loose_sculpts, "surface"},
        {"empty_shape", find_empty_shapes, "surface"},
        {"missing_normals", find_missing_normals, "surface"},
        {"broken_normals", find_broken_normals, "surface"},
        {"inside_out", find_normals_against_winding, "surface"},
        {"missing_tangents", find_missing_tangents, "surface"},
        {"flat_triangles", find_flat_triangles, "surface"},
        {"lost_motion", find_lost_motion, "takes"},
        {"unlike_legs", find_unlike_legs, "takes"},
        {"take_name", find_take_names, "takes"},
        {"still_clip", find_still_clips, "takes"},
        {"stray_keys", find_stray_keys, "takes"},
        {"open_loop", find_open_loops, "takes"},
        {"creeping_loop", find_drifting_roots, "takes"},
        {"jump", find_jumps, "takes"},
        {"odd_length", find_odd_lengths, "takes"},
        {"same_motion", find_same_motions, "takes"},
        {"sliding_foot", find_sliding_feet, "takes"},
        {"strand_size", find_strands_unlike_model, "strands", true},
        {"strand_roots", find_strands_without_roots, "strands", true},
        {"strand_widths", find_strands_without_widths, "strands", true},
        {"strands_through_body", find_strands_through_body, "strands", true},
        {"cache_without_clip", find_caches_without_clip, "strands"},
        {"reader", find_reader_notes, "intake"},
    }};
    return rows;
}

void apply_accepted(const Scene& scene, Finding& finding) {
    for (const Accepted& accepted : scene.accepted) {
        if (finding.grade == Grade::stop && accepted.finding == finding.id &&
            (accepted.where.empty() || accepted.where == finding.where) &&
            (accepted.message.empty() || accepted.message == finding.message)) {
            finding.accepted = accepted.note;
            finding.grade = Grade::look;
        }
    }
}

namespace {

void settle(const FindingKind& kind, const Scene& scene, Finding& finding) {
    finding.id = kind.id;
    finding.station = kind.station;
    apply_accepted(scene, finding);
}

} // namespace

Step accepting(const Finding& finding, const std::string& note) {
    return {"accept_finding",
            {{"finding", finding.id}, {"where", finding.where}, {"message", finding.message}, {"note", note}}};
}

std::vector<Finding> accepted_stops(const std::vector<Finding>& findings) {
    std::vector<Finding> accepted;
    std::copy_if(findings.begin(), findings.end(), std::back_inserter(accepted),
                 [](const Finding& finding) { return !finding.accepted.empty(); });
    return accepted;
}

std::string accepted_note(std::string_view id, const FindingContext& context) {
    std::string note;
    for (const FindingKind& kind : finding_kinds()) {
        if (kind.id != id || context.scene.accepted.empty()) {
            continue;
        }
        for (Finding& finding : kind.find(context)) {
            settle(kind, context.scene, finding);
            if (finding.grade == Grade::stop) {
                return {};
            }
            note = finding.accepted.empty() ? note : finding.accepted;
        }
    }
    return note;
}

namespace {
std::vector<Finding> look_for(const std::vector<const FindingKind*>& kinds, const FindingContext& context) {
    // Side by side, since some go over every frame; in their order, whichever is done first.
    std::vector<std::vector<Finding>> found(kinds.size());
    tbb::parallel_for(
        size_t{0}, kinds.size(), [&](size_t k) { found[k] = kinds[k]->find(context); }, tbb::simple_partitioner());
    std::vector<Finding> all;
    for (size_t k = 0; k < kinds.size(); ++k) {
        for (Finding& finding : found[k]) {
            settle(*kinds[k], context.scene, finding);
            all.push_back(std::move(finding));
        }
    }
    return all;
}

void stops_first(std::vector<Finding>& findings) {
    std::stable_sort(findings.begin(), findings.end(),
                     [](const Finding& a, const Finding& b) { return a.grade < b.grade; });
}

std::vector<const FindingKind*> kinds_of(bool all) {
    std::vector<const FindingKind*> kinds;
    for (const FindingKind& kind : finding_kinds()) {
        if (all || kind.by_destination) {
            kinds.push_back(&kind);
        }
    }
    return kinds;
}
} // namespace

std::vector<Finding> look_for_findings(const FindingContext& context) {
    std::vector<Finding> all = look_for(kinds_of(true), context);
    stops_first(all);
    return all;
}

std::vector<Finding> look_for_findings(const Scene& scene, std::span<const Destination> destinations) {
    std::vector<Finding> all = look_for(kinds_of(true), {scene, destinations.empty() ? nullptr : destinations.data()});
    for (const Destination& destination : destinations.subspan(destinations.empty() ? 0 : 1)) {
        for (Finding& finding : look_for(kinds_of(false), {scene, &destination})) {
            const bool known = std::any_of(all.begin(), all.end(), [&](const Finding& other) {
                return other.same_as(finding) && other.message == finding.message;
            });
            if (!known) {
                if (finding.message.find(destination.name) == std::string::npos) {
                    finding.message += phrase(" ({})", destination.name);
                }
                all.push_back(std::move(finding));
            }
        }
    }
    stops_first(all);
    return all;
}

} // namespace wembrix
