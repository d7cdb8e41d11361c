// Joints whose scale is not 1: many engines drop joint scales, or hand them on to all joints below.
#include "core/findings/all.h"
#include "core/steps/names.h"

#include <cmath>
#include <fmt/format.h>

namespace wembrix {

std::vector<Finding> find_joint_scales(const FindingContext& context) {
    constexpr double tolerance = 1e-4;
    Finding finding;
    finding.grade = Grade::look;
    double farthest = 0;
    std::string worst;
    for (const int joint : joints_of(context.scene)) {
        const Node& node = context.scene.nodes[joint];
        const double off = (node.rest.scale - Vec3::Ones()).cwiseAbs().maxCoeff();
        if (off > tolerance) {
            finding.nodes.push_back(node.name);
            if (off > farthest) {
                farthest = off;
                worst = fmt::format("{} has {:.4g}, {:.4g}, {:.4g}", node.name, node.rest.scale.x(),
                                    node.rest.scale.y(), node.rest.scale.z());
            }
        }
    }
    if (finding.nodes.empty()) {
        return {};
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message =
        fmt::format("{} joint{} scaled at rest", finding.nodes.size(), finding.nodes.size() == 1 ? " is" : "s are");
    finding.reason = worst + ". Many engines drop joint scales, and the surface changes its size.";
    finding.no_step = "scales are held against Prepared when delivered; a step that folds them is not there yet";
    return {finding};
}

} // namespace wembrix
