// Surfaces: shapes that move nothing, normals that are missing, triangles without area.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/measure/surface/flat_triangles.h"
#include "core/steps/names.h"

#include <algorithm>

namespace wembrix {

std::vector<Finding> find_empty_shapes(const FindingContext& context) {
    Finding finding;
    finding.grade = Grade::note;
    std::vector<std::string> shapes;
    for (const int surface : surfaces_of(context.scene)) {
        const Node& node = context.scene.nodes[surface];
        for (const MorphTarget& shape : context.scene.meshes[node.mesh].shapes) {
            const bool moves = std::any_of(shape.positions.begin(), shape.positions.end(),
                                           [](const Vec3f& by) { return !by.isZero(0); });
            if (!moves && shape.normals.empty()) {
                shapes.push_back(shape.name);
                if (finding.nodes.empty() || finding.nodes.back() != node.name) {
                    finding.nodes.push_back(node.name);
                }
            }
        }
    }
    // A file of motion alone has its shapes on stand-ins of one point: those are meant to be empty.
    const bool stand_ins = std::all_of(finding.nodes.begin(), finding.nodes.end(), [&](const std::string& name) {
        return context.scene.meshes[context.scene.nodes[context.scene.find_node(name)].mesh].point_count() <= 1;
    });
    if (shapes.empty() || stand_ins) {
        return {};
    }
    finding.where = some_of(shapes, shapes.size());
    finding.message = shapes.size() == 1 ? phrase("Shape “{}” moves nothing", shapes[0])
                                         : phrase("{} move nothing", counted(shapes.size(), "shape"));
    finding.reason =
        phrase("{} on {}: it costs memory, and its slider is dead.", some_of(shapes), some_of(finding.nodes));
    finding.step = Step{"remove_empty_shapes"};
    return {finding};
}

std::vector<Finding> find_missing_normals(const FindingContext& context) {
    Finding finding;
    finding.grade = Grade::look;
    size_t points = 0;
    for (const int surface : surfaces_of(context.scene)) {
        const Node& node = context.scene.nodes[surface];
        for (const Primitive& primitive : context.scene.meshes[node.mesh].primitives) {
            if (!primitive.has_normals && primitive.topology >= Topology::triangles) {
                points += primitive.point_count;
                if (finding.nodes.empty() || finding.nodes.back() != node.name) {
                    finding.nodes.push_back(node.name);
                }
            }
        }
    }
    if (finding.nodes.empty()) {
        return {};
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message = phrase("{} has no normals", some_of(finding.nodes));
    finding.reason = phrase("{}: every reader makes up its own, flat or smooth.", counted(points, "vertex"));
    finding.step = Step{"recompute_normals", {{"surfaces", finding.nodes}}};
    return {finding};
}

std::vector<Finding> find_flat_triangles(const FindingContext& context) {
    Finding finding;
    finding.grade = Grade::note;
    size_t flat = 0;
    size_t all = 0;
    for (const int surface : surfaces_of(context.scene)) {
        const Node& node = context.scene.nodes[surface];
        const Mesh& mesh = context.scene.meshes[node.mesh];
        const size_t here = flat_triangles(mesh);
        all += mesh.triangle_count();
        if (here > 0) {
            flat += here;
            finding.nodes.push_back(node.name);
        }
    }
    if (flat == 0) {
        return {};
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message = phrase("{} of {} have no area", flat, counted(all, "triangle"));
    finding.reason = phrase("On {}: their tangents are undefined, and some engines refuse them for collision.",
                            some_of(finding.nodes));
    finding.no_step = "they are kept, so that points keep their numbers";
    return {finding};
}

} // namespace wembrix
