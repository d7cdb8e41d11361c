// A skeleton that no surface follows.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/steps/names.h"

#include <algorithm>

namespace wembrix {

std::vector<Finding> find_unbound_surfaces(const FindingContext& context) {
    const Scene& scene = context.scene;
    const size_t joints = joints_of(scene).size();
    if (joints < 2) {
        return {};
    }
    Finding finding;
    finding.grade = Grade::look;
    size_t vertices = 0;
    for (const int surface : surfaces_of(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        // A stand-in of one point carries shapes only; what hangs on a joint follows it as it is.
        const size_t count = scene.meshes[static_cast<size_t>(node.mesh)].point_count();
        const bool stands_in = count <= 1;
        if ((node.skin >= 0 && !stands_in) || joint_above(scene, surface) >= 0) {
            return {};
        }
        if (!stands_in) {
            finding.nodes.push_back(node.name);
            vertices += count;
        }
    }
    if (finding.nodes.empty()) {
        return {};
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message = phrase("No surface follows the skeleton of {}", counted(joints, "joint"));
    finding.reason = phrase("{} of {} stand still while it moves: they have no weights.", counted(vertices, "vertex"),
                            some_of(finding.nodes));
    finding.step = Step{"bind_surface", {{"surfaces", finding.nodes}, {"method", "heat"}, {"ends", true}}};
    return {finding};
}

} // namespace wembrix
