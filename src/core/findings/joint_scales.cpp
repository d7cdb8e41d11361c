// Joints whose scale is not 1: many engines drop joint scales, or hand them on to all joints below.
#include "core/base/text.h"
#include "core/findings/finding.h"
#include "core/steps/names.h"

#include <cmath>

namespace wembrix {

std::vector<Finding> find_point_scales(const FindingContext& context) {
    const std::vector<Mat4> world = rest_world(context.scene);
    Finding finding;
    finding.grade = Grade::look;
    Text worst;
    double farthest = 0;
    bool all_own = true;
    for (size_t n = 0; n < context.scene.nodes.size(); ++n) {
        const Node& node = context.scene.nodes[n];
        const bool point = node.kind == NodeKind::point || node.kind == NodeKind::light ||
                           node.kind == NodeKind::camera || node.kind == NodeKind::empty;
        const double size = std::cbrt(std::abs(linear_of(world[n]).determinant()));
        if (!point || node.mesh >= 0 || std::abs(size - 1) <= 1e-3) {
            continue;
        }
        finding.nodes.push_back(node.name);
        all_own = all_own && (node.rest.scale - Vec3::Ones()).cwiseAbs().maxCoeff() > 1e-6;
        if (std::abs(std::log(std::max(size, 1e-12))) > farthest) {
            farthest = std::abs(std::log(std::max(size, 1e-12)));
            worst = phrase("{} is {:.4g} times as large", node.name, size);
        }
    }
    if (finding.nodes.empty()) {
        return {};
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message = phrase("{} a scale", finding.nodes.size() == 1
                                               ? "1 attachment point or light has"
                                               : phrase("{} attachment points or lights have", finding.nodes.size()));
    finding.reason = worst + ". What an engine hangs there comes out as large.";
    if (all_own) {
        finding.step = Step{"bake_joint_scale", {{"stretch", "translation"}}};
    } else {
        finding.no_step = "what stands above it scales it: bake the parent transforms or joint scales";
    }
    return {finding};
}

std::vector<Finding> find_joint_scales(const FindingContext& context) {
    constexpr double tolerance = 1e-4;
    Finding finding;
    finding.grade = Grade::look;
    double farthest = 0;
    Text worst;
    for (const int joint : joints_of(context.scene)) {
        const Node& node = context.scene.nodes[joint];
        const double off = (node.rest.scale - Vec3::Ones()).cwiseAbs().maxCoeff();
        if (off > tolerance) {
            finding.nodes.push_back(node.name);
            if (off > farthest) {
                farthest = off;
                worst = phrase("{} has {:.4g}, {:.4g}, {:.4g}", node.name, node.rest.scale.x(), node.rest.scale.y(),
                               node.rest.scale.z());
            }
        }
    }
    if (finding.nodes.empty()) {
        return {};
    }
    finding.where = some_of(finding.nodes, finding.nodes.size());
    finding.message =
        phrase("{} joint{} scaled at rest", finding.nodes.size(), finding.nodes.size() == 1 ? " is" : "s are");
    finding.reason = worst + ". Many engines drop joint scales, and the surface changes its size.";
    const std::vector<Mat4> world = rest_world(context.scene);
    bool holder_scales = false;
    for (size_t i = 0; i < context.scene.nodes.size(); ++i) {
        const Mat3 linear = linear_of(world[i]);
        holder_scales =
            holder_scales || (context.scene.nodes[i].kind == NodeKind::parent_transform &&
                              (linear.transpose() * linear - Mat3::Identity()).cwiseAbs().maxCoeff() > 1e-9);
    }
    if (holder_scales) {
        finding.no_step = "bake the parent transforms first: they scale the joints from above";
    } else {
        finding.step = Step{"bake_joint_scale", {{"stretch", "translation"}}};
    }
    return {finding};
}

} // namespace wembrix
