#include "core/job/inspect.h"

#include "core/measure/scene/bounds.h"
#include "core/measure/scene/facing.h"
#include "core/measure/scene/props.h"
#include "core/measure/scene/upright.h"
#include "core/measure/skeleton/pairs.h"
#include "core/measure/strands/strand_facts.h"

#include <cmath>

namespace wembrix {

using nlohmann::json;

json finding_to_json(const Finding& finding) {
    json row = {{"id", finding.id},
                {"grade", grade_name(finding.grade)},
                {"where", finding.where},
                {"message", finding.message},
                {"reason", finding.reason},
                {"no_step", finding.no_step},
                {"step", finding.step ? json(finding.step->id) : json()},
                {"parameters", finding.step ? finding.step->parameters : json()}};
    if (!finding.accepted.empty()) {
        row["accepted"] = finding.accepted;
    }
    return row;
}

namespace {
/// Strands, and caches of whatever has some.
json curves_of(const Scene& scene) {
    json rows = json::array();
    for (const int node : strands_of(scene)) {
        const Node& carrier = scene.nodes[static_cast<size_t>(node)];
        const CurveSet& curves = scene.curve_sets[static_cast<size_t>(carrier.curves)];
        const Mat4 world = rest_world(scene)[static_cast<size_t>(node)];
        Bounds box;
        for (const Vec3f& point : curves.points) {
            box.add(point_of(world, point.cast<double>()));
        }
        int frames = 0;
        for (const PointCache& cache : scene.caches) {
            frames = cache.surface == node ? std::max(frames, cache.frames) : frames;
        }
        json row = {{"name", carrier.name},           {"curves", curves.curve_count()},
                    {"points", curves.points.size()}, {"has_widths", !curves.widths.empty()},
                    {"roots", curves.roots.size()},   {"frames", frames}};
        row["box_m"] = box.empty()
                           ? json()
                           : json{{box.low.x(), box.low.y(), box.low.z()}, {box.high.x(), box.high.y(), box.high.z()}};
        rows.push_back(std::move(row));
    }
    return rows;
}
json caches_of(const Scene& scene) {
    json rows = json::array();
    for (const PointCache& cache : scene.caches) {
        if (cache.surface >= 0) {
            rows.push_back({{"name", cache.name},
                            {"node", scene.nodes[static_cast<size_t>(cache.surface)].name},
                            {"frames", cache.frames},
                            {"rate", cache.rate}});
        }
    }
    return rows;
}
} // namespace

json inspect_scene(const Scene& scene, std::span<const Destination> destinations) {
    json joints = json::array();
    for (const JointRow& row : joint_rows(scene)) {
        joints.push_back({{"name", row.name}, {"parent", row.parent.empty() ? json() : json(row.parent)}});
    }
    json roots = json::array();
    for (const int root : root_joints(scene)) {
        roots.push_back(scene.nodes[root].name);
    }
    json meshes = json::array();
    for (const int node : surfaces_of(scene)) {
        const Mesh& mesh = scene.meshes[scene.nodes[node].mesh];
        json shapes = json::array();
        for (const MorphTarget& shape : mesh.shapes) {
            shapes.push_back(shape.name);
        }
        meshes.push_back({{"name", scene.nodes[node].name},
                          {"vertices", mesh.point_count()},
                          {"triangles", mesh.triangle_count()},
                          {"skinned", scene.nodes[node].skin >= 0},
                          {"max_influences", scene.nodes[node].influences.largest_row()},
                          {"shapes", shapes}});
    }
    json clips = json::array();
    for (const Clip& clip : scene.clips) {
        clips.push_back({{"name", clip.name},
                         {"frames", clip.frames()},
                         {"rate", clip.rate},
                         {"seconds", clip.seconds},
                         {"loop", clip.loop}});
    }
    json others = json::array();
    for (const Node& node : scene.nodes) {
        if (node.kind != NodeKind::joint && node.mesh < 0) {
            others.push_back({{"name", node.name}, {"kind", kind_name(node.kind)}});
        }
    }
    json findings = json::array();
    for (const Finding& finding : look_for_findings(scene, destinations)) {
        findings.push_back(finding_to_json(finding));
    }
    const Sides found = find_sides(scene);
    json unlike = json::array();
    for (const JointPair& pair : unlike_pairs(found, 1e-4)) {
        unlike.push_back({{"left", scene.nodes[pair.left].name},
                          {"right", scene.nodes[pair.right].name},
                          {"apart_mm", pair.apart_m * 1000},
                          {"longer_mm", pair.longer_m * 1000}});
    }
    json alone = json::array();
    for (const int joint : found.alone) {
        alone.push_back(scene.nodes[joint].name);
    }
    const json sides = {{"pairs", found.pairs.size()}, {"unlike", unlike}, {"alone", alone}};
    json props = json::array();
    for (const Prop& prop : props_of(scene)) {
        props.push_back({{"name", prop.name}, {"joints", prop.joints}, {"origin_away_m", prop.away_m}});
    }
    const std::optional<Facing> facing = guess_facing(scene);
    json result = {{"joints", joints},     {"roots", roots}, {"height_m", height_m(scene)},
                   {"meshes", meshes},     {"clips", clips}, {"others", others},
                   {"findings", findings}, {"sides", sides}, {"props", props}};
    result["curves"] = curves_of(scene);
    result["caches"] = caches_of(scene);
    const std::optional<Upright> upright = upright_of(scene);
    result["up"] =
        upright ? json{{"axis", axis_name(upright->up)}, {"reason", upright->reason}, {"certainty", upright->certainty}}
                : json();
    result["facing_reason"] = facing ? json(facing->reason) : json();
    result["facing_certainty"] = facing ? json(facing->certainty) : json();
    result["facing"] = facing ? json(axis_name(facing->axis)) : json();
    return result;
}

json step_outcomes_to_json(const Replay& replay) {
    json steps = json::array();
    for (const StepOutcome& outcome : replay.outcomes) {
        json row = {{"step", outcome.step.id},
                    {"on", outcome.step.on},
                    {"account", outcome.account},
                    {"could_not", outcome.could_not}};
        row["problem"] = outcome.problem ? json(outcome.problem->sentence()) : json();
        row["drift_mm"] =
            outcome.drift && outcome.step.on && !outcome.problem ? json(outcome.drift->largest_mm) : json();
        steps.push_back(std::move(row));
    }
    return steps;
}

} // namespace wembrix
